/**
 * From the carcass to the cabinet cleat. The carrier is what the cleat's screws go through: the hanging rail or, without one, a thick back. It passes the
 * whole weight to the two sides. Source: docs/formulas/rail-load.md, cabinet-half-pull.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { tanDeg } from '../solid/hanging.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { hangsOnCleat, connectionsOf, type ResolvedCabinet } from '../solid/cabinet.ts';
import type { Label } from '../explained/explained-length.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import type { WallForces } from './forces.ts';
import { HEAD_PULL_THROUGH, PERMANENT, WITHDRAWAL, shearOf, threadIn } from './fasteners.ts';
import { combinationInWood, otherRules } from './combined.ts';
import type { HangInput } from './hang-input.ts';
import { boxShares, heightsOf, railsBeside, type HungBox } from './boxes.ts';
import { stretchOf, worstBracket, type WallStretch } from './bearing-shares.ts';
import { endCapacity, GLUE, GLUE_EDGE_MPA, strongest } from './joint-capacity.ts';
import { JOINT_UTILIZATION, link, type Link } from './link.ts';
import { CABINET_PULL } from './statics.ts';

/** Thinnest back that counts as a carrier. [ASSUME] */
export const MIN_FIXING_BACK_MM = ASSUMED.fixingBack.value;
/** Least distance of a screw from an edge, in diameters. [NDS 12.1 commentary (m)] */
const EDGE_DISTANCE = ASSUMED.edgeDistance.value;

const CARRIER_LOAD = formula({
  label: 'rail-load',
  unit: 'N',
  text: '√(W² + S²) · max(c, L − c) / L',
  source: '[eq] docs/formulas/rail-load.md',
  terms: { W: 'N', S: 'N', c: 'mm', L: 'mm' },
  compute: ({ W, S, c, L }) => (Math.hypot(W, S) * Math.max(c, L - c)) / L,
});
const OF_BOX = formula({
  label: 'box-weight',
  unit: 'N',
  text: 'all · share',
  source: '[eq] docs/formulas/rail-load.md',
  terms: { all: 'N', share: 'share' },
  compute: ({ all, share }) => all * share,
});
const BRACKET_SHEAR = formula({
  label: 'screw-shear',
  unit: 'N',
  text: 'W · share / n',
  source: '[eq] docs/formulas/brackets.md',
  terms: { W: 'N', share: 'factor', n: 'count' },
  compute: ({ W, share, n }) => (W * share) / n,
});
const PER_SCREW = formula({ label: 'screw-shear', unit: 'N', text: 'W / n', source: '[eq]', terms: { W: 'N', n: 'count' }, compute: ({ W, n }) => W / n });

/** What the cabinet cleat is screwed through; undefined where there is only a thin back, or nothing. */
export function carrierOf(cabinet: ResolvedCabinet): ResolvedPanel | undefined {
  if (cabinet.hanging.hangingRail) return cabinet.byId.get(cabinet.hanging.hangingRail);
  const back = cabinet.panels.find(({ role }) => role === 'back') ?? cabinet.panels.find(({ role }) => role === 'leaf');
  return back && toMm(back.thickness) >= MIN_FIXING_BACK_MM ? back : undefined;
}

/**
 * How far the screw row stands below the top edge of the cabinet cleat, mm: as low as the bevel allows within the carrier. Null when no row fits both, so
 * that the cleat is not fastened.
 */
export function cabinetScrewRow(cabinet: ResolvedCabinet): number | null {
  const room = roomForRow(cabinet);
  return room && room.lowest <= room.highest ? room.top - room.lowest : null;
}

/** The carrier that the cabinet cleat's screws miss: by how much, and how far the cleat must rise (negative: drop) to meet it, mm. */
export interface MissedCarrier {
  readonly carrier: string;
  readonly missMm: number;
  /** Null where moving does not help: cleat or carrier is too narrow for a row of screws. */
  readonly upMm: number | null;
}

