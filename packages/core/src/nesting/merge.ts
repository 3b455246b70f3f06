/**
 * Joins items that share a side: pieces sawn from one piece have such sides, and repeated parts form strips. Joined items are items like any other; the
 * search may split them again.
 */
import type { Random } from '../random/random.ts';
import type { StockArea, PackItem, PackLie } from './pieces.ts';

interface MergedLie {
  readonly item: PackItem;
  readonly lie: PackLie;
}

/** The halves lie side by side along the axis, a kerf apart, equal or nearly equal across it. */
function joined(axis: 'x' | 'y', first: MergedLie, second: MergedLie, kerf: number): PackLie {
  const [a, b] = [first.lie, second.lie];
  const size = axis === 'x' ? { dx: a.dx + kerf + b.dx, dy: Math.max(a.dy, b.dy) } : { dx: Math.max(a.dx, b.dx), dy: a.dy + kerf + b.dy };
  return { ...size, turned: false, run: null, join: { axis, first, second } };
}

/** The same item turned by 90°; none where grain forbids it. */
const quarter = ({ item, lie }: MergedLie): MergedLie | null => {
  const other = item.lies.length === 2 ? item.lies.find((each) => each !== lie) : undefined;
  return other ? { item, lie: other } : null;
};

function block(axis: 'x' | 'y', first: MergedLie, second: MergedLie, kerf: number, fits: (lie: PackLie) => boolean): PackItem | null {
  const lies = [joined(axis, first, second, kerf)];
  const [one, two] = [quarter(first), quarter(second)];
  if (one && two) lies.push(joined(axis === 'x' ? 'y' : 'x', one, two, kerf));
  const possible = lies.filter(fits);
  if (possible.length === 0) return null;
  const { item: a } = first;
  const { item: b } = second;
  return { index: Math.min(a.index, b.index), parts: [...a.parts, ...b.parts], lies: possible, area: a.area + b.area, together: null };
}

/** Rounds of joining; items at least halve in each useful round, so a few suffice. */
const MAX_ROUNDS = 12;

interface MergeSide extends MergedLie {
  readonly axis: 'x' | 'y';
  readonly side: number;
}

/** Groups of sides equal within a tolerance, longest first. */
function families(items: readonly PackItem[], near: number): MergeSide[][] {
  const sides: MergeSide[] = [];
  for (const item of items)
    for (const lie of item.lies) {
      if (lie.run !== null || item.together !== null) continue;
      sides.push({ item, lie, axis: 'x', side: lie.dy }, { item, lie, axis: 'y', side: lie.dx });
    }
  sides.sort((a, b) => b.side - a.side);
  const found: MergeSide[][] = [];
  const open: Record<MergeSide['axis'], MergeSide[]> = { x: [], y: [] };
  for (const each of sides) {
    const family = open[each.axis];
    if (family.length > 0 && family[0]!.side - each.side <= near * family[0]!.side) {
      if (family.length === 1) found.push(family);
      family.push(each);
    } else open[each.axis] = [each];
  }
  return found;
}

/**
 * Items joined wherever two share a side, within `near` of it, and fit a sheet together, longest sides first. Without `random` only sides that exactly two
 * items share, so that the match is no coincidence; with it, pairs from larger groups too, and some left apart.
 */
export function merged(items: readonly PackItem[], beds: readonly StockArea[], kerf: number, random: Random | null, near = 0): PackItem[] {
  const fits = ({ dx, dy }: PackLie): boolean => beds.some((bed) => dx <= bed.dx && dy <= bed.dy);
  let now = items;
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const gone = new Set<PackItem>();
    const made: PackItem[] = [];
    for (const family of families(now, near)) {
      if (random && random() < 0.15) continue;
      const free = family.filter(({ item }) => !gone.has(item));
      if (free.length < 2 || (!random && new Set(free.map(({ item }) => item)).size > 2)) continue;
      const first = free[random ? Math.floor(random() * free.length) : 0]!;
      const others = free.filter(({ item }) => item !== first.item);
      if (others.length === 0) continue;
      const second = others[random ? Math.floor(random() * others.length) : 0]!;
      const whole = block(first.axis, first, second, kerf, fits);
      if (!whole) continue;
      gone.add(first.item).add(second.item);
      made.push(whole);
    }
    if (made.length === 0) break;
    now = [...now.filter((item) => !gone.has(item)), ...made];
  }
  return [...now];
}

/** Tolerances for random joining: exactly equal, or as near as pieces sawn from one and cleaned up. */
export const NEAR = [0, 0.002, 0.01] as const;

/** The items a joined item consists of; a single item is itself. */
export function itemsIn(item: PackItem): readonly PackItem[] {
  const join = item.lies[0]?.join;
  return join ? [...itemsIn(join.first.item), ...itemsIn(join.second.item)] : [item];
}
