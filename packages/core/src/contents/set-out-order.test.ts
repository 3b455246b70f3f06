/** Levels in their order: whatever is heavy or in daily use, they go into the height there is, if they do in any order. */
import { expect, test } from '@jest/globals';
import { mm } from '../length/length.ts';
import { orderLevels } from './set-out-order.ts';
import type { PackedLevel, ColumnGroup, SetOutJob } from './set-out-job.ts';

const JOB = {
  thickness: mm(18),
  topHeight: mm(200),
  floorUp: mm(1300),
  zone: { hip: mm(912), eye: mm(1600), most: mm(1978) },
  elements: ['bottom', 's1', 's2'],
} as unknown as SetOutJob;

/** A level of one column, so high and so heavy, pinned to an element or none. */
const level = (height: number, kg: number, on: string | null = null): PackedLevel => ({
  on,
  columns: new Map([[{ kg, item: { reach: 'rare' } } as unknown as ColumnGroup, 1]]),
  height: mm(height),
  used: mm(50),
});
const heightOf = (levels: readonly PackedLevel[]): number =>
  levels.reduce((sum, { height }, index) => sum + (index === levels.length - 1 ? Math.max(height, JOB.topHeight) : height), 0) +
  (levels.length - 1) * JOB.thickness;

test('of many levels the heavy tall one goes on top where only so they are low enough', () => {
  // 153 + 10 · 5 + 10 · 18 = 383; the top has to be 200: 430 with the tall one there, 578 with any other.
  const levels = [level(153, 20), ...Array.from({ length: 10 }, () => level(5, 1))];
  const { levels: ordered } = orderLevels({ ...JOB, height: mm(430) }, levels);
  expect(heightOf(ordered)).toBe(mm(430));
  expect(ordered.at(-1)).toBe(levels[0]);
});

test('the one that nothing pins is lifted over those that are', () => {
  const levels = [level(40, 9, 'bottom'), level(190, 20), level(40, 5, 's1'), level(40, 1, 's2')];
  const { levels: ordered } = orderLevels({ ...JOB, height: mm(374) }, levels);
  expect(ordered.map(({ on }) => on)).toEqual(['bottom', 's1', 's2', null]);
  expect(heightOf(ordered)).toBe(mm(374));
});

test('where there is height to spare the heavy one stays low', () => {
  const levels = [level(153, 20), ...Array.from({ length: 10 }, () => level(5, 1))];
  const { levels: ordered } = orderLevels({ ...JOB, topHeight: mm(0), height: mm(2000) }, levels);
  expect(ordered[0]).toBe(levels[0]);
});
