/**
 * Lower bounds on every plan. A part with its kerf on two sides tiles a sheet that is one kerf larger each way, so areas are compared with the kerf added
 * to both. Parts that fit only some of the sheets must come from those, so each such class is bounded separately and the greatest bound counts. Areas are
 * BigInt: in doubles a sum could exceed the optimum on sheets that are filled exactly.
 */
import type { SheetInequality } from './bar-program.ts';
import { barRelaxation } from './bar-relaxation.ts';
import { apartFromEachOther } from './conflicts.ts';
import { costByShares, sheetsByShares } from './dual.ts';
import { stockAreasOf, lieOf, type StockArea } from './pieces.ts';
import type { NestPart, NestProblem } from './problem.ts';
import { minMix } from './sheet-mix.ts';

export interface Bound {
  readonly sheets: number;
  readonly cost: number | null;
  readonly why: string;
  /** Least number of sheets of any plan that costs at most `cost`, where known to exceed `sheets`. */
  readonly sheetsAtCost?: number;
}

/** An anytime bound, improved while the search runs. */
export interface BoundInSteps {
  /** Work of the next step, in pieces placed; Infinity once finished. */
  work(): number;
  /** One step; a greater bound when it found one. */
  step(): Bound | null;
}

/** Parts that fit only on these sheets. */
interface PartClass {
  readonly parts: readonly NestPart[];
  readonly on: readonly StockArea[];
  readonly beds: readonly Cover[];
  readonly area: bigint;
}

interface Cover {
  readonly area: bigint;
  readonly count: number | null;
  readonly cost: number;
}

const hasCosts = ({ sheets }: NestProblem): boolean => sheets.length > 0 && sheets.every(({ cost }) => cost !== null);
const fewestByArea = (classes: readonly PartClass[]): number => Math.max(1, ...classes.map(({ area, beds }) => fewest(area, beds)));

/** Area bound of all parts that can be placed: instant, so the search starts from it. */
export function areaBound(problem: NestProblem, parts: readonly NestPart[]): Bound {
  if (parts.length === 0) return lowerBound(problem, parts);
  const classes = classesOf(problem, parts);
  const sheets = fewestByArea(classes);
  const cost = hasCosts(problem) ? Math.max(...classes.map(({ area, beds }) => minCost(area, beds)), cheapest(classes, sheets)) : null;
  return { sheets, cost, why: whyOf(sheets, sheets, 0) };
}

/** The greatest bound available at once, for all parts that can be placed. */
export function lowerBound(problem: NestProblem, parts: readonly NestPart[]): Bound {
  if (parts.length === 0) return { sheets: 0, cost: hasCosts(problem) ? 0 : null, why: 'nothing to place' };
  const classes = classesOf(problem, parts);
  // A bound for a subset holds for all: pairwise comparison is limited to the largest parts.
  const byArea = fewestByArea(classes);
  const alone = Math.max(...classes.map(({ parts: own, on }) => apartFromEachOther(largest(own, MAX_COMPARED), on, problem.kerf)));
  const byShares = Math.max(...classes.map(({ parts: own, on }) => sheetsByShares(largest(own, MAX_SHARED), on, problem.kerf)));
  const sheets = Math.max(byArea, alone, byShares);
  return { sheets, cost: hasCosts(problem) ? costOf(problem, classes, sheets) : null, why: whyOf(sheets, byArea, alone) };
}

/** Improvement by the bar relaxation (bar-relaxation.ts); null where it does not apply. */
export function boundByBars(problem: NestProblem, parts: readonly NestPart[], known: Bound): BoundInSteps | null {
  const costed = hasCosts(problem);
  const beds = usableAreas(problem);
  const bars = barRelaxation(
    parts,
    beds,
    beds.map(({ sheet }) => (costed ? sheet.cost! : 1)),
    problem.kerf,
  );
  if (!bars) return null;
  const limits = beds.map(({ sheet }) => sheet.count ?? Infinity);
  const inequalities = classesOf(problem, parts).map(({ area, on }): SheetInequality => {
    const holds = beds.map((bed) => (on.some(({ sheet }) => sheet === bed.sheet) ? ((bed.dx + problem.kerf) / 1e6) * ((bed.dy + problem.kerf) / 1e6) : 0));
    return { needs: Number(area) / 1e12, holds };
  });
  let bound = known;
  return {
    work: () => bars.work(),
    step() {
      const found = bars.step();
      if (!found) return null;
      inequalities.push(found);
      const least = (costs: readonly number[]) =>
        minMix(
          costs.map((cost, index) => ({ cost, limit: limits[index]! })),
          inequalities,
          bound.sheets,
        );
      const sheets = Math.max(bound.sheets, least(beds.map(() => 1))?.sheets ?? 0);
      const mix = costed ? least(beds.map(({ sheet }) => sheet.cost!)) : null;
      const cost = costed ? Math.max(bound.cost!, mix?.cost ?? 0) : null;
      if (sheets === bound.sheets && cost === bound.cost && mix?.sheets === bound.sheetsAtCost) return null;
      const why = sheets > bound.sheets || cost !== bound.cost ? 'no combination of parts side by side fills the sheets better' : bound.why;
      bound = { sheets, cost, why, ...(mix && cost !== null && mix.cost >= cost - 1e-9 ? { sheetsAtCost: mix.sheets } : {}) };
      return bound;
    },
  };
}

