/**
 * Capacity of one end of a joint, read off its connection. A joint counts its strongest single mechanism (lip, glue or fasteners), never their sum: glue is
 * stiff and takes the whole load until it fails. Source: docs/formulas/joint-capacity.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { isFace, type Fastening, type Connection } from '../solid/connection.ts';
import { extentOf } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { connectionsOf, type ResolvedCabinet } from '../solid/cabinet.ts';
import { evaluate, formula, greatest, total, type ExplainedValue, type ValueTerm } from '../explained/explained-value.ts';
import { PERMANENT, WITHDRAWAL, shearOf, threadIn } from './fasteners.ts';
import type { HangInput } from './hang-input.ts';

const SOURCE = '[ASSUME] docs/formulas/joint-capacity.md';
/** Long-term stress of glue on wood, MPa. [ASSUME] a twentieth of the ultimate. */
export const GLUE_EDGE_MPA = ASSUMED.glueEdge.value;
/** A lip lower than this does not count, mm. [ASSUME] */
export const MIN_LIP_MM = ASSUMED.leastLip.value;
/** Screws in a panel's edge: shear and pull as a share of those in its face. [NDS C_eg; ASSUME] */
const EDGE_SHEAR = ASSUMED.edgeShear.value;
const EDGE_PULL = ASSUMED.edgePull.value;
/** MDF and particleboard edges, N per 25 mm of #10 thread. [A208](m) */
const FIBRE_EDGE_N = ASSUMED.fibreEdge.value;

const LIP = formula({
  label: 'lip-capacity',
  unit: 'N',
  text: 'min(depth · B · F_c, lip · B · f_v), 0 under 10 mm',
  source: SOURCE,
  terms: { depth: 'mm', B: 'mm', F_c: 'MPa', lip: 'mm', f_v: 'MPa' },
  compute: ({ depth, B, F_c, lip, f_v }) => (lip < MIN_LIP_MM ? 0 : Math.min(depth * B * F_c, lip * B * f_v)),
});
export const GLUE = formula({
  label: 'glue-capacity',
  unit: 'N',
  text: 'B · t · f',
  source: SOURCE,
  terms: { B: 'mm', t: 'mm', f: 'MPa' },
  compute: ({ B, t, f }) => B * t * f,
});
/**
 * Shelf pins at one end: a pin projects by c and carries at its end; the wood around it yields (mode II with one member). Uneven bearing counts as 1.3.
 * docs/formulas/pin-capacity.md
 */
const PINS = formula({
  label: 'pin-capacity',
  unit: 'N',
  text: 'n · 0.9/2.2 · F_e d (√((2c + l)² + l²) − (2c + l)) / 1.3',
  source: '[eq, as TR12 mode II] docs/formulas/pin-capacity.md',
  terms: { n: 'count', F_e: 'MPa', d: 'mm', l: 'mm', c: 'mm' },
  compute: ({ n, F_e, d, l, c }) => (n * (PERMANENT / 2.2) * pinYield({ F_e, d, l, c })) / UNEVEN_PINS,
});

/** Load at which the wood around one pin yields, N: diameter d, length l in its hole, loaded c out of it (mm), bearing strength F_e (MPa). */
export function pinYield({ F_e, d, l, c }: { readonly F_e: number; readonly d: number; readonly l: number; readonly c: number }): number {
  return F_e * d * (Math.hypot(2 * c + l, l) - (2 * c + l));
}

/** Two pins support each end of a shelf; one of them takes more than the other. [ASSUME] */
const PINS_AN_END = 2;
const UNEVEN_PINS = ASSUMED.unevenPins.value;
/** Dowel bearing strength around a pin, MPa. [ASSUME] */
const PIN_BEARING_MPA = { fibre: ASSUMED.pinFibre.value, wood: ASSUMED.pinWood.value } as const;

