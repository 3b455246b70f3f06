/** Reads a nesting problem and writes its plan. The form is docs/nesting.md. */
import { readEntered } from '../length/entered.ts';
import { NM_PER, type Length } from '../length/length.ts';
import { bedsOf } from '../nest/pieces.ts';
import type { CutTree, FirstCut, NestPart, NestPlan, NestProblem, NestSheet, Rect } from '../nest/problem.ts';
import { outcomeOf, Refusal, type Outcome } from '../problem/problem.ts';
import { quote, type Json } from './codec.ts';
import { readJsonText } from './json-text.ts';

export const MOST_PIECES = 20_000;

export const readNestProblemText = (text: string): Outcome<NestProblem> => outcomeOf(() => readNestProblem(readJsonText(text, 'problem')));

/** Throws a Refusal on anything that is not a sound problem. */
export function readNestProblem(value: unknown): NestProblem {
  const row = fields(value, 'problem', ['kerf', 'trim', 'cuts', 'first', 'sheets', 'parts']);
  const kerf = row['kerf'] === undefined ? (0 as Length) : size(row['kerf'], 'kerf', true);
  const trim = row['trim'] === undefined ? (0 as Length) : size(row['trim'], 'trim', true);
  const cuts = row['cuts'] === undefined ? 'guillotine' : oneOf(row['cuts'], 'cuts', ['guillotine', 'free'] as const);
  const sheets = rows(row['sheets'], 'sheets').map((each, index) => readSheet(each, `sheets[${index}]`));
  const parts = rows(row['parts'], 'parts').map((each, index) => readPart(each, `parts[${index}]`));
  if (sheets.length === 0) throw new Refusal('no-sheets', 'there is no sheet to cut', 'sheets', 'at least one sheet');
  once(sheets, 'sheets');
  once(parts, 'parts');
  const costed = sheets.filter(({ cost }) => cost !== null).length;
  if (costed !== 0 && costed !== sheets.length)
    throw new Refusal('cost', 'some sheets have a cost and others have none', 'sheets', 'a cost on every sheet, or on none');
  const pieces = parts.reduce((sum, { count }) => sum + count, 0);
  if (pieces > MOST_PIECES) throw new Refusal('too-many', `there are ${pieces} pieces`, 'parts', `at most ${MOST_PIECES}`);
  const problem: NestProblem = { kerf, trim, cuts, ...(row['first'] === undefined ? {} : { first: readFirst(row['first']) }), sheets, parts };
  const bare = bedsOf(problem).find(({ dx, dy }) => dx <= 0 || dy <= 0);
  if (bare) throw new Refusal('trim', `nothing is left of sheet '${bare.sheet.id}' inside its trim`, 'trim', 'less than half of every sheet');
  return problem;
}

function readSheet(value: unknown, where: string): NestSheet {
  const row = fields(value, where, ['id', 'length', 'width', 'count', 'grain', 'cost', 'offcut', 'flaws']);
  return {
    id: name(row['id'], `${where}.id`),
    length: size(row['length'], `${where}.length`),
    width: size(row['width'], `${where}.width`),
    count: row['count'] === undefined || row['count'] === null ? null : whole(row['count'], `${where}.count`, 1),
    grain: row['grain'] === undefined ? 'none' : oneOf(row['grain'], `${where}.grain`, ['length', 'none'] as const),
    cost: row['cost'] === undefined || row['cost'] === null ? null : amount(row['cost'], `${where}.cost`),
    offcut: row['offcut'] === undefined ? false : flag(row['offcut'], `${where}.offcut`),
    ...(row['flaws'] === undefined ? {} : { flaws: rows(row['flaws'], `${where}.flaws`).map((each, index) => readFlaw(each, `${where}.flaws[${index}]`)) }),
  };
}

function readFirst(value: unknown): FirstCut {
  const row = fields(value, 'first', ['by', 'longest', 'widest']);
  const by = oneOf(row['by'], 'first.by', ['rip', 'crosscut', 'breakdown'] as const);
  if (by !== 'breakdown') return { by };
  return { by, longest: size(row['longest'], 'first.longest'), widest: size(row['widest'], 'first.widest') };
}

/** A rectangle no part may touch, from the corner of the untrimmed sheet. */
function readFlaw(value: unknown, where: string): Rect {
  const row = fields(value, where, ['x', 'y', 'dx', 'dy']);
  return {
    x: size(row['x'], `${where}.x`, true),
    y: size(row['y'], `${where}.y`, true),
    dx: size(row['dx'], `${where}.dx`),
    dy: size(row['dy'], `${where}.dy`),
  };
}

