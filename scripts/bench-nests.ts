/**
 * Plans of problems from published recipes over the lower bounds of their own (1 would be proved best), by the whole command as it ships, two
 * at a time on two cores, each plan gone through by the independent check. Seeds are new with every release: nothing is tuned on them.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { auditPlan, readNestPlan, readNestProblem, search, writeNestProblem, type NestPlan, type NestProblem } from '../packages/core/src/index.ts';
import { greatestBound } from '../packages/core/src/nesting/bound.ts';
import { itemsOf } from '../packages/core/src/nesting/pieces.ts';
import { sheetsByLibrary } from './packing-libraries.ts';
import { classic, cutUp, dice, LEVELS, partedSheets, SHOP_KINDS, shopJob, workshop, type Level } from './nest-instances.ts';

export const SEED = 20_261_204;
const PIECES = [30, 60, 120, 300, 600];
const SIZES = [20, 40, 60, 80, 100];

interface Group {
  readonly what: string;
  readonly wanted: string;
  readonly problems: readonly NestProblem[];
}

const many = (count: number, make: (n: number) => NestProblem): NestProblem[] => Array.from({ length: count }, (_, n) => make(n));

function groups(): Group[] {
  const roll = dice(SEED);
  /** Each class in each size, oriented and turnable. */
  const recipe = many(100, (n) => classic(1 + Math.floor(n / 10), SIZES[n % 5]!, roll, { turn: n % 10 >= 5, cuts: 'guillotine' }));
  const free = (problem: NestProblem): NestProblem => ({ ...problem, cuts: 'free' });
  const levels = Object.keys(LEVELS) as Level[];
  const shop = (several: boolean): NestProblem[] =>
    PIECES.flatMap((pieces, n) =>
      SHOP_KINDS.map((kind) => shopJob(kind, pieces, several, roll)).map((problem, k) => ((n + k) % 2 === 0 ? problem : free(problem))),
    );
  return [
    { what: 'the ten classic classes, 20 to 100 parts, oriented and turnable, guillotine', wanted: '1.014', problems: recipe },
    { what: 'the same, free', wanted: '1.014', problems: recipe.map(free) },
    {
      what: 'sheets parted to the last corner, 3 to 8 of them, a third each of 5, 10 and 23 pieces a sheet, guillotine and free',
      wanted: '1.08',
      problems: many(36, (n) => partedSheets(3 + (n % 6), levels[n % 3]!, n % 4 < 2 ? 'guillotine' : 'free', roll)),
    },
    { what: 'known optimum, a hundredth of slack each way', wanted: '1.01', problems: many(24, (n) => cutUp(2 + (n % 4), 0.01, roll)) },
    { what: 'workshop jobs of many alike, 30 to 600 pieces, one stock size', wanted: '1.03', problems: shop(false) },
    { what: 'the same, several sizes with costs and offcuts', wanted: '1.05', problems: shop(true) },
    { what: 'workshop jobs of few alike, one stock size', wanted: '1.03', problems: many(16, (n) => workshop(3 + 4 * (n % 8), false, roll)) },
    { what: 'the same, several sizes with costs and offcuts', wanted: '1.05', problems: many(16, (n) => workshop(3 + 4 * (n % 8), true, roll)) },
  ];
}

interface Solved {
  readonly score: number;
  readonly bound: number;
  readonly proved: boolean;
  readonly wrong: readonly string[];
}

/** Runs `keen nest` on each problem, two at a time. */
async function solved(root: string, problems: readonly NestProblem[], seconds: number): Promise<Solved[]> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-nest-'));
  const found = new Array<Solved>(problems.length);
  let next = 0;
  const one = async (): Promise<void> => {
    while (next < problems.length) {
      const index = next++;
      const problem = problems[index]!;
      const file = join(folder, `${index}.json`);
      writeFileSync(file, JSON.stringify(writeNestProblem(problem)));
      const plan = readNestPlan(JSON.parse(await printed(`${root}packages/cli/dist/keen.js`, ['nest', file, '--seconds', String(seconds)])));
      found[index] = judged(problem, plan);
    }
  };
  await Promise.all([one(), one()]);
  rmSync(folder, { recursive: true });
  return found;
}

const printed = (script: string, args: readonly string[]): Promise<string> =>
  new Promise((done, failed) => {
    let text = '';
    const command = spawn(process.execPath, [script, ...args], { stdio: ['ignore', 'pipe', 'inherit'] });
    command.stdout.on('data', (bytes: Buffer) => (text += bytes.toString()));
    command.once('close', (code) => (code === 0 ? done(text) : failed(new Error(`keen ${args.join(' ')} ended with ${String(code)}`))));
  });

