/** Plans of problems from published recipes, so many seconds each, over the lower bounds of their own: 1 would be proved best. */
import { search, type NestProblem } from '../packages/core/src/index.ts';
import { sheetsByLibrary } from './packing-libraries.ts';
import { classic, cutUp, dice, SHOP_KINDS, shopJob, workshop } from './nest-instances.ts';

export interface NestFigure {
  readonly what: string;
  readonly ratio: number;
  readonly wanted: string;
  /** The same ratio of the library that takes the fewest sheets in all; null where none can do such problems. */
  readonly library: number | null;
  /** Problems on which some library takes fewer sheets. */
  readonly beaten: number;
}

function solved(problem: NestProblem, seconds: number): readonly [score: number, bound: number] {
  const stepper = search(problem);
  const until = performance.now() + seconds * 1000;
  while (performance.now() < until && !stepper.step(1));
  const { score, bound } = stepper.plan();
  return score.cost === null ? [score.sheets, bound.sheets] : [score.cost, bound.cost!];
}

/** A new one with every release: nothing is tuned on it. */
const SEED = 20_261_201;
const PIECES = [30, 60, 120, 300, 600];

export function benchNests(seconds: number): NestFigure[] {
  const roll = dice(SEED);
  const many = (count: number, make: (n: number) => NestProblem): NestProblem[] => Array.from({ length: count }, (_, n) => make(n));
  const SIZES = [20, 40, 60, 80, 100];
  /** Each class in each size, oriented and turnable. */
  const recipe = many(100, (n) => classic(1 + Math.floor(n / 10), SIZES[n % 5]!, roll, { turn: n % 10 >= 5, cuts: 'guillotine' }));
  const figure = (what: string, wanted: string, problems: readonly NestProblem[], comparable = true): NestFigure => {
    let [score, bound, beaten] = [0, 0, 0];
    const totals = new Map<string, number>();
    for (const problem of problems) {
      const [own, least] = solved(problem, seconds);
      score += own;
      bound += least;
      if (!comparable) continue;
      const others = sheetsByLibrary(problem);
      for (const { name, sheets } of others) totals.set(name, (totals.get(name) ?? 0) + sheets);
      if (others.some(({ sheets }) => sheets < own)) beaten++;
    }
    return { what, wanted, ratio: score / bound, library: comparable ? Math.min(...totals.values()) / bound : null, beaten };
  };
  return [
    figure('the ten classic classes, 20 to 100 parts, oriented and turnable, guillotine', '1.016', recipe),
    figure(
      'the same, free',
      '1.014',
      recipe.map((problem): NestProblem => ({ ...problem, cuts: 'free' })),
    ),
    figure(
      'known optimum, no waste at all',
      '1.14',
      many(48, (n) => cutUp(2 + (n % 4), 0, roll)),
    ),
    figure(
      'known optimum, a hundredth of slack each way',
      '1.02',
      many(48, (n) => cutUp(2 + (n % 4), 0.01, roll)),
    ),
    figure(
      'workshop jobs of many alike, 30 to 600 pieces, one stock size',
      '1.03',
      PIECES.flatMap((pieces) => SHOP_KINDS.map((kind) => shopJob(kind, pieces, false, roll))),
    ),
    figure(
      'the same, several sizes with costs and offcuts',
      '1.05',
      PIECES.flatMap((pieces) => SHOP_KINDS.map((kind) => shopJob(kind, pieces, true, roll))),
      false,
    ),
    figure(
      'workshop jobs of few alike, one stock size',
      '1.05',
      many(32, (n) => workshop(3 + 2 * (n % 8), false, roll)),
    ),
    figure(
      'workshop jobs of few alike, several sizes with costs and offcuts',
      '1.08',
      many(32, (n) => workshop(3 + 2 * (n % 8), true, roll)),
      false,
    ),
  ];
}

export interface SizeFigure {
  readonly parts: number;
  readonly firstMs: number;
  readonly settledMs: number;
  readonly heapMb: number;
}

/** Time to the first answer and until no better one comes within the time, by the number of parts. */
export function benchSizes(seconds: number): SizeFigure[] {
  const roll = dice(42);
  return [3, 10, 30, 60, 90].map((cabinets) => {
    const problem = workshop(cabinets, false, roll);
    const parts = problem.parts.reduce((sum, { count }) => sum + count, 0);
    const began = performance.now();
    const stepper = search(problem);
    let best = stepper.plan().score.sheets;
    const firstMs = performance.now() - began;
    let settledMs = firstMs;
    while (performance.now() - began < seconds * 1000 && !stepper.step(1)) {
      const { sheets } = stepper.plan().score;
      if (sheets < best) {
        best = sheets;
        settledMs = performance.now() - began;
      }
    }
    return { parts, firstMs, settledMs, heapMb: process.memoryUsage().heapUsed / 1e6 };
  });
}
