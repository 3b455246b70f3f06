/** Checks of how the box goes together: entered sizes, backs, stopped slots, glue, pairs, wood movement. Rules: docs/checks.md. */
import { enters, familyOf } from '../cabinets/families.ts';
import { isEndGrain } from '../hang/joint-capacity.ts';
import { seamOf } from '../joints/drilling.ts';
import { NM_PER, type Length } from '../length/length.ts';
import { isLess } from '../length/same-size.ts';
import type { Connection } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { place } from '../solid/panel.ts';
import { longestForSale } from '../stock/board-lengths.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';
import { enteredFromNm } from '../length/entered.ts';
import type { UnpricedProduct } from '../model/workshop.ts';

/** Tolerance for recognizing a forgotten thickness in an entered size, nm. [A] */
const NEAR = 500_000;

const throughOrBetween: Check = (context) =>
  (context.cabinet.overriddenSizes ?? []).flatMap(({ name, panel, path, value, derived, thickness }): Finding[] => {
    const off = Math.abs(value - derived);
    const times = ([1, 2] as const).find((count) => Math.abs(off - count * thickness) <= NEAR);
    if (!times) return [];
    return [
      {
        check: 'through-or-between',
        unit: context.spec.id,
        severity: 'change',
        station: 'box',
        name,
        typedNm: value,
        derivedNm: derived,
        times,
        thicknessNm: thickness,
        panels: [panel],
        fixes: [{ label: { key: 'let-it-follow', lengthNm: derived }, edit: [{ path: inSpec(context, ...path), value: null }] }],
      },
    ];
  });

/** Fronts and boxes in a row whose entered sizes do not add up to the space. */
const notFilled: Check = (context) =>
  (context.cabinet.overriddenSizes ?? []).flatMap(({ name, panel, path, value, derived, fills, thickness }): Finding[] => {
    const off = derived - value;
    // A forgotten thickness has a finding of its own.
    if (!fills || Math.abs(off) <= NEAR || [1, 2].some((count) => Math.abs(Math.abs(off) - count * thickness) <= NEAR)) return [];
    return [
      {
        check: 'not-filled',
        unit: context.spec.id,
        severity: off > 0 ? 'change' : 'stop',
        station: 'box',
        name,
        offNm: off,
        panels: [panel],
        fixes:
          derived > 0
            ? [{ label: { key: 'let-it-follow', lengthNm: derived }, edit: [{ path: inSpec(context, ...path), value: null }] }]
            : [{ label: { key: 'change-sizes' }, visit: 'box' }],
      },
    ];
  });

/** Least total clearance of an inset back. [A] */
const MIN_BACK_PLAY = NM_PER.mm;

const tightBack: Check = (context) => {
  const { spec, cabinet } = context;
  const sides = cabinet.connections.filter(
    ({ guest, edge, joint }) => cabinet.byId.get(guest)!.role === 'back' && (edge === 'near' || edge === 'far') && joint.depth > 0,
  );
  const [first] = sides;
  if (!first || !isLess(2 * first.joint.endPlay, MIN_BACK_PLAY)) return [];
  const fixes: Fix[] = enters(spec, 'back.play')
    ? [{ label: { key: 'back-play', lengthNm: MIN_BACK_PLAY / 2 }, edit: [{ path: inSpec(context, 'back', 'play'), value: enteredFromNm(MIN_BACK_PLAY / 2) }] }]
    : [];
  return [
    {
      check: 'tight-back',
      unit: spec.id,
      severity: 'look',
      station: 'box',
      playNm: 2 * first.joint.endPlay,
      wantedNm: MIN_BACK_PLAY,
      panels: [...new Set(sides.map(({ guest }) => guest))],
      fixes,
    },
  ];
};

const roundCorner: Check = (context) => {
  const { spec, cabinet } = context;
  if (spec.stopEnds === 'square') return [];
  const stopped = cabinet.panels.flatMap(({ slots }) => slots.filter(({ stoppedAt }) => stoppedAt && (stoppedAt.from || stoppedAt.to)));
  const [first] = stopped;
  if (!first) return [];
  return [
    {
      check: 'round-corner',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      name: cabinet.byId.get(first.guest)!.name,
      slots: stopped.length,
      radiusNm: Math.round((first.far - first.near) / 2),
      panels: [...new Set(stopped.map(({ guest }) => guest))],
      fixes: [{ label: { key: 'square-ends' }, edit: [{ path: inSpec(context, 'stopEnds'), value: 'square' }] }],
    },
  ];
};

