/** Checks of the cleat itself: its stock, what it is fixed to, the spacer under it, the room above it. */
import { enters } from '../cabinets/families.ts';
import { CLEAT_SPLITTING, splittingMPa } from '../hang/splitting.ts';
import { heightsOf } from '../hang/boxes.ts';
import { MIN_FIXING_BACK_MM, lowerHalfFace } from '../hang/carrier-links.ts';
import { wallHalfEnds } from '../hang/wall-links.ts';
import { edgeDistanceMm, wallRows } from '../hang/wall-rows.ts';
import { screwById } from '../joints/screws.ts';
import { entered, enteredFromNm } from '../length/entered.ts';
import { roundToNm, toMm } from '../length/length.ts';
import { isLessMm } from '../length/same-size.ts';
import { LIFT_MARGIN_MM } from '../solid/hanging.ts';
import { hangsOnCleat } from '../solid/cabinet.ts';
import { lowestCeiling } from '../wall/placed.ts';
import type { WallRail } from '../model/wall.ts';
import { evaluate } from '../explained/explained-value.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';
import { roundDown, roundUp } from './round.ts';
import { runOn, strongerWallScrews, tallerCleat } from './strengthen.ts';

const liftClearance: Check = (context) => {
  const { spec, wall, cabinet } = context;
  const { rip } = cabinet.hanging;
  if (!rip) return [];
  const needed = rip.engagement.value + LIFT_MARGIN_MM;
  const ceiling = toMm(lowestCeiling(wall, { left: spec.place.along.nm, right: spec.place.along.nm + cabinet.outside.width.value }));
  const free = ceiling - toMm(spec.place.up.nm) - toMm(cabinet.outside.height.value);
  if (!isLessMm(free, needed)) return [];
  const up = roundDown(ceiling - toMm(cabinet.outside.height.value) - needed, spec.unit);
  return [
    {
      check: 'lift-clearance',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      freeMm: free,
      neededMm: needed,
      panels: [cabinet.hanging.cabinetHalf],
      fixes: up.nm >= 0 ? [{ label: { key: 'hang-lower', lengthNm: up.nm }, edit: [{ path: inSpec(context, 'place', 'up'), value: up }] }] : [],
    },
  ];
};

const balance: Check = (context) => {
  const { spec, cabinet, hang, wall } = context;
  const reason = hang.refusals.find(({ kind }) => kind === 'off-balance');
  if (reason?.kind !== 'off-balance') return [];
  const { leftInset, rightInset, wallRail } = spec.hanging;
  const rail = wallRail === null || !cabinet.hanging.pieces ? undefined : wall.rails[wallRail];
  const none = entered(spec.unit === 'mm' ? '0 mm' : '0 in');
  const isShort = wallRail === null && (leftInset.nm > 0 || rightInset.nm > 0);
  return [
    {
      check: 'off-balance',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      pastMm: reason.pastMm,
      ...(reason.partly ? { partly: reason.partly } : {}),
      panels: [cabinet.hanging.wallHalf, cabinet.hanging.cabinetHalf],
      fixes: isShort
        ? [
            {
              label: { key: 'cleat-full-length' },
              edit: [
                { path: inSpec(context, 'hanging', 'leftInset'), value: leftInset.nm > 0 ? none : leftInset },
                { path: inSpec(context, 'hanging', 'rightInset'), value: rightInset.nm > 0 ? none : rightInset },
              ],
            },
          ]
        : rail
          ? railInOne(rail)
          : [],
    },
  ];
};

/** A rail without joints, where the boards for sale are long enough. */
function railInOne({ id, left, right }: WallRail): Fix[] {
  const length = enteredFromNm(right.nm - left.nm);
  return [{ label: { key: 'rail-in-one', lengthNm: length.nm }, edit: [{ path: ['wall', 'rails', id, 'pieceLength'], value: length }] }];
}

