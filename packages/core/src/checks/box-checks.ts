/** Checks of the box itself: joints, thickness, sag. Rules and severities: docs/checks.md. */
import type { FixKey } from './words/fixes.ts';
import { enters, familyOf, isShelfBox } from '../carcass/families.ts';
import type { Label } from '../worked/dimension.ts';
import { hangsUnder } from '../hang/joint-capacity.ts';
import { shows } from '../sag/unit-sag.ts';
import { isFace } from '../solid/meeting.ts';
import { cuts, type ResolvedPanel } from '../solid/resolve.ts';
import { meetingsOf } from '../solid/unit.ts';
import { entered, type Entered } from '../length/entered.ts';
import { NM_PER, toMm, type DisplayUnit } from '../length/length.ts';
import type { Check, CheckContext } from './context.ts';
import { inUnit } from './context.ts';
import type { Finding, Fix, FixStep, OutsideOf } from './finding.ts';
import { roundDown, roundUp } from './round.ts';
import { clashesOf } from '../solid/clash.ts';
import { hasSize } from '../solid/panel.ts';
import { boundsOf } from '../solid/views.ts';

/** Two readings at least, on the sheets in use. [ASSUME] */
const WANTED_READINGS = 2;
/** A joint that is this much used with nothing but glue or fasteners under it. */
const WEAK_USE = 0.5;

/** What makes a joint a dado with wood left under it, wherever the family keeps that; nothing when it cannot be one. */
export function dadoAt({ box }: Pick<CheckContext, 'box'>, decided: readonly string[] | undefined): FixStep[] {
  if (!decided) return [];
  const at = (...more: string[]): readonly string[] => ['units', box.id, ...decided, ...more];
  const { fields } = familyOf(box).form;
  const choice = (path: string): boolean => fields.some((field) => field.kind === 'choice' && field.path.join('.') === path && field.options.includes('dado'));
  const path = decided.join('.');
  if (choice(path)) return [{ path: at(), value: 'dado' }];
  if (!choice(`${path}.joint`)) return [];
  return [
    { path: at('runs'), value: 'between' },
    { path: at('joint'), value: 'dado' },
    { path: at('lip'), value: entered(box.unit === 'mm' ? '15 mm' : '5/8 in') },
  ];
}