function readPart(value: unknown, where: string): NestPart {
  const row = fields(value, where, ['id', 'length', 'width', 'count', 'grain', 'group', 'order', 'together']);
  return {
    id: name(row['id'], `${where}.id`),
    length: size(row['length'], `${where}.length`),
    width: size(row['width'], `${where}.width`),
    count: row['count'] === undefined ? 1 : whole(row['count'], `${where}.count`, 1),
    grain: row['grain'] === undefined ? 'either' : oneOf(row['grain'], `${where}.grain`, ['length', 'width', 'either'] as const),
    group: row['group'] === undefined || row['group'] === null ? null : name(row['group'], `${where}.group`),
    order: row['order'] === undefined || row['order'] === null ? 0 : amount(row['order'], `${where}.order`),
    ...(row['together'] === undefined || row['together'] === null ? {} : { together: name(row['together'], `${where}.together`) }),
  };
}

function fields(value: unknown, where: string, known: readonly string[]): Readonly<Record<string, unknown>> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'an object');
  const strange = Object.keys(value).find((key) => !known.includes(key));
  if (strange !== undefined) throw new Refusal('unknown-field', `there is no field ${quote(strange)}`, where, known.join(', '));
  return value as Record<string, unknown>;
}

function rows(value: unknown, where: string): readonly unknown[] {
  if (!Array.isArray(value)) throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'a list');
  return value;
}

function once(list: readonly { id: string }[], where: string): void {
  const seen = new Set<string>();
  for (const [index, { id }] of list.entries()) {
    if (seen.has(id)) throw new Refusal('twice', `the id ${quote(id)} stands twice`, `${where}[${index}].id`, 'each id once');
    seen.add(id);
  }
}

function name(value: unknown, where: string): string {
  if (typeof value !== 'string' || value === '' || value.length > 200)
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'text of 1 to 200 characters');
  return value;
}

function size(value: unknown, where: string, noughtIsFine = false): Length {
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

function whole(value: unknown, where: string, least: number): number {
  if (typeof value !== 'number' || !Number.isInteger(value) || value < least || value > 1e6)
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, `a whole number from ${least} to 1000000`);
  return value;
}

function amount(value: unknown, where: string): number {
  if (typeof value !== 'number' || !Number.isFinite(value) || value < 0 || value > 1e12)
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'a number of nought or more');
  return value;
}

function flag(value: unknown, where: string): boolean {
  if (typeof value !== 'boolean') throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'true or false');
  return value;
}

function oneOf<T extends string>(value: unknown, where: string, options: readonly T[]): T {
  if (!options.includes(value as T))
    throw new Refusal('value', `${quote(value)} cannot be used here`, where, options.map((option) => `'${option}'`).join(', '));
  return value as T;
}

/** Exact text of a length: nanometres as millimetres, without rounding. */
export function exactMm(length: Length): string {
  const digits = String(Math.abs(length)).padStart(7, '0');
  const text = `${digits.slice(0, -6)}.${digits.slice(-6)}`.replace(/\.?0+$/, '');
  return `${length < 0 ? '-' : ''}${text}mm`;
}

/** The plan in the form of docs/nesting.md. `seconds` is what the caller measured. */
export function writeNestPlan(plan: NestPlan, seconds: number): Json {
  const { cost } = plan.score;
  return {
    sheets: plan.sheets.map(({ sheet, placements, cuts }) => ({
      sheet,
      placements: placements.map(({ part, x, y, dx, dy, turned }) => ({ part, x: exactMm(x), y: exactMm(y), dx: exactMm(dx), dy: exactMm(dy), turned })),
      ...(cuts ? { cuts: writeTree(cuts) } : {}),
    })),
    unplaced: plan.unplaced.map(({ part, count, why }) => ({ part, count, why })),
    bound: { sheets: plan.bound.sheets, ...(plan.bound.cost === null ? {} : { cost: plan.bound.cost }), why: plan.bound.why },
    proved: plan.proved,
    score: { sheets: plan.score.sheets, ...(cost === null ? {} : { cost }) },
    seed: plan.seed,
    effort: plan.effort,
    seconds,
  };
}

function writeTree(tree: CutTree): Json {
  switch (tree.kind) {
    case 'cut':
      return { cut: tree.axis, at: exactMm(tree.at), first: writeTree(tree.first), second: writeTree(tree.second) };
    case 'part':
      return { part: tree.part };
    case 'waste':
      return { waste: { x: exactMm(tree.x), y: exactMm(tree.y), dx: exactMm(tree.dx), dy: exactMm(tree.dy) } };
  }
}
