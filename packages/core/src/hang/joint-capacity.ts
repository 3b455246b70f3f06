/**
 * What one end of a joint carries, read off its meeting. A joint counts its largest single mechanism
 * (lip, glue or fasteners), never their sum: glue is stiff and takes everything until it fails.
 * Sources: docs/formulas/joint-capacity.md.
 */
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { isFace, type Meeting } from '../solid/meeting.ts';
import { extentOf } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import { apply, formula, greatest, total, type Figure, type FigureTerm } from '../worked/figure.ts';
import { PERMANENT, WITHDRAWAL, shearOf, threadIn } from './fasteners.ts';
import type { HangInput } from './hang-input.ts';

const SOURCE = '[ASSUME] docs/formulas/joint-capacity.md';
/** Glue on wood, long term, MPa. [ASSUME] a twentieth of the ultimate. */
const GLUE_EDGE_MPA = 0.17;
/** A lip lower than this is taken as none, mm. [ASSUME] */
export const LEAST_LIP_MM = 10;
/** Screws in a panel's edge: shear and pull against those in its face. [NDS C_eg; ASSUME] */
const EDGE_SHEAR = 0.67;
const EDGE_PULL = 0.5;
/** MDF and particleboard edges, N per 25 mm of #10 thread. [A208](m) */
const FIBRE_EDGE_N = 130;

const LIP = formula({
  label: 'lip-capacity',
  unit: 'N',
  text: 'min(depth · B · F_c, lip · B · f_v), 0 under 10 mm',
  source: SOURCE,
  terms: { depth: 'mm', B: 'mm', F_c: 'MPa', lip: 'mm', f_v: 'MPa' },
  compute: ({ depth, B, F_c, lip, f_v }) => (lip < LEAST_LIP_MM ? 0 : Math.min(depth * B * F_c, lip * B * f_v)),
});
export const GLUE = formula({
  label: 'glue-capacity',
  unit: 'N',
  text: 'B · t · 0.17 MPa',
  source: SOURCE,
  terms: { B: 'mm', t: 'mm' },
  compute: ({ B, t }) => B * t * GLUE_EDGE_MPA,
});
/** Pins at one end of a shelf: they crush the wood of the upright's holes before they bend. docs/formulas/pin-capacity.md */
const PINS = formula({
  label: 'pin-capacity',
  unit: 'N',
  text: 'n · d · depth · F_c / 2',
  source: '[ASSUME] docs/formulas/pin-capacity.md',
  terms: { n: 'count', d: 'mm', depth: 'mm', F_c: 'MPa' },
  compute: ({ n, d, depth, F_c }) => (n * d * depth * F_c) / 2,
});
/** Two pins hold each end of a shelf. */
const PINS_AN_END = 2;