/** The lower of two cleats, screwed to a thin back alone. */
const lowerCleat: Check = (context) => {
  const { spec, cabinet, hang } = context;
  const reason = hang.refusals.find(({ kind }) => kind === 'lower-half-back');
  const face = lowerHalfFace(cabinet);
  if (reason?.kind !== 'lower-half-back' || !face) return [];
  const spacer = { stock: spec.hanging.stock, height: entered(spec.unit === 'mm' ? '60 mm' : '2 1/2 in') };
  const floor = cabinet.panels.find(({ role }) => role === 'bottom');
  const strip = roundUp(face.low + MIN_STRIP_MM - (floor ? heightsOf(floor).high : 0), spec.unit);
  return [
    {
      check: 'lower-cleat-back',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      backNm: roundToNm(reason.backMm),
      panels: [cabinet.hanging.lower!.cabinetHalf],
      fixes: [
        ...(enters(spec, 'nailingStrip') && toMm(strip.nm) <= MAX_STRIP_MM
          ? [{ label: { key: 'strip-behind-lower' as const, lengthNm: strip.nm }, edit: [{ path: inSpec(context, 'nailingStrip'), value: strip }] }]
          : []),
        ...(spec.hanging.wallRail === null
          ? [
              {
                label: { key: 'spacer-for-lower-cleat' as const },
                edit: [
                  { path: inSpec(context, 'hanging', 'lowerCleat'), value: null },
                  { path: inSpec(context, 'hanging', 'spacer'), value: spacer },
                ],
              },
            ]
          : []),
      ],
    },
  ];
};

/** Least reach of a strip behind the lower cleat for a row of screws; greatest height of a strip. */
const MIN_STRIP_MM = 40;
const MAX_STRIP_MM = 400;

const backAndSpacer: Check = (context) => {
  const { spec, cabinet, hang } = context;
  const { hanging } = cabinet;
  const found: Finding[] = [];
  const thin = hang.refusals.find((reason) => reason.kind === 'thin-back-only');
  if (thin?.kind === 'thin-back-only') {
    found.push({
      check: 'thin-back-only',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      backNm: roundToNm(thin.backMm),
      panels: [hanging.cabinetHalf],
      fixes: firmerBack(context),
    });
  }
  const missed = hang.refusals.find((reason) => reason.kind === 'half-misses');
  if (missed?.kind === 'half-misses') {
    found.push({
      check: 'half-misses',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      name: cabinet.byId.get(missed.carrier)!.name,
      missMm: missed.missMm,
      panels: [hanging.cabinetHalf, missed.carrier],
      fixes: meetTheCarrier(context, missed.upMm),
    });
  }
  if (hanging.standoff === 'nothing') {
    const height = entered(spec.unit === 'mm' ? '60 mm' : '2 1/2 in');
    found.push({
      check: 'no-spacer',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      panels: [hanging.cabinetHalf],
      fixes: [
        {
          label: { key: 'add-spacer', lengthNm: hanging.gap },
          edit: [{ path: inSpec(context, 'hanging', 'spacer'), value: { stock: spec.hanging.stock, height } }],
        },
      ],
    });
  }
  const off = toMm(hanging.spacerThickness) - toMm(hanging.gap);
  if (hanging.standoff === 'spacer' && Math.abs(off) > 0.5) {
    const h = toMm(hanging.contactUp) - toMm(hanging.standoffUp);
    found.push({
      check: 'wrong-spacer',
      unit: spec.id,
      severity: 'change',
      station: 'hang',
      gapNm: hanging.gap,
      spacerNm: hanging.spacerThickness,
      slopeMm: (off / h) * toMm(cabinet.outside.height.value),
      panels: [hanging.spacer!],
      fixes: [{ label: { key: 'spacer-same-stock' }, edit: [{ path: inSpec(context, 'hanging', 'spacer', 'stock'), value: spec.hanging.stock }] }],
    });
  }
  return found;
};

const cleatMaterial: Check = (context) => {
  const { spec, cabinet, hang } = context;
  const reason = hang.refusals.find(({ kind }) => kind === 'cleat-material');
  if (reason?.kind !== 'cleat-material') return [];
  return [
    {
      check: 'cleat-material',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      material: reason.material,
      through: !hangsOnCleat(cabinet.hanging),
      panels: [cabinet.hanging.wallHalf, cabinet.hanging.cabinetHalf],
      fixes: plywoodCleat(context),
    },
  ];
};

