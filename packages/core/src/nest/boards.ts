/**
 * Solid boards cut to length: pieces laid end to end with a kerf between, round the flaws of boards at hand,
 * so that as few new ones are bought as can be. One dimension: what is narrower than its board is ripped from
 * the piece afterwards. Deterministic; exact where the search ends within its steps, and then it says so.
 */
import type { Length } from '../length/length.ts';

/** A board at hand, or the kind that can be bought. Flaws are stretches no piece may touch. */
export interface BoardStock {
  readonly id: string;
  readonly length: Length;
  readonly flaws: readonly { readonly from: Length; readonly to: Length }[];
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
  /** No plan can buy fewer new boards. */
  readonly bound: number;
  /** New boards bought, and that no plan buys fewer. */
  readonly bought: number;
  readonly proved: boolean;
}

interface Stretch {
  readonly board: number;
  readonly from: number;
  readonly to: number;
}

/** Steps of the search for fewer boards. Enough to settle a cabinet's boards at once. */
const MOST_STEPS = 40_000;

/**
 * Cuts pieces from the boards at hand first and then from new ones of one kind (`bought`), kerf between any
 * two pieces. Lengths in nm. Throws a RangeError on a kerf below nothing.
 */
export function cutBoards(pieces: readonly BoardPiece[], atHand: readonly BoardStock[], bought: BoardStock, kerf: Length): BoardPlan {
  if (kerf < 0) throw new RangeError('a kerf takes something away, or nothing');
  const longest = Math.max(...[...atHand, bought].flatMap((board) => clearStretches(board, 0).map(({ from, to }) => to - from)), 0);
  const fitting = pieces.filter(({ length }) => length <= longest).sort((a, b) => b.length - a.length || (a.id < b.id ? -1 : 1));
  const unplaced = pieces.filter(({ length }) => length > longest).map(({ id }) => id);
  const found = fewest(fitting, atHand, bought, kerf);
  const boards: CutBoard[] = [];
  for (let board = 0; board < atHand.length + found.news; board++) {
    const stock = atHand[board] ?? bought;
    const mine = found.places.filter((place) => place.board === board);
    if (mine.length === 0) continue;
    boards.push(layOut(stock, board < atHand.length, mine, kerf));
  }
  return {
    boards,
    unplaced: [...unplaced, ...found.left.map(({ id }) => id)],
    bound: found.bound,
    bought: found.news,
    proved: found.news === found.bound || found.whole,
  };
}

/** What is clear between flaws, from the left. */
export function clearStretches({ length, flaws }: Pick<BoardStock, 'length' | 'flaws'>, board: number): Stretch[] {
  const stretches: Stretch[] = [];
  let from = 0;
  for (const flaw of [...flaws].sort((a, b) => a.from - b.from)) {
    if (flaw.from > from) stretches.push({ board, from, to: Math.min(flaw.from, length) });
    from = Math.max(from, flaw.to);
  }
  if (from < length) stretches.push({ board, from, to: length });
  return stretches;
}

interface Place {
  readonly piece: BoardPiece;
  readonly board: number;
  readonly stretch: Stretch;
}

interface Found {
  readonly places: readonly Place[];
  readonly left: readonly BoardPiece[];
  readonly news: number;
  readonly bound: number;
  /** The search went through all there is. */
  readonly whole: boolean;
}