const nominalThickness: Check = (context) => {
  const { box, stockOf, unit, workshop } = context;
  if (!unit.meetings.some(({ joint }) => joint.depth > 0 && joint.kind === 'dado')) return [];
  const { product, used } = stockOf(box.stock);
  if (used.readings >= WANTED_READINGS) return [];
  const loose: Fix[] =
    box.fit === 'loose'
      ? []
      : [{ label: { key: 'fit-loose', lengthNm: workshop.shop.fits.loose.nm }, edit: [{ path: inUnit(context, 'fit'), value: 'loose' }] }];
  return [
    {
      check: 'nominal-thickness',
      unit: box.id,
      severity: 'change',
      station: 'stock',
      product: product.name,
      readings: used.readings,
      playNm: workshop.shop.fits[box.fit].nm,
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
    const held = meetingsOf(unit, 'asGuest', floor).find(({ edge }) => edge === 'start');
    if (!held || held.joint.kind === 'pins' || use <= WEAK_USE) return [];
    const strip = unit.byId.get(held.host)!.strips.find(({ id }) => id === held.id);
    if (strip && strip.kind === 'dado') return [];
    const edit = dadoAt(context, held.decided);
    return [
      {
        check: 'weak-bottom',
        unit: box.id,
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
  const { box, unit, hang } = context;
  return unit.compartments.flatMap(({ floor }): Finding[] => {
    const under = meetingsOf(unit, 'asHost', floor).find((meeting) => hangsUnder(unit, meeting, floor));
    if (!under) return [];
    const use = hang.links.find(({ id }) => id === `joint-${floor}`)?.use.value ?? 0;
    const edit = dadoAt(context, under.decided);
    return [
      {
        check: 'fastener-pulls-out',
        unit: box.id,
        severity: use > 1 ? 'stop' : 'change',
        station: 'box',
        name: unit.byId.get(floor)!.name,
        use,
        panels: [floor],
        fixes: edit.length > 0 ? [{ label: { key: 'bottom-between' }, edit }] : [],
      },
    ];
  });
};

const sag: Check = (context) => {
  const { box, unit } = context;
  return context.sag.flatMap((row): Finding[] => {
    const panel = unit.byId.get(row.panel)!;
    const kg = context.hangInput.weights.contents.filter(({ compartment }) => compartment.floor === row.panel).reduce((sum, { mass }) => sum + mass.value, 0);
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
  const slotted = unit.meetings.some(({ guest, joint }) => guest === panel && joint.kind === 'dado');
  if (!box.glue && slotted) fixes.push({ label: { key: 'glue-joints' }, edit: [{ path: inUnit(context, 'glue'), value: true }] });
  if (enters(box, 'width') && width.nm >= 100 * NM_PER.mm && width.nm < box.width.nm)
    fixes.push({ label: { key: 'make-narrower', lengthNm: width.nm }, edit: [{ path: inUnit(context, 'width'), value: width }] });
  return fixes;
}

const shelfOutside: Check = (context) => {
  const { box, unit } = context;
  return unit.compartments.flatMap(({ height, floor, keptBy }): Finding[] => {
    if (height.value > 0) return [];
    const name = unit.byId.get(floor)!.name;
    const fixed = isShelfBox(box) ? Object.values(box.shelves).filter(({ at }) => at !== null) : [];
    const isShelf = isShelfBox(box) && Object.hasOwn(box.shelves, keptBy);
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
            : !isShelf
              ? []
              : [{ label: { key: 'take-shelf-out' }, edit: [{ path: inUnit(context, 'shelves', keptBy), value: undefined }] }],
      },
    ];
  });
};

/** A third of a sheet, to half a millimetre or a thirty-second. */
const thirdOf = (thicknessMm: number, unit: DisplayUnit): Entered =>
  entered(unit === 'mm' ? `${Math.max(1, Math.floor((thicknessMm / 3) * 2) / 2)} mm` : `${Math.max(1, Math.floor((thicknessMm / 3 / 25.4) * 32))}/32 in`);

const slotTooDeep: Check = (context) => {
  const { box, unit } = context;
  const found = new Map<string, Finding>();
  for (const meeting of unit.meetings) {
    if (!cuts(meeting)) continue;
    const { thickness } = unit.byId.get(meeting.host)!;
    const { depth } = meeting.joint;
    const path = depth === box.jointDepth.nm ? ['jointDepth'] : ['back', 'rabbetDepth'];
    const which = path.length === 1 ? 'joint' : 'rabbet';
    if (!isFace(meeting.face) || depth <= thickness / 2 + NM_PER.mm / 2 || !enters(box, path.join('.'))) continue;
    const there = found.get(which);
    if (there) {
      if (!there.panels.includes(meeting.host)) found.set(which, { ...there, panels: [...there.panels, meeting.host] });
      continue;
    }
    const third = thirdOf(toMm(thickness), box.unit);
    found.set(which, {
      check: 'slot-too-deep',
      unit: box.id,
      severity: depth >= thickness ? 'stop' : 'change',
      station: 'box',
      which,
      depthNm: depth,
      thicknessNm: thickness,
      panels: [meeting.host],
      fixes: [{ label: { key: 'slot-a-third', lengthNm: third.nm }, edit: [{ path: inUnit(context, ...path), value: third }] }],
    });
  }
  return [...found.values()];
};

const glueOnFinish: Check = (context) => {
  const { box, stockOf, unit } = context;
  const { product } = stockOf(box.stock);
  if (!product.faced || !box.glue) return [];
  const withoutScrews = box.assembly.perJoint === 0;
  return [
    {
      check: 'glue-on-finish',
      why: 'faced',
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

/** Sizes that leave a part no length, or two parts no way to meet. */
const cannotBeMade: Check = (context) => {
  const { box, unit } = context;
  const base = { check: 'cannot-be-made' as const, unit: box.id, severity: 'stop' as const, station: 'box' as const, fixes: [] };
  const unmade = unit.panels.filter((panel) => !hasSize(panel));
  if (unmade.length > 0)
    return unmade.slice(0, 3).map((panel): Finding => ({ ...base, fixes: takeOut(context, panel), name: panel.name, other: null, panels: [panel.id] }));
  return unit.faults
    .slice(0, 3)
    .map(({ guest, host }): Finding => ({ ...base, name: unit.byId.get(guest)!.name, other: unit.byId.get(host)!.name, panels: [guest, host] }));
};

/** Less than this past the cabinet's own sizes is what play and joints come to, mm. [A] */
const OUTSIDE_MM = 0.5;
const OUTSIDE: readonly (readonly [axis: 'along' | 'up' | 'out', low: OutsideOf, high: OutsideOf])[] = [
  ['along', 'left', 'right'],
  ['up', 'bottom', 'top'],
  ['out', 'wall', 'front'],
];

/** Parts that stand out of the cabinet they belong to. A tilted top runs over its sides by choice; what is let into another part reaches as deep as its joint. */
const partOutside: Check = (context) => {
  const { box, unit } = context;
  const { width, height, depth } = unit.outside;
  const size = { along: toMm(width.value), up: toMm(height.value), out: toMm(depth.value) };
  return unit.panels
    .filter((panel) => !panel.onWall && panel.role !== 'top' && hasSize(panel))
    .flatMap((panel): Finding[] => {
      const reach = Math.max(0, ...unit.meetings.map(({ guest, joint }) => (guest === panel.id ? toMm(joint.depth) : 0)));
      const { low, high } = boundsOf(panel);
      const past = OUTSIDE.flatMap(([axis, below, above]) => [
        { side: below, byMm: -low[axis] },
        { side: above, byMm: high[axis] - size[axis] },
      ]).sort((a, b) => b.byMm - a.byMm)[0]!;
      if (past.byMm <= OUTSIDE_MM + reach) return [];
      return [
        {
          check: 'part-outside',
          unit: box.id,
          severity: 'stop',
          station: 'box',
          name: panel.name,
          ...past,
          panels: [panel.id],
          fixes: [...takeOut(context, panel), { label: { key: 'change-sizes' }, visit: 'box' }],
        },
      ];
    })
    .slice(0, 3);
};

type Placed = { readonly id: string; readonly order: number; readonly in: string };

/** Shelves, dividers and inserts that were entered for an opening that is not there any more. */
const nowhere: Check = (context) => {
  const { box, unit } = context;
  const [lowest] = unit.compartments;
  return familyOf(box).form.elements.flatMap(({ path, panel }): Finding[] => {
    const rows = Object.values((box as unknown as Record<string, Record<string, Placed>>)[path] ?? {}).sort((a, b) => a.order - b.order);
    return rows.flatMap((row, index): Finding[] => {
      if (!panel || !('in' in row) || unit.byId.has(panel(box, row.id))) return [];
      const of = String(index + 1);
      const name: Label = { key: path === 'inserts' ? 'insert' : path === 'dividers' ? 'divider' : 'shelf', of };
      const at = (key: string): string[] => ['units', box.id, path, row.id, key];
      return [
        {
          check: 'nowhere',
          unit: box.id,
          severity: 'change',
          station: 'box',
          name,
          panels: [],
          fixes: [
            ...(lowest && lowest.keptBy !== row.in
              ? [{ label: { key: 'put-in' as const, name: lowest.name }, edit: [{ path: at('in'), value: lowest.keptBy }] }]
              : []),
            { label: { key: 'take-part-out', name }, edit: [{ path: ['units', box.id, path, row.id], value: undefined }] },
          ],
        },
      ];
    });
  });
};

/** A part that stands for one element of a list, taken out of it. */
function takeOut({ box }: CheckContext, { id, name }: ResolvedPanel): Fix[] {
  return familyOf(box).form.elements.flatMap(({ path, panel }): Fix[] => {
    const elements = Object.keys((box as unknown as Record<string, object>)[path] ?? {});
    const element = elements.find((each) => panel?.(box, each) === id);
    return element === undefined ? [] : [{ label: { key: 'take-part-out', name }, edit: [{ path: ['units', box.id, path, element], value: undefined }] }];
  });
}

/** A door, or the front of a drawer: what closes an opening. */
const isInsetFront = ({ role, id }: ResolvedPanel): boolean => role === 'door' || (role === 'front' && id.endsWith('/applied'));

/** Fronts laid over the edges leave the whole depth behind them. */
function overTheEdges(context: CheckContext): Fix[] {
  const rows = [
    { path: ['doors', 'lies'], value: 'full' },
    { path: ['fronts'], value: 'overlay' },
  ];
  return rows
    .filter(({ path }) => enters(context.box, path.join('.')))
    .map(({ path, value }) => ({ label: { key: 'fronts-over' }, edit: [{ path: inUnit(context, ...path), value }] }));
}

/** Two parts where only one can be: the unit is made deeper or taller by what frees them. */
const partsClash: Check = (context) => {
  const { box, unit } = context;
  // What cannot be made has no body to look at.
  if (unit.faults.length > 0 || !unit.panels.every(hasSize)) return [];
  return clashesOf(unit)
    .slice(0, 3)
    .map(({ a, b, apart }): Finding => {
      const grow = (path: 'depth' | 'height' | 'width', by: number, key: FixKey): Fix[] => {
        if (!enters(box, path)) return [];
        const value = roundUp(toMm(box[path].nm) + by, box.unit);
        return [{ label: { key, lengthNm: value.nm }, edit: [{ path: inUnit(context, path), value }] }];
      };
      const base = { unit: box.id, station: 'box' as const, panels: [a, b] };
      const [front, behind] = isInsetFront(unit.byId.get(b)!) ? [b, a] : [a, b];
      const [name, other] = [unit.byId.get(front)!.name, unit.byId.get(behind)!.name];
      if (isInsetFront(unit.byId.get(front)!)) {
        const fixes = [...overTheEdges(context), ...grow('depth', apart.out, 'make-deeper')];
        return { ...base, check: 'front-clearance', severity: 'change', name, other, byNm: Math.round(apart.out * 1e6), fixes };
      }
      return {
        ...base,
        check: 'parts-clash',
        severity: 'stop',
        name,
        other,
        fixes: [...grow('height', apart.up, 'make-taller'), ...grow('depth', apart.out, 'make-deeper')],
      };
    });
};

/** A strip so many times as long as its lesser section bends and bows by itself. [A] */
const SLENDER = 30;

const slenderStrip: Check = (context) => {
  const { box, unit } = context;
  return unit.panels.flatMap((panel): Finding[] => {
    if (panel.role !== 'ledge' && panel.role !== 'edging') return [];
    const least = Math.min(panel.width.value, panel.thickness);
    if (panel.length.value <= SLENDER * least) return [];
    // Held all along by an edge or a face of its own, or in the middle by something that stands against it.
    const held = unit.meetings.some(
      ({ guest, edge, host, face }) => (guest === panel.id && (edge === 'near' || edge === 'far' || isFace(edge))) || (host === panel.id && isFace(face)),
    );
    if (held) return [];
    const element = panel.id.split('/')[2] ?? '';
    const list = familyOf(box).form.elements.find(
      ({ path, fields }) =>
        fields.some((field) => field.path.join('.') === 'support') && Object.hasOwn((box as unknown as Record<string, object>)[path] ?? {}, element),
    );
    return [
      {
        check: 'slender-strip',
        unit: box.id,
        severity: 'look',
        station: 'box',
        name: panel.name,
        lengthNm: panel.length.value,
        leastNm: least,
        panels: [panel.id],
        fixes: list ? [{ label: { key: 'add-support' }, edit: [{ path: inUnit(context, list.path, element, 'support'), value: true }] }] : [],
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