/** A back too large for any sheet, and a two-piece back with a visible seam. */
const splitBack: Check = (context) => {
  const { spec, cabinet, parts, workshop } = context;
  const backs = parts.filter(({ role }) => role === 'back');
  const base = { check: 'split-back' as const, unit: spec.id, station: 'box' as const };
  const shelves = shelfMiddles(context);
  const split = (up: number): Fix => ({
    label: { key: 'split-back-at', lengthNm: up },
    edit: [{ path: inSpec(context, 'back', 'split'), value: enteredFromNm(up) }],
  });
  const tooLarge = backs.find(({ length, width, stock, grain }) => !holds(context, workshop.products[stock]!, length.value, width.value, grain === 'none'));
  if (tooLarge) {
    const { length, width, stock } = tooLarge;
    const product = workshop.products[stock]!;
    const longest = longestForSale(product, workshop).length.nm - 2 * workshop.shop.trim.nm;
    const behind = shelves.filter((up) => up < longest).sort((a, b) => b - a)[0];
    const fixes: Fix[] =
      enters(spec, 'back.split') && behind !== undefined && !split2(context) ? [split(behind)] : [{ label: { key: 'other-sheet' }, visit: 'stock' }];
    return [
      {
        ...base,
        severity: 'change',
        why: 'sheet',
        lengthNm: length.value,
        widthNm: width.value,
        product: product.name,
        seamNm: 0,
        panels: tooLarge.panels,
        fixes,
      },
    ];
  }
  const seam = split2(context);
  if (seam === null) return [];
  const nearest = [...shelves].sort((a, b) => Math.abs(a - seam) - Math.abs(b - seam))[0];
  if (nearest !== undefined && Math.abs(nearest - seam) <= cabinet.byId.get(`${spec.id}/back`)!.thickness) return [];
  return [
    {
      ...base,
      severity: 'look',
      why: 'seam',
      lengthNm: 0,
      widthNm: 0,
      product: '',
      seamNm: seam,
      panels: backs.flatMap(({ panels }) => panels),
      fixes: [
        ...(nearest === undefined ? [] : [split(nearest)]),
        { label: { key: 'back-in-one' }, edit: [{ path: inSpec(context, 'back', 'split'), value: null }] },
      ],
    },
  ];
};

/** Height of the seam of a two-piece back above the inside floor. */
function split2({ cabinet, spec }: CheckContext): Length | null {
  const upper = cabinet.byId.get(`${spec.id}/back/upper`);
  const lower = cabinet.byId.get(`${spec.id}/back`);
  return upper && lower ? ((upper.frame.origin.up - lower.frame.origin.up) as Length) : null;
}

/** Middles of the level parts across the back, above the inside floor. */
function shelfMiddles({ cabinet, spec }: CheckContext): Length[] {
  const back = cabinet.byId.get(`${spec.id}/back`);
  if (!back) return [];
  return cabinet.panels
    .filter(({ role }) => role === 'shelf')
    .map(({ frame, thickness }) => Math.round(frame.origin.up - thickness / 2 - back.frame.origin.up) as Length)
    .filter((up) => up > 0);
}

/** Whether a sheet, or an offcut of it, holds a blank. */
function holds({ workshop }: CheckContext, product: UnpricedProduct, length: number, width: number, turns: boolean): boolean {
  const margin = product.kind === 'sheet' ? 2 * workshop.shop.trim.nm : 0;
  const pieces = [
    { along: longestForSale(product, workshop).length.nm - margin, across: product.width.nm - margin },
    ...Object.values(workshop.pieces)
      .filter((piece) => piece.product === product.id)
      .map((piece) => ({ along: piece.length.nm, across: piece.width.nm })),
  ];
  return pieces.some(({ along, across }) => (length <= along && width <= across) || (turns && width <= along && length <= across));
}

