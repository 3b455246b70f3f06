/** Checks of the box itself: joints, thickness, sag. Rules and severities: docs/checks.md. */
import { shows } from '../sag/unit-sag.ts';
import { FIT_PLAY } from '../joints/fits.ts';
import { entered } from '../length/entered.ts';
import { NM_PER, toMm } from '../length/length.ts';
import type { Check, CheckContext } from './context.ts';
import { inUnit } from './context.ts';
import type { Finding, Fix, FixStep } from './finding.ts';
import { roundDown } from './round.ts';

/** Two readings at least, on the sheets in use. [ASSUME] */
const WANTED_READINGS = 2;
/** A joint that is this much used with nothing but glue or fasteners under it. */
const WEAK_USE = 0.5;

/** The bottom between the sides, in a dado, with wood left under it. */
export const dadoBottom = ({ box }: Pick<CheckContext, 'box'>): FixStep[] => [
  { path: ['units', box.id, 'bottom', 'runs'], value: 'between' },
  { path: ['units', box.id, 'bottom', 'joint'], value: 'dado' },
  { path: ['units', box.id, 'bottom', 'lip'], value: entered(box.unit === 'mm' ? '15 mm' : '5/8 in') },
];

const nominalThickness: Check = (context) => {
  const { box, stockOf, unit } = context;
  if (!unit.meetings.some(({ joint }) => joint.depth > 0 && joint.kind === 'dado')) return [];
  const { product, used } = stockOf(box.stock);
  if (used.readings >= WANTED_READINGS) return [];
  const loose: Fix[] =
    box.fit === 'loose' ? [] : [{ label: { key: 'fit-loose', lengthNm: FIT_PLAY.loose }, edit: [{ path: inUnit(context, 'fit'), value: 'loose' }] }];
  return [
    {
      check: 'nominal-thickness',
      unit: box.id,
      severity: 'change',
      station: 'stock',
      product: product.name,
      readings: used.readings,
      playNm: FIT_PLAY[box.fit],
      cutToNm: used.value,
      panels: unit.panels.filter(({ stock }) => stock === box.stock).map(({ id }) => id),
      fixes: [{ label: { key: 'take-readings', number: WANTED_READINGS - used.readings }, visit: 'stock' }, ...loose],
    },
  ];
};

const weakBottom: Check = (context) => {
  const { box, unit, hang } = context;
  return unit.compartments.flatMap(({ floor }): Finding[] => {
    const panel = unit.byId.get(floor)!;
    const use = hang.links.find(({ id }) => id === `joint-${floor}`)?.use.value ?? 0;
    const held = unit.meetings.find(({ guest, edge }) => guest === floor && edge === 'start');
    if (!held || use <= WEAK_USE) return [];
    const strip = unit.byId.get(held.host)!.strips.find(({ id }) => id === held.id);
    if (strip && strip.kind === 'dado') return [];
    const edit = panel.role === 'bottom' ? dadoBottom(context) : [{ path: inUnit(context, 'shelfJoint'), value: 'dado' }];
    return [
      {
        check: 'weak-bottom',
        unit: box.id,
        severity: 'change',
        station: 'box',
        name: panel.name,
        use,
        panels: [floor],
        fixes: [{ label: { key: 'use-dado' }, edit }],
      },
    ];
  });
};

const fastenerPullsOut: Check = (context) => {
  const { box, unit, hang } = context;
  if (box.bottom.runs !== 'over') return [];
  const floor = `${box.id}/bottom`;
  const use = hang.links.find(({ id }) => id === `joint-${floor}`)?.use.value ?? 0;
  return [
    {
      check: 'fastener-pulls-out',
      unit: box.id,
      severity: use > 1 ? 'stop' : 'change',
      station: 'box',
      name: unit.byId.get(floor)!.name,
      use,
      panels: [floor],
      fixes: [
        {
          label: { key: 'bottom-between' },
          edit: dadoBottom(context),
        },
      ],
    },
  ];
};

