/** Sheets that were sawn apart are put together again; what has anything over is left to others. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../random/random.ts';
import { type Length } from '../length/length.ts';
import { cutParts, job, sheet } from '../test/nest-job.ts';
import { auditPlan } from './audit.ts';
import { framesOf } from './frames.ts';
import { noWasteSearch, piecesOfWhole, type NoWasteSearch } from './no-waste.ts';
import { stockAreasOf, itemsOf } from './pieces.ts';
import type { NestProblem } from './problem.ts';
import { search } from './search.ts';

function perfectOf(problem: NestProblem, seed = 1): NoWasteSearch | null {
  const beds = stockAreasOf(problem).map((bed) => ({ bed, frames: framesOf(bed, problem) }));
  return noWasteSearch({ problem, beds, pinned: [], isOver: () => false }, itemsOf(problem).items, seeded(seed));
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

test('where much is over, or sheets differ, nothing is put together; where a hair is, sides nearly equal will do', () => {
  const problem = sawn(3, 7);
  const less = (share: number): NestProblem => ({
    ...problem,
    parts: problem.parts.map((part) => ({
      ...part,
      length: Math.round(part.length * (1 - share)) as Length,
      width: Math.round(part.width * (1 - share)) as Length,
    })),
  });
  expect([problem, less(0.005), less(0.01)].map((each) => perfectOf(each)?.isExact)).toEqual([true, false, false]);
  expect(perfectOf(less(0.05))).toBeNull();
  expect(perfectOf({ ...problem, sheets: [...problem.sheets, sheet('T', 1000, 1000)] })).toBeNull();
  expect(perfectOf({ ...problem, sheets: [sheet('S', 2440, 1220, { count: 2 })] })).toBeNull();
});

/** Each side of each part a little shorter, by up to `most`. */
const shrunk = (problem: NestProblem, seed: number, most: number): NestProblem => {
  const random = seeded(seed);
  const side = (length: Length): Length => Math.round(length * (1 - most * random())) as Length;
  return { ...problem, parts: problem.parts.map((part) => ({ ...part, length: side(part.length), width: side(part.width) })) };
};

test('with sides short by up to a hundredth, each its own way, whole sheets hold what they say and stay inside', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 4 }), fc.nat(), fc.constantFrom('length' as const, 'either' as const), (count, seed, grain) => {
      const problem = shrunk(sawn(count, seed, grain), seed, 0.01);
      const [{ length, width }] = problem.sheets as [NestProblem['sheets'][number]];
      const { items } = itemsOf(problem);
      const made = perfectOf(problem, seed)!;
      for (let step = 0; step < 12; step++) {
        const found = made.step();
        if (!found) continue;
        for (const whole of found.sheets) {
          const placed = piecesOfWhole(whole, problem.kerf, found.measure);
          for (const { x, y, lie } of placed) expect([x + lie.dx <= length + 1, y + lie.dy <= width + 1]).toEqual([true, true]);
          placed.forEach((a, n) => {
            for (const b of placed.slice(n + 1))
              expect(
                a.x + a.lie.dx + problem.kerf <= b.x + 1 ||
                  b.x + b.lie.dx + problem.kerf <= a.x + 1 ||
                  a.y + a.lie.dy + problem.kerf <= b.y + 1 ||
                  b.y + b.lie.dy + problem.kerf <= a.y + 1,
              ).toBe(true);
          });
        }
        const all = [...found.sheets.flatMap((whole) => piecesOfWhole(whole, problem.kerf, found.measure).map(({ item }) => item)), ...found.rest];
        expect(all.map(({ index }) => index).sort((a, b) => a - b)).toEqual(items.map(({ index }) => index).sort((a, b) => a - b));
      }
    }),
    { numRuns: 6 },
  );
});

test.each([1, 2, 3, 4])('four sheets sawn apart, each piece a hundredth short, are four sheets again (seed %i)', (seed) => {
  const exact = sawn(4, seed, 'length');
  const problem: NestProblem = {
    ...exact,
    parts: exact.parts.map((part) => ({ ...part, length: Math.round(part.length * 0.99) as Length, width: Math.round(part.width * 0.99) as Length })),
  };
  const stepper = search(problem);
  stepper.step(300);
  const plan = stepper.plan();
  expect(auditPlan(problem, plan)).toEqual([]);
  expect([plan.sheets.length, plan.proved]).toEqual([4, true]);
});
