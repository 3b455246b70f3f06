/**
 * What no plan can be under. A part with its kerf on two sides tiles a sheet that is a kerf larger
 * each way, so areas are compared with the kerf added to both. Areas are BigInt: in doubles the sum
 * could come out above the optimum on sheets that are filled exactly.
 */
import { bedsOf, lieOf } from './pieces.ts';
import type { NestPart, NestProblem } from './problem.ts';

export interface Bound {
  readonly sheets: number;
  readonly cost: number | null;
  readonly why: string;
}

/** Bound for the parts that can be placed at all. */
export function lowerBound(problem: NestProblem, parts: readonly NestPart[]): Bound {
  const hasCosts = problem.sheets.length > 0 && problem.sheets.every(({ cost }) => cost !== null);
  if (parts.length === 0) return { sheets: 0, cost: hasCosts ? 0 : null, why: 'nothing to place' };
  const kerf = BigInt(problem.kerf);
  const beds = bedsOf(problem)
    .filter(({ sheet, dx, dy }) => sheet.count !== 0 && dx > 0 && dy > 0)
    .map(({ sheet, dx, dy }) => ({ area: (BigInt(dx) + kerf) * (BigInt(dy) + kerf), count: sheet.count, cost: sheet.cost ?? 0 }));
  const area = parts.reduce((sum, { length, width, count }) => sum + (BigInt(length) + kerf) * (BigInt(width) + kerf) * BigInt(count), 0n);
  const byArea = fewest(area, beds);
  const alone = loners(problem, parts);
  const sheets = Math.max(1, byArea, alone);
  const why = alone > byArea ? `${alone} parts so large that no two share a sheet` : `area of the parts with their kerfs over that of the sheets`;
  return { sheets, cost: hasCosts ? leastCost(area, beds, sheets) : null, why };
}

/** Largest sheets first: fewest that hold the area. */
function fewest(area: bigint, beds: readonly { area: bigint; count: number | null }[]): number {
  let left = area;
  let sheets = 0;
  for (const bed of [...beds].sort((a, b) => (a.area > b.area ? -1 : 1))) {
    const wanted = Number((left + bed.area - 1n) / bed.area);
    const used = Math.min(wanted, bed.count ?? Infinity);
    sheets += used;
    left -= BigInt(used) * bed.area;
    if (left <= 0n) break;
  }
  return sheets;
}

/** Cheapest area first, the last sheet in part: a knapsack's relaxation; and never less than `sheets` of the cheapest. */
function leastCost(area: bigint, beds: readonly { area: bigint; count: number | null; cost: number }[], sheets: number): number {
  let left = area;
  let cost = 0;
  for (const bed of [...beds].sort((a, b) => a.cost * Number(b.area) - b.cost * Number(a.area))) {
    const room = bed.count === null ? left : BigInt(bed.count) * bed.area;
    const used = room < left ? room : left;
    cost += bed.cost * (Number(used) / Number(bed.area));
    left -= used;
    if (left <= 0n) break;
  }
  const cheapest = beds
    .flatMap(({ cost: each, count }) => Array.from({ length: Math.min(count ?? sheets, sheets) }, () => each))
    .sort((a, b) => a - b)
    .slice(0, sheets);
  const whole = beds.every((bed) => Number.isInteger(bed.cost));
  // A hair is taken off the relaxation, so that rounding never puts it above the optimum.
  const relaxed = cost * (1 - 1e-12);
  return Math.max(
    whole ? Math.ceil(relaxed - 1e-9) : relaxed,
    cheapest.reduce((sum, each) => sum + each, 0),
  );
}

/** Parts more than half of every sheet both ways, whichever way they lie: no two share a sheet. */
function loners(problem: NestProblem, parts: readonly NestPart[]): number {
  const beds = bedsOf(problem).filter(({ sheet }) => sheet.count !== 0);
  const large = parts.filter((part) =>
    lieOf({ ...part, grain: 'either' }).every(({ dx, dy }) => beds.every((bed) => 2 * dx + problem.kerf > bed.dx && 2 * dy + problem.kerf > bed.dy)),
  );
  const pairs = (part: NestPart): boolean => {
    const shorter = Math.min(part.length, part.width);
    return beds.every((bed) => 2 * shorter + problem.kerf > Math.max(bed.dx, bed.dy));
  };
  return large.filter(pairs).reduce((sum, { count }) => sum + count, 0);
}
