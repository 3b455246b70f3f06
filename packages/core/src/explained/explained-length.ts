/**
 * An explained length: a length with the named terms that add up to it. The value is computed from these terms, so a sum on the screen cannot disagree with
 * the number above it.
 */
import type { WordKey } from '../checks/words/labels.ts';
import type { Length } from '../length/length.ts';

/** Label of a term: a word key, with the name of its owner where one is needed. */
export interface Label {
  readonly key: WordKey;
  readonly of?: string;
}

/** Where a number comes from, for links from an explanation. */
export type Source =
  | { readonly kind: 'entered'; readonly path: readonly string[] }
  | { readonly kind: 'measured'; readonly product: string; readonly readings: number }
  | { readonly kind: 'nominal'; readonly product: string }
  | { readonly kind: 'table'; readonly name: string; readonly tag: string };

export interface LengthTerm {
  readonly label: Label;
  readonly value: Length;
  /** Multiplicity; negative subtracts. */
  readonly times: number;
  readonly source?: Source;
  /** The sum behind the term, where it is one itself. */
  readonly inner?: ExplainedLength;
}

export interface ExplainedLength {
  readonly value: Length;
  readonly terms: readonly LengthTerm[];
  /** The sum is divided into this many equal lengths, each rounded to the nanometer from the whole. */
  readonly over: number;
}

/** The sum of the terms, divided into `over` equal shares. */
export function explainedLength(terms: readonly LengthTerm[], over = 1): ExplainedLength {
  let total = 0;
  for (const { value, times } of terms) total += value * times;
  return { value: (over === 1 ? total : Math.round(total / over)) as Length, terms, over };
}

type TermExtra = Pick<LengthTerm, 'source' | 'inner'>;

export const plus = (key: WordKey, value: Length, extra: TermExtra & { times?: number; of?: string } = {}): LengthTerm => term(1, key, value, extra);
export const minus = (key: WordKey, value: Length, extra: TermExtra & { times?: number; of?: string } = {}): LengthTerm => term(-1, key, value, extra);

function term(sign: number, key: WordKey, value: Length, { times = 1, of, source, inner }: TermExtra & { times?: number; of?: string }): LengthTerm {
  return {
    label: of === undefined ? { key } : { key, of },
    value,
    times: sign * times,
    ...(source ? { source } : {}),
    ...(inner ? { inner } : {}),
  };
}

/** The same length with more terms. Equal terms are merged. */
export function extend(base: ExplainedLength, terms: readonly LengthTerm[]): ExplainedLength {
  if (terms.length === 0) return base;
  const start = base.over === 1 ? [...base.terms] : [plus('shared', base.value, { inner: base })];
  for (const next of terms) {
    const same = start.findIndex(
      (old) => old.label.key === next.label.key && old.label.of === next.label.of && old.value === next.value && Math.sign(old.times) === Math.sign(next.times),
    );
    if (same >= 0) start[same] = { ...start[same]!, times: start[same]!.times + next.times };
    else start.push(next);
  }
  return explainedLength(start);
}
