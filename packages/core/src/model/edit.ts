/** Edits as data: fields, drags, fixes and undo all use them. */
import type { Design } from './design.ts';

/** Sets the value at a path of the design; `undefined` removes the key. */
export interface EditStep {
  readonly path: readonly string[];
  readonly value: unknown;
}

export type Edit = readonly EditStep[];

/**
 * The design with the edit applied; untouched branches keep their identity.
 * @throws RangeError on a path that does not exist
 */
export function applyEdit(design: Design, edit: Edit): Design {
  return edit.reduce<Design>((current, { path, value }) => setAt(current, path, value) as Design, design);
}

const FORBIDDEN = new Set(['__proto__', 'prototype', 'constructor']);

function setAt(node: unknown, path: readonly string[], value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (typeof node !== 'object' || node === null || FORBIDDEN.has(key)) throw new RangeError(`there is nothing to set at '${path.join('.')}'`);
  const record = node as Readonly<Record<string, unknown>>;
  if (rest.length > 0 && !Object.hasOwn(record, key)) throw new RangeError(`there is no '${key}' to set '${rest.join('.')}' in`);
  if (rest.length === 0 && value === undefined) {
    const { [key]: _gone, ...others } = record;
    return others;
  }
  const next = setAt(record[key], rest, value);
  return next === record[key] ? node : { ...record, [key]: next };
}

/** The value at a path of the design; undefined where the path does not exist. */
export const valueAt = (design: Design, path: readonly string[]): unknown =>
  path.reduce<unknown>(
    (node, key) => (typeof node === 'object' && node !== null && Object.hasOwn(node, key) ? (node as Record<string, unknown>)[key] : undefined),
    design,
  );
