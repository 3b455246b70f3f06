/**
 * Which boards to take, of several lengths at several prices, so that all pieces come out of them: the cutting stock problem with stock of
 * several sizes. Mixes of boards are gone through from the cheapest up, past those that no filling can satisfy, until one holds all pieces. It
 * is the best there is if every mix before it was tried to the end. Deterministic.
 * Sources: Gilmore and Gomory, 1961 (cutting-stock-bound.ts); Korf, 2002 (bin-completion.ts); the order of the mixes is best first search, Hart,
 * Nilsson and Raphael, "A formal basis for the heuristic determination of minimum cost paths", 1968.
 */
import TinyQueue from 'tinyqueue';
import type { SheetInequality } from './bar-program.ts';
import { completeBins, type Bins, type FilledBin, type SizedPieces } from './bin-completion.ts';
import { pricedInequality, roomInequality } from './cutting-stock-bound.ts';

/** One kind of bin: a length that can be bought, or clear stretches of boards at hand. */
export interface BinKind {
  /** What goes in: its length and one kerf, for each piece brings its own along. */
  readonly room: number;
  /** What one costs, in any unit; 0 where it is there already. */
  readonly cost: number;
  /** Infinity when there are as many as wanted. */
  readonly limit: number;
  /** At hand: used or not, it costs nothing and counts as none. There are only so many. */
  readonly isThere: boolean;
}

export interface CuttingStock {
  /** Bins filled, some perhaps with nothing in them. */
  readonly filled: readonly FilledBin[];
  /** How many of each size no way was found to place, where bins are limited. */
  readonly unplaced: readonly number[];
  /** No plan costs less, nor takes fewer of the bins that are not there already. */
  readonly bound: { readonly cost: number; readonly bins: number };
  /** No plan is better. */
  readonly isProved: boolean;
}

/** Steps of bin completion in all, and for one mix: some tens of milliseconds. */
const MAX_STEPS = { all: 400_000, mix: 80_000 } as const;
/** Mixes looked at. */
const MAX_MIXES = 3_000;
/** Shares an inequality may be missed by, for rounding. */
const ROUNDING = 1e-7;

/** What a plan costs, the room it takes and in how many bins: less of the first is better, then of the next. */
type Price = readonly [cost: number, room: number, bins: number];

interface Mix {
  /** How many of each kind that is paid for. */
  readonly count: readonly number[];
  /** Kinds before this one are settled: every mix is made once. */
  readonly from: number;
  readonly price: Price;
  /** What it comes to at least, with all it still lacks. */
  readonly atLeast: Price;
}

/** Least cost, then least room, then fewest bins. Pieces' sizes have a kerf each in them. */
export function cutStock(pieces: SizedPieces, kinds: readonly BinKind[]): CuttingStock {
  const greedy = bestGreedy(pieces, kinds);
  const isWhole = greedy.unplaced.every((count) => count === 0);
  const found = searched(pieces, kinds, isWhole ? greedy.filled : null);
  if (found) return { ...found, unplaced: pieces.count.map(() => 0) };
  const placed = pieces.count.map((count, index) => count - greedy.unplaced[index]!);
  return { ...searched({ ...pieces, count: placed }, kinds, greedy.filled)!, unplaced: greedy.unplaced, isProved: false };
}

