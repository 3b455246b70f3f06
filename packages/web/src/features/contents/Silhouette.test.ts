/** Outlines: as wide and as high as the thing is, whatever it is and however it stands. */
import { describe, expect, test } from '@jest/globals';
import { entered, newItem, type Item } from '@keen/core';
import { outlineOf, placedOutline } from './Silhouette.tsx';

const item = (more: Partial<Item> = {}): Item => ({
  ...newItem({ id: 'a', order: 1, unit: 'mm' }),
  width: entered('60 mm'),
  depth: entered('40 mm'),
  height: entered('200 mm'),
  ...more,
});
const extent = (points: readonly (readonly [number, number])[]) => [
  Math.min(...points.map(([x]) => x)),
  Math.max(...points.map(([x]) => x)),
  Math.min(...points.map(([, y]) => y)),
  Math.max(...points.map(([, y]) => y)),
];

test.each<[string, Partial<Item>]>([
  ['a block', {}],
  ['a glass with its stem', { kind: 'glass', neck: entered('9 mm') }],
  ['a bottle with its neck', { kind: 'bottle', neck: entered('25 mm') }],
  [
    'a tool by its outline',
    {
      kind: 'tool',
      profile: [
        { at: entered('0 mm'), width: entered('20 mm') },
        { at: entered('150 mm'), width: entered('60 mm') },
        { at: entered('200 mm'), width: entered('10 mm') },
      ],
    },
  ],
])('%s is 60 wide and 200 high', (_name, more) => {
  const [left, right, low, high] = extent(outlineOf(item(more)));
  expect([right! - left!, high! - low!]).toEqual([60, 200]);
});

describe('as it stands', () => {
  test('lying it is as long as it was high', () => expect(extent(placedOutline(item({ stands: 'lying' }), 10, 5))).toEqual([10, 210, 5, 65]));
  test('end on it shows its depth', () => expect(extent(placedOutline(item({ turned: true }), 0, 0))).toEqual([0, 40, 0, 200]));
  test('leaning it stays within its footprint', () => {
    const [left, right, low, high] = extent(placedOutline(item({ stands: 'leaning' }), 0, 0));
    expect([left, low]).toEqual([0, 0]);
    expect(right).toBeCloseTo(60 * Math.cos((12 * Math.PI) / 180) + 200 * Math.sin((12 * Math.PI) / 180), 6);
    expect(high).toBeCloseTo(200 * Math.cos((12 * Math.PI) / 180) + 60 * Math.sin((12 * Math.PI) / 180), 6);
  });
});