/** Moves the cabinet cleat until its screws meet their carrier; where they are too narrow, a taller cleat or rail. */
function meetTheCarrier(context: CheckContext, upMm: number | null): Fix[] {
  const { spec } = context;
  if (upMm === null) return [tallerCleat(context), ...firmerBack(context)];
  const drop = (upMm < 0 ? roundUp : roundDown)(toMm(spec.hanging.drop.nm) - upMm, spec.unit);
  return drop.nm < 0
    ? [tallerCleat(context)]
    : [{ label: { key: 'cleat-drop', lengthNm: drop.nm }, edit: [{ path: inSpec(context, 'hanging', 'drop'), value: drop }] }];
}

/** A rail where the family has room for one; else a back thick enough to hold screws itself. */
function firmerBack(context: CheckContext): Fix[] {
  const { spec, workshop } = context;
  if (enters(spec, 'hanging.rail')) {
    const rail = entered(spec.unit === 'mm' ? '90 mm' : '3 1/2 in');
    return [{ label: { key: 'add-rail', lengthNm: rail.nm }, edit: [{ path: inSpec(context, 'hanging', 'rail'), value: rail }] }];
  }
  const thick = Object.values(workshop.products)
    .filter(({ kind, unit, nominal, faced }) => kind === 'sheet' && unit === spec.unit && !faced && toMm(nominal.nm) >= MIN_FIXING_BACK_MM)
    .sort((a, b) => a.nominal.nm - b.nominal.nm)[0];
  if (!thick || !enters(spec, 'backStock')) return [];
  return [{ label: { key: 'back-of', text: thick.name }, edit: [{ path: inSpec(context, 'backStock'), value: thick.id }] }];
}

/** Cleat and spacer from a sound plywood of the workshop. */
function plywoodCleat(context: CheckContext): Fix[] {
  const { spec, workshop } = context;
  // Screwed through, the strip is of the carcass's stock: a cleat would be of another.
  if (!hangsOnCleat(spec.hanging)) return [{ label: { key: 'hang-on-cleat' }, edit: [{ path: inSpec(context, 'hanging', 'kind'), value: 'outside' }] }];
  const sound = Object.values(workshop.products).find(
    (product) =>
      product.unit === spec.unit && product.material === (spec.unit === 'mm' ? 'birch-plywood' : 'hardwood-faced-plywood') && toMm(product.nominal.nm) > 16,
  );
  if (!sound || sound.id === spec.hanging.stock) return [];
  return [
    {
      label: { key: 'cleat-of', text: sound.name },
      edit: [
        { path: inSpec(context, 'hanging', 'stock'), value: sound.id },
        ...(spec.hanging.spacer ? [{ path: inSpec(context, 'hanging', 'spacer', 'stock'), value: sound.id }] : []),
      ],
    },
  ];
}

/** No screws planned: the cleats are not fastened. */
const unfastened: Check = (context) => {
  const { spec, cabinet, hang } = context;
  const base = { unit: spec.id, check: 'unfastened' as const, severity: 'stop' as const, station: 'hang' as const };
  const found: Finding[] = [];
  if (hang.refusals.some(({ kind }) => kind === 'no-wall-screw'))
    found.push({
      ...base,
      half: 'wall',
      panels: [cabinet.hanging.wallHalf],
      fixes: [{ label: { key: 'more-upper', number: 2 }, edit: [{ path: inSpec(context, 'hanging', 'wallScrew', 'upper'), value: 2 }] }],
    });
  if (hang.refusals.some(({ kind }) => kind === 'no-cabinet-screw'))
    found.push({
      ...base,
      half: 'cabinet',
      panels: [cabinet.hanging.cabinetHalf],
      fixes: [{ label: { key: 'more-cabinet-screws', number: 8 }, edit: [{ path: inSpec(context, 'hanging', 'cabinetScrew', 'count'), value: 8 }] }],
    });
  return found;
};

/** A shorter face has no room for two rows of screws. [ASSUME] */
const MIN_SHORT_FACE_MM = 45;
const BETWEEN_ROWS_MM = 10;

