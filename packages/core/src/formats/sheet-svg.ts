/** A nested sheet as a stand-alone SVG in millimeters, one user unit a millimeter, for printing or the shop's wall. */
import { tapeText } from '../length/format.ts';
import { toMm, type DisplayUnit, type Length } from '../length/length.ts';
import { trimOf, type NestedSheet, type NestProblem } from '../nesting/problem.ts';

export interface SheetSvgInput {
  readonly title: string;
  readonly sheet: NestedSheet;
  readonly problem: NestProblem;
  readonly unit: DisplayUnit;
  /** Text on a piece. */
  readonly markOf: (piece: string) => string;
}

export function sheetSvg({ title, sheet, problem, unit, markOf }: SheetSvgInput): string {
  const kind = problem.sheets.find(({ id }) => id === sheet.sheet)!;
  const length = toMm(kind.length);
  const width = toMm(kind.width);
  const trim = toMm(trimOf(problem, kind));
  const pieces = sheet.placements.map(({ part, x, y, dx, dy }) => {
    const cx = toMm(x) + toMm(dx) / 2;
    const cy = toMm(y) + toMm(dy) / 2;
    const upright = toMm(dx) < 160 && dy > dx;
    const size = Math.max(12, Math.min(34, Math.min(toMm(dx), toMm(dy)) / 3));
    const label = `<text x="${n(cx)}" y="${n(cy)}" font-size="${n(size)}"${upright ? ` transform="rotate(-90 ${n(cx)} ${n(cy)})"` : ''}>${escape(markOf(part))} · ${tapeText(dx, unit)} × ${tapeText(dy, unit)}</text>`;
    return `<g data-piece="${escape(part)}"><rect x="${mm(x)}" y="${mm(y)}" width="${mm(dx)}" height="${mm(dy)}" class="piece"/>${label}</g>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(length + 40)}mm" height="${n(width + 90)}mm" viewBox="-20 -70 ${n(length + 40)} ${n(width + 90)}" font-family="Barlow, sans-serif">`,
    `<title>${escape(title)}</title>`,
    '<style>.sheet{fill:#fff;stroke:#20272b;stroke-width:3}.trim{fill:none;stroke:#59625f;stroke-dasharray:12 8}.piece{fill:#ead9b3;stroke:#20272b;stroke-width:1.6}text{text-anchor:middle;dominant-baseline:central;fill:#20272b}</style>',
    `<text x="0" y="-36" font-size="34" style="text-anchor:start">${escape(title)}</text>`,
    `<rect class="sheet" x="0" y="0" width="${n(length)}" height="${n(width)}"/>`,
    `<rect class="trim" x="${n(trim)}" y="${n(trim)}" width="${n(length - 2 * trim)}" height="${n(width - 2 * trim)}"/>`,
    ...pieces,
    '</svg>',
    '',
  ].join('\n');
}

const n = (value: number): string => String(Math.round(value * 1000) / 1000);
const mm = (length: Length): string => n(toMm(length));
const escape = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