/** The greatest bound of all, without a time limit. */
export function greatestBound(problem: NestProblem, parts: readonly NestPart[]): Bound {
  let bound = lowerBound(problem, parts);
  const bars = parts.length > 0 ? boundByBars(problem, parts, bound) : null;
  while (bars && bars.work() < Infinity) bound = bars.step() ?? bound;
  return bound;
}

/** Limits on the part kinds compared pairwise, and on those weighed by dual feasible functions. */
const MAX_COMPARED = 1500;
const MAX_SHARED = 3000;

const largest = (parts: readonly NestPart[], max: number): readonly NestPart[] =>
  parts.length <= max ? parts : [...parts].sort((a, b) => b.length * b.width - a.length * a.width).slice(0, max);

function whyOf(sheets: number, byArea: number, alone: number): string {
  if (byArea >= sheets) return 'the parts with their kerfs cover that much sheet';
  if (alone >= sheets) return `${alone} parts are so large that no two of them share a sheet`;
  return 'beside the large parts there is no room for the rest: what is left of their sheets is too narrow';
}

const costOf = ({ kerf }: NestProblem, classes: readonly PartClass[], sheets: number): number =>
  Math.max(
    ...classes.flatMap(({ area, beds, parts, on }) => [minCost(area, beds), costByShares(largest(parts, MAX_SHARED), on, kerf)]),
    cheapest(classes, sheets),
  );

const usableAreas = (problem: NestProblem): StockArea[] => stockAreasOf(problem).filter(({ sheet, dx, dy }) => sheet.count !== 0 && dx > 0 && dy > 0);

/** One class per set of sheets that is all some part fits on; the parts of a class fit nowhere else. */
function classesOf(problem: NestProblem, parts: readonly NestPart[]): PartClass[] {
  const kerf = BigInt(problem.kerf);
  const beds = usableAreas(problem);
  const rows = parts.map((part) => ({ part, fits: beds.filter((bed) => fitsOn(part, bed)) }));
  const keyOf = (fits: readonly StockArea[]): string => fits.map(({ sheet }) => sheet.id).join('\n');
  const sets = new Map(rows.map(({ fits }) => [keyOf(fits), fits]));
  return [...sets.values()].map((set) => ({
    on: set,
    parts: rows.filter(({ fits }) => fits.every((bed) => set.includes(bed))).map(({ part }) => part),
    beds: set.map(({ sheet, dx, dy }) => ({ area: (BigInt(dx) + kerf) * (BigInt(dy) + kerf), count: sheet.count, cost: sheet.cost ?? 0 })),
    area: rows
      .filter(({ fits }) => fits.every((bed) => set.includes(bed)))
      .reduce((sum, { part }) => sum + (BigInt(part.length) + kerf) * (BigInt(part.width) + kerf) * BigInt(part.count), 0n),
  }));
}

const fitsOn = (part: NestPart, { dx, dy }: StockArea): boolean => lieOf(part).some((lie) => lie.dx <= dx && lie.dy <= dy);
const sheetsFor = (area: bigint, { area: each }: Cover): number => (area <= 0n ? 0 : Number((area + each - 1n) / each));

/** Fewest sheets by area, largest first. */
function fewest(area: bigint, beds: readonly Cover[]): number {
  let left = area;
  let sheets = 0;
  for (const bed of [...beds].sort((a, b) => (a.area > b.area ? -1 : 1))) {
    const used = Math.min(sheetsFor(left, bed), bed.count ?? Infinity);
    sheets += used;
    left -= BigInt(used) * bed.area;
    if (left <= 0n) break;
  }
  return sheets;
}

/** A branch and bound over whole sheets that grows beyond this falls back to its relaxation. */
const MAX_NODES = 20_000;

/** Least cost of whole sheets whose areas together cover the parts: covering knapsack, branch and bound. */
function minCost(area: bigint, beds: readonly Cover[]): number {
  const order = [...beds].sort((a, b) => a.cost * Number(b.area) - b.cost * Number(a.area));
  let nodes = 0;
  let best = Infinity;
  const visit = (index: number, left: bigint, cost: number): void => {
    if (left <= 0n) {
      best = Math.min(best, cost);
      return;
    }
    if (index === order.length || ++nodes > MAX_NODES || cost + relaxed(left, order.slice(index)) >= best) return;
    const bed = order[index]!;
    for (let used = Math.min(sheetsFor(left, bed), bed.count ?? Infinity); used >= 0; used--)
      visit(index + 1, left - BigInt(used) * bed.area, cost + used * bed.cost);
  };
  visit(0, area, 0);
  const straight = relaxed(area, order);
  return nodes > MAX_NODES || best === Infinity ? straight : best;
}

/** LP relaxation: cheapest area first, the last sheet in part. Rounded down, so that it never exceeds the optimum. */
function relaxed(area: bigint, order: readonly Cover[]): number {
  let left = area;
  let cost = 0;
  for (const bed of order) {
    const room = bed.count === null ? left : BigInt(bed.count) * bed.area;
    const used = room < left ? room : left;
    cost += bed.cost * (Number(used) / Number(bed.area));
    left -= used;
    if (left <= 0n) break;
  }
  return cost * (1 - 1e-9);
}

/** Least cost of this many sheets. */
function cheapest(classes: readonly PartClass[], sheets: number): number {
  const beds = [...new Set(classes.flatMap(({ beds: own }) => own))];
  const prices = beds.flatMap(({ cost, count }) => Array.from({ length: Math.min(count ?? sheets, sheets) }, () => cost));
  return prices
    .sort((a, b) => a - b)
    .slice(0, sheets)
    .reduce((sum, cost) => sum + cost, 0);
}
