/** What a cabinet is to hold, as entered: items, rows of items, and the assumed contents of a space nobody listed. */
import type { Entered } from '../length/entered.ts';

export const ITEM_KINDS = ['block', 'roll', 'sheets', 'glass', 'bottle', 'tool'] as const;

export type ItemKind = (typeof ITEM_KINDS)[number];

export const STANCES = ['upright', 'lying', 'leaning', 'hanging', 'in-hole'] as const;

export type Stance = (typeof STANCES)[number];

export const REACHES = ['daily', 'weekly', 'seldom'] as const;

export type Reach = (typeof REACHES)[number];

/** Number of an item on one element of a cabinet. Pinned ones stay when the rest is set out again. */
export interface Home {
  readonly count: number;
  readonly pinned: boolean;
}

/** A point of a tool's outline: its width at a height above its lower end. */
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
  /** The thin part a notch takes: a glass's stem, a bottle's neck, a tool's shank. Null for none. */
  readonly neck: Entered | null;
  /** Outline from the lower end up, for tools; empty for a plain rectangle. */
  readonly profile: readonly ProfilePoint[];
  /** Weighed kilograms of one; null to estimate from material and volume. */
  readonly kg: number | null;
  readonly material: string;
  readonly count: number;
  /** Future growth in number. */
  readonly growth: number;
  readonly stands: Stance;
  /** Turned end on: width and depth swap. */
  readonly turned: boolean;
  /** Most on one another, and behind one another. */
  readonly stack: number;
  readonly deep: number;
  readonly reach: Reach;
  /** Items with the same word here stand together; '' for none. */
  readonly near: string;
  /** Room above to lift it out; null for the default. */
  readonly lift: Entered | null;
  /** For 'in-hole': depth of its hole. */
  readonly hole: Entered | null;
  /** By cabinet, by the element it stands on ('bottom' or a shelf's id). */
  readonly homes: Readonly<Record<string, Readonly<Record<string, Home>>>>;
}

export const ROW_KINDS = ['slots', 'notches', 'cells', 'ledge', 'supports', 'modules'] as const;

export type RowKind = (typeof ROW_KINDS)[number];

/** A row as entered; it belongs to the element of a cabinet it stands on. */
export interface Row {
  readonly id: string;
  readonly order: number;
  readonly kind: RowKind;
  readonly on: string;
  /** Ids of the items in order; slots, notches and supports use only the first. */
  readonly items: readonly string[];
  /** Number wanted; null for the item's count including growth. */
  readonly wanted: number | null;
  /** From slot to slot; null to derive it from the item. */
  readonly pitch: Entered | null;
  /** Total clearance of each item. */
  readonly clearance: Entered;
  /** Of the thin shelf in its slot, the divider, the module's side; a notch is as wide as the neck plus clearance. */
  readonly thickness: Entered;
  /** Least margin at each end. */
  readonly margin: Entered;
  /** Tilt to the back. */
  readonly tiltDeg: number;
  /** Height of the front lip; null for none. */
  readonly lip: Entered | null;
  /** Clear distance of the two supports. */
  readonly gap: Entered;
}

export type PresetId = 'nothing' | 'light' | 'general' | 'crockery' | 'books' | 'tools';

/** Contents of one compartment: a preset, or a weighed or estimated mass. */
export interface Contents {
  readonly preset: PresetId;
  /** Entered kilograms; null for the preset. */
  readonly kg: number | null;
}
