/** Test cuts: what they teach, and what later setups make of it. */
import { expect, test } from '@jest/globals';
import { entered, exactly } from '../length/entered.ts';
import { recordCodec } from '../formats/record-codec.ts';
import type { RecordEntry } from '../plan/design.ts';
import { standingTestCuts } from '../plan/design.ts';
import { planWith } from '../test/print-room.ts';
import { usualShop } from '../stock/shop.ts';
import { learnedFrom, STACK_ID, withLearned, type TestCut } from './learned.ts';
import { setupsOf } from './setups.ts';

const cut = (thick: string, came: string, cutter = STACK_ID): TestCut => ({ cutter, thick: entered(thick), came: entered(came) });

test('what a cutter cuts over itself is the mean of its last five test cuts', () => {
  const said = (...cuts: TestCut[]) => learnedFrom(cuts).over.get(STACK_ID)?.nm;
  expect(said(cut('17.8 mm', '17.9 mm'))).toBe(100_000);
  expect(said(cut('17.8 mm', '17.9 mm'), cut('6.4 mm', '6.6 mm'))).toBe(150_000);
  const old = Array.from({ length: 7 }, () => cut('10 mm', '11 mm'));
  expect(said(...old, ...Array.from({ length: 5 }, () => cut('10 mm', '9.9 mm')))).toBe(-100_000);
  expect(learnedFrom([]).over.size).toBe(0);
});

test('a stack that cuts 0.1 mm over is set up 0.1 mm thinner, for every later slot, and a bit as much', () => {
  const shop = usualShop();
  const { unit } = planWith().byId.get('ink')!;
  const before = setupsOf([unit], shop).setups.flatMap(({ setting }) => (setting.stack ? [setting.stack] : []));
  const after = setupsOf([unit], withLearned(shop, learnedFrom([cut('17.9 mm', '18 mm')]))).setups.flatMap(({ setting }) =>
    setting.stack ? [setting.stack] : [],
  );
  const thick = ({ chippers, shims }: (typeof before)[number]): number => [...chippers, ...shims].reduce<number>((sum, nm) => sum + nm, 6_400_000);
  expect(before.length).toBeGreaterThan(1);
  expect(after.map(({ cuts, over }) => cuts + over)).toEqual(before.map(({ cuts, over }) => cuts + over));
  expect(after.map(thick)).toEqual(before.map((set) => thick(set) - 100_000));
  const bit = Object.values(shop.bits).find(({ kind }) => kind === 'straight')!;
  expect(withLearned(shop, learnedFrom([cut('3 mm', '3.05 mm', bit.id)])).bits[bit.id]!.over).toEqual(exactly(50_000));
});

test('one that is taken back is forgotten', () => {
  const entry: RecordEntry = { id: 't1', at: '2026-03-01T09:00:00Z', kind: 'test-cut', testCut: cut('17.8 mm', '17.9 mm') };
  const back: RecordEntry = { id: 't2', at: '2026-03-01T09:05:00Z', kind: 'withdrawn', withdraws: 't1' };
  expect(standingTestCuts([entry])).toEqual([{ id: 't1', testCut: entry.testCut }]);
  expect(standingTestCuts([entry, back])).toEqual([]);
  expect(recordCodec.read(recordCodec.write(entry), 'entry')).toEqual(entry);
});

test.each([
  ['a test cut of nothing', { kind: 'test-cut' }, 'entry.testCut'],
  [
    'a thickness with a test cut',
    { kind: 'thickness', reading: { product: 'birch-18', value: '18 mm' }, testCut: { cutter: 'stack', thick: '6 mm', came: '6 mm' } },
    'entry.testCut',
  ],
  ['a slot of a metre', { kind: 'test-cut', testCut: { cutter: 'stack', thick: '6 mm', came: '1 m' } }, 'entry.testCut.came'],
  ['what was made, without saying what', { kind: 'made' }, 'entry.made'],
])('%s is refused with its place', (_name, more, where) => {
  const entry = { id: 'e', at: '2026-03-01T09:00:00Z', ...more };
  expect(() => recordCodec.read(entry, 'entry')).toThrow(expect.objectContaining({ problem: expect.objectContaining({ where }) }));
});
