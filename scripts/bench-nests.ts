/** Plans of problems from published recipes, so many seconds each, over the lower bounds of their own: 1 would be proved best. */
import { search, type NestProblem } from '../packages/core/src/index.ts';
import { classic, cutUp, dice, workshop } from './nest-instances.ts';

export interface NestFigure {
  readonly what: string;
  readonly ratio: number;
  readonly wanted: string;
}

function solved(problem: NestProblem, seconds: number): readonly [score: number, bound: number] {
  const stepper = search(problem);
  const until = performance.now() + seconds * 1000;
  while (performance.now() < until && !stepper.step(1));
  const { score, bound } = stepper.plan();
  return score.cost === null ? [score.sheets, bound.sheets] : [score.cost, bound.cost!];
}

export function benchNests(seconds: number): NestFigure[] {
  const roll = dice(20_260_301);
  const many = (count: number, make: (n: number) => NestProblem): NestProblem[] => Array.from({ length: count }, (_, n) => make(n));
  const SIZES = [20, 60, 100];
  const figure = (what: string, wanted: string, problems: readonly NestProblem[]): NestFigure => {
    const sums = problems.map((problem) => solved(problem, seconds)).reduce(([a, b], [c, d]) => [a + c, b + d], [0, 0]);
    return { what, wanted, ratio: sums[0] / sums[1] };
  };
  return [
    figure(
      'the ten classic classes, guillotine, 20 to 100 parts, a third of them turnable',
      '1.016',
      many(30, (n) => classic(1 + Math.floor(n / 3), SIZES[n % 3]!, roll, { turn: n % 3 === 1, cuts: 'guillotine' })),
    ),
    figure(
      'known optimum, no waste at all',
      '1.14',
      many(12, (n) => cutUp(2 + (n % 4), 0, roll)),
    ),
    figure(
      'known optimum, a hundredth of slack each way',
      '1.02',
      many(12, (n) => cutUp(2 + (n % 4), 0.01, roll)),
    ),
    figure(
      'workshop jobs, one stock size',
      '1.05',
      many(8, (n) => workshop(3 + 2 * n, false, roll)),
    ),
    figure(
      'workshop jobs, several sizes with costs and offcuts',
      '1.08',
      many(8, (n) => workshop(3 + 2 * n, true, roll)),
    ),
  ];
}