/** Best fit, the longest first; then a search that tries every stretch for every piece, while a board fewer may be had. */
function fewest(pieces: readonly BoardPiece[], atHand: readonly BoardStock[], bought: BoardStock, kerf: number): Found {
  const hand = atHand.flatMap((board, index) => clearStretches(board, index));
  const fresh = (board: number): Stretch[] => clearStretches(bought, board);
  // A piece takes its kerf with it; the last one of a stretch needs none, so a stretch holds a kerf more.
  const room = (stretch: Stretch): number => stretch.to - stretch.from + kerf;
  const freshRoom = Math.max(0, ...fresh(0).map(room));
  // Only what a new board would hold can make one needed.
  const buyable = pieces.filter(({ length }) => length + kerf <= freshRoom);
  const all = buyable.reduce((sum, { length }) => sum + length + kerf, 0);
  const handRoom = hand
    .map(room)
    .filter((each) => pieces.some(({ length }) => length + kerf <= each))
    .reduce((sum, each) => sum + each, 0);
  const newRoom = fresh(0)
    .map(room)
    .reduce((sum, each) => sum + each, 0);
  // Of pieces over half a clear stretch of a new board no two share one, and those that fit nothing at hand must have a new one.
  const large = buyable.filter(({ length }) => length + kerf > freshRoom / 2 && !hand.some((stretch) => room(stretch) >= length + kerf)).length;
  const perBoard = Math.max(1, fresh(0).length);
  const bound = newRoom > 0 ? Math.max(0, Math.ceil((all - handRoom) / newRoom - 1e-9), Math.ceil(large / perBoard)) : 0;

  const places: Place[] = [];
  const left: BoardPiece[] = [];
  const bins: { stretch: Stretch; free: number }[] = hand.map((stretch) => ({ stretch, free: room(stretch) }));
  let news = 0;
  for (const piece of pieces) {
    const size = piece.length + kerf;
    let best: (typeof bins)[number] | undefined;
    for (const bin of bins) if (bin.free >= size && (!best || bin.free < best.free)) best = bin;
    if (!best && size <= freshRoom) {
      const added = fresh(atHand.length + news++).map((stretch) => ({ stretch, free: room(stretch) }));
      bins.push(...added);
      best = added.filter(({ free }) => free >= size).sort((a, b) => a.free - b.free)[0];
    }
    if (!best) {
      left.push(piece);
      continue;
    }
    best.free -= size;
    places.push({ piece, board: best.stretch.board, stretch: best.stretch });
  }
  if (news <= bound || left.length > 0) return { places, left, news, bound, whole: false };
  const better = search(pieces, hand, fresh, room, kerf, atHand.length, news, newRoom);
  return better.places ? { places: better.places, left, news: better.news, bound, whole: better.whole } : { places, left, news, bound, whole: better.whole };
}

/** Depth first, the longest piece first: a plan with fewer new boards than `most`, or none. */
function search(
  pieces: readonly BoardPiece[],
  hand: readonly Stretch[],
  fresh: (board: number) => Stretch[],
  room: (stretch: Stretch) => number,
  kerf: number,
  handCount: number,
  most: number,
  newRoom: number,
): { places: Place[] | null; news: number; whole: boolean } {
  let steps = 0;
  let best: Place[] | null = null;
  let fewestNews = most;
  const rest: number[] = [];
  pieces.reduceRight((sum, { length }, index) => (rest[index] = sum + length + kerf), 0);
  const chosen: Place[] = [];
  const go = (index: number, bins: readonly { stretch: Stretch; free: number }[], news: number): void => {
    if (steps++ > MOST_STEPS || news >= fewestNews) return;
    if (index === pieces.length) {
      best = [...chosen];
      fewestNews = news;
      return;
    }
    const open = bins.reduce((sum, { free }) => sum + free, 0);
    if (news + Math.max(0, Math.ceil((rest[index]! - open) / newRoom - 1e-9)) >= fewestNews) return;
    const piece = pieces[index]!;
    const size = piece.length + kerf;
    const tried = new Set<number>();
    for (const bin of [...bins].sort((a, b) => a.free - b.free)) {
      // Two stretches with the same room are the same to a piece.
      if (bin.free < size || tried.has(bin.free)) continue;
      tried.add(bin.free);
      chosen.push({ piece, board: bin.stretch.board, stretch: bin.stretch });
      go(
        index + 1,
        bins.map((each) => (each === bin ? { ...each, free: each.free - size } : each)),
        news,
      );
      chosen.pop();
    }
    const added = fresh(handCount + news).map((stretch) => ({ stretch, free: room(stretch) }));
    const holds = added.filter(({ free }) => free >= size).sort((a, b) => a.free - b.free)[0];
    if (!holds) return;
    chosen.push({ piece, board: holds.stretch.board, stretch: holds.stretch });
    go(index + 1, [...bins, ...added.map((each) => (each === holds ? { ...each, free: each.free - size } : each))], news + 1);
    chosen.pop();
  };
  go(
    0,
    hand.map((stretch) => ({ stretch, free: room(stretch) })),
    0,
  );
  return { places: best, news: fewestNews, whole: steps <= MOST_STEPS };
}

/** Pieces end to end in each stretch, the longest first, so that what is left of it stays in one. */
function layOut(stock: BoardStock, atHand: boolean, places: readonly Place[], kerf: number): CutBoard {
  const pieces: (BoardPiece & { at: Length })[] = [];
  const leftovers: number[] = [];
  for (const stretch of clearStretches(stock, 0)) {
    let at = stretch.from;
    for (const { piece } of places.filter((place) => place.stretch.from === stretch.from)) {
      pieces.push({ ...piece, at: at as Length });
      at += piece.length + kerf;
    }
    leftovers.push(Math.max(0, stretch.to - at));
  }
  return { stock: stock.id, atHand, length: stock.length, pieces, left: Math.max(0, ...leftovers) as Length };
}
