/**
 * Imports a table from elsewhere: any titles, any separator, decimal commas, units in titles or in cells. A person chooses the columns; readable rows are
 * imported, the others are listed with their reason. The kind of table decides what a row becomes: items (things-table.ts), sheets and boards
 * (products-table.ts), parts (parts-table.ts).
 */
import Papa from 'papaparse';
import { MASS_UNITS, type MassUnit } from '../contents/weight.ts';
import type { DisplayUnit } from '../length/length.ts';
import { accept, refuse, type Outcome, type Problem } from '../problem/problem.ts';
import { csvText } from './csv.ts';
import { NOT_WORKED_OUT, notWorkedOut, tableRows } from './table-rows.ts';

export const SEPARATORS = [';', ',', '\t', '|'] as const;
export type Separator = (typeof SEPARATORS)[number];
export const MAX_COLUMNS = 60;
const MAX_CELL = 2000;
/** Of a table of any kind. */
export const MAX_ROWS = 1000;
/** Characters examined to detect the separator. */
const BEGINNING = 64_000;

export interface ForeignTable {
  readonly separator: Separator;
  readonly titles: readonly string[];
  readonly rows: readonly ForeignRow[];
}

export interface ForeignRow {
  /** Line in the file, from 1. */
  readonly line: number;
  readonly cells: readonly string[];
}

export const LENGTH_UNITS = ['mm', 'cm', 'm', 'in', 'ft'] as const;
export type CellUnit = (typeof LENGTH_UNITS)[number] | MassUnit;

/** A column that rows of a kind have. `aliases`: other titles people use for it. */
export interface TableColumn<Key extends string = string> {
  readonly key: Key;
  readonly title: string;
  readonly measure: 'length' | 'mass' | 'none';
  readonly aliases: readonly string[];
}

/** What rows of a table become. */
export interface TableKind<Row, Key extends string = string> {
  readonly columns: readonly TableColumn<Key>[];
  /** Titles of our own exports that are informative only: skipped without loss. */
  readonly forReading?: readonly string[];
  /** Columns a row cannot do without. */
  readonly needed: readonly Key[];
  /** For bare numbers without any other indication. */
  readonly unit: DisplayUnit;
  /** A row before its cells are read; `index` counts the rows imported so far. */
  readonly blank: (index: number) => Row;
  /** Reads a cell into a row. Empty cells are passed too. */
  readonly put: (row: Row, key: Key, cell: string, unit: CellUnit | null, where: string) => Outcome<Row>;
  /** Checks all rows together: refused as a whole where there are too many, or duplicates. */
  readonly whole: (rows: readonly Row[]) => Outcome<readonly Row[]>;
}

/** Chosen meaning of a column; `unit` is that of its bare numbers. */
export interface ColumnChoice<Key extends string = string> {
  readonly key: Key | null;
  readonly unit: CellUnit | null;
}

export interface RowFault {
  readonly line: number;
  readonly cells: readonly string[];
  readonly problem: Problem;
}

export interface ReadForeign<Row> {
  readonly rows: readonly Row[];
  readonly faults: readonly RowFault[];
}

/** Rows under a row of titles; the separator is detected where none is given. Empty rows are dropped. */
export function readForeignTable(text: string, separator?: Separator): Outcome<ForeignTable> {
  if (text.includes('\0')) return refuse('no-text', 'the file is no text', 'table', 'a table saved as CSV or text');
  const used = separator ?? separatorOf(text.slice(0, BEGINNING).replace(/^\uFEFF/, ''));
  const parsed = tableRows(text, 'table', { separator: used });
  if (!parsed.ok) return parsed;
  const filled = parsed.value.map((cells, index): ForeignRow => ({ line: index + 1, cells })).filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [first, ...rows] = filled;
  if (!first || rows.length === 0) return refuse('empty', 'there are no rows under its titles', 'table', 'a row of titles, and a row for each thing');
  const wide = filled.reduce((most, { cells }) => Math.max(most, cells.length), 0);
  if (wide > MAX_COLUMNS) return refuse('too-many-columns', `there are ${wide} columns`, 'table', `at most ${MAX_COLUMNS}`);
  if (rows.length > MAX_ROWS) return refuse('too-many', `there are ${rows.length} rows`, 'table', `at most ${MAX_ROWS}`);
  const titles = Array.from({ length: wide }, (_, index) => (first.cells[index] ?? '').trim().slice(0, 80) || `column ${index + 1}`);
  return accept({ separator: used, titles, rows });
}

/** The separator that splits the first rows into the same, and the greatest, number of cells. */
function separatorOf(text: string): Separator {
  const counts = SEPARATORS.map((separator) => {
    const { data } = Papa.parse<string[]>(text, { delimiter: separator, preview: 20, skipEmptyLines: 'greedy' });
    const widths = data.map(({ length }) => length);
    const alike = widths.filter((width) => width === widths[0]).length / Math.max(1, widths.length);
    return { separator, worth: (widths[0] ?? 1) > 1 ? alike * 100 + (widths[0] ?? 1) : 0 };
  });
  return counts.reduce((best, each) => (each.worth > best.worth ? each : best)).separator;
}

/** Most likely meaning of each column: from its title, and the unit in or after it. None is used twice. */
export function guessColumns<Key extends string>(
  { columns, unit }: Pick<TableKind<never, Key>, 'columns' | 'unit'>,
  { titles }: Pick<ForeignTable, 'titles'>,
): ColumnChoice<Key>[] {
  const taken = new Set<Key>();
  const guessed = new Map<number, ColumnChoice<Key>>();
  // A table may give a size twice, as on a tape and exactly: the exact one counts.
  const isExact = (index: number): number => Number(/\bexact\b/i.test(titles[index]!));
  const order = titles.map((_, index) => index).sort((a, b) => isExact(b) - isExact(a) || a - b);
  for (const index of order) guessed.set(index, guess(titles[index]!));
  return titles.map((_, index) => guessed.get(index)!);

  function guess(title: string): ColumnChoice<Key> {
    const { column, said } = columnCalled(columns, title);
    if (!column || taken.has(column.key)) return { key: null, unit: null };
    taken.add(column.key);
    return { key: column.key, unit: fitting(column, said) ?? usualUnit(column, unit) };
  }
}

