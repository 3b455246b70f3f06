/**
 * Cut parts stay as they are, and uncut ones adapt: a slot takes its guest's measured thickness, a part cut short or long enters its hosts less or more, a
 * guest is made for the existing slot. What cannot adapt is a misfit.
 */
import { NM_PER, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { isFace } from '../solid/connection.ts';
import type { Panel } from '../solid/panel.ts';
import { fitOpenings, type BuiltOpening } from './openings.ts';
import { cuts, type ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet, CabinetGeometry } from '../solid/cabinet.ts';
import { dot } from '../solid/vector.ts';

/** A measured part, dimensioned as in the cut list; unmeasured dimensions are absent. */
export interface CutPart {
  readonly length?: Length;
  readonly width?: Length;
  readonly thickness?: Length;
}

/** A cut slot, square to its blank: width, depth, and its near wall from the blank's start or near edge. */
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
  /** Measured spaces, by compartment. */
  readonly openings: ReadonlyMap<string, BuiltOpening>;
  /** Panels used as they are although they differ from the plan. */
  readonly kept: ReadonlySet<string>;
  /** Measured thickness of the sheet a panel is cut from, by product and panel, as in 'birch-18 ink/side/left'; absent where unknown. */
  readonly sheetThickness: ReadonlyMap<string, Length>;
}

/** A conflict between what is built and what is planned. */
export type Misfit =
  | { readonly why: 'size'; readonly panel: string; readonly along: 'length' | 'width'; readonly cut: Length; readonly planned: Length }
  | { readonly why: 'slot-narrow'; readonly panel: string; readonly guest: string; readonly slot: Length; readonly thickness: Length }
  | { readonly why: 'slot-place'; readonly panel: string; readonly guest: string; readonly cut: Length; readonly planned: Length };

/** Tolerance of a part's length: a saw's repeatability, and a tape's resolution. [ASSUME] */
const AS_PLANNED = 0.2 * NM_PER.mm;
/** Excess thickness over its slot that planing or sanding removes. [ASSUME] */
const GOES_IN = 0.02 * NM_PER.mm;
/** Least depth of a joint. [ASSUME] */
const SHALLOWEST = 1.5 * NM_PER.mm;
/** At least a third of the host must remain. */
const DEEPEST_SHARE = 2 / 3;

const ENDS = { length: ['start', 'end'], width: ['near', 'far'] } as const;

/** The cabinet with its joints adapted to the cut parts; the same object without any. */
export function asBuilt(planned: CabinetGeometry, facts: BuiltFacts): CabinetGeometry {
  const cabinet = fitOpenings(planned, facts.openings, (panel) => facts.parts.has(panel));
  if (facts.parts.size === 0 && facts.slots.size === 0 && facts.sheetThickness.size === 0) return cabinet;
  const byId = new Map(cabinet.panels.map((panel) => [panel.id, panel]));
  let changed = false;
  const panels = cabinet.panels.map((panel) => {
    const own = facts.parts.get(panel.id)?.thickness ?? facts.sheetThickness.get(`${panel.stock} ${panel.id}`) ?? null;
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

/** The joint of an existing slot: its depth, and the play it leaves the guest. */
function intoMade(connection: Connection, made: CutSlot, guest: Panel, host: Panel): Connection {
  const { joint } = connection;
  const square = Math.abs(dot(guest.frame.w, host.frame.w)) < 1e-9;
  const play = square && joint.kind === 'dado' ? ((made.width - (guest.ownThickness ?? guest.thickness)) as Length) : joint.play;
  return { ...connection, joint: { ...joint, depth: made.depth, endPlay: Math.min(joint.endPlay, made.depth) as Length, play } };
}

/** Connections at a part's two ends, deeper or shallower so that the cut part fits; none where that is impossible. */
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

/** Cut parts that do not fit the resolved cabinet. */
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

/** A slot square to its panel as drawn, for cutting as planned; null for a slanted one, or none. */
export function slotAsDrawn({ outline, slots }: Pick<ResolvedPanel, 'outline' | 'slots'>, connection: string): CutSlot | null {
  const slot = slots.find(({ id }) => id === connection);
  if (!slot) return null;
  const { normal, near, far, depth } = slot;
  if (normal.u !== 1 && normal.v !== 1) return null;
  const axis: 'u' | 'v' = normal.u === 1 ? 'u' : 'v';
  const at = Math.round(near - Math.min(...outline.map(({ from }) => from[axis])));
  return { width: Math.round(far - near) as Length, depth, at: at as Length };
}
