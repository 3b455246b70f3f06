import { expect, test } from '@jest/globals';
import { searchScheduler, type SearchMethod } from './search-scheduler.ts';

function counted(share: number, work: () => number, isBetter: (tries: number) => boolean = () => false) {
  const way = {
    tries: 0,
    share,
    work,
    step() {
      way.tries++;
      return isBetter(way.tries);
    },
  };
  return way satisfies SearchMethod & { tries: number };
}
const run = (ways: readonly SearchMethod[], steps: number): void => {
  const each = searchScheduler(ways);
  for (let n = 0; n < steps; n++) each.step();
};

test('work is parted by shares, whatever one try takes', () => {
  const [large, small] = [counted(1, () => 100), counted(3, () => 1)];
  run([large, small], 10_000);
  expect((small.tries * 1) / (large.tries * 100)).toBeCloseTo(3, 1);
});

test('what finds something better has more turns than its like', () => {
  const [lucky, plain] = [
    counted(
      1,
      () => 10,
      (tries) => tries % 5 === 0,
    ),
    counted(1, () => 10),
  ];
  run([plain, lucky], 300);
  expect(lucky.tries).toBeGreaterThan(1.5 * plain.tries);
});

test('a way that has no more is passed over, and nothing happens where none has', () => {
  let tries = 0;
  const few: SearchMethod = { share: 5, work: () => (tries < 3 ? 10 : Infinity), step: () => ++tries < 0 };
  const other = counted(1, () => 10);
  run([few, other], 50);
  expect([tries, other.tries]).toEqual([3, 47]);
  expect(() => run([counted(1, () => Infinity)], 5)).not.toThrow();
});
