/** Whatever the job, no plan overlaps, forgets the kerf, leaves the sheet, turns the grain, or invents or drops parts. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, type Length } from '../length/length.ts';
import { auditPlan } from './audit.ts';
import { lowerBound } from './bound.ts';
import type { FirstCut, NestPart, NestPlan, NestProblem, NestSheet } from './problem.ts';
import { search } from './search.ts';

const lengthBetween = (least: number, most: number): fc.Arbitrary<Length> =>
  fc.oneof(
    fc.integer({ min: least * 10, max: most * 10 }).map((tenths) => mm(tenths / 10)),
    fc.integer({ min: Math.ceil((least * 64) / 25.4), max: Math.floor((most * 64) / 25.4) }).map((parts) => (parts * 396_875) as Length),
  );
/** Plans that are audited. KEEN_AUDIT_RUNS asks for thousands. */
const RUNS = Number(process.env['KEEN_AUDIT_RUNS'] ?? 200);

const flaw = fc.record({ x: lengthBetween(1, 1500), y: lengthBetween(1, 800), dx: lengthBetween(2, 120), dy: lengthBetween(2, 120) });
const sheet =
  (costed: boolean) =>
  (id: string): fc.Arbitrary<NestSheet> =>
    fc.record({
      id: fc.constant(id),
      length: lengthBetween(400, 2500),
      width: lengthBetween(300, 1250),
      count: fc.option(fc.integer({ min: 1, max: 3 })),
      grain: fc.constantFrom('length' as const, 'none' as const),
      cost: costed ? fc.integer({ min: 0, max: 90 }) : fc.constant(null),
      offcut: fc.boolean(),
      flaws: fc.oneof({ weight: 3, arbitrary: fc.constant([]) }, { weight: 1, arbitrary: fc.array(flaw, { minLength: 1, maxLength: 3 }) }),
    });
const part = (id: string): fc.Arbitrary<NestPart> =>
  fc.record({
    id: fc.constant(id),
    length: lengthBetween(30, 1300),
    width: lengthBetween(30, 700),
    count: fc.integer({ min: 1, max: 6 }),
    grain: fc.constantFrom('length' as const, 'width' as const, 'either' as const),
    group: fc.oneof({ weight: 6, arbitrary: fc.constant(null) }, { weight: 1, arbitrary: fc.constantFrom('g1', 'g2') }),
    order: fc.integer({ min: 0, max: 9 }),
    together: fc.oneof({ weight: 5, arbitrary: fc.constant(null) }, { weight: 1, arbitrary: fc.constantFrom('t1', 't2') }),
  });
const first: fc.Arbitrary<FirstCut | undefined> = fc.oneof(
  fc.constant(undefined),
  fc.constantFrom<FirstCut>({ by: 'rip' }, { by: 'crosscut' }),
  fc.record({ by: fc.constant('breakdown' as const), longest: lengthBetween(300, 1600), widest: lengthBetween(300, 1300) }),
);
const job: fc.Arbitrary<NestProblem> = fc.boolean().chain((costed) =>
  fc
    .record({
      kerf: fc.constantFrom(mm(0), mm(2.2), mm(3.2), 3_175_000 as Length),
      trim: fc.constantFrom(mm(0), mm(5), mm(12)),
      cuts: fc.constantFrom('guillotine' as const, 'free' as const),
      first,
      sheets: fc.integer({ min: 1, max: 3 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => sheet(costed)(`S${i}`)))),
      parts: fc.integer({ min: 1, max: 9 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => part(`p${i}`)))),
    })
    .map(({ first: by, ...rest }): NestProblem => ({ ...rest, ...(by ? { first: by } : {}) })),
);

const planOf = (problem: NestProblem, steps = 60, seed = 1): NestPlan => {
  const stepper = search(problem, seed);
  stepper.step(steps);
  return stepper.plan();
};

test('the independent audit finds nothing wrong with any plan', () => {
  fc.assert(
    fc.property(job, fc.integer({ min: 1, max: 150 }), (problem, steps) => {
      expect(auditPlan(problem, planOf(problem, steps))).toEqual([]);
    }),
    { numRuns: RUNS },
  );
});

test('a part is left over only when it fits no sheet or the sheets ran out', () => {
  fc.assert(
    fc.property(job, (problem) => {
      const endless: NestProblem = {
        ...problem,
        sheets: problem.sheets.map((each) => ({ ...each, count: null, flaws: [] })),
        parts: problem.parts.map((each) => ({ ...each, group: null, together: null })),
      };
      delete (endless as { first?: FirstCut }).first;
      for (const { part: id, why } of planOf(endless, 10).unplaced) {
        expect(why).not.toBe('');
        const { length, width, grain } = endless.parts.find((row) => row.id === id)!;
        const ways = [
          { dx: length, dy: width, goes: grain !== 'width' },
          { dx: width, dy: length, goes: grain !== 'length' },
        ].filter(({ goes }) => goes);
        for (const each of endless.sheets)
          for (const { dx, dy } of ways) expect(dx <= each.length - 2 * endless.trim && dy <= each.width - 2 * endless.trim).toBe(false);
      }
    }),
    { numRuns: 200 },
  );
});

