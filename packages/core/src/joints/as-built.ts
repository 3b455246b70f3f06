/**
 * What is cut stays as it is, and what is not cut yet follows: a slot takes the thickness its guest really has, a part that
 * came out short or long is let into its hosts by so much less or more, a guest is made for the slot that is already there.
 * What cannot follow is a misfit.
 */
import { NM_PER, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { isFace } from '../solid/connection.ts';
import type { Panel } from '../solid/panel.ts';
import { fitOpenings, type BuiltOpening } from './openings.ts';
import { cuts, type ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet, CabinetGeometry } from '../solid/cabinet.ts';
import { dot } from '../solid/vector.ts';

/** A part as it came off the saw, as the cut list measures it; what was not measured is absent. */
export interface CutPart {
  readonly length?: Length;
  readonly width?: Length;
  readonly thickness?: Length;
}

/** A slot that is cut, square to its blank: how wide and deep, and its near wall from the blank's start or near edge. */
export interface CutSlot {
  readonly width: Length;
  readonly depth: Length;
  readonly at: Length;
}

export interface BuiltFacts {
  /** By panel. */
  readonly parts: ReadonlyMap<string, CutPart>;
  /** By operation: host panel and connection. */
  readonly slots: ReadonlyMap<string, CutSlot>;
  /** Spaces as they came out, by compartment. */
  readonly openings: ReadonlyMap<string, BuiltOpening>;
  /** Panels used as they are although they are not as planned. */
  readonly kept: ReadonlySet<string>;
  /** What the sheet a panel is cut from measures, null where that is not known; null itself where no sheet is settled. */
  readonly sheetThickness: ((panel: string, product: string) => Length | null) | null;
}

/** What is built and what is planned, where they disagree. */
export type Misfit =
  | { readonly why: 'size'; readonly panel: string; readonly along: 'length' | 'width'; readonly cut: Length; readonly planned: Length }
  | { readonly why: 'slot-narrow'; readonly panel: string; readonly guest: string; readonly slot: Length; readonly thickness: Length }
  | { readonly why: 'slot-place'; readonly panel: string; readonly guest: string; readonly cut: Length; readonly planned: Length };

/** Under this a part is as long as planned: what a saw repeats to, and a tape reads. [ASSUME] */
const AS_PLANNED = 0.2 * NM_PER.mm;
/** A part this much thicker than its slot is planed or sanded in. [ASSUME] */
const GOES_IN = 0.02 * NM_PER.mm;
/** A joint that is let in less than this is none. [ASSUME] */
const SHALLOWEST = 1.5 * NM_PER.mm;
/** Nor may it leave less of its host than a third. */
const DEEPEST_SHARE = 2 / 3;

const ENDS = { length: ['start', 'end'], width: ['near', 'far'] } as const;

/** The cabinet with its joints fitted to what is cut; itself where nothing is. */
export function asBuilt(planned: CabinetGeometry, facts: BuiltFacts): CabinetGeometry {
  const cabinet = fitOpenings(planned, facts.openings, (panel) => facts.parts.has(panel));
  if (facts.parts.size === 0 && facts.slots.size === 0 && !facts.sheetThickness) return cabinet;
  const byId = new Map(cabinet.panels.map((panel) => [panel.id, panel]));
  let changed = false;
  const panels = cabinet.panels.map((panel) => {
    const own = facts.parts.get(panel.id)?.thickness ?? facts.sheetThickness?.(panel.id, panel.stock) ?? null;
    if (own === null || own === panel.thickness) return panel;
    changed = true;
    const measured = { ...panel, ownThickness: own };
    byId.set(panel.id, measured);
    return measured;
  });
  const fitted = new Map<string, Connection>();
  for (const connection of cabinet.connections) {
    const made = cuts(connection) ? facts.slots.get(operationOf(connection)) : undefined;
    if (made) fitted.set(connection.id, intoMade(connection, made, byId.get(connection.guest)!, byId.get(connection.host)!));
  }
  for (const [id, cut] of facts.parts) {
    const panel = byId.get(id);
    if (!panel) continue;
    for (const along of ['length', 'width'] as const)
      for (const connection of letIn(panel, along, cut[along], cabinet.connections, fitted, byId, facts)) fitted.set(connection.id, connection);
  }
  if (!changed && fitted.size === 0) return cabinet;
  return { ...cabinet, panels, connections: cabinet.connections.map((connection) => fitted.get(connection.id) ?? connection) };
}

const operationOf = ({ host, id }: Connection): string => `${host}:${id}`;

/** The joint of a slot that is there: as deep as it is, and with the play it leaves what goes in. */
function intoMade(connection: Connection, made: CutSlot, guest: Panel, host: Panel): Connection {
  const { joint } = connection;
  const square = Math.abs(dot(guest.frame.w, host.frame.w)) < 1e-9;
  const play = square && joint.kind === 'dado' ? ((made.width - (guest.ownThickness ?? guest.thickness)) as Length) : joint.play;
  return { ...connection, joint: { ...joint, depth: made.depth, endPlay: Math.min(joint.endPlay, made.depth) as Length, play } };
}

/** Connections of a part's two ends, let in by more or less so that the part as it was cut reaches; none where that cannot be. */
function letIn(
  panel: Panel,
  along: 'length' | 'width',
  cut: Length | undefined,
  all: readonly Connection[],
  fitted: ReadonlyMap<string, Connection>,
  byId: ReadonlyMap<string, Panel>,
  { slots }: BuiltFacts,
): Connection[] {
  if (cut === undefined) return [];
  const ends = all
    .filter(({ guest, edge, face }) => guest === panel.id && isFace(face) && (ENDS[along] as readonly unknown[]).includes(edge))
    .map((connection) => fitted.get(connection.id) ?? connection)
    .filter(cuts);
  const banded = ENDS[along].filter((edge) => panel.bands.includes(edge)).length * panel.bandThickness;
  const planned = panel[along].value + ends.reduce((sum, { joint }) => sum + joint.depth - joint.endPlay, 0);
  const open = ends.filter((connection) => !slots.has(operationOf(connection)));
  const by = cut + banded - planned;
  if (by === 0 || open.length === 0) return [];
  const each = open.map((_, index) => Math.round((by * (index + 1)) / open.length) - Math.round((by * index) / open.length));
  const moved = open.map((connection, index) => ({ ...connection, joint: { ...connection.joint, depth: (connection.joint.depth + each[index]!) as Length } }));
  const sound = moved.every(({ joint, host }) => joint.depth - joint.endPlay >= SHALLOWEST && joint.depth <= byId.get(host)!.thickness * DEEPEST_SHARE);
  return sound ? moved : [];
}

/** What is cut and does not fit the cabinet as it was resolved. */
export function misfitsOf(cabinet: ResolvedCabinet, { parts, slots, kept }: Pick<BuiltFacts, 'parts' | 'slots' | 'kept'>): Misfit[] {
  const found: Misfit[] = [];
  for (const [id, cut] of parts) {
    const panel = cabinet.byId.get(id);
    if (!panel || kept.has(id)) continue;
    for (const along of ['length', 'width'] as const) {
      const banded = ENDS[along].filter((edge) => panel.bands.includes(edge)).length * panel.bandThickness;
      const planned = (panel[along].value - banded) as Length;
      const is = cut[along];
      if (is !== undefined && Math.abs(is - planned) > AS_PLANNED) found.push({ why: 'size', panel: id, along, cut: is, planned });
    }
  }
  if (slots.size === 0) return found;
  for (const host of cabinet.panels)
    for (const slot of host.slots) {
      const made = slots.get(`${host.id}:${slot.id}`);
      const guest = cabinet.byId.get(slot.guest);
      if (!made || !guest) continue;
      const { thickness, ownThickness } = guest;
      if (slot.kind !== 'rabbet' && made.width < (ownThickness ?? thickness) - GOES_IN)
        found.push({ why: 'slot-narrow', panel: host.id, guest: guest.id, slot: made.width, thickness: ownThickness ?? thickness });
      const planned = slotAsDrawn(host, slot.id)?.at ?? null;
      if (planned !== null && Math.abs(made.at - planned) > AS_PLANNED)
        found.push({ why: 'slot-place', panel: host.id, guest: guest.id, cut: made.at, planned });
    }
  return found;
}

/** A slot square to its panel as it is drawn: what it is when it is cut as planned; null for one at a slant, or none. */
export function slotAsDrawn({ outline, slots }: Pick<ResolvedPanel, 'outline' | 'slots'>, connection: string): CutSlot | null {
  const slot = slots.find(({ id }) => id === connection);
  if (!slot) return null;
  const { normal, near, far, depth } = slot;
  if (normal.u !== 1 && normal.v !== 1) return null;
  const axis: 'u' | 'v' = normal.u === 1 ? 'u' : 'v';
  const at = Math.round(near - Math.min(...outline.map(({ from }) => from[axis])));
  return { width: Math.round(far - near) as Length, depth, at: at as Length };
}
