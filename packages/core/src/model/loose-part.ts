/** Parts outside any cabinet, as entered or imported. */
import type { Entered } from '../length/entered.ts';
import type { Length } from '../length/length.ts';
import type { Grain } from './workshop.ts';

export interface LoosePart {
  readonly id: string;
  readonly order: number;
  readonly name: string;
  readonly stock: string;
  readonly count: number;
  readonly length: Entered;
  readonly width: Entered;
  readonly grain: Grain;
  /** Counterclockwise from the blank's lower left corner, as long and wide as the part; empty for a rectangle. */
  readonly outline: readonly OutlineCorner[];
}

export interface OutlineCorner {
  readonly x: Length;
  readonly y: Length;
  readonly bulge: number;
}

/** A larger outline was scanned rather than drawn. */
export const MAX_CORNERS = 400;

export const MAX_LOOSE = 300;

export const MAX_LOOSE_COUNT = 200;
