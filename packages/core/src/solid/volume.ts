/** Volume and centre of a resolved panel: its slab with bevelled edges, less the strips cut from it. */
import { NM_PER } from '../length/length.ts';
import { outwardOf, type ResolvedPanel } from './resolve.ts';
import { place, type Edge, type Point } from './panel.ts';
import { vector, type Vector } from './vector.ts';

export interface Bulk {
  readonly volumeMm3: number;
  /** Centre in the unit frame, nanometres. */
  readonly centre: Vector;
}

interface Moment {
  volume: number;
  u: number;
  v: number;
  w: number;
}

/** Everything in mm inside, so that products of three lengths stay exact enough. */
export function bulkOf(panel: ResolvedPanel): Bulk {
  const moment = slab(panel);
  for (const box of removed(panel)) {
    const volume = (box.u1 - box.u0) * (box.v1 - box.v0) * (box.w1 - box.w0);
    moment.volume -= volume;
    moment.u -= (volume * (box.u0 + box.u1)) / 2;
    moment.v -= (volume * (box.v0 + box.v1)) / 2;
    moment.w -= (volume * (box.w0 + box.w1)) / 2;
  }
  const { volume, u, v, w } = moment;
  const centre = place(panel.frame, { u: (u / volume) * NM_PER.mm, v: (v / volume) * NM_PER.mm }, (w / volume) * NM_PER.mm);
  return { volumeMm3: volume, centre: vector(centre.along, centre.up, centre.out) };
}

/** Square edges: one outline all through. Bevelled: Simpson over three slices, exact because area grows with the square of the depth at most. */
function slab(panel: ResolvedPanel): Moment {
  const t = panel.thickness / NM_PER.mm;
  if (panel.outline.every(({ bevel }) => bevel === 0)) {
    const { area, u, v } = areaOf(panel.outline.map(({ from }) => ({ u: from.u / NM_PER.mm, v: from.v / NM_PER.mm })));
    const volume = area * t;
    return { volume, u: volume * u, v: volume * v, w: (volume * t) / 2 };
  }
  const sum: Moment = { volume: 0, u: 0, v: 0, w: 0 };
  for (const [depth, weight] of [
    [0, t / 6],
    [t / 2, (4 * t) / 6],
    [t, t / 6],
  ] as const) {
    const { area, u, v } = areaOf(sliceOf(panel.outline, depth));
    sum.volume += weight * area;
    sum.u += weight * area * u;
    sum.v += weight * area * v;
    sum.w += weight * area * depth;
  }
  return sum;
}

/** The outline (mm) at a depth below the reference face, bevels included. */
export function sliceOf(outline: readonly Edge[], depthMm: number): Point[] {
  const lines = outline.map((edge) => {
    const normal = outwardOf(outline, edge.id);
    const at = (normal.u * edge.from.u + normal.v * edge.from.v) / NM_PER.mm;
    return { normal, at: at + depthMm * Math.tan((edge.bevel * Math.PI) / 180) };
  });
  return lines.map((line, index) => {
    const before = lines[(index + lines.length - 1) % lines.length]!;
    const turn = before.normal.u * line.normal.v - before.normal.v * line.normal.u;
    return {
      u: (before.at * line.normal.v - line.at * before.normal.v) / turn,
      v: (line.at * before.normal.u - before.at * line.normal.u) / turn,
    };
  });
}

function areaOf(points: readonly Point[]): { area: number; u: number; v: number } {
  let twice = 0;
  let u = 0;
  let v = 0;
  points.forEach((a, index) => {
    const b = points[(index + 1) % points.length]!;
    const turn = a.u * b.v - b.u * a.v;
    twice += turn;
    u += (a.u + b.u) * turn;
    v += (a.v + b.v) * turn;
  });
  return { area: twice / 2, u: u / (3 * twice), v: v / (3 * twice) };
}

export interface Box {
  readonly u0: number;
  readonly u1: number;
  readonly v0: number;
  readonly v1: number;
  readonly w0: number;
  readonly w1: number;
}

/** What the strips take away, as boxes that do not overlap (mm): strips that cross are counted once. */
export function removed(panel: ResolvedPanel): Box[] {
  if (panel.strips.length === 0) return [];
  const cuts = panel.strips.map(({ normal, near, far, from, to, depth, face }) => {
    const across = normal.u === 1;
    if (!across && normal.v !== 1) throw new RangeError('volume of a tilted strip is not worked out yet');
    const [u0, u1, v0, v1] = across ? [near, far, from, to] : [from, to, near, far];
    return { u0: u0 / NM_PER.mm, u1: u1 / NM_PER.mm, v0: v0 / NM_PER.mm, v1: v1 / NM_PER.mm, depth: depth / NM_PER.mm, face };
  });
  const us = sorted(cuts.flatMap(({ u0, u1 }) => [u0, u1]));
  const vs = sorted(cuts.flatMap(({ v0, v1 }) => [v0, v1]));
  const t = panel.thickness / NM_PER.mm;
  const boxes: Box[] = [];
  // Plain loops: this runs for every panel at every keystroke.
  for (let i = 0; i + 1 < us.length; i++) {
    const u0 = us[i]!;
    const u1 = us[i + 1]!;
    const crossing = cuts.filter((cut) => cut.u0 <= u0 && cut.u1 >= u1);
    if (crossing.length === 0) continue;
    for (let j = 0; j + 1 < vs.length; j++) {
      const v0 = vs[j]!;
      const v1 = vs[j + 1]!;
      let fromReference = 0;
      let fromOther = 0;
      for (const cut of crossing) {
        if (cut.v0 > v0 || cut.v1 < v1) continue;
        if (cut.face === 'reference') fromReference = Math.max(fromReference, cut.depth);
        else fromOther = Math.max(fromOther, cut.depth);
      }
      if (fromReference + fromOther >= t) boxes.push({ u0, u1, v0, v1, w0: 0, w1: t });
      else {
        if (fromReference > 0) boxes.push({ u0, u1, v0, v1, w0: 0, w1: fromReference });
        if (fromOther > 0) boxes.push({ u0, u1, v0, v1, w0: t - fromOther, w1: t });
      }
    }
  }
  return boxes;
}

const sorted = (values: number[]): number[] => [...new Set(values)].sort((a, b) => a - b);
