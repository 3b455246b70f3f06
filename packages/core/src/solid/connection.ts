/** A connection: one edge of a guest panel against one face of a host panel, by a joint. */
import type { Length } from '../length/length.ts';
import type { EdgeId, Face } from './panel.ts';
import type { FastenedBy, JointKind, Fit } from '../model/joinery.ts';

/** Load-bearing fasteners of a connection: kind, length and number. */
export interface Fastening {
  readonly by: FastenedBy;
  readonly screw: string;
  readonly length: Length;
  readonly count: number;
  /** The guest's edge is predrilled. */
  readonly pilot: boolean;
  /** Pocket holes in a level guest: their side, and the eye height of the cabinet. */
  readonly pockets?: { readonly on: 'hidden' | 'under' | 'upper'; readonly eyeUp: Length };
}

export interface Joint {
  readonly kind: JointKind;
  /** How far the guest enters the host; 0 for a butt. */
  readonly depth: Length;
  /** Clearance at the bottom of the slot for glue and dust. */
  readonly endPlay: Length;
  /** Added to the guest's measured thickness for the width of the slot. */
  readonly play: Length;
  /** The fit behind the play; absent where nothing goes in, or the play is a size of its own. */
  readonly fit?: Fit;
  readonly glue: boolean;
  readonly fastening: Fastening | null;
  /** The slot stops with the guest instead of running out over the host's edges. */
  readonly stopped?: boolean;
}

export interface Connection {
  readonly id: string;
  readonly guest: string;
  /** An edge of the guest; one of its faces where panels are laid on one another. */
  readonly edge: EdgeId | Face;
  readonly host: string;
  /** A face of the host; one of its edges for a miter, or an edge joint. */
  readonly face: Face | EdgeId;
  readonly joint: Joint;
  /** Path of the joint's kind in the spec: what a fix would change. */
  readonly designPath?: readonly string[];
}

export const isFace = (at: Face | EdgeId): at is Face => at === 'reference' || at === 'other';

/**
 * A slot cut into a host: everything between two parallel lines of the face, to a depth. `normal` is the unit direction across it in (u, v); near and far
 * are measured along `normal`, from and to along the slot.
 */
export interface Slot {
  readonly id: string;
  readonly kind: 'dado' | 'groove' | 'rabbet';
  readonly face: Face;
  readonly normal: { readonly u: number; readonly v: number };
  readonly near: number;
  readonly far: number;
  readonly from: number;
  readonly to: number;
  readonly depth: Length;
  /** Stopped inside the host at its low or high end. */
  readonly stoppedAt?: { readonly from: boolean; readonly to: boolean };
  /** The panel that goes in. */
  readonly guest: string;
  readonly play: Length;
}
