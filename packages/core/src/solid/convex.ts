/**
 * Panels as convex bodies: the slab with its beveled edges, split by its slots and notches. Drawings cut them, the 3D view shows them, the audit intersects
 * them. Millimeters.
 */
import { NM_PER } from '../length/length.ts';
import type { ResolvedPanel } from './resolve.ts';
import { edgeFace, outwardOf, place, type PanelPoint } from './panel.ts';
import { alongStrip } from './resolve.ts';
import { cross, dot, plusVector, scale, vector, type Vector } from './vector.ts';
import { sliceOf } from './volume.ts';

/** Faces with their corners, counterclockwise seen from outside. */
export type ConvexBody = readonly (readonly Vector[])[];

/** Points p with `normal · p <= at` are inside. */
export interface HalfSpace {
  readonly normal: Vector;
  readonly at: number;
}

/** Distance within which a point counts as on a plane, mm: a tenth of the audit's tolerance. */
const ON = 1e-7;

const mmOf = (at: Vector): Vector => vector(at.along / NM_PER.mm, at.up / NM_PER.mm, at.out / NM_PER.mm);

/** The slab of a panel, bevels included, before any cuts. */
export function slabOf(panel: ResolvedPanel): ConvexBody {
  const { low, high } = cornersOf(panel);
  // The outline is counterclockwise seen from the side w points to: from inside for the reference face.
  const sides = low.map((a, index) => {
    const next = (index + 1) % low.length;
    return [a, low[next]!, high[next]!, high[index]!];
  });
  return [[...low].reverse(), high, ...sides];
}

/** Corners of a panel's two faces, mm: the reference face's, then the other's. */
export function cornersOf(panel: ResolvedPanel): { readonly low: Vector[]; readonly high: Vector[] } {
  const at = (depth: number): Vector[] =>
    sliceOf(panel.outline, depth).map(({ u, v }) => mmOf(place(panel.frame, { u: u * NM_PER.mm, v: v * NM_PER.mm }, depth * NM_PER.mm)));
  return { low: at(0), high: at(panel.thickness / NM_PER.mm) };
}

const known = new WeakMap<ResolvedPanel, readonly ConvexBody[]>();

/** The slab without its slots and notches, as disjoint convex pieces. Holes stay filled. Memoized: a resolved panel never changes. */
export function piecesOf(panel: ResolvedPanel): readonly ConvexBody[] {
  const before = known.get(panel);
  if (before) return before;
  let pieces: ConvexBody[] = [slabOf(panel)];
  for (const cut of cutHalfSpacesOf(panel)) pieces = pieces.flatMap((piece) => subtract(piece, cut));
  known.set(panel, pieces);
  return pieces;
}

/** The volumes removed by slots and square notches, each as the intersection of half-spaces. */
export function cutHalfSpacesOf(panel: ResolvedPanel): HalfSpace[][] {
  return [
    ...panel.slots.map((slot) => slotHalfSpaces(panel, slot)),
    ...panel.cuts.flatMap((cut) => (cut.kind === 'holes' ? [] : [cut.kind === 'notch' ? notchHalfSpaces(panel, cut) : grooveHalfSpaces(panel, cut)])),
  ];
}

function slotHalfSpaces(panel: ResolvedPanel, { face, normal, near, far, from, to, depth, stoppedAt }: ResolvedPanel['slots'][number]): HalfSpace[] {
  const run = alongStrip(normal);
  const { w } = panel.frame;
  const spaces = [half(panel, normal, far), half(panel, back(normal), -near)];
  // A slot that runs out removes everything there, a beveled edge included.
  if (stoppedAt?.to) spaces.push(half(panel, run, to));
  if (stoppedAt?.from) spaces.push(half(panel, back(run), -from));
  const origin = dot(w, panel.frame.origin);
  spaces.push(
    face === 'reference' ? { normal: w, at: (origin + depth) / NM_PER.mm } : { normal: scale(w, -1), at: -(origin + panel.thickness - depth) / NM_PER.mm },
  );
  return spaces;
}

function notchHalfSpaces(panel: ResolvedPanel, cut: Extract<ResolvedPanel['cuts'][number], { kind: 'notch' }>): HalfSpace[] {
  const { from, along, inward } = notchFrame(panel, cut.edge);
  const start = from.u * along.u + from.v * along.v + cut.at;
  const deep = from.u * inward.u + from.v * inward.v + cut.depth;
  return [half(panel, along, start + cut.width / 2), half(panel, back(along), -(start - cut.width / 2)), half(panel, inward, deep)];
}

function grooveHalfSpaces(panel: ResolvedPanel, { edge, from, width, depth }: Extract<ResolvedPanel['cuts'][number], { kind: 'edge-groove' }>): HalfSpace[] {
  const { across, out } = edgeFace(panel, edge);
  const arris = place(panel.frame, panel.outline.find(({ id }) => id === edge)!.from);
  const at = (along: Vector, by: number): number => (dot(along, arris) + by) / NM_PER.mm;
  return [
    { normal: scale(out, -1), at: -at(out, 0 - depth) },
    { normal: across, at: at(across, from + width) },
    { normal: scale(across, -1), at: -at(across, from) },
  ];
}

/** Origin of an edge, its direction, and the direction into the panel. */
export function notchFrame(
  panel: Pick<ResolvedPanel, 'outline'>,
  edge: ResolvedPanel['outline'][number]['id'],
): { from: PanelPoint; along: PanelPoint; inward: PanelPoint } {
  const outward = outwardOf(panel.outline, edge);
  return { from: panel.outline.find(({ id }) => id === edge)!.from, along: { u: -outward.v, v: outward.u }, inward: back(outward) };
}

