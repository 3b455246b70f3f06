/**
 * Views of a cabinet: its panels from five sides, or in a level or upright section. Millimeters in the drawing: across to the right, up. The same bodies as
 * in 3D (convex.ts); the drawing only scales them.
 */
import polygonClipping, { type Pair, type Polygon } from 'polygon-clipping';
import { NM_PER } from '../length/length.ts';
import { cornersOf, cutThrough, piecesOf, slabOf } from './convex.ts';
import { place, type PanelCut, type Panel } from './panel.ts';
import { hullOf } from './polygon.ts';
import type { ResolvedPanel } from './resolve.ts';
import type { ResolvedCabinet } from './cabinet.ts';
import { vector, type Vector } from './vector.ts';
import { scoopRadius } from './volume.ts';

export type DrawnPoint = readonly [across: number, up: number];

/** The side a cabinet is seen from; the plan looks down, with the wall at the top. */
export type ViewId = 'front' | 'back' | 'left' | 'right' | 'plan';

export type SectionAxis = 'along' | 'up' | 'out';

export interface SeenPanel {
  readonly panel: string;
  readonly role: Panel['role'];
  readonly points: readonly DrawnPoint[];
  /** Further outlines of the same section: holes in it, or separate pieces. */
  readonly others: readonly (readonly DrawnPoint[])[];
  /** Visible holes. */
  readonly holes: readonly { readonly at: DrawnPoint; readonly radius: number }[];
  /** Hidden behind the back: dashed. */
  readonly hidden: boolean;
}

export interface Bounds {
  readonly low: Vector;
  readonly high: Vector;
}

export function boundsOfCorners(corners: readonly Vector[]): Bounds {
  const low = { along: Infinity, up: Infinity, out: Infinity };
  const high = { along: -Infinity, up: -Infinity, out: -Infinity };
  // Runs on every keystroke for every panel: no loop over axis names.
  for (const { along, up, out } of corners) {
    if (along < low.along) low.along = along;
    if (along > high.along) high.along = along;
    if (up < low.up) low.up = up;
    if (up > high.up) high.up = up;
    if (out < low.out) low.out = out;
    if (out > high.out) high.out = out;
  }
  return { low, high };
}

/** Memoized: drawings, clashes and checks ask for the same box. */
const known = new WeakMap<ResolvedPanel, Bounds>();

/** Bounding box of a panel, mm. */
export function boundsOf(panel: ResolvedPanel): Bounds {
  const before = known.get(panel);
  if (before) return before;
  const { low, high } = cornersOf(panel);
  const bounds = boundsOfCorners([...low, ...high]);
  known.set(panel, bounds);
  return bounds;
}

/** Best position of a section across the wall, mm from the left: through the middle of the first space, not through a divider or a free stretch. */
export function sectionPlane({ compartments, outside }: Pick<ResolvedCabinet, 'compartments' | 'outside'>): number {
  const [first] = compartments;
  return first ? (first.at.along + first.width.value / 2) / 1e6 : outside.width.value / 2e6;
}

/** Distance from a notch, mm. */
const BESIDE_NOTCH_MM = 5;

/** Best section through the hook: through a bracket where the cabinet cleat is cut into them, and clear of a notch in the wall cleat. */
export function hookPlane(cabinet: Pick<ResolvedCabinet, 'compartments' | 'outside' | 'hanging' | 'byId'>): number {
  const { brackets, notch } = cabinet.hanging;
  const { low, high } = boundsOf(cabinet.byId.get(brackets[0]!)!);
  const at = brackets.length > 1 ? (low.along + high.along) / 2 : sectionPlane(cabinet);
  if (!notch || at < notch.from / 1e6 || at > notch.to / 1e6) return at;
  const before = notch.from / 1e6 - BESIDE_NOTCH_MM;
  return before > low.along ? before : notch.to / 1e6 + BESIDE_NOTCH_MM;
}

/** Bounding box of everything that hangs, mm. */
export function boundsOfCabinet({ panels }: Pick<ResolvedCabinet, 'panels'>): Bounds {
  return boundsOfCorners(
    panels
      .filter(({ onWall }) => !onWall)
      .map(boundsOf)
      .flatMap(({ low, high }) => [low, high]),
  );
}

