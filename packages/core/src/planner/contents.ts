/** Which item stands where: items by the floor they are assigned to, and items without a place. */
import type { ItemLot } from '../contents/arrange.ts';
import { homesOf, itemsInOrder } from '../contents/item.ts';
import type { LotsOn } from '../parts/weights.ts';
import { familyOf } from '../cabinets/families.ts';
import { FLOOR } from '../cabinets/shelf-box.ts';
import type { Design } from '../model/design.ts';
import type { Item } from '../model/item.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** Items by cabinet, in the order of the table. */
export type Homes = ReadonlyMap<string, readonly (ItemLot & { readonly on: string })[]>;

export function homesByCabinet(items: Design['items']): Homes {
  const units = new Map<string, (ItemLot & { readonly on: string })[]>();
  for (const item of itemsInOrder(items)) {
    for (const { unit, on, count, pinned } of homesOf(item)) {
      const lot = { item, count, pinned, on };
      const there = units.get(unit);
      if (there) there.push(lot);
      else units.set(unit, [lot]);
    }
  }
  return units;
}

/** Items on the existing floors of one cabinet. */
export function lotsOf(homes: Homes, spec: CabinetSpec): LotsOn {
  const lots = new Map<string, ItemLot[]>();
  for (const lot of homes.get(spec.id) ?? []) {
    if (!hasFloor(spec, lot.on)) continue;
    const there = lots.get(lot.on);
    if (there) there.push(lot);
    else lots.set(lot.on, [lot]);
  }
  return lots;
}

/** Whether a space of that name exists: the first one, or one an element of the cabinet opens; a box of a run has shelves of its own, `c1-s2`. */
export const hasFloor = (spec: CabinetSpec, on: string): boolean =>
  on === FLOOR ||
  Object.hasOwn(spec.contents, on) ||
  familyOf(spec).form.elements.some(({ path }) => {
    const rows = (spec as unknown as Record<string, object>)[path]!;
    return Object.hasOwn(rows, on) || Object.keys(rows).some((id) => on.startsWith(`${id}-`));
  });

/** Number of an item that stands on existing floors. */
export const countPlaced = (item: Item, specs: Design['units']): number =>
  homesOf(item).reduce((sum, { unit, on, count }) => {
    const spec = Object.hasOwn(specs, unit) ? specs[unit] : undefined;
    return sum + (spec && hasFloor(spec, on) ? count : 0);
  }, 0);

/** Items without a place, with their number. */
export const unplacedItems = ({ items, units: specs }: Pick<Design, 'items' | 'units'>): ItemLot[] =>
  itemsInOrder(items).flatMap((item) => {
    const count = item.count - countPlaced(item, specs);
    return count > 0 ? [{ item, count, pinned: false }] : [];
  });

/** The same items on the same floors: the cached plan of the cabinet stays valid. */
export function sameLots(a: LotsOn, b: LotsOn): boolean {
  if (a.size !== b.size) return false;
  for (const [on, lots] of a) {
    const others = b.get(on);
    if (others?.length !== lots.length) return false;
    for (const [index, { item, count }] of lots.entries()) if (others[index]!.item !== item || others[index]!.count !== count) return false;
  }
  return true;
}
