/** A half lap: guest and host lie in one plane, the guest continues over the host, and each gives up half its thickness there. */
import type { Length } from '../length/length.ts';
import type { Connection, Slot } from './connection.ts';
import { outwardOf, place, type EdgeId, type Panel, type PanelPoint } from './panel.ts';
import { dot, minusVector } from './vector.ts';

const HUNDREDTH = 10_000;

/** How far the guest continues: across the whole host, from the edge it was laid against. */
export const lapOver = (host: Panel, edge: EdgeId): Length => {
  const out = outwardOf(host.outline, edge);
  const along = host.outline.map(({ from }) => from.u * out.u + from.v * out.v);
  return Math.round(Math.max(...along) - Math.min(...along)) as Length;
};

/**
 * What each loses: the host its reference side, the guest the side that lies on it. `guest` already extended.
 * @throws RangeError where the two are not coplanar, equally thick and square to one another
 */
export function lapStrips({ id, edge, face, joint }: Connection, guest: Panel, host: Panel): { readonly ofGuest: Slot; readonly ofHost: Slot } {
  const turn = dot(guest.frame.w, host.frame.w);
  const apart = Math.abs(dot(host.frame.w, minusVector(middle(guest), middle(host))));
  const across = [dot(guest.frame.u, host.frame.u), dot(guest.frame.u, host.frame.v)];
  const square = across.some((each) => Math.abs(Math.abs(each) - 1) < 1e-9);
  if (Math.abs(Math.abs(turn) - 1) > 1e-9 || apart > HUNDREDTH || guest.thickness !== host.thickness || !square)
    throw new RangeError(`'${guest.id}' and '${host.id}' are not of one plane and thickness, square to one another`);
  const half = Math.round(host.thickness / 2) as Length;
  const shared = { play: joint.play, kind: 'rabbet' as const };
  return {
    ofHost: { ...shared, ...shadow(guest, host), id, face: 'reference', depth: half, guest: guest.id },
    // The host keeps its other side; the guest keeps what fills the host's reference side.
    ofGuest: {
      ...shared,
      ...ownEnd(guest, edge as EdgeId, lapOver(host, face as EdgeId)),
      id: `${id}:over`,
      face: turn > 0 ? 'other' : 'reference',
      depth: (guest.thickness - half) as Length,
      guest: host.id,
    },
  };
}

const middle = ({ frame, thickness }: Panel) => place(frame, { u: 0, v: 0 }, thickness / 2);

/** The guest's own end, as far as it is extended. */
function ownEnd({ outline }: Panel, edge: EdgeId, over: Length): Pick<Slot, 'normal' | 'near' | 'far' | 'from' | 'to'> {
  const out = outwardOf(outline, edge);
  const normal = positive(out);
  const at = outline.map(({ from }) => from.u * normal.u + from.v * normal.v);
  const [low, high] = [Math.min(...at), Math.max(...at)];
  const ends = extent(outline, { u: Math.abs(normal.v), v: Math.abs(normal.u) });
  const atHigh = out.u * normal.u + out.v * normal.v > 0;
  return { normal, near: atHigh ? high - over : low, far: atHigh ? high : low + over, ...ends };
}

/** Where the guest lies over the host, over the host's full width. */
function shadow(guest: Panel, host: Panel): Pick<Slot, 'normal' | 'near' | 'far' | 'from' | 'to'> {
  const { u, v, origin } = host.frame;
  const along = Math.abs(dot(guest.frame.v, u)) > 0.5;
  const axis = along ? u : v;
  const at = guest.outline.map(({ from }) => Math.round(dot(axis, minusVector(place(guest.frame, from), origin))));
  const normal = along ? { u: 1, v: 0 } : { u: 0, v: 1 };
  return { normal, near: Math.min(...at), far: Math.max(...at), ...extent(host.outline, along ? { u: 0, v: 1 } : { u: 1, v: 0 }) };
}

const positive = ({ u, v }: PanelPoint): PanelPoint => ({ u: Math.abs(Math.round(u)), v: Math.abs(Math.round(v)) });

function extent(outline: Panel['outline'], direction: PanelPoint): { from: number; to: number } {
  const at = outline.map(({ from }) => from.u * direction.u + from.v * direction.v);
  return { from: Math.min(...at), to: Math.max(...at) };
}
