/**
 * Codecs: each knows how to read a value from untrusted JSON (with a refusal that says what and where), how to write it, and its JSON Schema. Schema,
 * reader and writer share the same rows, so they cannot disagree.
 */
import { readEntered, type Entered } from '../length/entered.ts';
import { tapeTextWithUnit } from '../length/format.ts';
import type { Length } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';

export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };
export type Schema = { readonly [key: string]: Json };

export interface Codec<T> {
  /** @throws Refusal */
  read(value: unknown, where: string): T;
  write(value: T): Json;
  readonly schema: Schema;
}

export type ValueOf<C> = C extends Codec<infer T> ? T : never;

export const quote = (value: unknown): string => {
  const text = typeof value === 'string' ? `'${value}'` : (JSON.stringify(value) ?? String(value));
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
};

const wrong = (value: unknown, where: string, accepted: string): never => {
  throw new Refusal('value', `${quote(value)} cannot be used here`, where, accepted);
};

export function text(most: number, least = 1): Codec<string> {
  const accepted = `text of ${least} to ${most} characters`;
  return {
    read: (value, where) => (typeof value === 'string' && value.trim().length >= least && value.length <= most ? value : wrong(value, where, accepted)),
    write: (value) => value,
    schema: { type: 'string', minLength: least, maxLength: most },
  };
}

export function number(least: number, most: number, whole = false): Codec<number> {
  const accepted = `a ${whole ? 'whole ' : ''}number from ${least} to ${most}`;
  return {
    read: (value, where) =>
      typeof value === 'number' && Number.isFinite(value) && value >= least && value <= most && (!whole || Number.isInteger(value))
        ? value
        : wrong(value, where, accepted),
    write: (value) => value,
    schema: { type: whole ? 'integer' : 'number', minimum: least, maximum: most },
  };
}

export const yesNo: Codec<boolean> = {
  read: (value, where) => (typeof value === 'boolean' ? value : wrong(value, where, 'true or false')),
  write: (value) => value,
  schema: { type: 'boolean' },
};

export function choice<T extends string>(options: readonly T[]): Codec<T> {
  return {
    read: (value, where) => (options.includes(value as T) ? (value as T) : wrong(value, where, `one of ${options.join(', ')}`)),
    write: (value) => value,
    schema: { enum: [...options] },
  };
}

/** A length as text with its unit: '700 mm', '23 1/16 in', '(32 - 2*3/4) in'. */
export function length(least: Length, most: Length): Codec<Entered> {
  return {
    read(value, where) {
      // Text is made on demand: a document has hundreds of lengths.
      const accepted = (): string => `a length with a unit, from ${tapeTextWithUnit(least, 'mm')} to ${tapeTextWithUnit(most, 'mm')}`;
      if (typeof value !== 'string') return wrong(value, where, `${accepted()}, as text`);
      const read = readEntered(value, { where });
      if (!read.ok) throw new Refusal(read.problem.code, read.problem.message, where, read.problem.accepted);
      if (read.value.nm < least || read.value.nm > most) throw new Refusal('range', `${value} is out of range`, where, accepted());
      return read.value;
    },
    write: (value) => value.text,
    schema: {
      type: 'string',
      minLength: 1,
      maxLength: 220,
      description: `a length with its unit, from ${tapeTextWithUnit(least, 'mm')} to ${tapeTextWithUnit(most, 'mm')}`,
    },
  };
}

export const orNull = <T>(inner: Codec<T>): Codec<T | null> => ({
  read: (value, where) => (value === null ? null : inner.read(value, where)),
  write: (value) => (value === null ? null : inner.write(value)),
  schema: { anyOf: [inner.schema, { type: 'null' }] },
});

export const constant = <T extends string | number>(only: T): Codec<T> => ({
  read: (value, where) => (value === only ? only : wrong(value, where, quote(only))),
  write: (value) => value,
  schema: { const: only },
});

type Read<S> = { readonly [K in keyof S]: ValueOf<S[K]> };

type Shape = { readonly [key: string]: Codec<any> };

/** An object with exactly these fields. Unknown fields are refused. */
export const object = <S extends Shape>(shape: S): Codec<Read<S>> => fields(shape, Object.keys(shape)) as unknown as Codec<Read<S>>;

