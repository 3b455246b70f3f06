/**
 * Lower bounds by dual feasible functions: sizes are transformed so that whatever fits on a sheet still fits, while the transformed parts cover more of it.
 * A part over half the side counts as the whole side; one that fits three times and a bit counts as a third. Sources: Fekete and Schepers, "New classes of
 * fast lower bounds for bin packing problems" (functions u and phi); Carlier, Clautiaux and Moukrim, "New reduction procedures and lower bounds for the
 * two-dimensional bin packing problem with fixed orientation" (counting functions); for parts that may be turned, the orientation that counts less. A
 * part's kerf belongs to it: docs/nesting.md.
 */
import { lieOf, type StockArea } from './pieces.ts';
import type { NestPart } from './problem.ts';

/** A dual feasible function: a share of the sheet's side, 0 to 1, for a size. The shares of what fits side by side never sum above 1. */
type Share = (size: number, side: number) => number;

const itself: Share = (size, side) => size / side;

/** Sizes over `side - least` count as the whole side, those under `least` as nothing. */
const cutOff =
  (least: number): Share =>
  (size, side) =>
    size > side - least ? 1 : size < least ? 0 : size / side;

/** Rounded to k-ths; a whole number of (k + 1)-ths stays as it is. */
const stepped =
  (k: number): Share =>
  (size, side) =>
    ((k + 1) * size) % side === 0 ? size / side : Math.floor(((k + 1) * size) / side) / k;

/** Counted in pieces of `least`: a size over half by what is left beside it, a smaller one as one piece. */
const counted =
  (least: number): Share =>
  (size, side) => {
    const most = Math.floor(side / least);
    if (2 * size > side) return 1 - Math.floor((side - size) / least) / most;
    return size >= least ? 1 / most : 0;
  };

/** Counted in whole pieces of `least`: a size over half by what is left beside it. */
const inWholes =
  (least: number): Share =>
  (size, side) => {
    const most = Math.floor(side / least);
    if (2 * size > side) return 1 - Math.floor((side - size) / least) / most;
    return 2 * size === side ? 0.5 : Math.floor(size / least) / most;
  };

/**
 * Counted by the largest number of parts between `least` and half a side that fit side by side: fewer than pieces of `least`, because they are larger.
 * `sizes` ascending, one per orientation of each part.
 */
function inPieces(least: number, sizes: readonly number[]): Share {
  const own = sizes.slice(countOf(sizes, (size) => size < least));
  let sum = 0;
  const sums = own.map((size) => (sum += size));
  const beside = (room: number, half: number): number => countOf(sums, (sum, index) => sum <= room && 2 * own[index]! <= half);
  return (size, side) => {
    const most = beside(side, side);
    if (most === 0) return size / side;
    if (2 * size > side) return 1 - beside(side - size, side) / most;
    return size >= least ? 1 / most : 0;
  };
}

