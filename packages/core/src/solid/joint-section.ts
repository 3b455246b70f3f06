/** A joint in section square to its seam: host and guest to scale, as resolved. Play can be exaggerated. */
import { NM_PER } from '../length/length.ts';
import { cutThrough, piecesOf } from './convex.ts';
import { isFace, type Connection } from './connection.ts';
import { place } from './panel.ts';
import type { ResolvedPanel } from './resolve.ts';
import type { ResolvedCabinet } from './cabinet.ts';
import { cross, dot, minusVector, scale, type Vector } from './vector.ts';
import { united, type DrawnPoint } from './views.ts';

export interface JointSection {
  /** Rings in mm about the middle of the seam; up in the cabinet is up here. */
  readonly host: readonly (readonly DrawnPoint[])[];
  readonly guest: readonly (readonly DrawnPoint[])[];
  /** A screw or dowel of the joint from head to tip; null for none, or one that is not square to it. */
  readonly fastener: readonly [DrawnPoint, DrawnPoint] | null;
}

/** Null without a seam to cut across: panels laid on one another, hinges, slides. `times` exaggerates the play of a slot. */
export function sectionOfJoint(cabinet: Pick<ResolvedCabinet, 'byId'>, connection: Connection, times = 1): JointSection | null {
  const { joint, edge } = connection;
  if (isFace(edge) || joint.kind === 'hinge' || joint.kind === 'slide' || joint.kind === 'laid') return null;
  const guest = cabinet.byId.get(connection.guest)!;
  const host = withPlay(cabinet.byId.get(connection.host)!, connection, times);
  const at = guest.outline.findIndex(({ id }) => id === edge);
  const [from, to] = [guest.outline[at]!.from, guest.outline[(at + 1) % guest.outline.length]!.from];
  const start = place(guest.frame, from);
  const run = minusVector(place(guest.frame, to), start);
  const seam = unitOf(run);
  const share = whereBothAre(host, start, seam, Math.sqrt(dot(run, run)));
  const point = { u: from.u + (to.u - from.u) * share, v: from.v + (to.v - from.v) * share };
  const centre = scale(place(guest.frame, point, guest.thickness / 2), 1 / NM_PER.mm);
  const across = isFace(connection.face) ? host.frame.w : guest.frame.w;
  const [right, up] = asItStands(across, cross(seam, across));
  const plane = { normal: seam, at: dot(seam, centre) };
  const flat = (p: Vector): DrawnPoint => {
    const off = minusVector(p, centre);
    return [dot(off, right), dot(off, up)];
  };
  const cut = (panel: ResolvedPanel): DrawnPoint[][] =>
    united(
      piecesOf(panel)
        .map((piece) => cutThrough(piece, plane).map(flat))
        .filter((ring) => ring.length > 2),
    );
  return { host: cut(host), guest: cut(guest), fastener: fastenerOf(connection, host, centre, flat) };
}

/** Position of the section along the shared seam, as a share: a third, because a notch or divider may be in the middle. */
function whereBothAre(host: ResolvedPanel, start: Vector, seam: Vector, long: number): number {
  const reach = host.outline.flatMap(({ from }) => [0, host.thickness].map((depth) => dot(minusVector(place(host.frame, from, depth), start), seam)));
  const [low, high] = [Math.max(0, Math.min(...reach)), Math.min(long, Math.max(...reach))];
  return (low + (high - low) / 3) / long;
}

/** Axes of the drawing: the most upright direction is up, the other to the right or out. */
function asItStands(a: Vector, b: Vector): [right: Vector, up: Vector] {
  const [up, right] = Math.abs(a.up) > Math.abs(b.up) ? [a, b] : [b, a];
  const lies = Math.abs(up.up) > 1e-6 ? up.up : up.out;
  const goes = Math.abs(right.along) > 1e-6 ? right.along : right.out;
  return [goes < 0 ? scale(right, -1) : right, lies < 0 ? scale(up, -1) : up];
}

/** The host with this joint's slot widened evenly on both sides. */
function withPlay(host: ResolvedPanel, { id, joint }: Connection, times: number): ResolvedPanel {
  const more = (joint.play * (times - 1)) / 2;
  if (more === 0) return host;
  return { ...host, slots: host.slots.map((slot) => (slot.id === id ? { ...slot, near: slot.near - more, far: slot.far + more } : slot)) };
}

/** Through the host's face into the guest's edge, in the middle of the guest's thickness. */
function fastenerOf({ joint, face }: Connection, host: ResolvedPanel, centre: Vector, flat: (p: Vector) => DrawnPoint): JointSection['fastener'] {
  const { fastening } = joint;
  if (!fastening || !isFace(face) || (fastening.by !== 'screws' && fastening.by !== 'dowels')) return null;
  const { w } = host.frame;
  const mm = (depth: number): number => dot(w, scale(place(host.frame, { u: 0, v: 0 }, depth), 1 / NM_PER.mm)) - dot(w, centre);
  /** Along the host's normal from the middle of the seam. */
  const on = (off: number): DrawnPoint => flat({ along: centre.along + w.along * off, up: centre.up + w.up * off, out: centre.out + w.out * off });
  const [near, far] = face === 'reference' ? [mm(0), mm(host.thickness)] : [mm(host.thickness), mm(0)];
  const long = fastening.length / NM_PER.mm;
  if (fastening.by === 'dowels') return [on(near - long / 2), on(near + long / 2)];
  // Its head on the far face, its tip past the near one.
  return [on(far), on(far + Math.sign(near - far) * long)];
}

const unitOf = (v: Vector): Vector => scale(v, 1 / Math.sqrt(dot(v, v)));
