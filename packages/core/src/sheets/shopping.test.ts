import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { guessColumns, readForeign, readForeignTable } from '../formats/foreign-table.ts';
import { productsTable } from '../formats/products-table.ts';
import { readProjectFile } from '../formats/project-file.ts';
import { shoppingCsv } from '../formats/shopping-csv.ts';
import { amountText, shoppingText } from '../formats/shopping-words.ts';
import { planBuild } from '../journal/build-job.ts';
import { plan } from '../planner/plan.ts';
import { shoppingCost, shoppingOf } from './shopping.ts';

const read = readProjectFile(readFileSync(new URL('../../../../examples/print-room.carcass.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.problem.message);
const { design, record, workshop } = read.value;
const made = plan(design, record, workshop);
const build = planBuild(made, design, record, workshop, []);
const bought = [
  { product: 'birch-18', count: 2 },
  { product: 'birch-6', count: 1 },
];
const list = shoppingOf(made, design, workshop, bought, build);
const find = (what: string) => list.filter((line) => line.what === what);

describe('the shopping list', () => {
  test('sheets first, with their prices; then what is screwed on and in, by length', () => {
    expect(list.slice(0, 2).map(({ kind, amount, price }) => [kind, amount, price])).toEqual([
      ['sheet', 2, workshop.products['birch-18']!.price],
      ['sheet', 1, workshop.products['birch-6']!.price],
    ]);
    // Each strip on the wall has its screws counted once, by the holes that are bored for them.
    const strips = list.filter(({ kind, size }) => kind === 'fastener' && size !== null);
    expect(strips.length).toBeGreaterThan(2);
    expect(new Set(list.map(({ id }) => id)).size).toBe(list.length);
    expect(find('yellow wood glue')).toMatchObject([{ in: 'joints', for: [] }]);
    expect(find('yellow wood glue')[0]!.amount).toBe(
      build.steps.reduce((sum, { detail }) => sum + (detail.kind === 'glue' ? (detail.glue?.joints ?? 0) : 0), 0),
    );
  });

  test('a finish is as many liters as its coats take', () => {
    const coats = build.steps.reduce((sum, { detail }) => sum + (detail.kind === 'coat' ? detail.liters.value : 0), 0);
    expect(list.filter(({ kind }) => kind === 'finish').reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(coats, 9);
  });

  test('nothing is bought where nothing is built', () => expect(shoppingOf({ cabinets: [] }, design, workshop, [], { steps: [] })).toEqual([]));

  test('as text: a box to tick, what is poured rounded up, tax that is not in the prices', () => {
    const text = shoppingText(list, design.name, { currency: 'EUR', tax: { percent: 10, included: false } }, 'mm');
    const { net, tax } = shoppingCost(list, { percent: 10, included: false });
    expect(tax).toBeCloseTo(net / 10, 9);
    expect(text).toContain(`[ ] 2 × ${workshop.products['birch-18']!.name}, 2440 mm × 1220 mm`);
    expect(text).toContain(`In all, as far as prices are known: ${(net * 1.1).toFixed(2)} EUR, ${tax.toFixed(2)} EUR of it tax`);
    expect(shoppingText(list, 'x', { currency: '', tax: { percent: 10, included: true } }, 'mm')).toContain(`known: ${net.toFixed(2)}\n`);
    expect(amountText({ amount: 0.201, in: 'l' }, 'mm')).toBe('0.25 l');
    expect(amountText({ amount: 1001, in: 'mm' }, 'mm')).toBe('1.1 m');
    expect(amountText({ amount: 1, in: 'joints' }, 'in')).toBe('for 1 joint');
  });

  test('as a table it goes to a merchant and comes back with prices', () => {
    const csv = shoppingCsv(list, workshop, 'mm');
    const rows = Papa.parse<Record<string, string>>(csv.trim(), { header: true }).data;
    expect(rows.map((row) => row['what'])).toEqual(list.map(({ what }) => what));
    const filled = Papa.unparse(rows.map((row) => ({ ...row, ...(row['kind'] === 'sheet' ? { price: '55.50' } : {}) })));
    const table = readForeignTable(filled);
    if (!table.ok) throw new Error(table.problem.message);
    const kind = productsTable('mm', workshop.products);
    const back = readForeign(kind, table.value, guessColumns(kind, table.value));
    if (!back.ok) throw new Error(back.problem.message);
    expect(back.value.rows.map(({ id, price }) => [id, price])).toEqual([
      ['birch-18', 55.5],
      ['birch-6', 55.5],
    ]);
    expect(back.value.faults).toHaveLength(list.length - 2);
  });
});
