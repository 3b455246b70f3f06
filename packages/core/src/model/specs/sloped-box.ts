/** Spec of a box with a sloped top. */
import type { Entered } from '../../length/entered.ts';
import type { SpecBase } from './spec-base.ts';

export interface SlopedShelf {
  readonly id: string;
  readonly order: number;
  /** Underside above the inside floor. */
  readonly at: Entered;
}

export interface SlopedBox extends SpecBase {
  readonly family: 'sloped-box';
  readonly slopeBy: 'angle' | 'front-height';
  /** Of the top, down from level toward the front. */
  readonly slopeDeg: number;
  /** Of the sides at their front edges. */
  readonly frontHeight: Entered;
  /** Overhang of the top at the sides; at the front. */
  readonly overhangSide: Entered;
  readonly overhangFront: Entered;
  readonly backStock: string;
  /** Inset of the bottom from the sides' ends. */
  readonly under: Entered;
  /** A board across the front, from the bottom up; null for an open front. */
  readonly apron: Entered | null;
  /** A band around the foot, mitered at the corners; null for none. */
  readonly trim: Entered | null;
  readonly trimStock: string;
  readonly shelves: Readonly<Record<string, SlopedShelf>>;
}
