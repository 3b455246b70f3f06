/** A nesting problem as text, and back. Format: docs/nesting.md; plans are in nest-plan.ts. */
import { mm, type Length } from '../length/length.ts';
import { stockAreasOf } from '../nesting/pieces.ts';
import type { FirstCut, NestPart, NestProblem, NestSheet } from '../nesting/problem.ts';
import { outcomeOf, Refusal, type Outcome } from '../problem/problem.ts';
import { quote, type Json } from './codec.ts';
import { readJsonText } from './json-text.ts';
import { exactMm, readPlacement } from './nest-plan.ts';
import { amount, fields, flag, name, once, oneOf, rows, size, whole } from './read-fields.ts';
import type { SheetRect } from '../model/sheet-layout.ts';

export const MAX_PIECES = 20_000;
/** Cuts in one row: how often the smallest part fits the longest sheet. */
const MAX_IN_ROW = 4000;
/** Smallest side a saw can part. */
const MIN_SIDE = mm(0.1);

export const readNestProblemText = (text: string): Outcome<NestProblem> => outcomeOf(() => readNestProblem(readJsonText(text, 'problem')));

/** @throws Refusal on anything but a valid problem */
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
  if (pieces > MAX_PIECES) throw new Refusal('too-many', `there are ${pieces} pieces`, 'parts', `at most ${MAX_PIECES}`);
  const longest = sheets.reduce((most, { length, width }) => Math.max(most, length, width), 0);
  const thinnest = Math.max(MIN_SIDE, Math.ceil(longest / MAX_IN_ROW)) as Length;
  for (const [index, { length, width }] of parts.entries())
    if (Math.min(length, width) < thinnest)
      throw new Refusal(
        'range',
        `a side of ${exactMm(Math.min(length, width) as Length)} is too thin for these sheets`,
        `parts[${index}]`,
        `sides of at least ${exactMm(thinnest)}`,
      );
  sheets.forEach((sheet, index) => checkPins(sheet, parts, `sheets[${index}]`));
  const problem: NestProblem = { kerf, trim, cuts, ...(row['first'] === undefined ? {} : { first: readFirst(row['first']) }), sheets, parts };
  const bare = stockAreasOf(problem).find(({ dx, dy }) => dx <= 0 || dy <= 0);
  if (bare) throw new Refusal('trim', `nothing is left of sheet '${bare.sheet.id}' inside its trim`, 'trim', 'less than half of every sheet');
  return problem;
}

function readSheet(value: unknown, where: string): NestSheet {
  const row = fields(value, where, ['id', 'length', 'width', 'count', 'grain', 'cost', 'offcut', 'trim', 'flaws', 'pins']);
  return {
    id: name(row['id'], `${where}.id`),
    length: size(row['length'], `${where}.length`),
    width: size(row['width'], `${where}.width`),
    count: row['count'] === undefined || row['count'] === null ? null : whole(row['count'], `${where}.count`, 1),
    grain: row['grain'] === undefined ? 'none' : oneOf(row['grain'], `${where}.grain`, ['length', 'none'] as const),
    cost: row['cost'] === undefined || row['cost'] === null ? null : amount(row['cost'], `${where}.cost`),
    offcut: row['offcut'] === undefined ? false : flag(row['offcut'], `${where}.offcut`),
    ...(row['flaws'] === undefined ? {} : { flaws: rows(row['flaws'], `${where}.flaws`).map((each, index) => readFlaw(each, `${where}.flaws[${index}]`)) }),
    ...(row['trim'] === undefined ? {} : { trim: size(row['trim'], `${where}.trim`, true) }),
    ...(row['pins'] === undefined ? {} : { pins: rows(row['pins'], `${where}.pins`).map((each, index) => readPlacement(each, `${where}.pins[${index}]`)) }),
  };
}

/** Pinned parts lie inside a sheet that exists once, at their own size. */
function checkPins({ length, width, count, pins = [] }: NestSheet, parts: readonly NestPart[], where: string): void {
  if (pins.length > 0 && count !== 1) throw new Refusal('value', 'parts stay on a sheet of which there are others', `${where}.count`, '1, where parts stay');
  for (const [index, { part, x, y, dx, dy, turned }] of pins.entries()) {
    const here = `${where}.pins[${index}]`;
    const own = parts.find(({ id }) => id === part);
    if (!own) throw new Refusal('unknown', `there is no part ${quote(part)}`, `${here}.part`, 'the id of a part');
    const [long, wide] = turned ? [own.width, own.length] : [own.length, own.width];
    if (dx !== long || dy !== wide)
      throw new Refusal('value', `${quote(part)} is not as large as where it stays`, here, `${exactMm(long)} by ${exactMm(wide)}`);
    if (x + dx > length || y + dy > width) throw new Refusal('range', `${quote(part)} does not lie on the sheet`, here, 'a place on the sheet');
  }
}

function readFirst(value: unknown): FirstCut {
  const row = fields(value, 'first', ['by', 'longest', 'widest']);
  const by = oneOf(row['by'], 'first.by', ['rip', 'crosscut', 'breakdown'] as const);
  if (by !== 'breakdown') return { by };
  return { by, longest: size(row['longest'], 'first.longest'), widest: size(row['widest'], 'first.widest') };
}

/** A rectangle no part may touch, from the corner of the untrimmed sheet. */
function readFlaw(value: unknown, where: string): SheetRect {
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

/** The problem in the format readNestProblem reads. */
export function writeNestProblem({ kerf, trim, cuts, first, sheets, parts }: NestProblem): Json {
  return {
    kerf: exactMm(kerf),
    trim: exactMm(trim),
    cuts,
    ...(first ? { first: first.by === 'breakdown' ? { by: first.by, longest: exactMm(first.longest), widest: exactMm(first.widest) } : { by: first.by } } : {}),
    sheets: sheets.map((sheet) => ({
      id: sheet.id,
      length: exactMm(sheet.length),
      width: exactMm(sheet.width),
      ...(sheet.count === null ? {} : { count: sheet.count }),
      grain: sheet.grain,
      ...(sheet.cost === null ? {} : { cost: sheet.cost }),
      offcut: sheet.offcut,
      ...(sheet.trim === undefined ? {} : { trim: exactMm(sheet.trim) }),
      ...(sheet.flaws ? { flaws: sheet.flaws.map(writeRect) } : {}),
      ...(sheet.pins ? { pins: sheet.pins.map(({ part, turned, ...rect }) => ({ part, ...writeRect(rect), turned })) } : {}),
    })),
    parts: parts.map(({ id, length, width, count, grain, group, order, together }) => ({
      id,
      length: exactMm(length),
      width: exactMm(width),
      count,
      grain,
      ...(group === null ? {} : { group, order }),
      ...(together == null ? {} : { together }),
    })),
  };
}

const writeRect = ({ x, y, dx, dy }: SheetRect): { x: string; y: string; dx: string; dy: string } => ({
  x: exactMm(x),
  y: exactMm(y),
  dx: exactMm(dx),
  dy: exactMm(dy),
});
