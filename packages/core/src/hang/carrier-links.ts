/**
 * From the carcass to the cabinet half: the carrier is what its screws go through, the hanging rail
 * or, without one, a thick back. It hands the whole weight to the two sides. Sources: docs/formulas/rail-load.md, cabinet-half-pull.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { tanDeg } from '../solid/hanging.ts';
import { place, type Panel } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { hangsOnCleat, meetingsOf, type ResolvedUnit } from '../solid/unit.ts';
import type { Label } from '../worked/dimension.ts';
import { apply, formula, termOf, total, type Figure } from '../worked/figure.ts';
import type { WallForces } from './forces.ts';
import { COMBINED, HEAD_PULL_THROUGH, PERMANENT, WITHDRAWAL, linearUse, shearOf, threadIn } from './fasteners.ts';
import type { HangInput } from './hang-input.ts';
import { worstBracket } from './hung-shares.ts';
import { endCapacity, GLUE, strongest } from './joint-capacity.ts';
import { JOINT_USE, link, type Link } from './link.ts';
import { CABINET_PULL } from './statics.ts';

/** A back thinner than this is no fixing. [ASSUME] */
export const LEAST_FIXING_BACK_MM = ASSUMED.fixingBack.value;
/** A screw stands so many diameters from an edge at least. [NDS 12.1 commentary (m)] */
const EDGE_DISTANCE = ASSUMED.edgeDistance.value;

