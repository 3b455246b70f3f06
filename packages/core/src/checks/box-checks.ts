/** Checks of the box itself: joints, thickness, sag. Rules and severities: docs/checks.md. */
import type { EditStep } from '../model/edit.ts';
import { enters, familyOf, isShelfBox } from '../cabinets/families.ts';
import { hangsUnder } from '../hang/joint-capacity.ts';
import { shows } from '../sag/cabinet-sag.ts';
import { isFace } from '../solid/connection.ts';
import { cuts } from '../solid/resolve.ts';
import { connectionsOf } from '../solid/cabinet.ts';
import { entered, type Entered } from '../length/entered.ts';
import { NM_PER, toMm, type DisplayUnit } from '../length/length.ts';
import type { Check, CheckContext } from './context.ts';
import { inSpec } from './context.ts';
import type { Finding, Fix } from './finding.ts';
import { roundDown } from './round.ts';
import { cannotBeMade, nowhere, partOutside, partsClash } from './part-checks.ts';
import { MM_PER_INCH } from '../length/constants.ts';

/** Least readings on the sheets in use. [ASSUME] */
const WANTED_READINGS = 2;
/** Utilization of a joint held by glue or fasteners alone that makes it weak. */
const WEAK_USE = 0.5;

/** Edit that makes a joint a dado with wood left under it, wherever the family keeps that; undefined where it cannot be one. */
export function dadoAt({ spec }: Pick<CheckContext, 'spec'>, decided: readonly string[] | undefined): EditStep[] {
  if (!decided) return [];
  const at = (...more: string[]): readonly string[] => ['units', spec.id, ...decided, ...more];
  const { fields } = familyOf(spec).form;
  const choice = (path: string): boolean => fields.some((field) => field.kind === 'choice' && field.path.join('.') === path && field.options.includes('dado'));
  const path = decided.join('.');
  if (choice(path)) return [{ path: at(), value: 'dado' }];
  if (!choice(`${path}.joint`)) return [];
  return [
    { path: at('runs'), value: 'between' },
    { path: at('joint'), value: 'dado' },
    { path: at('lip'), value: entered(spec.unit === 'mm' ? '15 mm' : '5/8 in') },
  ];
}

const nominalThickness: Check = (context) => {
  const { spec, stockOf, cabinet, workshop } = context;
  if (!cabinet.connections.some(({ joint }) => joint.depth > 0 && joint.kind === 'dado')) return [];
  const { product, used } = stockOf(spec.stock);
  if (used.readings >= WANTED_READINGS) return [];
  const loose: Fix[] =
    spec.fit === 'loose'
      ? []
      : [{ label: { key: 'fit-loose', lengthNm: workshop.shop.fits.loose.nm }, edit: [{ path: inSpec(context, 'fit'), value: 'loose' }] }];
  return [
    {
      check: 'nominal-thickness',
      unit: spec.id,
      severity: 'change',
      station: 'stock',
      product: product.name,
      readings: used.readings,
      playNm: workshop.shop.fits[spec.fit].nm,
      cutToNm: used.value,
      panels: cabinet.panels.filter(({ stock }) => stock === spec.stock).map(({ id }) => id),
      fixes: [{ label: { key: 'take-readings', number: WANTED_READINGS - used.readings }, visit: 'stock' }, ...loose],
    },
  ];
};

const weakBottom: Check = (context) => {
  const { spec, cabinet, hang } = context;
  return cabinet.compartments.flatMap(({ floor }): Finding[] => {
    const panel = cabinet.byId.get(floor)!;
    const use = hang.links.find(({ id }) => id === `joint-${floor}`)?.use.value ?? 0;
    const held = connectionsOf(cabinet, 'asGuest', floor).find(({ edge }) => edge === 'start');
    if (!held || held.joint.kind === 'pins' || use <= WEAK_USE) return [];
    const slot = cabinet.byId.get(held.host)!.slots.find(({ id }) => id === held.id);
    if (slot && slot.kind === 'dado') return [];
    const edit = dadoAt(context, held.designPath);
    return [
      {
        check: 'weak-bottom',
        unit: spec.id,
        severity: 'change',
        station: 'box',
        name: panel.name,
        use,
        panels: [floor],
        fixes: edit.length > 0 ? [{ label: { key: 'use-dado' }, edit }] : [],
      },
    ];
  });
};

