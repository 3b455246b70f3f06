/**
 * Holes for the fasteners of joints, in both panels. Their fasteners fill them, so they take nothing from a panel's weight or body; the cut list and the
 * drawings read them.
 */
import { NM_PER, toMm, type Length } from '../length/length.ts';
import { isFace, type Fastening, type Connection } from '../solid/connection.ts';
import { type HolePurpose, outwardOf, place, type EdgeId, type Face, type Panel, type PanelPoint } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { dot, minusVector, type Vector } from '../solid/vector.ts';
import type { Label } from '../explained/explained-length.ts';
import { screwById } from './screws.ts';

/** A row of equal holes in one face or edge of a panel. */
export interface Drilled {
  /** Their connection. */
  readonly connection: string;
  readonly panel: string;
  /** An edge is drilled in the middle of its thickness. */
  readonly on: Face | EdgeId;
  /** In the panel's own (u, v): the first, and the step to the next. */
  readonly at: PanelPoint;
  readonly step: PanelPoint;
  readonly count: number;
  readonly diameter: Length;
  /** Null goes through. */
  readonly depth: Length | null;
  readonly purpose: HolePurpose;
  readonly reason: Label;
}

/** Distance of the outermost fasteners from the ends of a joint; less where it is short. [ASSUME] */
export const END_IN_MM = 40;
/** Position of a pocket from the guest's end on its face, and its width. [ASSUME] drilled at 15 degrees for 18 mm */
const POCKET = { inMm: 38, acrossMm: 9.5 } as const;
/** A dowel, and how much deeper its two holes are together than its length. [ASSUME] */
export const DOWEL = { acrossMm: 8, playMm: 2 } as const;
/** Pilot holes are 9/10 of the root in hard wood and sheet goods. [NDS 12.1.5] */
const PILOT_SHARE = 0.9;

/** Positions of n fasteners along a joint of this length, mm. */
export function fastenersAlong(lengthMm: number, count: number): number[] {
  if (count === 1) return [lengthMm / 2];
  const end = Math.min(END_IN_MM, lengthMm / (2 * count));
  return Array.from({ length: count }, (_, k) => end + (k * (lengthMm - 2 * end)) / (count - 1));
}

const drilledIn = new WeakMap<
  readonly Connection[],
  { readonly byId: ReadonlyMap<string, ResolvedPanel>; readonly all: ReadonlyMap<string, readonly Drilled[]> }
>();

/** All fastener holes of a cabinet, by panel. Memoized: parts, checks and drawings all ask. */
export function drillingOf(byId: ReadonlyMap<string, ResolvedPanel>, connections: readonly Connection[]): ReadonlyMap<string, readonly Drilled[]> {
  const known = drilledIn.get(connections);
  if (known?.byId === byId) return known.all;
  const all = new Map<string, Drilled[]>();
  for (const connection of connections)
    for (const row of holesOf(connection, byId.get(connection.guest)!, byId.get(connection.host)!)) {
      const there = all.get(row.panel);
      if (there) there.push(row);
      else all.set(row.panel, [row]);
    }
  drilledIn.set(connections, { byId, all });
  return all;
}

/** The stretch of the guest's edge on its host, where fasteners can be. */
export interface Seam {
  readonly from: PanelPoint;
  readonly to: PanelPoint;
  readonly lengthMm: number;
}

export function seamOf(connection: Connection, guest: Panel): Seam | null {
  if (isFace(connection.edge)) return null;
  const at = guest.outline.findIndex(({ id }) => id === connection.edge);
  const from = guest.outline[at]!.from;
  const to = guest.outline[(at + 1) % guest.outline.length]!.from;
  return { from, to, lengthMm: Math.hypot(to.u - from.u, to.v - from.v) / NM_PER.mm };
}

