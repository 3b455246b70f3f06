/**
 * A number that is no length (a force, a mass, a share) with the formula and the terms that made it.
 * A formula is a row: its letters, its source and one function of its named terms. A Figure is plain
 * data, made by apply(): its value can only be what the formula gives for the terms on show.
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
  /** Where the formula comes from; the tag is explained in docs/formulas. */
  readonly source: string;
  readonly terms: readonly ValueTerm[];
}

export interface Formula<K extends string, L extends WordKey = WordKey> {
  readonly label: L;
  readonly unit: ValueUnit;
  readonly text: string;
  readonly source: string;
  /** The terms in the order they are shown, with their units. */
  readonly terms: { readonly [P in K]: ValueUnit };
  readonly compute: (terms: { readonly [P in K]: number }) => number;
}

export type TermValue =
  number | ExplainedValue | { readonly value: number; readonly label?: Label; readonly source?: Source; readonly length?: ExplainedLength };

/** A term without words of its own is an error of types at the formula that has it. */
type Named<L extends string, K extends string> = `${L}.${K}` extends WordKey ? unknown : { readonly missingWords: Exclude<`${L}.${K}`, WordKey> };

/** Declares a formula; K and L are read off its terms and its label. */
export const formula = <K extends string, L extends WordKey>(row: Formula<K, L> & Named<L, K>): Formula<K, L> => row;

interface TermSlot<K> {
  readonly symbol: K;
  readonly unit: ValueUnit;
  readonly label: Label;
}

/** A formula's terms in order, made once: apply() runs thousands of times for each keystroke. */
const slots = new WeakMap<object, readonly TermSlot<string>[]>();

function slotsOf<K extends string>(row: Formula<K>): readonly TermSlot<K>[] {
  let known = slots.get(row) as readonly TermSlot<K>[] | undefined;
  if (!known) {
    known = (Object.keys(row.terms) as K[]).map((symbol) => ({ symbol, unit: row.terms[symbol], label: { key: `${row.label}.${symbol}` as WordKey } }));
    slots.set(row, known);
  }
  return known;
}

/** Computes a formula for its terms and keeps both. */
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

/** The greatest of several figures, keeping all of them on show. */
export function greatest(key: WordKey, unit: ValueUnit, parts: readonly ValueTerm[], source = '[eq]'): ExplainedValue {
  return { value: Math.max(...parts.map(({ value }) => value)), unit, label: { key }, text: 'the greatest of', source, terms: parts };
}

/** The least of several figures, keeping all of them on show. */
export function least(key: WordKey, unit: ValueUnit, parts: readonly ValueTerm[], source = '[eq]'): ExplainedValue {
  return { value: Math.min(...parts.map(({ value }) => value)), unit, label: { key }, text: 'the least of', source, terms: parts };
}

/** A figure as a term of another. */
export const termOf = (figure: ExplainedValue, symbol = '', label: Label = figure.label): ValueTerm => ({
  symbol,
  label,
  value: figure.value,
  unit: figure.unit,
  inner: figure,
});
