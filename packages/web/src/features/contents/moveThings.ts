/** Edits that move items between floors, for drags, menus and keys. */
import type { Edit, Home, Item } from '@keen/core';

type Homes = Readonly<Record<string, Home>>;

const without = (homes: Homes, on: string): Homes => {
  const { [on]: _gone, ...rest } = homes;
  return rest;
};

/** Moves `count` of an item from one floor (null: the tray) to another (null: the tray). Items moved by hand are pinned. */
export function moveThings(item: Item, count: number, from: { unit: string; on: string } | null, to: { unit: string; on: string } | null): Edit {
  let homes: Item['homes'] = item.homes;
  if (from) {
    const there = homes[from.unit] ?? {};
    const rest = (there[from.on]?.count ?? 0) - count;
    homes = { ...homes, [from.unit]: rest > 0 ? { ...there, [from.on]: { ...there[from.on]!, count: rest } } : without(there, from.on) };
  }
  if (to) {
    const there = homes[to.unit] ?? {};
    homes = { ...homes, [to.unit]: { ...there, [to.on]: { count: (there[to.on]?.count ?? 0) + count, pinned: true } } };
  }
  return [{ path: ['items', item.id, 'homes'], value: homes }];
}

export const pinThings = (item: Item, unit: string, on: string, pinned: boolean): Edit => [
  { path: ['items', item.id, 'homes', unit, on, 'pinned'], value: pinned },
];

/** Deletes an item. */
export const removeItem = (item: Item): Edit => [{ path: ['items', item.id], value: undefined }];
