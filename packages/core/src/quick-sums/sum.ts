/** A quick sum: one pure function of the core by name, with its keys, results and working. */
import { Refusal } from '../problem/problem.ts';
import type { ExplainedValue, ValueTerm } from '../explained/explained-value.ts';
import { labelWords } from '../checks/words/labels.ts';
import { ACCEPTED, readQuantity, SHOWN_UNIT, type QuantityKind } from './quantity.ts';

export type AmountRange = 'over-nought' | 'nought-or-more' | 'any';

/** One key of a sum. */
export type SumKey = {
  readonly key: string;
  readonly optional?: boolean;
  readonly default?: string;
  /** Words that stand for the default: 'half', 'middle'. */
  readonly unsetWord?: string;
} &
  /** `max`: upper limit in the unit of its kind; `accepted` describes it. */
  (
    | { readonly kind: QuantityKind; readonly range?: AmountRange; readonly max?: { readonly value: number; readonly accepted: string } }
    | { readonly kind: 'list'; readonly of: QuantityKind; readonly range?: AmountRange }
    | { readonly kind: 'choice'; readonly options: readonly string[] }
    | { readonly kind: 'text' }
  );

export interface SumResult {
  readonly value: number | string | boolean | readonly number[];
  readonly unit?: string;
}

/** Several results under one name: a board with its cuts, a stack with its leaves. */
export type ResultGroup = Readonly<Record<string, SumResult>>;

export interface SumOutput {
  readonly results: Readonly<Record<string, SumResult | ResultGroup | readonly ResultGroup[]>>;
  readonly working: readonly string[];
  readonly cautions: readonly string[];
}

export interface Inputs {
  amount(key: string): number;
  maybe(key: string): number | undefined;
  list(key: string): readonly number[];
  text(key: string): string;
  has(key: string): boolean;
}

export interface Sum {
  readonly name: string;
  readonly keys: readonly SumKey[];
  /** @throws Refusal when values contradict each other */
  run(inputs: Inputs): SumOutput;
}

export interface SumAnswer extends SumOutput {
  readonly sum: string;
  readonly inputs: Readonly<Record<string, SumResult>>;
}

/**
 * Runs a sum on typed `key=value` pairs.
 * @throws Refusal
 */
export function runSum(sum: Sum, pairs: readonly (readonly [string, string])[]): SumAnswer {
  const given = new Map<string, string>();
  for (const [key, value] of pairs) {
    if (!sum.keys.some((row) => row.key === key))
      throw new Refusal('unknown-key', `'${sum.name}' has no key '${key}'`, key, sum.keys.map((row) => row.key).join(', '));
    if (given.has(key)) throw new Refusal('twice', `'${key}' is given twice`, key, 'each key once');
    given.set(key, value);
  }
  const understood: Record<string, SumResult> = {};
  const values = new Map<string, number | string | readonly number[]>();
  for (const row of sum.keys) {
    const asGiven = given.get(row.key);
    const text = asGiven !== undefined && asGiven.trim() === row.unsetWord ? row.default : (asGiven ?? row.default);
    if (text === undefined) {
      if (row.optional) continue;
      throw new Refusal('missing-key', `'${row.key}' is missing`, row.key, acceptedFor(row));
    }
    const value = readKey(row, text);
    values.set(row.key, value);
    understood[row.key] = resultFor(row, value);
  }
  const inputs: Inputs = {
    amount: (key) => values.get(key) as number,
    maybe: (key) => values.get(key) as number | undefined,
    list: (key) => values.get(key) as readonly number[],
    text: (key) => values.get(key) as string,
    has: (key) => values.has(key) && given.has(key),
  };
  const output = sum.run(inputs);
  for (const [name, result] of Object.entries(output.results))
    if (numbersIn(result).some((each) => !Number.isFinite(each)))
      throw new Refusal('range', `${name} comes out without end for these values`, sum.name, 'values a sum can be made of');
  return { sum: sum.name, inputs: understood, ...output };
}

/** Every number of a result, of a group of them or of a list of groups. */
const numbersIn = (result: unknown): number[] =>
  typeof result === 'number' ? [result] : typeof result === 'object' && result !== null ? Object.values(result).flatMap(numbersIn) : [];

function readKey(row: SumKey, text: string): number | string | readonly number[] {
  switch (row.kind) {
    case 'text':
      if (text.trim() === '') throw new Refusal('value', 'nothing is given', row.key, 'text');
      return text;
    case 'choice':
      if (!row.options.includes(text)) throw new Refusal('value', `'${text}' cannot be used here`, row.key, row.options.join(', '));
      return text;
    case 'list':
      return text.split(',').map((each) => inRange(readQuantity(each, row.of, row.key), row.range, row.key, each));
    default: {
      const value = inRange(readQuantity(text, row.kind, row.key), row.range, row.key, text);
      if (row.max && value > row.max.value) throw new Refusal('range', `'${text.trim()}' is more than there is`, row.key, row.max.accepted);
      return value;
    }
  }
}

function inRange(value: number, range: AmountRange = 'over-nought', key: string, text: string): number {
  if ((range === 'over-nought' && value <= 0) || (range === 'nought-or-more' && value < 0)) {
    throw new Refusal('range', `'${text.trim()}' is out of range`, key, range === 'over-nought' ? 'more than nought' : 'nought or more');
  }
  return value;
}

const acceptedFor = (row: SumKey): string =>
  row.kind === 'choice' ? row.options.join(', ') : row.kind === 'text' ? 'text' : row.kind === 'list' ? `a list of ${ACCEPTED[row.of]}` : ACCEPTED[row.kind];

function resultFor(row: SumKey, value: number | string | readonly number[]): SumResult {
  if (row.kind === 'text' || row.kind === 'choice') return { value };
  const unit = SHOWN_UNIT[row.kind === 'list' ? row.of : row.kind];
  return unit === '' ? { value } : { value, unit };
}

/** The working of a value, innermost first: each labeled term, then the formula with its result. */
export function workingOf(figure: ExplainedValue): string[] {
  const inner = figure.terms.flatMap((term) => (term.inner ? workingOf(term.inner) : []));
  const terms = figure.terms.map((term) => `${term.symbol} = ${amount(term)} (${labelWords(term.label)})`).join(', ');
  return [...inner, `${labelWords(figure.label)} = ${figure.text} = ${amount(figure)}; ${terms}; ${figure.source}`];
}

const amount = ({ value, unit }: Pick<ValueTerm, 'value' | 'unit'>): string =>
  `${Number(value.toPrecision(6))}${unit === 'factor' || unit === 'count' || unit === 'share' ? '' : ` ${unit}`}`;
