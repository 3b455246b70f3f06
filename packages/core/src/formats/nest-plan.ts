/** A nesting plan as text, and back. Format: docs/nesting.md. */
import type { Length } from '../length/length.ts';
import type { NestedSheet, NestPlan } from '../nesting/problem.ts';
import { Refusal } from '../problem/problem.ts';
import type { Json } from './codec.ts';
import { amount, fields, flag, name, oneOf, rows, size, whole } from './read-fields.ts';
import type { CutTree, Placement } from '../model/sheet-layout.ts';

/** Exact text of a length: nanometers as millimeters, without rounding. */
export function exactMm(length: Length): string {
  const digits = String(Math.abs(length)).padStart(7, '0');
  const text = `${digits.slice(0, -6)}.${digits.slice(-6)}`.replace(/\.?0+$/, '');
  return `${length < 0 ? '-' : ''}${text}mm`;
}

/** The plan in the format of docs/nesting.md. `seconds` is measured by the caller. */
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

/** Longest reason: a sentence or two. */
const LONGEST_WHY = 2000;

/**
 * Reads what writeNestPlan wrote; auditPlan checks whether it solves a problem.
 * @throws Refusal on anything else
 */
export function readNestPlan(value: unknown): NestPlan {
  const row = fields(value, 'plan', ['sheets', 'unplaced', 'bound', 'proved', 'score', 'seed', 'effort', 'seconds']);
  const bound = fields(row['bound'], 'bound', ['sheets', 'cost', 'why']);
  const score = fields(row['score'], 'score', ['sheets', 'cost']);
  return {
    sheets: rows(row['sheets'], 'sheets').map((each, index) => readSheet(each, `sheets[${index}]`)),
    unplaced: rows(row['unplaced'], 'unplaced').map((each, index) => {
      const where = `unplaced[${index}]`;
      const left = fields(each, where, ['part', 'count', 'why']);
      return {
        part: name(left['part'], `${where}.part`),
        count: whole(left['count'], `${where}.count`, 1),
        why: name(left['why'], `${where}.why`, LONGEST_WHY),
      };
    }),
    bound: { sheets: whole(bound['sheets'], 'bound.sheets', 0), cost: costOf(bound['cost'], 'bound.cost'), why: name(bound['why'], 'bound.why', LONGEST_WHY) },
    proved: flag(row['proved'], 'proved'),
    score: { sheets: whole(score['sheets'], 'score.sheets', 0), cost: costOf(score['cost'], 'score.cost') },
    seed: amount(row['seed'], 'seed'),
    effort: amount(row['effort'], 'effort'),
  };
}

const costOf = (value: unknown, where: string): number | null => (value === undefined ? null : amount(value, where));

function readSheet(value: unknown, where: string): NestedSheet {
  const row = fields(value, where, ['sheet', 'placements', 'cuts']);
  return {
    sheet: name(row['sheet'], `${where}.sheet`),
    placements: rows(row['placements'], `${where}.placements`).map((each, index) => readPlacement(each, `${where}.placements[${index}]`)),
    ...(row['cuts'] === undefined ? {} : { cuts: readTree(row['cuts'], `${where}.cuts`) }),
  };
}

/** Place of a part, from the corner of the untrimmed sheet. */
export function readPlacement(value: unknown, where: string): Placement {
  const row = fields(value, where, ['part', 'x', 'y', 'dx', 'dy', 'turned']);
  return {
    part: name(row['part'], `${where}.part`),
    x: size(row['x'], `${where}.x`, true),
    y: size(row['y'], `${where}.y`, true),
    dx: size(row['dx'], `${where}.dx`),
    dy: size(row['dy'], `${where}.dy`),
    turned: flag(row['turned'], `${where}.turned`),
  };
}

function readTree(value: unknown, where: string): CutTree {
  const row = fields(value, where, ['cut', 'at', 'first', 'second', 'part', 'waste']);
  if (row['part'] !== undefined) return { kind: 'part', part: name(row['part'], `${where}.part`) };
  if (row['waste'] !== undefined) {
    const waste = fields(row['waste'], `${where}.waste`, ['x', 'y', 'dx', 'dy']);
    const side = (key: string): Length => size(waste[key], `${where}.waste.${key}`, true);
    return { kind: 'waste', x: side('x'), y: side('y'), dx: side('dx'), dy: side('dy') };
  }
  if (row['cut'] === undefined) throw new Refusal('value', 'neither a cut, a part nor waste', where, "'cut', 'part' or 'waste'");
  return {
    kind: 'cut',
    axis: oneOf(row['cut'], `${where}.cut`, ['x', 'y'] as const),
    at: size(row['at'], `${where}.at`, true),
    first: readTree(row['first'], `${where}.first`),
    second: readTree(row['second'], `${where}.second`),
  };
}
