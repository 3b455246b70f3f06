import { describe, expect, test } from '@jest/globals';
import { mm } from '../length/length.ts';
import { seeded } from '../random/random.ts';
import { auditPlan } from './audit.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import type { NestProblem } from './problem.ts';
import { search } from './search.ts';

const solve = (problem: NestProblem, steps = 400) => {
  const stepper = search(problem);
  stepper.step(steps);
  const plan = stepper.plan();
  expect(auditPlan(problem, plan)).toEqual([]);
  return plan;
};

describe('by hand', () => {
  test('four strips of 147.6 fill a width of 600 with three kerfs of 3.2', () => {
    expect(solve(job([sheet('S', 1000, 600)], [part('strip', 1000, 147.6, 4)])).score.sheets).toBe(1); // 4 × 147.6 + 3 × 3.2 = 600
    expect(solve(job([sheet('S', 1000, 600)], [part('strip', 1000, 147.7, 4)])).score.sheets).toBe(2);
  });

  test('a part may end exactly at the edge of what is trimmed', () => {
    expect(solve(job([sheet('S', 610, 310)], [part('p', 600, 300)], 3.2, 5)).unplaced).toEqual([]);
    expect(solve(job([sheet('S', 609.9, 310)], [part('p', 600, 300)], 3.2, 5)).unplaced).toMatchObject([{ part: 'p', count: 1 }]);
  });

  test('grain is kept: what fits only turned is left over, and says so', () => {
    const plan = solve(job([sheet('S', 1000, 500, { grain: 'length' })], [part('p', 400, 600, 1, { grain: 'length' })]));
    expect(plan.unplaced).toMatchObject([{ part: 'p', why: 'it fits only across the grain' }]);
  });

  test('an offcut that holds the parts is used before a sheet is bought', () => {
    const plan = solve(job([sheet('new', 2440, 1220, { cost: 70 }), sheet('off', 700, 400, { cost: 0, count: 1, offcut: true })], [part('p', 300, 300, 2)]));
    expect(plan.sheets.map((row) => row.sheet)).toEqual(['off']);
    expect(plan.proved).toBe(true);
  });

  test('least cost wins over fewest sheets when costs are given', () => {
    const plan = solve(job([sheet('large', 1000, 1000, { cost: 100 }), sheet('small', 500, 500, { cost: 20 })], [part('p', 490, 490, 3)]));
    expect(plan.score).toEqual({ sheets: 3, cost: 60 });
  });

  test('matched parts come from one strip, side by side, in their order', () => {
    const plan = solve(
      job(
        [sheet('S', 2440, 1220, { grain: 'length' })],
        [
          part('b', 400, 300, 1, { group: 'front', order: 2 }),
          part('a', 400, 200, 1, { group: 'front', order: 1 }),
          part('c', 400, 250, 1, { group: 'front', order: 3 }),
        ],
      ),
    );
    const [a, b, c] = ['a', 'b', 'c'].map((id) => plan.sheets[0]!.placements.find((row) => row.part === id)!);
    const along = a!.x === b!.x ? (['y', 'dy'] as const) : (['x', 'dx'] as const);
    expect(b![along[0]] - (a![along[0]] + a![along[1]])).toBe(mm(3.2));
    expect(c![along[0]] - (b![along[0]] + b![along[1]])).toBe(mm(3.2));
  });

  test('a group may mix parts whose grain lies differently: each keeps its own', () => {
    const plan = solve(
      job(
        [sheet('S', 2440, 1220)],
        [
          part('along', 400, 300, 1, { group: 'g', order: 1, grain: 'length' }),
          part('across', 300, 250, 1, { group: 'g', order: 2, grain: 'width' }),
          part('any', 200, 250, 2, { group: 'g', order: 3 }),
        ],
      ),
    );
    expect(plan.unplaced).toEqual([]);
    expect(plan.sheets[0]!.placements.find((row) => row.part === 'across')).toMatchObject({ turned: true, dx: mm(250), dy: mm(300) });
    expect(plan.sheets[0]!.placements.find((row) => row.part === 'along')).toMatchObject({ turned: false });
  });

  test('sheets run out: what was placed stays, the rest is counted', () => {
    const plan = solve(job([sheet('S', 1000, 500, { count: 1 })], [part('p', 600, 400, 3)]));
    expect(plan.score.sheets).toBe(1);
    expect(plan.unplaced).toMatchObject([{ part: 'p', count: 2 }]);
  });

  test('parts that no two of share a sheet are a bound of their own', () => {
    const plan = solve(job([sheet('S', 1000, 1000)], [part('p', 520, 520, 3)]));
    expect(plan.bound.sheets).toBe(3);
    expect(plan.proved).toBe(true);
  });
});

test('a job met at its bound stops early', () => {
  const stepper = search(job([sheet('S', 2440, 1220)], [part('p', 300, 200, 4)]));
  expect(stepper.step(10_000)).toBe(true);
  expect(stepper.effort).toBeLessThan(10);
});

test.each([1, 5, 20])('sheets are taken apart in places, not only whole: forty parts on as few as the bound says (%i)', (seed) => {
  const random = seeded(seed);
  const size = (): number => 100 + 10 * Math.floor(random() * 41);
  const parts = Array.from({ length: 40 }, (_, n) => part(`p${n}`, size(), size(), 1, { grain: 'length' }));
  // Emptying whole sheets alone stays at five here.
  expect(solve(job([sheet('S', 1000, 1000)], parts, 0), 12_000)).toMatchObject({ proved: true, score: { sheets: 4 } });
});
