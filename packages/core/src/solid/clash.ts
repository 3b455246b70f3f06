/** Clashes: panels that interpenetrate outside their joints, a sizing mistake no single sum shows. */
import { intersection, piecesOf, slabOf, volumeOf, type ConvexBody } from './convex.ts';
import type { ResolvedPanel } from './resolve.ts';
import type { ResolvedCabinet } from './cabinet.ts';
import { boundsOf, boundsOfCorners, type Bounds } from './views.ts';
import { cross, dot, plusVector, scale } from './vector.ts';
import { AUDIT_TOLERANCE, NM_PER } from '../length/length.ts';

/** Accuracy of tilted geometry, mm: less is a touch. */
export const AUDIT_TOLERANCE_MM = AUDIT_TOLERANCE / NM_PER.mm;

type Axis = 'along' | 'up' | 'out';

export interface Clash {
  readonly a: string;
  readonly b: string;
  /** Penetration along each axis, mm. */
  readonly apart: Readonly<Record<Axis, number>>;
}

/** Runs on every keystroke for every pair of panels, so it allocates nothing. */
const free = ({ low: a0, high: a1 }: Bounds, { low: b0, high: b1 }: Bounds): boolean =>
  a0.along > b1.along - AUDIT_TOLERANCE_MM ||
  b0.along > a1.along - AUDIT_TOLERANCE_MM ||
  a0.up > b1.up - AUDIT_TOLERANCE_MM ||
  b0.up > a1.up - AUDIT_TOLERANCE_MM ||
  a0.out > b1.out - AUDIT_TOLERANCE_MM ||
  b0.out > a1.out - AUDIT_TOLERANCE_MM;

/** A body thinner than the tolerance touches rather than overlaps. */
function isOverlap(body: ConvexBody): boolean {
  const { volume } = volumeOf(body);
  const area = body.reduce((sum, face) => sum + areaOf(face), 0);
  return area > 0 && (2 * volume) / area > AUDIT_TOLERANCE_MM;
}

function areaOf(face: ConvexBody[number]): number {
  let sum = 0;
  for (let index = 1; index + 1 < face.length; index++) {
    const turn = cross(plusVector(face[index]!, scale(face[0]!, -1)), plusVector(face[index + 1]!, scale(face[0]!, -1)));
    sum += Math.sqrt(dot(turn, turn)) / 2;
  }
  return sum;
}

interface ClashPiece {
  readonly body: ConvexBody;
  readonly bounds: Bounds;
}

/** Pairs that clash. `met` skips pairs with a connection: their joint is right by construction. */
export function clashesOf({ panels, connections }: Pick<ResolvedCabinet, 'panels' | 'connections'>, met: 'looked at' | 'left out' = 'left out'): Clash[] {
  const meets = new Map<string, Set<string>>();
  if (met === 'left out')
    for (const { guest, host } of connections)
      for (const [one, other] of [
        [guest, host],
        [host, guest],
      ] as const) {
        const others = meets.get(one);
        if (others) others.add(other);
        else meets.set(one, new Set([other]));
      }
  const rows = panels.map((panel) => ({ panel, bounds: boundsOf(panel) }));
  const slabs = new Map<string, ConvexBody>();
  const slab = (panel: ResolvedPanel): ConvexBody => {
    const known = slabs.get(panel.id) ?? slabOf(panel);
    slabs.set(panel.id, known);
    return known;
  };
  const memory = new Map<string, readonly ClashPiece[]>();
  const pieces = (panel: ResolvedPanel): readonly ClashPiece[] => {
    const known = memory.get(panel.id) ?? piecesOf(panel).map((body) => ({ body, bounds: boundsOfCorners(body.flat()) }));
    memory.set(panel.id, known);
    return known;
  };
  const found: Clash[] = [];
  rows.forEach((a, index) => {
    for (let next = index + 1; next < rows.length; next++) {
      const b = rows[next]!;
      if (free(a.bounds, b.bounds) || meets.get(a.panel.id)?.has(b.panel.id) || (met === 'left out' && areHalves(a.panel, b.panel))) continue;
      const whole = intersection(slab(a.panel), slab(b.panel));
      if (!whole || !isOverlap(whole)) continue;
      const hit = pieces(a.panel).some((one) =>
        pieces(b.panel).some((other) => {
          // Most pieces of two panels are far apart.
          if (free(one.bounds, other.bounds)) return false;
          const both = intersection(one.body, other.body);
          return both !== null && isOverlap(both);
        }),
      );
      if (hit) found.push({ a: a.panel.id, b: b.panel.id, apart: apartBy(a.bounds, b.bounds) });
    }
  });
  return found;
}

/** The two halves of one cleat are ripped from one board and lie on one another's bevel. An upper and a lower cleat do not. */
const areHalves = (a: ResolvedPanel, b: ResolvedPanel): boolean =>
  ((a.role === 'wall-half' && b.role === 'cabinet-half') || (a.role === 'cabinet-half' && b.role === 'wall-half')) && isLower(a) === isLower(b);

const isLower = ({ id }: ResolvedPanel): boolean => id.endsWith('/lower');

function apartBy(a: Bounds, b: Bounds): Clash['apart'] {
  const by = (axis: Axis): number => Math.min(a.high[axis] - b.low[axis], b.high[axis] - a.low[axis]);
  return { along: by('along'), up: by('up'), out: by('out') };
}
