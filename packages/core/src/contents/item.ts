/**
 * A thing that must be held, as a person enters it, and the space it takes the way it stands.
 * Width goes along the wall, depth out from it, height up: all as the thing stands upright.
 */
import type { Entered } from '../length/entered.ts';
import { mm, toMm, type Length } from '../length/length.ts';

export const ITEM_KINDS = ['block', 'roll', 'sheets', 'glass', 'bottle', 'tool'] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

export const STANCES = ['upright', 'lying', 'leaning', 'hanging', 'in-hole'] as const;
export type Stance = (typeof STANCES)[number];

export const REACHES = ['daily', 'weekly', 'seldom'] as const;
export type Reach = (typeof REACHES)[number];

/** How many of an item stand on one element of a cabinet. Pinned ones stay when the rest is set out anew. */
export interface Home {
  readonly count: number;
  readonly pinned: boolean;
}

/** A point of a tool's outline: how wide it is so far up from its lower end. */
export interface ProfilePoint {
  readonly at: Entered;
  readonly width: Entered;
}

export interface Item {
  readonly id: string;
  readonly order: number;
  readonly name: string;
  readonly kind: ItemKind;
  readonly width: Entered;
  readonly depth: Entered;
  readonly height: Entered;
  /** The thin part that a notch takes: a glass's stem, a bottle's neck, a tool's shank. Null when there is none. */
  readonly neck: Entered | null;
  /** Outline from the lower end up, for tools; empty for a plain rectangle. */
  readonly profile: readonly ProfilePoint[];
  /** Kilograms of one, weighed; null to estimate it from material and volume. */
  readonly kg: number | null;
  readonly material: string;
  readonly count: number;
  /** How many more one day. */
  readonly growth: number;
  readonly stands: Stance;
  /** End on: width and depth change places. */
  readonly turned: boolean;
  /** Most that stand on one another, and behind one another. */
  readonly stack: number;
  readonly deep: number;
  readonly reach: Reach;
  /** Things with the same word here stand together; '' for none. */
  readonly near: string;
  /** Room above to lift it out; null for the usual. */
  readonly lift: Entered | null;
  /** For 'in-hole': depth of the hole it stands in. */
  readonly hole: Entered | null;
  /** By cabinet, by the element it stands on ('bottom' or a shelf's id). */
  readonly homes: Readonly<Record<string, Readonly<Record<string, Home>>>>;
}

/** Clearances when nothing else was entered. [A] docs/checks.md */
export const LIFT_OUT = mm(25);
export const SIDE_PLAY = mm(3);
/** Behind the front by more than this, a thing wants room for the hand over it. [A] */
export const REACH_IN = mm(120);
export const HAND_ROOM = mm(60);
/** A leaning thing stands this far out of plumb. [A] */
export const LEAN_DEG = 12;
/** Hooks and loops over a hanging thing. [A] */
export const HOOK_ROOM = mm(30);

/** The box a thing needs as it stands, without its clearances. */
export interface Footprint {
  readonly along: Length;
  readonly out: Length;
  readonly up: Length;
}

/** Space of one item the way it stands. Sizes in nm; a lean is rounded to the nanometer. */
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
        // The block it stands in is as deep as the hole and a floor of a third of that.
        return [w, d, h + (hole ? Math.round(hole.nm / 3) : 0)];
    }
  })();
  return turned ? { along: out as Length, out: along as Length, up: up as Length } : { along: along as Length, out: out as Length, up: up as Length };
}

/** Whether a thing can roll out to the front by itself: a roll that lies along the wall. */
export const rollsOut = ({ kind, stands, turned }: Pick<Item, 'kind' | 'stands' | 'turned'>): boolean =>
  (kind === 'roll' || kind === 'bottle') && stands === 'lying' && !turned;

/** A thing that stands on less than this from front to back is easily pushed off. [A] */
export const MIN_STANDING = mm(30);
export const standsThin = (item: Pick<Item, 'width' | 'depth' | 'height' | 'stands' | 'turned' | 'hole'>): boolean =>
  (item.stands === 'upright' || item.stands === 'leaning') && footprintOf(item).out < MIN_STANDING;

/** Limp things sag between supports: loose sheets. */
export const isLimp = ({ kind }: Pick<Item, 'kind'>): boolean => kind === 'sheets';

/** Room wanted above it to lift it out. */
export const liftOf = ({ lift, stands }: Pick<Item, 'lift' | 'stands'>): Length => lift?.nm ?? (stands === 'hanging' ? (0 as Length) : LIFT_OUT);

export const itemsInOrder = (items: Readonly<Record<string, Item>>): Item[] => Object.values(items).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** So many of an item on one element of a cabinet. */
export interface Homed extends Home {
  readonly unit: string;
  readonly on: string;
}

/** Where an item stands, never more than there are: a count that was lowered takes from the last homes first. */
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
