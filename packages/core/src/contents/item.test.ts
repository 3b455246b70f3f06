/** A thing as it stands: its footprint in each stance, its mass, and where it is said to be. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { thing } from '../test/things.ts';
import { footprintOf, homesOf, HOOK_ROOM, rollsOut, standsThin, volumeM3 } from './item.ts';
import { ITEM_MATERIALS, massOf, massOfOne } from './item-mass.ts';
import type { Item } from '../model/item.ts';

const size = (item: Item) => {
  const { along, out, up } = footprintOf(item);
  return [along, out, up].map((nm) => Math.round(toMm(nm) * 10) / 10);
};
const folder = (more: Partial<Item> = {}) => thing('a', [60, 40, 200], more);

test.each<[string, Partial<Item>, number[]]>([
  ['upright', {}, [60, 40, 200]],
  ['end on', { turned: true }, [40, 60, 200]],
  ['lying along the wall', { stands: 'lying' }, [200, 40, 60]],
  ['lying end on', { stands: 'lying', turned: true }, [40, 200, 60]],
  // Twelve degrees out of plumb: 60 cos + 200 sin wide, 200 cos + 60 sin high.
  ['leaning', { stands: 'leaning' }, [100.3, 40, 208.1]],
  ['hanging, with room for its hook', { stands: 'hanging' }, [60, 40, 200 + HOOK_ROOM / 1e6]],
  ['in a hole of 60, on a floor of a third of that', { stands: 'in-hole', hole: entered('60 mm') }, [60, 40, 220]],
])('%s', (_name, more, expected) => {
  expect(size(folder(more))).toEqual(expected);
});

test('a roll along the wall rolls out, end on or upright it does not', () => {
  const roll = (more: Partial<Item>) => rollsOut(folder({ kind: 'roll', ...more }));
  expect([roll({ stands: 'lying' }), roll({ stands: 'lying', turned: true }), roll({})]).toEqual([true, false, false]);
  expect([standsThin(folder({ depth: entered('20 mm') })), standsThin(folder())]).toEqual([true, false]);
});

describe('mass', () => {
  test('weighed when it was, whatever it is made of', () => expect(massOfOne(folder({ kg: 2.5, material: 'steel' })).value).toBe(2.5));
  test('else from volume, density and fill: a tin of 110 × 110 × 125 is 1.47 kg', () => {
    const tin = thing('t', [110, 110, 125], { kind: 'bottle', kg: null, material: 'tin' });
    expect(volumeM3(tin)).toBeCloseTo(0.0011879, 7);
    expect(massOfOne(tin).value).toBeCloseTo(1.467, 3);
    expect(massOf(tin, 3).value).toBeCloseTo(3 * 1.467, 2);
  });
  test('an outline counts by its mean width: a mallet is no block', () => {
    const at = (mmAt: number, width: number) => ({ at: entered(`${mmAt} mm`), width: entered(`${width} mm`) });
    const mallet = folder({ depth: entered('50 mm'), profile: [at(0, 20), at(150, 20), at(150, 90), at(200, 90)] });
    expect(volumeM3(mallet)).toBeCloseTo(((20 * 150 + 90 * 50) * 50) / 1e9, 12);
  });
  test('a material nobody knows is our own mistake', () => expect(() => massOfOne(folder({ kg: null, material: 'moonstone' }))).toThrow('moonstone'));
  test('no material is filled more than whole', () => {
    for (const { fill, densityKgM3 } of Object.values(ITEM_MATERIALS)) expect(fill > 0 && fill <= 1 && densityKgM3 > 0).toBe(true);
  });
});

test('a count that was lowered takes from the last homes first, and never more stand than there are', () => {
  const homes = { ink: { bottom: { count: 4, pinned: true }, s1: { count: 3, pinned: false } } };
  expect(homesOf({ count: 7, homes }).map(({ on, count }) => [on, count])).toEqual([
    ['bottom', 4],
    ['s1', 3],
  ]);
  expect(homesOf({ count: 5, homes }).map(({ on, count }) => [on, count])).toEqual([
    ['bottom', 4],
    ['s1', 1],
  ]);
  expect(homesOf({ count: 2, homes })).toEqual([{ unit: 'ink', on: 'bottom', count: 2, pinned: true }]);
});