test('no bound is above what a plan comes to, also where the sheets run out', () => {
  fc.assert(
    fc.property(job, (problem) => {
      const few: NestProblem = { ...problem, sheets: problem.sheets.map((each) => ({ ...each, count: Math.min(each.count ?? 1, 1) })) };
      for (const each of [problem, few]) {
        const { bound, score } = planOf(each, 10);
        expect(bound.sheets).toBeLessThanOrEqual(score.sheets);
        if (bound.cost !== null) expect(bound.cost).toBeLessThanOrEqual(score.cost! + 1e-9);
      }
    }),
    { numRuns: RUNS },
  );
});

test('the same problem, seed and effort give the same plan', () => {
  fc.assert(
    fc.property(job, fc.integer({ min: 1, max: 1e9 }), (problem, seed) => {
      expect(planOf(problem, 130, seed)).toEqual(planOf(problem, 130, seed));
    }),
    { numRuns: 25 },
  );
});

test('more effort never makes a plan worse', () => {
  fc.assert(
    fc.property(job, (problem) => {
      const rank = ({ unplaced, score }: NestPlan): number[] => [unplaced.reduce((sum, { count }) => sum + count, 0), score.cost ?? 0, score.sheets];
      const few = rank(planOf(problem, 3));
      const many = rank(planOf(problem, 160));
      const first = few.findIndex((value, index) => value !== many[index]);
      if (first >= 0) expect(many[first]!).toBeLessThan(few[first]!);
    }),
    { numRuns: 40 },
  );
});

/** Sheets cut at random from edge to edge, a kerf lost at each cut: their number is an optimum that is known. */
function cutUp(dx: number, dy: number, kerf: number, dice: () => number, depth: number): [number, number][] {
  const across = dice() < dx / (dx + dy);
  const size = across ? dx : dy;
  if (depth === 0 || size < 200e6) return [[dx, dy]];
  const at = Math.round((0.25 + 0.5 * dice()) * (size - kerf));
  return across
    ? [...cutUp(at, dy, kerf, dice, depth - 1), ...cutUp(dx - at - kerf, dy, kerf, dice, depth - 1)]
    : [...cutUp(dx, at, kerf, dice, depth - 1), ...cutUp(dx, dy - at - kerf, kerf, dice, depth - 1)];
}

test('the bound is never above an optimum that is known, also on sheets filled to the nanometre', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 4 }),
      fc.constantFrom(0, 2_200_000, 3_200_000),
      fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 300, maxLength: 300 }),
      (sheets, kerf, rolls) => {
        let roll = 0;
        const pieces = Array.from({ length: sheets }, () => cutUp(2_440_000_000, 1_220_000_000, kerf, () => rolls[roll++ % rolls.length]!, 4)).flat();
        const problem: NestProblem = {
          kerf: kerf as Length,
          trim: mm(0),
          cuts: 'guillotine',
          sheets: [{ id: 'S', length: mm(2440), width: mm(1220), count: null, grain: 'none', cost: 50, offcut: false }],
          parts: pieces.map(([dx, dy], index) => ({
            id: `p${index}`,
            length: dx as Length,
            width: dy as Length,
            count: 1,
            grain: 'either',
            group: null,
            order: 0,
          })),
        };
        const bound = lowerBound(problem, problem.parts);
        expect(bound.sheets).toBeLessThanOrEqual(sheets);
        expect(bound.cost!).toBeLessThanOrEqual(50 * sheets);
        // Nothing was wasted but kerfs, so the area bound is the optimum itself.
        expect(bound.sheets).toBe(sheets);
      },
    ),
    { numRuns: Math.ceil(RUNS / 5) },
  );
});

describe('the audit can fail', () => {
  const problem: NestProblem = {
    kerf: mm(3),
    trim: mm(5),
    cuts: 'guillotine',
    sheets: [{ id: 'S', length: mm(1000), width: mm(600), count: 2, grain: 'length', cost: null, offcut: false }],
    parts: [{ id: 'p', length: mm(300), width: mm(200), count: 2, grain: 'length', group: null, order: 0 }],
  };
  const good = planOf(problem);
  const moved = (change: (placement: NestPlan['sheets'][number]['placements'][number], index: number) => object): NestPlan => ({
    ...good,
    sheets: good.sheets.map((row) => ({ ...row, placements: row.placements.map((each, index) => ({ ...each, ...change(each, index) })) })),
  });
  test.each<[string, NestPlan, RegExp]>([
    ['a plan as it is', good, /^$/],
    ['two parts on one place', moved(() => ({ x: mm(5), y: mm(5) })), /less than a kerf apart/],
    ['a part in the trim', moved((each, index) => (index === 0 ? { x: mm(2) } : each)), /leaves the sheet/],
    ['a part turned across its grain', moved(({ dx, dy }) => ({ dx: dy, dy: dx, turned: true })), /across its grain/],
    ['a part of another size', moved(({ dx }) => ({ dx: (dx - 1) as Length })), /not its own size/],
    ['a part dropped', { ...good, sheets: good.sheets.map((row) => ({ ...row, placements: row.placements.slice(1) })) }, /1 placed and 0 left of 2/],
    ['a sheet too many', { ...good, sheets: [...good.sheets, ...good.sheets, ...good.sheets] }, /there are 2/],
    ['no cuts', { ...good, sheets: good.sheets.map(({ sheet: id, placements }) => ({ sheet: id, placements })) }, /no cuts/],
  ])('%s', (_name, plan, said) => {
    expect(auditPlan(problem, plan).join('; ')).toMatch(said);
  });
});