/** Undefined where there is no carrier, or where one row of screws fits both. */
export function missedCarrier(cabinet: ResolvedCabinet): MissedCarrier | undefined {
  const room = roomForRow(cabinet);
  if (!room || room.lowest <= room.highest) return undefined;
  const missMm = room.lowest - room.highest;
  const { half, carrier } = room;
  const meets = Math.min(half.high - half.low, carrier.high - carrier.low) >= 2 * room.edge;
  return { carrier: room.id, missMm, upMm: !meets ? null : half.low > carrier.low ? -missMm : missMm };
}

/** Height range over which the lower cabinet cleat lies flat on the back, above its bevel, mm. */
export function lowerHalfFace({ hanging, byId }: ResolvedCabinet): { low: number; high: number } | undefined {
  const half = hanging.lower && byId.get(hanging.lower.cabinetHalf);
  if (!half) return undefined;
  const { low, high } = heightsOf(half);
  return { low: low + toMm(hanging.cleatThickness) * tanDeg(hanging.bevelDeg), high };
}

/** A nailing strip is a hanging rail at the bottom of the cabinet. */
const CARRIES_LOWER: ReadonlySet<ResolvedPanel['role']> = new Set(['hanging-rail', 'back', 'leaf']);

/**
 * What the cabinet cleat of a second, lower cleat is screwed to: a rail at its height, or a thick back. The split between two cleats depends on
 * millimeter-level fit, so the lower one must hold the whole load. Undefined where there is only a thin back.
 */
export function lowerCarrierOf(cabinet: ResolvedCabinet): ResolvedPanel | undefined {
  const { hanging, panels } = cabinet;
  const own = lowerHalfFace(cabinet);
  if (!own) return undefined;
  const room = 2 * EDGE_DISTANCE * screwById(hanging.cabinetScrew.screw).diameterMm;
  return panels.find((panel) => {
    if (!CARRIES_LOWER.has(panel.role) || toMm(panel.thickness) < MIN_FIXING_BACK_MM) return false;
    const { low, high } = heightsOf(panel);
    return Math.min(high, own.high) - Math.max(low, own.low) >= room;
  });
}

/** Height of the screw row of a lower cabinet cleat, mm: as low as its bevel and its carrier allow; null without one. */
export function lowerScrewRow(cabinet: ResolvedCabinet): number | null {
  const [own, carrier] = [lowerHalfFace(cabinet), lowerCarrierOf(cabinet)];
  if (!own || !carrier) return null;
  return Math.max(own.low, heightsOf(carrier).low) + EDGE_DISTANCE * screwById(cabinet.hanging.cabinetScrew.screw).diameterMm;
}

/** Height range open to the row, mm, and what bounds it: the cleat's face above its bevel, and the carrier. */
function roomForRow(cabinet: ResolvedCabinet) {
  const panel = carrierOf(cabinet);
  if (!panel) return null;
  const { hanging } = cabinet;
  const edge = EDGE_DISTANCE * screwById(hanging.cabinetScrew.screw).diameterMm;
  const top = toMm(hanging.valleyUp) + toMm(hanging.longFace);
  const half = { low: toMm(hanging.valleyUp) + toMm(hanging.cleatThickness) * tanDeg(hanging.bevelDeg), high: top };
  const carrier = heightsOf(panel);
  return { id: panel.id, edge, top, half, carrier, lowest: Math.max(half.low, carrier.low) + edge, highest: Math.min(half.high, carrier.high) - edge };
}

/** What one carrier can pass to the sides of a cabinet, or of one box of a run. */
export interface CarrierCapacity {
  readonly panel: ResolvedPanel;
  readonly name: Label;
  /** Ends where it passes the load on, mm from the cabinet's left end. */
  readonly ends: WallStretch;
  /** Capacity of the weaker end. */
  readonly capacity: ExplainedValue;
}

/** One per hung box. None for a slab or a board without sides: it passes its weight to nothing. */
export function carrierCapacities(input: HangInput, boxes: readonly HungBox[]): CarrierCapacity[] {
  const { cabinet } = input;
  const panel = carrierOf(cabinet);
  if (!panel || panel.role === 'leaf') return [];
  if (panel.role === 'back')
    return cabinet.panels.some(({ role }) => role === 'side')
      ? [{ panel, name: { key: 'link-back' }, ends: stretchOf(panel), capacity: backCapacity(input, panel) }]
      : [];
  return boxes.map(({ rail: id, ends }, index) => {
    const rail = cabinet.byId.get(id)!;
    const name: Label = boxes.length === 1 ? { key: 'link-rail' } : { key: 'link-rail-of', of: String(index + 1) };
    return { panel: rail, name, ends, capacity: weakerEnd(input, rail) };
  });
}

