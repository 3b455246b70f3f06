/** Sheets with flaws and pinned parts, and sheets that are broken down first: cut into rectangles that hold neither. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, type Length } from '../length/length.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import { auditPlan } from './audit.ts';
import { framesOf, type FlawFrame, type Room } from './frames.ts';
import { stockAreasOf } from './pieces.ts';
import type { NestProblem } from './problem.ts';
import { search } from './search.ts';
import type { CutTree, Placement } from '../model/sheet-layout.ts';

const rect = (x: number, y: number, dx: number, dy: number) => ({ x: mm(x), y: mm(y), dx: mm(dx), dy: mm(dy) });
const framesFor = (problem: NestProblem): FlawFrame[] => framesOf(stockAreasOf(problem)[0]!, problem);
const sizes = (rooms: readonly Room[]): number[][] => rooms.map(({ dx, dy }) => [dx / 1e6, dy / 1e6]).sort((a, b) => b[0]! * b[1]! - a[0]! * a[1]!);
const planOf = (problem: NestProblem, steps = 200) => {
  const stepper = search(problem);
  stepper.step(steps);
  const plan = stepper.plan();
  expect(auditPlan(problem, plan)).toEqual([]);
  return plan;
};

test('a sheet without flaws is one rectangle inside its trim', () => {
  const [only, ...others] = framesFor(job([sheet('S', 1000, 500)], [part('p', 10, 10)], 3, 5));
  expect(others).toEqual([]);
  expect(only!.rooms).toEqual([rect(5, 5, 990, 490)]);
});

describe('a flaw', () => {
  const flawed = (flaw: ReturnType<typeof rect>, kerf = 3) => job([sheet('S', 1000, 500, { flaws: [flaw] })], [part('p', 10, 10)], kerf);

  test('is cut round in several ways, and no rectangle meets it', () => {
    const frames = framesFor(flawed(rect(400, 200, 50, 40)));
    expect(frames.length).toBeGreaterThan(2);
    for (const { rooms } of frames)
      for (const { x, y, dx, dy } of rooms) expect(x + dx <= mm(400) || x >= mm(450) || y + dy <= mm(200) || y >= mm(240)).toBe(true);
  });

  test.each([
    ['rip', 'y'],
    ['crosscut', 'x'],
  ] as const)('is cut round in the order that was chosen: %s first', (by, axis) => {
    const frames = framesFor({ ...flawed(rect(400, 200, 50, 40)), first: { by } });
    expect(frames.length).toBeGreaterThan(0);
    for (const { tree } of frames) expect(tree).toMatchObject({ kind: 'cut', axis });
  });

  test('takes no more than itself: the kerf runs in it where it is wide enough', () => {
    // 400 before it, 1000 − 450 = 550 beyond it.
    const widths = framesFor(flawed(rect(400, 0, 50, 500))).flatMap(({ rooms }) => sizes(rooms));
    expect(widths).toEqual(expect.arrayContaining([[400, 500]]));
    expect(widths).toEqual(expect.arrayContaining([[550, 500]]));
  });

  test('at a corner leaves an L, cut the one way or the other', () => {
    const rooms = framesFor(flawed(rect(0, 0, 100, 100))).map((each) => sizes(each.rooms)[0]!);
    expect(rooms).toEqual(expect.arrayContaining([[900, 500]]));
    expect(rooms).toEqual(expect.arrayContaining([[1000, 400]]));
  });

  test('parts are laid round it', () => {
    const problem = job([sheet('S', 1000, 500, { count: 1, flaws: [rect(480, 100, 40, 300)] })], [part('p', 470, 490, 2, { grain: 'length' })]);
    expect(planOf(problem).unplaced).toEqual([]);
  });

  test('all over a sheet leaves nothing', () => {
    const problem = job([sheet('S', 1000, 500, { count: 1, flaws: [rect(0, 0, 1000, 500)] })], [part('p', 100, 100)]);
    expect(planOf(problem).unplaced).toMatchObject([{ part: 'p', count: 1 }]);
  });
});

describe('pinned parts', () => {
  const pin = (id: string, x: number, y: number, dx: number, dy: number): Placement => ({ part: id, ...rect(x, y, dx, dy), turned: false });

  test('stay where they are, and the others are laid round them', () => {
    const pins = [pin('a', 300, 0, 200, 500)];
    const problem = job([sheet('P', 1000, 500, { count: 1, pins }), sheet('S', 1000, 500)], [part('a', 200, 500), part('b', 290, 490, 1, { grain: 'length' })]);
    const plan = planOf(problem);
    expect(plan.sheets.map((row) => row.sheet)).toEqual(['P']);
    expect(plan.sheets[0]!.placements.find((row) => row.part === 'a')).toMatchObject({ x: mm(300), y: mm(0) });
  });

  test('that cuts from edge to edge cannot part have no frame: four in a whirl', () => {
    const whirl = [pin('a', 0, 0, 600, 200), pin('b', 603, 0, 397, 400), pin('c', 400, 403, 600, 97), pin('d', 0, 203, 397, 297)];
    const problem = job(
      [sheet('P', 1000, 500, { count: 1, pins: whirl })],
      whirl.map(({ part: id, dx, dy }) => part(id, dx / 1e6, dy / 1e6)),
      3,
    );
    expect(framesFor(problem)).toEqual([]);
    expect(framesFor({ ...problem, sheets: [{ ...problem.sheets[0]!, pins: whirl.slice(0, 2) }] }).length).toBeGreaterThan(0);
  });

  test('whatever was laid out by cuts can be pinned, all of it', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 60, max: 500 }), fc.integer({ min: 60, max: 300 })), { minLength: 1, maxLength: 9 }), (rows) => {
        const problem = job(
          [sheet('S', 1000, 500)],
          rows.map(([l, w], n) => part(`p${n}`, l, w, 1, { grain: 'length' })),
        );
        const laid = planOf(problem, 30).sheets[0]!;
        const pinned: NestProblem = {
          ...problem,
          sheets: [sheet('S', 1000, 500, { count: 1, pins: laid.placements })],
          parts: problem.parts.filter(({ id }) => laid.placements.some((row) => row.part === id)),
        };
        expect(planOf(pinned, 1).sheets[0]!.placements).toHaveLength(laid.placements.length);
      }),
      { numRuns: 60 },
    );
  });
});

test('a cut that would leave less beside a pinned part than a kerf takes gives way to another', () => {
  const sizes = [
    [351, 121, 0, 0],
    [62, 120, 354.2, 0],
    [351, 123, 0, 124.2],
    [60, 123, 354.2, 124.2],
  ] as const;
  const pins = sizes.map(([dx, dy, x, y], n) => ({ part: `p${n}`, x: mm(x), y: mm(y), dx: mm(dx), dy: mm(dy), turned: false }));
  const problem = job(
    [sheet('S', 1000, 500, { count: 1, pins })],
    sizes.map(([l, w], n) => part(`p${n}`, l, w, 1, { grain: 'length' })),
  );
  expect(planOf(problem, 1).sheets[0]!.placements).toHaveLength(4);
});

describe('what comes first', () => {
  const parts = [part('long', 900, 200, 2, { grain: 'length' }), part('short', 400, 300, 4, { grain: 'length' })];
  const first = (tree: CutTree | undefined): string => (tree?.kind === 'cut' ? tree.axis : 'none');
  test('is a rip, or a crosscut, where that is settled', () => {
    const base = job([sheet('S', 2440, 1220)], parts);
    expect(first(planOf({ ...base, first: { by: 'rip' } }).sheets[0]!.cuts)).toBe('y');
    expect(first(planOf({ ...base, first: { by: 'crosscut' } }).sheets[0]!.cuts)).toBe('x');
  });

  test('is the breakdown into pieces no longer and no wider than can be handled', () => {
    const problem: NestProblem = { ...job([sheet('S', 2440, 1220)], parts), first: { by: 'breakdown', longest: mm(1300), widest: mm(700) } };
    for (const { rooms } of framesFor(problem)) for (const { dx, dy } of rooms) expect([dx <= mm(1300), dy <= mm(700)]).toEqual([true, true]);
    expect(planOf(problem).unplaced).toEqual([]);
    // Nothing to break down: the sheet is small enough.
    expect(framesFor({ ...problem, sheets: [sheet('S', 1200, 600)] })).toHaveLength(1);
  });

  test('a sheet that is three times too long comes apart in three', () => {
    const problem: NestProblem = { ...job([sheet('S', 3000, 1220)], parts, 3), first: { by: 'breakdown', longest: mm(1000), widest: mm(1220) } };
    for (const { rooms } of framesFor(problem)) expect(rooms.length).toBe(3); // 1000, 1000 and 3000 − 2 × 1003 = 994
  });
});

test('parts that belong together share a sheet, also where that costs one', () => {
  const tied = job([sheet('S', 1000, 500)], [part('a', 900, 200, 1, { together: 't' }), part('b', 900, 200, 1, { together: 't' }), part('c', 900, 250, 2)]);
  const plan = planOf(tied);
  const of = (id: string): number => plan.sheets.findIndex(({ placements }) => placements.some((row) => row.part === id));
  expect(of('a')).toBe(of('b'));
  const never = job([sheet('S', 1000, 500)], [part('a', 900, 400, 1, { together: 't' }), part('b', 900, 400, 1, { together: 't' })]);
  expect(planOf(never).unplaced.reduce((sum, { count }) => sum + count, 0)).toBe(2);
  expect((never.parts[0]!.length as Length) > 0).toBe(true);
});
