/** The joints of a unit, alike ones together: what they are cut to, what they leave, and how their fasteners are loaded. */
import type { Length } from '../length/length.ts';
import { isFace, type JointKind, type Connection, type Slot } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';

export interface JointGroup {
  /** Stays while the first of them does. */
  readonly id: string;
  readonly kind: JointKind | 'groove';
  readonly meetings: readonly Connection[];
  readonly guest: ResolvedPanel;
  readonly host: ResolvedPanel;
  /** Of a slot: its width and depth, and what is left of the host under it, and under one that is cut opposite. */
  readonly slot: { readonly width: Length; readonly depth: Length; readonly left: Length; readonly opposed: boolean } | null;
  /** From the slot to the host's nearer end or edge; null for a rabbet, which lies on it, and for a slanted slot. */
  readonly lip: Length | null;
  /** How what the guest carries loads its fasteners; null for none, or where neither is nearly so. */
  readonly loaded: 'across' | 'along' | null;
}

/** Groups in the order of the unit's meetings. */
export function jointGroups(cabinet: ResolvedCabinet): JointGroup[] {
  const groups = new Map<string, JointGroup>();
  for (const meeting of cabinet.meetings) {
    const { joint } = meeting;
    if (joint.kind === 'hinge' || joint.kind === 'slide' || joint.kind === 'flush') continue;
    const [guest, host] = [cabinet.byId.get(meeting.guest)!, cabinet.byId.get(meeting.host)!];
    const strip = host.strips.find(({ id }) => id === meeting.id);
    const slot = strip ? slotOf(strip, host) : grooveIn(meeting, host);
    const lip = strip ? lipOf(strip, host) : null;
    const key = [
      kindOf(meeting, strip),
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
    if (known) groups.set(key, { ...known, meetings: [...known.meetings, meeting] });
    else
      groups.set(key, {
        id: meeting.id,
        kind: kindOf(meeting, strip),
        meetings: [meeting],
        guest,
        host,
        slot,
        lip,
        loaded: joint.fastening && isFace(meeting.face) ? loadedOf(host) : null,
      });
  }
  return [...groups.values()];
}

const kindOf = ({ joint, face }: Connection, strip: Slot | undefined): JointGroup['kind'] => {
  if (joint.kind === 'half-lap') return joint.kind;
  return strip?.kind ?? (joint.kind === 'dado' && !isFace(face) ? 'groove' : joint.kind);
};

/** A groove in an edge: what is left is the lesser of what stands to either side, at its bottom where it leans towards a face. */
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

function slotOf(strip: Slot, host: ResolvedPanel): JointGroup['slot'] {
  const opposite = host.strips.find((other) => other.face !== strip.face && overlaps(other, strip));
  const left = (host.thickness - strip.depth - (opposite?.depth ?? 0)) as Length;
  return { width: Math.round(strip.far - strip.near) as Length, depth: strip.depth, left, opposed: opposite !== undefined };
}

/** Cut opposite one another: between them the host is as thin as both leave it. */
const overlaps = (a: Slot, b: Slot): boolean =>
  Math.abs(a.normal.u - b.normal.u) < 1e-9 && Math.abs(a.normal.v - b.normal.v) < 1e-9 && a.near < b.far && b.near < a.far;

function lipOf({ normal, near, far, kind }: Slot, { outline }: ResolvedPanel): Length | null {
  if (kind === 'rabbet' || (normal.u !== 1 && normal.v !== 1)) return null;
  const values = outline.map(({ from }) => (normal.u === 1 ? from.u : from.v));
  return Math.round(Math.min(near - Math.min(...values), Math.max(...values) - far)) as Length;
}

/** A load hangs straight down: it shears a fastener that lies level and draws one that stands upright. */
function loadedOf({ frame }: ResolvedPanel): JointGroup['loaded'] {
  const upright = Math.abs(frame.w.up);
  return upright < 0.3 ? 'across' : upright > 0.9 ? 'along' : null;
}
