/**
 * Contents out of a table somebody else made: any titles, any separator, decimal commas, units in titles or in cells. A person says which
 * column is what; rows that can be read come in, the others are listed with their reason.
 */
import Papa from 'papaparse';
import { ITEM_COLUMNS, MOST_ITEM_KG, MOST_ITEMS, newItem, readCell, type Column, type ColumnKey } from '../contents/item-form.ts';
import type { Item } from '../contents/item.ts';
import type { DisplayUnit } from '../length/length.ts';
import { accept, refuse, type Outcome, type Problem } from '../problem/problem.ts';
import { tooMany } from './contents-csv.ts';

export const SEPARATORS = [';', ',', '\t', '|'] as const;
export type Separator = (typeof SEPARATORS)[number];
export const MOST_COLUMNS = 60;
const MOST_CELL = 2000;

export interface ForeignTable {
  readonly separator: Separator;
  readonly titles: readonly string[];
  readonly rows: readonly ForeignRow[];
}

export interface ForeignRow {
  /** Of the file, from 1. */
  readonly line: number;
  readonly cells: readonly string[];
}

export const LENGTH_UNITS = ['mm', 'cm', 'm', 'in', 'ft'] as const;
export const MASS_UNITS = ['kg', 'g', 'lb', 'oz'] as const;
export type CellUnit = (typeof LENGTH_UNITS)[number] | (typeof MASS_UNITS)[number];
const KG: Readonly<Record<(typeof MASS_UNITS)[number], number>> = { kg: 1, g: 0.001, lb: 0.45359237, oz: 0.028349523125 };

/** What a column of the file is taken for; `unit` is that of bare numbers in it. */
export interface ColumnChoice {
  readonly key: ColumnKey | null;
  readonly unit: CellUnit | null;
}

export interface RowFault {
  readonly line: number;
  readonly cells: readonly string[];
  readonly problem: Problem;
}

export interface ReadForeign {
  readonly items: readonly Item[];
  readonly faults: readonly RowFault[];
}

/** Rows with a row of titles over them; the separator is found where none is given. Empty rows are left out. */
export function readForeignTable(text: string, separator?: Separator): Outcome<ForeignTable> {
  if (text.includes('\0')) return refuse('no-text', 'the file is no text', 'table', 'a table saved as CSV or text');
  const plain = text.replace(/^\uFEFF/, '');
  const used = separator ?? separatorOf(plain);
  const parsed = Papa.parse<string[]>(plain, { delimiter: used });
  const broken = parsed.errors.find(({ type }) => type === 'Quotes');
  if (broken) return refuse('csv', 'a quoted cell does not end', `row ${(broken.row ?? 0) + 1}`, 'text in quotes, closed again');
  const filled = parsed.data.map((cells, index): ForeignRow => ({ line: index + 1, cells })).filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [first, ...rows] = filled;
  if (!first || rows.length === 0) return refuse('empty', 'there are no rows under its titles', 'table', 'a row of titles, and a row for each thing');
  const wide = Math.max(...filled.map(({ cells }) => cells.length));
  if (wide > MOST_COLUMNS) return refuse('too-many-columns', `there are ${wide} columns`, 'table', `at most ${MOST_COLUMNS}`);
  if (rows.length > MOST_ITEMS) return refuse('too-many', `there are ${rows.length} rows`, 'table', `at most ${MOST_ITEMS}`);
  const titles = Array.from({ length: wide }, (_, index) => (first.cells[index] ?? '').trim().slice(0, 80) || `column ${index + 1}`);
  return accept({ separator: used, titles, rows });
}

/** The one that parts the first rows into the same number of cells, and into the most. */
function separatorOf(text: string): Separator {
  const counts = SEPARATORS.map((separator) => {
    const { data } = Papa.parse<string[]>(text, { delimiter: separator, preview: 20, skipEmptyLines: 'greedy' });
    const widths = data.map(({ length }) => length);
    const alike = widths.filter((width) => width === widths[0]).length / Math.max(1, widths.length);
    return { separator, worth: (widths[0] ?? 1) > 1 ? alike * 100 + (widths[0] ?? 1) : 0 };
  });
  return counts.reduce((best, each) => (each.worth > best.worth ? each : best)).separator;
}