/** Roles of the fixed carcass. */
const CARCASS: ReadonlySet<ResolvedPanel['role']> = new Set(['side', 'top', 'bottom', 'back', 'hanging-rail']);

/** Removable parts, and what is glued to them outside the carcass: it comes out with them. */
function comesOutWith({ panels, connections, byId }: ResolvedCabinet): ReadonlySet<string> {
  const out = new Set(panels.filter(({ comesOut }) => comesOut).map(({ id }) => id));
  const glued = connections.filter(({ joint, guest, host }) => joint.glue && !CARCASS.has(byId.get(guest)!.role) && !CARCASS.has(byId.get(host)!.role));
  for (let size = -1; size !== out.size;) {
    size = out.size;
    for (const { guest, host } of glued) if (out.has(guest) || out.has(host)) out.add(guest).add(host);
  }
  return out;
}

const holdsIn = ({ byId }: ResolvedCabinet, { guest, host }: Connection, comingOut: ReadonlySet<string>): boolean =>
  (comingOut.has(guest) && CARCASS.has(byId.get(host)!.role)) || (comingOut.has(host) && CARCASS.has(byId.get(guest)!.role));

/** Glue on removable parts, and glue without strength. */
const gluedShut: Check = (context) => {
  const { spec, cabinet, hangInput } = context;
  const base = { check: 'glued-shut' as const, unit: spec.id, severity: 'change' as const, station: 'box' as const };
  const found: Finding[] = [];
  const comingOut = comesOutWith(cabinet);
  for (const connection of cabinet.connections) {
    if (!connection.joint.glue) continue;
    const [guest, host] = [cabinet.byId.get(connection.guest)!, cabinet.byId.get(connection.host)!];
    const panels = [guest.id, host.id];
    if (holdsIn(cabinet, connection, comingOut) && !found.some(({ panels: there }) => there.includes(host.id))) {
      const fixes = loosen(context);
      found.push({ ...base, why: 'comes-out', name: guest.name, other: host.name, panels, fixes });
    }
    const starved =
      guest.role === 'divider' && connection.joint.kind === 'butt' && connection.joint.fastening === null && isEndGrain(hangInput, connection, guest);
    if (starved && !found.some(({ panels: there }) => there.includes(guest.id)))
      found.push({ ...base, why: 'end-grain', name: guest.name, other: host.name, panels, fixes: screwed(context) });
  }
  return found;
};

/** The family's choice that makes it removable. */
const loosen = (context: CheckContext): Fix[] =>
  familyOf(context.spec)
    .form.fields.filter((field) => field.kind === 'choice' && field.options.includes('loose') && field.path.at(-1) !== 'fit')
    .map(({ path }) => ({ label: { key: 'leave-loose' }, edit: [{ path: inSpec(context, ...path), value: 'loose' }] }));

const screwed = (context: CheckContext): Fix[] => [
  { label: { key: 'use-screws', number: 2 }, edit: [{ path: inSpec(context, 'assembly', 'perJoint'), value: 2 }] },
];

/** Pin hole rows at the two ends of a shelf at different heights. */
const notMirrored: Check = (context) => {
  const { spec, cabinet } = context;
  const found: Finding[] = [];
  const onPins = cabinet.connections.filter(({ joint }) => joint.kind === 'pins');
  for (const id of new Set(onPins.map(({ guest }) => guest))) {
    const shelf = cabinet.byId.get(id)!;
    const ends = onPins.filter(({ guest }) => guest === id);
    const rows = ends.map(({ host, face }) => rowHeights(cabinet.byId.get(host)!, face === 'reference' ? 'reference' : 'other', shelf));
    const [left, right] = rows;
    // An end without a row has no support: its joint reports it.
    if (!left?.length || !right?.length) continue;
    const by = Math.max(...left.map((up) => Math.min(...right.map((other) => Math.abs(up - other)))));
    if (!(by > NEAR)) continue;
    found.push({
      check: 'not-mirrored',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      name: shelf.name,
      byNm: Math.round(by),
      panels: [...ends.map(({ host }) => host), shelf.id],
      fixes:
        enters(spec, 'pins.fromRight') && spec.family === 'shelf-box'
          ? [{ label: { key: 'same-end' }, edit: [{ path: inSpec(context, 'pins', 'fromRight'), value: spec.pins.from }] }]
          : [],
    });
    break;
  }
  return found;
};