/** The best of `known` and what the mixes give; null where there is neither. */
function searched(pieces: SizedPieces, kinds: readonly BinKind[], known: readonly FilledBin[] | null): Omit<CuttingStock, 'unplaced'> | null {
  const paid = kinds.flatMap((kind, index) => (kind.isThere ? [] : [index]));
  const wanted = new DemandRows(pieces, kinds);
  const knownPrice = known && priceOf(known, kinds);
  const mixes = new TinyQueue<Mix>([], (a, b) => compared(a.atLeast, b.atLeast));
  const add = (count: readonly number[], from: number, price: Price): void => {
    const atLeast = wanted.atLeast(count, from, price);
    if (atLeast) mixes.push({ count, from, price, atLeast });
  };
  /** Cost of the cheapest mix that was not tried to the end. */
  let unsettled = Infinity;
  const answer = (filled: readonly FilledBin[], cost: number) => ({
    filled,
    bound: { cost: Math.min(unsettled, cost), bins: wanted.fewestBins(paid) },
    isProved: unsettled === Infinity,
  });
  add(new Array<number>(kinds.length).fill(0), 0, [0, 0, 0]);
  let [steps, seen] = [0, 0];
  for (let mix = mixes.pop(); mix; mix = mixes.pop()) {
    const { count, from, price, atLeast } = mix;
    if (knownPrice && compared(atLeast, knownPrice) >= 0) break;
    if (++seen > MAX_MIXES || steps >= MAX_STEPS.all) {
      unsettled = Math.min(unsettled, atLeast[0]);
      break;
    }
    if (wanted.isMetBy(count)) {
      const bins = kinds.map((kind, index): Bins => ({ room: kind.room, count: kind.isThere ? kind.limit : count[index]! }));
      const tried = completeBins(pieces, bins, Math.min(MAX_STEPS.mix, MAX_STEPS.all - steps));
      steps += tried.steps;
      if (tried.filled) return answer(tried.filled, price[0]);
      if (!tried.isComplete) unsettled = Math.min(unsettled, price[0]);
    }
    for (const kind of paid) {
      if (kind < from || count[kind]! >= kinds[kind]!.limit) continue;
      const { cost, room } = kinds[kind]!;
      add(
        count.map((each, index) => each + (index === kind ? 1 : 0)),
        kind,
        [price[0] + cost, price[1] + room, price[2] + 1],
      );
    }
  }
  return known && answer(known, knownPrice![0]);
}

const compared = (a: Price, b: Price): number => Math.sign(a[0] - b[0]) || Math.sign(a[1] - b[1]) || a[2] - b[2];

const priceOf = (filled: readonly FilledBin[], kinds: readonly BinKind[]): Price =>
  filled.reduce<Price>(
    ([cost, room, bins], { kind }) => {
      const { cost: own, room: taken, isThere } = kinds[kind]!;
      return isThere ? [cost, room, bins] : [cost + own, room + taken, bins + 1];
    },
    [0, 0, 0],
  );

/** What the pieces ask of the bins that are paid for, beyond those that are there. */
class DemandRows {
  private readonly inequalities: readonly SheetInequality[];

  constructor(
    pieces: SizedPieces,
    private readonly kinds: readonly BinKind[],
  ) {
    const byCost = kinds.map(({ cost, ...kind }) => ({ ...kind, price: cost }));
    const byCount = kinds.map((kind) => ({ ...kind, price: kind.isThere ? 0 : 1 }));
    // With one kind to pay for both prices say the same.
    const priced = kinds.filter(({ isThere }) => !isThere).length > 1 ? [byCost, byCount] : [byCost];
    const all = [roomInequality(pieces, kinds), ...priced.flatMap((rooms) => pricedInequality(pieces, rooms) ?? [])];
    this.inequalities = all.map(({ needs, holds }) => ({
      needs: needs * (1 - ROUNDING) - kinds.reduce((sum, kind, index) => sum + (kind.isThere ? kind.limit * holds[index]! : 0), 0),
      holds: holds.map((each, index) => (kinds[index]!.isThere ? 0 : each)),
    }));
  }

  isMetBy(count: readonly number[]): boolean {
    return this.inequalities.every((each) => lacking(each, count) <= 0);
  }

  /** With kinds from `from` on added as far as they must be; null where they cannot make up what is lacking. */
  atLeast(count: readonly number[], from: number, [cost, room, bins]: Price): Price | null {
    let [moreCost, moreRoom, moreBins] = [0, 0, 0];
    for (const inequality of this.inequalities) {
      const lacks = lacking(inequality, count);
      if (lacks <= 0) continue;
      const least = (worth: (kind: BinKind) => number): number => this.leastOf(worth, lacks, inequality.holds, count, from);
      moreCost = Math.max(
        moreCost,
        least((kind) => kind.cost),
      );
      moreRoom = Math.max(
        moreRoom,
        least((kind) => kind.room),
      );
      moreBins = Math.max(moreBins, Math.ceil(least(() => 1) - ROUNDING));
    }
    return moreBins === Infinity ? null : [cost + moreCost, room + moreRoom, bins + moreBins];
  }

