/**
 * What is seen of a unit: outlines of its panels from the front, and where they are cut by an
 * upright plane across the wall. Millimetres in the unit frame; the drawing only scales them.
 */
import { NM_PER } from '../length/length.ts';
import { place, type Panel } from './panel.ts';
import { alongStrip, type ResolvedPanel } from './resolve.ts';
import type { ResolvedUnit } from './unit.ts';
import { vector, type Vector } from './vector.ts';
import { sliceOf } from './volume.ts';

export interface SeenPanel {
  readonly panel: string;
  readonly role: Panel['role'];
  /** Corners in mm: across the drawing, and up. */
  readonly points: readonly (readonly [across: number, up: number])[];
  /** Hidden behind the back: drawn dashed. */
  readonly hidden: boolean;
}

const mmOf = (at: Vector): Vector => vector(at.along / NM_PER.mm, at.up / NM_PER.mm, at.out / NM_PER.mm);

/** Corners of the slab: the reference face's, then the other face's. */
function cornersOf(panel: ResolvedPanel): Vector[] {
  const t = panel.thickness / NM_PER.mm;
  return [0, t].flatMap((depth) =>
    sliceOf(panel.outline, depth).map(({ u, v }) => mmOf(place(panel.frame, { u: u * NM_PER.mm, v: v * NM_PER.mm }, depth * NM_PER.mm))),
  );
}

export interface Bounds {
  readonly low: Vector;
  readonly high: Vector;
}

/** The box a panel stands in, mm. */
export function boundsOf(panel: ResolvedPanel): Bounds {
  const corners = cornersOf(panel);
  const edge = (pick: (...values: number[]) => number): Vector =>
    vector(pick(...corners.map((c) => c.along)), pick(...corners.map((c) => c.up)), pick(...corners.map((c) => c.out)));
  return { low: edge(Math.min), high: edge(Math.max) };
}

/** From the front, the rearmost first. */
export function frontView(unit: ResolvedUnit): SeenPanel[] {
  const back = unit.panels.find(({ role }) => role === 'back');
  const behind = back ? boundsOf(back).low.out : 0;
  return unit.panels
    .map((panel) => ({ panel, bounds: boundsOf(panel) }))
    .sort((a, b) => a.bounds.high.out - b.bounds.high.out || hostsFirst(a.panel, b.panel))
    .map(({ panel, bounds: { low, high } }) => ({
      panel: panel.id,
      role: panel.role,
      points: [
        [low.along, low.up],
        [high.along, low.up],
        [high.along, high.up],
        [low.along, high.up],
      ],
      hidden: (panel.role === 'wall-half' || panel.role === 'cabinet-half' || panel.role === 'spacer') && high.out <= behind + 1e-6,
    }));
}

/** What is let in is drawn over what it is let into: ends in slots show, as they do on the wood. */
const hostsFirst = (a: ResolvedPanel, b: ResolvedPanel): number => b.strips.length - a.strips.length;

/** Cut by the plane at `along` mm: only panels it passes through. Across the drawing is out from the wall. */
export function sectionView(unit: ResolvedUnit, along: number): SeenPanel[] {
  return unit.panels
    .filter((panel) => {
      const { low, high } = boundsOf(panel);
      return low.along < along && along < high.along;
    })
    .sort(hostsFirst)
    .map((panel) => ({ panel: panel.id, role: panel.role, points: cutAcross(panel), hidden: false }));
}

/** The panel's cross-section: along its length (level panels and boards), or along its width (the back). */
function cutAcross(panel: ResolvedPanel): (readonly [number, number])[] {
  const t = panel.thickness / NM_PER.mm;
  const { u } = panel.frame;
  const lengthwise = Math.abs(u.along) > 0.5;
  const span = (depth: number): [number, number] => {
    const slice = sliceOf(panel.outline, depth).map((point) => (lengthwise ? point.v : point.u));
    return [Math.min(...slice), Math.max(...slice)];
  };
  const at = (value: number, depth: number): readonly [number, number] => {
    const point = lengthwise ? { u: 0, v: value * NM_PER.mm } : { u: value * NM_PER.mm, v: 0 };
    const { out, up } = mmOf(place(panel.frame, point, depth * NM_PER.mm));
    return [out, up];
  };
  const [nearAt0, farAt0] = span(0);
  const [nearAtT, farAtT] = span(t);
  const step = lengthwise ? nearRabbet(panel) : undefined;
  if (!step) return [at(nearAt0, 0), at(farAt0, 0), at(farAtT, t), at(nearAtT, t)];
  // The rabbet for the back takes a step out of the rear edge.
  const { width, depth, onReference } = step;
  return onReference
    ? [at(nearAt0, depth), at(nearAt0 + width, depth), at(nearAt0 + width, 0), at(farAt0, 0), at(farAtT, t), at(nearAtT, t)]
    : [at(nearAt0, 0), at(farAt0, 0), at(farAtT, t), at(nearAtT + width, t), at(nearAtT + width, t - depth), at(nearAtT, t - depth)];
}

function nearRabbet(panel: ResolvedPanel): { width: number; depth: number; onReference: boolean } | undefined {
  const strip = panel.strips.find(({ kind, normal }) => kind === 'rabbet' && alongStrip(normal).u === 1);
  return strip ? { width: (strip.far - strip.near) / NM_PER.mm, depth: strip.depth / NM_PER.mm, onReference: strip.face === 'reference' } : undefined;
}
