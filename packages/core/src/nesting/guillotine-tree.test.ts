/** Strips in strips: sizes by hand, what is taken out, and that a place that was found is a place there is. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../random/random.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import { auditPlan } from './audit.ts';
import { closeSheet } from './close.ts';
import { framesOf } from './frames.ts';
import { stockAreasOf, itemsOf, type PackItem } from './pieces.ts';
import type { NestProblem } from './problem.ts';
import { copySheet, FIT_RULES, itemsOn, openSheet, place, spotFor, without, type OpenSheet } from './guillotine-tree.ts';

const KERF = 3e6;
const opened = (problem: NestProblem): { sheet: OpenSheet; items: PackItem[] } => ({
  sheet: openSheet(framesOf(stockAreasOf(problem)[0]!, problem)[0]!, problem.kerf),
  items: itemsOf(problem).items,
});
const put = (item: PackItem, on: OpenSheet): boolean => {
  const spot = spotFor(item, on, KERF, 'match');
  if (spot) place(item, on, spot, KERF);
  return spot !== null;
};
const wrong = (problem: NestProblem, on: OpenSheet): string[] => {
  const placed = itemsOn(on).length;
  const nested = closeSheet(on, problem);
  const unplaced = problem.parts
    .map(({ id, count }) => ({ part: id, count: count - nested.placements.filter((row) => row.part === id).length, why: 'left' }))
    .filter(({ count }) => count > 0);
  return auditPlan(problem, {
    sheets: placed ? [nested] : [],
    unplaced,
    bound: { sheets: 0, cost: null, why: '' },
    proved: false,
    score: { sheets: placed ? 1 : 0, cost: null },
    seed: 1,
    effort: 1,
  });
};

describe('by hand', () => {
  const problem = job(
    [sheet('S', 1000, 500, { grain: 'length' })],
    [part('a', 497, 200, 4, { grain: 'length' }), part('b', 1000, 94, 1, { grain: 'length' })],
    3,
  );
  test('two and two in a row, and what is left over them', () => {
    // 497 + 3 + 497 = 997; 200 + 3 + 200 + 3 + 94 = 500.
    const { sheet: on, items } = opened(problem);
    expect(items.map((item) => put(item, on))).toEqual([true, true, true, true, true]);
    expect(wrong(problem, on)).toEqual([]);
    expect(spotFor(items[0]!, on, KERF, 'area')).toBeNull();
  });
  test('what is taken out leaves its room in one piece, and the copy it came from as it was', () => {
    const { sheet: on, items } = opened(problem);
    for (const item of items) put(item, on);
    const left = without(on, new Set(items.slice(0, 4)), KERF);
    expect([itemsOn(on).length, itemsOn(left).length]).toEqual([5, 1]);
    // The strip across the whole sheet moves up: 500 − 94 − 3 = 403 are free over its whole length.
    expect(left.open).toEqual({ dx: 1000e6, dy: 403e6 });
    expect(items.slice(0, 4).map((item) => put(item, left))).toEqual([true, true, true, true]);
    expect(wrong(problem, left)).toEqual([]);
  });
  test('a piece lies over several of a row that are lower than the rest', () => {
    const over = job(
      [sheet('S', 1000, 500, { grain: 'length' })],
      [part('high', 300, 500, 1, { grain: 'length' }), part('low', 340, 260, 2, { grain: 'length' }), part('over', 690, 230, 1, { grain: 'length' })],
      3,
    );
    const { sheet: on, items } = opened(over);
    expect(items.map((item) => put(item, on))).toEqual([true, true, true, true]);
    expect(wrong(over, on)).toEqual([]);
  });
});

test('at random: what is put in, taken out and put in again is a sheet that can be cut, and nothing is turned away that the hole would hold', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
      const random = seeded(seed);
      const size = (low: number, high: number): number => low + Math.floor(random() * (high - low));
      const grains = ['length', 'width', 'either'] as const;
      const problem = job(
        [sheet('S', 1000, 600, { grain: 'length' })],
        Array.from({ length: 14 }, (_, n) => part(`p${n}`, size(40, 400), size(40, 300), 1, { grain: grains[size(0, 3)]! })),
        3,
      );
      const { sheet: empty, items } = opened(problem);
      let on = empty;
      const loose = new Set(items);
      for (let step = 0; step < 30; step++) {
        if (random() < 0.3) {
          const gone = new Set(itemsOn(on).filter(() => random() < 0.4));
          const before = copySheet(on);
          on = without(on, gone, KERF);
          expect(itemsOn(before).length).toBe(itemsOn(on).length + gone.size);
          for (const item of gone) loose.add(item);
        } else {
          const item = [...loose][size(0, loose.size)];
          if (!item) continue;
          const spot = spotFor(item, on, KERF, FIT_RULES[size(0, 3)]!);
          // No hole is as long, or none as wide: then it is turned away at once, and rightly.
          if (item.lies.every(({ dx, dy }) => dx > on.open.dx || dy > on.open.dy)) expect(spot).toBeNull();
          if (!spot) continue;
          place(item, on, spot, KERF);
          loose.delete(item);
        }
        expect(wrong(problem, on)).toEqual([]);
      }
    }),
    { numRuns: 80 },
  );
});
