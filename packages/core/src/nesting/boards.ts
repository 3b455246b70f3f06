/**
 * Cuts solid boards to length: pieces end to end with a kerf between them, around the flaws of boards on hand, at the least cost of new boards. Several
 * lengths may be for sale. One-dimensional: a piece narrower than its board is ripped afterward. Deterministic; exact where the search ends within its step
 * limit, and then it says so.
 */
import type { Length } from '../length/length.ts';
import { cutStock, type BinKind } from './cutting-stock.ts';

/** A board on hand. Flaws are stretches that no piece may touch. */
export interface BoardStock {
  readonly id: string;
  readonly length: Length;
  readonly flaws: readonly { readonly from: Length; readonly to: Length }[];
}

/** A length for sale. */
export interface BoardForSale {
  readonly id: string;
  readonly length: Length;
  /** Price of one, in any currency. Where one length has no price, the length bought is minimized instead. */
  readonly price: number;
  /** Number available; null when unlimited. */
  readonly count: number | null;
}

export interface BoardPiece {
  readonly id: string;
  readonly length: Length;
}

export interface CutBoard {
  readonly stock: string;
  /** On hand: nothing is bought. */
  readonly atHand: boolean;
  readonly length: Length;
  /** From the board's left end. */
  readonly pieces: readonly (BoardPiece & { readonly at: Length })[];
  /** The longest clear stretch that stays whole. */
  readonly left: Length;
}

export interface BoardPlan {
  readonly boards: readonly CutBoard[];
  /** Pieces that fit on no board. */
  readonly unplaced: readonly string[];
  /** Number of new boards per length for sale, in the order they were offered; lengths not bought are left out. */
  readonly bought: readonly { readonly id: string; readonly count: number }[];
  /** Proved: no plan buys fewer new boards, or cheaper ones. */
  readonly bound: { readonly boards: number; readonly cost: number };
  /** Proved lower bound on the cost. */
  readonly proved: boolean;
}

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Where pieces may lie: every clear stretch of a board on hand is a bin of its own. */
interface Bin extends Stretch {
  readonly board: BoardStock;
  readonly atHand: boolean;
}

/**
 * Cuts pieces from boards on hand first, then from new ones, with a kerf between two pieces: least cost, then least length bought, then fewest boards.
 * Lengths in nm.
 * @throws RangeError on a negative kerf
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
  // Stretches of one board on hand are put together again.
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

/** Clear stretches between flaws, from the left. */
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

/** Pieces end to end in each stretch, longest first, so that the remainder stays in one piece. Keyed by the start of the stretch. */
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
