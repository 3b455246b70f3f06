/** The knapsack over true lengths against every way there is of taking the rows. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { boundedKnapsack, maxWorth, type KnapsackRows } from './knapsack.ts';

interface Row {
  readonly size: number;
  readonly worth: number;
  readonly most: number;
}
const rowsOf = (rows: readonly Row[]): KnapsackRows => ({
  count: rows.length,
  size: rows.map(({ size }) => size),
  worth: rows.map(({ worth }) => worth),
  most: rows.map(({ most }) => most),
});
const sum = (rows: readonly Row[], times: ArrayLike<number>, of: 'size' | 'worth'): number =>
  rows.reduce((total, row, index) => total + times[index]! * row[of], 0);

/** The most worth by trying every count of every row. */
function byTrying([row, ...others]: readonly Row[], room: number): number {
  if (!row) return 0;
  let most = 0;
  for (let count = 0; count <= row.most && count * row.size <= room; count++)
    most = Math.max(most, count * row.worth + byTrying(others, room - count * row.size));
  return most;
}

const row = (most: fc.Arbitrary<number>): fc.Arbitrary<Row> =>
  fc.record({ size: fc.integer({ min: 1, max: 60 }), worth: fc.integer({ min: 0, max: 90 }), most });

test('what it takes goes into the room and is no more than there is', () => {
  fc.assert(
    fc.property(fc.array(row(fc.integer({ min: 0, max: 5 })), { maxLength: 9 }), fc.integer({ min: 0, max: 150 }), (rows, room) => {
      const times = boundedKnapsack(rowsOf(rows), room);
      expect(sum(rows, times, 'size')).toBeLessThanOrEqual(room);
      rows.forEach(({ most }, index) => expect(times[index]!).toBeLessThanOrEqual(most));
    }),
  );
});

test('with as many of each as go in, or one of each, nothing is worth more', () => {
  fc.assert(
    fc.property(fc.array(row(fc.constant(1)), { maxLength: 8 }), fc.integer({ min: 0, max: 150 }), (rows, room) => {
      expect(sum(rows, boundedKnapsack(rowsOf(rows), room), 'worth')).toBe(byTrying(rows, room));
    }),
  );
  fc.assert(
    fc.property(
      fc.array(fc.record({ size: fc.integer({ min: 12, max: 60 }), worth: fc.integer({ min: 0, max: 90 }), most: fc.constant(9) }), { maxLength: 6 }),
      fc.integer({ min: 0, max: 100 }),
      (rows, room) => {
        expect(sum(rows, boundedKnapsack(rowsOf(rows), room), 'worth')).toBe(byTrying(rows, room));
      },
    ),
  );
});

test('with so many of each it misses no more than a hair of the worth, and rarely', () => {
  let [missed, runs] = [0, 0];
  fc.assert(
    fc.property(fc.array(row(fc.integer({ min: 1, max: 3 })), { maxLength: 6 }), fc.integer({ min: 1, max: 150 }), (rows, room) => {
      const [found, best] = [sum(rows, boundedKnapsack(rowsOf(rows), room), 'worth'), byTrying(rows, room)];
      runs++;
      if (found < best) missed++;
      expect(found).toBeLessThanOrEqual(best);
      expect(found).toBeGreaterThanOrEqual(0.9 * best);
    }),
    { numRuns: 500 },
  );
  expect(missed / runs).toBeLessThan(0.02);
});

test('lengths are not rounded: what fits to the last nanometer goes in', () => {
  const rows = [
    { size: 813_333_333, worth: 3, most: 3 },
    { size: 406_666_667, worth: 1, most: 9 },
  ];
  expect([...boundedKnapsack(rowsOf(rows), 2_439_999_999)]).toEqual([3, 0]);
  expect([...boundedKnapsack(rowsOf(rows), 2_439_999_998)]).toEqual([2, 1]);
});

test('the most worth is exact with so many of each, too', () => {
  fc.assert(
    fc.property(fc.array(row(fc.integer({ min: 0, max: 5 })), { maxLength: 7 }), fc.integer({ min: 0, max: 150 }), (rows, room) => {
      expect(maxWorth(rowsOf(rows), room)).toBe(byTrying(rows, room));
    }),
    { numRuns: 200 },
  );
});

test('where it takes too long the most worth is no less than what goes in, and little more', () => {
  // Many sizes that share no measure: more states than are looked at.
  const rows = Array.from({ length: 60 }, (_, n) => ({ size: 1e6 * Math.sqrt(n + 2), worth: 1e6 * Math.sqrt(n + 2) + ((n * 7919) % 1000), most: 9 }));
  const room = 90e6;
  const own = rowsOf(rows);
  const found = sum(rows, boundedKnapsack(own, room), 'worth');
  expect(own.states!).toBeGreaterThan(100_000);
  const most = maxWorth(rowsOf(rows), room);
  expect(most).toBeGreaterThanOrEqual(found);
  expect(most).toBeLessThan(found * 1.01);
});