const EDGE_SCREWS = formula({
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
const FIBRE_PULL = formula({
  label: 'edge-screws-pull',
  unit: 'N',
  text: 'n · 130 N · (D / 4.83) · (grip / 25)',
  source: '[A208](m) docs/formulas/joint-capacity.md',
  terms: { n: 'count', D: 'mm', grip: 'mm' },
  compute: ({ n, D, grip }) => n * FIBRE_EDGE_N * (D / 4.83) * (grip / 25),
});
/** What one end of a floor can carry; undefined when nothing holds it up. */
export function supportCapacity(input: HangInput, floor: ResolvedPanel): Figure | undefined {
  const capacities = input.unit.meetings.flatMap((meeting) => {
    if (meeting.guest === floor.id && isFace(meeting.face) && !isFace(meeting.edge) && isUpright(input.unit.byId.get(meeting.host)!))
      return [endCapacity(input, meeting, floor)];
    return hangsUnder(input.unit, meeting, floor.id) ? [hungUnder(input, meeting, floor)] : [];
  });
  return capacities.reduce<Figure | undefined>((least, next) => (least && least.value <= next.value ? least : next), undefined);
}

/** Stands upright and runs out from the wall: what the ends of a floor can go against. */
const isUpright = ({ frame }: ResolvedPanel): boolean => Math.abs(frame.w.along) > 0.5;

/** A floor that upright panels stand on with their ends, and that hangs from them: what holds it is pulled straight out. */
export const hangsUnder = (unit: ResolvedUnit, { guest, host, face, edge }: Meeting, floor: string): boolean =>
  host === floor && face === 'reference' && edge === 'start' && isUpright(unit.byId.get(guest)!) && unit.byId.get(guest)!.role === 'side';
const shown = (figure: Figure): FigureTerm => ({ symbol: '', label: figure.label, value: figure.value, unit: figure.unit, inner: figure });

/** A floor whose end goes against, or into, an upright: lip, glue on its end, or screws across it. */
export function endCapacity(input: HangInput, meeting: Meeting, floor: ResolvedPanel): Figure {
  const host = input.unit.byId.get(meeting.host)!;
  const B = toMm(floor.width.value);
  const t = toMm(floor.thickness);
  const mechanisms: Figure[] = [];
  if (meeting.joint.kind === 'pins') {
    const row = host.cuts.find((cut) => cut.kind === 'holes' && cut.reason.key === 'pin-row');
    return row?.kind === 'holes'
      ? strongest([
          apply(PINS, { n: PINS_AN_END, d: toMm(row.diameter), depth: toMm(row.depth ?? host.thickness), F_c: input.materialOf(host.stock).bearingMPa }),
        ])
      : strongest([]);
  }
  const strip = host.strips.find(({ id }) => id === meeting.id);
  if (strip) {
    const material = input.materialOf(host.stock);
    mechanisms.push(
      apply(LIP, {
        depth: toMm(strip.depth),
        B,
        F_c: material.bearingMPa,
        lip: lipUnder(strip.near, extentOf(host.outline, 'u').from),
        f_v: material.lipShearMPa,
      }),
    );
  }
  if (meeting.joint.glue && !input.isFaced(host.stock)) mechanisms.push(apply(GLUE, { B, t }));
  mechanisms.push(...screwsAcross(input, meeting, host, floor));
  return strongest(mechanisms);
}

/** Wood of the host left below a slot, mm. A slot that runs out over the lower end leaves none. */
export const lipUnder = (slotLower: number, hostLower: number): number => Math.max(0, (slotLower - hostLower) / 1e6);

/** A floor under the uprights' ends: everything pulls straight out of their end edges. */
function hungUnder(input: HangInput, meeting: Meeting, floor: ResolvedPanel): Figure {
  const side = input.unit.byId.get(meeting.guest)!;
  const mechanisms: Figure[] = [];
  if (meeting.joint.glue && !input.isFaced(floor.stock)) mechanisms.push(apply(GLUE, { B: toMm(side.width.value), t: toMm(side.thickness) }));
  const { fastening } = meeting.joint;
  if (fastening) {
    const screw = screwById(fastening.screw);
    const material = input.materialOf(side.stock);
    const grip = Math.max(0, toMm(fastening.length) - toMm(floor.thickness) + toMm(meeting.joint.depth));
    const thread = threadIn(grip, toMm(fastening.length));
    mechanisms.push(
      material.kind === 'fibre'
        ? apply(FIBRE_PULL, { n: fastening.count, D: screw.diameterMm, grip: Math.min(40, thread) })
        : apply(EDGE_SCREWS_PULL, { n: fastening.count, "W'": apply(WITHDRAWAL, { G: material.gravity, D: screw.diameterMm, thread, C_D: PERMANENT }) }),
    );
  }
  return strongest(mechanisms);
}

function screwsAcross(input: HangInput, { joint }: Meeting, host: ResolvedPanel, guest: ResolvedPanel): Figure[] {
  const { fastening } = joint;
  if (!fastening) return [];
  const screw = screwById(fastening.screw);
  const side = toMm(host.thickness) - toMm(joint.depth);
  const grip = Math.max(0, toMm(fastening.length) - side);
  const gravity = ({ stock }: ResolvedPanel): number => input.materialOf(stock).gravity;
  const lateral = shearOf(screw, { side, grip, gap: 0, sideGravity: gravity(host), mainGravity: gravity(guest) });
  return grip > 0 ? [apply(EDGE_SCREWS, { n: fastening.count, "Z'": lateral })] : [];
}

export const strongest = (mechanisms: readonly Figure[]): Figure =>
  mechanisms.length > 0
    ? greatest('joint-capacity', 'N', mechanisms.map(shown), 'docs/formulas/joint-capacity.md')
    : total('joint-capacity', 'N', [{ symbol: '', label: { key: 'nothing-holds' }, value: 0, unit: 'N' }]);
