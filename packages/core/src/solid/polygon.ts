/** Convex polygons in a panel's own plane: area, centroid, and clipping by half-planes. Plain numbers, one unit throughout. */
import type { PanelPoint } from './panel.ts';

/** Points p with `u · p.u + v · p.v <= at` are inside. */
export interface HalfPlane {
  readonly u: number;
  readonly v: number;
  readonly at: number;
}

/** Signed area (positive counterclockwise) and centroid. */
export function areaOf(points: readonly PanelPoint[]): { readonly area: number; readonly u: number; readonly v: number } {
  let twice = 0;
  let u = 0;
  let v = 0;
  for (let index = 0; index < points.length; index++) {
    const a = points[index]!;
    const b = points[index + 1 === points.length ? 0 : index + 1]!;
    const turn = a.u * b.v - b.u * a.v;
    twice += turn;
    u += (a.u + b.u) * turn;
    v += (a.v + b.v) * turn;
  }
  return twice === 0 ? { area: 0, u: 0, v: 0 } : { area: twice / 2, u: u / (3 * twice), v: v / (3 * twice) };
}

/** The part of a convex polygon in the half-plane; empty when none. */
export function clip(points: readonly PanelPoint[], { u, v, at }: HalfPlane): PanelPoint[] {
  const kept: PanelPoint[] = [];
  for (let index = 0; index < points.length; index++) {
    const a = points[index]!;
    const b = points[index + 1 === points.length ? 0 : index + 1]!;
    const outA = u * a.u + v * a.v - at;
    const outB = u * b.u + v * b.v - at;
    if (outA <= 0) kept.push(a);
    if ((outA < 0 && outB > 0) || (outA > 0 && outB < 0)) {
      const share = outA / (outA - outB);
      kept.push({ u: a.u + share * (b.u - a.u), v: a.v + share * (b.v - a.v) });
    }
  }
  return kept.length < 3 ? [] : kept;
}

export const clipAll = (points: readonly PanelPoint[], planes: readonly HalfPlane[]): PanelPoint[] =>
  planes.reduce<PanelPoint[]>((left, plane) => (left.length === 0 ? left : clip(left, plane)), [...points]);

/** The half-planes whose intersection a convex, counterclockwise polygon is. */
export function halfPlanesOf(points: readonly PanelPoint[]): HalfPlane[] {
  return points.map((a, index) => {
    const b = points[(index + 1) % points.length]!;
    const run = Math.hypot(b.u - a.u, b.v - a.v) || 1;
    const [u, v] = [(b.v - a.v) / run, (a.u - b.u) / run];
    return { u, v, at: u * a.u + v * a.v };
  });
}

/** Convex hull (monotone chain). Input in any order; output counterclockwise. O(n log n). */
export function hullOf(points: readonly PanelPoint[]): PanelPoint[] {
  const sorted = [...points].sort((a, b) => a.u - b.u || a.v - b.v);
  const half = (row: readonly PanelPoint[]): PanelPoint[] => {
    const out: PanelPoint[] = [];
    for (const point of row) {
      while (out.length > 1) {
        const [a, b] = [out.at(-2)!, out.at(-1)!];
        if ((b.u - a.u) * (point.v - a.v) - (b.v - a.v) * (point.u - a.u) > 1e-9) break;
        out.pop();
      }
      out.push(point);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}
