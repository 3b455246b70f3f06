/** Layouts from patterns: whole and sound whatever the job, and fewer sheets than sorted orders where parts repeat. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../random/random.ts';
import { mm } from '../length/length.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import { auditPlan } from './audit.ts';
import { framesOf } from './frames.ts';
import { scoreOf, type NestJob } from './layout.ts';
import { patterns, type Patterns } from './patterns.ts';
import { stockAreasOf, itemsOf } from './pieces.ts';
import type { NestProblem } from './problem.ts';
import { search } from './search.ts';
import { itemsOn } from './guillotine-tree.ts';

function patternsOf(problem: NestProblem, isOver = (): boolean => false): Patterns | null {
  const beds = stockAreasOf(problem).map((bed) => ({ bed, frames: framesOf(bed, problem) }));
  const jobOf: NestJob = { problem, beds, pinned: [], isOver };
  return patterns(jobOf, itemsOf(problem).items, seeded(3));
}

const tenth = (least: number, most: number) => fc.integer({ min: least * 10, max: most * 10 }).map((tenths) => tenths / 10);
const repeated: fc.Arbitrary<NestProblem> = fc.boolean().chain((costed) =>
  fc
    .record({
      kerf: fc.constantFrom(0, 2.2, 3.175),
      trim: fc.constantFrom(0, 5),
      cuts: fc.constantFrom('guillotine' as const, 'free' as const),
      first: fc.constantFrom(undefined, { by: 'rip' as const }, { by: 'crosscut' as const }),
      sheets: fc.array(fc.record({ length: tenth(700, 2500), width: tenth(500, 1250), count: fc.option(fc.integer({ min: 1, max: 3 })), cost: tenth(1, 90) }), {
        minLength: 1,
        maxLength: 3,
      }),
      parts: fc.array(
        fc.record({
          length: tenth(60, 900),
          width: tenth(40, 600),
          count: fc.integer({ min: 3, max: 14 }),
          grain: fc.constantFrom('length' as const, 'width' as const, 'either' as const),
        }),
        { minLength: 1, maxLength: 7 },
      ),
    })
    .map(({ kerf, trim, cuts, first, sheets, parts }) => ({
      ...job(
        sheets.map(({ length, width, count, cost }, n) => sheet(`S${n}`, length, width, { count, cost: costed ? cost : null })),
        parts.map(({ length, width, count, grain }, n) => part(`p${n}`, length, width, count, { grain })),
        kerf,
        trim,
      ),
      cuts,
      ...(first ? { first } : {}),
    })),
);

test('the independent audit finds nothing wrong with plans of parts that repeat', () => {
  fc.assert(
    fc.property(repeated, fc.integer({ min: 2, max: 60 }), (problem, steps) => {
      const stepper = search(problem);
      stepper.step(steps);
      expect(auditPlan(problem, stepper.plan())).toEqual([]);
    }),
    { numRuns: 150 },
  );
});

test('every piece is in a layout once, on a sheet or left over, and nothing is left where sheets are endless', () => {
  fc.assert(
    fc.property(repeated, (problem) => {
      const endless = { ...problem, sheets: problem.sheets.map((each) => ({ ...each, count: null })) };
      const { items } = itemsOf(endless);
      const made = patternsOf(endless);
      if (!made) return;
      for (let n = 0; n < 3; n++) {
        const { sheets, left } = made.step()!;
        expect(left).toEqual([]);
        const placed = sheets.flatMap(itemsOn).map(({ index }) => index);
        expect(placed.sort((a, b) => a - b)).toEqual(items.map(({ index }) => index).sort((a, b) => a - b));
      }
    }),
    { numRuns: 60 },
  );
});

describe('where parts repeat', () => {
  test('the strips of a sheet are the best there are: 14 pieces of two sizes fill it to the last millimetre', () => {
    // 4 columns of 610 over three strips of 400 without a kerf: sizes that sorted orders mix badly.
    const full = job([sheet('S', 2440, 1200)], [part('a', 610, 400, 24), part('b', 305, 400, 24), part('c', 915, 400, 8)], 0);
    const sheets = scoreOf(patternsOf({ ...full, parts: full.parts.map((each) => ({ ...each, grain: 'length' as const })) })!.step()!)[2];
    const area = 24 * 610 * 400 + 24 * 305 * 400 + 8 * 915 * 400;
    expect(sheets).toBe(Math.ceil(area / (2440 * 1200)));
  });
  test('a job without repeats, and one with flaws, has none', () => {
    expect(patternsOf(job([sheet('S', 2440, 1220)], [part('a', 600, 300), part('b', 500, 200)]))).toBeNull();
    const flaw = { x: mm(100), y: mm(100), dx: mm(20), dy: mm(20) };
    expect(patternsOf(job([sheet('S', 2440, 1220, { flaws: [flaw] })], [part('a', 600, 300, 20)]))).toBeNull();
  });
  test('time that runs out gives no layout, half or whole', () => {
    expect(patternsOf(job([sheet('S', 2440, 1220)], [part('a', 600, 300, 20)]), () => true)!.step()).toBeNull();
  });
});
