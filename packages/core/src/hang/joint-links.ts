/**
 * Links inside the unit, read off its meetings: what carries each floor, what carries the hanging
 * rail, what holds the cabinet half. Each joint counts its largest single mechanism (lip, glue or
 * fasteners), never their sum: glue is stiff and takes everything until it fails.
 */
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import type { Meeting } from '../solid/meeting.ts';
import { extentOf } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { apply, formula, greatest, total, type Figure, type FigureTerm } from '../worked/figure.ts';
import { bearingLength, COMBINED, G0, HEAD_PULL_THROUGH, LATERAL, linearUse, PERMANENT, threadIn, WITHDRAWAL } from './fasteners.ts';
import type { CleatForces } from './cleat-forces.ts';
import type { HangInput } from './hang.ts';
import { link, type Link } from './link.ts';
import { CABINET_PULL } from './statics.ts';

const SOURCE = '[ASSUME] docs/formulas/joints.md';
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
const GLUE = formula({
  label: 'glue-capacity',
  unit: 'N',
  text: 'B · t · 0.17 MPa',
  source: SOURCE,
  terms: { B: 'mm', t: 'mm' },
  compute: ({ B, t }) => B * t * GLUE_EDGE_MPA,
});
const EDGE_SCREWS = formula({
  label: 'edge-screws-shear',
  unit: 'N',
  text: "n · 0.67 Z'",
  source: '[NDS C_eg] docs/formulas/joints.md',
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
  source: '[A208](m) docs/formulas/joints.md',
  terms: { n: 'count', D: 'mm', grip: 'mm' },
  compute: ({ n, D, grip }) => n * FIBRE_EDGE_N * (D / 4.83) * (grip / 25),
});
const HALF = formula({
  label: 'joint-load',
  unit: 'N',
  text: '(contents + own mass) · g₀ / 2',
  source: '[eq]',
  terms: { contents: 'kg', own: 'kg' },
  compute: ({ contents, own }) => ((contents + own) * G0) / 2,
});
const USE = formula({
  label: 'joint-use',
  unit: 'share',
  text: 'load / capacity',
  source: '[eq]',
  terms: { load: 'N', capacity: 'N' },
  compute: ({ load, capacity }) => (capacity > 0 ? load / capacity : load > 0 ? 99 : 0),
});
const RAIL_LOAD = formula({
  label: 'rail-load',
  unit: 'N',
  text: '√((W/2)² + (S/2)²)',
  source: '[eq] docs/formulas/joints.md',
  terms: { W: 'N', S: 'N' },
  compute: ({ W, S }) => Math.hypot(W / 2, S / 2),
});

/** What the joints hold, whatever they have to. */
export interface JointCapacities {
  /** One end of a floor, by panel id. */
  readonly floors: ReadonlyMap<string, Figure>;
  readonly rail: Figure | null;
  readonly cabinet: { readonly lateral: Figure; readonly pull: Figure; readonly screwsUp: number } | null;
}

export function jointCapacities(input: HangInput): JointCapacities {
  const floors = new Map<string, Figure>();
  for (const { floor } of input.unit.compartments) {
    const capacity = supportCapacity(input, input.unit.byId.get(floor)!);
    if (capacity) floors.set(floor, capacity);
  }
  return { floors, rail: railCapacity(input), cabinet: cabinetCapacity(input) };
}

export function jointLinks(input: HangInput, capacities: JointCapacities, forces: CleatForces, factor: number): Link[] {
  return [...floorLinks(input, capacities, factor), ...railLinks(input, capacities, forces), ...cabinetLinks(input, capacities, forces)];
}

/** Each floor and loaded shelf: half its load at each end, against the weaker of its two joints. */
function floorLinks(input: HangInput, { floors }: JointCapacities, factor: number): Link[] {
  const { unit, weights } = input;
  return weights.contents.flatMap(({ compartment, mass }) => {
    const floor = unit.byId.get(compartment.floor)!;
    const capacity = floors.get(floor.id);
    if (!capacity) return [];
    const load = apply(HALF, { contents: { value: mass.value * factor, label: mass.label }, own: weights.panels.get(floor.id)! });
    const use = apply(USE, { load, capacity });
    return [
      link({
        id: `joint-${floor.id}`,
        kind: 'floor-joint',
        name: { key: 'link-joint', of: `${floor.name.key}${floor.name.of ? ` ${floor.name.of}` : ''}` },
        use,
        panels: [floor.id],
      }),
    ];
  });
}

/** What one end of a floor can carry; undefined when nothing holds it up. */
export function supportCapacity(input: HangInput, floor: ResolvedPanel): Figure | undefined {
  const capacities = input.unit.meetings.flatMap((meeting) => {
    if (meeting.guest === floor.id && isUpright(input.unit.byId.get(meeting.host)!)) return [shelvedIn(input, meeting, floor)];
    if (meeting.host === floor.id && isSide(input.unit.byId.get(meeting.guest)!) && meeting.face === 'reference') return [hungUnder(input, meeting, floor)];
    return [];
  });
  return capacities.reduce<Figure | undefined>((least, next) => (least && least.value <= next.value ? least : next), undefined);
}

const isSide = ({ role }: ResolvedPanel): boolean => role === 'side';
const isUpright = isSide;
const shown = (figure: Figure): FigureTerm => ({ symbol: '', label: figure.label, value: figure.value, unit: figure.unit, inner: figure });

