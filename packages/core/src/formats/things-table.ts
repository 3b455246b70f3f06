/** Rows of somebody else's table as things that must be held. */
import { ITEM_COLUMNS, MOST_ITEM_KG, MOST_ITEMS, newItem, readCell, type ColumnKey } from '../contents/item-form.ts';
import type { Item } from '../contents/item.ts';
import type { DisplayUnit } from '../length/length.ts';
import { accept, refuse, type Outcome } from '../problem/problem.ts';
import { tooMany } from './contents-csv.ts';
import { isOneOf, KG, lengthCell, MASS_UNITS, type TableColumn, type TableKind } from './foreign-table.ts';

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

export const THING_COLUMNS: readonly TableColumn<ColumnKey>[] = ITEM_COLUMNS.map(({ key, title, type }) => ({
  key,
  title,
  measure: type === 'length' ? 'length' : type === 'mass' ? 'mass' : 'none',
  said: SAID[key] ?? [],
}));

export interface ThingOptions {
  readonly unit: DisplayUnit;
  readonly order: number;
  readonly newId: () => string;
  /** So many things are there already. */
  readonly there?: number;
}

export const thingsTable = ({ unit, order, newId, there = 0 }: ThingOptions): TableKind<Item, ColumnKey> => ({
  columns: THING_COLUMNS,
  needed: ['name'],
  unit,
  blank: (index) => newItem({ id: newId(), order: order + index, unit }),
  put(item, key, cell, cellUnit, where) {
    const column = ITEM_COLUMNS.find((each) => each.key === key)!;
    // What is empty keeps what a new thing has; a size must be known, for it is what shelves are made by.
    if (cell === '' && column.type === 'length' && !column.optional) return refuse('cell', `${column.title} is empty`, where, 'a length');
    if (cell === '' && column.type !== 'text') return accept(item);
    const read =
      column.type === 'mass'
        ? readMass(cell, isOneOf(MASS_UNITS, cellUnit) ? cellUnit : 'kg', where)
        : readCell(
            column,
            column.type === 'length'
              ? lengthCell(cell, cellUnit)
              : column.type === 'count'
                ? cell.replace(/[.,]0+$/, '').replace(/\s*(pcs?|pieces?|x)\.?$/i, '')
                : cell,
            unit,
            where,
          );
    return read.ok ? accept({ ...item, [key]: read.value }) : read;
  },
  whole: (items) => (there + items.length > MOST_ITEMS ? tooMany(items.length, there) : accept(items)),
});

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
