/**
 * A panel: a flat slab with a frame, an outline in its own plane and a measured thickness. Boards (rails, cleats, strips) are panels too. Panels are placed
 * with their edges on the faces they meet; the connections then move the edges (resolve.ts).
 */
import type { Length } from '../length/length.ts';
import type { ExplainedLength, Label, Source } from '../explained/explained-length.ts';
import { cross, vector, type Vector } from './vector.ts';
import type { SlotExit } from '../model/joinery.ts';
import type { Grain } from '../model/workshop.ts';

/** u runs along the length, v along the width, w from the reference face to the other one; right-handed. */
export interface PanelFrame {
  readonly origin: Vector;
  readonly u: Vector;
  readonly v: Vector;
  readonly w: Vector;
}

export interface PanelPoint {
  readonly u: number;
  readonly v: number;
}

/** Ends and edges of a blank: start and end lie across the length, near and far along it. Positions are measured from these. */
export type RectEdge = 'start' | 'end' | 'near' | 'far';
/** Edges of an outline: with more than four corners the further ones are numbered. */
export type EdgeId = RectEdge | 'slope' | 'taper' | 'corner' | 'corner-2';
export type Face = 'reference' | 'other';

/** An edge starts at `from` and runs counterclockwise to the next edge's `from`. */
export interface PanelEdge {
  readonly id: EdgeId;
  readonly from: PanelPoint;
  /** Degrees from square; positive when the other face extends beyond the reference face. */
  readonly bevel: number;
}

/** Purpose of a panel: the load path, the cut list and the drawing ask by role, never by name. */
export type Role =
  | 'side'
  | 'top'
  | 'bottom'
  | 'shelf'
  | 'divider'
  | 'back'
  | 'tilted-panel'
  | 'ledge'
  | 'holder'
  | 'frame'
  | 'door'
  | 'front'
  | 'leaf'
  | 'edging'
  | 'hanging-rail'
  | 'wall-half'
  | 'cabinet-half'
  | 'spacer';

/** What a row of holes is for. Setups, capacities and checks ask this; the reason beside it is only what a person reads. */
export type HolePurpose = 'shelf-pins' | 'hinge-cup' | 'handle' | 'magnets' | 'items' | 'screw' | 'pilot' | 'pocket' | 'dowel';

/** A cut of the panel's own, not of a connection. Positions in the panel's own (u, v), each explained. */
export type PanelCut =
  | {
      readonly kind: 'holes';
      readonly id: string;
      readonly face: Face;
      /** The first of the row; the others follow by `step`. */
      readonly at: PanelPoint;
      readonly step: PanelPoint;
      readonly count: number;
      readonly diameter: Length;
      /** Null goes through. */
      readonly depth: Length | null;
      readonly purpose: HolePurpose;
      readonly reason: Label;
    }
  | {
      /** A slot open at an edge, `at` from the start of that edge to its middle; `round` ends in a half circle. */
      readonly kind: 'notch';
      readonly id: string;
      readonly edge: EdgeId;
      readonly at: Length;
      readonly width: Length;
      readonly depth: Length;
      readonly round: boolean;
      readonly reason: Label;
    }
  | {
      /** Along an edge, square to its face, beveled or not: `from` is its near wall, along that face from the reference face's arris. */
      readonly kind: 'edge-groove';
      readonly id: string;
      readonly edge: EdgeId;
      readonly from: Length;
      readonly width: Length;
      readonly depth: Length;
      readonly guest: string;
    };

