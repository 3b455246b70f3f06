/**
 * Solid boards cut to length: pieces laid end to end with a kerf between, round the flaws of boards at hand, so that new ones cost as little as
 * can be. Several lengths may be for sale. One dimension: what is narrower than its board is ripped from the piece afterwards. Deterministic;
 * exact where the search ends within its steps, and then it says so.
 */
import type { Length } from '../length/length.ts';
import { cutStock, type BinKind } from './cutting-stock.ts';

/** A board at hand. Flaws are stretches no piece may touch. */
export interface BoardStock {
  readonly id: string;
  readonly length: Length;
  readonly flaws: readonly { readonly from: Length; readonly to: Length }[];
}

/** A length that is for sale. */
export interface BoardForSale {
  readonly id: string;
  readonly length: Length;
  /** Of one, in any money. Where one has no price, the length bought counts instead. */
  readonly price: number;
  /** How many there are; null for as many as wanted. */
  readonly count: number | null;
}

export interface BoardPiece {
  readonly id: string;
  readonly length: Length;
}

export interface CutBoard {
  readonly stock: string;
  /** It was at hand: nothing is bought. */
  readonly atHand: boolean;
  readonly length: Length;
  /** From the board's left end. */
  readonly pieces: readonly (BoardPiece & { readonly at: Length })[];
  /** The longest clear stretch that stays whole. */
  readonly left: Length;
}

export interface BoardPlan {
  readonly boards: readonly CutBoard[];
  /** Pieces no board holds. */
  readonly unplaced: readonly string[];
  /** New boards of each length for sale, those not bought left out; in the order they were offered. */
  readonly bought: readonly { readonly id: string; readonly count: number }[];
  /** No plan buys fewer new boards, nor cheaper ones. */
  readonly bound: { readonly boards: number; readonly cost: number };
  /** No plan costs less. */
  readonly proved: boolean;
}

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Where pieces may be laid: stretches of one board at hand are bins of their own. */
interface Bin extends Stretch {
  readonly board: BoardStock;
  readonly atHand: boolean;
}

/**
 * Cuts pieces from the boards at hand first and then from new ones, kerf between any two pieces: least cost, then least length bought, then
 * fewest boards. Lengths in nm. Throws a RangeError on a kerf below nothing.
 */
export function cutBoards(pieces: readonly BoardPiece[], atHand: readonly BoardStock[], forSale: readonly BoardForSale[], kerf: Length): BoardPlan {
  if (kerf < 0) throw new RangeError('a kerf takes something away, or nothing');
  const bins = [
    ...atHand.flatMap((board) => clearStretches(board).map((stretch): Bin => ({ ...stretch, board, atHand: true }))),
    ...forSale.map(({ id, length }): Bin => ({ from: 0, to: length, board: { id, length, flaws: [] }, atHand: false })),
  ];
  const isPriced = forSale.every(({ price }) => price > 0);
  const kinds = bins.map(({ from, to, atHand: isThere }, index): BinKind => {
    const room = to - from + kerf;
    if (isThere) return { room, cost: 0, limit: 1, isThere };
    const { price, length, count } = forSale[index - bins.length + forSale.length]!;
    return { room, cost: isPriced ? price : length, limit: count ?? Infinity, isThere };
  });
  const longest = Math.max(0, ...bins.map(({ from, to }) => to - from));
  const tooLong = pieces.filter(({ length }) => length > longest).map(({ id }) => id);
  const bySize = new Map<number, BoardPiece[]>();
  for (const piece of pieces.filter(({ length }) => length <= longest).sort((a, b) => b.length - a.length || (a.id < b.id ? -1 : 1)))
    bySize.set(piece.length, [...(bySize.get(piece.length) ?? []), piece]);
  if (bySize.size === 0) return { boards: [], unplaced: tooLong, bought: [], bound: { boards: 0, cost: 0 }, proved: true };
  const plan = cutStock({ size: [...bySize.keys()].map((length) => length + kerf), count: [...bySize.values()].map(({ length }) => length) }, kinds);

  const waiting = [...bySize.values()].map((own) => [...own]);
  const placed = plan.filled
    .map(({ kind, times }) => ({ kind, own: times.flatMap((count, size) => waiting[size]!.splice(0, count)) }))
    .filter(({ own }) => own.length > 0)
    .sort((a, b) => a.kind - b.kind);
  // Stretches of one board at hand come back together.
  const boards = [
    ...atHand.map((board) => ({ board, isThere: true, own: placed.filter(({ kind }) => bins[kind]!.atHand && bins[kind]!.board === board) })),
    ...placed.flatMap((each) => (bins[each.kind]!.atHand ? [] : [{ board: bins[each.kind]!.board, isThere: false, own: [each] }])),
  ].filter(({ own }) => own.length > 0);
  return {
    boards: boards.map(({ board, isThere, own }) => layOut(board, isThere, new Map(own.map(({ kind, own: its }) => [bins[kind]!.from, its])), kerf)),
    unplaced: [...tooLong, ...waiting.flatMap((own) => own.map(({ id }) => id))],
    bought: forSale.flatMap(({ id }) => {
      const count = boards.filter(({ board, isThere }) => !isThere && board.id === id).length;
      return count > 0 ? [{ id, count }] : [];
    }),
    bound: { boards: plan.bound.bins, cost: plan.bound.cost },
    proved: plan.isProved,
  };
}

/** What is clear between flaws, from the left. */
export function clearStretches({ length, flaws }: Pick<BoardStock, 'length' | 'flaws'>): Stretch[] {
  const stretches: Stretch[] = [];
  let from = 0;
  for (const flaw of [...flaws].sort((a, b) => a.from - b.from)) {
    if (Math.min(flaw.from, length) > from) stretches.push({ from, to: Math.min(flaw.from, length) });
    from = Math.max(from, flaw.to);
  }
  if (from < length) stretches.push({ from, to: length });
  return stretches;
}

/** Pieces end to end in each stretch, the longest first, so that what is left of it stays in one. By where the stretch begins. */
function layOut(stock: BoardStock, atHand: boolean, byStretch: ReadonlyMap<number, readonly BoardPiece[]>, kerf: number): CutBoard {
  const pieces: (BoardPiece & { at: Length })[] = [];
  const leftovers: number[] = [];
  for (const stretch of clearStretches(stock)) {
    let at = stretch.from;
    for (const piece of byStretch.get(stretch.from) ?? []) {
      pieces.push({ ...piece, at: at as Length });
      at += piece.length + kerf;
    }
    leftovers.push(Math.max(0, stretch.to - at));
  }
  return { stock: stock.id, atHand, length: stock.length, pieces, left: Math.max(0, ...leftovers) as Length };
}
