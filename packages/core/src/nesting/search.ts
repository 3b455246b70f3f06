/**
 * The layout search: several methods, scheduled by search-scheduler.ts. It starts with constructed layouts (starts.ts), patterns where parts repeat, and
 * reassembled sheets where there is no waste; then it aims at layouts better than the best (goal.ts). The caller holds the clock: search() gives a stepper,
 * and the same problem, seed and number of steps give the same plan.
 */
import { seeded } from '../random/random.ts';
import { areaBound, boundByBars, lowerBound, type Bound, type BoundInSteps } from './bound.ts';
import { closeSheet } from './close.ts';
import { framesOf } from './frames.ts';
import { freeSearch, type FreeLayout } from './free.ts';
import { goalSearch, type GoalSearch } from './goal.ts';
import { isBetter, scoreOf, type NestJob, type Layout } from './layout.ts';
import { merged } from './merge.ts';
import { patterns } from './patterns.ts';
import { noWasteSearch } from './no-waste.ts';
import { stockAreasOf, itemsOf, type StockArea } from './pieces.ts';
import type { NestPlan, NestProblem, Score, Unplaced } from './problem.ts';
import { itemsOn, type FitRule } from './guillotine-tree.ts';
import { afresh, around, aroundLoose, paired, startLayout, STARTS } from './starts.ts';
import { searchScheduler, type SearchMethod } from './search-scheduler.ts';

export interface Search {
  /** Runs the given number of steps; true when the plan is proved best and more would not help. */
  step(count: number): boolean;
  plan(): NestPlan;
  /** Another plan of equal sheets and cost; null when this try found none. Steps are not counted. */
  variant(): NestPlan | null;
  readonly effort: number;
}

/** Work shares: patterns dominate where parts repeat, equal sides where there is no waste; random joining is frequent where sides pair up. */
const SHARES = {
  start: { repeated: 0.2, else: 0.3 },
  aim: { repeated: 1, else: 4 },
  afresh: { paired: 1, else: 0.1 },
  patterns: 4,
  perfect: { exact: 4, nearly: 2 },
  free: { repeated: 0.3, else: 1 },
  bound: 0.3,
} as const;
/** Work of one goal-driven try: the pieces of one sheet again, plus a constant. */
const AIMED = 1.5;
/** Reassembling sheets costs as much as this many layouts; pinwheels are included for free layouts. */
const LOOKS_AS = { guillotine: 2, free: 4 } as const;
/**
 * The improved bound costs as much as several layouts of a large job: it starts after this many steps, plus one per this many pieces, where the area bound
 * proved nothing.
 */
const BOUND_AFTER = { steps: 24, pieces: 4 } as const;
/** Fit rules of the best-pairs construction, best first. */
const PAIRED: readonly FitRule[] = ['area', 'short', 'match'];

/**
 * A stepper for a validated problem. `isOver` is polled while a step runs: a first layout of many thousand parts can exceed the time limit, and is then
 * finished without searching for best places.
 */
