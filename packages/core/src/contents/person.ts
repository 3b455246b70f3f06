/**
 * Reach and eye height of a person as shares of body height. [ASSUME] all, from the usual body measure tables, rounded to the short side.
 * docs/formulas/reach.md.
 */
import type { Length } from '../length/length.ts';

export const HIP_SHARE = 0.53;
export const EYE_SHARE = 0.93;
/** Upper face of the highest shelf within reach, flat-footed, arm over a cabinet's depth. */
export const REACH_SHARE = 1.15;

export interface ReachZone {
  readonly hip: Length;
  readonly eye: Length;
  readonly most: Length;
}

/** Heights above the floor for a person of this height. */
export const reachOf = (height: Length): ReachZone => ({
  hip: Math.round(height * HIP_SHARE) as Length,
  eye: Math.round(height * EYE_SHARE) as Length,
  most: Math.round(height * REACH_SHARE) as Length,
});