export const EDGE_SCREWS = formula({
  label: 'edge-screws-shear',
  unit: 'N',
  text: "n · 0.67 Z'",
  source: '[NDS C_eg] docs/formulas/joint-capacity.md',
  terms: { n: 'count', "Z'": 'N' },
  compute: (terms) => terms.n * EDGE_SHEAR * terms["Z'"],
});
const EDGE_SCREWS_PULL = formula({
  label: 'edge-screws-pull',
  unit: 'N',
  text: "n · 0.5 W'",
  source: SOURCE,
  terms: { n: 'count', "W'": 'N' },
  compute: (terms) => terms.n * EDGE_PULL * terms["W'"],
});
export const FIBRE_PULL = formula({
  label: 'edge-screws-pull',
  unit: 'N',
  text: 'n · 130 N · (D / 4.83) · (grip / 25)',
  source: '[A208](m) docs/formulas/joint-capacity.md',
  terms: { n: 'count', D: 'mm', grip: 'mm' },
  compute: ({ n, D, grip }) => n * FIBRE_EDGE_N * (D / 4.83) * (grip / 25),
});
/** Pocket screws penetrate less than 6 D: 130 N across and the same along. [ASSUME] */
const POCKETS = formula({
  label: 'pocket-screws',
  unit: 'N',
  text: 'n · 130 N',
  source: SOURCE,
  terms: { n: 'count' },
  compute: ({ n }) => n * ASSUMED.pocket.value,
});
/** 18-gauge brads across their length; no capacity along it. */
const BRADS = formula({ label: 'brads', unit: 'N', text: 'n · 29 N', source: SOURCE, terms: { n: 'count' }, compute: ({ n }) => n * ASSUMED.brad.value });
/** Glued 8 mm dowels across their length: 2 MPa over the section. [ASSUME] */
const DOWELS = formula({ label: 'dowels', unit: 'N', text: 'n · 100 N', source: SOURCE, terms: { n: 'count' }, compute: ({ n }) => n * ASSUMED.dowel.value });

/** Capacity of one end of a floor; undefined when nothing supports it. */
export function supportCapacity(input: HangInput, floor: ResolvedPanel): ExplainedValue | undefined {
  const { cabinet } = input;
  const ends = connectionsOf(cabinet, 'asGuest', floor.id).filter(
    ({ face, edge, host }) => isFace(face) && !isFace(edge) && isUpright(cabinet.byId.get(host)!),
  );
  const under = connectionsOf(cabinet, 'asHost', floor.id).filter((connection) => hangsUnder(cabinet, connection, floor.id));
  const capacities = [...ends.map((connection) => endCapacity(input, connection, floor)), ...under.map((connection) => hungUnder(input, connection, floor))];
  return capacities.reduce<ExplainedValue | undefined>((least, next) => (least && least.value <= next.value ? least : next), undefined);
}

/** Whether a panel stands upright and runs out from the wall, so that the ends of a floor can meet it. */
const isUpright = ({ frame }: ResolvedPanel): boolean => Math.abs(frame.w.along) > 0.5;

/** Whether a floor lies under the ends of the uprights and hangs from them: its fastening is pulled straight out. */
export const hangsUnder = (cabinet: ResolvedCabinet, { guest, host, face, edge }: Connection, floor: string): boolean =>
  host === floor && face === 'reference' && edge === 'start' && isUpright(cabinet.byId.get(guest)!) && cabinet.byId.get(guest)!.role === 'side';
const shown = (figure: ExplainedValue): ValueTerm => ({ symbol: '', label: figure.label, value: figure.value, unit: figure.unit, inner: figure });

/** Capacity of a floor that meets an upright with its end: lip, glue on the end, or screws across it. */
export function endCapacity(input: HangInput, connection: Connection, floor: ResolvedPanel): ExplainedValue {
  const host = input.cabinet.byId.get(connection.host)!;
  const B = toMm(floor.width.value);
  const t = toMm(floor.thickness);
  const mechanisms: ExplainedValue[] = [];
  if (connection.joint.kind === 'pins') {
    const row = host.cuts.find((cut) => cut.kind === 'holes' && cut.purpose === 'shelf-pins');
    if (row?.kind !== 'holes') return strongest([]);
    const F_e = PIN_BEARING_MPA[input.materialOf(host.stock).kind === 'fibre' ? 'fibre' : 'wood'];
    const l = toMm(row.depth ?? host.thickness);
    return strongest([evaluate(PINS, { n: PINS_AN_END, F_e, d: toMm(row.diameter), l, c: toMm(connection.joint.endPlay) })]);
  }
  const slot = host.slots.find(({ id }) => id === connection.id);
  if (slot) {
    const material = input.materialOf(host.stock);
    mechanisms.push(
      evaluate(LIP, {
        depth: toMm(slot.depth),
        B,
        F_c: material.bearingMPa,
        lip: lipUnder(slot.near, extentOf(host.outline, 'u').from),
        f_v: material.lipShearMPa,
      }),
    );
  }
  if (connection.joint.glue && !input.isFaced(host.stock) && !isEndGrain(input, connection, floor)) mechanisms.push(evaluate(GLUE, { B, t, f: GLUE_EDGE_MPA }));
  mechanisms.push(...fastenedAcross(input, connection, host, floor));
  return strongest(mechanisms);
}