function holesOf(connection: Connection, guest: ResolvedPanel, host: ResolvedPanel): Drilled[] {
  const { fastening } = connection.joint;
  if (!fastening || fastening.by === 'brads') return [];
  const seam = seamOf(connection, guest);
  // Brads need no hole; strips laid on a face are drilled in place.
  if (!seam || seam.lengthMm <= 0) return [];
  const row = rowAlong(seam, fastening.count);
  if (fastening.by === 'pockets') return [pockets(connection, guest, row, fastening)];
  const inHost = rowInHost(guest, host, row);
  if (fastening.by === 'dowels') {
    const each = Math.round(((toMm(fastening.length) + DOWEL.playMm) / 2) * NM_PER.mm);
    const maxInHost = Math.max(0, Math.round(host.thickness - connection.joint.depth - 4 * NM_PER.mm));
    const hostDeep = isFace(connection.face) ? Math.min(each, maxInHost) : each;
    const same = {
      connection: connection.id,
      count: row.count,
      diameter: nm(DOWEL.acrossMm),
      purpose: 'dowel' as const,
      reason: { key: 'dowel-hole' as const },
    };
    return [
      { ...same, ...row, panel: guest.id, on: connection.edge, depth: (2 * each - hostDeep) as Length },
      { ...same, ...inHost, panel: host.id, on: connection.face, depth: (hostDeep + (isFace(connection.face) ? connection.joint.depth : 0)) as Length },
    ];
  }
  if (!isFace(connection.face)) return [];
  const screw = screwById(fastening.screw);
  const through = host.thickness - connection.joint.depth;
  const same = { connection: connection.id, count: row.count };
  const clear: Drilled = {
    ...same,
    ...inHost,
    panel: host.id,
    on: connection.face === 'reference' ? 'other' : 'reference',
    diameter: nm(screw.diameterMm),
    depth: null,
    purpose: 'screw',
    reason: { key: 'screw-hole' },
  };
  const pilot: Drilled = {
    ...same,
    ...row,
    panel: guest.id,
    on: connection.edge,
    diameter: nm(PILOT_SHARE * screw.rootMm),
    depth: Math.max(0, fastening.length - through) as Length,
    purpose: 'pilot',
    reason: { key: 'pilot-hole' },
  };
  return fastening.pilot ? [clear, pilot] : [clear];
}

const nm = (mm: number): Length => (Math.round(mm * 10) * (NM_PER.mm / 10)) as Length;

interface Row {
  readonly at: PanelPoint;
  readonly step: PanelPoint;
  readonly count: number;
}

function rowAlong({ from, to, lengthMm }: Seam, count: number): Row {
  const places = fastenersAlong(lengthMm, count);
  const run = { u: (to.u - from.u) / lengthMm, v: (to.v - from.v) / lengthMm };
  const point = (mm: number): PanelPoint => ({ u: Math.round(from.u + run.u * mm), v: Math.round(from.v + run.v * mm) });
  const at = point(places[0]!);
  const step = places.length > 1 ? places[1]! - places[0]! : 0;
  return { at, step: { u: Math.round(run.u * step), v: Math.round(run.v * step) }, count };
}

/** The same row in the host's plane. */
function rowInHost(guest: ResolvedPanel, host: ResolvedPanel, { at, step }: Row): { at: PanelPoint; step: PanelPoint } {
  const inPlane = (point: Vector): PanelPoint => {
    const from = minusVector(point, host.frame.origin);
    return { u: Math.round(dot(from, host.frame.u)), v: Math.round(dot(from, host.frame.v)) };
  };
  const middle = (point: PanelPoint): PanelPoint => inPlane(place(guest.frame, point, guest.thickness / 2));
  const first = middle(at);
  const next = middle({ u: at.u + step.u, v: at.v + step.v });
  return { at: first, step: { u: next.u - first.u, v: next.v - first.v } };
}

/** Pockets are inset from the guest's end, on the given face. */
function pockets(connection: Connection, guest: ResolvedPanel, row: Row, fastening: Fastening): Drilled {
  const outward = outwardOf(guest.outline, connection.edge as EdgeId);
  const by = POCKET.inMm * NM_PER.mm;
  return {
    connection: connection.id,
    panel: guest.id,
    on: pocketFace(guest, fastening),
    at: { u: Math.round(row.at.u - outward.u * by), v: Math.round(row.at.v - outward.v * by) },
    step: row.step,
    count: row.count,
    diameter: nm(POCKET.acrossMm),
    // Angled: it comes out of the end, never of the other face.
    depth: guest.thickness,
    purpose: 'pocket',
    reason: { key: 'pocket-hole' },
  };
}

/** The pocketed face of a guest; on an upright guest the reference face. */
export function pocketFace({ frame }: Panel, { pockets }: Fastening): Face {
  const level = Math.abs(frame.w.up) > 0.5;
  if (!level || !pockets) return 'reference';
  const upper: Face = frame.w.up > 0 ? 'other' : 'reference';
  const under: Face = upper === 'other' ? 'reference' : 'other';
  const on = pockets.on === 'hidden' ? (frame.origin.up > pockets.eyeUp ? 'upper' : 'under') : pockets.on;
  return on === 'upper' ? upper : under;
}