/** How a view lays the cabinet on the paper, and the order of depth. */
const VIEWS: Readonly<Record<ViewId, { readonly axis: SectionAxis; readonly nearIsHigh: boolean; readonly on: (at: Vector) => DrawnPoint }>> = {
  front: { axis: 'out', nearIsHigh: true, on: ({ along, up }) => [along, up] },
  back: { axis: 'out', nearIsHigh: false, on: ({ along, up }) => [-along + 0, up] },
  left: { axis: 'along', nearIsHigh: false, on: ({ out, up }) => [out, up] },
  right: { axis: 'along', nearIsHigh: true, on: ({ out, up }) => [-out + 0, up] },
  plan: { axis: 'up', nearIsHigh: true, on: ({ along, out }) => [along, -out + 0] },
};

/** From one side, farthest first. The back and right views are mirrored: across runs as the eye has it. */
export function viewFrom(cabinet: ResolvedCabinet, view: ViewId): SeenPanel[] {
  const { axis, nearIsHigh, on } = VIEWS[view];
  const back = cabinet.panels.find(({ role }) => role === 'back');
  const behind = back ? boundsOf(back).low.out : 0;
  return cabinet.panels
    .map((panel) => {
      const { low: face, high: other } = cornersOf(panel);
      const { low, high } = boundsOf(panel);
      return { panel, corners: [...face, ...other], high, nearest: nearIsHigh ? high[axis] : -low[axis] };
    })
    .sort((a, b) => a.nearest - b.nearest || hostsFirst(a.panel, b.panel))
    .map(({ panel, corners, high }) => ({
      panel: panel.id,
      role: panel.role,
      points: hullOf(corners.map((corner) => ({ u: on(corner)[0], v: on(corner)[1] }))).map(({ u, v }) => [u, v] as const),
      others: notchesSeen(panel, axis, on),
      holes: holesSeen(panel, axis, nearIsHigh ? 1 : -1, on),
      hidden: view === 'front' && (panel.role === 'wall-half' || panel.role === 'cabinet-half' || panel.role === 'spacer') && high.out <= behind + 1e-6,
    }));
}

/** From the front, rearmost first. */
export const frontView = (cabinet: ResolvedCabinet): SeenPanel[] => viewFrom(cabinet, 'front');

/** Inset parts are drawn over their hosts: ends in slots show, as they do on the wood. */
const hostsFirst = (a: ResolvedPanel, b: ResolvedPanel): number => b.slots.length - a.slots.length;

const pointOf = ({ frame }: ResolvedPanel, u: number, v: number): Vector => {
  const { along, up, out } = place(frame, { u, v });
  return vector(along / NM_PER.mm, up / NM_PER.mm, out / NM_PER.mm);
};

type On = (at: Vector) => DrawnPoint;

/** Holes show where the panel is nearly parallel to the view, on the visible face or through it. */
function holesSeen(panel: ResolvedPanel, axis: SectionAxis, towards: 1 | -1, on: On): SeenPanel['holes'] {
  const looks = panel.frame.w[axis] * towards;
  if (Math.abs(looks) < 0.8) return [];
  return panel.cuts.flatMap((cut) =>
    cut.kind === 'holes' && (cut.depth === null || (cut.face === 'other' ? looks > 0 : looks < 0))
      ? Array.from({ length: cut.count }, (_, k) => ({
          at: on(pointOf(panel, cut.at.u + cut.step.u * k, cut.at.v + cut.step.v * k)),
          radius: cut.diameter / 2 / NM_PER.mm,
        }))
      : [],
  );
}

/** Segments of a half circle at the end of a notch, in drawings only. */
const ROUND_STEPS = 10;

function notchesSeen(panel: ResolvedPanel, axis: SectionAxis, on: On): SeenPanel['others'] {
  if (Math.abs(panel.frame.w[axis]) < 0.5) return [];
  return panel.cuts.flatMap((cut) => (cut.kind === 'notch' ? [notchOutline(panel, cut).map(([u, v]) => on(pointOf(panel, u, v)))] : []));
}

