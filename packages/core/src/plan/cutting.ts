/** From the cut list to nesting problems: one for each sheet product in use; boards are cut by length alone. */
import type { Length } from '../length/length.ts';
import type { NestPart, NestProblem, NestSheet } from '../nest/problem.ts';
import type { PartLine } from '../parts/parts.ts';
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
  const { kerf, trim } = workshop.machines;
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
    kerf: kerf.nm,
    trim: trim.nm,
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

/** Boards to buy of one product: longest pieces first, each into the first board it fits. */
export interface BoardJob {
  readonly product: string;
  readonly boards: readonly { readonly pieces: readonly { readonly line: string; readonly length: Length }[]; readonly left: Length }[];
  readonly tooLong: readonly string[];
}

export function boardJobs(parts: readonly PartLine[], workshop: Workshop): BoardJob[] {
  const products = [...new Set(parts.map(({ stock }) => stock))].filter((id) => workshop.products[id]?.kind === 'board');
  return products.map((product) => {
    const { length, width } = workshop.products[product]!;
    const kerf = workshop.machines.kerf.nm;
    const pieces = parts
      .filter(({ stock }) => stock === product)
      .flatMap((line) => Array.from({ length: line.count }, () => line))
      .sort((a, b) => b.length.value - a.length.value);
    const boards: { pieces: { line: string; length: Length }[]; left: Length }[] = [];
    const tooLong: string[] = [];
    for (const line of pieces) {
      if (line.length.value > length.nm || line.width.value > width.nm) {
        tooLong.push(line.id);
        continue;
      }
      let board = boards.find(({ left }) => left >= line.length.value);
      if (!board) boards.push((board = { pieces: [], left: length.nm }));
      board.pieces.push({ line: line.id, length: line.length.value });
      board.left = Math.max(0, board.left - line.length.value - kerf) as Length;
    }
    return { product, boards, tooLong };
  });
}
