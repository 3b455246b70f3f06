import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import * as fc from 'fast-check';
import { plan } from '../planner/plan.ts';
import { mutationsOf } from '../test/mutated.ts';
import { cutListCsv } from './cut-list-csv.ts';
import { designCodec } from './design-codec.ts';
import { guessColumns, readForeign, readForeignTable } from './foreign-table.ts';
import { partsTable } from './parts-table.ts';
import { readProjectFile } from './project-file.ts';

const read = readProjectFile(readFileSync(new URL('../../../../examples/print-room.carcass.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.problem.message);
const { design, record, workshop } = read.value;

function parts(text: string, there = 0) {
  let n = 0;
  const kind = partsTable({ unit: 'in', products: workshop.products, stock: 'birch-18', order: 1, newId: () => `n${(n += 1)}`, there });
  const table = readForeignTable(text);
  if (!table.ok) throw new Error(table.problem.message);
  return readForeign(kind, table.value, guessColumns(kind, table.value));
}

describe('a cut list as parts without a cabinet', () => {
  test('ours comes in with its exact sizes, whatever unit it is read in', () => {
    const made = plan(design, record, workshop);
    const sheets = made.parts.filter(({ mark }) => mark.startsWith('A'));
    const list = parts(cutListCsv(sheets, workshop, () => 'in'));
    if (!list.ok) throw new Error(list.problem.message);
    expect(list.value.faults).toEqual([]);
    expect(list.value.rows.map(({ count, length, width, stock }) => [count, length.nm, width.nm, stock])).toEqual(
      sheets.map(({ count, length, width, stock }) => [count, length.value, width.value, stock]),
    );
  });

  test('every row of ours comes back, of a wall with every family on it', () => {
    const back = readProjectFile(readFileSync(new URL('../../../../examples/print-room-back.carcass.json', import.meta.url), 'utf8'));
    if (!back.ok) throw new Error(back.problem.message);
    const made = plan(back.value.design, back.value.record, workshop);
    const list = parts(cutListCsv(made.parts, workshop, () => 'in'));
    if (!list.ok) throw new Error(list.problem.message);
    expect(list.value.faults.map(({ problem }) => problem)).toEqual([]);
    expect(list.value.rows.some(({ name }) => / and \d+ more$/.test(name))).toBe(true);
    expect(list.value.rows.map(({ count }) => count)).toEqual(made.parts.map(({ count }) => count));
  });

  test('anybody’s too; what cannot be is told', () => {
    const list = parts(
      'Description;Qty;Length (cm);Width;Material\nTray;2 pcs;40;9 1/2;birch plywood 18 mm\nLid;two;40;9;\nBox;1;0,2;9;\nRod;1;40;9;moon rock\n',
    );
    if (!list.ok) throw new Error(list.problem.message);
    expect(list.value.rows).toMatchObject([{ name: 'Tray', count: 2, length: { nm: 400e6 }, width: { nm: 241.3e6 }, stock: 'birch-18' }]);
    expect(list.value.faults.map(({ problem }) => problem.where)).toEqual(['row 3, count', 'row 4, length', 'row 5, stock']);
    expect(parts('part,length,width\nA,4,4\n', 300)).toMatchObject({ ok: false, problem: { code: 'too-many' } });
  });

  test('spoiled lists: each row a part a file can hold, or a fault', () => {
    const good = cutListCsv(plan(design, record, workshop).parts.slice(0, 6), workshop, () => 'mm');
    fc.assert(
      fc.property(mutationsOf(good), (text) => {
        const table = readForeignTable(text);
        if (!table.ok) return;
        const list = parts(text);
        if (!list.ok) return expect(list.problem.message).not.toBe('');
        expect(list.value.rows.length + list.value.faults.length).toBe(table.value.rows.length);
        const whole = { ...design, loose: Object.fromEntries(list.value.rows.map((part) => [part.id, part])) };
        expect(designCodec.read(designCodec.write(whole), 'design').loose).toEqual(whole.loose);
      }),
      { numRuns: 300 },
    );
  });
});
