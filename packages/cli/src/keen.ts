/**
 * bin/keen: the core from a shell, on open files. Answers go to standard output as JSON or CSV and
 * nothing else; refusals go to standard error as {"error": {code, message, where, accepted}}, exit 1.
 */
import { readFileSync, writeSync } from 'node:fs';
import {
  answerSum,
  cutListCsv,
  displayUnitOf,
  listSums,
  outcomeOf,
  plan,
  planJson,
  projectSchema,
  readNestProblemText,
  readProjectFile,
  Refusal,
  search,
  writeNestPlan,
  type Outcome,
  type Problem,
  type ProjectFile,
} from '@keen/core';

const USAGE =
  'keen plan FILE | keen cutlist FILE | keen nest PROBLEM [--seconds S] [--seed N] [--effort E] | keen sum NAME key=value … | keen sum list | keen schema';
const MOST_SECONDS = 3600;

/** Runs one command and gives the process's exit code. `started` is when the process began, in ms. */
export function run(args: readonly string[], started: number): number {
  const answer = outcomeOf(() => command(args, started));
  if (answer.ok) {
    print(1, answer.value);
    return 0;
  }
  print(2, `${JSON.stringify({ error: answer.problem satisfies Problem })}\n`);
  return 1;
}

function command([name, ...rest]: readonly string[], started: number): string {
  switch (name) {
    case 'plan':
      return json(withProject(rest, ({ design, record, workshop }) => planJson(plan(design, record, workshop), design)));
    case 'cutlist':
      return withProject(rest, ({ design, record, workshop }) =>
        cutListCsv(plan(design, record, workshop).parts, workshop, ({ unit }) => displayUnitOf(design, unit)),
      );
    case 'nest':
      return json(nest(rest, started));
    case 'sum':
      return json(rest[0] === 'list' && rest.length === 1 ? { sums: listSums() } : answerSum(rest[0] ?? '', rest.slice(1)));
    case 'schema':
      return json(projectSchema());
    default:
      throw new Refusal('usage', name === undefined ? 'no command is given' : `there is no command '${name}'`, 'command', USAGE);
  }
}

function withProject<T>(args: readonly string[], answer: (project: ProjectFile) => T): T {
  const [file, ...more] = args;
  if (file === undefined || more.length > 0) throw new Refusal('usage', 'one file is wanted', 'file', USAGE);
  return answer(unwrap(readProjectFile(readText(file))));
}

function nest(args: readonly string[], started: number): unknown {
  const { file, seconds, seed, effort } = nestArguments(args);
  const problem = unwrap(readNestProblemText(readText(file)));
  const stepper = search(problem, seed);
  // With an effort the clock is left out, so that the plan is the same on every machine.
  if (effort !== null) stepper.step(effort);
  else {
    // A tenth is kept for writing the answer of a large problem.
    const until = started + seconds * 1000 * 0.9;
    while (Date.now() < until && !stepper.step(1));
  }
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

function readText(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    throw new Refusal('file', `'${file}' cannot be read: ${(error as NodeJS.ErrnoException).code ?? 'unknown'}`, file, 'a file that exists and may be read');
  }
}

function unwrap<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  const { code, message, where, accepted } = outcome.problem;
  throw new Refusal(code, message, where, accepted);
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** Writes all of it before the process ends, also into a pipe that is read slowly. */
function print(to: 1 | 2, text: string): void {
  const bytes = Buffer.from(text);
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(to, bytes, at);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EPIPE') return;
      if ((error as NodeJS.ErrnoException).code !== 'EAGAIN') throw error;
    }
  }
}
