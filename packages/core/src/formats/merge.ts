/** Three-way merge of a document, path by path: one-sided changes are taken, equal changes kept, and conflicting ones named. Lists and texts are atomic. */
import type { Json } from './codec.ts';

export interface Merge {
  readonly merged: Json;
  /** Conflicting paths; `merged` has mine there. */
  readonly conflicts: readonly string[];
}

export function merge(base: Json, mine: Json, theirs: Json): Merge {
  const conflicts: string[] = [];
  const merged = at(base, mine, theirs, [], conflicts);
  return { merged: merged === GONE ? null : merged, conflicts };
}

const GONE = Symbol('gone');
type Value = Json | typeof GONE;

function at(base: Value, mine: Value, theirs: Value, path: readonly string[], conflicts: string[]): Value {
  if (same(mine, theirs) || same(theirs, base)) return mine;
  if (same(mine, base)) return theirs;
  if (isRow(mine) && isRow(theirs) && (isRow(base) || base === GONE)) {
    const from = base === GONE ? {} : base;
    const keys = new Set([...Object.keys(from), ...Object.keys(mine), ...Object.keys(theirs)]);
    const entries: [string, Json][] = [];
    for (const key of keys) {
      const value = at(own(from, key), own(mine, key), own(theirs, key), [...path, key], conflicts);
      if (value !== GONE) entries.push([key, value]);
    }
    return Object.fromEntries(entries);
  }
  conflicts.push(path.join('.'));
  return mine;
}

type Row = { readonly [key: string]: Json };
const isRow = (value: Value): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);
const own = (row: Row, key: string): Value => (Object.hasOwn(row, key) ? row[key]! : GONE);

/** Deep equality regardless of key order. */
export const sameJson = (a: Json, b: Json): boolean => same(a, b);

function same(a: Value, b: Value): boolean {
  if (a === b) return true;
  if (a === GONE || b === GONE || typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b))
    return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((each, index) => same(each as Json, b[index] as Json));
  const left = a as Row;
  const right = b as Row;
  const keys = Object.keys(left);
  return keys.length === Object.keys(right).length && keys.every((key) => Object.hasOwn(right, key) && same(left[key]!, right[key]!));
}
