/** Features of a blank for readers: each cut measured from a named end or edge. */
import { NM_PER, ZERO, type Length } from '../length/length.ts';
import type { Drilled } from '../joints/drilling.ts';
import { notchFrame } from '../solid/convex.ts';
import { isFace } from '../solid/connection.ts';
import { extentOf, type HolePurpose, type PanelCut, type PanelEdge, type PanelPoint, type RectEdge } from '../solid/panel.ts';
import { alongStrip, type ResolvedPanel } from '../solid/resolve.ts';
import { sliceOf } from '../solid/volume.ts';
import type { Label } from '../explained/explained-length.ts';

/** A cut into a blank, measured from a named end or edge, so that mirrored twins read the same numbers. */
export interface Feature {
  readonly kind: 'dado' | 'groove' | 'rabbet' | 'bevel-rip' | 'edge-bevel' | 'slant' | 'holes' | 'notch';
  readonly face: 'reference' | 'other' | 'edge';
  /** Measured from this end (across the length) or edge (along it). */
  readonly from: RectEdge;
  /** To the near side of the cut; to the middle of a hole or notch; to the start of a slant. */
  readonly at: Length;
  /** Across the cut; the diameter of a hole; for a slant, the offset of its other end. */
  readonly width: Length;
  readonly depth: Length;
  readonly play: Length;
  /** Blade tilt from square, for bevels. */
  readonly tiltDeg: number;
  /** The panel that goes in; '' for none. */
  readonly guest: string;
  /** Off square: where the same side of a tilted slot, or the other end of a slant, crosses the opposite edge. */
  readonly atOpposite?: Length;
  readonly angleDeg?: number;
  /** A stopped square slot: at which edges, and how far from each. */
  readonly stops?: readonly { readonly edge: RectEdge; readonly at: Length }[];
  /** Length of a stopped tilted slot from its open edge; position of a hole across `at`. */
  readonly across?: { readonly from: RectEdge; readonly at: Length };
  /** A slanted slot stopped at both ends: its distance from this edge, square to it. */
  readonly clear?: { readonly from: RectEdge; readonly at: Length };
  /** A row: number, and step. */
  readonly count?: number;
  readonly pitch?: Length;
  readonly through?: boolean;
  readonly round?: boolean;
  readonly purpose?: HolePurpose;
  readonly reason?: Label;
}

/** The rectangle a panel is sawn from, in the panel's own (u, v). */
export interface BlankBox {
  readonly u0: number;
  readonly v0: number;
  readonly u1: number;
  readonly v1: number;
  /** Allowance for bevels that extend beyond the reference face. */
  readonly grownLength: number;
  readonly grownWidth: number;
  /** A rectangle with square edges: only joints are cut into the blank. */
  readonly plain: boolean;
}

export function blankBox(panel: ResolvedPanel): BlankBox {
  const u = extentOf(panel.outline, 'u');
  const v = extentOf(panel.outline, 'v');
  const bevelled = panel.outline.some(({ bevel }) => bevel !== 0);
  const box = { u0: u.from, v0: v.from, u1: u.to, v1: v.to, grownLength: 0, grownWidth: 0, plain: !bevelled && isSquare(panel.outline) };
  if (!bevelled) return box;
  const other = sliceOf(panel.outline, panel.thickness / NM_PER.mm);
  const us = other.map((point) => Math.round(point.u * NM_PER.mm));
  const vs = other.map((point) => Math.round(point.v * NM_PER.mm));
  const grown = { u0: Math.min(u.from, ...us), v0: Math.min(v.from, ...vs), u1: Math.max(u.to, ...us), v1: Math.max(v.to, ...vs) };
  return { ...box, ...grown, grownLength: grown.u1 - grown.u0 - (u.to - u.from), grownWidth: grown.v1 - grown.v0 - (v.to - v.from) };
}

const isSquare = (outline: readonly PanelEdge[]): boolean =>
  outline.length === 4 &&
  outline.every(({ from }, index) => {
    const next = outline[(index + 1) % 4]!.from;
    return Math.abs(from.u - next.u) < 1 || Math.abs(from.v - next.v) < 1;
  });

export function featuresOf(panel: ResolvedPanel, box: BlankBox, drilled: readonly Drilled[] = []): Feature[] {
  return [
    ...panel.slots.map((slot) => stripFeature(slot, box)),
    ...outlineFeatures(panel, box),
    ...panel.cuts.map((cut) => cutFeature(panel, cut, box)),
    ...drilled.map((row) => drilledFeature(panel, row, box)),
  ];
}

