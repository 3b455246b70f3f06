/** The cut list as CSV (RFC 4180). Sizes twice: as read off a tape in the project's unit, and exact in millimetres. */
import { exactText, tapeText } from '../length/format.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import type { Feature, PartLine } from '../parts/parts.ts';
import type { Workshop } from '../stock/workshop.ts';
import { labelWords } from '../checks/words/labels.ts';
import { fineText, lengthText } from '../checks/words/amounts.ts';
import { exactMm } from './nest-problem.ts';

export const CUT_LIST_COLUMNS = [
  'mark',
  'count',
  'part',
  'length',
  'width',
  'thickness',
  'unit',
  'stock',
  'grain',
  'edges banded',
  'features',
  'length exact',
  'width exact',
  'thickness exact',
  'mirror of',
] as const;

/** `unitOf` gives the unit a line is read in: that of the cabinet it belongs to. */
export function cutListCsv(parts: readonly PartLine[], workshop: Workshop, unitOf: (line: PartLine) => DisplayUnit): string {
  const rows = parts.map((line) => {
    const unit = unitOf(line);
    return [
      line.mark,
      String(line.count),
      line.names.map(labelWords).join(', '),
      tapeText(line.length.value, unit),
      tapeText(line.width.value, unit),
      exactText(line.thickness, unit),
      unit,
      workshop.products[line.stock]?.name ?? line.stock,
      line.grain === 'none' ? 'any' : `along the ${line.grain}`,
      line.bands.map((edge) => edgeWords(line, edge)).join(', '),
      line.features.map((feature) => featureWords(feature, line, unit)).join('; '),
      exactMm(line.length.value),
      exactMm(line.width.value),
      exactMm(line.thickness),
      line.mirrorOf ?? '',
    ];
  });
  return [CUT_LIST_COLUMNS, ...rows].map((row) => row.map(cell).join(',')).join('\r\n') + '\r\n';
}

/** A cell that a spreadsheet takes for a formula would run: it gets an apostrophe in front. */
function cell(text: string): string {
  const safe = /^[=+@\t\r]|^-(?!\d)/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}

/** Names of a blank's ends and edges, as they stand in the unit. */
export function edgeWords(line: Pick<PartLine, 'role'>, edge: 'start' | 'end' | 'near' | 'far'): string {
  switch (line.role) {
    case 'side':
      return { start: 'bottom end', end: 'top end', near: 'rear edge', far: 'front edge' }[edge];
    case 'back':
      return { start: 'bottom edge', end: 'top edge', near: 'left edge', far: 'right edge' }[edge];
    case 'top':
    case 'bottom':
    case 'shelf':
      return { start: 'left end', end: 'right end', near: 'rear edge', far: 'front edge' }[edge];
    default:
      return { start: 'left end', end: 'right end', near: 'lower edge', far: 'upper edge' }[edge];
  }
}

/** 'dado 18.1 mm wide, 6 mm deep, near side 512 mm from the bottom end'. */
export function featureWords(feature: Feature, line: Pick<PartLine, 'role'>, unit: DisplayUnit): string {
  if (feature.kind === 'bevel-rip') return `rip at ${feature.tiltDeg}°, ${lengthText(feature.at, unit)} to the long point on each half`;
  const place = feature.kind === 'rabbet' ? rabbetPlace(feature, line) : `near side ${lengthText(feature.at, unit)} from the ${edgeWords(line, feature.from)}`;
  return `${feature.kind} ${fineText(feature.width, unit)} wide, ${fineText(feature.depth, unit)} deep, ${place}`;
}

function rabbetPlace({ at, from }: Feature, line: Pick<PartLine, 'role'>): string {
  const far = from === 'start' ? 'end' : 'far';
  return `on the ${edgeWords(line, at === (0 as Length) ? from : far)}`;
}