/** An object with these fields, of which those in `optional` may be absent. */
export const objectWith = <S extends Shape, O extends Shape>(shape: S, optional: O): Codec<Read<S> & Partial<Read<O>>> =>
  fields({ ...shape, ...optional }, Object.keys(shape)) as unknown as Codec<Read<S> & Partial<Read<O>>>;

function fields(shape: Shape, required: readonly string[]): Codec<Readonly<Record<string, unknown>>> {
  const keys = Object.keys(shape);
  return {
    read(value, where) {
      const row = plainObject(value, where);
      const strange = Object.keys(row).find((key) => !Object.hasOwn(shape, key));
      if (strange !== undefined) throw new Refusal('unknown-field', `there is no field ${quote(strange)}`, where, keys.join(', '));
      const missing = required.find((key) => !Object.hasOwn(row, key));
      if (missing !== undefined) throw new Refusal('missing-field', `the field '${missing}' is missing`, where, keys.join(', '));
      return Object.fromEntries(keys.filter((key) => Object.hasOwn(row, key)).map((key) => [key, shape[key]!.read(row[key], `${where}.${key}`)]));
    },
    write: (value) => Object.fromEntries(keys.filter((key) => value[key] !== undefined).map((key) => [key, shape[key]!.write(value[key])])),
    schema: {
      type: 'object',
      additionalProperties: false,
      required: [...required],
      properties: Object.fromEntries(keys.map((key) => [key, shape[key]!.schema])),
    },
  };
}

const ID = /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/;
const RESERVED = new Set(['constructor', 'prototype', 'toString', 'valueOf', 'hasOwnProperty']);

const IDS = { pattern: ID, words: 'letters, digits, - and _, at most 64' };
/** Part ids: role and element, with or without their cabinet. */
export const PARTS = { pattern: /^[A-Za-z0-9_:-]+(\/[A-Za-z0-9_:-]+)*$/, words: "a part, such as 'shelf/s1'" };

/** Objects by id. */
export function byId<T>(inner: Codec<T>, most: number, keys: { readonly pattern: RegExp; readonly words: string } = IDS): Codec<Readonly<Record<string, T>>> {
  return {
    read(value, where) {
      const row = plainObject(value, where);
      const names = Object.keys(row);
      if (names.length > most) throw new Refusal('too-many', `there are ${names.length} entries`, where, `at most ${most}`);
      const strange = names.find((key) => !keys.pattern.test(key) || RESERVED.has(key));
      if (strange !== undefined) throw new Refusal('id', `${quote(strange)} is no id`, where, keys.words);
      return Object.fromEntries(names.map((key) => [key, inner.read(row[key], `${where}.${key}`)]));
    },
    write: (value) => Object.fromEntries(Object.entries(value).map(([key, each]) => [key, inner.write(each)])),
    schema: { type: 'object', maxProperties: most, propertyNames: { pattern: keys.pattern.source }, additionalProperties: inner.schema },
  };
}

/** Refuses entries whose id differs from their key. */
export function ownIds(rows: Readonly<Record<string, { readonly id: string }>>, where: string): void {
  for (const [key, { id }] of Object.entries(rows)) if (id !== key) throw new Refusal('id', `'${id}' stands under '${key}'`, `${where}.${key}.id`, `'${key}'`);
}

export function list<T>(inner: Codec<T>, most: number): Codec<readonly T[]> {
  return {
    read(value, where) {
      if (!Array.isArray(value)) return wrong(value, where, 'a list');
      if (value.length > most) throw new Refusal('too-many', `there are ${value.length} entries`, where, `at most ${most}`);
      return value.map((each, index) => inner.read(each, `${where}[${index}]`));
    },
    write: (value) => value.map((each) => inner.write(each)),
    schema: { type: 'array', maxItems: most, items: inner.schema },
  };
}

/** A codec with an extra rule across its fields. */
export const checked = <T>(inner: Codec<T>, check: (value: T, where: string) => void): Codec<T> => ({
  ...inner,
  read(value, where) {
    const read = inner.read(value, where);
    check(read, where);
    return read;
  },
});

function plainObject(value: unknown, where: string): Readonly<Record<string, unknown>> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return wrong(value, where, 'an object');
  return value as Readonly<Record<string, unknown>>;
}
