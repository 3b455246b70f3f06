/** The joints of a cabinet, grouped where identical: their dimensions, the wood left, and how their fasteners are loaded. */
import type { Length } from '../length/length.ts';
import { isFace, type Connection, type Slot } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { JointKind } from '../model/joinery.ts';

export interface JointGroup {
  /** Stable while its first joint exists. */
  readonly id: string;
  readonly kind: JointKind | 'groove';
  readonly connections: readonly Connection[];
  readonly guest: ResolvedPanel;
  readonly host: ResolvedPanel;
  /** Of a slot: width and depth, and what is left of the host under it, and under an opposite one. */
  readonly slot: { readonly width: Length; readonly depth: Length; readonly left: Length; readonly opposed: boolean } | null;
  /** From the slot to the host's nearer end or edge; null for a rabbet, which lies on it, and for a slanted slot. */
  readonly lip: Length | null;
  /** How the guest's load acts on its fasteners; null for none, or for a direction in between. */
  readonly loaded: 'across' | 'along' | null;
}

/** Groups in the order of the cabinet's connections. */
export function jointGroups(cabinet: ResolvedCabinet): JointGroup[] {
  const groups = new Map<string, JointGroup>();
  for (const connection of cabinet.connections) {
    const { joint } = connection;
    if (joint.kind === 'hinge' || joint.kind === 'slide' || joint.kind === 'flush') continue;
    const [guest, host] = [cabinet.byId.get(connection.guest)!, cabinet.byId.get(connection.host)!];
    const strip = host.slots.find(({ id }) => id === connection.id);
    const slot = strip ? slotOf(strip, host) : grooveIn(connection, host);
    const lip = strip ? lipOf(strip, host) : null;
    const key = [
      kindOf(connection, strip),
      guest.thickness,
      host.thickness,
      joint.depth,
      joint.play,
      joint.glue,
      joint.stopped ?? false,
      slot?.opposed ?? '',
      JSON.stringify(joint.fastening),
      guest.role,
      host.role,
      lip ?? '',
    ].join('|');
    const known = groups.get(key);
    if (known) groups.set(key, { ...known, connections: [...known.connections, connection] });
    else
      groups.set(key, {
        id: connection.id,
        kind: kindOf(connection, strip),
        connections: [connection],
        guest,
        host,
        slot,
        lip,
        loaded: joint.fastening && isFace(connection.face) ? loadedOf(host) : null,
      });
  }
  return [...groups.values()];
}

const kindOf = ({ joint, face }: Connection, slot: Slot | undefined): JointGroup['kind'] => {
  if (joint.kind === 'half-lap') return joint.kind;
  return slot?.kind ?? (joint.kind === 'dado' && !isFace(face) ? 'groove' : joint.kind);
};

/** A groove in an edge: the lesser wood on either side, at its bottom where it leans toward a face. */
function grooveIn({ id, face }: Connection, host: ResolvedPanel): JointGroup['slot'] {
  const cut = host.cuts.find((each) => each.id === id);
  if (cut?.kind !== 'edge-groove' || isFace(face)) return null;
  const { from, width, depth } = cut;
  const bevel = (host.outline.find((edge) => edge.id === face)!.bevel * Math.PI) / 180;
  const [c, lean] = [Math.cos(bevel), Math.sin(bevel) * depth];
  const heights = [from * c, (from + width) * c, from * c + lean, (from + width) * c + lean];
  const left = Math.round(Math.min(...heights, ...heights.map((height) => host.thickness - height))) as Length;
  return { width, depth, left, opposed: false };
}

function slotOf(slot: Slot, host: ResolvedPanel): JointGroup['slot'] {
  const opposite = host.slots.find((other) => other.face !== slot.face && overlaps(other, slot));
  const left = (host.thickness - slot.depth - (opposite?.depth ?? 0)) as Length;
  return { width: Math.round(slot.far - slot.near) as Length, depth: slot.depth, left, opposed: opposite !== undefined };
}

/** Opposite slots share the host's thickness. */
const overlaps = (a: Slot, b: Slot): boolean =>
  Math.abs(a.normal.u - b.normal.u) < 1e-9 && Math.abs(a.normal.v - b.normal.v) < 1e-9 && a.near < b.far && b.near < a.far;

function lipOf({ normal, near, far, kind }: Slot, { outline }: ResolvedPanel): Length | null {
  if (kind === 'rabbet' || (normal.u !== 1 && normal.v !== 1)) return null;
  const values = outline.map(({ from }) => (normal.u === 1 ? from.u : from.v));
  return Math.round(Math.min(near - Math.min(...values), Math.max(...values) - far)) as Length;
}

/** A load hangs straight down: it shears level fasteners and withdraws upright ones. */
function loadedOf({ frame }: ResolvedPanel): JointGroup['loaded'] {
  const upright = Math.abs(frame.w.up);
  return upright < 0.3 ? 'across' : upright > 0.9 ? 'along' : null;
}
