/**
 * What one end of a joint carries, read off its connection. A joint counts its largest single mechanism
 * (lip, glue or fasteners), never their sum: glue is stiff and takes everything until it fails.
 * Sources: docs/formulas/joint-capacity.md.
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
/** Glue on wood, long term, MPa. [ASSUME] a twentieth of the ultimate. */
export const GLUE_EDGE_MPA = ASSUMED.glueEdge.value;
/** A lip lower than this is taken as none, mm. [ASSUME] */
export const MIN_LIP_MM = ASSUMED.leastLip.value;
/** Screws in a panel's edge: shear and pull against those in its face. [NDS C_eg; ASSUME] */
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
 * Pins at one end of a shelf: a pin stands out of the upright's hole by c and carries at its end; the wood about
 * it yields (mode II with one member). One end bears uneven by 1.3. docs/formulas/pin-capacity.md
 */
const PINS = formula({
  label: 'pin-capacity',
  unit: 'N',
  text: 'n · 0.9/2.2 · F_e d (√((2c + l)² + l²) − (2c + l)) / 1.3',
  source: '[eq, as TR12 mode II] docs/formulas/pin-capacity.md',
  terms: { n: 'count', F_e: 'MPa', d: 'mm', l: 'mm', c: 'mm' },
  compute: ({ n, F_e, d, l, c }) => (n * (PERMANENT / 2.2) * pinYield({ F_e, d, l, c })) / UNEVEN_PINS,
});

/** One pin of diameter d, l in its hole and loaded c out of it (mm), in wood that bears F_e (MPa): where the wood yields, N. */
export function pinYield({ F_e, d, l, c }: { readonly F_e: number; readonly d: number; readonly l: number; readonly c: number }): number {
  return F_e * d * (Math.hypot(2 * c + l, l) - (2 * c + l));
}

/** Two pins hold each end of a shelf; one of them gets more than the other. [ASSUME] */
const PINS_AN_END = 2;
const UNEVEN_PINS = ASSUMED.unevenPins.value;
/** Dowel bearing of what a pin stands in, MPa. [ASSUME] */
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
/** Pocket screws reach less than 6 D into their mate: 130 N across and as much along. [ASSUME] */
const POCKETS = formula({
  label: 'pocket-screws',
  unit: 'N',
  text: 'n · 130 N',
  source: SOURCE,
  terms: { n: 'count' },
  compute: ({ n }) => n * ASSUMED.pocket.value,
});
/** Brads of 18 gauge, across; nothing along. */
const BRADS = formula({ label: 'brads', unit: 'N', text: 'n · 29 N', source: SOURCE, terms: { n: 'count' }, compute: ({ n }) => n * ASSUMED.brad.value });
/** Glued dowels of 8 mm, across: 2 MPa over their section. [ASSUME] */
const DOWELS = formula({ label: 'dowels', unit: 'N', text: 'n · 100 N', source: SOURCE, terms: { n: 'count' }, compute: ({ n }) => n * ASSUMED.dowel.value });

/** What one end of a floor can carry; undefined when nothing holds it up. */
export function supportCapacity(input: HangInput, floor: ResolvedPanel): ExplainedValue | undefined {
  const { cabinet } = input;
  const ends = connectionsOf(cabinet, 'asGuest', floor.id).filter(
    ({ face, edge, host }) => isFace(face) && !isFace(edge) && isUpright(cabinet.byId.get(host)!),
  );
  const under = connectionsOf(cabinet, 'asHost', floor.id).filter((connection) => hangsUnder(cabinet, connection, floor.id));
  const capacities = [...ends.map((connection) => endCapacity(input, connection, floor)), ...under.map((connection) => hungUnder(input, connection, floor))];
  return capacities.reduce<ExplainedValue | undefined>((least, next) => (least && least.value <= next.value ? least : next), undefined);
}

/** Stands upright and runs out from the wall: what the ends of a floor can go against. */
const isUpright = ({ frame }: ResolvedPanel): boolean => Math.abs(frame.w.along) > 0.5;

/** A floor that upright panels stand on with their ends, and that hangs from them: what holds it is pulled straight out. */
export const hangsUnder = (cabinet: ResolvedCabinet, { guest, host, face, edge }: Connection, floor: string): boolean =>
  host === floor && face === 'reference' && edge === 'start' && isUpright(cabinet.byId.get(guest)!) && cabinet.byId.get(guest)!.role === 'side';
const shown = (figure: ExplainedValue): ValueTerm => ({ symbol: '', label: figure.label, value: figure.value, unit: figure.unit, inner: figure });

/** A floor whose end goes against, or into, an upright: lip, glue on its end, or screws across it. */
export function endCapacity(input: HangInput, connection: Connection, floor: ResolvedPanel): ExplainedValue {
  const host = input.cabinet.byId.get(connection.host)!;
  const B = toMm(floor.width.value);
  const t = toMm(floor.thickness);
  const mechanisms: ExplainedValue[] = [];
  if (connection.joint.kind === 'pins') {
    const row = host.cuts.find((cut) => cut.kind === 'holes' && cut.reason.key === 'pin-row');
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

/** Glue on the end grain of a solid board is starved and holds nothing; where its grain lies as it comes, any edge may be end grain. */
export function isEndGrain({ materialOf }: Pick<HangInput, 'materialOf'>, { edge }: Connection, guest: ResolvedPanel): boolean {
  if (materialOf(guest.stock).kind !== 'solid') return false;
  if (guest.grain === 'none') return true;
  return guest.grain === 'length' ? edge === 'start' || edge === 'end' : edge === 'near' || edge === 'far';
}

/** Wood of the host left below a slot, mm. A slot that runs out over the lower end leaves none. */
export const lipUnder = (slotLower: number, hostLower: number): number => Math.max(0, (slotLower - hostLower) / 1e6);

/** A floor under the uprights' ends: everything pulls straight out of their end edges. */
function hungUnder(input: HangInput, connection: Connection, floor: ResolvedPanel): ExplainedValue {
  const side = input.cabinet.byId.get(connection.guest)!;
  const mechanisms: ExplainedValue[] = [];
  if (connection.joint.glue && !input.isFaced(floor.stock)) {
    // Pulled straight off a fiber board, the board itself comes apart.
    const isFibre = [side, floor].some(({ stock }) => input.materialOf(stock).kind === 'fibre');
    mechanisms.push(evaluate(GLUE, { B: toMm(side.width.value), t: toMm(side.thickness), f: isFibre ? ASSUMED.glueFibreTension.value : GLUE_EDGE_MPA }));
  }
  const { fastening, depth } = connection.joint;
  if (fastening?.by === 'pockets') mechanisms.push(evaluate(POCKETS, { n: fastening.count }));
  // A brad or a dowel holds nothing straight along itself.
  if (fastening?.by === 'screws') mechanisms.push(edgePull(input, fastening, toMm(floor.thickness) - toMm(depth), side));
  return strongest(mechanisms);
}

/** Screws through so many millimeters into a board's edge, pulled straight out of it. */
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