/** Fastener holes: in a face from two edges, in an edge from its start. */
function drilledFeature(panel: ResolvedPanel, { on, at, step, count, diameter, depth, purpose, reason }: Drilled, box: BlankBox): Feature {
  const base = {
    count,
    pitch: Math.round(Math.hypot(step.u, step.v)) as Length,
    width: diameter,
    depth: depth ?? panel.thickness,
    through: depth === null,
    purpose,
    reason,
  };
  if (isFace(on)) {
    const lengthwise = Math.abs(step.u) > Math.abs(step.v);
    const u = Math.round(Math.min(at.u, at.u + step.u * (count - 1)) - box.u0) as Length;
    const v = Math.round(Math.min(at.v, at.v + step.v * (count - 1)) - box.v0) as Length;
    return lengthwise
      ? { ...PLAIN, ...base, kind: 'holes', face: on, from: 'start', at: u, across: { from: 'near', at: v } }
      : { ...PLAIN, ...base, kind: 'holes', face: on, from: 'near', at: v, across: { from: 'start', at: u } };
  }
  const along = on === 'near' || on === 'far';
  const first = along ? Math.min(at.u, at.u + step.u * (count - 1)) - box.u0 : Math.min(at.v, at.v + step.v * (count - 1)) - box.v0;
  const named: RectEdge = on === 'start' || on === 'end' || on === 'near' || on === 'far' ? on : 'near';
  return { ...PLAIN, ...base, kind: 'holes', face: 'edge', from: along ? 'start' : 'near', at: Math.round(first) as Length, across: { from: named, at: ZERO } };
}

const PLAIN = { play: ZERO, tiltDeg: 0, guest: '' } as const;

function stripFeature(slot: ResolvedPanel['slots'][number], box: BlankBox): Feature {
  const { normal, near, far, from, to, stoppedAt } = slot;
  const crosses = Math.abs(normal.u) >= Math.abs(normal.v);
  const square = normal.u === 1 || normal.v === 1;
  const base = {
    kind: slot.kind,
    face: slot.face,
    from: crosses ? ('start' as const) : ('near' as const),
    width: Math.round(far - near) as Length,
    depth: slot.depth,
    play: slot.play,
    tiltDeg: 0,
    guest: slot.guest,
  };
  if (square) {
    const [least, most] = crosses ? [box.u0, box.u1] : [box.v0, box.v1];
    // A rabbet's play lies beyond the blank's end: only the cut inside the blank is read.
    const [a, b] = [Math.max(near, least), Math.min(far, most)];
    const square = { ...base, at: (a - least) as Length, width: Math.round(b - a) as Length };
    if (!stoppedAt || !(stoppedAt.from || stoppedAt.to)) return square;
    const [low, high] = crosses ? [box.v0, box.v1] : [box.u0, box.u1];
    const [lowEdge, highEdge]: readonly [RectEdge, RectEdge] = crosses ? ['near', 'far'] : ['start', 'end'];
    const stops = [
      ...(stoppedAt.from ? [{ edge: lowEdge, at: Math.round(from - low) as Length }] : []),
      ...(stoppedAt.to ? [{ edge: highEdge, at: Math.round(high - to) as Length }] : []),
    ];
    return { ...square, stops };
  }
  // Tilted: marked where its lower side crosses the two edges.
  const [v0, v1] = [box.v0, box.v1];
  const crossing = (v: number): number => (near - normal.v * v) / normal.u - box.u0;
  const other = (u: number): number => (near - normal.u * u) / normal.v - box.v0;
  const [here, there] = crosses ? [crossing(v1), crossing(v0)] : [other(box.u0), other(box.u1)];
  const run = alongStrip(normal);
  return {
    ...base,
    at: Math.round(here) as Length,
    atOpposite: Math.round(there) as Length,
    angleDeg: degrees(Math.atan2(Math.abs(crosses ? run.u : run.v), Math.abs(crosses ? run.v : run.u))),
    ...(stoppedAt && (stoppedAt.from || stoppedAt.to)
      ? { across: { from: openEdge(crosses, crosses ? run.v : run.u, stoppedAt.from), at: Math.round(to - from) as Length } }
      : {}),
    ...(stoppedAt?.from && stoppedAt.to ? { clear: clearOf(slot, box, crosses, run) } : {}),
  };
}

