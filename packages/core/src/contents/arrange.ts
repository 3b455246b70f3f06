/**
 * Arranges the items of one compartment: columns side by side, each several deep and several high, with the free width shared evenly between them. Set-out
 * packs the same columns, so that what was proposed is what is drawn, weighed and checked.
 */
import type { Length } from '../length/length.ts';
import { footprintOf, HAND_ROOM, liftOf, REACH_IN, SIDE_PLAY, type Footprint } from './item.ts';
import type { Item } from '../model/item.ts';

/** Clear dimensions of a space, nm. */
export interface ClearSpace {
  readonly width: Length;
  readonly depth: Length;
  readonly height: Length;
}

/** A number of one item on one floor. */
export interface ItemLot {
  readonly item: Item;
  readonly count: number;
  readonly pinned: boolean;
}

/** One column of an item in a space of a given depth. */
export interface ItemColumn {
  readonly foot: Footprint;
  /** Number behind one another, and on one another. */
  readonly rows: number;
  readonly high: number;
  /** With its clearance at both sides. */
  readonly width: Length;
  /** Of the whole column, with the room to lift out or reach in. */
  readonly height: Length;
}

/** A column of an item in a space of this clear depth and, where known, height. */
export function columnOf(item: Item, depth: Length, height: Length = Infinity as Length): ItemColumn {
  const foot = footprintOf(item);
  const rows = Math.max(1, Math.min(item.deep, Math.floor(depth / Math.max(1, foot.out))));
  const lift = roomAbove(item, foot, rows);
  const high = Math.max(1, Math.min(item.stack, Number.isFinite(height) ? Math.floor((height - lift) / Math.max(1, foot.up)) : item.stack));
  return { foot, rows, high, width: (foot.along + 2 * SIDE_PLAY) as Length, height: (high * foot.up + lift) as Length };
}

/** Room to lift it out, or for a hand to reach over what stands in front. */
function roomAbove(item: Item, foot: Footprint, rows: number): Length {
  const lift = liftOf(item);
  return (rows - 1) * foot.out > REACH_IN ? (Math.max(lift, HAND_ROOM) as Length) : lift;
}

export const columnsFor = (count: number, { rows, high }: ItemColumn): number => Math.ceil(count / (rows * high));

/** One item in its place. Positions from the compartment's left end, rear and floor. */
export interface ItemSpot {
  readonly item: Item;
  readonly index: number;
  readonly along: Length;
  readonly out: Length;
  readonly up: Length;
  readonly foot: Footprint;
  /** Number of its kind in front of it. */
  readonly behind: number;
}

/** Items without room beside the others. */
export interface Leftover {
  readonly item: Item;
  readonly count: number;
}

export interface Arrangement {
  readonly spots: readonly ItemSpot[];
  readonly left: readonly Leftover[];
  /** Total width of the placed columns, with clearances. */
  readonly used: Length;
  /** Used share of the clear width. */
  readonly fill: number;
}

export function arrange(lots: readonly ItemLot[], clear: ClearSpace): Arrangement {
  let free: number = clear.width;
  const left: Leftover[] = [];
  const placed = lots.flatMap((lot) => {
    const column = columnOf(lot.item, clear.depth, clear.height);
    const wanted = columnsFor(lot.count, column);
    const columns = Math.max(0, Math.min(wanted, Math.floor(free / column.width)));
    const count = Math.min(lot.count, columns * column.rows * column.high);
    if (count < lot.count) left.push({ item: lot.item, count: lot.count - count });
    free -= columns * column.width;
    return columns > 0 ? [{ item: lot.item, column, columns, count }] : [];
  });
  const spots: ItemSpot[] = [];
  let taken = 0;
  placed.forEach(({ item, column, columns, count }, index) => {
    // From the whole, so that the last gap takes no remainder.
    const start = taken + Math.round((free * (index + 1)) / (placed.length + 1));
    for (let n = 0; n < count; n++) spots.push(spotOf(item, n, column, start, clear.depth));
    taken += columns * column.width;
  });
  return { spots, left, used: (clear.width - free) as Length, fill: clear.width > 0 ? 1 - free / clear.width : 1 };
}

/** Columns fill from the bottom up, then from the front back, then to the right: the first item taken is at the front. */
function spotOf(item: Item, index: number, { foot, rows, high, width }: ItemColumn, start: number, depth: Length): ItemSpot {
  const level = index % high;
  const behind = Math.floor(index / high) % rows;
  const column = Math.floor(index / (high * rows));
  return {
    item,
    index,
    along: (start + column * width + SIDE_PLAY) as Length,
    out: Math.max(0, depth - (behind + 1) * foot.out) as Length,
    up: (level * foot.up) as Length,
    foot,
    behind,
  };
}

/** Whether an item fits in a space alone. */
export function canStand(item: Item, clear: ClearSpace): boolean {
  const { foot, width, height } = columnOf(item, clear.depth, clear.height);
  return foot.out <= clear.depth && width <= clear.width && height <= clear.height;
}
