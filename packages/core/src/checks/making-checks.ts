/** Checks of how it is made: cutting order, finishing, fasteners. Rules: docs/checks.md. */
import type { FixKey } from './words/fixes.ts';
import { drillingOf, END_IN_MM, pocketFace, seamOf } from '../joints/drilling.ts';
import { screwById } from '../joints/screws.ts';
import { entered } from '../length/entered.ts';
import { NM_PER, toMm } from '../length/length.ts';
import { isLessMm } from '../length/same-size.ts';
import { cutFaults } from '../solid/cut-faults.ts';
import { isFace, type Fastening, type Connection } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { hasSize, place } from '../solid/panel.ts';
import { boundsOf } from '../solid/views.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';

/** Edges that are no longer square once a part is shaped. */
const isShaped = ({ outline, cuts }: ResolvedPanel): boolean =>
  outline.some(({ id }) => id === 'slope' || id === 'taper' || id === 'corner' || id === 'corner-2') || cuts.some(({ kind }) => kind === 'notch');

const taperBeforeSlots: Check = (context) => {
  const { spec, cabinet } = context;
  if (spec.cutFirst === 'slots') return [];
  const parts = cabinet.panels.filter((panel) => panel.slots.length > 0 && isShaped(panel));
  const [first] = parts;
  if (!first) return [];
  return [
    {
      check: 'taper-before-slots',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      name: first.name,
      slots: parts.reduce((sum, { slots }) => sum + slots.length, 0),
      panels: parts.map(({ id }) => id),
      fixes: [{ label: { key: 'slots-first' }, edit: [{ path: inSpec(context, 'cutFirst'), value: 'slots' }] }],
    },
  ];
};

/** Notches and holes that a part has no wood for. */
const noRoomForCut: Check = (context) => {
  const { spec, cabinet } = context;
  const drilled = drillingOf(cabinet.byId, cabinet.connections);
  return cabinet.panels
    .filter(hasSize)
    .flatMap((panel): Finding[] =>
      cutFaults(panel, drilled.get(panel.id) ?? []).map(({ kind, purpose }) => ({
        check: 'no-room-for-cut',
        unit: spec.id,
        severity: kind === 'hole-off' ? 'change' : 'stop',
        station: panel.role === 'wall-half' ? 'hang' : 'box',
        name: panel.name,
        why: kind,
        hole: purpose === 'screw' || purpose === 'dowel' || purpose === 'pocket' ? purpose : null,
        panels: [panel.id],
        fixes:
          panel.role === 'wall-half' && kind !== 'hole-off'
            ? [{ label: { key: 'no-cleat-notch' }, edit: [{ path: inSpec(context, 'hanging', 'notch'), value: null }] }]
            : [{ label: { key: 'change-sizes' }, visit: 'box' }],
      })),
    )
    .slice(0, MAX_CUT_FAULTS);
};
/** Limit on findings of one kind per cabinet. */
const MAX_CUT_FAULTS = 6;

/** Slots that break a visible edge without protection against tear-out. */
const tearOut: Check = (context) => {
  const { spec, cabinet } = context;
  if (spec.slotExit !== 'bare') return [];
  const parts = cabinet.panels.filter(({ tearing }) => tearing.length > 0);
  const [first] = parts;
  if (!first) return [];
  const instead = (slotExit: 'backed' | 'wide', key: FixKey): Fix => ({ label: { key }, edit: [{ path: inSpec(context, 'slotExit'), value: slotExit }] });
  return [
    {
      check: 'tear-out',
      unit: spec.id,
      severity: 'look',
      station: 'joints',
      name: first.name,
      slots: parts.reduce((sum, { tearing }) => sum + tearing.length, 0),
      panels: parts.map(({ id }) => id),
      fixes: [instead('wide', 'leave-wide'), instead('backed', 'back-the-exit')],
    },
  ];
};

/** Width and depth of an opening that a brush and an arm reach into. [A] */
const HAND_MM = 120;
const ARM_MM = 250;

