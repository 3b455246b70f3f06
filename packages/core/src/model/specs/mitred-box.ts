/** Spec of a mitered box. */
import type { Entered } from '../../length/entered.ts';
import type { SpecBase } from './spec-base.ts';

/** One side of a ring of chosen sides; the closing side is not entered. */
export interface RingSide {
  readonly id: string;
  readonly order: number;
  readonly length: Entered;
  /** Turn of the ring at this side's end. */
  readonly turnDeg: number;
}

export interface MitredBox extends SpecBase {
  readonly family: 'mitred-box';
  readonly ring: 'equal' | 'chosen';
  /** Of an equal ring. */
  readonly sides: number;
  /** flat: one side lies level at the bottom. corner: a corner points down. */
  readonly stands: 'flat' | 'corner';
  /** Walls lean outward toward the front. */
  readonly leanDeg: number;
  readonly backStock: string;
  /** Thickness of loose splines glued into every corner; null for plain miters. */
  readonly spline: string | null;
  /** From the bottom side on, clockwise; the last closes the ring. */
  readonly chosen: Readonly<Record<string, RingSide>>;
}
