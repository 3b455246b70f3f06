/** Rows of a table from elsewhere as items. */
import { ITEM_COLUMNS, MAX_ITEMS, newItem, readCell, type ItemColumnKey } from '../contents/item-form.ts';
import { MASS_UNITS, readWeight } from '../contents/weight.ts';
import type { DisplayUnit } from '../length/length.ts';
import { accept, refuse } from '../problem/problem.ts';
import { SIZES, tooMany } from './contents-csv.ts';
import { isOneOf, lengthCell, type TableColumn, type TableKind } from './foreign-table.ts';
import type { Item } from '../model/item.ts';

/** Other titles people use for such columns. */
const ALIASES: Readonly<Partial<Record<ItemColumnKey, readonly string[]>>> = {
  name: ['name', 'item', 'thing', 'article', 'description', 'object'],
  count: ['qty', 'quantity', 'number', 'no', 'pieces', 'pcs', 'how many', 'amount'],
  width: ['w', 'wide', 'breadth', 'across'],
  depth: ['d', 'length', 'l', 'front to back'],
  height: ['h', 'tall'],
  kg: ['weight', 'mass', 'kg', 'weight each'],
  material: ['material'],
  near: ['group', 'set'],
};

export const THING_COLUMNS: readonly TableColumn<ItemColumnKey>[] = ITEM_COLUMNS.map(({ key, title, type }) => ({
  key,
  title,
  measure: type === 'length' ? 'length' : type === 'mass' ? 'mass' : 'none',
  aliases: ALIASES[key] ?? [],
}));

export interface ThingOptions {
  readonly unit: DisplayUnit;
  readonly order: number;
  readonly newId: () => string;
  /** Number of items that exist already. */
  readonly there?: number;
}

export const thingsTable = ({ unit, order, newId, there = 0 }: ThingOptions): TableKind<Item, ItemColumnKey> => ({
  columns: THING_COLUMNS,
  needed: ['name', ...SIZES],
  unit,
  blank: (index) => newItem({ id: newId(), order: order + index, unit }),
  put(item, key, cell, cellUnit, where) {
    const column = ITEM_COLUMNS.find((each) => each.key === key)!;
    // An empty cell keeps the default of a new item; sizes are required, because they decide the shelves.
    if (cell === '' && column.type === 'length' && !column.optional) return refuse('cell', `${column.title} is empty`, where, 'a length');
    if (cell === '' && column.type !== 'text') return accept(item);
    const read =
      column.type === 'mass'
        ? readWeight(cell, isOneOf(MASS_UNITS, cellUnit) ? cellUnit : 'kg', where)
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
  whole: (items) => (there + items.length > MAX_ITEMS ? tooMany(items.length, there) : accept(items)),
});
