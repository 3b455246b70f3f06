/** An item to hold, as entered, and the space it takes in its stance. Width is along the wall, depth out from it, height up, with the item upright. */
import { mm, toMm, type Length } from '../length/length.ts';
import type { Item, Home } from '../model/item.ts';

/** Default clearances. [A] docs/checks.md */
export const LIFT_OUT = mm(25);
export const SIDE_PLAY = mm(3);
/** An item further behind the front than this needs room for a hand above it. [A] */
export const REACH_IN = mm(120);
export const HAND_ROOM = mm(60);
/** Lean of a leaning item from plumb. [A] */
export const LEAN_DEG = 12;
/** Hooks and loops above a hanging item. [A] */
export const HOOK_ROOM = mm(30);

/** Bounding box of an item in its stance, without clearances. */
export interface Footprint {
  readonly along: Length;
  readonly out: Length;
  readonly up: Length;
}

/** Space of one item in its stance. Sizes in nm; a lean is rounded to the nanometer. */
export function footprintOf({
  width,
  depth,
  height,
  stands,
  turned,
  hole,
}: Pick<Item, 'width' | 'depth' | 'height' | 'stands' | 'turned' | 'hole'>): Footprint {
  const [w, d, h] = [width.nm, depth.nm, height.nm];
  const [along, out, up] = ((): readonly [number, number, number] => {
    switch (stands) {
      case 'upright':
        return [w, d, h];
      case 'lying':
        return [h, d, w];
      case 'leaning': {
        const lean = (LEAN_DEG * Math.PI) / 180;
        return [Math.round(w * Math.cos(lean) + h * Math.sin(lean)), d, Math.round(h * Math.cos(lean) + w * Math.sin(lean))];
      }
      case 'hanging':
        return [w, d, h + HOOK_ROOM];
      case 'in-hole':
        // Its block is as high as the hole plus a third of that.
        return [w, d, h + (hole ? Math.round(hole.nm / 3) : 0)];
    }
  })();
  return turned ? { along: out as Length, out: along as Length, up: up as Length } : { along: along as Length, out: out as Length, up: up as Length };
}

/** Whether an item can roll to the front by itself: a roll that lies along the wall. */
export const rollsOut = ({ kind, stands, turned }: Pick<Item, 'kind' | 'stands' | 'turned'>): boolean =>
  (kind === 'roll' || kind === 'bottle') && stands === 'lying' && !turned;

/** Items with a shallower footprint are easily knocked over. [A] */
export const MIN_STANDING = mm(30);
export const standsThin = (item: Pick<Item, 'width' | 'depth' | 'height' | 'stands' | 'turned' | 'hole'>): boolean =>
  (item.stands === 'upright' || item.stands === 'leaning') && footprintOf(item).out < MIN_STANDING;

/** Limp items sag between supports: loose sheets. */
export const isLimp = ({ kind }: Pick<Item, 'kind'>): boolean => kind === 'sheets';

/** Room required above it to lift it out. */
export const liftOf = ({ lift, stands }: Pick<Item, 'lift' | 'stands'>): Length => lift?.nm ?? (stands === 'hanging' ? (0 as Length) : LIFT_OUT);

export const itemsInOrder = (items: Readonly<Record<string, Item>>): Item[] => Object.values(items).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** A number of an item on one element of a cabinet. */
export interface Homed extends Home {
  readonly unit: string;
  readonly on: string;
}

/** Where an item stands, never more than exist: a lowered count takes from the last places first. */
export function homesOf({ homes, count: all }: Pick<Item, 'homes' | 'count'>): Homed[] {
  let left = all;
  return Object.entries(homes).flatMap(([unit, floors]) =>
    Object.entries(floors).flatMap(([on, { count, pinned }]) => {
      const here = Math.min(left, count);
      left -= here;
      return here > 0 ? [{ unit, on, count: here, pinned }] : [];
    }),
  );
}

/** Volume of one in m³: a roll, glass or bottle as a cylinder, a profile by its mean width. */
export function volumeM3({ kind, width, depth, height, profile }: Pick<Item, 'kind' | 'width' | 'depth' | 'height' | 'profile'>): number {
  const [w, d, h] = [toMm(width.nm), toMm(depth.nm), toMm(height.nm)];
  if (kind === 'roll' || kind === 'glass' || kind === 'bottle') return (Math.PI / 4) * w * d * h * 1e-9;
  if (profile.length < 2) return w * d * h * 1e-9;
  let area = 0;
  for (let i = 1; i < profile.length; i++) {
    const [a, b] = [profile[i - 1]!, profile[i]!];
    area += ((toMm(a.width.nm) + toMm(b.width.nm)) / 2) * (toMm(b.at.nm) - toMm(a.at.nm));
  }
  return area * d * 1e-9;
}
