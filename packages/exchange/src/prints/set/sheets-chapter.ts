/** The sheets with their pieces and numbered cuts, then the cuts in order; boards by length. */
import {
  boardJobs,
  cutWords,
  lineOfBoardPiece,
  nameOfKind,
  lineOfPiece,
  tapeText,
  tapeTextWithUnit,
  toMm,
  type CutStep,
  type Length,
  type PieceSpot as Spot,
} from '@keen/core';
import { sheetsToDraw, type LaidOut } from '../../sheets.ts';
import type { ShopSetContext } from './chapter.ts';
import { drawFigure } from './figure.ts';
import type { Figure, FigureShape, Inset, Tag } from './figure-parts.ts';
import { Flow, type Pages } from './flow.ts';

export function sheetsChapter(pages: Pages, context: ShopSetContext): void {
  for (const laid of context.laid) productPages(pages, context, laid);
  boardPages(pages, context);
}

function productPages(pages: Pages, told: ShopSetContext, laid: LaidOut): void {
  const { unit, workshop, plan } = told;
  const { job, plan: nest, sequence } = laid;
  const name = workshop.products[job.product]!.name;
  const markOf = (part: string): string => lineOfPiece(plan.parts, part)?.mark ?? '?';
  const numbers = new Map(sequence.steps.map(({ id }, index) => [id, index + 1]));
  const drawings = sheetsToDraw(job, nest, name);
  drawings.forEach((sheet, index) => {
    const page = pages.begin(`${name}: sheet ${index + 1} of ${drawings.length}`);
    const own = sequence.steps.filter((step) => step.sheet === index);
    drawFigure(
      page,
      sheetFigure(sheet, own, numbers, (part) => `${markOf(part)}`, told),
      page.room,
    );
  });
  if (sequence.steps.length === 0) return;
  const flow = new Flow(pages, `${name}: the cuts in their order`);
  flow.paragraph(
    `${sequence.steps.length} cuts at ${sequence.settings} settings. The kerf is in every figure. Pieces of one setting are cut one after the other, before anything is set anew.`,
  );
  const context = { markOf, unit, sheets: drawings.length };
  flow.table(
    [
      { title: 'cut', share: 0.7, bold: true },
      { title: 'set', share: 3.4 },
      { title: 'what', share: 4.2 },
      { title: 'stays', share: 3.2 },
      { title: 'falls', share: 3.2 },
      { title: 'mind', share: 3.3 },
    ],
    sequence.steps.map((step) => {
      const { set, what, stays, falls, cautions } = cutWords(step, context);
      return [String(numbers.get(step.id)), set, what, stays, falls, cautions.join(' ')];
    }),
    2.2,
  );
}

function sheetFigure(
  { title, lengthMm, widthMm, trimMm, placements }: ReturnType<typeof sheetsToDraw>[number],
  cuts: readonly CutStep[],
  numbers: ReadonlyMap<string, number>,
  markOf: (part: string) => string,
  { unit }: Pick<ShopSetContext, 'unit'>,
): Figure {
  const rect = (x: number, y: number, dx: number, dy: number): Spot[] => [
    { x, y },
    { x: x + dx, y },
    { x: x + dx, y: y + dy },
    { x, y: y + dy },
  ];
  const size = (dx: number, dy: number): string => `${tapeText(dx as Length, unit)} × ${tapeText(dy as Length, unit)}`;
  return {
    title: `${title}, ${tapeTextWithUnit(Math.round(lengthMm * 1e6) as Length, unit)} × ${tapeTextWithUnit(Math.round(widthMm * 1e6) as Length, unit)}`,
    shapes: [
      { points: rect(0, 0, lengthMm, widthMm), closed: true, pen: 'bold', fill: 0.9 },
      ...(trimMm > 0 ? [{ points: rect(trimMm, trimMm, lengthMm - 2 * trimMm, widthMm - 2 * trimMm), closed: true, pen: 'dashed' as const }] : []),
      ...placements.map(({ x, y, dx, dy }): FigureShape => ({ points: rect(toMm(x), toMm(y), toMm(dx), toMm(dy)), closed: true, pen: 'heavy', fill: 1 })),
    ],
    insets: placements.map(({ part, x, y, dx, dy }): Inset => ({
      text: `${markOf(part)}  ${size(Math.max(dx, dy), Math.min(dx, dy))}`,
      at: { x: toMm(x) + toMm(dx) / 2, y: toMm(y) + toMm(dy) / 2 },
      within: { width: toMm(dx), height: toMm(dy) },
    })),
    tags: cuts.map((cut): Tag => ({ text: String(numbers.get(cut.id)), places: placesOn(cut) })),
  };
}

/** Along the line of a cut, from its near end on. */
function placesOn({ piece: { at }, axis, keep }: CutStep): Spot[] {
  const [x, y, dx, dy] = [toMm(at.x), toMm(at.y), toMm(at.dx), toMm(at.dy)];
  return [0.08, 0.92, 0.2, 0.8, 0.32, 0.68, 0.44, 0.56, 0.03, 0.97].map((share) =>
    axis === 'x' ? { x: x + toMm(keep), y: y + dy * share } : { x: x + dx * share, y: y + toMm(keep) },
  );
}

function boardPages(pages: Pages, { parts, workshop, unit }: ShopSetContext): void {
  const jobs = boardJobs(parts, workshop).filter(({ plan }) => plan.boards.length > 0);
  if (jobs.length === 0) return;
  const flow = new Flow(pages, 'boards, cut to length');
  for (const { product, plan, tooLong } of jobs) {
    flow.heading(nameOfKind(workshop.products[product]!));
    flow.table(
      [
        { title: 'board', share: 1, bold: true },
        { title: 'length', share: 2, right: true },
        { title: 'pieces, in their order', share: 9 },
      ],
      plan.boards.map((board, index) => [
        String(index + 1),
        tapeTextWithUnit(board.length, unit),
        board.pieces
          .map((piece) => {
            const line = lineOfPiece(parts, lineOfBoardPiece(piece.id));
            return `${line?.mark ?? '?'} ${tapeText(piece.length, unit)}`;
          })
          .join(' · '),
      ]),
    );
    for (const id of tooLong) flow.paragraph(`No board is long or wide enough for ${lineOfPiece(parts, id)?.mark ?? id}.`, { bold: true });
  }
}