/** Words people write over such columns, beside our own titles. */
const SAID: Readonly<Partial<Record<ColumnKey, readonly string[]>>> = {
  name: ['name', 'item', 'thing', 'article', 'description', 'object'],
  count: ['qty', 'quantity', 'number', 'no', 'pieces', 'pcs', 'how many', 'amount'],
  width: ['w', 'wide', 'breadth', 'across'],
  depth: ['d', 'length', 'l', 'front to back'],
  height: ['h', 'tall'],
  kg: ['weight', 'mass', 'kg', 'weight each'],
  material: ['material'],
  near: ['group', 'set'],
};

/** What each column most likely is: by its title, a unit in it or after it. None is taken twice. */
export function guessColumns({ titles }: Pick<ForeignTable, 'titles'>, unit: DisplayUnit): ColumnChoice[] {
  const taken = new Set<ColumnKey>();
  return titles.map((title) => {
    const words = title
      .toLowerCase()
      .replaceAll(/[_\-.:/()[\]]+/g, ' ')
      .replaceAll(/\s+/g, ' ')
      .trim();
    const last = words.split(' ').at(-1)!;
    const said = UNIT_WORDS[last] ?? null;
    const bare = said && words !== last ? words.slice(0, -last.length).replace(/ in $/, ' ').trim() : words;
    const column = ITEM_COLUMNS.find(({ key, title: own }) => own === words || own === bare || key === bare || (SAID[key] ?? []).includes(bare));
    if (!column || taken.has(column.key)) return { key: null, unit: null };
    taken.add(column.key);
    return { key: column.key, unit: fitting(column, said) ?? (column.type === 'length' ? unit : column.type === 'mass' ? 'kg' : null) };
  });
}

const UNIT_WORDS: Readonly<Record<string, CellUnit>> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  ft: 'ft',
  feet: 'ft',
  kg: 'kg',
  kilograms: 'kg',
  g: 'g',
  grams: 'g',
  lb: 'lb',
  lbs: 'lb',
  pounds: 'lb',
  oz: 'oz',
  ounces: 'oz',
};

const isOneOf = <T extends string>(units: readonly T[], unit: string | null): unit is T => units.some((each) => each === unit);
const fitting = ({ type }: Column, unit: CellUnit | null): CellUnit | null =>
  (type === 'length' && isOneOf(LENGTH_UNITS, unit)) || (type === 'mass' && isOneOf(MASS_UNITS, unit)) ? unit : null;

export interface ForeignOptions {
  readonly unit: DisplayUnit;
  readonly order: number;
  readonly newId: () => string;
  /** So many things are there already. */
  readonly there?: number;
}

/** Reads the rows as the columns are chosen. Refused as a whole only where no column says what things are called, or two say the same. */
export function readForeign({ rows }: ForeignTable, choices: readonly ColumnChoice[], { unit, order, newId, there = 0 }: ForeignOptions): Outcome<ReadForeign> {
  const keys = choices.flatMap(({ key }) => key ?? []);
  if (!keys.includes('name')) return refuse('no-name', 'no column says what things are called', 'columns', 'one column taken for ‘what’');
  const twice = keys.find((key, index) => keys.indexOf(key) !== index);
  if (twice !== undefined) return refuse('twice', `two columns are taken for ‘${titleOf(twice)}’`, 'columns', 'each at most once');
  const items: Item[] = [];
  const faults: RowFault[] = [];
  for (const { line, cells } of rows) {
    const read = readRow(cells, line, choices, { unit, order: order + items.length, newId });
    if (read.ok) items.push(read.value);
    else faults.push({ line, cells, problem: read.problem });
  }
  return there + items.length > MOST_ITEMS ? tooMany(items.length, there) : accept({ items, faults });
}

const titleOf = (key: ColumnKey): string => ITEM_COLUMNS.find((column) => column.key === key)!.title;

