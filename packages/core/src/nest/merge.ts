/**
 * Items that share a side, put together into one: what was sawn from one piece has such sides, and repeated parts make strips.
 * Blocks are items like any other; a search may take them apart again.
 */
import type { Random } from '../chance/random.ts';
import type { Bed, Item, Lie } from './pieces.ts';

interface Lying {
  readonly item: Item;
  readonly lie: Lie;
}

/** A cut parts the block again: its halves lie side by side along the axis, a kerf apart, of one size across it. */
function joined(axis: 'x' | 'y', first: Lying, second: Lying, kerf: number): Lie {
  const [a, b] = [first.lie, second.lie];
  const size = axis === 'x' ? { dx: a.dx + kerf + b.dx, dy: a.dy } : { dx: a.dx, dy: a.dy + kerf + b.dy };
  return { ...size, turned: false, run: null, join: { axis, first, second } };
}

/** The same item turned by a quarter; none for one whose grain has a say. */
const quarter = ({ item, lie }: Lying): Lying | null => {
  const other = item.lies.length === 2 ? item.lies.find((each) => each !== lie) : undefined;
  return other ? { item, lie: other } : null;
};

function block(axis: 'x' | 'y', first: Lying, second: Lying, kerf: number, fits: (lie: Lie) => boolean): Item | null {
  const lies = [joined(axis, first, second, kerf)];
  const [one, two] = [quarter(first), quarter(second)];
  if (one && two) lies.push(joined(axis === 'x' ? 'y' : 'x', one, two, kerf));
  const possible = lies.filter(fits);
  if (possible.length === 0) return null;
  const { item: a } = first;
  const { item: b } = second;
  return { index: Math.min(a.index, b.index), parts: [...a.parts, ...b.parts], lies: possible, area: a.area + b.area };
}

/** Rounds of joining; each at least halves nothing or something, so that a few are enough for any sheet. */
const MOST_ROUNDS = 12;

/**
 * Items joined wherever two share a side and fit a sheet together, longest sides first. Without `random` only where no third
 * shares that side, so that the pair is no chance; with it, pairs of larger families too, and some left apart.
 */
export function merged(items: readonly Item[], beds: readonly Bed[], kerf: number, random: Random | null): Item[] {
  const fits = ({ dx, dy }: Lie): boolean => beds.some((bed) => dx <= bed.dx && dy <= bed.dy);
  let now = [...items];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const sides = new Map<string, { readonly axis: 'x' | 'y'; readonly side: number; readonly lying: Lying[] }>();
    for (const item of now) {
      for (const lie of item.lies) {
        if (lie.run !== null) continue;
        for (const axis of ['x', 'y'] as const) {
          const side = axis === 'x' ? lie.dy : lie.dx;
          const key = `${axis}${side}`;
          const known = sides.get(key);
          if (known) known.lying.push({ item, lie });
          else sides.set(key, { axis, side, lying: [{ item, lie }] });
        }
      }
    }
    const families = [...sides.values()].filter(({ lying }) => new Set(lying.map(({ item }) => item)).size > 1).sort((a, b) => b.side - a.side);
    const gone = new Set<Item>();
    const made: Item[] = [];
    for (const { axis, lying } of families) {
      const free = lying.filter(({ item }) => !gone.has(item));
      const different = new Set(free.map(({ item }) => item)).size;
      if (different < 2 || (random ? random() < 0.15 : different > 2)) continue;
      const first = free[random ? Math.floor(random() * free.length) : 0]!;
      const others = free.filter(({ item }) => item !== first.item);
      const second = others[random ? Math.floor(random() * others.length) : 0]!;
      const whole = block(axis, first, second, kerf, fits);
      if (!whole) continue;
      gone.add(first.item).add(second.item);
      made.push(whole);
    }
    if (made.length === 0) break;
    now = [...now.filter((item) => !gone.has(item)), ...made];
  }
  return now;
}

/** A block taken apart by its last cut; an item that is none stays. */
export function apart(item: Item): readonly Item[] {
  const join = item.lies[0]?.join;
  return join ? [join.first.item, join.second.item] : [item];
}
