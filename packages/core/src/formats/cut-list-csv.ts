/** The cut list as CSV. Sizes twice: as read off a tape in the project's unit, and as plain millimeters. */
import { exactText, tapeText } from '../length/format.ts';
import { toMm, type DisplayUnit, type Length } from '../length/length.ts';
import type { Feature } from '../parts/features.ts';
import type { CabinetAxis } from '../parts/part-line.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { EdgeId } from '../solid/panel.ts';
import { labelWords, WORDS } from '../checks/words/labels.ts';
import { fineText, lengthText } from '../checks/words/amounts.ts';
import { csvText } from './csv.ts';
import type { Workshop } from '../model/workshop.ts';

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
  'length exact mm',
  'width exact mm',
  'thickness exact mm',
  'mirror of',
] as const;

/** `unitOf` gives the display unit of a line: that of its cabinet. */
export function cutListCsv(parts: readonly PartLine[], workshop: Workshop, unitOf: (line: PartLine) => DisplayUnit): string {
  const rows = parts.map((line) => {
    const unit = unitOf(line);
    return [
      line.mark,
      line.count,
      namesText(line),
      tapeText(line.length.value, unit),
      tapeText(line.width.value, unit),
      exactText(line.thickness, unit),
      unit,
      workshop.products[line.stock]?.name ?? line.stock,
      line.grain === 'none' ? 'any' : `along the ${line.grain}`,
      line.bands.map((edge) => edgeWords(line, edge)).join(', '),
      line.features.map((feature) => featureWords(feature, line, unit)).join('; '),
      toMm(line.length.value),
      toMm(line.width.value),
      toMm(line.thickness),
      line.mirrorOf ?? '',
    ];
  });
  return csvText([CUT_LIST_COLUMNS, ...rows]);
}

/** Longest name that parts-table.ts reads back. */
const MAX_NAME = 80;

/** 'shelf 1, shelf 2'; of many: 'shelf 1, shelf 2 and 9 more'. */
function namesText({ names }: PartLine): string {
  const all = names.map(labelWords);
  for (let shown = all.length; shown > 0; shown--) {
    const more = all.length - shown;
    const text = all.slice(0, shown).join(', ') + (more > 0 ? ` and ${more} more` : '');
    if (text.length <= MAX_NAME) return text;
  }
  return all[0]!.slice(0, MAX_NAME);
}

/** Names of a blank's ends and edges, as they lie in the cabinet. */
export function edgeWords({ role, lie }: Pick<PartLine, 'role' | 'lie'>, edge: EdgeId): string {
  if (edge !== 'start' && edge !== 'end' && edge !== 'near' && edge !== 'far') return WORDS[`edge-${edge}`]!;
  const lengthwise = edge === 'start' || edge === 'end';
  const low = edge === 'start' || edge === 'near';
  const axis = lengthwise ? lie.length : lie.width;
  const side = (axis === 'up' && lengthwise ? (['bottom', 'top'] as const) : ENDS[axis])[low ? 0 : 1];
  return `${side} ${lengthwise && role !== 'back' ? 'end' : 'edge'}`;
}

const ENDS: Readonly<Record<CabinetAxis, readonly [string, string]>> = { along: ['left', 'right'], up: ['lower', 'upper'], out: ['rear', 'front'] };

type Read = Pick<PartLine, 'role' | 'lie'>;

