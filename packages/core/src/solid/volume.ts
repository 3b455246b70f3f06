/** Volume and centroid of a resolved panel: its slab with beveled edges, minus slots, notches and holes. */
import { NM_PER } from '../length/length.ts';
import { outwardOf, place, type PanelCut, type PanelEdge, type PanelPoint } from './panel.ts';
import { areaOf, clipAll, halfPlanesOf, type HalfPlane } from './polygon.ts';
import { alongStrip, type ResolvedPanel } from './resolve.ts';
import { vector, type Vector } from './vector.ts';

export interface Bulk {
  readonly volumeMm3: number;
  /** Center in the cabinet frame, nanometers. */
  readonly centre: Vector;
}

interface Moment {
  volume: number;
  u: number;
  v: number;
  w: number;
}

/** Memoized: weights, opening doors and blanks share it. */
const known = new WeakMap<ResolvedPanel, Bulk>();

export function bulkOf(panel: ResolvedPanel): Bulk {
  const before = known.get(panel);
  if (before) return before;
  const bulk = measured(panel);
  known.set(panel, bulk);
  return bulk;
}

/** In mm inside, so that products of three lengths stay exact enough. */
function measured(panel: ResolvedPanel): Bulk {
  const moment = slab(panel);
  const take = (volume: number, u: number, v: number, w: number): void => {
    moment.volume -= volume;
    moment.u -= volume * u;
    moment.v -= volume * v;
    moment.w -= volume * w;
  };
  if (isPlain(panel))
    for (const box of removed(panel))
      take((box.u1 - box.u0) * (box.v1 - box.v0) * (box.w1 - box.w0), (box.u0 + box.u1) / 2, (box.v0 + box.v1) / 2, (box.w0 + box.w1) / 2);
  else for (const { volume, u, v, w } of prismsOf(panel)) take(volume, u, v, w);
  const { volume, u, v, w } = moment;
  // A part without a size weighs nothing.
  if (!(volume > 0)) return { volumeMm3: 0, centre: place(panel.frame, { u: 0, v: 0 }, 0) };
  const centre = place(panel.frame, { u: (u / volume) * NM_PER.mm, v: (v / volume) * NM_PER.mm }, (w / volume) * NM_PER.mm);
  return { volumeMm3: volume, centre: vector(centre.along, centre.up, centre.out) };
}

