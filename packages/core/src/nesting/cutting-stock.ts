/**
 * Cutting stock with several stock sizes: which boards to take, of several lengths at several prices, so that every piece comes out of them. Mixes of
 * boards are enumerated from the cheapest up, without those that violate an inequality, until bin completion packs one. The result is optimal if every
 * cheaper mix was refuted. Deterministic. Sources: Gilmore and Gomory, 1961 (cutting-stock-bound.ts); Korf, 2002 (bin-completion.ts); best-first order:
 * Hart, Nilsson and Raphael, "A formal basis for the heuristic determination of minimum cost paths", 1968.
 */
import TinyQueue from 'tinyqueue';
import type { SheetInequality } from './bar-program.ts';
import { completeBins, type Bins, type FilledBin, type SizedPieces } from './bin-completion.ts';
import { pricedInequality, roomInequality } from './cutting-stock-bound.ts';

/** One kind of bin: a length for sale, or clear stretches of boards on hand. */
export interface BinKind {
  /** Capacity: its length plus one kerf, because each piece brings its own kerf. */
  readonly room: number;
  /** Price of one, in any unit; 0 where it is on hand. */
  readonly cost: number;
  /** Infinity when unlimited. */
  readonly limit: number;
  /** On hand: costs nothing whether used or not, and its number is limited. */
  readonly isThere: boolean;
}

export interface CuttingStock {
  /** Filled bins; some may be empty. */
  readonly filled: readonly FilledBin[];
  /** Number of each size left unplaced, where bins are limited. */
  readonly unplaced: readonly number[];
  /** Proved: no plan costs less, or buys fewer bins. */
  readonly bound: { readonly cost: number; readonly bins: number };
  /** Proved: no plan is better in cost, length or number. */
  readonly isProved: boolean;
}

/** Step limits of bin completion, in all and per mix: some tens of milliseconds. */
const MAX_STEPS = { all: 400_000, mix: 80_000 } as const;
/** Limit on the mixes examined. */
const MAX_MIXES = 3_000;
/** Rounding tolerance of an inequality. */
const ROUNDING = 1e-7;

/** Lexicographic price of a plan: cost, then room bought, then bins. */
type Price = readonly [cost: number, room: number, bins: number];

interface Mix {
  /** Number of each kind that is paid for. */
  readonly count: readonly number[];
  /** Kinds before this index are fixed, so that each mix is generated once. */
  readonly from: number;
  readonly price: Price;
  /** Lower bound on its price with everything it still lacks. */
  readonly atLeast: Price;
}

/** Least cost, then least room, then fewest bins. Sizes include one kerf each. */
export function cutStock(pieces: SizedPieces, kinds: readonly BinKind[]): CuttingStock {
  const greedy = bestGreedy(pieces, kinds);
  const isWhole = greedy.unplaced.every((count) => count === 0);
  const found = searched(pieces, kinds, isWhole ? greedy.filled : null);
  if (found) return { ...found, unplaced: pieces.count.map(() => 0) };
  const placed = pieces.count.map((count, index) => count - greedy.unplaced[index]!);
  return { ...searched({ ...pieces, count: placed }, kinds, greedy.filled)!, unplaced: greedy.unplaced, isProved: false };
}

/** The better of `known` and what the mixes give; null where there is neither. */
function searched(pieces: SizedPieces, kinds: readonly BinKind[], known: readonly FilledBin[] | null): Omit<CuttingStock, 'unplaced'> | null {
  const paid = kinds.flatMap((kind, index) => (kind.isThere ? [] : [index]));
  const wanted = new DemandRows(pieces, kinds);
  const knownPrice = known && priceOf(known, kinds);
  const mixes = new TinyQueue<Mix>([], (a, b) => compared(a.atLeast, b.atLeast));
  const add = (count: readonly number[], from: number, price: Price): void => {
    const atLeast = wanted.atLeast(count, from, price);
    if (atLeast) mixes.push({ count, from, price, atLeast });
  };
  /** Price of the cheapest mix that was not refuted. */
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

/** Demand on the bins that are paid for, beyond what those on hand cover. */
class DemandRows {
  private readonly inequalities: readonly SheetInequality[];

  constructor(
    pieces: SizedPieces,
    private readonly kinds: readonly BinKind[],
  ) {
    const byCost = kinds.map(({ cost, ...kind }) => ({ ...kind, price: cost }));
    const byCount = kinds.map((kind) => ({ ...kind, price: kind.isThere ? 0 : 1 }));
    // With one paid kind both prices agree.
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

  /** Adds kinds from `from` on until the demand is met; null where they cannot meet it. */
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

  /** LP relaxation of the least price that meets the demand, the last bin in part. */
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

  /** Proved: no plan takes fewer of the paid kinds. */
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
 * Best fit decreasing (Johnson, Demers, Ullman, Garey and Graham, 1974), started from each kind in turn, then every bin exchanged for the cheapest that
 * holds as much. Returns the result that places the most.
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
