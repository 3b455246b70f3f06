/** Rows of a price list, or of any table, as sheets and boards for sale. A product with a known name and size gets the new price. */
import { enter, entered } from '../length/entered.ts';
import { toMm, type DisplayUnit } from '../length/length.ts';
import { accept, refuse, type Outcome } from '../problem/problem.ts';
import { MATERIALS } from '../stock/materials.ts';
import { csvText } from './csv.ts';
import { lengthCell, type CellUnit, type TableColumn, type TableKind } from './foreign-table.ts';
import { MAX_PRODUCTS, PRODUCT_LIMITS } from './workshop-codec.ts';
import type { MaterialId, Product } from '../model/workshop.ts';

export type ProductKey = 'name' | 'kind' | 'material' | 'nominal' | 'length' | 'width' | 'price' | 'grain' | 'faced';

export const PRODUCT_COLUMNS: readonly TableColumn<ProductKey>[] = [
  { key: 'name', title: 'what', measure: 'none', aliases: ['name', 'article', 'description', 'product', 'item'] },
  { key: 'kind', title: 'kind', measure: 'none', aliases: ['type'] },
  { key: 'material', title: 'material', measure: 'none', aliases: ['made of', 'wood', 'species'] },
  { key: 'nominal', title: 'thickness', measure: 'length', aliases: ['thick', 't', 'nominal', 'gauge'] },
  { key: 'length', title: 'length', measure: 'length', aliases: ['l', 'long'] },
  { key: 'width', title: 'width', measure: 'length', aliases: ['w', 'wide', 'breadth'] },
  { key: 'price', title: 'price', measure: 'none', aliases: ['price each', 'each', 'cost', 'unit price'] },
  { key: 'grain', title: 'grain', measure: 'none', aliases: [] },
  { key: 'faced', title: 'faced', measure: 'none', aliases: ['melamine', 'laminated', 'coated'] },
];

const NAME_LENGTH = 80;
const MAX_PRICE = 1e6;
const named = (id: MaterialId): string => MATERIALS[id].name.toLowerCase();

/** `known`: existing products; `rate`: the workshop's money per one of the list's. */
export const productsTable = (unit: DisplayUnit, known: Readonly<Record<string, Product>>, rate = 1): TableKind<Product, ProductKey> => ({
  columns: PRODUCT_COLUMNS,
  // A shopping list that comes back filled in has more than prices.
  forReading: ['how many', 'pieces', 'for'],
  needed: ['name', 'material', 'nominal', 'length', 'width', 'price'],
  unit,
  // Every required field overwrites it.
  blank: () => ({
    id: '',
    name: '',
    kind: 'sheet',
    material: 'birch-plywood',
    nominal: entered('18 mm'),
    length: entered('2440 mm'),
    width: entered('1220 mm'),
    price: 0,
    faced: false,
    grain: 'length',
    unit,
  }),
  put: (product, key, cell, cellUnit, where) => put(product, key, cell, cellUnit, where, rate),
  whole: (products) => withIds(products, known),
});