  /** The least sum of `worth` that makes up what is lacking, the last bin in part. */
  private leastOf(worth: (kind: BinKind) => number, lacks: number, holds: readonly number[], count: readonly number[], from: number): number {
    const rates = this.kinds
      .flatMap((kind, index) => (index >= from && holds[index]! > 0 ? [{ index, worth: worth(kind), rate: worth(kind) / holds[index]! }] : []))
      .sort((a, b) => a.rate - b.rate);
    let sum = 0;
    for (const { index, rate } of rates) {
      const made = Math.min(lacks, (this.kinds[index]!.limit - count[index]!) * holds[index]!);
      sum += made * rate;
      lacks -= made;
      if (lacks <= 0) return sum;
    }
    return lacks > 0 ? Infinity : sum;
  }

  /** No plan takes fewer of the kinds that are paid for. */
  fewestBins(paid: readonly number[]): number {
    return this.inequalities.reduce((most, { needs, holds }) => {
      const largest = Math.max(0, ...paid.map((kind) => holds[kind]!));
      return needs > 0 && largest > 0 ? Math.max(most, Math.ceil(needs / largest - ROUNDING)) : most;
    }, 0);
  }
}

const lacking = ({ needs, holds }: SheetInequality, count: readonly number[]): number => count.reduce((left, each, kind) => left - each * holds[kind]!, needs);

interface Greedy {
  readonly filled: readonly FilledBin[];
  readonly unplaced: readonly number[];
}

/**
 * Best fit, the largest first (Johnson, Demers, Ullman, Garey and Graham, 1974), each kind in turn the one to begin, and every bin exchanged for
 * the cheapest that holds as much: the best of them, which places the most.
 */
function bestGreedy(pieces: SizedPieces, kinds: readonly BinKind[]): Greedy {
  const leftOut = ({ unplaced }: Greedy): number => unplaced.reduce((sum, count, index) => sum + count * pieces.size[index]!, 0);
  return [...kinds.keys()]
    .map((preferred) => bestFit(pieces, kinds, preferred))
    .reduce((a, b) => ((leftOut(b) - leftOut(a) || compared(priceOf(b.filled, kinds), priceOf(a.filled, kinds))) < 0 ? b : a));
}

function bestFit({ size, count }: SizedPieces, kinds: readonly BinKind[], preferred: number): Greedy {
  const begun = kinds.map(() => 0);
  const begin = (kind: number): { kind: number; left: number; readonly times: number[] } => {
    begun[kind]!++;
    return { kind, left: kinds[kind]!.room, times: size.map(() => 0) };
  };
  const hasMore = (kind: number): boolean => begun[kind]! < kinds[kind]!.limit;
  const byCost = [...kinds.keys()].sort((a, b) => kinds[a]!.cost - kinds[b]!.cost || kinds[a]!.room - kinds[b]!.room);
  const open = kinds.flatMap((kind, index) => (kind.isThere ? Array.from({ length: kind.limit }, () => begin(index)) : []));
  const unplaced = size.map(() => 0);
  size.forEach((each, index) => {
    for (let n = 0; n < count[index]!; n++) {
      let bin = open.filter(({ left }) => left >= each).sort((a, b) => a.left - b.left)[0];
      if (!bin) {
        const next = [preferred, ...byCost].find((kind) => hasMore(kind) && kinds[kind]!.room >= each);
        if (next === undefined) {
          unplaced[index]!++;
          continue;
        }
        open.push((bin = begin(next)));
      }
      bin.left -= each;
      bin.times[index]!++;
    }
  });
  for (const bin of open) {
    const own = kinds[bin.kind]!;
    if (own.isThere) continue;
    const cheaper = byCost.find((kind) => kind === bin.kind || (hasMore(kind) && kinds[kind]!.room >= own.room - bin.left && kinds[kind]!.cost <= own.cost))!;
    begun[bin.kind]!--;
    begun[cheaper]!++;
    bin.kind = cheaper;
  }
  return { filled: open.map(({ kind, times }) => ({ kind, times })), unplaced };
}