const back = ({ u, v }: PanelPoint): PanelPoint => ({ u: -u + 0, v: -v + 0 });

/** The half-space on one side of a line in the panel's plane, perpendicular to the panel. */
function half({ frame }: ResolvedPanel, direction: PanelPoint, at: number): HalfSpace {
  const normal = plusVector(scale(frame.u, direction.u), scale(frame.v, direction.v));
  return { normal, at: (dot(normal, frame.origin) + at) / NM_PER.mm };
}

/** The part of a body inside the half-space; null when empty. */
export function clipBody(body: ConvexBody, { normal, at }: HalfSpace): ConvexBody | null {
  const off = (p: Vector): number => {
    const d = dot(normal, p) - at;
    return Math.abs(d) < ON ? 0 : d;
  };
  let inside = false;
  let outside = false;
  for (const face of body)
    for (const point of face) {
      const d = off(point);
      if (d < 0) inside = true;
      else if (d > 0) outside = true;
    }
  if (!inside) return null;
  if (!outside) return body;
  const faces: Vector[][] = [];
  const rim: Vector[] = [];
  for (const face of body) {
    const kept: Vector[] = [];
    face.forEach((a, index) => {
      const b = face[(index + 1) % face.length]!;
      const [da, db] = [off(a), off(b)];
      if (da <= 0) kept.push(a);
      if (da === 0) rim.push(a);
      if (da * db < 0) {
        const share = da / (da - db);
        const point = plusVector(a, scale(plusVector(b, scale(a, -1)), share));
        kept.push(point);
        rim.push(point);
      }
    });
    if (kept.length > 2) faces.push(kept);
  }
  const cap = roundOff(rim, normal);
  if (cap.length > 2) faces.push(cap);
  return faces.length > 3 ? faces : null;
}

/** Corners of the cut, sorted around its middle, without duplicates. */
function roundOff(rim: readonly Vector[], normal: Vector): Vector[] {
  const points: Vector[] = [];
  for (const point of rim) if (!points.some((other) => lengthOf(plusVector(point, scale(other, -1))) < 1e-6)) points.push(point);
  if (points.length < 3) return [];
  const middle = scale(
    points.reduce((sum, point) => plusVector(sum, point), vector(0, 0, 0)),
    1 / points.length,
  );
  const first = plusVector(points[0]!, scale(middle, -1));
  const second = cross(normal, first);
  const angle = (point: Vector): number => {
    const from = plusVector(point, scale(middle, -1));
    return Math.atan2(dot(from, second) / (lengthOf(second) || 1), dot(from, first) / (lengthOf(first) || 1));
  };
  return points
    .map((point) => ({ point, at: angle(point) }))
    .sort((a, b) => a.at - b.at)
    .map(({ point }) => point);
}

const lengthOf = (a: Vector): number => Math.sqrt(dot(a, a));

/** A body minus a convex volume, in convex pieces. */
export function subtract(body: ConvexBody, spaces: readonly HalfSpace[]): ConvexBody[] {
  if (spaces.some((space) => clipBody(body, space) === null)) return [body];
  const pieces: ConvexBody[] = [];
  let rest: ConvexBody | null = body;
  for (const { normal, at } of spaces) {
    if (!rest) break;
    const outer = clipBody(rest, { normal: scale(normal, -1), at: -at });
    if (outer) pieces.push(outer);
    rest = clipBody(rest, { normal, at });
  }
  return pieces;
}

/** The half-spaces whose intersection a body is. */
export const cutHalfSpaces = (body: ConvexBody): HalfSpace[] =>
  body.map((face) => {
    const normal = normalOf(face);
    return { normal, at: dot(normal, face[0]!) };
  });

/** Outward unit normal of a face, from its vector area (robust for thin faces). */
export function normalOf(face: readonly Vector[]): Vector {
  let sum = vector(0, 0, 0);
  for (let index = 1; index + 1 < face.length; index++)
    sum = plusVector(sum, cross(plusVector(face[index]!, scale(face[0]!, -1)), plusVector(face[index + 1]!, scale(face[0]!, -1))));
  return scale(sum, 1 / (lengthOf(sum) || 1));
}

export function intersection(a: ConvexBody, b: ConvexBody): ConvexBody | null {
  return cutHalfSpaces(b).reduce<ConvexBody | null>((left, space) => (left ? clipBody(left, space) : null), a);
}

/** Volume in mm³ and centroid, by the divergence theorem. */
export function volumeOf(body: ConvexBody): { readonly volume: number; readonly centre: Vector } {
  const origin = body[0]![0]!;
  let volume = 0;
  let moment = vector(0, 0, 0);
  for (const face of body)
    for (let index = 1; index + 1 < face.length; index++) {
      const [a, b, c] = [face[0]!, face[index]!, face[index + 1]!].map((point) => plusVector(point, scale(origin, -1))) as [Vector, Vector, Vector];
      const six = dot(a, cross(b, c));
      volume += six / 6;
      moment = plusVector(moment, scale(plusVector(plusVector(a, b), c), six / 24));
    }
  return { volume, centre: plusVector(origin, scale(moment, 1 / (volume || 1))) };
}

/** Intersection of a body with a plane: corners in order, or none. */
export function cutThrough(body: ConvexBody, { normal, at }: HalfSpace): Vector[] {
  const half = clipBody(body, { normal, at });
  if (!half || half === body) return [];
  return [...(half.find((face) => face.every((point) => Math.abs(dot(normal, point) - at) < 1e-5)) ?? [])];
}
