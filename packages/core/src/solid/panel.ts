/**
 * A panel: a flat slab with a frame, an outline in its own plane and a measured thickness.
 * Boards (rails, cleats, strips) are panels too. Panels are placed with their edges lying on the
 * faces they meet; the meetings then move the edges (resolve.ts).
 */
import type { Length } from '../length/length.ts';
import type { Dimension, Label, Source } from '../worked/dimension.ts';
import { cross, type Vector } from './vector.ts';

/** u runs along the length, v along the width, w from the reference face to the other one; right-handed. */
export interface Frame {
  readonly origin: Vector;
  readonly u: Vector;
  readonly v: Vector;
  readonly w: Vector;
}

export interface Point {
  readonly u: number;
  readonly v: number;
}

/** Edges of a rectangle: start and end lie across the length, near and far along it. */
export type EdgeId = 'start' | 'end' | 'near' | 'far';
export type Face = 'reference' | 'other';

/** An edge begins at `from` and runs, anticlockwise, to the next edge's `from`. */
export interface Edge {
  readonly id: EdgeId;
  readonly from: Point;
  /** Degrees from square; positive when the other face reaches further out than the reference face. */
  readonly bevel: number;
}

export type Grain = 'length' | 'width' | 'none';

/** What a panel is for: the load path and the cut list ask by this, never by name. */
export type Role = 'side' | 'top' | 'bottom' | 'shelf' | 'back' | 'hanging-rail' | 'wall-half' | 'cabinet-half' | 'spacer';

export interface Panel {
  readonly id: string;
  readonly role: Role;
  readonly name: Label;
  readonly frame: Frame;
  readonly outline: readonly Edge[];
  readonly thickness: Length;
  readonly thicknessFrom: Source;
  readonly length: Dimension;
  readonly width: Dimension;
  /** Product id in the workshop. */
  readonly stock: string;
  readonly grain: Grain;
  /** Edges that get edge band, with its thickness. */
  readonly bands: readonly EdgeId[];
  readonly bandThickness: Length;
  /** Fixed to the wall, not carried by it. */
  readonly onWall: boolean;
}

export const frame = (origin: Vector, u: Vector, v: Vector): Frame => ({ origin, u, v, w: cross(u, v) });

/** A rectangle from the frame's origin. */
export function rectangle(length: Length, width: Length, bevels: Partial<Record<EdgeId, number>> = {}): Edge[] {
  const edge = (id: EdgeId, u: number, v: number): Edge => ({ id, from: { u, v }, bevel: bevels[id] ?? 0 });
  return [edge('near', 0, 0), edge('end', length, 0), edge('far', length, width), edge('start', 0, width)];
}

/** The point of the unit frame at (u, v) on the plane `w` above the reference face. */
export function place({ origin, u, v, w }: Frame, point: Point, depth = 0): Vector {
  return {
    along: origin.along + u.along * point.u + v.along * point.v + w.along * depth,
    up: origin.up + u.up * point.u + v.up * point.v + w.up * depth,
    out: origin.out + u.out * point.u + v.out * point.v + w.out * depth,
  };
}

export interface Extent {
  readonly from: number;
  readonly to: number;
}

export function extentOf(outline: readonly Edge[], axis: 'u' | 'v'): Extent {
  const values = outline.map(({ from }) => from[axis]);
  return { from: Math.min(...values), to: Math.max(...values) };
}