function readRow(cells: readonly string[], line: number, choices: readonly ColumnChoice[], { unit, order, newId }: ForeignOptions): Outcome<Item> {
  const strange = cells.slice(choices.length).find((cell) => cell.trim() !== '');
  if (strange !== undefined) return refuse('too-many-cells', `there are ${cells.length} cells`, `row ${line}`, `at most ${choices.length}`);
  let item: Item = newItem({ id: newId(), order, unit });
  for (const [at, choice] of choices.entries()) {
    if (choice.key === null) continue;
    const column = ITEM_COLUMNS.find(({ key }) => key === choice.key)!;
    const cell = (cells[at] ?? '').trim();
    const where = `row ${line}, ${column.title}`;
    if (cell.length > MOST_CELL) return refuse('cell', `a cell has ${cell.length} characters`, where, `at most ${MOST_CELL}`);
    // What is empty keeps what a new thing has; a size must be known, for it is what shelves are made by.
    if (cell === '' && column.type !== 'text' && !(column.type === 'length' && !column.optional)) continue;
    const read = readForeignCell(column, cell, choice.unit, unit, where);
    if (!read.ok) return read;
    item = { ...item, [column.key]: read.value };
  }
  return accept(item);
}

function readForeignCell(column: Column, cell: string, unit: CellUnit | null, display: DisplayUnit, where: string): Outcome<Item[ColumnKey]> {
  switch (column.type) {
    case 'mass':
      return readMass(cell, isOneOf(MASS_UNITS, unit) ? unit : 'kg', where);
    case 'length': {
      if (cell === '') return refuse('cell', `${column.title} is empty`, where, 'a length');
      // A bare number is in the column's unit; one with a unit of its own keeps it.
      const bare = /^[\d\s.,/]+$/.test(cell) && isOneOf(LENGTH_UNITS, unit);
      return readCell(column, bare ? `${cell} ${unit}` : cell, display, where);
    }
    case 'count':
      return readCell(column, cell.replace(/[.,]0+$/, '').replace(/\s*(pcs?|pieces?|x)\.?$/i, ''), display, where);
    default:
      return readCell(column, cell, display, where);
  }
}

/** '2,5', '800 g', '3 lb 4 oz': kilograms to the tenth of a gram. */
function readMass(cell: string, unit: (typeof MASS_UNITS)[number], where: string): Outcome<number> {
  const amounts = [...cell.matchAll(/(\d+(?:[.,]\d+)?|[.,]\d+)\s*(kg|g|lbs?|oz)?/gi)];
  const rest = amounts.reduce((left, [whole]) => left.replace(whole, ''), cell).trim();
  const known = amounts.every(([, , own]) => own !== undefined);
  const kg = amounts.reduce(
    (sum, [, amount, own]) => sum + Number(amount!.replace(',', '.')) * KG[(own?.toLowerCase().replace('lbs', 'lb') ?? unit) as keyof typeof KG],
    0,
  );
  const wrong = amounts.length === 0 || rest !== '' || (amounts.length > 1 && !known) || kg > MOST_ITEM_KG;
  return wrong
    ? refuse('cell', `'${cell.slice(0, 40)}' is no weight`, where, `a weight up to ${MOST_ITEM_KG} kg, such as 2.5, 800 g or 3 lb 4 oz`)
    : accept(Math.round(kg * 1e4) / 1e4);
}

/** Rows that were left out, as a table again: the titles, the cells as they stood, and why. */
export function leftOutCsv({ titles, separator }: Pick<ForeignTable, 'titles' | 'separator'>, faults: readonly RowFault[]): string {
  const rows = faults.map(({ line, cells, problem }) => [
    ...Array.from({ length: titles.length }, (_, index) => cells[index] ?? ''),
    `row ${line}: ${problem.message}; accepted: ${problem.accepted}`,
  ]);
  return `${Papa.unparse([[...titles, 'why it was left out'], ...rows], { delimiter: separator, newline: '\n' })}\n`;
}
