/** A connection: one edge of a guest panel against one face of a host panel, by a joint. */
import type { Length } from '../length/length.ts';
import type { EdgeId, Face } from './panel.ts';

/**
 * butt: the edge lies on the face. dado, rabbet: it goes in. miter: two edges share a corner and are
 * bevelled to its half. half-lap: one runs on over the other, each halved there. pins: it stays back from the face and lies on pins. laid: face on face.
 * flush: the edge is sawn to the plane of the face, without touching it.
 * hinge, slide: they move against one another, and neither is cut for it.
 */
export type JointKind = 'butt' | 'dado' | 'rabbet' | 'mitre' | 'half-lap' | 'pins' | 'laid' | 'flush' | 'hinge' | 'slide';

/** screws: through the host into the guest's edge. pockets: screws at a slant out of the guest's face. brads: driven. dowels: between both. */
export type FastenedBy = 'screws' | 'pockets' | 'brads' | 'dowels';

/** How tight a slot sits: each stands for a play, which belongs to the shop. */
export type Fit = 'tight' | 'push' | 'glue' | 'loose';

/** Fasteners of a connection that carry load: what, how long and how many. */
export interface Fastening {
  readonly by: FastenedBy;
  readonly screw: string;
  readonly length: Length;
  readonly count: number;
  /** The guest's edge is drilled before they are driven. */
  readonly pilot: boolean;
  /** Pockets in a level guest: on which side, and at what height of the cabinet the eye is. */
  readonly pockets?: { readonly on: 'hidden' | 'under' | 'upper'; readonly eyeUp: Length };
}

export interface Joint {
  readonly kind: JointKind;
  /** How far the guest goes into the host; 0 for a butt. */
  readonly depth: Length;
  /** Left free at the bottom of the slot, so that glue and dust have somewhere to go. */
  readonly endPlay: Length;
  /** Added to the guest's measured thickness for the width of the slot. */
  readonly play: Length;
  /** The fit the play was taken from; absent where nothing goes in, or the play is a size of its own. */
  readonly fit?: Fit;
  readonly glue: boolean;
  readonly fastening: Fastening | null;
  /** The slot ends with the guest instead of running out over the host's edges. */
  readonly stopped?: boolean;
}

export interface Connection {
  readonly id: string;
  readonly guest: string;
  /** An edge of the guest; one of its faces where panels are laid on one another. */
  readonly edge: EdgeId | Face;
  readonly host: string;
  /** A face of the host; one of its edges for a miter, or where edges are glued to one another. */
  readonly face: Face | EdgeId;
  readonly joint: Joint;
  /** Where the design keeps the kind of this joint, inside its unit: what a fix would change. */
  readonly designPath?: readonly string[];
}

export const isFace = (at: Face | EdgeId): at is Face => at === 'reference' || at === 'other';

/**
 * A strip cut into a host: everything between two parallel lines of the face, to a depth.
 * `normal` is the unit direction across the strip in (u, v); near and far are measured along it,
 * from and to along the strip itself.
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
  /** Ends inside the host at its low or high end, instead of running out. */
  readonly stoppedAt?: { readonly from: boolean; readonly to: boolean };
  /** The panel that goes in. */
  readonly guest: string;
  readonly play: Length;
}