/** A floor whose end goes against, or into, an upright: lip, glue on its end, or screws across it. */
function shelvedIn(input: HangInput, meeting: Meeting, floor: ResolvedPanel): Figure {
  const host = input.unit.byId.get(meeting.host)!;
  const B = toMm(floor.width.value);
  const t = toMm(floor.thickness);
  const mechanisms: Figure[] = [];
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
  const lateral = apply(LATERAL, {
    D: screw.diameterMm,
    D_r: screw.rootMm,
    F_yb: screw.yieldPsi * 0.00689475729,
    side,
    main: bearingLength(grip, screw.diameterMm),
    gap: 0,
    'G side': input.materialOf(host.stock).gravity,
    'G main': input.materialOf(guest.stock).gravity,
    C_D: PERMANENT,
  });
  return grip > 0 ? [apply(EDGE_SCREWS, { n: fastening.count, "Z'": lateral })] : [];
}

const strongest = (mechanisms: readonly Figure[]): Figure =>
  mechanisms.length > 0
    ? greatest('joint-capacity', 'N', mechanisms.map(shown), 'docs/formulas/joints.md')
    : total('joint-capacity', 'N', [{ symbol: '', label: { key: 'nothing-holds' }, value: 0, unit: 'N' }]);

/** One end of the hanging rail against a side. */
function railCapacity(input: HangInput): Figure | null {
  const { unit } = input;
  const id = unit.hanging.hangingRail;
  if (!id) return null;
  const meeting = unit.meetings.find(({ guest, edge }) => guest === id && edge === 'start')!;
  return shelvedIn(input, meeting, unit.byId.get(id)!);
}

/** The hanging rail hands the whole weight to the two sides. */
function railLinks({ unit }: HangInput, { rail: capacity }: JointCapacities, forces: CleatForces): Link[] {
  const id = unit.hanging.hangingRail;
  if (!id || !capacity) return [];
  const load = apply(RAIL_LOAD, { W: forces.weight, S: forces.spacerPush });
  return [link({ id: 'rail', kind: 'rail-joint', name: { key: 'link-rail' }, use: apply(USE, { load, capacity }), panels: [id] })];
}

/** Screws from inside through the rail and the back into the cabinet half; the back between counts as a gap. */
function cabinetCapacity(input: HangInput): JointCapacities['cabinet'] {
  const { unit } = input;
  const { hanging } = unit;
  const back = unit.panels.find(({ role }) => role === 'back');
  const rail = hanging.hangingRail ? unit.byId.get(hanging.hangingRail)! : undefined;
  const through = rail ?? back;
  const { screw: screwId, length, count } = hanging.cabinetScrew;
  if (!through || count === 0) return null;
  const screw = screwById(screwId);
  const gap = rail && back ? toMm(back.thickness) : 0;
  const side = toMm(through.thickness);
  const grip = Math.max(0, Math.min(toMm(length) - side - gap, toMm(hanging.cleatThickness)));
  const cleat = input.materialOf(unit.byId.get(hanging.cabinetHalf)!.stock);
  const throughMaterial = input.materialOf(through.stock);
  const lateral = apply(LATERAL, {
    D: screw.diameterMm,
    D_r: screw.rootMm,
    F_yb: screw.yieldPsi * 0.00689475729,
    side,
    main: bearingLength(grip, screw.diameterMm),
    gap,
    'G side': throughMaterial.gravity,
    'G main': cleat.gravity,
    C_D: PERMANENT,
  });
  const thread = apply(WITHDRAWAL, { G: cleat.gravity, D: screw.diameterMm, thread: threadIn(grip, toMm(length)), C_D: PERMANENT });
  const head = apply(HEAD_PULL_THROUGH, { D_H: screw.headMm, G: throughMaterial.gravity, t: side, C_D: PERMANENT });
  return { lateral, pull: thread.value <= head.value ? thread : head, screwsUp: Math.max(1, toMm(hanging.shortFace) - 2.5 * screw.diameterMm) };
}

function cabinetLinks({ unit }: HangInput, { cabinet }: JointCapacities, forces: CleatForces): Link[] {
  if (!cabinet) return [];
  const { hanging } = unit;
  const { lateral, pull: holds, screwsUp: s } = cabinet;
  const n = hanging.cabinetScrew.count;
  const shear = apply(PER_SCREW, { W: forces.weight, n });
  const pull = apply(CABINET_PULL, { H: forces.outward, V: forces.weight, b: forces.b, t: forces.t, s, n });
  const some = lateral.value > 0 && holds.value > 0;
  const use = apply(COMBINED, { V: shear, T: pull, "Z'": some ? lateral : 1e-6, "W'": some ? holds : 1e-6 });
  return [
    link({
      id: 'cabinet-half',
      kind: 'cabinet-screws',
      name: { key: 'link-cabinet-half' },
      use,
      panels: [hanging.cabinetHalf, ...(hanging.hangingRail ? [hanging.hangingRail] : [])],
      straightSum: linearUse(shear.value, pull.value, lateral.value, holds.value),
    }),
  ];
}

const PER_SCREW = formula({ label: 'screw-shear', unit: 'N', text: 'W / n', source: '[eq]', terms: { W: 'N', n: 'count' }, compute: ({ W, n }) => W / n });