const finishBeforeAssembly: Check = (context) => {
  const { spec, cabinet } = context;
  if (spec.finish.kind === 'none' || spec.finish.when === 'before') return [];
  const narrow = cabinet.compartments.find(({ width, height, depth }) => {
    const open = Math.min(toMm(width.value), toMm(height.value));
    // A closed space has a finding of its own.
    return open > 0 && open < HAND_MM && toMm(depth.value) > ARM_MM;
  });
  if (!narrow) return [];
  return [
    {
      check: 'finish-before-assembly',
      unit: spec.id,
      severity: 'look',
      station: 'box',
      name: narrow.name,
      openNm: Math.min(narrow.width.value, narrow.height.value),
      depthNm: narrow.depth.value,
      panels: [narrow.floor],
      fixes: [
        {
          label: { key: 'finish-before' },
          edit: [
            { path: inSpec(context, 'finish', 'when'), value: 'before' },
            { path: inSpec(context, 'finish', 'masked'), value: true },
          ],
        },
      ],
    },
  ];
};

const maskIt = (context: CheckContext): Fix => ({ label: { key: 'mask-glue' }, edit: [{ path: inSpec(context, 'finish', 'masked'), value: true }] });
const gluedJoints = ({ cabinet }: CheckContext): Connection[] => cabinet.connections.filter(({ joint }) => joint.glue);

/** Stain applied after squeeze-out: it does not take there. */
const squeezeOut: Check = (context) => {
  const { spec } = context;
  const glued = gluedJoints(context);
  if (spec.finish.kind !== 'stain' || spec.finish.when === 'before' || spec.finish.masked || glued.length === 0) return [];
  return [
    {
      check: 'squeeze-out',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      joints: glued.length,
      panels: [...new Set(glued.map(({ host }) => host))],
      fixes: [maskIt(context)],
    },
  ];
};

/** Finish applied before assembly, on faces to be glued. */
const gluedOverFinish: Check = (context) => {
  const { spec } = context;
  const glued = gluedJoints(context);
  if (spec.finish.kind === 'none' || spec.finish.when === 'after' || spec.finish.masked || glued.length === 0) return [];
  return [
    {
      check: 'glue-on-finish',
      why: 'finish',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      product: spec.finish.kind,
      panels: [...new Set(glued.map(({ host }) => host))],
      fixes: [maskIt(context)],
    },
  ];
};

interface Driven {
  readonly connection: Connection;
  readonly fastening: Fastening;
  readonly guest: ResolvedPanel;
  readonly host: ResolvedPanel;
  /** Into the guest's edge, mm. */
  readonly intoMm: number;
  readonly seamMm: number;
}

/** Everything driven or doweled into an edge of a part. */
const driven = ({ cabinet }: CheckContext): Driven[] =>
  cabinet.connections.flatMap((connection): Driven[] => {
    const { fastening, depth } = connection.joint;
    const guest = cabinet.byId.get(connection.guest)!;
    const host = cabinet.byId.get(connection.host)!;
    const seam = seamOf(connection, guest);
    if (!fastening || !seam) return [];
    return [{ connection, fastening, guest, host, intoMm: toMm(fastening.length) - toMm(host.thickness) + toMm(depth), seamMm: seam.lengthMm }];
  });

/** Drift of a brad: a constant, and a share of its way in the part. [A] */
const DRIFT_MM = 3;
const DRIFT_SHARE = 0.1;

