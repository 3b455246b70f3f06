/** Offcuts that a layout leaves in the store although parts would fit on them. A finding of a layout, unknown to the plan of a cabinet. */
import type { Finding } from '../checks/finding.ts';
import { trimOf, type NestPart, type NestPlan } from '../nesting/problem.ts';
import type { PartLine } from '../parts/part-line.ts';
import { pieceName } from '../stock/workshop.ts';
import { lineOfPiece, type SheetJob } from './cutting.ts';
import type { Design } from '../model/design.ts';
import { placementOf, wrongPlace } from './pins.ts';
import type { Placement } from '../model/sheet-layout.ts';
import type { Workshop } from '../model/workshop.ts';

/** Most marks listed. */
const MAX_MARKS = 3;

const area = ({ length, width }: NestPart): number => (length / 1e6) * (width / 1e6);

/** One finding per unused offcut; its fix pins the largest part that fits on it. */
export function offcutFirst(
  { product, problem }: SheetJob,
  { sheets }: NestPlan,
  workshop: Workshop,
  parts: readonly PartLine[],
  pins: Design['pins'],
): Finding[] {
  const used = new Set(sheets.map(({ sheet }) => sheet));
  const largestFirst = [...problem.parts].filter(({ id }) => !Object.hasOwn(pins, id)).sort((a, b) => area(b) - area(a) || (a.id < b.id ? -1 : 1));
  return problem.sheets
    .filter(({ id, offcut }) => offcut && !used.has(id) && Object.hasOwn(workshop.pieces, id))
    .flatMap((sheet): Finding[] => {
      const trim = trimOf(problem, sheet);
      const onIt = (part: NestPart): Placement | undefined =>
        [false, true]
          .map((turned) => placementOf(problem, { id: part.id, x: trim, y: trim, turned })!)
          .find((at) => wrongPlace(problem, sheet, at, []) === null);
      const fits = largestFirst.flatMap((part) => (onIt(part) ? [{ part, line: lineOfPiece(parts, part.id) }] : []));
      const lines = [...new Set(fits.flatMap(({ line }) => line ?? []))];
      const [first] = fits;
      if (!first?.line) return [];
      const { x, y, turned } = onIt(first.part)!;
      const pin = { id: first.part.id, product, sheet: sheet.id, x, y, turned };
      return [
        {
          check: 'offcut-first',
          unit: first.line.unit,
          severity: 'look',
          station: 'sheets',
          piece: pieceName(sheet.id),
          lengthNm: sheet.length,
          widthNm: sheet.width,
          marks: lines.slice(0, MAX_MARKS).map(({ mark }) => mark),
          panels: fits.map(({ part }) => part.id),
          fixes: [{ label: { key: 'cut-from-offcut', text: first.line.mark }, edit: [{ path: ['pins'], value: { ...pins, [pin.id]: pin } }] }],
        },
      ];
    });
}
