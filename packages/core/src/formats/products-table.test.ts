import { describe, expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { starterWorkshop } from '../stock/catalogue.ts';
import { entered } from '../length/entered.ts';
import { guessColumns, readForeign, readForeignTable } from './foreign-table.ts';
import { productsCsv, productsTable } from './products-table.ts';
import type { Product } from '../model/workshop.ts';

const { products: KNOWN } = starterWorkshop();

function read(text: string, known: Readonly<Record<string, Product>> = KNOWN, unit: 'mm' | 'in' = 'mm') {
  const table = readForeignTable(text);
  if (!table.ok) throw new Error(table.problem.message);
  const kind = productsTable(unit, known);
  return readForeign(kind, table.value, guessColumns(kind, table.value));
}
const rowsOf = (...given: Parameters<typeof read>) => {
  const made = read(...given);
  if (!made.ok) throw new Error(made.problem.message);
  return made.value;
};

const LIST = [
  'Article;Type;Wood;Thick (mm);Length [cm];Width;Cost',
  'Birch ply, garage grade;sheet;Birch plywood BB;18;244;1220 mm;€ 1.074,50',
  'Pine strip;board;white pine;3/4 in;8 ft;1 1/2 in;3,25',
  'Moon rock;sheet;moon rock;18;244;1220;9',
  'Too thin;sheet;mdf;0,2;244;1220;9',
  'No price;sheet;mdf;12;244;1220;on request',
].join('\n');

describe('a price list of somebody', () => {
  test('materials, lengths with units of their own and prices in any writing are read; what cannot be is told', () => {
    const { rows, faults } = rowsOf(LIST);
    expect(rows.map(({ name, kind, material, price, unit }) => [name, kind, material, price, unit])).toEqual([
      ['Birch ply, garage grade', 'sheet', 'birch-plywood', 1074.5, 'mm'],
      ['Pine strip', 'board', 'white-pine', 3.25, 'in'],
    ]);
    expect(rows.map(({ nominal, length, width }) => [nominal.nm, length.nm, width.nm].map((nm) => nm / 1e6))).toEqual([
      [18, 2440, 1220],
      [19.05, 2438.4, 38.1],
    ]);
    expect(faults.map(({ line, problem }) => [line, problem.where])).toEqual([
      [4, 'row 4, material'],
      [5, 'row 5, thickness'],
      [6, 'row 6, price'],
    ]);
    expect(faults[0]!.problem.accepted).toContain('MDF');
  });

  test.each([
    ['12', 12],
    ['1,234', 1234],
    ['1.234,5', 1234.5],
    ['$1,234.56', 1234.56],
    ['72,5 each', 72.5],
    ['0', 0],
  ])('%s is a price of %d', (text, price) => {
    const { rows } = rowsOf(`what\tmaterial\tthickness\tlength\twidth\tprice\nX\tMDF\t12\t2440\t1220\t${text}`, {});
    expect(rows[0]!.price).toBe(price);
  });

  test('a list in other money is reckoned into the workshop’s, to the cent', () => {
    const table = readForeignTable('what;material;thickness;length;width;price\nX;MDF;12 mm;2440 mm;1220 mm;10,55\n');
    if (!table.ok) throw new Error(table.problem.message);
    const kind = productsTable('mm', {}, 1.17);
    const made = readForeign(kind, table.value, guessColumns(kind, table.value));
    expect(made.ok && made.value.rows[0]!.price).toBe(12.34); // 12.3435
  });

  test('what is known by name and size gets its new price under its id; what is new gets an id of its own', () => {
    const [first] = Object.values(KNOWN);
    const text = productsCsv({ a: { ...first!, price: 99.5 }, b: { ...first!, name: 'Another, like it' }, c: { ...first!, name: 'Another: like it' } });
    const { rows } = rowsOf(text);
    expect(rows.map(({ id, price }) => [id, price])).toEqual([
      [first!.id, 99.5],
      ['another-like-it', first!.price],
      ['another-like-it-2', first!.price],
    ]);
  });

  test('one thing twice is refused as a whole, and so are more than a workshop holds', () => {
    const [first] = Object.values(KNOWN);
    expect(read(productsCsv({ a: first!, b: first! }))).toMatchObject({ ok: false, problem: { code: 'twice' } });
    const full = Object.fromEntries(Array.from({ length: 500 }, (_, n) => [`p${n}`, { ...first!, id: `p${n}`, name: `p${n}` }]));
    expect(read(productsCsv({ a: { ...first!, name: 'One more' } }), full)).toMatchObject({ ok: false, problem: { code: 'too-many' } });
  });

  test('sizes stand as they were typed, and as plain numbers beside', () => {
    const [row] = Papa.parse<Record<string, string>>(productsCsv({ a: { ...Object.values(KNOWN)[0]!, nominal: entered('3/4 in'), price: 1234.5 } }).slice(1), {
      header: true,
    }).data;
    expect(row).toMatchObject({ thickness: '3/4 in', 'thickness in mm': '19.05', price: '1234.5' });
  });

  test('written and read again it is the same, also by another reader', () => {
    const text = productsCsv(KNOWN);
    const { rows, faults } = rowsOf(text);
    expect(faults).toEqual([]);
    // What is shown in is taken from the thickness.
    expect(Object.fromEntries(rows.map((product) => [product.id, { ...product, unit: KNOWN[product.id]!.unit }]))).toEqual(KNOWN);
    expect(
      Papa.parse<Record<string, string>>(text, { header: true })
        .data.slice(0, -1)
        .map((row) => row['what']),
    ).toEqual(Object.values(KNOWN).map(({ name }) => name));
  });
});