const fastenerPullsOut: Check = (context) => {
  const { spec, cabinet, hang } = context;
  return cabinet.compartments.flatMap(({ floor }): Finding[] => {
    const under = connectionsOf(cabinet, 'asHost', floor).find((connection) => hangsUnder(cabinet, connection, floor));
    if (!under) return [];
    const use = hang.links.find(({ id }) => id === `joint-${floor}`)?.use.value ?? 0;
    const edit = dadoAt(context, under.designPath);
    return [
      {
        check: 'fastener-pulls-out',
        unit: spec.id,
        severity: use > 1 ? 'stop' : 'change',
        station: 'box',
        name: cabinet.byId.get(floor)!.name,
        use,
        panels: [floor],
        fixes: edit.length > 0 ? [{ label: { key: 'bottom-between' }, edit }] : [],
      },
    ];
  });
};

const sag: Check = (context) => {
  const { spec, cabinet } = context;
  return context.sag.flatMap((row): Finding[] => {
    const panel = cabinet.byId.get(row.panel)!;
    const kg = context.hangInput.weights.contents.filter(({ compartment }) => compartment.floor === row.panel).reduce((sum, { mass }) => sum + mass.value, 0);
    const base = { unit: spec.id, station: 'box' as const, name: panel.name, panels: [row.panel] };
    const found: Finding[] = [];
    if (shows(row)) {
      found.push({
        ...base,
        check: 'sag',
        severity: 'look',
        laterMm: row.later.value,
        limitMm: row.limit.value,
        kg,
        fixes: shorterSpan(context, row.panel, row.later.value / row.limit.value, 2),
      });
    }
    if (row.bending.value > 1) {
      found.push({ ...base, check: 'shelf-breaks', severity: 'stop', use: row.bending.value, fixes: shorterSpan(context, row.panel, row.bending.value, 1) });
    }
    return found;
  });
};

/**
 * A thicker sheet, glue, or a narrower box. With an entered mass, sag over its limit goes with the square of the span and stress with the span; where the
 * load grows with the shelf, by one power more.
 */
function shorterSpan(context: CheckContext, panel: string, ratio: number, power: number): Fix[] {
  const { spec, workshop, stockOf, cabinet } = context;
  const { keptBy, width: clear } = cabinet.compartments.find(({ floor }) => floor === panel)!;
  const enteredMass = (spec.contents[keptBy]?.kg ?? null) !== null;
  const inside = toMm(clear.value);
  const width = roundDown(toMm(spec.width.nm) - inside * (1 - ratio ** (-1 / (enteredMass ? power : power + 1))), spec.unit);
  const fixes: Fix[] = [];
  const here = stockOf(spec.stock).used.value;
  const thicker = Object.values(workshop.products)
    .filter(
      ({ id, kind, material, nominal, unit: sold }) =>
        id !== spec.stock && kind === 'sheet' && material === workshop.products[spec.stock]!.material && sold === spec.unit && nominal.nm > here + NM_PER.mm,
    )
    .sort((a, b) => a.nominal.nm - b.nominal.nm)[0];
  if (thicker) fixes.push({ label: { key: 'use-stock', text: thicker.name }, edit: [{ path: inSpec(context, 'stock'), value: thicker.id }] });
  const slotted = cabinet.connections.some(({ guest, joint }) => guest === panel && joint.kind === 'dado');
  if (!spec.glue && slotted) fixes.push({ label: { key: 'glue-joints' }, edit: [{ path: inSpec(context, 'glue'), value: true }] });
  if (enters(spec, 'width') && width.nm >= 100 * NM_PER.mm && width.nm < spec.width.nm)
    fixes.push({ label: { key: 'make-narrower', lengthNm: width.nm }, edit: [{ path: inSpec(context, 'width'), value: width }] });
  return fixes;
}

const shelfOutside: Check = (context) => {
  const { spec, cabinet } = context;
  return cabinet.compartments.flatMap(({ height, floor, keptBy }): Finding[] => {
    if (height.value > 0) return [];
    const name = cabinet.byId.get(floor)!.name;
    const fixed = isShelfBox(spec) ? Object.values(spec.shelves).filter(({ at }) => at !== null) : [];
    const isShelf = isShelfBox(spec) && Object.hasOwn(spec.shelves, keptBy);
    return [
      {
        check: 'shelf-outside',
        unit: spec.id,
        severity: 'stop',
        station: 'box',
        name,
        overNm: Math.abs(height.value),
        panels: [floor],
        fixes:
          fixed.length > 0
            ? [{ label: { key: 'space-evenly' }, edit: fixed.map(({ id }) => ({ path: inSpec(context, 'shelves', id, 'at'), value: null })) }]
            : !isShelf
              ? []
              : [{ label: { key: 'take-shelf-out' }, edit: [{ path: inSpec(context, 'shelves', keptBy), value: undefined }] }],
      },
    ];
  });
};