const sag: Check = (context) => {
  const { box, unit } = context;
  return context.sag.flatMap((row): Finding[] => {
    const panel = unit.byId.get(row.panel)!;
    const kg = context.hangInput.weights.contents.find(({ compartment }) => compartment.floor === row.panel)?.mass.value ?? 0;
    const base = { unit: box.id, station: 'box' as const, name: panel.name, panels: [row.panel] };
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
 * A thicker sheet, glue, a narrower box. Under a mass that was entered, sag over its limit goes with the
 * square of the span and stress with the span; where the load grows with the shelf, by one power more.
 */
function shorterSpan(context: CheckContext, panel: string, ratio: number, power: number): Fix[] {
  const { box, workshop, stockOf, unit } = context;
  const { keptBy, width: clear } = unit.compartments.find(({ floor }) => floor === panel)!;
  const enteredMass = (box.contents[keptBy]?.kg ?? null) !== null;
  const inside = toMm(clear.value);
  const width = roundDown(toMm(box.width.nm) - inside * (1 - ratio ** (-1 / (enteredMass ? power : power + 1))), box.unit);
  const fixes: Fix[] = [];
  const here = stockOf(box.stock).used.value;
  const thicker = Object.values(workshop.products)
    .filter(
      ({ id, kind, material, nominal, unit: sold }) =>
        id !== box.stock && kind === 'sheet' && material === workshop.products[box.stock]!.material && sold === box.unit && nominal.nm > here + NM_PER.mm,
    )
    .sort((a, b) => a.nominal.nm - b.nominal.nm)[0];
  if (thicker) fixes.push({ label: { key: 'use-stock', text: thicker.name }, edit: [{ path: inUnit(context, 'stock'), value: thicker.id }] });
  if (!box.glue && box.shelfJoint === 'dado') fixes.push({ label: { key: 'glue-joints' }, edit: [{ path: inUnit(context, 'glue'), value: true }] });
  if (width.nm >= 100 * NM_PER.mm && width.nm < box.width.nm)
    fixes.push({ label: { key: 'make-narrower', lengthNm: width.nm }, edit: [{ path: inUnit(context, 'width'), value: width }] });
  return fixes;
}

const shelfOutside: Check = (context) => {
  const { box, unit } = context;
  return unit.compartments.flatMap(({ height, floor, keptBy }): Finding[] => {
    if (height.value > 0) return [];
    const name = unit.byId.get(floor)!.name;
    const fixed = Object.values(box.shelves).filter(({ at }) => at !== null);
    return [
      {
        check: 'shelf-outside',
        unit: box.id,
        severity: 'stop',
        station: 'box',
        name,
        overNm: Math.abs(height.value),
        panels: [floor],
        fixes:
          fixed.length > 0
            ? [{ label: { key: 'space-evenly' }, edit: fixed.map(({ id }) => ({ path: inUnit(context, 'shelves', id, 'at'), value: null })) }]
            : keptBy === 'bottom'
              ? []
              : [{ label: { key: 'take-shelf-out' }, edit: [{ path: inUnit(context, 'shelves', keptBy), value: undefined }] }],
      },
    ];
  });
};

const slotTooDeep: Check = (context) => {
  const { box, stockOf } = context;
  const T = stockOf(box.stock).used.value;
  const third = roundDown(toMm(T) / 3, box.unit).nm > 0 ? roundDown(toMm(T) / 3, box.unit) : entered(box.unit === 'mm' ? '6 mm' : '1/4 in');
  const rows = [
    {
      which: 'joint' as const,
      depth: box.jointDepth.nm,
      path: ['jointDepth'],
      used: box.shelfJoint === 'dado' || box.top.joint !== 'butt' || box.bottom.joint !== 'butt',
    },
    { which: 'rabbet' as const, depth: box.back.rabbetDepth.nm, path: ['back', 'rabbetDepth'], used: box.back.kind === 'rabbet' },
  ];
  return rows.flatMap(({ which, depth, path, used }): Finding[] =>
    used && depth > T / 2 + NM_PER.mm / 2
      ? [
          {
            check: 'slot-too-deep',
            unit: box.id,
            severity: depth >= T ? 'stop' : 'change',
            station: 'box',
            which,
            depthNm: depth,
            thicknessNm: T,
            panels: [`${box.id}/side/left`, `${box.id}/side/right`],
            fixes: [{ label: { key: 'slot-a-third', lengthNm: third.nm }, edit: [{ path: inUnit(context, ...path), value: third }] }],
          },
        ]
      : [],
  );
};

const glueOnFinish: Check = (context) => {
  const { box, stockOf, unit } = context;
  const { product } = stockOf(box.stock);
  if (!product.faced || !box.glue) return [];
  const withoutScrews = box.assembly.perJoint === 0;
  return [
    {
      check: 'glue-on-finish',
      unit: box.id,
      severity: 'change',
      station: 'box',
      product: product.name,
      panels: unit.panels.filter(({ stock }) => stock === box.stock).map(({ id }) => id),
      fixes: withoutScrews
        ? [
            {
              label: { key: 'add-screws', number: 4 },
              edit: [
                { path: inUnit(context, 'assembly', 'perJoint'), value: 4 },
                { path: inUnit(context, 'glue'), value: false },
              ],
            },
          ]
        : [{ label: { key: 'no-glue' }, edit: [{ path: inUnit(context, 'glue'), value: false }] }],
    },
  ];
};

export const BOX_CHECKS: readonly Check[] = [nominalThickness, weakBottom, fastenerPullsOut, sag, shelfOutside, slotTooDeep, glueOnFinish];
