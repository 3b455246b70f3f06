/**
 * Which panels block each other along a direction, from their bodies alone: slots, rabbets and lips included, since a guest cannot leave its slot sideways.
 * Millimeters.
 */
import { piecesOf, type ConvexBody } from '../solid/convex.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { cross, dot, minusVector, scale, type Vector } from '../solid/vector.ts';

/** Overlap below which two projections only touch: fits without play, and rounding. mm */
const TOUCH = 0.02;

interface Convex {
  readonly corners: readonly Vector[];
  /** Unit directions of its edges and face normals, without duplicates. */
  readonly edges: readonly Vector[];
  readonly normals: readonly Vector[];
}

const known = new WeakMap<ResolvedPanel, readonly Convex[]>();

/** Unit directions without parallels. */
function apart(vectors: readonly Vector[]): Vector[] {
  const found: Vector[] = [];
  for (const each of vectors) {
    const size = Math.sqrt(dot(each, each));
    if (size < 1e-9) continue;
    const unit = scale(each, 1 / size);
    if (!found.some((other) => Math.abs(dot(other, unit)) > 1 - 1e-9)) found.push(unit);
  }
  return found;
}

function convex(body: ConvexBody): Convex {
  const edges = apart(body.flatMap((face) => face.map((corner, index) => minusVector(face[(index + 1) % face.length]!, corner))));
  const normals = apart(
    body.flatMap((face) => (face.length < 3 ? [] : [cross(minusVector(face[1]!, face[0]!), minusVector(face[face.length - 1]!, face[0]!))])),
  );
  return { corners: body.flat(), edges, normals };
}

function bodiesOf(panel: ResolvedPanel): readonly Convex[] {
  const before = known.get(panel);
  if (before) return before;
  const bodies = piecesOf(panel).map(convex);
  known.set(panel, bodies);
  return bodies;
}

/** Overlap of two bodies along a unit direction; negative for a gap. */
function overlap(a: Convex, b: Convex, n: Vector): { readonly by: number; readonly aIsLow: boolean } {
  let [a0, a1, b0, b1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const corner of a.corners) {
    const at = dot(corner, n);
    if (at < a0) a0 = at;
    if (at > a1) a1 = at;
  }
  for (const corner of b.corners) {
    const at = dot(corner, n);
    if (at < b0) b0 = at;
    if (at > b1) b1 = at;
  }
  return { by: Math.min(a1 - b0, b1 - a0), aIsLow: a1 - b0 < b1 - a0 };
}

/** Whether the projections of two bodies along `d` overlap by more than a touch. */
const shadowsMeet = (a: Convex, b: Convex, d: Vector): boolean => {
  for (const edge of [...a.edges, ...b.edges]) {
    const n = cross(edge, d);
    const size = Math.sqrt(dot(n, n));
    if (size > 1e-6 && overlap(a, b, scale(n, 1 / size)).by <= TOUCH) return false;
  }
  return true;
};

/** Position of `b` relative to `a` along `d`: 1 ahead, -1 behind, 0 beside. Interpenetrating bodies count as both. */
function lies(a: Convex, b: Convex, d: Vector): 1 | -1 | 0 | 'both' {
  if (!shadowsMeet(a, b, d)) return 0;
  let best: { readonly by: number; readonly ahead: boolean } | null = null;
  for (const n of [...a.normals, ...b.normals, ...a.edges.flatMap((one) => apart(b.edges.map((other) => cross(one, other))))]) {
    const along = dot(n, d);
    if (Math.abs(along) < 1e-6) continue;
    const { by, aIsLow } = overlap(a, b, n);
    if (best === null || by < best.by) best = { by, ahead: aIsLow === along > 0 };
  }
  if (best === null || best.by > TOUCH) return 'both';
  return best.ahead ? 1 : -1;
}

/** Whether another panel blocks a panel along `d`, and along its opposite. */
export interface Blocking {
  readonly forth: boolean;
  readonly back: boolean;
}

export function blocking(panel: ResolvedPanel, by: ResolvedPanel, d: Vector): Blocking {
  let [forth, back] = [false, false];
  for (const a of bodiesOf(panel))
    for (const b of bodiesOf(by)) {
      if (forth && back) return { forth, back };
      const side = lies(a, b, d);
      if (side === 'both') return { forth: true, back: true };
      if (side === 1) forth = true;
      else if (side === -1) back = true;
    }
  return { forth, back };
}

/** Candidate assembly directions of a cabinet: the axes of its panels, each once, regardless of sign. */
export const assemblyDirections = (panels: readonly ResolvedPanel[]): Vector[] => apart(panels.flatMap(({ frame: { u, v, w } }) => [u, v, w]));