/** Glue on end grain of a solid board is starved and has no capacity; where the grain direction is free, any edge may be end grain. */
export function isEndGrain({ materialOf }: Pick<HangInput, 'materialOf'>, { edge }: Connection, guest: ResolvedPanel): boolean {
  if (materialOf(guest.stock).kind !== 'solid') return false;
  if (guest.grain === 'none') return true;
  return guest.grain === 'length' ? edge === 'start' || edge === 'end' : edge === 'near' || edge === 'far';
}

/** Wood of the host left below a slot, mm; zero where the slot runs out over the lower end. */
export const lipUnder = (slotLower: number, hostLower: number): number => Math.max(0, (slotLower - hostLower) / 1e6);

/** Capacity of a floor under the ends of the uprights: everything is pulled straight out of their end edges. */
function hungUnder(input: HangInput, connection: Connection, floor: ResolvedPanel): ExplainedValue {
  const side = input.cabinet.byId.get(connection.guest)!;
  const mechanisms: ExplainedValue[] = [];
  if (connection.joint.glue && !input.isFaced(floor.stock)) {
    // Pulled straight off a fiberboard, the board itself delaminates.
    const isFibre = [side, floor].some(({ stock }) => input.materialOf(stock).kind === 'fibre');
    mechanisms.push(evaluate(GLUE, { B: toMm(side.width.value), t: toMm(side.thickness), f: isFibre ? ASSUMED.glueFibreTension.value : GLUE_EDGE_MPA }));
  }
  const { fastening, depth } = connection.joint;
  if (fastening?.by === 'pockets') mechanisms.push(evaluate(POCKETS, { n: fastening.count }));
  // A brad or dowel has no capacity along its length.
  if (fastening?.by === 'screws') mechanisms.push(edgePull(input, fastening, toMm(floor.thickness) - toMm(depth), side));
  return strongest(mechanisms);
}

/** Capacity of screws through `lengthMm` of panel into a board's edge, pulled straight out. */
export function edgePull(input: HangInput, { screw: id, length, count }: Fastening, throughMm: number, board: ResolvedPanel): ExplainedValue {
  const screw = screwById(id);
  const material = input.materialOf(board.stock);
  const thread = threadIn(Math.max(0, toMm(length) - throughMm), toMm(length));
  return material.kind === 'fibre'
    ? evaluate(FIBRE_PULL, { n: count, D: screw.diameterMm, grip: Math.min(40, thread) })
    : evaluate(EDGE_SCREWS_PULL, { n: count, "W'": evaluate(WITHDRAWAL, { G: material.gravity, D: screw.diameterMm, thread, C_D: PERMANENT }) });
}

function fastenedAcross(input: HangInput, { joint }: Connection, host: ResolvedPanel, guest: ResolvedPanel): ExplainedValue[] {
  const { fastening } = joint;
  if (!fastening) return [];
  const { by, count: n } = fastening;
  if (by === 'pockets') return [evaluate(POCKETS, { n })];
  if (by === 'brads') return [evaluate(BRADS, { n })];
  if (by === 'dowels') return joint.glue ? [evaluate(DOWELS, { n })] : [];
  const screw = screwById(fastening.screw);
  const side = toMm(host.thickness) - toMm(joint.depth);
  const grip = Math.max(0, toMm(fastening.length) - side);
  const gravity = ({ stock }: ResolvedPanel): number => input.materialOf(stock).gravity;
  const lateral = shearOf(screw, { side, grip, gap: 0, sideGravity: gravity(host), mainGravity: gravity(guest) });
  return grip > 0 ? [evaluate(EDGE_SCREWS, { n, "Z'": lateral })] : [];
}

export const strongest = (mechanisms: readonly ExplainedValue[]): ExplainedValue =>
  mechanisms.length > 0
    ? greatest('joint-capacity', 'N', mechanisms.map(shown), 'docs/formulas/joint-capacity.md')
    : total('joint-capacity', 'N', [{ symbol: '', label: { key: 'nothing-holds' }, value: 0, unit: 'N' }]);