/** Scores of costed jobs are in first sheets, so that a dear sheet weighs no more than another. */
function judged(problem: NestProblem, plan: NestPlan): Solved {
  const { impossible } = itemsOf(problem);
  const bound = greatestBound(
    problem,
    problem.parts.filter((part) => !impossible.some((row) => row.part === part)),
  );
  const [score, least] = plan.score.cost === null ? [plan.score.sheets, bound.sheets] : [plan.score.cost, bound.cost!];
  const each = plan.score.cost === null ? 1 : problem.sheets[0]!.cost!;
  return { score: score / each, bound: least / each, proved: score <= least + 1e-9, wrong: auditPlan(problem, plan) };
}

export interface NestFigure {
  readonly what: string;
  readonly wanted: string;
  readonly ratio: number;
  readonly proved: number;
  readonly problems: number;
  /** Of the best library on each problem that one of them solves; null where none can do such problems. */
  readonly library: number | null;
  /** Problems on which some library takes fewer sheets. */
  readonly beaten: number;
  readonly wrong: number;
}

function figure(group: Pick<Group, 'what' | 'wanted' | 'problems'>, found: readonly Solved[]): NestFigure {
  const { what, wanted, problems } = group;
  const sum = (of: (each: Solved) => number): number => found.reduce((total, each) => total + of(each), 0);
  const bound = sum((each) => each.bound);
  const comparable = problems.every(({ sheets }) => sheets.length === 1);
  let [best, bestBound, beaten] = [0, 0, 0];
  problems.forEach((problem, index) => {
    if (!comparable) return;
    const fewest = Math.min(...sheetsByLibrary(problem).map(({ sheets }) => sheets));
    // No layout of theirs that can be cut.
    if (fewest === Infinity) return;
    best += fewest;
    bestBound += found[index]!.bound;
    if (fewest < found[index]!.score) beaten++;
  });
  return {
    what,
    wanted,
    ratio: sum(({ score }) => score) / bound,
    proved: sum(({ proved }) => Number(proved)),
    problems: problems.length,
    library: comparable ? best / bestBound : null,
    beaten,
    wrong: sum(({ wrong }) => Number(wrong.length > 0)),
  };
}

/** Each group at one second, and all together. */
export async function benchNests(root: string): Promise<NestFigure[]> {
  const figures: NestFigure[] = [];
  let all: { problems: NestProblem[]; found: Solved[] } = { problems: [], found: [] };
  for (const group of groups()) {
    const found = await solved(root, group.problems, 1);
    figures.push(figure(group, found));
    all = { problems: [...all.problems, ...group.problems], found: [...all.found, ...found] };
  }
  return [...figures, figure({ what: 'all of them together', wanted: '1.025', problems: all.problems }, all.found)];
}

/** Every so many problems of each group at other times: what more time is worth. */
const EVERY = 7;
export const OTHER_SECONDS = [0.3, 1, 3, 10] as const;

export async function benchSeconds(root: string): Promise<{ readonly seconds: number; readonly problems: number; readonly ratio: number }[]> {
  const some = groups().flatMap(({ problems }) => problems.filter((_, n) => n % EVERY === 0));
  const rows = [];
  for (const seconds of OTHER_SECONDS) {
    const found = await solved(root, some, seconds);
    const sum = (of: (each: Solved) => number): number => found.reduce((total, each) => total + of(each), 0);
    rows.push({ seconds, problems: some.length, ratio: sum(({ score }) => score) / sum(({ bound }) => bound) });
  }
  return rows;
}

interface Sample {
  readonly name: string;
  /** In sheets, or in first sheets by cost: area, Martello and Vigo, dual feasible functions. */
  readonly bound: number;
  readonly known: number | null;
  /** A plain ruin-and-refill search of 3 s: a mark to beat. */
  readonly plain: number;
  readonly problem: unknown;
}

export interface SampleFigure {
  readonly what: string;
  readonly problems: number;
  readonly ratio: number;
  readonly plain: number;
  readonly wrong: number;
}

/** The sample problems of scripts/nest-samples.json at one second: the larger ones of each recipe. */
export async function benchSamples(root: string): Promise<SampleFigure[]> {
  const samples = JSON.parse(readFileSync(`${root}scripts/nest-samples.json`, 'utf8')) as Sample[];
  const found = await solved(
    root,
    samples.map(({ problem }) => readNestProblem(problem)),
    1,
  );
  const kindOf = ({ name }: Sample): string => /^workshop-[a-z]+|^[a-z]+/.exec(name)![0];
  const row = (what: string, indexes: readonly number[]): SampleFigure => {
    const sum = (of: (index: number) => number): number => indexes.reduce((total, index) => total + of(index), 0);
    const bound = sum((index) => samples[index]!.bound);
    return {
      what,
      problems: indexes.length,
      ratio: sum((index) => found[index]!.score) / bound,
      plain: sum((index) => samples[index]!.plain) / bound,
      wrong: sum((index) => Number(found[index]!.wrong.length > 0)),
    };
  };
  const indexes = samples.map((_, index) => index);
  return [...new Set(samples.map(kindOf))]
    .map((kind) =>
      row(
        kind,
        indexes.filter((index) => kindOf(samples[index]!) === kind),
      ),
    )
    .concat(row('all', indexes));
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
