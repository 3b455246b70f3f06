/** Things to hold, for tests: on the ink cupboard's floors, or by themselves. */
import fc from 'fast-check';
import { newItem } from '../contents/item-form.ts';
import { entered } from '../length/entered.ts';
import type { EditStep } from '../model/edit.ts';
import type { Item } from '../model/item.ts';

type Sizes = readonly [width: number, depth: number, height: number];

export const thing = (id: string, [width, depth, height]: Sizes, more: Partial<Item> = {}): Item => ({
  ...newItem({ id, order: 1, unit: 'mm' }),
  name: `thing ${id}`,
  width: entered(`${width} mm`),
  depth: entered(`${depth} mm`),
  height: entered(`${height} mm`),
  kg: 1,
  ...more,
});

/** Puts so many of a thing on a floor of the ink cupboard. */
export const standing = (on: string, sizes: Sizes, more: Partial<Item> = {}, count = 1, pinned = false): EditStep => {
  const item = thing(`${on}-thing`, sizes, { count, homes: { ink: { [on]: { count, pinned } } }, ...more });
  return { path: ['items', item.id], value: item };
};

const size = (least: number, most: number) => fc.integer({ min: least, max: most });

/** Any thing a person may enter that can stand on some shelf. */
export const arbitraryItem = (id: string): fc.Arbitrary<Item> =>
  fc
    .record({
      sizes: fc.tuple(size(5, 300), size(5, 250), size(5, 400)),
      count: size(1, 12),
      growth: size(0, 3),
      stack: size(1, 4),
      deep: size(1, 4),
      stands: fc.constantFrom('upright' as const, 'lying' as const, 'leaning' as const),
      turned: fc.boolean(),
      reach: fc.constantFrom('daily' as const, 'weekly' as const, 'seldom' as const),
      near: fc.constantFrom('', '', 'a', 'b'),
      kg: fc.double({ min: 0, max: 8, noNaN: true }),
    })
    .map(({ sizes, ...more }) => thing(id, sizes, more));
