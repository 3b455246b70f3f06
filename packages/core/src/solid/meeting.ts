/** A meeting: one edge of a guest panel against one face of a host panel, by a joint. */
import type { Length } from '../length/length.ts';
import type { EdgeId, Face } from './panel.ts';

export type JointKind = 'butt' | 'dado' | 'rabbet';

/** Fasteners of a meeting that carry load: which screw, how long and how many. */
export interface Fastening {
  readonly screw: string;
  readonly length: Length;
  readonly count: number;
}

export interface Joint {
  readonly kind: JointKind;
  /** How far the guest goes into the host; 0 for a butt. */
  readonly depth: Length;
  /** Left free at the bottom of the slot, so that glue and dust have somewhere to go. */
  readonly endPlay: Length;
  /** Added to the guest's measured thickness for the width of the slot. */
  readonly play: Length;
  readonly glue: boolean;
  readonly fastening: Fastening | null;
}

export interface Meeting {
  readonly id: string;
  readonly guest: string;
  readonly edge: EdgeId;
  readonly host: string;
  readonly face: Face;
  readonly joint: Joint;
}

/**
 * A strip cut into a host: everything between two parallel lines of the face, to a depth.
 * `normal` is the unit direction across the strip in (u, v); near and far are measured along it,
 * from and to along the strip itself.
 */
export interface Strip {
  readonly id: string;
  readonly kind: 'dado' | 'groove' | 'rabbet';
  readonly face: Face;
  readonly normal: { readonly u: number; readonly v: number };
  readonly near: number;
  readonly far: number;
  readonly from: number;
  readonly to: number;
  readonly depth: Length;
  /** The panel that goes in. */
  readonly guest: string;
  readonly play: Length;
}
