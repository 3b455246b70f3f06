/** A face frame, as families that have one specify it. */
import type { Entered } from '../../length/entered.ts';
import type { SpecBase } from './spec-base.ts';

export interface FaceFrameChoice {
  readonly stock: string;
  /** Width of the stiles; of the rails. */
  readonly stile: Entered;
  readonly rail: Entered;
  /** How far the stiles extend beyond the sides, to be scribed to a wall or a neighbor. */
  readonly overhang: Entered;
  /** flush: the stiles end with the sides' inner faces, whatever their width. proud: they stand into the opening. */
  readonly inside: 'flush' | 'proud';
  readonly joined: 'pockets' | 'dowels' | 'half-laps';
}

export interface WithFaceFrame extends SpecBase {
  readonly faceFrame: FaceFrameChoice | null;
}