function put(product: Product, key: ProductKey, cell: string, unit: CellUnit | null, where: string, rate: number): Outcome<Product> {
  const set = (value: Partial<Product>): Outcome<Product> => accept({ ...product, ...value });
  switch (key) {
    case 'name':
      return cell === '' || cell.length > NAME_LENGTH
        ? refuse('cell', cell === '' ? 'what is empty' : 'the name is too long', where, `a name of up to ${NAME_LENGTH} letters`)
        : set({ name: cell });
    case 'kind':
      if (cell === '') return accept(product);
      return /^sheets?$|^panel/i.test(cell)
        ? set({ kind: 'sheet' })
        : /^(boards?|lumber|timber|strip)$/i.test(cell)
          ? set({ kind: 'board' })
          : refuse('cell', `'${cell}' is no kind`, where, 'sheet or board');
    case 'material': {
      const ids = Object.keys(MATERIALS) as MaterialId[];
      const found = materialCalled(cell.toLowerCase().replaceAll('-', ' '), ids);
      return found
        ? set({ material: found })
        : refuse('cell', `'${cell.slice(0, 40)}' is no material that is known`, where, ids.map((id) => MATERIALS[id].name).join('; '));
    }
    case 'nominal':
    case 'length':
    case 'width': {
      const { least, most } = key === 'nominal' ? PRODUCT_LIMITS.thickness : PRODUCT_LIMITS.side;
      const text = lengthCell(cell, unit);
      const read = enter(text, product.unit);
      if (!read.ok || read.value.nm < least || read.value.nm > most)
        return refuse(
          'cell',
          cell === '' ? `${key === 'nominal' ? 'thickness' : key} is empty` : `'${cell.slice(0, 40)}' is no such length`,
          where,
          `a length from ${least / 1e6} mm to ${most / 1e6} mm`,
        );
      return set({ [key]: read.value, ...(key === 'nominal' ? { unit: /in|"|'|ft/.test(text) ? 'in' : /m/.test(text) ? 'mm' : product.unit } : {}) });
    }
    case 'price': {
      // Every separator but the last groups thousands, and the last does too where three digits follow it.
      const bare = cell.replace(/[^\d.,-]/g, '');
      const plain = bare.replace(/[.,](?=.*[.,]|\d{3}$)/g, '').replace(',', '.');
      const price = plain === '' ? NaN : Number(plain) * rate;
      return price >= 0 && price <= MAX_PRICE
        ? set({ price: Math.round(price * 100) / 100 })
        : refuse('cell', `'${cell.slice(0, 40)}' is no price`, where, `an amount from 0 to ${MAX_PRICE}`);
    }
    case 'grain':
      return cell === '' || /^(length|long|along|yes|lengthwise)$/i.test(cell)
        ? set({ grain: 'length' })
        : /^(none|no|-)$/i.test(cell)
          ? set({ grain: 'none' })
          : refuse('cell', `'${cell.slice(0, 40)}' is no grain`, where, 'length or none');
    case 'faced':
      return cell === '' || /^(no|n|0|false)$/i.test(cell)
        ? set({ faced: false })
        : /^(yes|y|x|1|true)$/i.test(cell)
          ? set({ faced: true })
          : refuse('cell', `'${cell.slice(0, 40)}' says neither yes nor no`, where, 'yes or no');
  }
}

/** By its id or name, or the longest name among the words, or the only name that contains all of them. */
function materialCalled(words: string, ids: readonly MaterialId[]): MaterialId | undefined {
  const exact = ids.find((id) => id.replaceAll('-', ' ') === words || named(id) === words);
  if (exact || words === '') return exact;
  const [within] = ids.filter((id) => words.includes(named(id)) || words.includes(id.replaceAll('-', ' '))).sort((a, b) => named(b).length - named(a).length);
  const all = ids.filter((id) => words.split(/\s+/).every((word) => named(id).includes(word)));
  return within ?? (all.length === 1 ? all[0] : undefined);
}

/** A known name and size keeps its id: only price and details change. */
function withIds(products: readonly Product[], known: Readonly<Record<string, Product>>): Outcome<readonly Product[]> {
  const taken = new Set(Object.keys(known));
  const rows: Product[] = [];
  for (const product of products) {
    const same = (other: Product): boolean =>
      other.name.toLowerCase() === product.name.toLowerCase() && other.length.nm === product.length.nm && other.width.nm === product.width.nm;
    const before = Object.values(known).find(same);
    if (rows.some(same)) return refuse('twice', `'${product.name}' of this size is in the table twice`, 'table', 'each sheet and board once');
    if (before) rows.push({ ...product, id: before.id });
    else {
      const stem =
        product.name
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, '-')
          .replace(/^-|-$/g, '')
          .slice(0, 50) || 'stock';
      let id = stem;
      for (let n = 2; taken.has(id); n++) id = `${stem}-${n}`;
      taken.add(id);
      rows.push({ ...product, id });
    }
  }
  return taken.size > MAX_PRODUCTS
    ? refuse('too-many', `there would be ${taken.size} kinds of sheet and board`, 'table', `at most ${MAX_PRODUCTS}`)
    : accept(rows);
}

/** Products as a table with our titles: lengths as typed with their units, and as plain millimeters, which are not read back. */
export function productsCsv(products: Readonly<Record<string, Product>>): string {
  const rows = Object.values(products).map(({ name, kind, material, nominal, length, width, price, grain, faced }) => [
    name,
    kind,
    MATERIALS[material].name,
    nominal.text,
    length.text,
    width.text,
    price,
    grain,
    faced ? 'yes' : 'no',
    toMm(nominal.nm),
    toMm(length.nm),
    toMm(width.nm),
  ]);
  return csvText([[...PRODUCT_COLUMNS.map(({ title }) => title), 'thickness in mm', 'length in mm', 'width in mm'], ...rows]);
}
