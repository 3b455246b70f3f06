/** Input of set-out, and what it packs: whole columns of one item. */
import { mm, type Length } from '../length/length.ts';
import { columnOf, columnsFor, type ItemColumn, type ItemLot } from './arrange.ts';
import type { ReachZone } from './person.ts';
import type { Item } from '../model/item.ts';

/** Items to set out; `on` names the element a pinned lot stays on. */
export interface SetOutLot extends ItemLot {
  readonly on: string | null;
}

export interface SetOutJob {
  readonly lots: readonly SetOutLot[];
  /** Clear inside width and depth; greatest clear height. */
  readonly width: Length;
  readonly depth: Length;
  readonly height: Length;
  /** Of a shelf. */
  readonly thickness: Length;
  /** Least clear height of the topmost level, because of what hangs under the top, such as a hanging rail. */
  readonly topHeight: Length;
  /** Height of the inside floor above the room's floor. */
  readonly floorUp: Length;
  readonly zone: ReachZone;
  /** Elements from the bottom up: pins name them, and their order stays. */
  readonly elements: readonly string[];
  /** Most levels, shelves and floor together. */
  readonly maxLevels: number;
  /** Keep room for growth. */
  readonly grow: boolean;
}

/** Columns of one item that may be spread over several levels. */
export interface ColumnGroup {
  readonly item: Item;
  readonly column: ItemColumn;
  /** Number of columns, and of those used by today's count. */
  readonly columns: number;
  readonly count: number;
  /** Number room is kept for. */
  readonly growth: number;
  /** Kilograms of one column. */
  readonly kg: number;
  readonly on: string | null;
}

/** A level being packed: number of columns of each group. */
export interface PackedLevel {
  /** The element whose pins stand here. */
  readonly on: string | null;
  readonly columns: Map<ColumnGroup, number>;
  height: number;
  used: number;
}

/** Items that fit on no shelf of this cabinet, and by how much. */
export interface Impossible {
  readonly item: Item;
  readonly count: number;
  readonly why: 'too-wide' | 'too-deep' | 'too-tall';
  readonly needs: Length;
  readonly has: Length;
}

export interface ColumnGroups {
  readonly pieces: readonly ColumnGroup[];
  readonly impossible: readonly Impossible[];
}

/** Kilograms of one item, passed in, so that this module does not depend on masses. */
export type KgOf = (item: Item) => number;

/** Splits the job into column groups, and items that do not fit at all. */
export function columnGroupsOf({ lots, width, depth, height, grow }: SetOutJob, kgOf: KgOf): ColumnGroups {
  const pieces: ColumnGroup[] = [];
  const impossible: Impossible[] = [];
  for (const { item, count, on } of lots) {
    if (count <= 0) continue;
    const column = columnOf(item, depth, height);
    const refuse = (why: Impossible['why'], needs: number, has: Length): void => void impossible.push({ item, count, why, needs: needs as Length, has });
    if (column.foot.out > depth) refuse('too-deep', column.foot.out, depth);
    else if (column.width > width) refuse('too-wide', column.width, width);
    else if (column.height > height) refuse('too-tall', column.height, height);
    else {
      // Room for growth goes to the first lot without a pin, or the pinned one where there is no other.
      const extra = grow && lots.find((lot) => lot.item === item && lot.count > 0)?.on === on ? item.growth : 0;
      const columns = columnsFor(count + extra, column);
      pieces.push({ item, column, columns, count, growth: extra, kg: (kgOf(item) * count) / columns, on });
    }
  }
  return { pieces, impossible };
}

/**
 * Lower bound on the height of any set-out of these columns: in descending height, the k-th level is at least as high as the column that covers k full
 * widths, one level at least as high as the topmost must be, and a shelf's thickness lies between two levels. [eq] docs/formulas/set-out-bound.md
 */
export function setOutBound(pieces: readonly ColumnGroup[], { width, thickness, topHeight }: Pick<SetOutJob, 'width' | 'thickness' | 'topHeight'>): Length {
  const falling = [...pieces].sort((a, b) => b.column.height - a.column.height);
  let covered = 0;
  let levels = 0;
  let total = 0;
  for (const { column, columns } of falling) {
    covered += column.width * columns;
    while (levels * width < covered) {
      total += levels > 0 ? column.height + thickness : Math.max(column.height, topHeight);
      levels++;
    }
  }
  return total as Length;
}

/** Candidate widths for the smallest box, from the widest column up to the limit. */
export function widthsToTry(pieces: readonly ColumnGroup[], limit: Length, tries = 16): Length[] {
  const least = pieces.reduce((widest, { column }) => Math.max(widest, column.width), mm(60) as number);
  const all = pieces.reduce((sum, { column, columns }) => sum + column.width * columns, 0);
  const most = Math.max(least, Math.min(limit, all));
  const step = Math.max(1, (most - least) / Math.max(1, tries - 1));
  return Array.from({ length: tries }, (_, index) => Math.min(most, Math.round(least + index * step)) as Length).filter(
    (width, index, list) => width !== list[index - 1],
  );
}
