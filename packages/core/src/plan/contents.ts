/** Who holds what: things by the floor they were given to, and what has no place yet. */
import type { Lot } from '../contents/arrange.ts';
import { itemsInOrder, type Item } from '../contents/item.ts';
import type { LotsOn } from '../parts/weights.ts';
import type { Design, UnitDesign } from './design.ts';

/** Things on the floors of one unit that are there, in the order of the table. */
export function lotsOf(items: readonly Item[], box: UnitDesign): LotsOn {
  const lots = new Map<string, Lot[]>();
  for (const item of items) {
    for (const [on, { count, pinned }] of Object.entries(item.homes[box.id] ?? {})) {
      if (!hasFloor(box, on)) continue;
      const there = lots.get(on);
      if (there) there.push({ item, count, pinned });
      else lots.set(on, [{ item, count, pinned }]);
    }
  }
  return lots;
}

export const hasFloor = (box: UnitDesign, on: string): boolean => on === 'bottom' || Object.hasOwn(box.shelves, on);

/** How many of an item stand on floors that are there. */
export const standing = (item: Item, units: Design['units']): number =>
  Object.entries(item.homes).reduce((sum, [unit, homes]) => {
    const box = Object.hasOwn(units, unit) ? units[unit] : undefined;
    return sum + (box ? Object.entries(homes).reduce((all, [on, { count }]) => all + (hasFloor(box, on) ? count : 0), 0) : 0);
  }, 0);

/** Things without a place, with how many. */
export const unplaced = ({ items, units }: Pick<Design, 'items' | 'units'>): Lot[] =>
  itemsInOrder(items).flatMap((item) => {
    const count = item.count - standing(item, units);
    return count > 0 ? [{ item, count, pinned: false }] : [];
  });

/** The same things on the same floors: what a unit's plan may be kept for. */
export function sameLots(a: LotsOn, b: LotsOn): boolean {
  if (a.size !== b.size) return false;
  for (const [on, lots] of a) {
    const others = b.get(on);
    if (others?.length !== lots.length) return false;
    for (const [index, { item, count }] of lots.entries()) if (others[index]!.item !== item || others[index]!.count !== count) return false;
  }
  return true;
}