const nailBlowsOut = (context: CheckContext, all: readonly Driven[]): Finding[] => {
  const { spec } = context;
  const rows = all
    .filter(({ fastening }) => fastening.by === 'brads')
    .map((row) => ({ ...row, drift: DRIFT_MM + DRIFT_SHARE * Math.max(0, row.intoMm), cover: toMm(row.guest.thickness) / 2 }))
    .filter(({ drift, cover }) => drift > cover);
  const worst = rows.sort((a, b) => b.drift - b.cover - (a.drift - a.cover))[0];
  if (!worst) return [];
  const { guest, host, connection, drift, cover, fastening } = worst;
  const through = toMm(host.thickness) - toMm(connection.joint.depth);
  const longest = Math.floor(through + (cover - DRIFT_MM) / DRIFT_SHARE);
  const shorter = entered(spec.unit === 'mm' ? `${Math.floor(longest / 5) * 5} mm` : `${Math.floor(longest / 6.35) / 4} in`);
  const fixes: Fix[] =
    toMm(shorter.nm) - through >= MIN_BRAD_MM
      ? [{ label: { key: 'use-brads', lengthNm: shorter.nm }, edit: [{ path: inSpec(context, 'assembly', 'length'), value: shorter }] }]
      : [];
  const screws: Fix = { label: { key: 'screws-instead' }, edit: [{ path: inSpec(context, 'assembly', 'by'), value: 'screws' }] };
  return [
    {
      check: 'nail-blows-out',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      name: guest.name,
      lengthNm: fastening.length,
      driftMm: drift,
      coverMm: cover,
      panels: [guest.id, host.id],
      fixes: [...fixes, screws],
    },
  ];
};

/** Least depth at which a brad holds a joint while the glue sets. [A] */
const MIN_BRAD_MM = 12;

const visiblePocketHoles = (context: CheckContext, all: readonly Driven[]): Finding[] => {
  const { spec, cabinet } = context;
  const closed = cabinet.panels.some(({ role }) => role === 'door');
  for (const { fastening, guest } of all) {
    if (fastening.by !== 'pockets' || !fastening.pockets || closed || Math.abs(guest.frame.w.up) < 0.5) continue;
    const face = pocketFace(guest, fastening);
    const depth = face === 'reference' ? 0 : guest.thickness;
    const up = place(guest.frame, { u: 0, v: 0 }, depth).up;
    const looksUp = (face === 'other') === guest.frame.w.up > 0;
    const seen = looksUp ? up < fastening.pockets.eyeUp : up > fastening.pockets.eyeUp;
    if (!seen) continue;
    return [
      {
        check: 'visible-pocket-holes',
        unit: spec.id,
        severity: 'look',
        station: 'box',
        name: guest.name,
        side: looksUp ? 'upper' : 'under',
        faceUpNm: Math.round(up + spec.place.up.nm),
        panels: [guest.id],
        fixes: [{ label: { key: 'hide-pockets' }, edit: [{ path: inSpec(context, 'assembly', 'pocketsOn'), value: 'hidden' }] }],
      },
    ];
  }
  return [];
};

/** Least distance from the end of a part, in diameters: predrilled, and not; from its edge. [NDS 12.1 commentary (m)] */
const END_BORED = 10;
const END_BARE = 15;
const FROM_EDGE = 2.5;

/** Required distance of fasteners from the end of a seam, diameters: a seam across the grain ends at the part's edges, one along it at its ends. */
const wantedOf = ({ connection, guest }: Driven): number => {
  const across = connection.edge === 'start' || connection.edge === 'end';
  return across === (guest.grain !== 'width') ? FROM_EDGE : END_BORED;
};

/** Distance of a seam's outermost screw from its end. */
const fromEndMm = ({ fastening, seamMm }: Driven): number => (fastening.count > 1 ? Math.min(END_IN_MM, seamMm / (2 * fastening.count)) : seamMm / 2);