/** Heights of the pin holes of a face, of the row the shelf stands in. */
function rowHeights(host: ResolvedPanel, face: 'reference' | 'other', shelf: ResolvedPanel): number[] {
  for (const cut of host.cuts) {
    if (cut.kind !== 'holes' || cut.purpose !== 'shelf-pins' || cut.face !== face) continue;
    const heights = Array.from({ length: cut.count }, (_, k) => place(host.frame, { u: cut.at.u + cut.step.u * k, v: cut.at.v }).up);
    const slack = cut.step.u;
    if (heights[0]! - slack <= shelf.frame.origin.up && shelf.frame.origin.up <= heights.at(-1)! + slack + shelf.thickness) return heights;
  }
  return [];
}

/** Seasonal movement of solid wood across its grain, as a share, [ASSUME] and the movement a joint tolerates. [A] */
const MOVES = 0.01;
const TAKES_MM = 1.5;

const woodMovement: Check = (context) => {
  const { spec, cabinet, hangInput, workshop, stockOf } = context;
  return cabinet.connections.flatMap((connection): Finding[] => {
    const guest = cabinet.byId.get(connection.guest)!;
    const { joint } = connection;
    // A solid part is restrained across its grain by what it meets, unless that moves with it.
    if (connection.edge !== 'start' || !(joint.glue || joint.fastening) || !isEndGrain(hangInput, connection, guest)) return [];
    const host = cabinet.byId.get(connection.host)!;
    const wide = seamOf(connection, guest)?.lengthMm ?? 0;
    const together =
      hangInput.materialOf(host.stock).kind === 'solid' && host.grain === 'length' && Math.abs(host.frame.u.up) === Math.abs(guest.frame.u.along);
    if (wide * MOVES <= TAKES_MM || together) return [];
    const nominal = stockOf(guest.stock).product.nominal.nm;
    const sheet = Object.values(workshop.products).find(
      ({ kind, nominal: thick, material, unit: own }) =>
        kind === 'sheet' && Math.abs(thick.nm - nominal) < 1e6 && own === spec.unit && material !== 'white-pine' && material.includes('plywood'),
    );
    return [
      {
        check: 'wood-movement',
        unit: spec.id,
        severity: 'look',
        station: 'box',
        name: guest.name,
        other: host.name,
        widthNm: Math.round(wide * 1e6),
        movesMm: wide * MOVES,
        panels: [guest.id, host.id],
        fixes: sheet
          ? [
              {
                label: { key: 'use-stock', text: sheet.name },
                edit: stockPaths(context, guest.stock).map((path) => ({ path: inSpec(context, ...path), value: sheet.id })),
              },
            ]
          : [],
      },
    ];
  });
};

/** The field that chooses this stock. */
const stockPaths = ({ spec }: CheckContext, stock: string): (readonly string[])[] =>
  familyOf(spec)
    .form.fields.filter(
      ({ kind, path }) => kind === 'stock' && path.reduce<unknown>((at, key) => (at as Record<string, unknown> | null)?.[key], spec) === stock,
    )
    .map(({ path }) => path);

/** A pane whose stock is not glass. */
const notGlass: Check = (context) => {
  const { spec, cabinet, hangInput, stockOf, workshop } = context;
  const pane = cabinet.panels.find(({ isPane }) => isPane);
  if (!pane || hangInput.materialOf(pane.stock).kind === 'glass') return [];
  const glass = Object.values(workshop.products).find(({ material, unit: own }) => material === 'glass' && own === spec.unit);
  return [
    {
      check: 'not-glass',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      product: stockOf(pane.stock).product.name,
      panels: [pane.id],
      fixes: glass ? [{ label: { key: 'glaze-with', text: glass.name }, edit: [{ path: inSpec(context, 'doors', 'infillStock'), value: glass.id }] }] : [],
    },
  ];
};

export const JOINERY_CHECKS: readonly Check[] = [
  throughOrBetween,
  notFilled,
  tightBack,
  roundCorner,
  splitBack,
  gluedShut,
  notMirrored,
  woodMovement,
  notGlass,
];
