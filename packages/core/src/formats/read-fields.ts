/** Reads fields of a document written by hand or by other programs, with refusals that say what, where, and what would be accepted. */
import { readEntered } from '../length/entered.ts';
import { NM_PER, type Length } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { quote } from './codec.ts';

export function fields(value: unknown, where: string, known: readonly string[]): Readonly<Record<string, unknown>> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'an object');
  const strange = Object.keys(value).find((key) => !known.includes(key));
  if (strange !== undefined) throw new Refusal('unknown-field', `there is no field ${quote(strange)}`, where, known.join(', '));
  return value as Record<string, unknown>;
}

export function rows(value: unknown, where: string): readonly unknown[] {
  if (!Array.isArray(value)) throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'a list');
  return value;
}

export function once(list: readonly { id: string }[], where: string): void {
  const seen = new Set<string>();
  for (const [index, { id }] of list.entries()) {
    if (seen.has(id)) throw new Refusal('twice', `the id ${quote(id)} stands twice`, `${where}[${index}].id`, 'each id once');
    seen.add(id);
  }
}

export function name(value: unknown, where: string, longest = 200): string {
  if (typeof value !== 'string' || value === '' || value.length > longest)
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, `text of 1 to ${longest} characters`);
  return value;
}

export function size(value: unknown, where: string, noughtIsFine = false): Length {
  if (typeof value !== 'string') throw new Refusal('value', `${quote(value)} is no length`, where, 'text with a unit, such as "600mm" or "23 1/2in"');
  const read = readEntered(value, { where });
  if (!read.ok) throw new Refusal(read.problem.code, read.problem.message, where, read.problem.accepted);
  const { nm } = read.value;
  if (nm < 0 || (nm === 0 && !noughtIsFine))
    throw new Refusal(
      'range',
      `${quote(value)} is not ${noughtIsFine ? 'nought or more' : 'more than nought'}`,
      where,
      noughtIsFine ? 'nought or a length' : 'a length over nought',
    );
  if (nm > 100 * NM_PER.m) throw new Refusal('range', `${quote(value)} is too long`, where, 'up to 100 m');
  return nm;
}

export function whole(value: unknown, where: string, least: number): number {
  if (typeof value !== 'number' || !Number.isInteger(value) || value < least || value > 1e6)
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, `a whole number from ${least} to 1000000`);
  return value;
}

export function amount(value: unknown, where: string): number {
  if (typeof value !== 'number' || !Number.isFinite(value) || value < 0 || value > 1e12)
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'a number of nought or more');
  return value;
}

export function flag(value: unknown, where: string): boolean {
  if (typeof value !== 'boolean') throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'true or false');
  return value;
}

export function oneOf<T extends string>(value: unknown, where: string, options: readonly T[]): T {
  if (!options.includes(value as T))
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, options.map((option) => `'${option}'`).join(', '));
  return value as T;
}
