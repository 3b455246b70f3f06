/** Forces between a hanging cabinet and its wall, however it hangs. */
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { Link } from './link.ts';

export interface WallForces {
  readonly weight: ExplainedValue;
  /** Pull that draws the cleat off the wall, equal to the push at the bottom. */
  readonly outward: ExplainedValue;
  readonly spacerPush: ExplainedValue;
  readonly links: readonly Link[];
  /** mm: center of gravity from the wall, and thickness of the wall cleat. */
  readonly e: number;
  /** mm: center of gravity from the cabinet's left end. */
  readonly along: number;
  readonly t: number;
  /** Forces at the bevel; null for a cabinet that is screwed through. */
  readonly hook: Hook | null;
}

/** Limits of a bevel hook: it can tip off, be lifted off and be pulled off. */
export interface Hook {
  readonly tip: ExplainedValue;
  readonly holdDown: ExplainedValue;
  readonly liftStarts: ExplainedValue;
  readonly liftLimit: ExplainedValue;
  readonly pullLimit: ExplainedValue;
  /** Inputs of the pull limit, mm: lever of the weight, backing above the contact, depth of the pull below it. */
  readonly pulled: { readonly a: number; readonly c: number; readonly z: number };
  /** mm: drop from bevel to standoff, and height of the bevel's middle above the cleat's edge. */
  readonly h: number;
  readonly b: number;
  readonly bevelDeg: number;
}