/** Capacity of what the lower of two cleats is screwed to; it must hold the whole load. Null without a lower cleat, or where nothing holds it (refused). */
export function lowerCapacity(input: HangInput): CarrierCapacity | null {
  const panel = lowerCarrierOf(input.cabinet);
  if (!panel || panel.role === 'leaf') return null;
  return {
    panel,
    name: { key: 'link-lower' },
    ends: stretchOf(panel),
    capacity: panel.role === 'back' ? backCapacity(input, panel) : weakerEnd(input, panel),
  };
}

/** Capacity of a rail at the weaker of its two uprights. */
const weakerEnd = (input: HangInput, rail: ResolvedPanel): ExplainedValue =>
  connectionsOf(input.cabinet, 'asGuest', rail.id)
    .filter(({ edge }) => edge === 'start' || edge === 'end')
    .map((connection) => endCapacity(input, connection, rail))
    .reduce((a, b) => (b.value < a.value ? b : a));

/** Capacity of a back glued along each side: over the width of its rabbet, or of the side's edge where it is laid on. */
function backCapacity({ cabinet, isFaced }: HangInput, back: ResolvedPanel): ExplainedValue {
  const connection = cabinet.connections.find(
    ({ guest, host }) => (guest === back.id && isSide(cabinet, host)) || (host === back.id && isSide(cabinet, guest)),
  );
  if (!connection) return strongest([]);
  const side = cabinet.byId.get(connection.guest === back.id ? connection.host : connection.guest)!;
  const contact = connection.guest === back.id ? toMm(connection.joint.depth) : toMm(side.thickness);
  const holds = connection.joint.glue && !isFaced(back.stock) && !(connection.guest === back.id && isFaced(side.stock));
  return strongest(holds ? [evaluate(GLUE, { B: toMm(back.length.value), t: contact, f: GLUE_EDGE_MPA })] : []);
}

const isSide = (cabinet: ResolvedCabinet, id: string): boolean => cabinet.byId.get(id)?.role === 'side';

/** Everything that passes weight to the sides: one carrier per box, and that of a lower cleat. */
export interface Carriers {
  readonly boxes: readonly HungBox[];
  readonly carriers: readonly CarrierCapacity[];
  readonly lower: CarrierCapacity | null;
}

/** The load on one carrier: the whole load, or one box's share. */
interface Carried {
  readonly W: ExplainedValue;
  readonly along: number;
  readonly share: number;
}

/** Distributes the weight over the carriers: all on one, or box by box. */
function carriedBy(boxes: readonly HungBox[], { weight, along }: WallForces, factor: number): Carried[] {
  if (boxes.length < 2) return [{ W: weight, along, share: 1 }];
  return boxShares(boxes, factor).map((each) => ({ W: evaluate(OF_BOX, { all: weight, share: each.share }), along: each.along, share: each.share }));
}

/** Links of each carrier under its own share; the carrier of a lower cleat under the whole load. */
export function carrierLinks({ carriers, lower, boxes }: Carriers, forces: WallForces, factor: number): Link[] {
  const carried = carriedBy(boxes, forces, factor);
  const all: Carried = { W: forces.weight, along: forces.along, share: 1 };
  const rows = [
    ...carriers.map((carrier, index) => ({ id: carriers.length === 1 ? 'rail' : `rail-${index + 1}`, carrier, under: carried[index]! })),
    ...(lower ? [{ id: 'lower-rail', carrier: lower, under: all }] : []),
  ];
  return rows.map(({ id, carrier: { panel, name, ends, capacity }, under: { W, along, share } }) => {
    const S = share === 1 ? forces.spacerPush : evaluate(OF_BOX, { all: forces.spacerPush, share });
    const load = evaluate(CARRIER_LOAD, { W, S, c: along - ends.from, L: ends.to - ends.from });
    return link({ id, kind: 'rail-joint', name, use: evaluate(JOINT_UTILIZATION, { load, capacity }), panels: [panel.id] });
  });
}