/** The column a title means, and the unit in it. */
function columnCalled<Key extends string>(
  columns: readonly TableColumn<Key>[],
  title: string,
): { readonly column: TableColumn<Key> | undefined; readonly said: CellUnit | null } {
  const words = title
    .toLowerCase()
    .replaceAll(/[_\-.:/()[\]]+/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();
  const last = words.split(' ').at(-1)!;
  const said = UNIT_WORDS[last] ?? null;
  const bare = said && words !== last ? words.slice(0, -last.length).replace(/ in $/, ' ').trim() : words;
  return { column: columns.find(({ key, title: own, aliases: known }) => own === words || own === bare || key === bare || known.includes(bare)), said };
}

/** Titles of non-empty columns that are not read, not covered by another column, and not informative only. */
export function unreadTitles<Key extends string>(
  { columns, forReading = [] }: Pick<TableKind<never, Key>, 'columns' | 'forReading'>,
  { titles, rows }: Pick<ForeignTable, 'titles' | 'rows'>,
  choices: readonly ColumnChoice<Key>[],
): string[] {
  const known = (title: string): boolean => columnCalled(columns, title).column !== undefined || forReading.includes(title.toLowerCase());
  return titles.filter((title, at) => choices[at]!.key === null && !known(title) && rows.some(({ cells }) => (cells[at] ?? '').trim() !== ''));
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

export const isOneOf = <T extends string>(units: readonly T[], unit: string | null): unit is T => units.some((each) => each === unit);
const fitting = ({ measure }: TableColumn, unit: CellUnit | null): CellUnit | null =>
  (measure === 'length' && isOneOf(LENGTH_UNITS, unit)) || (measure === 'mass' && isOneOf(MASS_UNITS, unit)) ? unit : null;

/** Unit of bare numbers in a column whose title gives none. */
export const usualUnit = ({ measure }: Pick<TableColumn, 'measure'>, unit: DisplayUnit): CellUnit | null =>
  measure === 'length' ? unit : measure === 'mass' ? 'kg' : null;

/** Reads the rows by the chosen columns. Refused as a whole only where a required column is missing, or two have the same meaning. */
export function readForeign<Row, Key extends string>(
  kind: TableKind<Row, Key>,
  { rows }: Pick<ForeignTable, 'rows'>,
  choices: readonly ColumnChoice<Key>[],
): Outcome<ReadForeign<Row>> {
  const titleOf = (key: Key): string => kind.columns.find((column) => column.key === key)!.title;
  const keys = choices.flatMap(({ key }) => key ?? []);
  const missing = kind.needed.find((key) => !keys.includes(key));
  if (missing !== undefined)
    return refuse('no-column', `no column is taken for ‘${titleOf(missing)}’`, 'columns', `one column taken for ‘${titleOf(missing)}’`);
  const twice = keys.find((key, index) => keys.indexOf(key) !== index);
  if (twice !== undefined) return refuse('twice', `two columns are taken for ‘${titleOf(twice)}’`, 'columns', 'each at most once');
  const good: Row[] = [];
  const faults: RowFault[] = [];
  for (const { line, cells } of rows) {
    const read = readRow(kind, cells, line, choices, good.length);
    if (read.ok) good.push(read.value);
    else faults.push({ line, cells, problem: read.problem });
  }
  const whole = kind.whole(good);
  return whole.ok ? accept({ rows: whole.value, faults }) : whole;
}

function readRow<Row, Key extends string>(
  { columns, blank, put }: TableKind<Row, Key>,
  cells: readonly string[],
  line: number,
  choices: readonly ColumnChoice<Key>[],
  index: number,
): Outcome<Row> {
  const strange = cells.slice(choices.length).find((cell) => cell.trim() !== '');
  if (strange !== undefined) return refuse('too-many-cells', `there are ${cells.length} cells`, `row ${line}`, `at most ${choices.length}`);
  let row = blank(index);
  for (const [at, { key, unit }] of choices.entries()) {
    if (key === null) continue;
    const cell = (cells[at] ?? '').trim();
    const where = `row ${line}, ${columns.find((column) => column.key === key)!.title}`;
    if (cell.length > MAX_CELL) return refuse('cell', `a cell has ${cell.length} characters`, where, `at most ${MAX_CELL}`);
    const read = cell === NOT_WORKED_OUT ? notWorkedOut(where) : put(row, key, cell, unit, where);
    if (!read.ok) return read;
    row = read.value;
  }
  return accept(row);
}

/** A bare number in the unit of its column; one with a unit keeps it. */
export const lengthCell = (cell: string, unit: CellUnit | null): string =>
  /^[\d\s.,/]+$/.test(cell) && isOneOf(LENGTH_UNITS, unit) ? `${cell} ${unit}` : cell;

/** Rejected rows as a table again: titles, original cells, and the reason. */
export function leftOutCsv({ titles, separator }: Pick<ForeignTable, 'titles' | 'separator'>, faults: readonly RowFault[]): string {
  const rows = faults.map(({ line, cells, problem }) => [
    ...Array.from({ length: titles.length }, (_, index) => cells[index] ?? ''),
    `row ${line}: ${problem.message}; accepted: ${problem.accepted}`,
  ]);
  return csvText([[...titles, 'why it was left out'], ...rows], { separator });
}
