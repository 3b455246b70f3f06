/** The covering program against every basis there is, on programs small enough for that. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CoveringLp, type LpColumn } from './covering-lp.ts';

const priceOf = ({ covers, price }: LpColumn, duals: ArrayLike<number>): number => price - covers.reduce((sum, each, row) => sum + each * duals[row]!, 0);

/** Generates columns from the list until none has a negative reduced cost. */
function solved(demand: readonly number[], first: readonly LpColumn[], columns: readonly LpColumn[]): Float64Array {
  const lp = new CoveringLp(
    Float64Array.from(demand),
    first.map(({ covers, price }, row) => ({ covers: covers[row]!, price })),
  );
  for (let step = 0; step < 200; step++) {
    if (lp.dropNegative()) continue;
    const duals = lp.duals();
    const entering = columns.reduce((least, each) => (priceOf(each, duals) < priceOf(least, duals) ? each : least));
    if (priceOf(entering, duals) > -1e-9 || !lp.add(entering)) break;
  }
  return lp.duals();
}

/** The least over all pairs of columns that cover both demands, surplus being a column too. */
function byEveryBasis([a, b]: readonly [number, number], columns: readonly LpColumn[]): number {
  const all = [...columns, { covers: Float64Array.of(-1, 0), price: 0 }, { covers: Float64Array.of(0, -1), price: 0 }];
  let least = Infinity;
  for (const one of all)
    for (const two of all) {
      const [p, q, r, s] = [one.covers[0]!, two.covers[0]!, one.covers[1]!, two.covers[1]!];
      const det = p * s - q * r;
      if (Math.abs(det) < 1e-9) continue;
      const [x, y] = [(a * s - q * b) / det, (p * b - a * r) / det];
      if (x >= -1e-9 && y >= -1e-9) least = Math.min(least, x * one.price + y * two.price);
    }
  return least;
}

const column = fc
  .record({ a: fc.integer({ min: 0, max: 5 }), b: fc.integer({ min: 0, max: 5 }), price: fc.integer({ min: 1, max: 9 }) })
  .map(({ a, b, price }): LpColumn => ({ covers: Float64Array.of(a, b), price }));

test('its duals price the demands at the least any basis costs, and no column below its price', () => {
  fc.assert(
    fc.property(fc.tuple(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 1, max: 20 })), fc.array(column, { maxLength: 7 }), (demand, more) => {
      const first = [
        { covers: Float64Array.of(1, 0), price: 7 },
        { covers: Float64Array.of(0, 1), price: 7 },
      ];
      const columns = [...first, ...more];
      const duals = solved(demand, first, columns);
      expect(duals[0]! * demand[0] + duals[1]! * demand[1]).toBeCloseTo(byEveryBasis(demand, columns), 6);
      for (const each of columns) expect(priceOf(each, duals)).toBeGreaterThan(-1e-6);
      expect(Math.min(...duals)).toBeGreaterThan(-1e-6);
    }),
  );
});

test('a limit is a demand below zero: what is cheap but runs out leaves the rest to what is dear', () => {
  // One kind of demand, 10 of it; cheap covers 1 for 1, of which there are 4; dear covers 1 for 3: 4 + 6 × 3 = 22.
  const [cheap, dear] = [
    { covers: Float64Array.of(1, -1), price: 1 },
    { covers: Float64Array.of(1, 0), price: 3 },
  ];
  const duals = solved([10, -4], [dear, { covers: Float64Array.of(0, -1), price: 0 }], [dear, cheap]);
  expect(10 * duals[0]! - 4 * duals[1]!).toBeCloseTo(22, 9);
});