const slimCleat: Check = (context) => {
  const { spec, cabinet } = context;
  if (!cabinet.hanging.rip) return [];
  const short = toMm(cabinet.hanging.shortFace);
  const wanted = Math.max(MIN_SHORT_FACE_MM, 2 * edgeDistanceMm(cabinet) + BETWEEN_ROWS_MM);
  if (!isLessMm(short, wanted)) return [];
  return [
    {
      check: 'slim-cleat',
      unit: spec.id,
      severity: isLessMm(short, 2 * edgeDistanceMm(cabinet)) ? 'stop' : 'change',
      station: 'hang',
      shortMm: short,
      wantedMm: wanted,
      panels: [cabinet.hanging.wallHalf, cabinet.hanging.cabinetHalf],
      fixes: [tallerCleat(context)],
    },
  ];
};

/** Greatest overhang of the wall cleat beyond its last stud, as a share of the stud spacing. docs/formulas/wall-half-bending.md */
const MAX_OVERHANG = 0.4;

const overhang: Check = (context) => {
  const { spec, cabinet, hang } = context;
  const at = hang.studs.map(({ atMm }) => atMm).sort((a, b) => a - b);
  if (at.length < 2 || !cabinet.hanging.rip) return [];
  const { from, to } = wallHalfEnds(cabinet);
  const spacing = Math.min(...at.slice(1).map((stud, index) => stud - at[index]!));
  const most = MAX_OVERHANG * spacing;
  const half = cabinet.byId.get(cabinet.hanging.cabinetHalf)!;
  const left = at[0]! - Math.max(from, half.frame.origin.along / 1e6);
  const right = Math.min(to, (half.frame.origin.along + half.length.value) / 1e6) - at.at(-1)!;
  const overMm = Math.max(left, right);
  if (overMm <= most) return [];
  const edge = left >= right ? 'leftInset' : 'rightInset';
  const inset = roundUp(toMm(spec.hanging[edge].nm) + overMm - most, spec.unit);
  return [
    {
      check: 'overhang',
      unit: spec.id,
      severity: 'change',
      station: 'hang',
      side: edge === 'leftInset' ? 'left' : 'right',
      overMm,
      maxMm: most,
      panels: [cabinet.hanging.wallHalf],
      fixes: [
        ...runOn(context),
        {
          label: { key: edge === 'leftInset' ? 'inset-left' : 'inset-right', lengthNm: inset.nm },
          edit: [{ path: inSpec(context, 'hanging', edge), value: inset }],
        },
      ],
    },
  ];
};

/** A caution, never a refusal: the pull over the bevel may split the cleat above the upper row. */
const cleatSplits: Check = (context) => {
  const { spec, cabinet, hang, hangInput } = context;
  const { hanging } = cabinet;
  const worst = hang.studs.reduce<(typeof hang.studs)[number] | undefined>((a, b) => (a && a.share.value >= b.share.value ? a : b), undefined);
  const { upper, topMm } = wallRows(cabinet);
  const { hook } = hang.forces;
  if (!worst || upper === 0 || !hook) return [];
  const t = toMm(hanging.cleatThickness);
  const each = worst.share.value / upper;
  const ratio = hang.forces.outward.value / hang.weight.value;
  const { value } = evaluate(CLEAT_SPLITTING, { H: each * ratio, V: each, b: hook.b, s: topMm, t, head: screwById(hanging.wallScrew.screw).headMm });
  const limit = splittingMPa(hangInput.materialOf(cabinet.byId.get(hanging.wallHalf)!.stock));
  if (value <= limit) return [];
  return [
    {
      check: 'cleat-splits',
      unit: spec.id,
      severity: 'look',
      station: 'hang',
      use: value / limit,
      panels: [hanging.wallHalf],
      fixes: [...plywoodCleat(context), ...strongerWallScrews(context).slice(0, 1)],
    },
  ];
};

export const CLEAT_CHECKS: readonly Check[] = [balance, liftClearance, lowerCleat, backAndSpacer, cleatMaterial, unfastened, slimCleat, overhang, cleatSplits];