/** Capacity of one screw in the cabinet cleat, and the position of its row. */
export interface CabinetCapacity {
  readonly lateral: ExplainedValue;
  readonly pull: ExplainedValue;
  readonly rowMm: number;
  readonly carrier: string;
}

/** Screws driven from inside through carrier and back into the cabinet cleat; a back in between counts as a gap. */
export function cabinetCapacity(input: HangInput): CabinetCapacity | null {
  const { cabinet } = input;
  const { hanging } = cabinet;
  if (!hangsOnCleat(hanging)) return null;
  const through = carrierOf(cabinet);
  const rowMm = cabinetScrewRow(cabinet);
  const { screw: screwId, length, count } = hanging.cabinetScrew;
  if (!through || rowMm === null || count === 0) return null;
  const screw = screwById(screwId);
  const back = through.role !== 'hanging-rail' ? undefined : cabinet.panels.find(({ role }) => role === 'back');
  const gap = back ? toMm(back.thickness) : 0;
  const side = toMm(through.thickness);
  const grip = Math.max(0, Math.min(toMm(length) - side - gap, toMm(hanging.cleatThickness)));
  const cleat = input.materialOf(cabinet.byId.get(hanging.cabinetHalf)!.stock);
  const throughMaterial = input.materialOf(through.stock);
  const lateral = shearOf(screw, { side, grip, gap, sideGravity: throughMaterial.gravity, mainGravity: cleat.gravity });
  const thread = evaluate(WITHDRAWAL, { G: cleat.gravity, D: screw.diameterMm, thread: threadIn(grip, toMm(length)), C_D: PERMANENT });
  const head = evaluate(HEAD_PULL_THROUGH, { D_H: screw.headMm, G: throughMaterial.gravity, t: side, C_D: PERMANENT });
  return { lateral, pull: thread.value <= head.value ? thread : head, rowMm, carrier: through.id };
}

/** Screws per bracket, or per box under a cleat in one piece. */
export const screwsEach = ({ hanging, panels, byId }: Pick<ResolvedCabinet, 'hanging' | 'panels' | 'byId'>): number => {
  const rail = hanging.hangingRail ? byId.get(hanging.hangingRail) : undefined;
  const boxes = rail ? railsBeside({ panels }, rail).length : 1;
  return Math.floor(hanging.cabinetScrew.count / Math.max(hanging.brackets.length, boxes));
};

export function cabinetLinks(
  { cabinet, wall }: Pick<HangInput, 'cabinet' | 'wall'>,
  capacity: CabinetCapacity | null,
  boxes: readonly HungBox[],
  forces: WallForces,
  factor: number,
): Link[] {
  const { hanging } = cabinet;
  const { hook } = forces;
  const n = screwsEach(cabinet);
  if (!capacity || !hook || n === 0) return [];
  const { lateral, pull: holds, rowMm: s, carrier } = capacity;
  const byBox = boxes.length > 1 ? Math.max(...carriedBy(boxes, forces, factor).map(({ share: own }) => own)) : 0;
  const byBracket = hanging.brackets.length > 1 ? worstBracket(cabinet, forces.along) : 0;
  // One cleat over one box carries all of it.
  const share = Math.max(byBox, byBracket) || 1;
  const shear = share === 1 ? evaluate(PER_SCREW, { W: forces.weight, n }) : evaluate(BRACKET_SHEAR, { W: forces.weight, share, n });
  const [V, H] = share === 1 ? [forces.weight, forces.outward] : [forces.weight.value * share, forces.outward.value * share];
  const pull = evaluate(CABINET_PULL, { H, V, b: hook.b, t: forces.t, s, n });
  const some = lateral.value > 0 && holds.value > 0;
  const use = evaluate(combinationInWood(wall), { V: shear, T: pull, "Z'": some ? lateral : 1e-6, "W'": some ? holds : 1e-6 });
  return [
    link({
      id: 'cabinet-half',
      kind: 'cabinet-screws',
      name: { key: 'link-cabinet-half' },
      use,
      panels: [...hanging.brackets, carrier],
      otherRules: otherRules(shear.value, pull.value, lateral.value, holds.value),
    }),
  ];
}
