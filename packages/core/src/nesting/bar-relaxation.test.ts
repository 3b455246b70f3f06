/** Bounds by bars: by hand, never above an optimum, and above the other bounds where sizes leave every sheet partly empty. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cutParts, job, part, sheet } from '../test/nest-job.ts';
import { areaBound, greatestBound, lowerBound } from './bound.ts';
import type { NestPart, NestSheet } from './problem.ts';
import { search } from './search.ts';

const bound = (sheets: NestSheet[], parts: NestPart[], kerf = 0) => greatestBound(job(sheets, parts, kerf), parts);
const strip = (id: string, width: number, count: number): NestPart => part(id, 1000, width, count, { grain: 'length' });

describe('by hand', () => {
  test('two sizes weighed so that no bar weighs more than 1: a half and a quarter', () => {
    // Along 2440 go two of 900, or one and two of 700, or three of 700: 12 · 1/2 + 12 · 1/4 = 9. By area 7.9; counted in thirds 8.
    const parts = [part('a', 900, 300, 12, { grain: 'length' }), part('b', 700, 300, 12, { grain: 'length' })];
    const sheets = [sheet('S', 2440, 300)];
    expect(areaBound(job(sheets, parts, 0), parts).sheets).toBe(8);
    expect(lowerBound(job(sheets, parts, 0), parts).sheets).toBe(8);
    expect(bound(sheets, parts)).toMatchObject({ sheets: 9, why: 'no combination of parts side by side fills the sheets better' });
  });
  test('an offcut that costs nothing takes its share and no more', () => {
    // Two strips of 350 a sheet: ten want five, one of them the offcut.
    const sheets = [sheet('off', 1000, 1000, { cost: 0, count: 1, offcut: true }), sheet('new', 1000, 1000, { cost: 50 })];
    expect(bound(sheets, [strip('p', 350, 10)])).toMatchObject({ sheets: 5, cost: 200 });
  });
  test('sizes of sheet are mixed whole: the cheapest mix that holds the parts', () => {
    // A large sheet takes four of 490, a small one two: six are one of each for 90, and no other mix is as cheap.
    const sheets = [sheet('large', 1000, 2000, { cost: 60 }), sheet('small', 1000, 1000, { cost: 30 })];
    expect(bound(sheets, [strip('p', 490, 6)])).toMatchObject({ cost: 90, sheetsAtCost: 2 });
  });
});

/** Sizes that do not go into a sheet without rest, many of each: what the other bounds do not see. */
const repeated = fc.array(fc.tuple(fc.integer({ min: 180, max: 620 }), fc.integer({ min: 180, max: 620 }), fc.integer({ min: 3, max: 12 })), {
  minLength: 2,
  maxLength: 5,
});

test('never above what the search lays out, and often above the bounds that came before', () => {
  let [runs, greater] = [0, 0];
  fc.assert(
    fc.property(repeated, fc.boolean(), fc.constantFrom('guillotine' as const, 'free' as const), (sizes, costed, cuts) => {
      const parts = sizes.map(([a, b, count], index) => part(`p${index}`, a, b, count, { grain: index % 2 === 0 ? 'length' : 'either' }));
      const S = sheet('S', 1220, 1000, { cost: costed ? 60 : null });
      const problem = {
        ...job(costed ? [S, sheet('h', 800, 700, { cost: 29 }), sheet('o', 900, 400, { cost: 0, count: 1, offcut: true })] : [S], parts),
        cuts,
      };
      const stepper = search(problem, 5);
      stepper.step(60);
      const { score } = stepper.plan();
      const [before, now] = [lowerBound(problem, parts), greatestBound(problem, parts)];
      expect(now.sheets).toBeLessThanOrEqual(score.sheets);
      if (costed) expect(now.cost!).toBeLessThanOrEqual(score.cost! + 1e-6);
      if (now.cost !== null && score.cost! <= now.cost + 1e-6) expect(now.sheetsAtCost ?? 0).toBeLessThanOrEqual(score.sheets);
      runs++;
      if (now.sheets > before.sheets || (costed && now.cost! > before.cost! + 1e-6)) greater++;
    }),
    { numRuns: 60 },
  );
  expect(greater / runs).toBeGreaterThan(0.2);
});

test('never above the number of sheets the parts were cut from, with nothing over', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 2 }), fc.integer(), fc.boolean(), (count, seed, turn) => {
      const parts = cutParts(count, seed, turn ? 'either' : 'length');
      expect(greatestBound(job([sheet('S', 2440, 1220, { grain: 'length' })], parts), parts).sheets).toBeLessThanOrEqual(count);
    }),
    { numRuns: 12 },
  );
});
