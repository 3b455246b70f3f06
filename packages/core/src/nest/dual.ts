/**
 * Bounds by dual feasible functions: sizes are changed so that whatever fits on a sheet still does, and what is changed covers
 * more sheet than the parts themselves. A part more than half as wide as its sheet counts as the whole of it; one that fits
 * three times and a bit counts as a third. Source: Fekete and Schepers, "New classes of fast lower bounds for bin packing
 * problems" (functions u and phi); the same with each part's better way to lie. A part's kerf is part of it: docs/nesting.md.
 */
import { lieOf, type Bed } from './pieces.ts';
import type { NestPart } from './problem.ts';

/** A share of the sheet's side, 0 to 1, for a size on it. Sums over what fits side by side never pass 1. */
type Share = (size: number, side: number) => number;

const itself: Share = (size, side) => size / side;

/** Sizes over `side - least` count as all, those under `least` as nothing. */
const cutOff =
  (least: number): Share =>
  (size, side) =>
    size > side - least ? 1 : size < least ? 0 : size / side;

/** Rounded up or down to k-ths: what is a whole number of (k + 1)-ths stays. */
const stepped =
  (k: number): Share =>
  (size, side) =>
    ((k + 1) * size) % side === 0 ? size / side : Math.floor(((k + 1) * size) / side) / k;

/** Counted in pieces of `least`: over half by what is left beside it, up to half as one such piece. */
const counted =
  (least: number): Share =>
  (size, side) => {
    const most = Math.floor(side / least);
    if (2 * size > side) return 1 - Math.floor((side - size) / least) / most;
    return size >= least ? 1 / most : 0;
  };

/** Thresholds tried on each side: sizes of the parts, up to half the sheet. More are thinned out evenly. */
const MOST_THRESHOLDS = 14;

/** Functions by their thresholds, the same for every sheet: one that is over half of a sheet's side says nothing there. */
function sharesFor(sizes: readonly number[], longest: number): Share[] {
  const small = [...new Set(sizes.filter((size) => 2 * size <= longest))].sort((a, b) => a - b);
  const step = Math.max(1, small.length / MOST_THRESHOLDS);
  const thresholds = Array.from({ length: Math.min(small.length, MOST_THRESHOLDS) }, (_, n) => small[Math.floor(n * step)]!);
  const within =
    (least: number, share: Share): Share =>
    (size, side) =>
      2 * least > side ? size / side : share(size, side);
  return [itself, ...[1, 2, 3, 4, 5].map(stepped), ...thresholds.flatMap((least) => [within(least, cutOff(least)), within(least, counted(least))])];
}

/** A size of sheet with what one of it counts for. */
export interface Priced extends Pick<Bed, 'dx' | 'dy'> {
  readonly price: number;
}

/**
 * The least that any sheets holding the parts count for, by the best pair of functions along and across; each part is taken
 * where it counts least. 0 where a part fits none of them.
 */
export function leastByShares(parts: readonly NestPart[], beds: readonly Priced[], kerf: number): number {
  const rows = parts.map((part) => ({
    count: part.count,
    lies: beds.flatMap((bed) =>
      lieOf(part)
        .filter((lie) => lie.dx <= bed.dx && lie.dy <= bed.dy)
        .map((lie) => ({ x: lie.dx + kerf, y: lie.dy + kerf, long: bed.dx + kerf, wide: bed.dy + kerf, price: bed.price })),
    ),
  }));
  if (rows.length === 0 || rows.some(({ lies }) => lies.length === 0)) return 0;
  const all = rows.flatMap(({ lies }) => lies);
  const most = (of: (lie: (typeof all)[number]) => number): number => all.reduce((largest, lie) => Math.max(largest, of(lie)), 0);
  const along = sharesFor(
    all.map(({ x }) => x),
    most(({ long }) => long),
  );
  const across = sharesFor(
    all.map(({ y }) => y),
    most(({ wide }) => wide),
  );
  // Each lie's share under each function, once: pairs of functions are then products.
  const shares = rows.map(({ count, lies }) => ({
    count,
    lies: lies.map(({ x, y, long, wide, price }) => ({ fx: along.map((f) => price * f(x, long)), fy: across.map((f) => f(y, wide)) })),
  }));
  let best = 0;
  for (let f = 0; f < along.length; f++)
    for (let g = 0; g < across.length; g++) {
      let sum = 0;
      for (const { count, lies } of shares) {
        let least = Infinity;
        for (const { fx, fy } of lies) {
          const share = fx[f]! * fy[g]!;
          if (share < least) least = share;
        }
        sum += least * count;
      }
      if (sum > best) best = sum;
    }
  return best;
}

/** Taken off a sum of shares before it counts: far more than doubles lose, far less than a part. */
const ROUNDING = 1e-6;

/** The fewest sheets, of any of these sizes, that hold the parts. */
export const sheetsByShares = (parts: readonly NestPart[], beds: readonly Bed[], kerf: number): number =>
  Math.ceil(
    leastByShares(
      parts,
      beds.map(({ dx, dy }) => ({ dx, dy, price: 1 })),
      kerf,
    ) - ROUNDING,
  );

/**
 * The least the parts cost. Sheets of which there are only so many are counted as dear as the others for their size, and what
 * that is too much is given back for each there is.
 */
export function costByShares(parts: readonly NestPart[], beds: readonly Bed[], kerf: number): number {
  const endless = beds.filter(({ sheet }) => sheet.count === null);
  const area = ({ dx, dy }: Bed): number => (dx + kerf) * (dy + kerf);
  if (endless.length === 0) return 0;
  const each = Math.min(...endless.map((bed) => (bed.sheet.cost ?? 0) / area(bed)));
  let given = 0;
  const priced = beds.map((bed): Priced => {
    const cost = bed.sheet.cost ?? 0;
    const dearer = bed.sheet.count === null ? 0 : Math.max(0, each * area(bed) - cost);
    given += dearer * (bed.sheet.count ?? 0);
    return { dx: bed.dx, dy: bed.dy, price: cost + dearer };
  });
  return leastByShares(parts, priced, kerf) * (1 - 1e-9) - given - ROUNDING;
}
