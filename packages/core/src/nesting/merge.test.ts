/** Joining items by their sides: sheets that were cut up come together again. */
import { describe, expect, test } from '@jest/globals';
import { seeded } from '../random/random.ts';
import type { Length } from '../length/length.ts';
import { cutSheets, job, part, sheet } from '../test/nest-job.ts';
import { auditPlan } from './audit.ts';
import { itemsIn, merged } from './merge.ts';
import { stockAreasOf, itemsOf } from './pieces.ts';
import type { NestPart, NestProblem } from './problem.ts';
import { search } from './search.ts';

const joined = (problem: NestProblem) => merged(itemsOf(problem).items, stockAreasOf(problem), problem.kerf, null);
const S = sheet('S', 2440, 1220, { grain: 'length' });

describe('a pair that shares a side', () => {
  const grain = 'length';
  test('is one block, a kerf wider than both, and comes apart into the two again', () => {
    const blocks = joined(job([S], [part('a', 700, 300, 1, { grain }), part('b', 500, 300, 1, { grain })]));
    expect(blocks).toHaveLength(1);
    expect(blocks[0]!.lies.map(({ dx, dy }) => [dx / 1e6, dy / 1e6])).toEqual([[1203.2, 300]]);
    expect(
      itemsIn(blocks[0]!)
        .flatMap(({ parts }) => parts.map(({ id }) => id))
        .sort(),
    ).toEqual(['a', 'b']);
  });
  test('is left alone where no sheet holds both, where it shares nothing, and where a third makes it chance', () => {
    expect(joined(job([S], [part('a', 1700, 300, 1, { grain }), part('b', 1500, 300, 1, { grain })]))).toHaveLength(2);
    expect(joined(job([S], [part('a', 700, 300, 1, { grain }), part('b', 500, 301, 1, { grain })]))).toHaveLength(2);
    expect(joined(job([S], [part('a', 700, 300, 3, { grain })]))).toHaveLength(3);
  });
  test('turns with its halves where both may turn', () => {
    const blocks = joined(job([S], [part('a', 700, 300), part('b', 500, 300)]));
    expect(blocks[0]!.lies.map(({ dx, dy }) => [dx / 1e6, dy / 1e6])).toEqual(
      expect.arrayContaining([
        [1203.2, 300],
        [300, 1203.2],
      ]),
    );
  });
});

const cutUp = (count: number, seed: number, slack = 0): NestProblem => {
  const parts = cutSheets(count, seed).map(([dx, dy], index): NestPart => ({
    ...part(`p${index}`, 1, 1, 1, { grain: 'length' }),
    length: Math.round(dx * (1 - slack)) as Length,
    width: Math.round(dy * (1 - slack)) as Length,
  }));
  return job([S], parts);
};

test.each([1, 2, 3])('%d sheets cut up without waste come together within a few steps', (count) => {
  for (let seed = 1; seed <= 12; seed++) {
    const problem = cutUp(count, seed);
    const stepper = search(problem);
    stepper.step(400);
    const made = stepper.plan();
    expect(auditPlan(problem, made)).toEqual([]);
    expect([seed, made.score.sheets <= count + (count === 1 ? 0 : 1)]).toEqual([seed, true]);
  }
});

test('with a hundredth taken off every part most of them are found again', () => {
  const found = Array.from({ length: 12 }, (_, seed) => {
    const problem = cutUp(2, seed + 1, 0.01);
    const stepper = search(problem);
    stepper.step(400);
    const made = stepper.plan();
    expect(auditPlan(problem, made)).toEqual([]);
    return made.score.sheets === 2;
  });
  expect(found.filter(Boolean).length).toBeGreaterThanOrEqual(9);
});

test('at random all parts are still there, each once', () => {
  const problem = cutUp(3, 5);
  const { items } = itemsOf(problem);
  for (let seed = 1; seed <= 20; seed++) {
    const blocks = merged(items, stockAreasOf(problem), problem.kerf, seeded(seed));
    expect(blocks.flatMap(({ parts }) => parts.map(({ id }) => id)).sort()).toEqual(items.flatMap(({ parts }) => parts.map(({ id }) => id)).sort());
  }
});