/** Square edges: one outline throughout. Beveled: Simpson's rule over three slices, exact because area is at most quadratic in depth. */
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
export function sliceOf(outline: readonly PanelEdge[], depthMm: number): PanelPoint[] {
  // Square edges: the same throughout.
  if (outline.every(({ bevel }) => bevel === 0)) return outline.map(({ from }) => ({ u: from.u / NM_PER.mm, v: from.v / NM_PER.mm }));
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

/** Square slots on a rectangle with square edges: cells between their lines are faster than polygons. */
const isPlain = ({ slots, cuts, outline }: ResolvedPanel): boolean =>
  cuts.length === 0 && slots.every(({ normal, stoppedAt }) => !stoppedAt && (normal.u === 1 || normal.v === 1)) && isRectangle(outline);

const isRectangle = (outline: readonly PanelEdge[]): boolean =>
  outline.length === 4 &&
  outline.every(({ from }, index) => {
    const next = outline[(index + 1) % 4]!.from;
    return from.u === next.u || from.v === next.v;
  });

interface Prism {
  readonly volume: number;
  readonly u: number;
  readonly v: number;
  readonly w: number;
}

interface Taken {
  readonly points: readonly PanelPoint[];
  readonly depth: number;
  readonly low: PanelPoint;
  readonly high: PanelPoint;
}

/** Overlaps of slots and cuts of one face by inclusion and exclusion: the intersection of prisms is a prism of the least depth. */
function* prismsOf(panel: ResolvedPanel): Generator<Prism> {
  const t = panel.thickness / NM_PER.mm;
  const outline = sliceOf(panel.outline, panel.outline.some(({ bevel }) => bevel !== 0) ? t / 2 : 0);
  for (const face of ['reference', 'other'] as const) {
    const regions = panel.slots.filter((slot) => slot.face === face).flatMap((slot) => regionOf(outline, slot));
    yield* shared(regions, face, t);
  }
  const notches = panel.cuts.flatMap((cut) => (cut.kind === 'notch' ? [notchRegion(panel, cut)] : []));
  for (const { area, u, v } of notches) yield { volume: area * t, u, v, w: t / 2 };
  for (const cut of panel.cuts) if (cut.kind === 'edge-groove') yield grooveRegion(panel, cut);
  for (const cut of panel.cuts) {
    if (cut.kind !== 'holes') continue;
    const depth = cut.depth === null ? t : cut.depth / NM_PER.mm;
    const each = ((Math.PI * cut.diameter * cut.diameter) / 4 / 1e12) * depth;
    const middle = (cut.count - 1) / 2;
    yield {
      volume: each * cut.count,
      u: (cut.at.u + cut.step.u * middle) / NM_PER.mm,
      v: (cut.at.v + cut.step.v * middle) / NM_PER.mm,
      w: cut.face === 'reference' ? depth / 2 : t - depth / 2,
    };
  }
}

function* shared(regions: readonly Taken[], face: 'reference' | 'other', t: number): Generator<Prism> {
  function* from(start: number, sofar: Taken | null, sign: number): Generator<Prism> {
    for (let index = start; index < regions.length; index++) {
      const next = regions[index]!;
      const both = sofar ? common(sofar, next) : next;
      if (!both) continue;
      const { area, u, v } = areaOf(both.points);
      yield { volume: sign * area * both.depth, u, v, w: face === 'reference' ? both.depth / 2 : t - both.depth / 2 };
      yield* from(index + 1, both, -sign);
    }
  }
  yield* from(0, null, 1);
}

function common(a: Taken, b: Taken): Taken | null {
  if (a.low.u >= b.high.u || b.low.u >= a.high.u || a.low.v >= b.high.v || b.low.v >= a.high.v) return null;
  const points = clipAll(a.points, halfPlanesOf(b.points));
  return points.length < 3 || areaOf(points).area < 1e-9 ? null : taken(points, Math.min(a.depth, b.depth));
}

function taken(points: readonly PanelPoint[], depth: number): Taken {
  const us = points.map(({ u }) => u);
  const vs = points.map(({ v }) => v);
  return { points, depth, low: { u: Math.min(...us), v: Math.min(...vs) }, high: { u: Math.max(...us), v: Math.max(...vs) } };
}

/** The part of a panel's outline (mm) covered by a slot. */
export function stripPolygon(outline: readonly PanelPoint[], { normal, near, far, from, to, stoppedAt }: ResolvedPanel['slots'][number]): PanelPoint[] {
  const run = alongStrip(normal);
  const planes: HalfPlane[] = [
    { ...normal, at: far / NM_PER.mm },
    { u: -normal.u, v: -normal.v, at: -near / NM_PER.mm },
  ];
  if (stoppedAt?.to) planes.push({ ...run, at: to / NM_PER.mm });
  if (stoppedAt?.from) planes.push({ u: -run.u, v: -run.v, at: -from / NM_PER.mm });
  return clipAll(outline, planes);
}

function regionOf(outline: readonly PanelPoint[], slot: ResolvedPanel['slots'][number]): Taken[] {
  const points = stripPolygon(outline, slot);
  return points.length < 3 ? [] : [taken(points, slot.depth / NM_PER.mm)];
}

/** A notch by its area (mm²) and centroid: a rectangle, with a half circle at its end when round. */
function notchRegion(panel: ResolvedPanel, cut: Extract<PanelCut, { kind: 'notch' }>): { area: number; u: number; v: number } {
  const [width, depth] = [cut.width / NM_PER.mm, cut.depth / NM_PER.mm];
  const outward = outwardOf(panel.outline, cut.edge);
  const start = panel.outline.find(({ id }) => id === cut.edge)!.from;
  if (cut.round && depth < width / 2) return scoopRegion(panel, cut);
  if (!cut.round) return squareNotch(panel, cut);
  const straight = depth - width / 2;
  const round = (Math.PI * width * width) / 8;
  const area = straight * width + round;
  const deep = (straight * width * (straight / 2) + round * (straight + (2 * width) / (3 * Math.PI))) / (area || 1);
  const at = cut.at / NM_PER.mm;
  return { area, u: start.u / NM_PER.mm - outward.v * at - outward.u * deep, v: start.v / NM_PER.mm + outward.u * at - outward.v * deep };
}

/** A square notch removes the part of the outline inside it: it may run out over an end. */
function squareNotch(panel: ResolvedPanel, cut: Extract<PanelCut, { kind: 'notch' }>): { area: number; u: number; v: number } {
  const outward = outwardOf(panel.outline, cut.edge);
  const start = panel.outline.find(({ id }) => id === cut.edge)!.from;
  const along = { u: -outward.v, v: outward.u };
  const from = (start.u * along.u + start.v * along.v) / NM_PER.mm;
  const deep = (start.u * outward.u + start.v * outward.v - cut.depth) / NM_PER.mm;
  return areaOf(
    clipAll(sliceOf(panel.outline, 0), [
      { ...along, at: from + (cut.at + cut.width / 2) / NM_PER.mm },
      { u: -along.u, v: -along.v, at: -(from + (cut.at - cut.width / 2) / NM_PER.mm) },
      { u: -outward.u, v: -outward.v, at: -deep },
    ]),
  );
}

/** A scoop shallower than half its width: a circular segment. */
function scoopRegion(panel: ResolvedPanel, cut: Extract<PanelCut, { kind: 'notch' }>): { area: number; u: number; v: number } {
  const [chord, deep] = [cut.width / NM_PER.mm, cut.depth / NM_PER.mm];
  const r = scoopRadius(chord, deep);
  const angle = 2 * Math.asin(chord / (2 * r));
  const area = ((r * r) / 2) * (angle - Math.sin(angle));
  const below = chord ** 3 / (12 * area) - (r - deep);
  const outward = outwardOf(panel.outline, cut.edge);
  const start = panel.outline.find(({ id }) => id === cut.edge)!.from;
  const at = cut.at / NM_PER.mm;
  return { area, u: start.u / NM_PER.mm - outward.v * at - outward.u * below, v: start.v / NM_PER.mm + outward.u * at - outward.v * below };
}

/** Radius of the arc over a chord with a given rise. */
export const scoopRadius = (chord: number, rise: number): number => (chord * chord) / (8 * rise) + rise / 2;

function grooveRegion(panel: ResolvedPanel, { edge, from, width, depth }: Extract<PanelCut, { kind: 'edge-groove' }>): Prism {
  const index = panel.outline.findIndex(({ id }) => id === edge);
  const [a, b] = [panel.outline[index]!.from, panel.outline[(index + 1) % panel.outline.length]!.from];
  const outward = outwardOf(panel.outline, edge);
  const run = Math.hypot(b.u - a.u, b.v - a.v) / NM_PER.mm;
  // Square to the edge's face: from the arris along it to the middle of the groove, and in by half its depth.
  const bevel = (panel.outline[index]!.bevel * Math.PI) / 180;
  const [c, s] = [Math.cos(bevel), Math.sin(bevel)];
  const [along, deep] = [from + width / 2, depth / 2];
  const out = along * s - deep * c;
  const middle = (axis: 'u' | 'v'): number => ((a[axis] + b[axis]) / 2 + outward[axis] * out) / NM_PER.mm;
  return { volume: run * (width / NM_PER.mm) * (depth / NM_PER.mm), u: middle('u'), v: middle('v'), w: (along * c + deep * s) / NM_PER.mm };
}

export interface AxisBox {
  readonly u0: number;
  readonly u1: number;
  readonly v0: number;
  readonly v1: number;
  readonly w0: number;
  readonly w1: number;
}

/** What square slots remove, as disjoint boxes (mm): crossings are counted once. */
export function removed(panel: ResolvedPanel): AxisBox[] {
  if (panel.slots.length === 0) return [];
  const cuts = panel.slots.map(({ normal, near, far, from, to, depth, face }) => {
    const across = normal.u === 1;
    const [u0, u1, v0, v1] = across ? [near, far, from, to] : [from, to, near, far];
    return { u0: u0 / NM_PER.mm, u1: u1 / NM_PER.mm, v0: v0 / NM_PER.mm, v1: v1 / NM_PER.mm, depth: depth / NM_PER.mm, face };
  });
  const us = walls(cuts, 'u0', 'u1');
  const vs = walls(cuts, 'v0', 'v1');
  const t = panel.thickness / NM_PER.mm;
  const boxes: AxisBox[] = [];
  // Plain loops: this runs for every panel on every keystroke.
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

/** Sorted starts and ends without duplicates. */
function walls<K extends string>(cuts: readonly Readonly<Record<K, number>>[], from: K, to: K): number[] {
  const all: number[] = [];
  for (const cut of cuts) all.push(cut[from], cut[to]);
  all.sort((a, b) => a - b);
  return all.filter((at, index) => at !== all[index - 1]);
}