/** A notch's outline in the panel's plane, nm. */
export function notchOutline(panel: ResolvedPanel, cut: Extract<PanelCut, { kind: 'notch' }>): [number, number][] {
  const index = panel.outline.findIndex(({ id }) => id === cut.edge);
  const from = panel.outline[index]!.from;
  const to = panel.outline[(index + 1) % panel.outline.length]!.from;
  const run = Math.hypot(to.u - from.u, to.v - from.v);
  const [au, av] = [(to.u - from.u) / run, (to.v - from.v) / run];
  const at = (along: number, deep: number): [number, number] => [from.u + au * along - av * deep, from.v + av * along + au * deep];
  const [low, high] = [cut.at - cut.width / 2, cut.at + cut.width / 2];
  if (!cut.round) return [at(low, 0), at(low, cut.depth), at(high, cut.depth), at(high, 0)];
  if (cut.depth < cut.width / 2) {
    const radius = scoopRadius(cut.width, cut.depth);
    const half = Math.asin(cut.width / (2 * radius));
    return Array.from({ length: ROUND_STEPS + 1 }, (_, k) => {
      const angle = -half + (2 * half * k) / ROUND_STEPS;
      return at(cut.at + radius * Math.sin(angle), cut.depth - radius + radius * Math.cos(angle));
    });
  }
  const r = cut.width / 2;
  const arc = Array.from({ length: ROUND_STEPS + 1 }, (_, k) => {
    const angle = (Math.PI * k) / ROUND_STEPS;
    return at(cut.at - r * Math.cos(angle), cut.depth - r + r * Math.sin(angle));
  });
  return [at(low, 0), ...arc, at(high, 0)];
}

/** How a section lies on the paper: seen along the axis from its high end, an upright section across the wall from the left. */
const SECTIONS: Readonly<Record<SectionAxis, On>> = {
  along: ({ out, up }) => [out, up],
  up: ({ along, out }) => [along, -out + 0],
  out: ({ along, up }) => [along, up],
};

/** Section by the plane `axis` = `at` mm: only panels it passes through, without what was cut out of them. */
export function sectionAt(cabinet: ResolvedCabinet, axis: SectionAxis, at: number): SeenPanel[] {
  const on = SECTIONS[axis];
  const plane = { normal: vector(axis === 'along' ? 1 : 0, axis === 'up' ? 1 : 0, axis === 'out' ? 1 : 0), at };
  return cabinet.panels
    .flatMap((panel) => {
      const { low, high } = boundsOf(panel);
      if (low[axis] >= at || high[axis] <= at) return [];
      const bodies = panel.slots.length + panel.cuts.length === 0 ? [slabOf(panel)] : piecesOf(panel);
      const rings = united(bodies.map((body) => cutThrough(body, plane).map(on)).filter((ring) => ring.length > 2));
      return rings.length === 0 ? [] : [{ panel, rings }];
    })
    .sort((a, b) => hostsFirst(a.panel, b.panel))
    .map(({ panel, rings: [points, ...others] }) => ({ panel: panel.id, role: panel.role, points: points!, others, holes: [], hidden: false }));
}

/** Section by the upright plane across the wall at `along` mm. Across the drawing is out from the wall. */
export const sectionView = (cabinet: ResolvedCabinet, along: number): SeenPanel[] => sectionAt(cabinet, 'along', along);

/** Pieces are rounded to a ten-thousandth of a millimeter, so that common edges coincide. */
const fine = (value: number): number => Math.round(value * 1e4) / 1e4;

/** Rings of a panel's pieces as one outline with holes. */
export function united(rings: readonly (readonly DrawnPoint[])[]): DrawnPoint[][] {
  if (rings.length < 2) return rings.map((ring) => [...ring]);
  const polygons = rings.map((ring): Polygon => [ring.map(([x, y]): Pair => [fine(x), fine(y)])]);
  return polygonClipping.union(polygons[0]!, ...polygons.slice(1)).flatMap((polygon) => polygon.map((ring) => ring.slice(0, -1)));
}
