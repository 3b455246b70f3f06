/** Test cuts: what they teach, and what later setups make of it. */
import { expect, test } from '@jest/globals';
import { entered, enteredFromNm } from '../length/entered.ts';
import { recordCodec } from '../formats/record-codec.ts';
import { planWith, printRoom } from '../test/print-room.ts';
import { plan } from '../planner/plan.ts';
import { defaultShop, widestKerf } from '../stock/shop.ts';
import { calibrationFrom, onScale, scaleOf, STACK_ID, withCalibration } from './calibration.ts';
import { setupsOf } from './setups.ts';
import type { RecordEntry, TestCut } from '../model/record.ts';
import { shopFacts } from '../model/shop-facts.ts';

const cut = (thick: string, came: string, cutter = STACK_ID): TestCut => ({ cutter, thick: entered(thick), came: entered(came) });

test('what a cutter cuts over itself is the mean of its last five test cuts', () => {
  const said = (...cuts: TestCut[]) => calibrationFrom(cuts).over.get(STACK_ID)?.nm;
  expect(said(cut('17.8 mm', '17.9 mm'))).toBe(100_000);
  expect(said(cut('17.8 mm', '17.9 mm'), cut('6.4 mm', '6.6 mm'))).toBe(150_000);
  const old = Array.from({ length: 7 }, () => cut('10 mm', '11 mm'));
  expect(said(...old, ...Array.from({ length: 5 }, () => cut('10 mm', '9.9 mm')))).toBe(-100_000);
  expect(calibrationFrom([]).over.size).toBe(0);
});

test('a stack that cuts 0.1 mm over is set up 0.1 mm thinner, for every later slot, and a bit as much', () => {
  const shop = defaultShop();
  const { cabinet } = planWith().byId.get('ink')!;
  const before = setupsOf([cabinet], shop).setups.flatMap(({ setting }) => (setting.stack ? [setting.stack] : []));
  const after = setupsOf([cabinet], withCalibration(shop, calibrationFrom([cut('17.9 mm', '18 mm')]))).setups.flatMap(({ setting }) =>
    setting.stack ? [setting.stack] : [],
  );
  const thick = ({ chippers, shims }: (typeof before)[number]): number => [...chippers, ...shims].reduce<number>((sum, nm) => sum + nm, 6_400_000);
  expect(before.length).toBeGreaterThan(1);
  expect(after.map(({ cuts, over }) => cuts + over)).toEqual(before.map(({ cuts, over }) => cuts + over));
  expect(after.map(thick)).toEqual(before.map((set) => thick(set) - 100_000));
  const bit = Object.values(shop.bits).find(({ kind }) => kind === 'straight')!;
  expect(withCalibration(shop, calibrationFrom([cut('3 mm', '3.05 mm', bit.id)])).bits[bit.id]!.over).toEqual(enteredFromNm(50_000));
});

test('a fence that comes out 0.3 mm over is set so much under, on the scale that was tried and on no other', () => {
  const { cabinet } = planWith().byId.get('ink')!;
  const { setups } = setupsOf([cabinet], defaultShop());
  const placed = setups.map(({ setting }) => setting).filter(({ distance }) => distance);
  const tried = placed[0]!;
  const learned = calibrationFrom([
    { of: 'place', cutter: scaleOf(tried), thick: entered('100 mm'), came: entered('100.2 mm') },
    { of: 'place', cutter: scaleOf(tried), thick: entered('250 mm'), came: entered('250.4 mm') },
  ]);
  for (const setting of placed) {
    const known = scaleOf(setting) === scaleOf(tried);
    expect(onScale(setting, learned)).toEqual(known ? { reads: setting.distance! - 300_000, off: { nm: 300_000, cuts: 2 } } : null);
  }
  // A cutter buried in its fence is set by eye.
  expect(onScale({ ...tried, distance: entered('0 mm').nm }, learned)).toBeNull();
});

test('a kerf that was measured is the one sheets are laid out with', () => {
  const shop = defaultShop();
  const learned = calibrationFrom([{ of: 'kerf', cutter: 'table-saw', thick: entered('3.2 mm'), came: entered('3.5 mm') }]);
  expect(widestKerf(withCalibration(shop, learned))).toBe(3_500_000);
  const entry: RecordEntry = {
    id: 'k1',
    at: '2026-03-01T09:00:00Z',
    kind: 'test-cut',
    testCut: { of: 'kerf', cutter: 'table-saw', thick: entered('3.2 mm'), came: entered('3.5 mm') },
  };
  const { design, workshop } = printRoom();
  expect(plan(design, [entry], workshop).stockOf('birch-18').kerf).toBe(3_500_000);
  expect(recordCodec.read(recordCodec.write(entry), 'entry')).toEqual(entry);
});

test('one that is taken back is forgotten', () => {
  const entry: RecordEntry = { id: 't1', at: '2026-03-01T09:00:00Z', kind: 'test-cut', testCut: cut('17.8 mm', '17.9 mm') };
  const back: RecordEntry = { id: 't2', at: '2026-03-01T09:05:00Z', kind: 'withdrawn', withdraws: 't1' };
  expect(shopFacts([entry]).testCuts).toEqual([{ id: 't1', testCut: entry.testCut }]);
  expect(shopFacts([entry, back]).testCuts).toEqual([]);
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
  ['a place that is another cut’s', { kind: 'test-cut', testCut: { of: 'place', cutter: 'saw/fence', thick: '100 mm', came: '111 mm' } }, 'entry.testCut.came'],
  ['a kerf as wide as a plank', { kind: 'test-cut', testCut: { of: 'kerf', cutter: 'saw', thick: '3 mm', came: '20 mm' } }, 'entry.testCut.came'],
  ['what was made, without saying what', { kind: 'made' }, 'entry.made'],
])('%s is refused with its place', (_name, more, where) => {
  const entry = { id: 'e', at: '2026-03-01T09:00:00Z', ...more };
  expect(() => recordCodec.read(entry, 'entry')).toThrow(expect.objectContaining({ problem: expect.objectContaining({ where }) }));
});
