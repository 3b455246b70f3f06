/** `keen nest`: reads a problem file, prints a plan. It loads the search alone: start-up time comes off the allowed seconds. */
import { readNestProblemText, Refusal, search, writeNestPlan } from '@keen/core/nesting';
import { answered, json, readText, unwrap } from './shell.ts';
import { USAGE } from './usage.ts';

const MAX_SECONDS = 3600;

/** Runs the command and returns the process's exit code. `started`: start of the process, ms. */
export const runNest = (args: readonly string[], started: number): Promise<number> => answered(() => json(nest(args, started)));

function nest(args: readonly string[], started: number): unknown {
  const { file, seconds, seed, effort } = nestArguments(args);
  const problem = unwrap(readNestProblemText(readText(file)));
  // A tenth is reserved for writing the answer of a large problem. With an effort the clock is ignored, so that the plan is the same on every machine.
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
    const most = arg === '--seconds' ? MAX_SECONDS : 2 ** 31;
    if (!Number.isFinite(value) || value < 0 || value > most || (whole && !Number.isInteger(value)))
      throw new Refusal('value', `'${args[i] ?? ''}' cannot be used here`, arg, `a ${whole ? 'whole ' : ''}number up to ${most}`);
    options[arg as keyof typeof options] = value;
  }
  if (file === undefined) throw new Refusal('usage', 'no problem is given', 'file', USAGE);
  return { file, seconds: options['--seconds'], seed: options['--seed'], effort: options['--effort'] };
}
