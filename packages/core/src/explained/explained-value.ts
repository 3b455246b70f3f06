/**
 * An explained value: a number other than a length (a force, a mass, a share) with its formula and terms. A formula is a row: its text, its source and one
 * function of its named terms. An ExplainedValue is plain data, made by evaluate(): its value is always what the formula gives for its terms.
 */
import type { WordKey } from '../checks/words/labels.ts';
import type { ExplainedLength, Label, Source } from './explained-length.ts';

export type ValueUnit =
  | 'N'
  | 'N mm'
  | 'N/mm'
  | 'MPa'
  | 'mm'
  | 'mm2'
  | 'mm4'
  | 'kg'
  | 'kg/m3'
  | 'kg/m2'
  | 'share'
  | 'deg'
  | 'count'
  | 'money'
  | 'factor'
  | 'N mm2'
  | 'kg mm'
  | 'm2'
  | 'min'
  | 'l'
  | 'degC'
  | 'm3';

export interface ValueTerm {
  readonly symbol: string;
  readonly label: Label;
  readonly value: number;
  readonly unit: ValueUnit;
  readonly source?: Source;
  readonly inner?: ExplainedValue;
  readonly length?: ExplainedLength;
}

export interface ExplainedValue {
  readonly value: number;
  readonly unit: ValueUnit;
  readonly label: Label;
  /** The formula in its source's letters. */
  readonly text: string;
  /** Where the formula comes from; docs/formulas explains the tag. */
  readonly source: string;
  readonly terms: readonly ValueTerm[];
}

export interface Formula<K extends string, L extends WordKey = WordKey> {
  readonly label: L;
  readonly unit: ValueUnit;
  readonly text: string;
  readonly source: string;
  /** The terms in display order, with their units. */
  readonly terms: { readonly [P in K]: ValueUnit };
  readonly compute: (terms: { readonly [P in K]: number }) => number;
}

export type TermValue =
  number | ExplainedValue | { readonly value: number; readonly label?: Label; readonly source?: Source; readonly length?: ExplainedLength };

/** A term without a label is a type error at its formula. */
type Named<L extends string, K extends string> = `${L}.${K}` extends WordKey ? unknown : { readonly missingWords: Exclude<`${L}.${K}`, WordKey> };

/** Declares a formula; K and L are inferred from its terms and its label. */
export const formula = <K extends string, L extends WordKey>(row: Formula<K, L> & Named<L, K>): Formula<K, L> => row;

interface TermSlot<K> {
  readonly symbol: K;
  readonly unit: ValueUnit;
  readonly label: Label;
}

/** The terms of a formula in order, memoized: evaluate() runs thousands of times per keystroke. */
const slots = new WeakMap<object, readonly TermSlot<string>[]>();

function slotsOf<K extends string>(row: Formula<K>): readonly TermSlot<K>[] {
  let known = slots.get(row) as readonly TermSlot<K>[] | undefined;
  if (!known) {
    known = (Object.keys(row.terms) as K[]).map((symbol) => ({ symbol, unit: row.terms[symbol], label: { key: `${row.label}.${symbol}` as WordKey } }));
    slots.set(row, known);
  }
  return known;
}

/** Evaluates a formula and keeps its terms. */
export function evaluate<K extends string>(row: Formula<K>, terms: { readonly [P in K]: TermValue }, label?: Label): ExplainedValue {
  const values = {} as { [P in K]: number };
  const shown: ValueTerm[] = [];
  for (const { symbol, unit, label: own } of slotsOf(row)) {
    const given: TermValue = terms[symbol];
    if (typeof given === 'number') {
      values[symbol] = given;
      shown.push({ symbol, value: given, unit, label: own });
    } else {
      values[symbol] = given.value;
      shown.push('terms' in given ? { symbol, value: given.value, unit, label: given.label, inner: given } : describe(symbol, unit, own, given));
    }
  }
  return { value: row.compute(values), unit: row.unit, label: label ?? { key: row.label }, text: row.text, source: row.source, terms: shown };
}

function describe(symbol: string, unit: ValueUnit, own: Label, { value, label, source, length }: Exclude<TermValue, number | ExplainedValue>): ValueTerm {
  return { symbol, value, unit, label: label ?? own, ...(source ? { source } : {}), ...(length ? { length } : {}) };
}

/** A sum of many values of one unit: loads on a shelf, masses of parts. */
export function total(key: WordKey, unit: ValueUnit, parts: readonly ValueTerm[], source = '[eq]'): ExplainedValue {
  return { value: parts.reduce((sum, part) => sum + part.value, 0), unit, label: { key }, text: 'sum of all', source, terms: parts };
}

/** The greatest of several values, with all of them as terms. */
export function greatest(key: WordKey, unit: ValueUnit, parts: readonly ValueTerm[], source = '[eq]'): ExplainedValue {
  return { value: Math.max(...parts.map(({ value }) => value)), unit, label: { key }, text: 'the greatest of', source, terms: parts };
}

/** The least of several values, with all of them as terms. */
export function least(key: WordKey, unit: ValueUnit, parts: readonly ValueTerm[], source = '[eq]'): ExplainedValue {
  return { value: Math.min(...parts.map(({ value }) => value)), unit, label: { key }, text: 'the least of', source, terms: parts };
}

/** A value as a term of another. */
export const termOf = (figure: ExplainedValue, symbol = '', label: Label = figure.label): ValueTerm => ({
  symbol,
  label,
  value: figure.value,
  unit: figure.unit,
  inner: figure,
});
