/** What a layout has to spare, against the same parts laid out anew on a shorter sheet or with a wider kerf. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, type Length } from '../length/length.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import type { NestPlan, NestProblem } from './problem.ts';
import { search } from './search.ts';
import { isTight, spareOf, tightSheets } from './spare.ts';

const solved = (problem: NestProblem, steps = 20): NestPlan => {
  const stepper = search(problem);
  stepper.step(steps);
  return stepper.plan();
};

test('two parts in a row: what is over along it, across it, and for one kerf', () => {
  const problem = job([sheet('S', 1000, 500)], [part('a', 600, 480, 1, { grain: 'length' }), part('b', 390, 300, 1, { grain: 'length' })], 4);
  expect(spareOf(solved(problem), problem)).toEqual({ length: mm(6), width: mm(20), kerf: mm(6) });
});

test('three strips share what is over between two kerfs, and the trim is no part of it', () => {
  const problem: NestProblem = { ...job([sheet('S', 1010, 619)], [part('a', 1000, 200, 3, { grain: 'length' })], 3), trim: mm(5) };
  expect(spareOf(solved(problem), problem)).toEqual({ length: mm(0), width: mm(3), kerf: mm(1.5) });
});

test('one part alone on its sheet has no kerf to mind; without sheets, or with a flaw, nothing is told', () => {
  const problem = job([sheet('S', 1000, 500)], [part('a', 900, 400, 1, { grain: 'length' })]);
  expect(spareOf(solved(problem), problem)).toEqual({ length: mm(100), width: mm(100), kerf: null });
  expect(spareOf({ ...solved(problem), sheets: [] }, problem)).toBeNull();
  const flawed: NestProblem = { ...problem, sheets: [{ ...problem.sheets[0]!, flaws: [{ x: mm(950), y: mm(0), dx: mm(10), dy: mm(10) }] }] };
  expect(spareOf(solved(flawed), flawed)).toBeNull();
});

/** Whether the same tree of cuts holds its parts with another kerf on another sheet: worked out top down, from the room there is. */
function holds(plan: NestPlan, problem: NestProblem, less: { readonly dx: number; readonly dy: number }, kerf: number): boolean {
  type Node = NonNullable<NestPlan['sheets'][number]['cuts']>;
  return plan.sheets.every(({ sheet: id, cuts, placements }) => {
    const kind = problem.sheets.find((each) => each.id === id)!;
    const wants = (node: Node, x: number, y: number, axis: 'x' | 'y'): number => {
      if (node.kind === 'waste') return 0;
      if (node.kind === 'part') {
        const lying = placements.find((each) => each.x === x && each.y === y)!;
        return axis === 'x' ? lying.dx : lying.dy;
      }
      const next = node.at + problem.kerf;
      const [a, b] = [wants(node.first, x, y, axis), node.axis === 'x' ? wants(node.second, next, y, axis) : wants(node.second, x, next, axis)];
      return node.axis === axis && a > 0 && b > 0 ? a + kerf + b : Math.max(a, b);
    };
    const trim = problem.trim;
    return wants(cuts!, trim, trim, 'x') <= kind.length - 2 * trim - less.dx && wants(cuts!, trim, trim, 'y') <= kind.width - 2 * trim - less.dy;
  });
}

test('just as much is to spare, and not a nanometer more', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ long: fc.integer({ min: 80, max: 900 }), wide: fc.integer({ min: 60, max: 560 }), count: fc.integer({ min: 1, max: 3 }) }), {
        minLength: 1,
        maxLength: 7,
      }),
      fc.constantFrom(0, 2.2, 3.2),
      (rows, kerf) => {
        const problem: NestProblem = {
          ...job(
            [sheet('S', 1220, 610)],
            rows.map(({ long, wide, count }, n) => part(`p${n}`, long, wide, count)),
            kerf,
          ),
          trim: mm(3),
        };
        const plan = solved(problem);
        const { length, width, kerf: wider } = spareOf(plan, problem)!;
        const at = (dx: number, dy: number, more: number): boolean => holds(plan, problem, { dx, dy }, problem.kerf + more);
        expect([at(length, width, 0), at(length + 1, 0, 0), at(0, width + 1, 0)]).toEqual([true, false, false]);
        if (wider !== null) expect([at(0, 0, wider), at(0, 0, wider + 1)]).toEqual([true, false]);
      },
    ),
    { numRuns: 60 },
  );
});

test('free layouts tell what lies beyond the last part', () => {
  const problem: NestProblem = {
    ...job([sheet('S', 1000, 500)], [part('a', 600, 480, 1, { grain: 'length' }), part('b', 390, 300, 1, { grain: 'length' })], 4),
    cuts: 'free',
  };
  const spare = spareOf(solved(problem), problem)!;
  expect([spare.length, spare.width, spare.kerf]).toEqual([mm(6) as Length, mm(20) as Length, null]);
});

test('tight is what sheets and blades are often out by', () => {
  const roomy = { length: mm(2), width: mm(2), kerf: mm(0.4) };
  expect([roomy, { ...roomy, kerf: null }, { ...roomy, length: mm(1.9) }, { ...roomy, width: mm(0) }, { ...roomy, kerf: mm(0.3) }].map(isTight)).toEqual([
    false,
    false,
    true,
    true,
    true,
  ]);
});

test('the sheets are told that are tight, not those with a flaw', () => {
  const tight = job([sheet('S', 1000, 500)], [part('a', 600, 480, 1, { grain: 'length' }), part('b', 395, 300, 1, { grain: 'length' })], 4);
  const roomy = job([sheet('S', 1000, 500)], [part('a', 600, 480, 1, { grain: 'length' })], 4);
  const both = { ...solved(tight), sheets: [...solved(roomy).sheets, ...solved(tight).sheets] };
  expect(tightSheets(both, tight)).toEqual([1]);
  const flawed: NestProblem = { ...tight, sheets: [{ ...tight.sheets[0]!, flaws: [{ x: mm(999), y: mm(499), dx: mm(1), dy: mm(1) }] }] };
  expect(tightSheets(both, flawed)).toEqual([]);
});
