/** What a hanging cabinet does to its wall, whichever way it hangs. */
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { Link } from './link.ts';

export interface WallForces {
  readonly weight: ExplainedValue;
  /** What pulls the strip off the wall, and what pushes the wall at the bottom. */
  readonly outward: ExplainedValue;
  readonly spacerPush: ExplainedValue;
  readonly links: readonly Link[];
  /** mm: center of gravity from the wall; thickness of the strip on the studs. */
  readonly e: number;
  /** mm: center of gravity from the cabinet's left end. */
  readonly along: number;
  readonly t: number;
  /** The bevel's part in it; null for a cabinet that is screwed through. */
  readonly hook: Hook | null;
}

/** A cabinet that hangs by a bevel can tip off it, be lifted off it and be pulled off it. */
export interface Hook {
  readonly tip: ExplainedValue;
  readonly holdDown: ExplainedValue;
  readonly liftStarts: ExplainedValue;
  readonly liftLimit: ExplainedValue;
  readonly pullLimit: ExplainedValue;
  /** What the pull limit is worked out from: the weight's lever, backing above the contact, the pull's depth below it, mm. */
  readonly pulled: { readonly a: number; readonly c: number; readonly z: number };
  /** mm: drop from bevel to standoff; height of the bevel's middle over the half's edge. */
  readonly h: number;
  readonly b: number;
  readonly bevelDeg: number;
}
