/**
 * What a person of a height reaches and sees, as shares of standing height. [ASSUME] all, from the
 * usual tables of body measures rounded to the short side. docs/formulas/reach.md.
 */
import type { Length } from '../length/length.ts';

export const HIP_SHARE = 0.53;
export const EYE_SHARE = 0.93;
/** Upper face of the highest shelf that is reached flat-footed, arm over a depth of a cabinet. */
export const REACH_SHARE = 1.15;

export interface ReachZone {
  readonly hip: Length;
  readonly eye: Length;
  readonly most: Length;
}

/** Heights above the floor for a person so tall. */
export const reachOf = (height: Length): ReachZone => ({
  hip: Math.round(height * HIP_SHARE) as Length,
  eye: Math.round(height * EYE_SHARE) as Length,
  most: Math.round(height * REACH_SHARE) as Length,
});
