/** Cuts a panel has no room for: a notch that takes all of it or runs off its end, a hole beside the wood. */
import polygonClipping, { type Polygon } from 'polygon-clipping';
import { NM_PER, type Length } from '../length/length.ts';
import { notchFrame } from './convex.ts';
import type { PanelCut, EdgeId, Face, HolePurpose, PanelPoint } from './panel.ts';
import type { ResolvedPanel } from './resolve.ts';
import { isFace } from './connection.ts';
import { notchOutline } from './views.ts';

/** A row of holes in a face of a panel: its own, or its fasteners'. */
export interface HoleRow {
  readonly on: Face | EdgeId;
  readonly at: PanelPoint;
  readonly step: PanelPoint;
  readonly count: number;
  readonly diameter: Length;
  readonly purpose: HolePurpose;
}

export interface CutFault {
  /** `parted`: the panel is cut in two, or nothing is left. `off-end`: a round notch runs past its edge. */
  readonly kind: 'parted' | 'off-end' | 'into-another' | 'hole-off';
  /** Of a hole; null for a notch. */
  readonly purpose: HolePurpose | null;
}

/** Least wood beside a hole's rim, or between two notches, mm. [A] */
const RIM_MM = 0.5;

/**
 * Impossible cuts of a panel, the first of each kind and purpose.
 * @param holes rows in its faces beside its own cuts, in the panel's (u, v), nm
 */
export function cutFaults(panel: ResolvedPanel, holes: readonly HoleRow[]): CutFault[] {
  const faults = new Map<string, CutFault>();
  const add = (kind: CutFault['kind'], purpose: HolePurpose | null = null): void => void faults.set(`${kind} ${purpose}`, { kind, purpose });
  if (panel.cuts.length === 0 && holes.length === 0) return [];
  const notches = panel.cuts.filter((cut) => cut.kind === 'notch');
  const outline: Polygon = [panel.outline.map(({ from }): [number, number] => [from.u / NM_PER.mm, from.v / NM_PER.mm])];
  for (const cut of notches) {
    if (cut.round && overrunMm(panel, cut) > RIM_MM) add('off-end');
    for (const other of notches) if (other !== cut && other.edge === cut.edge && gapMm(cut, other) < RIM_MM && (cut.round || other.round)) add('into-another');
  }
  let left: Polygon[] = [outline];
  for (const cut of notches) {
    left = polygonClipping.difference(left, [mouthOf(panel, cut)]);
    if (left.length !== 1) {
      add('parted');
      break;
    }
  }
  if (left.length !== 1) return [...faults.values()];
  const rows: HoleRow[] = [...panel.cuts.flatMap((cut) => (cut.kind === 'holes' ? [{ ...cut, on: cut.face }] : [])), ...holes];
  for (const row of rows) {
    if (!isFace(row.on)) continue;
    const r = row.diameter / 2 / NM_PER.mm;
    for (let n = 0; n < row.count; n++) {
      const spot: [number, number] = [(row.at.u + n * row.step.u) / NM_PER.mm, (row.at.v + n * row.step.v) / NM_PER.mm];
      if (roomAbout(left[0]!, spot) < r + RIM_MM) add('hole-off', row.purpose);
    }
  }
  return [...faults.values()];
}

type Notch = Extract<PanelCut, { kind: 'notch' }>;

/** How far a notch runs past the ends of its edge. */
function overrunMm({ outline }: ResolvedPanel, { edge, at, width }: Notch): number {
  const index = outline.findIndex(({ id }) => id === edge);
  const [from, to] = [outline[index]!.from, outline[(index + 1) % outline.length]!.from];
  const run = Math.hypot(to.u - from.u, to.v - from.v);
  return Math.max(width / 2 - at, at + width / 2 - run) / NM_PER.mm;
}

const gapMm = (a: Notch, b: Notch): number => (Math.abs(a.at - b.at) - (a.width + b.width) / 2) / NM_PER.mm;

/** The ring a notch removes, extended past the edge it opens at, mm. */
function mouthOf(panel: ResolvedPanel, cut: Notch): [number, number][] {
  const { inward } = notchFrame(panel, cut.edge);
  const ring = notchOutline(panel, cut).map(([u, v]): [number, number] => [u / NM_PER.mm, v / NM_PER.mm]);
  const out = ([u, v]: [number, number]): [number, number] => [u - inward.u, v - inward.v];
  return [out(ring[0]!), ...ring, out(ring.at(-1)!)];
}

/**
 * Signed distance of a point inside a polygon with holes, mm; negative outside. Runs on every keystroke for every hole: allocates nothing, and takes one
 * root.
 */
function roomAbout(rings: Polygon, [x, y]: [number, number]): number {
  let inside = false;
  let nearest = Infinity;
  for (const ring of rings) {
    let [ax, ay] = ring.at(-1)!;
    for (const [bx, by] of ring) {
      if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
      const [du, dv] = [bx - ax, by - ay];
      const long = du * du + dv * dv;
      const share = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * du + (y - ay) * dv) / long));
      const [u, v] = [x - ax - share * du, y - ay - share * dv];
      nearest = Math.min(nearest, u * u + v * v);
      [ax, ay] = [bx, by];
    }
  }
  return inside ? Math.sqrt(nearest) : -Math.sqrt(nearest);
}
