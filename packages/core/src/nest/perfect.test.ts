/** Sheets that were sawn apart are put together again; what has anything over is left to others. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../chance/random.ts';
import { type Length } from '../length/length.ts';
import { cutParts, job, sheet } from '../test/nest-job.ts';
import { auditPlan } from './audit.ts';
import { framesOf } from './frames.ts';
import { perfectSheets, piecesOfWhole, type PerfectSheets } from './perfect.ts';
import { bedsOf, itemsOf } from './pieces.ts';
import type { NestProblem } from './problem.ts';
import { search } from './search.ts';

function perfectOf(problem: NestProblem, seed = 1): PerfectSheets | null {
  const beds = bedsOf(problem).map((bed) => ({ bed, frames: framesOf(bed, problem) }));
  return perfectSheets({ problem, beds, pinned: [], isOver: () => false }, itemsOf(problem).items, seeded(seed));
}

/** So many sheets sawn apart at random. */
const sawn = (count: number, seed: number, grain: 'length' | 'either' = 'either'): NestProblem => ({
  ...job([sheet('S', 2440, 1220)], []),
  parts: cutParts(count, seed, grain),
});

test.each([1, 2, 3, 4, 5, 6])('five sheets sawn apart are five sheets again (seed %i)', (seed) => {
  const problem = sawn(5, seed);
  const stepper = search(problem);
  stepper.step(400);
  const plan = stepper.plan();
  expect(auditPlan(problem, plan)).toEqual([]);
  expect([plan.sheets.length, plan.proved]).toEqual([5, true]);
});

test('every piece is on one whole sheet or among the rest, and a whole sheet is full', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 5 }), fc.nat(), fc.constantFrom('length' as const, 'either' as const), (count, seed, grain) => {
      const problem = sawn(count, seed, grain);
      const { items } = itemsOf(problem);
      const made = perfectOf(problem, seed)!;
      for (let step = 0; step < 12; step++) {
        const found = made.step();
        if (!found) continue;
        const sheets = found.sheets.map((whole) => piecesOfWhole(whole, problem.kerf, found.measure));
        const all = [...sheets.flat().map(({ item }) => item), ...found.rest].map(({ index }) => index);
        expect(all.sort((a, b) => a - b)).toEqual(items.map(({ index }) => index).sort((a, b) => a - b));
        for (const { dx, dy } of found.sheets)
          expect([dx, dy].map((side) => side * found.measure)).toEqual([problem.sheets[0]!.length, problem.sheets[0]!.width]);
      }
    }),
    { numRuns: 6 },
  );
});

test('where a hair is over, or sheets differ, nothing is put together', () => {
  const problem = sawn(3, 7);
  const [first, ...others] = problem.parts;
  expect(perfectOf(problem)).not.toBeNull();
  expect(perfectOf({ ...problem, parts: [{ ...first!, width: (first!.width - 100_000) as Length }, ...others] })).toBeNull();
  expect(perfectOf({ ...problem, sheets: [...problem.sheets, sheet('T', 1000, 1000)] })).toBeNull();
  expect(perfectOf({ ...problem, sheets: [sheet('S', 2440, 1220, { count: 2 })] })).toBeNull();
});
