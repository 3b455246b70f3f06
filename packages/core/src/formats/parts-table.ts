/** Rows of a cut list, ours or another program's, as loose parts. */
import { enter, entered } from '../length/entered.ts';
import { mm, type DisplayUnit } from '../length/length.ts';
import { accept, refuse, type Outcome } from '../problem/problem.ts';
import { lengthCell, type CellUnit, type TableColumn, type TableKind } from './foreign-table.ts';
import { MAX_LOOSE, MAX_LOOSE_COUNT, type LoosePart } from '../model/loose-part.ts';
import type { Workshop } from '../model/workshop.ts';

export type PartKey = 'name' | 'count' | 'length' | 'width' | 'stock' | 'grain';

const PART_COLUMNS: readonly TableColumn<PartKey>[] = [
  { key: 'name', title: 'part', measure: 'none', aliases: ['name', 'what', 'description', 'label', 'piece'] },
  { key: 'count', title: 'count', measure: 'none', aliases: ['qty', 'quantity', 'pieces', 'pcs', 'number', 'how many'] },
  // Our own list gives each size twice: as on a tape, and exactly.
  { key: 'length', title: 'length', measure: 'length', aliases: ['length exact', 'l', 'long'] },
  { key: 'width', title: 'width', measure: 'length', aliases: ['width exact', 'w', 'wide', 'breadth'] },
  { key: 'stock', title: 'stock', measure: 'none', aliases: ['material', 'sheet', 'out of', 'from'] },
  { key: 'grain', title: 'grain', measure: 'none', aliases: [] },
];

export const PART_SIDE = { least: mm(5), most: mm(10_000) } as const;
const NAME_LENGTH = 80;

export interface PartOptions {
  readonly unit: DisplayUnit;
  readonly products: Workshop['products'];
  /** The sheet of rows that name none. */
  readonly stock: string;
  readonly order: number;
  readonly newId: () => string;
  /** Number of loose parts that exist already. */
  readonly there: number;
}

export const partsTable = ({ unit, products, stock, order, newId, there }: PartOptions): TableKind<LoosePart, PartKey> => ({
  columns: PART_COLUMNS,
  forReading: ['mark', 'thickness', 'unit', 'edges banded', 'features', 'thickness exact mm', 'mirror of'],
  needed: ['name', 'length', 'width'],
  unit,
  blank: (index) => ({
    id: newId(),
    order: order + index,
    name: '',
    stock,
    count: 1,
    length: entered('100 mm'),
    width: entered('100 mm'),
    grain: 'length',
    outline: [],
  }),
  put: (part, key, cell, cellUnit, where) => put(part, key, cell, cellUnit, where, unit, products),
  whole: (parts) =>
    there + parts.length > MAX_LOOSE
      ? refuse('too-many', `there are ${parts.length} rows, and ${there} parts without a cabinet are there already`, 'table', `at most ${MAX_LOOSE}`)
      : accept(parts),
});

function put(
  part: LoosePart,
  key: PartKey,
  cell: string,
  cellUnit: CellUnit | null,
  where: string,
  unit: DisplayUnit,
  products: Workshop['products'],
): Outcome<LoosePart> {
  switch (key) {
    case 'name':
      return cell === '' || cell.length > NAME_LENGTH
        ? refuse('cell', cell === '' ? 'the part has no name' : 'the name is too long', where, `a name of up to ${NAME_LENGTH} letters`)
        : accept({ ...part, name: cell });
    case 'count': {
      const count = cell === '' ? 1 : Number(cell.replace(/[.,]0+$/, '').replace(/\s*(pcs?|pieces?|x)\.?$/i, ''));
      return Number.isInteger(count) && count >= 1 && count <= MAX_LOOSE_COUNT
        ? accept({ ...part, count })
        : refuse('cell', `'${cell.slice(0, 40)}' is no count`, where, `a whole number from 1 to ${MAX_LOOSE_COUNT}`);
    }
    case 'length':
    case 'width': {
      const read = enter(lengthCell(cell, cellUnit), unit);
      return read.ok && read.value.nm >= PART_SIDE.least && read.value.nm <= PART_SIDE.most
        ? accept({ ...part, [key]: read.value })
        : refuse('cell', cell === '' ? `${key} is empty` : `'${cell.slice(0, 40)}' is no such length`, where, 'a length from 5 mm to 10 m');
    }
    case 'stock': {
      if (cell === '') return accept(part);
      const words = cell.toLowerCase();
      const found = Object.values(products).find(({ id, name }) => id === words || name.toLowerCase() === words);
      return found
        ? accept({ ...part, stock: found.id })
        : refuse(
            'cell',
            `'${cell.slice(0, 40)}' is nothing the workshop has`,
            where,
            Object.values(products)
              .map(({ name }) => name)
              .join('; '),
          );
    }
    case 'grain':
      if (cell === '' || /length|long|along/i.test(cell)) return accept({ ...part, grain: 'length' });
      if (/width|across/i.test(cell)) return accept({ ...part, grain: 'width' });
      return /any|none|no|either|-/i.test(cell)
        ? accept({ ...part, grain: 'none' })
        : refuse('cell', `'${cell.slice(0, 40)}' is no grain`, where, 'length, width or any');
  }
}