export function search(problem: NestProblem, seed = 1, isOver: () => boolean = () => false): Search {
  const { items, impossible } = itemsOf(problem);
  const placeable = problem.parts.filter((part) => !impossible.some((row) => row.part === part));
  let bound = areaBound(problem, placeable);
  const random = seeded(seed);
  const job = jobOf(problem, isOver);
  let best: { readonly layout: Layout; readonly score: Score } | undefined;
  /** A free layout, where it is better than guillotine cuts allow. */
  let loose: FreeLayout | undefined;
  const free = isPlain(problem) ? freeSearch(job, items, random) : null;
  let aim: GoalSearch | undefined;
  let beside: { readonly best: typeof best; readonly goal: GoalSearch } | undefined;
  let effort = 0;

  // Items as given and, where sides pair up, joined: starts alternate between the two.
  const blocks = merged(
    items,
    [...job.beds, ...job.pinned].map(({ bed }) => bed),
    problem.kerf,
    null,
  );
  const sets = blocks.length < items.length ? [blocks, items] : [items];
  const sorted = Array.from({ length: STARTS * sets.length }, (_, n) => () => startLayout(job, sets[n % sets.length]!, Math.floor(n / sets.length)));
  const starts: readonly (() => Layout | null)[] = [sorted[0]!, ...PAIRED.map((fit) => () => paired(job, items, fit)), ...sorted.slice(1)];
  /** Most of them pair up, so they were sawn from one another. A few pair up by chance in any job. */
  const pairsUp = blocks.length <= 0.7 * items.length;

  const offer = (layout: Layout): boolean => {
    const score = scoreOf(layout);
    if (best && !isBetter(score, best.score)) return false;
    best = { layout, score };
    return true;
  };
  const repeated = patterns(job, items, random);
  const perfect = noWasteSearch(job, items, random);
  const worth = (): Score => (loose && isBetter(loose.score, best!.score) ? loose.score : best!.score);
  const offered = (layout: Layout | null): boolean => {
    if (!layout || !offer(layout)) return false;
    aim = undefined;
    return true;
  };
  const offeredLoose = (tried: FreeLayout): boolean => {
    if (!isBetter(tried.score, worth())) return false;
    loose = tried;
    aim = undefined;
    return true;
  };
  /** Started once the other bounds have proved nothing. */
  let bars: BoundInSteps | null = null;
  const boundAfter = BOUND_AFTER.steps + Math.ceil(items.length / BOUND_AFTER.pieces);
  let started = 0;
  const way = (share: number, work: () => number, step: () => boolean): SearchMethod => ({ share, work, step });
  /** Everything else starts from an existing layout. */
  const all = (): number => (best ? items.length : Infinity);
  const ways = searchScheduler([
    way(
      SHARES.start[repeated ? 'repeated' : 'else'],
      () => (started < starts.length ? items.length : Infinity),
      () => {
        return offered(starts[started++]!());
      },
    ),
    ...(perfect
      ? [
          way(
            SHARES.perfect[perfect.isExact ? 'exact' : 'nearly'],
            () => (best ? LOOKS_AS[problem.cuts] * items.length : Infinity),
            () => {
              const found = perfect.step();
              if (!found) return false;
              return free ? offeredLoose(aroundLoose(free, found, problem.kerf)) : offered(around(job, found));
            },
          ),
        ]
      : []),
    ...(repeated ? [way(SHARES.patterns, all, () => offered(repeated.step()))] : []),
    way(
      SHARES.aim[repeated ? 'repeated' : 'else'],
      () => (best ? Math.ceil((AIMED * items.length) / Math.max(1, worth()[2])) : Infinity),
      () => {
        aim ??= goalSearch(job, best!.layout, worth(), pairsUp, random);
        return offered(aim.step());
      },
    ),
    ...(free
      ? [
          way(SHARES.free[repeated ? 'repeated' : 'else'], all, () => {
            return offeredLoose(free.step());
          }),
        ]
      : []),
    way(
      SHARES.bound,
      () => bars?.work() ?? Infinity,
      () => {
        bound = bars?.step() ?? bound;
        return false;
      },
    ),
    way(SHARES.afresh[pairsUp ? 'paired' : 'else'], all, () => offered(afresh(job, items, effort, random))),
  ]);
  const once = (): void => {
    ways.step();
    effort++;
    if (effort === boundAfter && !isProved(problem, { score: worth() }, bound)) {
      bound = lowerBound(problem, placeable);
      bars = boundByBars(problem, placeable, bound);
    }
  };
  return {
    step(count) {
      for (let n = 0; n < count; n++) {
        if (best && isProved(problem, { score: worth() }, bound)) return true;
        once();
      }
      return best !== undefined && isProved(problem, { score: worth() }, bound);
    },
    plan() {
      if (!best) once();
      if (loose && isBetter(loose.score, best!.score)) return planOf(loose, loose.score, impossible, bound, seed, effort);
      return planOf(laidOut(problem, best!.layout), best!.score, impossible, bound, seed, effort);
    },
    variant() {
      if (!best || best.score[0] > 0) return null;
      // For an equal plan the target is one sheet more.
      const [left, cost, sheets, bought] = best.score;
      if (beside?.best !== best) beside = { best, goal: goalSearch(job, best.layout, [left, cost, sheets, bought + 1], pairsUp, random) };
      const layout = beside.goal.step();
      if (!layout || isBetter(best.score, scoreOf(layout))) return null;
      return planOf(laidOut(problem, layout), scoreOf(layout), impossible, bound, seed, effort);
    },
    get effort() {
      return effort;
    },
  };
}