/** The edge further away: at the other it runs out into another cut. */
function clearOf(
  { normal, near, far, from, to }: ResolvedPanel['slots'][number],
  box: BlankBox,
  crosses: boolean,
  run: PanelPoint,
): NonNullable<Feature['clear']> {
  const axis = crosses ? 'v' : 'u';
  const reach = [near, far].flatMap((across) => [from, to].map((along) => normal[axis] * across + run[axis] * along));
  const [low, high] = crosses ? [box.v0, box.v1] : [box.u0, box.u1];
  const [free, beyond] = [Math.min(...reach) - low, high - Math.max(...reach)];
  const [lowEdge, highEdge] = crosses ? (['near', 'far'] as const) : (['start', 'end'] as const);
  return free > beyond ? { from: lowEdge, at: Math.round(free) as Length } : { from: highEdge, at: Math.round(beyond) as Length };
}

/** Where a slanted slot with one stopped end runs out. */
function openEdge(crosses: boolean, towards: number, stopsLow: boolean): RectEdge {
  const [low, high] = crosses ? (['near', 'far'] as const) : (['start', 'end'] as const);
  return towards > 0 === stopsLow ? high : low;
}

const degrees = (radians: number): number => (radians * 180) / Math.PI;

/** Beveled edges, and outline sides that run neither along nor across the blank. */
function outlineFeatures({ outline, thickness }: ResolvedPanel, box: BlankBox): Feature[] {
  if (box.plain) return [];
  return outline.flatMap(({ id, from: a, bevel }, index): Feature[] => {
    const b = outline[(index + 1) % outline.length]!.from;
    const found: Feature[] = [];
    const side: RectEdge = id === 'start' || id === 'end' || id === 'near' || id === 'far' ? id : 'near';
    if (Math.abs(bevel) > 1e-9)
      found.push({
        ...PLAIN,
        kind: 'edge-bevel',
        face: bevel > 0 ? 'reference' : 'other',
        from: side,
        at: ZERO,
        width: ZERO,
        depth: thickness,
        tiltDeg: Math.abs(bevel),
      });
    const [du, dv] = [b.u - a.u, b.v - a.v];
    if (Math.abs(du) > 1 && Math.abs(dv) > 1) {
      const [low, high] = a.v <= b.v ? [a, b] : [b, a];
      found.push({
        ...PLAIN,
        kind: 'slant',
        face: 'edge',
        from: 'start',
        at: Math.round(low.u - box.u0) as Length,
        atOpposite: Math.round(high.u - box.u0) as Length,
        width: Math.round(high.v - low.v) as Length,
        depth: thickness,
        across: { from: 'near', at: Math.round(low.v - box.v0) as Length },
        angleDeg: degrees(Math.atan2(Math.abs(du), Math.abs(dv))),
      });
    }
    return found;
  });
}

function cutFeature(panel: ResolvedPanel, cut: PanelCut, box: BlankBox): Feature {
  if (cut.kind === 'holes') {
    const lengthwise = Math.abs(cut.step.u) >= Math.abs(cut.step.v);
    const depth = cut.depth ?? panel.thickness;
    return {
      ...PLAIN,
      kind: 'holes',
      face: cut.face,
      from: lengthwise ? 'start' : 'near',
      at: Math.round(lengthwise ? cut.at.u - box.u0 : cut.at.v - box.v0) as Length,
      across: lengthwise ? { from: 'near', at: Math.round(cut.at.v - box.v0) as Length } : { from: 'start', at: Math.round(cut.at.u - box.u0) as Length },
      width: cut.diameter,
      depth,
      through: cut.depth === null,
      count: cut.count,
      pitch: Math.round(Math.hypot(cut.step.u, cut.step.v)) as Length,
      purpose: cut.purpose,
      reason: cut.reason,
    };
  }
  if (cut.kind === 'edge-groove')
    return {
      ...PLAIN,
      kind: 'groove',
      face: 'edge',
      from: cut.edge as RectEdge,
      at: cut.from,
      width: cut.width,
      depth: cut.depth,
      guest: cut.guest,
      tiltDeg: Math.abs(panel.outline.find(({ id }) => id === cut.edge)!.bevel),
    };
  const { from, along } = notchFrame(panel, cut.edge);
  const lengthwise = Math.abs(along.u) >= Math.abs(along.v);
  const at = lengthwise ? from.u + along.u * cut.at - box.u0 : from.v + along.v * cut.at - box.v0;
  return {
    ...PLAIN,
    kind: 'notch',
    face: 'edge',
    from: lengthwise ? 'start' : 'near',
    at: Math.round(at) as Length,
    across: { from: cut.edge as RectEdge, at: ZERO },
    width: cut.width,
    depth: cut.depth,
    round: cut.round,
    through: true,
    reason: cut.reason,
  };
}