const edgeSplit = (context: CheckContext, all: readonly Driven[]): Finding[] => {
  const { spec } = context;
  const screws = all.filter(({ fastening }) => fastening.by === 'screws');
  const base = { check: 'edge-split' as const, unit: spec.id, severity: 'change' as const, station: 'box' as const };
  const bare = screws
    .filter(({ fastening }) => !fastening.pilot)
    .map((row) => ({ row, hasMm: fromEndMm(row), wantedMm: END_BARE * screwById(row.fastening.screw).diameterMm }))
    .find(({ hasMm, wantedMm }) => isLessMm(hasMm, wantedMm));
  if (bare) {
    const { row, hasMm, wantedMm } = bare;
    const fixes: Fix[] = [{ label: { key: 'drill-pilots' }, edit: [{ path: inSpec(context, 'assembly', 'pilot'), value: true }] }];
    return [
      {
        ...base,
        name: row.guest.name,
        why: 'pilot',
        hasMm,
        wantedMm,
        panels: [row.guest.id],
        fixes,
      },
    ];
  }
  const tight = screws
    .map((row) => ({
      ...row,
      has: fromEndMm(row),
      wanted: Math.min(END_IN_MM, wantedOf(row) * screwById(row.fastening.screw).diameterMm),
    }))
    .find(({ has, wanted }) => isLessMm(has, wanted));
  if (!tight) return [];
  const { guest, fastening, seamMm, has, wanted } = tight;
  const count = Math.max(1, Math.floor(seamMm / (2 * wanted)));
  const path = guest.role === 'hanging-rail' && spec.hanging.railScrews === fastening.count ? ['hanging', 'railScrews'] : ['assembly', 'perJoint'];
  const fixes: Fix[] =
    count < fastening.count ? [{ label: { key: 'fewer-screws', number: count }, edit: [{ path: inSpec(context, ...path), value: count }] }] : [];
  return [{ ...base, severity: 'look', name: guest.name, why: 'end', hasMm: has, wantedMm: wanted, panels: [guest.id], fixes }];
};

/** Solid rim of a hollow-core door. [A] */
const SOLID_EDGE_MM = 30;

const hollowCore = (context: CheckContext, all: readonly Driven[]): Finding[] => {
  const { spec, hangInput, stockOf, workshop } = context;
  const hollow = (panel: ResolvedPanel): boolean => hangInput.materialOf(panel.stock).kind === 'hollow';
  const found = all.find(
    ({ guest, host, intoMm, connection }) =>
      (hollow(guest) && intoMm > SOLID_EDGE_MM) || (hollow(host) && isFace(connection.face) && inward(host, guest) > SOLID_EDGE_MM),
  );
  if (!found) return [];
  const { guest, host, intoMm } = found;
  const part = hollow(guest) && intoMm > SOLID_EDGE_MM ? guest : host;
  const sound = Object.values(workshop.products).find(
    ({ unit: own, material, nominal }) => own === spec.unit && material.endsWith('plywood') && nominal.nm > 16 * NM_PER.mm,
  );
  return [
    {
      check: 'hollow-core',
      unit: spec.id,
      severity: 'stop',
      station: 'box',
      name: part.name,
      product: stockOf(part.stock).product.name,
      reachMm: part === guest ? intoMm : inward(host, guest),
      edgeMm: SOLID_EDGE_MM,
      panels: [guest.id, host.id],
      fixes:
        sound && part.stock === spec.stock
          ? [{ label: { key: 'use-stock', text: sound.name }, edit: [{ path: inSpec(context, 'stock'), value: sound.id }] }]
          : [],
    },
  ];
};

/** Distance of a guest's middle from the nearest end of its host, mm, along the host's length. */
function inward(host: ResolvedPanel, guest: ResolvedPanel): number {
  const [a, b] = [boundsOf(host), boundsOf(guest)];
  const axis = Math.abs(host.frame.u.up) > 0.5 ? ('up' as const) : ('along' as const);
  const middle = (b.low[axis] + b.high[axis]) / 2;
  return Math.min(middle - a.low[axis], a.high[axis] - middle);
}

/** Driven fasteners, collected once for all checks. */
const fasteners: Check = (context) => {
  const all = driven(context);
  return [nailBlowsOut, visiblePocketHoles, edgeSplit, hollowCore].flatMap((check) => check(context, all));
};

export const MAKING_CHECKS: readonly Check[] = [noRoomForCut, taperBeforeSlots, tearOut, finishBeforeAssembly, squeezeOut, gluedOverFinish, fasteners];