/** A third of a sheet, to half a millimeter or a thirty-second. */
const thirdOf = (thicknessMm: number, unit: DisplayUnit): Entered =>
  entered(
    unit === 'mm' ? `${Math.max(1, Math.floor((thicknessMm / 3) * 2) / 2)} mm` : `${Math.max(1, Math.floor((thicknessMm / 3 / MM_PER_INCH) * 32))}/32 in`,
  );

const slotTooDeep: Check = (context) => {
  const { spec, cabinet } = context;
  const found = new Map<string, Finding>();
  for (const connection of cabinet.connections) {
    if (!cuts(connection)) continue;
    const { thickness } = cabinet.byId.get(connection.host)!;
    const { depth } = connection.joint;
    const path = depth === spec.jointDepth.nm ? ['jointDepth'] : ['back', 'rabbetDepth'];
    const which = path.length === 1 ? 'joint' : 'rabbet';
    if (!isFace(connection.face) || depth <= thickness / 2 + NM_PER.mm / 2 || !enters(spec, path.join('.'))) continue;
    const there = found.get(which);
    if (there) {
      if (!there.panels.includes(connection.host)) found.set(which, { ...there, panels: [...there.panels, connection.host] });
      continue;
    }
    const third = thirdOf(toMm(thickness), spec.unit);
    found.set(which, {
      check: 'slot-too-deep',
      unit: spec.id,
      severity: depth >= thickness ? 'stop' : 'change',
      station: 'box',
      which,
      depthNm: depth,
      thicknessNm: thickness,
      panels: [connection.host],
      fixes: [{ label: { key: 'slot-a-third', lengthNm: third.nm }, edit: [{ path: inSpec(context, ...path), value: third }] }],
    });
  }
  return [...found.values()];
};

const glueOnFinish: Check = (context) => {
  const { spec, stockOf, cabinet } = context;
  const { product } = stockOf(spec.stock);
  if (!product.faced || !spec.glue) return [];
  const withoutScrews = spec.assembly.perJoint === 0;
  return [
    {
      check: 'glue-on-finish',
      why: 'faced',
      unit: spec.id,
      severity: 'change',
      station: 'box',
      product: product.name,
      panels: cabinet.panels.filter(({ stock }) => stock === spec.stock).map(({ id }) => id),
      fixes: withoutScrews
        ? [
            {
              label: { key: 'add-screws', number: 4 },
              edit: [
                { path: inSpec(context, 'assembly', 'perJoint'), value: 4 },
                { path: inSpec(context, 'glue'), value: false },
              ],
            },
          ]
        : [{ label: { key: 'no-glue' }, edit: [{ path: inSpec(context, 'glue'), value: false }] }],
    },
  ];
};

/** Slenderness beyond which a strip bends and bows by itself. [A] */
const SLENDER = 30;

const slenderStrip: Check = (context) => {
  const { spec, cabinet } = context;
  return cabinet.panels.flatMap((panel): Finding[] => {
    if (panel.role !== 'ledge' && panel.role !== 'edging') return [];
    const least = Math.min(panel.width.value, panel.thickness);
    if (panel.length.value <= SLENDER * least) return [];
    // Supported all along by an edge or a face, or in the middle by a panel against it.
    const held = cabinet.connections.some(
      ({ guest, edge, host, face }) => (guest === panel.id && (edge === 'near' || edge === 'far' || isFace(edge))) || (host === panel.id && isFace(face)),
    );
    if (held) return [];
    const element = panel.id.split('/')[2] ?? '';
    const list = familyOf(spec).form.elements.find(
      ({ path, fields }) =>
        fields.some((field) => field.path.join('.') === 'support') && Object.hasOwn((spec as unknown as Record<string, object>)[path] ?? {}, element),
    );
    return [
      {
        check: 'slender-strip',
        unit: spec.id,
        severity: 'look',
        station: 'box',
        name: panel.name,
        lengthNm: panel.length.value,
        minNm: least,
        panels: [panel.id],
        fixes: list ? [{ label: { key: 'add-support' }, edit: [{ path: inSpec(context, list.path, element, 'support'), value: true }] }] : [],
      },
    ];
  });
};

export const BOX_CHECKS: readonly Check[] = [
  partOutside,
  nowhere,
  cannotBeMade,
  partsClash,
  slenderStrip,
  nominalThickness,
  weakBottom,
  fastenerPullsOut,
  sag,
  shelfOutside,
  slotTooDeep,
  glueOnFinish,
];
