/**
 * bin/keen: the core from a shell, on open files. Answers go to standard output as JSON, CSV or the file that was asked for and
 * nothing else; refusals go to standard error as {"error": {code, message, where, accepted}}, exit 1.
 */
import {
  answerSum,
  createPlanner,
  cutListCsv,
  displayUnitOf,
  hangHelps,
  listSums,
  plan,
  planJson,
  projectSchema,
  readNestProblemText,
  Refusal,
  search,
  writeNestPlan,
  type Problem,
  type ProjectFile,
} from '@keen/core';
import { print, readProjectAt, readText, unwrap } from './files.ts';
import { importFile } from './import-file.ts';
import { convertFile, validateFile } from './open-files.ts';
import { USAGE } from './usage.ts';

const MOST_SECONDS = 3600;

/** Runs one command and gives the process's exit code. `started` is when the process began, in ms. */
export async function run(args: readonly string[], started: number): Promise<number> {
  try {
    print(1, await command(args, started));
    return 0;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    print(2, `${JSON.stringify({ error: error.problem satisfies Problem })}\n`);
    return 1;
  }
}

function command([name, ...rest]: readonly string[], started: number): string | Uint8Array | Promise<string | Uint8Array> {
  switch (name) {
    case 'plan':
      return withProject(rest, ({ design, record, workshop }) => {
        const planner = createPlanner();
        const made = planner.plan(design, record, workshop);
        return json(planJson(made, design, (unit) => hangHelps({ planner, design, record, workshop }, unit)));
      });
    case 'cutlist':
      return withProject(rest, ({ design, record, workshop }) =>
        cutListCsv(plan(design, record, workshop).parts, workshop, ({ unit }) => displayUnitOf(design, unit)),
      );
    case 'export':
      // What writes other programs' files is read in only where it is asked for.
      return import('./export-file.ts').then(({ exportFile }) => exportFile(rest));
    case 'print':
      return import('./print-file.ts').then(({ printFile }) => printFile(rest));
    case 'validate':
      return validateFile(rest);
    case 'convert':
      return convertFile(rest);
    case 'import':
      return importFile(rest);
    case 'nest':
      return json(nest(rest, started));
    case 'sum':
      return json(rest[0] === 'list' && rest.length === 1 ? { sums: listSums() } : answerSum(rest[0] ?? '', rest.slice(1)));
    case 'schema':
      return json(projectSchema());
    case 'help':
    case '--help':
    case '-h':
      return `${USAGE.split(' | ').join('\n')}\n`;
    default:
      throw new Refusal('usage', name === undefined ? 'no command is given' : `there is no command '${name}'`, 'command', USAGE);
  }
}

async function withProject<T>(args: readonly string[], answer: (project: ProjectFile) => T): Promise<T> {
  const [file, ...more] = args;
  if (file === undefined || more.length > 0) throw new Refusal('usage', 'one file is wanted', 'file', USAGE);
  return answer(await readProjectAt(file));
}

function nest(args: readonly string[], started: number): unknown {
  const { file, seconds, seed, effort } = nestArguments(args);
  const problem = unwrap(readNestProblemText(readText(file)));
  // A tenth is kept for writing the answer of a large problem. With an effort the clock is left out, so that the plan is the same on every machine.
  const until = effort === null ? started + seconds * 1000 * 0.9 : Infinity;
  const stepper = search(problem, seed, () => Date.now() >= until);
  if (effort !== null) stepper.step(effort);
  else while (Date.now() < until && !stepper.step(1));
  const found = stepper.plan();
  return writeNestPlan(found, (Date.now() - started) / 1000);
}

interface NestArguments {
  readonly file: string;
  readonly seconds: number;
  readonly seed: number;
  readonly effort: number | null;
}

function nestArguments(args: readonly string[]): NestArguments {
  let file: string | undefined;
  const options = { '--seconds': 1, '--seed': 1, '--effort': null as number | null };
  for (let i = 0; i < args.length; i++) {
    const arg = args[i]!;
    if (!arg.startsWith('--')) {
      if (file !== undefined) throw new Refusal('usage', 'one problem is wanted', arg, USAGE);
      file = arg;
      continue;
    }
    if (!Object.hasOwn(options, arg)) throw new Refusal('usage', `there is no option '${arg}'`, arg, USAGE);
    const value = Number(args[++i]);
    const whole = arg !== '--seconds';
    const most = arg === '--seconds' ? MOST_SECONDS : 2 ** 31;
    if (!Number.isFinite(value) || value < 0 || value > most || (whole && !Number.isInteger(value)))
      throw new Refusal('value', `'${args[i] ?? ''}' cannot be used here`, arg, `a ${whole ? 'whole ' : ''}number up to ${most}`);
    options[arg as keyof typeof options] = value;
  }
  if (file === undefined) throw new Refusal('usage', 'no problem is given', 'file', USAGE);
  return { file, seconds: options['--seconds'], seed: options['--seed'], effort: options['--effort'] };
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