/** Length of the passing prefix of a list that is monotone in the predicate. */
function countOf(rows: readonly number[], passes: (row: number, index: number) => boolean): number {
  let [low, high] = [0, rows.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (passes(rows[middle]!, middle)) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Thresholds tried per side: part sizes up to half the sheet, thinned out evenly when there are more. */
const MAX_THRESHOLDS = 40;
const FEWEST_THRESHOLDS = 8;
/** Limit on the products of shares: with many parts fewer thresholds are tried. */
const MAX_PRODUCTS = 1e7;

/** Functions by threshold, the same for every sheet; one over half of a sheet's side has no effect there. */
function sharesFor(rows: readonly { readonly size: number; readonly count: number }[], longest: number): Share[] {
  const small = [...new Set(rows.map(({ size }) => size).filter((size) => 2 * size <= longest))].sort((a, b) => a - b);
  const most = Math.min(MAX_THRESHOLDS, Math.max(FEWEST_THRESHOLDS, Math.floor(Math.sqrt(MAX_PRODUCTS / rows.length) / 4)));
  const step = Math.max(1, small.length / most);
  const thresholds = Array.from({ length: Math.min(small.length, most) }, (_, n) => small[Math.floor(n * step)]!);
  // Every piece in every orientation: counting too many is valid, counting too few is not.
  const sizes = rows.flatMap(({ size, count }) => Array.from({ length: count }, () => size)).sort((a, b) => a - b);
  const within =
    (least: number, share: Share): Share =>
    (size, side) =>
      2 * least > side ? size / side : share(size, side);
  const byThreshold = (least: number): Share[] => [cutOff(least), counted(least), inWholes(least), inPieces(least, sizes)].map((share) => within(least, share));
  return [itself, ...[1, 2, 3, 4, 5].map(stepped), ...thresholds.flatMap(byThreshold)];
}

/** A sheet size with the value of one sheet. */
export interface Priced extends Pick<StockArea, 'dx' | 'dy'> {
  readonly price: number;
}

/**
 * Least total value of any sheets that hold the parts, by the best pair of functions along and across; each part counts in its cheapest orientation. 0
 * where a part fits none of them.
 */
export function minByShares(parts: readonly NestPart[], beds: readonly Priced[], kerf: number): number {
  const rows = parts.map((part) => ({
    count: part.count,
    lies: beds.flatMap((bed) =>
      lieOf(part)
        .filter((lie) => lie.dx <= bed.dx && lie.dy <= bed.dy)
        .map((lie) => ({ x: lie.dx + kerf, y: lie.dy + kerf, long: bed.dx + kerf, wide: bed.dy + kerf, price: bed.price })),
    ),
  }));
  if (rows.length === 0 || rows.some(({ lies }) => lies.length === 0)) return 0;
  const all = rows.flatMap(({ lies, count }) => lies.map((lie) => ({ ...lie, count })));
  const most = (of: (lie: (typeof all)[number]) => number): number => all.reduce((largest, lie) => Math.max(largest, of(lie)), 0);
  const along = sharesFor(
    all.map(({ x, count }) => ({ size: x, count })),
    most(({ long }) => long),
  );
  const across = sharesFor(
    all.map(({ y, count }) => ({ size: y, count })),
    most(({ wide }) => wide),
  );
  return largestProduct(
    rows.map(({ lies }) => lies.length),
    distinct(along.map((share) => Float64Array.from(all.map(({ x, long, price, count }) => count * price * share(x, long))))),
    distinct(across.map((share) => Float64Array.from(all.map(({ y, wide }) => share(y, wide))))),
  );
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Functions that agree on every orientation, once. Compared by a hash: a collision only weakens the bound. */
const distinct = (rows: readonly Float64Array[]): Float64Array[] => [
  ...new Map(rows.map((row) => [row.reduce((sum, share, index) => sum + share * (((index + 1) * GOLDEN) % 1), 0), row])).values(),
];

/** The pair of functions along and across with the greatest total, each part in its cheapest of `lies` orientations. */
function largestProduct(lies: readonly number[], along: readonly Float64Array[], across: readonly Float64Array[]): number {
  const ends = Int32Array.from(lies);
  for (let row = 1; row < ends.length; row++) ends[row]! += ends[row - 1]!;
  let best = 0;
  for (const fx of along)
    for (const fy of across) {
      let sum = 0;
      let at = 0;
      for (let row = 0; row < ends.length; row++) {
        let least = fx[at]! * fy[at]!;
        for (at++; at < ends[row]!; at++) least = Math.min(least, fx[at]! * fy[at]!);
        sum += least;
      }
      if (sum > best) best = sum;
    }
  return best;
}

/** Deducted from a sum of shares: far above rounding error, far below one part. */
const ROUNDING = 1e-6;

/** Least number of sheets of any of these sizes that hold the parts. */
export const sheetsByShares = (parts: readonly NestPart[], beds: readonly StockArea[], kerf: number): number =>
  Math.ceil(
    minByShares(
      parts,
      beds.map(({ dx, dy }) => ({ dx, dy, price: 1 })),
      kerf,
    ) - ROUNDING,
  );

/** Least cost of the parts. Limited sheets count at the price per size of the others, and the difference is credited for each one available. */
export function costByShares(parts: readonly NestPart[], beds: readonly StockArea[], kerf: number): number {
  const endless = beds.filter(({ sheet }) => sheet.count === null);
  const area = ({ dx, dy }: StockArea): number => (dx + kerf) * (dy + kerf);
  if (endless.length === 0) return 0;
  const each = Math.min(...endless.map((bed) => (bed.sheet.cost ?? 0) / area(bed)));
  let given = 0;
  const priced = beds.map((bed): Priced => {
    const cost = bed.sheet.cost ?? 0;
    const dearer = bed.sheet.count === null ? 0 : Math.max(0, each * area(bed) - cost);
    given += dearer * (bed.sheet.count ?? 0);
    return { dx: bed.dx, dy: bed.dy, price: cost + dearer };
  });
  return minByShares(parts, priced, kerf) * (1 - 1e-9) - given - ROUNDING;
}
