import { describe, expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import type { ItemColumnKey } from '../contents/item-form.ts';
import { guessColumns, leftOutCsv, readForeign, readForeignTable, type ColumnChoice, type ForeignTable } from './foreign-table.ts';
import { thingsTable } from './things-table.ts';

const kind = (there = 0, unit: 'mm' | 'in' = 'mm') => {
  let n = 0;
  return thingsTable({ unit, order: 5, newId: () => `n${(n += 1)}`, there });
};
const table = (text: string): ForeignTable => {
  const read = readForeignTable(text);
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
};
const taken = (text: string) => {
  const read = table(text);
  const made = readForeign(kind(), read, guessColumns(kind(), read));
  if (!made.ok) throw new Error(made.problem.message);
  return made.value;
};

const STORE = [
  'Article;Qty;Width cm;Depth (mm);Height [in];Weight (lb);Remarks',
  'Ink tin;12;9,5;95;4 1/2;2,25;black',
  'Brayer;3 pcs;30 mm;25,5 cm;1\' 2";3 lb 4 oz;',
  ';2;10;100;4;1;no name',
  '',
  'Roller;two;10;100;4;1;',
  'Type case;1,0;;810;1 1/4;800 g;no width',
].join('\r\n');

describe('a table somebody else made', () => {
  test('its separator, titles and units are found', () => {
    const read = table(`\uFEFF${STORE}`);
    expect([read.separator, read.titles.length, read.rows.map(({ line }) => line)]).toEqual([';', 7, [2, 3, 4, 6, 7]]);
    expect(guessColumns(kind(0, 'in'), read)).toEqual([
      { key: 'name', unit: null },
      { key: 'count', unit: null },
      { key: 'width', unit: 'cm' },
      { key: 'depth', unit: 'mm' },
      { key: 'height', unit: 'in' },
      { key: 'kg', unit: 'lb' },
      { key: null, unit: null },
    ]);
  });

  test('good rows come in, bad rows are listed with their row and reason, in one go', () => {
    const { rows: items, faults } = taken(STORE);
    expect(items.map(({ name, count, order, id }) => [name, count, order, id])).toEqual([
      ['Ink tin', 12, 5, 'n1'],
      ['Brayer', 3, 6, 'n2'],
    ]);
    expect(items.map(({ width, depth, height }) => [width, depth, height].map(({ nm }) => nm / 1e6))).toEqual([
      [95, 95, 114.3],
      [30, 255, 355.6],
    ]);
    expect(items.map(({ kg }) => kg)).toEqual([1.0206, 1.4742]);
    expect(faults.map(({ line, problem }) => [line, problem.where, problem.message])).toEqual([
      [4, 'row 4, what', 'what is empty'],
      [6, 'row 6, count', "'two' is no count"],
      [7, 'row 7, width', 'width is empty'],
    ]);
  });

  test('what was left out is handed back with its reason, and comes in once it is put right', () => {
    const read = table(STORE);
    const { faults } = taken(STORE);
    const again = table(leftOutCsv(read, faults).replace(';2;10', 'Bodkin;2;10').replace('two', '2').replace('1,0;;810', '1,0;46;810'));
    expect(again.titles.at(-1)).toBe('why it was left out');
    const made = readForeign(kind(), again, guessColumns(kind(), again));
    expect(made.ok && made.value.rows.map(({ name }) => name)).toEqual(['Bodkin', 'Roller', 'Type case']);
    expect(made.ok && made.value.faults).toEqual([]);
  });

  test.each([
    ['name,count\nTin,3', ','],
    ['name\tcount\nTin\t3', '\t'],
    ['name|count\nTin|3', '|'],
    ['name;count\n"Tin; the large";3', ';'],
  ])('%j is parted at %j', (text, separator) => expect(table(text).separator).toBe(separator));

  test.each([
    ['', 'no rows'],
    ['what,count', 'no rows'],
    ['PK\u0003\u0004\0\0', 'no text'],
    ['what\n"open', 'does not end'],
    [`what\n${'x\n'.repeat(1001)}`, '1001 rows'],
    [`what${',a'.repeat(60)}\nTin`, '61 columns'],
  ])('case %# is refused as a whole', (text, message) => {
    const read = readForeignTable(text);
    expect(!read.ok && read.problem.message).toContain(message);
  });

  test('without a column for what things are or how large, or with two for one, nothing is read', () => {
    const read = table('a,b\nTin,3');
    expect(
      readForeign(kind(), read, [
        { key: 'count', unit: null },
        { key: null, unit: null },
      ]),
    ).toMatchObject({ ok: false, problem: { code: 'no-column' } });
    const both: ColumnChoice<ItemColumnKey>[] = [
      { key: 'name', unit: null },
      { key: 'name', unit: null },
      ...(['width', 'depth', 'height'] as const).map((key) => ({ key, unit: null })),
    ];
    expect(readForeign(kind(), read, [{ key: 'name', unit: null }])).toMatchObject({ ok: false, problem: { message: 'no column is taken for ‘width’' } });
    expect(readForeign(kind(), read, both)).toMatchObject({ ok: false, problem: { code: 'twice' } });
  });

  test('more than a project can hold is refused, with what is there already', () => {
    const read = table('name,count,width,depth,height\nTin,3,4,5,6\nBox,1,4,5,6');
    const made = (there: number) => readForeign(kind(there), read, guessColumns(kind(), read));
    expect(made(998).ok).toBe(true);
    expect(made(999)).toMatchObject({ ok: false, problem: { message: 'there are 2 rows, and 999 things are there already', accepted: 'at most 1000' } });
  });

  test('whatever it holds, every row is either a thing or a fault, and none is lost', () => {
    const cell = fc.oneof(fc.string({ maxLength: 12 }), fc.constantFrom('12', '12,5', '3 1/2 in', '800 g', '=1+1', '"', '\n', '1\' 2"', '-5', '1e9', 'NaN'));
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 6, maxLength: 6 }), { minLength: 1, maxLength: 8 }),
        fc.constantFrom(';', ',', '\t'),
        (rows, separator) => {
          const quoted = rows.map((cells) => cells.map((text) => `"${text.replaceAll('"', '""')}"`).join(separator));
          const read = readForeignTable(['name', 'qty', 'width', 'depth', 'height', 'weight'].join(separator) + '\n' + quoted.join('\n'), separator);
          const filled = rows.filter((cells) => cells.some((text) => text.trim() !== ''));
          if (text0(rows) || filled.length === 0) return;
          if (!read.ok) throw new Error(read.problem.message);
          const made = readForeign(kind(), read.value, guessColumns(kind(), read.value));
          if (!made.ok) throw new Error(made.problem.message);
          const { rows: items, faults } = made.value;
          expect(items.length + faults.length).toBe(filled.length);
          for (const { width, kg, count } of items) {
            expect(width.nm).toBeGreaterThanOrEqual(1e6);
            expect(kg === null || (kg >= 0 && kg <= 500)).toBe(true);
            expect(Number.isInteger(count) && count >= 1).toBe(true);
          }
          for (const { problem } of faults) expect(problem.message !== '' && problem.accepted !== '').toBe(true);
        },
      ),
      { numRuns: 300 },
    );
  });
});

const text0 = (rows: readonly (readonly string[])[]): boolean => rows.some((cells) => cells.some((text) => text.includes('\0')));