const CARRIER_LOAD = formula({
  label: 'rail-load',
  unit: 'N',
  text: '√((W/2)² + (S/2)²)',
  source: '[eq] docs/formulas/rail-load.md',
  terms: { W: 'N', S: 'N' },
  compute: ({ W, S }) => Math.hypot(W / 2, S / 2),
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

/** What the cabinet half is screwed through; undefined when there is only a thin back, or nothing. */
export function carrierOf(unit: ResolvedUnit): ResolvedPanel | undefined {
  if (unit.hanging.hangingRail) return unit.byId.get(unit.hanging.hangingRail);
  const back = unit.panels.find(({ role }) => role === 'back') ?? unit.panels.find(({ role }) => role === 'leaf');
  return back && toMm(back.thickness) >= LEAST_FIXING_BACK_MM ? back : undefined;
}

/**
 * How far below the top edge of the cabinet half its screws stand, mm: as low as the bevel allows,
 * but inside the carrier. Null when no row fits both, so that the half holds in nothing.
 */
export function cabinetScrewRow(unit: ResolvedUnit): number | null {
  const room = roomForRow(unit);
  return room && room.lowest <= room.highest ? room.top - room.lowest : null;
}

/** The carrier's panel that the screws of the cabinet half miss, by how much, and how far the half must go up (less is down) until they meet, mm. */
export interface MissedCarrier {
  readonly carrier: string;
  readonly missMm: number;
  /** Null where moving it is no cure: the half or the carrier is too narrow for a row of screws. */
  readonly upMm: number | null;
}

/** Undefined where there is no carrier, or a row of screws fits both. */
export function missedCarrier(unit: ResolvedUnit): MissedCarrier | undefined {
  const room = roomForRow(unit);
  if (!room || room.lowest <= room.highest) return undefined;
  const missMm = room.lowest - room.highest;
  const { half, carrier } = room;
  const meets = Math.min(half.high - half.low, carrier.high - carrier.low) >= 2 * room.edge;
  return { carrier: room.id, missMm, upMm: !meets ? null : half.low > carrier.low ? -missMm : missMm };
}

/** Between which heights the row may stand, and what bounds it: the half's own face above its bevel, and the carrier; mm. */
function roomForRow(unit: ResolvedUnit) {
  const panel = carrierOf(unit);
  if (!panel) return null;
  const { hanging } = unit;
  const edge = EDGE_DISTANCE * screwById(hanging.cabinetScrew.screw).diameterMm;
  const top = toMm(hanging.valleyUp) + toMm(hanging.longFace);
  const half = { low: toMm(hanging.valleyUp) + toMm(hanging.cleatThickness) * tanDeg(hanging.bevelDeg), high: top };
  const carrier = heightsOf(panel);
  return { id: panel.id, edge, top, half, carrier, lowest: Math.max(half.low, carrier.low) + edge, highest: Math.min(half.high, carrier.high) - edge };
}

function heightsOf({ frame, outline }: Panel): { low: number; high: number } {
  const ups = outline.map(({ from }) => place(frame, from).up / 1e6);
  return { low: Math.min(...ups), high: Math.max(...ups) };
}

/** One end of the carrier against a side. */
export interface CarrierCapacity {
  readonly panel: ResolvedPanel;
  readonly name: Label;
  readonly capacity: Figure;
}

export function carrierCapacity(input: HangInput): CarrierCapacity | null {
  const { unit } = input;
  const panel = carrierOf(unit);
  if (!panel) return null;
  // A slab, or a board with nothing at its sides, is what hangs: it hands the weight to nobody.
  if (panel.role === 'leaf' || (panel.role === 'back' && !unit.panels.some(({ role }) => role === 'side'))) return null;
  if (panel.role === 'back') return { panel, name: { key: 'link-back' }, capacity: backCapacity(input, panel) };
  const ends = railsBeside(unit, panel).map((rail) =>
    endCapacity(
      input,
      meetingsOf(unit, 'asGuest', rail.id).find(({ edge }) => edge === 'start')!,
      rail,
    ),
  );
  return {
    panel,
    name: { key: 'link-rail' },
    capacity:
      ends.length === 1
        ? ends[0]!
        : total(
            'rail-capacity',
            'N',
            ends.map((end) => termOf(end)),
            'docs/formulas/rail-load.md',
          ),
  };
}

/** The boxes of a run hand their weight to the one cleat by a rail each, all at one height. */
function railsBeside({ panels }: ResolvedUnit, rail: ResolvedPanel): ResolvedPanel[] {
  const high = heightsOf(rail).high;
  return panels.filter((panel) => panel.role === 'hanging-rail' && Math.abs(heightsOf(panel).high - high) < 1);
}

/** A back is held by glue along each side: over the width of its rabbet, or of the side's edge when it lies over it. */
function backCapacity({ unit, isFaced }: HangInput, back: ResolvedPanel): Figure {
  const meeting = unit.meetings.find(({ guest, host }) => (guest === back.id && isSide(unit, host)) || (host === back.id && isSide(unit, guest)));
  if (!meeting) return strongest([]);
  const side = unit.byId.get(meeting.guest === back.id ? meeting.host : meeting.guest)!;
  const contact = meeting.guest === back.id ? toMm(meeting.joint.depth) : toMm(side.thickness);
  const holds = meeting.joint.glue && !isFaced(back.stock) && !(meeting.guest === back.id && isFaced(side.stock));
  return strongest(holds ? [apply(GLUE, { B: toMm(back.length.value), t: contact })] : []);
}

const isSide = (unit: ResolvedUnit, id: string): boolean => unit.byId.get(id)?.role === 'side';

export function carrierLinks(carrier: CarrierCapacity | null, forces: WallForces): Link[] {
  if (!carrier) return [];
  const load = apply(CARRIER_LOAD, { W: forces.weight, S: forces.spacerPush });
  return [
    link({ id: 'rail', kind: 'rail-joint', name: carrier.name, use: apply(JOINT_USE, { load, capacity: carrier.capacity }), panels: [carrier.panel.id] }),
  ];
}

/** One screw that holds the cabinet half, and where its row stands. */
export interface CabinetCapacity {
  readonly lateral: Figure;
  readonly pull: Figure;
  readonly rowMm: number;
  readonly carrier: string;
}

/** Screws from inside through the carrier and the back into the cabinet half; a back between counts as a gap. */
export function cabinetCapacity(input: HangInput): CabinetCapacity | null {
  const { unit } = input;
  const { hanging } = unit;
  if (!hangsOnCleat(hanging)) return null;
  const through = carrierOf(unit);
  const rowMm = cabinetScrewRow(unit);
  const { screw: screwId, length, count } = hanging.cabinetScrew;
  if (!through || rowMm === null || count === 0) return null;
  const screw = screwById(screwId);
  const back = through.role !== 'hanging-rail' ? undefined : unit.panels.find(({ role }) => role === 'back');
  const gap = back ? toMm(back.thickness) : 0;
  const side = toMm(through.thickness);
  const grip = Math.max(0, Math.min(toMm(length) - side - gap, toMm(hanging.cleatThickness)));
  const cleat = input.materialOf(unit.byId.get(hanging.cabinetHalf)!.stock);
  const throughMaterial = input.materialOf(through.stock);
  const lateral = shearOf(screw, { side, grip, gap, sideGravity: throughMaterial.gravity, mainGravity: cleat.gravity });
  const thread = apply(WITHDRAWAL, { G: cleat.gravity, D: screw.diameterMm, thread: threadIn(grip, toMm(length)), C_D: PERMANENT });
  const head = apply(HEAD_PULL_THROUGH, { D_H: screw.headMm, G: throughMaterial.gravity, t: side, C_D: PERMANENT });
  return { lateral, pull: thread.value <= head.value ? thread : head, rowMm, carrier: through.id };
}

/** Screws in each bracket, or in the whole half. */
export const screwsEach = ({ brackets, cabinetScrew }: ResolvedUnit['hanging']): number => Math.floor(cabinetScrew.count / brackets.length);

export function cabinetLinks(unit: ResolvedUnit, cabinet: CabinetCapacity | null, forces: WallForces): Link[] {
  const { hanging } = unit;
  const { hook } = forces;
  const n = screwsEach(hanging);
  if (!cabinet || !hook || n === 0) return [];
  const { lateral, pull: holds, rowMm: s, carrier } = cabinet;
  const whole = hanging.brackets.length === 1;
  const share = whole ? 1 : worstBracket(unit, forces.along);
  const shear = whole ? apply(PER_SCREW, { W: forces.weight, n }) : apply(BRACKET_SHEAR, { W: forces.weight, share, n });
  const V = whole ? forces.weight : forces.weight.value * share;
  const pull = apply(CABINET_PULL, { H: whole ? forces.outward : forces.outward.value * share, V, b: hook.b, t: forces.t, s, n });
  const some = lateral.value > 0 && holds.value > 0;
  const use = apply(COMBINED, { V: shear, T: pull, "Z'": some ? lateral : 1e-6, "W'": some ? holds : 1e-6 });
  return [
    link({
      id: 'cabinet-half',
      kind: 'cabinet-screws',
      name: { key: 'link-cabinet-half' },
      use,
      panels: [...hanging.brackets, carrier],
      straightSum: linearUse(shear.value, pull.value, lateral.value, holds.value),
    }),
  ];
}
