/** From the cut list to nesting problems: one for each sheet product in use; boards are cut by length alone. */
import type { Length } from '../length/length.ts';
import { cutBoards, type BoardPlan, type BoardStock } from '../nest/boards.ts';
import type { NestPart, NestProblem, NestSheet } from '../nest/problem.ts';
import type { PartLine } from '../parts/parts.ts';
import { widestKerf } from '../stock/shop.ts';
import type { Workshop } from '../stock/workshop.ts';

export interface SheetJob {
  readonly product: string;
  readonly problem: NestProblem;
}

/** Piece ids are panel ids (or the cleat blank's), so that a placement lights up its panel everywhere. */
export function sheetJobs(parts: readonly PartLine[], workshop: Workshop): SheetJob[] {
  const products = [...new Set(parts.map(({ stock }) => stock))].filter((id) => workshop.products[id]?.kind === 'sheet');
  return products.map((product) => ({
    product,
    problem: problemFor(
      product,
      parts.filter(({ stock }) => stock === product),
      workshop,
    ),
  }));
}

function problemFor(productId: string, parts: readonly PartLine[], workshop: Workshop): NestProblem {
  const product = workshop.products[productId]!;
  const { shop } = workshop;
  const offcuts = Object.values(workshop.offcuts).filter((offcut) => offcut.product === productId);
  const sheet = (id: string, length: Length, width: Length, offcut: boolean): NestSheet => ({
    id,
    length,
    width,
    count: offcut ? 1 : null,
    grain: product.grain,
    cost: offcut ? 0 : product.price,
    offcut,
  });
  return {
    kerf: widestKerf(shop),
    trim: shop.trim.nm,
    cuts: 'guillotine',
    sheets: [
      ...offcuts.map((offcut) => sheet(offcut.id, offcut.length.nm, offcut.width.nm, true)),
      sheet(productId, product.length.nm, product.width.nm, false),
    ],
    parts: parts.flatMap(piecesOf),
  };
}

function piecesOf(line: PartLine): NestPart[] {
  const grain = line.grain === 'none' ? 'either' : line.grain;
  const piece = (id: string): NestPart => ({ id, length: line.length.value, width: line.width.value, count: 1, grain, group: null, order: 0 });
  return line.role === 'cleat-blank' ? [piece(line.id)] : line.panels.map(piece);
}

/** The line a piece belongs to. */
export const lineOfPiece = (parts: readonly PartLine[], piece: string): PartLine | undefined =>
  parts.find((line) => line.id === piece || line.panels.includes(piece));

/** One board product in use: how its pieces come out of the lengths at hand and of new boards. Pieces are lines of the cut list. */
export interface BoardJob {
  readonly product: string;
  readonly plan: BoardPlan;
  /** Lines no board is long or wide enough for. */
  readonly tooLong: readonly string[];
}

export function boardJobs(parts: readonly PartLine[], workshop: Workshop): BoardJob[] {
  const products = [...new Set(parts.map(({ stock }) => stock))].filter((id) => workshop.products[id]?.kind === 'board');
  return products.map((id) => {
    const product = workshop.products[id]!;
    const lines = parts.filter(({ stock }) => stock === id);
    const narrow = lines.filter(({ width }) => width.value <= product.width.nm);
    const pieces = narrow.flatMap((line) => Array.from({ length: line.count }, (_, n) => ({ id: `${line.id}#${n + 1}`, length: line.length.value })));
    const widest = Math.max(0, ...narrow.map(({ width }) => width.value));
    const atHand = Object.values(workshop.offcuts)
      // A length that was ripped narrower serves only where everything fits its width.
      .filter((offcut) => offcut.product === id && offcut.width.nm >= widest)
      .map((offcut): BoardStock => ({
        id: offcut.id,
        length: offcut.length.nm,
        flaws: Object.values(offcut.flaws ?? {}).map(({ from, to }) => ({ from: from.nm, to: to.nm })),
      }));
    const plan = cutBoards(pieces, atHand, { id, length: product.length.nm, flaws: [] }, widestKerf(workshop.shop));
    const wide = lines.filter((line) => !narrow.includes(line)).map((line) => line.id);
    return { product: id, plan, tooLong: [...new Set([...wide, ...plan.unplaced.map(lineOfBoardPiece)])] };
  });
}

/** The line of the cut list a piece of a board is of. */
export const lineOfBoardPiece = (piece: string): string => piece.slice(0, piece.lastIndexOf('#'));
