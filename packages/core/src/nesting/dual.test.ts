/** Bounds by shares: by hand, and never above what is known to be enough. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cutParts, job, part, sheet } from '../test/nest-job.ts';
import { lowerBound } from './bound.ts';
import { costByShares, sheetsByShares } from './dual.ts';
import { stockAreasOf } from './pieces.ts';
import type { NestPart, NestSheet } from './problem.ts';
import { search } from './search.ts';

const fewest = (parts: NestPart[], kerf = 0): number => sheetsByShares(parts, stockAreasOf(job([sheet('S', 1000, 1000)], parts, kerf)), kerf * 1e6);

describe('by hand', () => {
  test('beside a part over half as long and wide nothing of the same size goes, though the area would', () => {
    // 4 × 0.36 is 1.44 sheets by area.
    expect(fewest([part('p', 600, 600, 4)])).toBe(4);
  });
  test('strips over half as wide, with narrower ones that find no room beside them', () => {
    // A sheet holds one of 600 and one of 400 at most, whole in length: six of 600 want six sheets, 3.6 by area.
    expect(fewest([part('wide', 1000, 600, 6, { grain: 'length' })])).toBe(6);
    expect(fewest([part('wide', 1000, 600, 6, { grain: 'length' }), part('strip', 1000, 400, 6, { grain: 'length' })])).toBe(6);
    expect(fewest([part('wide', 1000, 600, 6, { grain: 'length' }), part('strip', 1000, 401, 2, { grain: 'length' })])).toBe(7);
  });
  test('three to a sheet when a little over a quarter: counted as thirds', () => {
    expect(fewest([part('p', 1000, 260, 10, { grain: 'length' })])).toBe(4); // 2.6 by area
  });
  test('counted by how many of the parts there are go beside each other', () => {
    // Three of 260 would go, but there is one, and beside it and one of 380 no other: two to a sheet. 2.54 by area.
    expect(fewest([part('a', 1000, 260, 1, { grain: 'length' }), part('b', 1000, 380, 6, { grain: 'length' })])).toBe(4);
  });
  test('counted in whole pieces', () => {
    // All are whole pieces of 115, of which a sheet has eight: 17 of them. 1.96 by area.
    expect(fewest([part('a', 1000, 345, 4, { grain: 'length' }), part('b', 1000, 115, 5, { grain: 'length' })])).toBe(3);
  });
  test('a kerf is part of the part', () => {
    // Two of 499 and 3 of kerf are 1001.
    expect(fewest([part('p', 1000, 499, 2, { grain: 'length' })], 1)).toBe(1);
    expect(fewest([part('p', 1000, 499, 2, { grain: 'length' })], 3)).toBe(2);
  });
  test('what is at hand for nothing takes what it can, and no more', () => {
    const sheets = [sheet('off', 1000, 1000, { cost: 0, count: 2, offcut: true }), sheet('new', 1000, 1000, { cost: 50 })];
    const parts = [part('p', 600, 600, 5)];
    // Five sheets, two of them free.
    expect(costByShares(parts, stockAreasOf(job(sheets, parts, 0)), 0)).toBeCloseTo(150, 3);
    expect(lowerBound(job(sheets, parts, 0), parts)).toMatchObject({ sheets: 5, cost: expect.closeTo(150, 3) });
  });
});

test('never above the number of sheets the parts were cut from, turned or not', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 4 }), fc.integer(), fc.boolean(), (count, seed, turn) => {
      const parts = cutParts(count, seed, turn ? 'either' : 'length');
      const problem = job([sheet('S', 2440, 1220, { grain: 'length' })], parts);
      expect(lowerBound(problem, parts).sheets).toBeLessThanOrEqual(count);
    }),
    { numRuns: 80 },
  );
});

test('never above the cost of a plan that places everything, whatever sheets there are', () => {
  const size = fc.integer({ min: 80, max: 900 });
  const stock: fc.Arbitrary<NestSheet[]> = fc
    .tuple(fc.integer({ min: 10, max: 90 }), fc.integer({ min: 0, max: 60 }), fc.option(fc.integer({ min: 1, max: 3 })))
    .map(([large, small, count]) => [sheet('L', 1500, 1000, { cost: large }), sheet('s', 900, 700, { cost: small, count })]);
  fc.assert(
    fc.property(stock, fc.array(fc.tuple(size, size, fc.integer({ min: 1, max: 4 })), { minLength: 1, maxLength: 8 }), (sheets, sizes) => {
      const parts = sizes.map(([a, b, count], index) => part(`p${index}`, a, b, count));
      const stepper = search(job(sheets, parts), 7);
      stepper.step(40);
      const { score, bound, unplaced } = stepper.plan();
      if (unplaced.length > 0) return;
      expect(bound.cost!).toBeLessThanOrEqual(score.cost! + 1e-6);
      expect(bound.sheets).toBeLessThanOrEqual(score.sheets);
    }),
    { numRuns: 60 },
  );
});