export interface Panel {
  readonly id: string;
  readonly role: Role;
  readonly name: Label;
  readonly frame: PanelFrame;
  readonly outline: readonly PanelEdge[];
  readonly thickness: Length;
  readonly thicknessFrom: Source;
  /** Measured thickness of this piece, or of its sheet, where known: its slots match it. */
  readonly ownThickness?: Length;
  readonly length: ExplainedLength;
  readonly width: ExplainedLength;
  /** Product id in the workshop. */
  readonly stock: string;
  readonly grain: Grain;
  /** Edges with edge band, and its thickness. */
  readonly bands: readonly EdgeId[];
  readonly bandThickness: Length;
  /** Holes and notches, in any order. */
  readonly cuts: readonly PanelCut[];
  /** Fixed to the wall, not carried by it. */
  readonly onWall: boolean;
  /** Stands on the floor under the hanging part: the cleat does not carry its weight. */
  readonly stands?: boolean;
  /** Removable: nothing may be glued to it. */
  readonly comesOut?: boolean;
  /** A pane of glass in a door's frame. */
  readonly isPane?: boolean;
  /** Absent: backed. */
  readonly slotExit?: SlotExit;
}

/** Impossible sizes can leave a part nothing: it is not cut, drilled or laid out. */
export const hasSize = ({ length, width }: { readonly length: { readonly value: number }; readonly width: { readonly value: number } }): boolean =>
  length.value > 0 && width.value > 0;

export const frame = (origin: Vector, u: Vector, v: Vector): PanelFrame => ({ origin, u, v, w: cross(u, v) });

/** A frame rotated by `deg` about its own u: its width leans from `v` toward `w`. */
export function leaning(origin: Vector, u: Vector, v: Vector, deg: number): PanelFrame {
  const w = cross(u, v);
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return frame(origin, u, vector(c * v.along + s * w.along, c * v.up + s * w.up, c * v.out + s * w.out));
}

/** A rectangle from the frame's origin. */
export function rectangle(length: Length, width: Length, bevels: Partial<Record<EdgeId, number>> = {}): PanelEdge[] {
  const edge = (id: EdgeId, u: number, v: number): PanelEdge => ({ id, from: { u, v }, bevel: bevels[id] ?? 0 });
  return [edge('near', 0, 0), edge('end', length, 0), edge('far', length, width), edge('start', 0, width)];
}

/** The point of the cabinet frame at (u, v) on the plane `w` above the reference face. */
export function place({ origin, u, v, w }: PanelFrame, point: PanelPoint, depth = 0): Vector {
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

export function extentOf(outline: readonly PanelEdge[], axis: 'u' | 'v'): Extent {
  const values = outline.map(({ from }) => from[axis]);
  return { from: Math.min(...values), to: Math.max(...values) };
}

/** Outward unit normal of an edge in (u, v). A degenerate edge is perpendicular to the one before it. */
export function outwardOf(outline: readonly PanelEdge[], id: EdgeId): PanelPoint {
  const index = outline.findIndex((edge) => edge.id === id);
  if (index < 0) throw new RangeError(`there is no edge '${id}'`);
  const [du, dv] = runOf(outline, index);
  const run = Math.hypot(du, dv);
  if (run > 0) return { u: dv / run, v: -du / run + 0 };
  const [bu, bv] = runOf(outline, (index + outline.length - 1) % outline.length);
  const before = Math.hypot(bu, bv);
  return { u: bu / before + 0, v: bv / before + 0 };
}

function runOf(outline: readonly PanelEdge[], index: number): [du: number, dv: number] {
  const from = outline[index]!.from;
  const to = outline[(index + 1) % outline.length]!.from;
  return [to.u - from.u, to.v - from.v];
}

/** The face of an edge in the cabinet: direction along it away from the reference face, and outward normal. Bevel 0: w and the edge's outward. */
export function edgeFace({ frame: { u, v, w }, outline }: Pick<Panel, 'frame' | 'outline'>, id: EdgeId): { readonly across: Vector; readonly out: Vector } {
  const { u: ou, v: ov } = outwardOf(outline, id);
  const outward = vector(u.along * ou + v.along * ov, u.up * ou + v.up * ov, u.out * ou + v.out * ov);
  const bevel = (outline.find((edge) => edge.id === id)!.bevel * Math.PI) / 180;
  const [c, s] = [Math.cos(bevel), Math.sin(bevel)];
  const mix = (a: number, b: number): Vector => vector(outward.along * a + w.along * b, outward.up * a + w.up * b, outward.out * a + w.out * b);
  return { across: mix(s, c), out: mix(c, -s) };
}