/** 'dado 18.1 mm wide, 6 mm deep, near side 512 mm from the lower end'. */
export function featureWords(feature: Feature, line: Read, unit: DisplayUnit): string {
  const fine = (length: Length): string => fineText(length, unit);
  const tape = (length: Length): string => lengthText(length, unit);
  const from = `from the ${edgeWords(line, feature.from)}`;
  switch (feature.kind) {
    case 'bevel-rip':
      return `rip at ${feature.tiltDeg}°, ${tape(feature.at)} to the long point on each half`;
    case 'edge-bevel':
      return `bevel the ${edgeWords(line, feature.from)} at ${angleText(feature.tiltDeg)}`;
    case 'slant':
      return `saw off square by ${angleText(feature.angleDeg ?? 0)}: from ${tape(feature.at)} ${from} at ${tape(feature.across!.at)} from the ${edgeWords(line, feature.across!.from)} to ${tape(feature.atOpposite!)} at ${tape((feature.across!.at + feature.width) as Length)}`;
    case 'holes': {
      if (feature.purpose === 'pocket') return pocketWords(feature, line, tape);
      if (feature.face === 'edge') return edgeHoleWords(feature, line, unit);
      const row = (feature.count ?? 1) > 1 ? `${feature.count} holes ${fine(feature.width)}, every ${fine(feature.pitch!)},` : `hole ${fine(feature.width)},`;
      const deep = feature.through ? 'through' : `${fine(feature.depth)} deep`;
      return `${row} ${deep}, ${(feature.count ?? 1) > 1 ? 'the first ' : ''}${tape(feature.at)} ${from}, ${tape(feature.across!.at)} from the ${edgeWords(line, feature.across!.from)}`;
    }
    case 'notch':
      return `${feature.round ? 'round-ended notch' : 'notch'} ${fine(feature.width)} wide, ${fine(feature.depth)} deep into the ${edgeWords(line, feature.across!.from)}, its middle ${tape(feature.at)} ${from}`;
    default:
      return `${feature.kind} ${fine(feature.width)} wide, ${fine(feature.depth)} deep, ${slotPlace(feature, line, tape)}`;
  }
}

function pocketWords({ count = 1, at, pitch, from, across }: Feature, line: Read, tape: (length: Length) => string): string {
  const row = count > 1 ? `${count} pocket holes, every ${tape(pitch!)}, the first` : 'a pocket hole,';
  return `${row} ${tape(at)} from the ${edgeWords(line, from)}, ${tape(across!.at)} from the ${edgeWords(line, across!.from)}`;
}

/** A row in the middle of an edge: pilot and dowel holes. */
function edgeHoleWords({ count = 1, at, pitch, from, across, width, depth }: Feature, line: Read, unit: DisplayUnit): string {
  const row = count > 1 ? `${count} holes ${fineText(width, unit)}, every ${lengthText(pitch!, unit)},` : `hole ${fineText(width, unit)},`;
  return `${row} ${lengthText(depth, unit)} deep into the ${edgeWords(line, across!.from)}, the first ${lengthText(at, unit)} from the ${edgeWords(line, from)}`;
}

const angleText = (deg: number): string => `${Math.round(deg * 10) / 10}°`;

function slotPlace(feature: Feature, line: Read, tape: (length: Length) => string): string {
  if (feature.face === 'edge')
    return feature.tiltDeg > 0
      ? `square into the beveled ${edgeWords(line, feature.from)}, ${tape(feature.at)} along the bevel from the outer face`
      : `in the ${edgeWords(line, feature.from)}, ${tape(feature.at)} from the outer face`;
  if (feature.atOpposite !== undefined) {
    const [here, there] = feature.from === 'start' ? (['far', 'near'] as const) : (['start', 'end'] as const);
    const stop = !feature.across
      ? ''
      : feature.clear
        ? `, ${tape(feature.across.at)} long, ending ${tape(feature.clear.at)} from the ${edgeWords(line, feature.clear.from)}`
        : `, ${tape(feature.across.at)} long from the ${edgeWords(line, feature.across.from)}`;
    return `tilted ${angleText(feature.angleDeg!)}: near side ${tape(feature.at)} from the ${edgeWords(line, feature.from)} at the ${edgeWords(line, here)}, ${tape(feature.atOpposite)} at the ${edgeWords(line, there)}${stop}`;
  }
  const stops = (feature.stops ?? []).map(({ edge, at }) => `${tape(at)} from the ${edgeWords(line, edge)}`);
  const stop = stops.length === 0 ? '' : `, stops ${stops.join(' and ')}`;
  return (feature.kind === 'rabbet' ? rabbetPlace(feature, line) : `near side ${tape(feature.at)} from the ${edgeWords(line, feature.from)}`) + stop;
}

function rabbetPlace({ at, from }: Feature, line: Read): string {
  const far = from === 'start' ? 'end' : 'far';
  return `on the ${edgeWords(line, at === (0 as Length) ? from : far)}`;
}
