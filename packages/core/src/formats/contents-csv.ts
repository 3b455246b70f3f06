/** Contents as a text table: pasted from a spreadsheet, and CSV import and export. One unreadable cell changes nothing, and is named. */
import { cellText, ITEM_COLUMNS, MAX_ITEMS, newItem, readCell, type ItemTableColumn } from '../contents/item-form.ts';
import { itemsInOrder } from '../contents/item.ts';
import type { Entered } from '../length/entered.ts';
import { NM_PER, type DisplayUnit } from '../length/length.ts';
import { accept, refuse, type Outcome } from '../problem/problem.ts';
import { csvText, unescaped } from './csv.ts';
import { NOT_WORKED_OUT, notWorkedOut, tableRows } from './table-rows.ts';
import type { Item } from '../model/item.ts';

/** All items with a header; lengths in `unit` with the unit in the title, so that the file stands alone. */
export function contentsCsv(items: Readonly<Record<string, Item>>, unit: DisplayUnit): string {
  const title = (column: ItemTableColumn): string => (column.type === 'length' || column.type === 'profile' ? `${column.title} (${unit})` : column.title);
  const rows = itemsInOrder(items).map((item) => ITEM_COLUMNS.map((column) => tableCell(item, column, unit)));
  return csvText([ITEM_COLUMNS.map(title), ...rows]);
}

/**
 * Sizes and weights as plain numbers, which a spreadsheet can compute with and does not take for dates; a value without an exact decimal stays as it was
 * typed.
 */
function tableCell(item: Item, column: ItemTableColumn, unit: DisplayUnit): string | number {
  const value = item[column.key];
  if (column.type === 'length' && value !== null) return decimalOf((value as Entered).nm, unit) ?? cellText(item, column, unit);
  return typeof value === 'number' ? value : cellText(item, column, unit);
}

/** Null where six decimals do not represent it exactly. */
function decimalOf(nm: number, unit: DisplayUnit): number | null {
  const millionths = Math.round((nm / NM_PER[unit]) * 1e6);
  return millionths * NM_PER[unit] === nm * 1e6 ? millionths / 1e6 : null;
}

export interface ReadContents {
  readonly items: readonly Item[];
}

export interface ReadOptions {
  /** Unit of bare numbers, unless a title gives another. */
  readonly unit: DisplayUnit;
  /** First columns of a table without titles. */
  readonly from?: number;
  readonly order: number;
  readonly newId: () => string;
  /** A file has titles over its columns; pasted cells need none. */
  readonly titled?: boolean;
  /** Number of items that exist already. */
  readonly there?: number;
}

/** Reads CSV, or cells copied from a spreadsheet (tabs). A first row of titles may come in any order; without one, columns are those of the table. */
export function readContents(text: string, { unit, from = 0, order, newId, titled: needed = false, there = 0 }: ReadOptions): Outcome<ReadContents> {
  const separator = text.includes('\t') ? '\t' : undefined;
  const parsed = tableRows(text, 'contents', { separator, skipEmpty: true });
  if (!parsed.ok) return parsed;
  const rows = parsed.value;
  if (rows.length === 0) return refuse('empty', 'there are no rows', 'contents', 'a table with a row for each thing');
  const titled = titlesOf(rows[0]!);
  if (!titled.ok) return titled;
  if (needed && !titled.value) return refuse('title', 'no title over its columns is known', 'row 1', ITEM_COLUMNS.map(({ title }) => title).join(', '));
  const columns = titled.value?.columns ?? ITEM_COLUMNS.slice(from).map((column) => ({ column, unit }));
  const missing = SIZES.find((key) => !columns.some(({ column }) => column.key === key));
  if (needed && missing !== undefined) return refuse('no-column', `there is no column ‘${missing}’`, 'row 1', `a column for each of ${SIZES.join(', ')}`);
  const body = titled.value ? rows.slice(1) : rows;
  if (needed && body.length === 0) return refuse('empty', 'there are no rows under its titles', 'contents', 'a row for each thing');
  if (there + body.length > MAX_ITEMS) return tooMany(body.length, there);
  const items: Item[] = [];
  for (const [index, cells] of body.entries()) {
    const line = `row ${index + 1 + (titled.value ? 1 : 0)}`;
    if (cells.length > columns.length && cells.slice(columns.length).some((cell) => cell.trim() !== ''))
      return refuse(
        'too-many-cells',
        `there are ${cells.length} cells`,
        line,
        `at most ${columns.length}: ${columns.map(({ column }) => column.title).join(', ')}`,
      );
    let item: Item = newItem({ id: newId(), order: order + index, unit });
    for (const [at, cell] of cells.entries()) {
      const target = columns[at];
      // An empty cell keeps the default of a new item; only a name is required.
      if (!target?.column || (cell.trim() === '' && target.column.key !== 'name')) continue;
      const where = `${line}, ${target.column.title}`;
      const read = cell === NOT_WORKED_OUT ? notWorkedOut(where) : readCell(target.column, unescaped(cell), target.unit ?? unit, where);
      if (!read.ok) return read;
      item = { ...item, [target.column.key]: read.value };
    }
    items.push(item);
  }
  return accept({ items });
}

/** More items than one project can hold, existing ones included. */
export const tooMany = (rows: number, there: number): Outcome<never> =>
  refuse('too-many', `there are ${rows} rows${there > 0 ? `, and ${there} things are there already` : ''}`, 'contents', `at most ${MAX_ITEMS}`);

/** Sizes decide the shelves: a table without them is no contents table. */
export const SIZES = ['width', 'depth', 'height'] as const;

interface Titles {
  readonly columns: readonly { readonly column: ItemTableColumn; readonly unit: DisplayUnit | null }[];
}

/** The first row as titles; null when it is data. */
function titlesOf(cells: readonly string[]): Outcome<Titles | null> {
  const read = cells.map((cell) => {
    const words = cell.trim().toLowerCase();
    const unit = /\((mm|in)\)$/.exec(words);
    const text = unit ? words.slice(0, unit.index).trimEnd() : words;
    const column = ITEM_COLUMNS.find(({ title, key }) => title === text || key.toLowerCase() === text);
    return column ? { column, unit: (unit?.[1] as DisplayUnit | undefined) ?? null } : null;
  });
  const known = read.filter((each) => each !== null);
  // Two titles, or the title of the first column: no item is called 'what'.
  if (known.length < 2 && !known.some(({ column }) => column.key === 'name')) return accept(null);
  const strange = read.indexOf(null);
  if (strange >= 0)
    return refuse('title', `'${cells[strange]!.slice(0, 40)}' is no column`, `row 1, cell ${strange + 1}`, ITEM_COLUMNS.map(({ title }) => title).join(', '));
  const twice = known.find(({ column }, index) => known.findIndex((other) => other.column === column) !== index);
  if (twice) return refuse('title', `the column '${twice.column.title}' stands twice`, 'row 1', 'each column once');
  return accept({ columns: known });
}
