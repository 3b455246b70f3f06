/** All quick sums by name. A new one goes into one of the lists. */
import { Refusal } from '../problem/problem.ts';
import { citationWords } from '../checks/words/citations.ts';
import { BOX_SUMS } from './box-sums.ts';
import { CLEAT_SUMS } from './cleat-sums.ts';
import { FRONT_SUMS } from './front-sums.ts';
import { MAKING_SUMS } from './making-sums.ts';
import { ROW_SUMS } from './row-sums.ts';
import { SCREW_SUMS } from './screw-sums.ts';
import { STOCK_SUMS } from './stock-sums.ts';
import { runSum, type Sum, type SumAnswer } from './sum.ts';

export const SUMS: readonly Sum[] = [...BOX_SUMS, ...ROW_SUMS, ...MAKING_SUMS, ...FRONT_SUMS, ...STOCK_SUMS, ...SCREW_SUMS, ...CLEAT_SUMS];

export const listSums = (): { name: string; keys: string[] }[] =>
  SUMS.map(({ name, keys }) => ({ name, keys: keys.map(({ key, default: start }) => (start === undefined ? key : `${key}=${start}`)) }));

/**
 * Answers `NAME key=value …`.
 * @throws Refusal
 */
export function answerSum(name: string, args: readonly string[]): SumAnswer {
  const sum = SUMS.find((row) => row.name === name);
  if (!sum) throw new Refusal('unknown-sum', `there is no sum '${name}'`, 'sum', SUMS.map((row) => row.name).join(', '));
  const pairs = args.map((arg): [string, string] => {
    const at = arg.indexOf('=');
    if (at <= 0) throw new Refusal('value', `'${arg}' is no key=value`, arg, 'key=value');
    return [arg.slice(0, at), arg.slice(at + 1)];
  });
  const answer = runSum(sum, pairs);
  return { ...answer, working: answer.working.map(citationWords) };
}