/** Offcuts first, then cost per area, so that ties are filled from stock on hand. */
function jobOf(problem: NestProblem, isOver: () => boolean): NestJob {
  const each = ({ sheet, dx, dy }: StockArea): number => (sheet.cost ?? 1) / (dx * dy);
  const framed = stockAreasOf(problem)
    .filter(({ sheet, dx, dy }) => sheet.count !== 0 && dx > 0 && dy > 0)
    .sort((a, b) => Number(b.sheet.offcut) - Number(a.sheet.offcut) || each(a) - each(b) || b.dx * b.dy - a.dx * a.dy)
    .map((bed) => ({ bed, frames: framesOf(bed, problem) }));
  const isPinned = ({ bed }: { readonly bed: StockArea }): boolean => (bed.sheet.pins?.length ?? 0) > 0;
  return { problem, beds: framed.filter((row) => !isPinned(row)), pinned: framed.filter(isPinned), isOver };
}

/** Proved when the bound is met and an offcut could not replace a sheet. */
function isProved(problem: NestProblem, { score }: { readonly score: Score }, bound: Bound): boolean {
  if (score[0] > 0) return false;
  return isLeast(score, bound) && (score[3] === 0 || !problem.sheets.some(({ offcut, count }) => offcut && count !== 0));
}

/** No plan costs less, or takes fewer sheets at that cost. */
const isLeast = ([, cost, sheets]: Score, bound: Bound): boolean =>
  bound.cost === null ? sheets <= bound.sheets : cost <= bound.cost + 1e-9 && sheets <= Math.max(bound.sheets, bound.sheetsAtCost ?? 0);

/** Drops empty sheets. */
const laidOut = (problem: NestProblem, { sheets, left }: Layout): Pick<FreeLayout, 'nested' | 'left'> => ({
  left,
  nested: () => sheets.filter((sheet) => sheet.frame.pins.length > 0 || itemsOn(sheet).length > 0).map((sheet) => closeSheet(sheet, problem)),
});

/** Free layouts support only sizes, grain and groups. */
const isPlain = ({ cuts, sheets, parts, first }: NestProblem): boolean =>
  cuts === 'free' && !first && sheets.every(({ flaws = [], pins = [] }) => flaws.length + pins.length === 0) && parts.every(({ together }) => together == null);

function planOf(
  layout: Pick<FreeLayout, 'nested' | 'left'>,
  score: Score,
  impossible: readonly { part: { id: string; count: number }; why: string }[],
  bound: Bound,
  seed: number,
  effort: number,
): NestPlan {
  const unplaced: Unplaced[] = impossible.map(({ part, why }) => ({ part: part.id, count: part.count, why }));
  for (const item of layout.left) {
    for (const { id } of item.parts) {
      const at = unplaced.findIndex(({ part }) => part === id);
      if (at >= 0) unplaced[at] = { ...unplaced[at]!, count: unplaced[at]!.count + 1 };
      else unplaced.push({ part: id, count: 1, why: 'the sheets ran out' });
    }
  }
  const costed = bound.cost !== null;
  const placed = layout.nested();
  return {
    sheets: placed,
    unplaced,
    bound: layout.left.length > 0 ? boundOfSome(bound, placed.length > 0) : bound,
    proved: layout.left.length === 0 && isLeast(score, bound),
    score: { sheets: score[2], cost: costed ? score[1] : null },
    seed,
    effort,
  };
}

/** Where the sheets run out no plan holds all parts: a subset may need a single sheet, and no plan fewer than none. */
function boundOfSome({ sheets: all, cost }: Bound, some: boolean): Bound {
  return {
    sheets: some ? 1 : 0,
    cost: cost === null ? null : 0,
    why: `the sheets run out: all parts need at least ${all}`,
  };
}
