/** Cabinets on the wall as blocks, and what they collide with in elevation. Lengths in nm from the wall's left end and the floor. */
import type { Length } from '../length/length.ts';
import { NM_PER } from '../length/length.ts';
import type { Wall, WallThing } from '../model/wall.ts';

export interface WallRect {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

/** A cabinet as a block on the wall. */
export interface WallBlock extends WallRect {
  readonly id: string;
  readonly name: string;
  /** Depth from the wall. */
  readonly out: number;
}

export const overlap = (a: WallRect, b: WallRect): boolean => a.left < b.right && b.left < a.right && a.bottom < b.top && b.bottom < a.top;

export const thingRect = ({ left, up, width, height }: Pick<WallThing, 'left' | 'up' | 'width' | 'height'>): WallRect => ({
  left: left.nm,
  right: left.nm + width.nm,
  bottom: up.nm,
  top: up.nm + height.nm,
});

const between = (from: number, fall: number, width: number, along: number): number => from - (width > 0 ? (fall * along) / width : 0);

/** Height of the ceiling at a position, and of the floor, both from the floor at the left end. */
export const ceilingAt = ({ ceiling, ceilingFall, width }: Wall, along: number): number => between(ceiling.nm, ceilingFall.nm, width.nm, along);
export const floorAt = ({ floorFall, width }: Wall, along: number): number => between(0, floorFall.nm, width.nm, along);

/** The lowest ceiling over a stretch: a slope is lowest at one end. */
export const lowestCeiling = (wall: Wall, { left, right }: Pick<WallRect, 'left' | 'right'>): Length =>
  Math.min(ceilingAt(wall, left), ceilingAt(wall, right)) as Length;

/** Things nothing may hang over, at any depth. */
const SOLID: ReadonlySet<WallThing['kind']> = new Set(['window', 'door', 'radiator', 'furniture', 'bench', 'trim', 'pipe', 'tap', 'light']);
/** Things that may be covered, but are then out of reach. */
const COVERED: ReadonlySet<WallThing['kind']> = new Set(['outlet', 'switch']);

export const blocksCabinets = ({ kind }: WallThing): boolean => SOLID.has(kind);
export const mustBeReached = ({ kind }: WallThing): boolean => COVERED.has(kind);

/** Neighbors closer than this form one run. */
export const TOUCHING = 3 * NM_PER.mm;
