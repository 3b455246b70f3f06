/** Parts a person put somewhere stay there, the others are laid out round them, and nothing is asked for that no cut makes. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm } from '../length/length.ts';
import { auditPlan } from '../nesting/audit.ts';
import type { NestProblem } from '../nesting/problem.ts';
import { search } from '../nesting/search.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import { newSheetId, pinsThatFail, placementOf, snapped, withPins, wrongPlace } from './pins.ts';
import type { Placement, PinnedPart } from '../model/sheet-layout.ts';

const PRODUCT = 'ply';
const sizes = [
  [800, 280],
  [560, 280],
  [560, 280],
  [400, 150],
  [300, 300],
  [250, 120],
] as const;
const problem: NestProblem = job(
  [sheet('offcut-1', 900, 600, { count: 1, grain: 'length', cost: 0, offcut: true }), sheet(PRODUCT, 2440, 1220, { grain: 'length', cost: 60 })],
  sizes.map(([length, width], n) => part(`p${n}`, length, width, 1, { grain: n < 3 ? 'length' : 'either' })),
  3.2,
  5,
);
const pin = (n: number, x: number, y: number, more: Partial<PinnedPart> = {}): PinnedPart => ({
  id: `p${n}`,
  product: PRODUCT,
  sheet: newSheetId(PRODUCT, 1),
  x: mm(x),
  y: mm(y),
  turned: false,
  ...more,
});
const pinsOf = (...pins: PinnedPart[]): Record<string, PinnedPart> => Object.fromEntries(pins.map((each) => [each.id, each]));
const planOf = (of: NestProblem) => {
  const stepper = search(of);
  stepper.step(40);
  return stepper.plan();
};

test('pinned parts stay to the nanometre and every other part is laid out too', () => {
  const place = fc.record({
    n: fc.integer({ min: 0, max: 5 }),
    x: fc.integer({ min: 0, max: 2300 }),
    y: fc.integer({ min: 0, max: 1100 }),
    turned: fc.boolean(),
    store: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(place, { minLength: 1, maxLength: 4 }), (places) => {
      const pins = pinsOf(...places.map(({ n, x, y, turned, store }) => pin(n, x, y, { turned, ...(store ? { sheet: 'offcut-1' } : {}) })));
      const pinned = withPins(problem, PRODUCT, pins);
      const plan = planOf(pinned);
      expect(auditPlan(pinned, plan)).toEqual([]);
      expect(plan.unplaced).toEqual([]);
      const failed = pinsThatFail(problem, PRODUCT, pins);
      for (const each of Object.values(pins).filter(({ id }) => !failed.includes(id))) {
        const on = plan.sheets.filter((row) => row.sheet === each.sheet).flatMap(({ placements }) => placements);
        expect(on).toContainEqual(placementOf(problem, each));
      }
      expect(plan.sheets.flatMap(({ placements }) => placements.map((row) => row.part)).sort()).toEqual(sizes.map((_, n) => `p${n}`));
    }),
    { numRuns: 60 },
  );
});

describe('a place is wrong', () => {
  const at = (n: number, x: number, y: number, turned = false): Placement => placementOf(problem, pin(n, x, y, { turned }))!;
  const fresh = problem.sheets[1]!;
  test.each<[string, Placement, Placement[], unknown]>([
    ['off the sheet', at(0, 1700, 5), [], { why: 'off' }],
    ['in the trim', at(0, 3, 5), [], { why: 'off' }],
    ['across the grain', at(0, 5, 5, true), [], { why: 'grain' }],
    ['on another', at(1, 100, 100), [at(0, 5, 5)], { why: 'near', part: 'p0' }],
    ['less than a kerf from another', at(1, 808, 5), [at(0, 5, 5)], { why: 'near', part: 'p0' }],
    ['a kerf from another: right', at(1, 808.2, 5), [at(0, 5, 5)], null],
  ])('%s', (_name, place, others, wrong) => {
    expect(wrongPlace(problem, fresh, place, others)).toEqual(wrong);
  });

  test('on a flaw; with three others round a corner where no cut goes through', () => {
    const flawed = { ...fresh, flaws: [{ x: mm(100), y: mm(100), dx: mm(20), dy: mm(20) }] };
    expect(wrongPlace(problem, flawed, at(0, 5, 5), [])).toEqual({ why: 'flaw' });
    // Four parts like the sails of a mill: no cut from edge to edge goes past any of them.
    const four = { ...problem, parts: [0, 1, 2, 3].map((n) => part(`p${n}`, 300, 100)) };
    const sail = (n: number, x: number, y: number, turned: boolean): Placement => placementOf(four, pin(n, x, y, { turned }))!;
    const mill = [sail(0, 100, 100, false), sail(1, 403.2, 100, true), sail(2, 203.2, 403.2, false), sail(3, 100, 203.2, true)];
    expect(mill.map((each, n) => wrongPlace(four, fresh, each, mill.slice(0, n)))).toEqual([null, null, null, { why: 'no-cut' }]);
  });
});

test('a part that is dragged is drawn to edges, to a kerf from its neighbors, and in line with them', () => {
  const fresh = problem.sheets[1]!;
  const beside = placementOf(problem, pin(0, 5, 5))!;
  const dropped = placementOf(problem, pin(1, 811, 9))!;
  expect(snapped(problem, fresh, dropped, [beside], mm(8))).toMatchObject({ x: mm(808.2), y: mm(5) });
  expect(snapped(problem, fresh, placementOf(problem, pin(1, 1500, 500))!, [beside], mm(8))).toMatchObject({ x: mm(1500), y: mm(500) });
});

test('a pin whose part has gone asks for nothing; one whose part has grown past the edge is named', () => {
  const pins = pinsOf(pin(9, 5, 5), pin(0, 1630, 5));
  expect(pinsThatFail(problem, PRODUCT, pins)).toEqual([]);
  const grown = { ...problem, parts: problem.parts.map((each) => (each.id === 'p0' ? { ...each, length: mm(820) } : each)) };
  expect(pinsThatFail(grown, PRODUCT, pins)).toEqual(['p0']);
  expect(withPins(grown, PRODUCT, pins)).toEqual(grown);
});
