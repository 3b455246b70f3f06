/** Checks of the hanging: screws, studs, spacer, clearance, tipping. Rules: docs/checks.md and docs/formulas/hanging-verdict.md. */
import { LEAST_PENETRATION, FULL_PENETRATION } from '../hang/fasteners.ts';
import { studsBehind, wallHalfEnds } from '../hang/wall-links.ts';
import { screwById, shortestAtLeast } from '../joints/screws.ts';
import { entered, type Entered } from '../length/entered.ts';
import { nearest, toMm } from '../length/length.ts';
import { LIFT_MARGIN_MM } from '../solid/hanging.ts';
import type { LinkKind } from '../hang/link.ts';
import { dadoBottom, roundDown, roundUp } from './box-checks.ts';
import { inUnit, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';

/** A tip may come this near to the far face. [ASSUME] */
const TIP_COVER_MM = 3;
/** Thread wanted in a mate that carries nothing. [ASSUME] */
const LEAST_GRIP_MM = 12;
/** Through rail and back into a cleat no thicker than they are: the true grip enters the strength, this only says it holds at all. [ASSUME] */
const LEAST_CABINET_GRIP_MM = 10;

const fit = (context: CheckContext, lengthPath: string[], screwId: string, leastMm: number): Fix[] => {
  const length = shortestAtLeast(screwById(screwId), leastMm);
  return length ? [{ label: { key: 'use-screw-length', lengthNm: length.nm }, edit: [{ path: inUnit(context, ...lengthPath), value: length }] }] : [];
};

/** The longest stock length up to a limit. */
const longestUpTo = (screwId: string, mostMm: number): Entered | undefined =>
  screwById(screwId)
    .lengths.filter(({ nm }) => toMm(nm) <= mostMm)
    .at(-1);

const shorter = (context: CheckContext, lengthPath: string[], screwId: string, mostMm: number): Fix[] => {
  const length = longestUpTo(screwId, mostMm);
  return length ? [{ label: { key: 'use-screw-length', lengthNm: length.nm }, edit: [{ path: inUnit(context, ...lengthPath), value: length }] }] : [];
};

const wallScrew: Check = (context) => {
  const { box, wall, unit } = context;
  const { screw, length } = box.hanging.wallScrew;
  const { diameterMm } = screwById(screw);
  const layers = toMm(unit.hanging.cleatThickness) + toMm(wall.wallboard.nm);
  const grip = toMm(length.nm) - layers;
  const base = { unit: box.id, station: 'hang' as const, panels: [unit.hanging.wallHalf], where: 'stud' as const, lengthNm: length.nm };
  if (grip < LEAST_PENETRATION * diameterMm) {
    return [
      {
        ...base,
        check: 'screw-too-short',
        severity: 'stop',
        gripMm: grip,
        wantedMm: LEAST_PENETRATION * diameterMm,
        fixes: fit(context, ['hanging', 'wallScrew', 'length'], screw, layers + FULL_PENETRATION * diameterMm),
      },
    ];
  }
  const over = grip - (toMm(wall.studs.depth.nm) - TIP_COVER_MM);
  if (over > 0)
    return [
      {
        ...base,
        check: 'screw-too-long',
        severity: 'stop',
        overMm: over,
        fixes: shorter(context, ['hanging', 'wallScrew', 'length'], screw, layers + toMm(wall.studs.depth.nm) - TIP_COVER_MM),
      },
    ];
  return [];
};

const cabinetScrew: Check = (context) => {
  const { box, unit } = context;
  const { screw, length, count } = box.hanging.cabinetScrew;
  if (count === 0) return [];
  const back = unit.panels.find(({ role }) => role === 'back');
  const rail = unit.hanging.hangingRail ? unit.byId.get(unit.hanging.hangingRail)! : undefined;
  const layers = (rail ? toMm(rail.thickness) : 0) + (back ? toMm(back.thickness) : 0);
  const cleat = toMm(unit.hanging.cleatThickness);
  const grip = toMm(length.nm) - layers;
  const base = { unit: box.id, station: 'hang' as const, panels: [unit.hanging.cabinetHalf], where: 'cabinet-half' as const, lengthNm: length.nm };
  const path = ['hanging', 'cabinetScrew', 'length'];
  if (grip > cleat - TIP_COVER_MM)
    return [
      {
        ...base,
        check: 'screw-too-long',
        severity: 'stop',
        overMm: grip - (cleat - TIP_COVER_MM),
        fixes: shorter(context, path, screw, layers + cleat - TIP_COVER_MM),
      },
    ];
  if (grip < LEAST_CABINET_GRIP_MM)
    return [
      {
        ...base,
        check: 'screw-too-short',
        severity: 'change',
        gripMm: grip,
        wantedMm: LEAST_CABINET_GRIP_MM,
        fixes: fit(context, path, screw, layers + LEAST_CABINET_GRIP_MM),
      },
    ];
  return [];
};

const jointScrew: Check = (context) => {
  const { box, unit } = context;
  const { perJoint, screw, length } = box.assembly;
  if (perJoint === 0) return [];
  const through = toMm(unit.byId.get(`${box.id}/side/left`)!.thickness);
  const grip = toMm(length.nm) - through;
  const wanted = Math.max(LEAST_GRIP_MM, LEAST_PENETRATION * screwById(screw).diameterMm);
  if (grip >= wanted) return [];
  return [
    {
      check: 'screw-too-short',
      unit: box.id,
      severity: 'change',
      station: 'box',
      where: 'joint',
      lengthNm: length.nm,
      gripMm: grip,
      wantedMm: wanted,
      panels: [`${box.id}/side/left`, `${box.id}/side/right`],
      fixes: fit(context, ['assembly', 'length'], screw, through + wanted),
    },
  ];
};

const studs: Check = (context) => {
  const { box, wall, hang, unit } = context;
  const base = { unit: box.id, severity: 'stop' as const, station: 'hang' as const, panels: [unit.hanging.wallHalf] };
  if (!wall.studs.known) return [{ ...base, check: 'no-stud-anchors', fixes: [{ label: { key: 'enter-studs' }, visit: 'hang' }] }];
  if (!hang.refusals.some(({ kind }) => kind === 'too-few-studs')) return [];
  return [{ ...base, check: 'few-studs', studs: hang.studs.length, fixes: [...moveOverStuds(context), ...runOn(context)] }];
};

/** The nearest place along the wall where two studs stand behind the wall half. */
function moveOverStuds(context: CheckContext): Fix[] {
  const { box, hangInput, unit } = context;
  const { from, to } = wallHalfEnds(unit);
  const end = 10 * screwById(box.hanging.wallScrew.screw).diameterMm;
  const all = hangInput.studsMm;
  let best: number | undefined;
  for (let i = 0; i + 1 < all.length; i++) {
    const least = all[i + 1]! + end - to;
    const most = all[i]! - end - from;
    if (least > most) continue;
    const shift = Math.max(least, Math.min(0, most));
    if (best === undefined || Math.abs(shift) < Math.abs(best)) best = shift;
  }
  if (best === undefined || toMm(box.place.along.nm) + best < 0) return [];
  const along = toMm(box.place.along.nm) + best;
  const value = best > 0 ? roundUp(along, box.unit) : roundDown(along, box.unit);
  return [{ label: { key: 'move-along', lengthNm: value.nm }, edit: [{ path: inUnit(context, 'place', 'along'), value }] }];
}

/** The wall half run on to the next stud on the nearer side; only an outside cleat can. */
export function runOn(context: HangContext): Fix[] {
  const { box, unit, hangInput } = context;
  if (box.hanging.kind !== 'outside') return [];
  const { from, to } = wallHalfEnds(unit);
  const end = 10 * screwById(box.hanging.wallScrew.screw).diameterMm;
  const behind = studsBehind(unit, hangInput.studsMm);
  const right = hangInput.studsMm.find((at) => at > to - end && !behind.includes(at));
  const left = [...hangInput.studsMm].reverse().find((at) => at < from + end && !behind.includes(at));
  const width = toMm(box.width.nm);
  const rows: { by: number; edge: 'rightInset' | 'leftInset' }[] = [];
  if (right !== undefined) rows.push({ by: right + end - width, edge: 'rightInset' });
  if (left !== undefined) rows.push({ by: end - left, edge: 'leftInset' });
  return rows
    .filter(({ by }) => by > 0)
    .sort((a, b) => a.by - b.by)
    .slice(0, 1)
    .map(({ by, edge }) => {
      const reach = roundUp(by, box.unit);
      return {
        label: { key: edge === 'rightInset' ? 'run-on-right' : 'run-on-left', lengthNm: reach.nm },
        edit: [{ path: ['units', box.id, 'hanging', edge], value: entered(`-${reach.text}`) }],
      };
    });
}

const liftClearance: Check = (context) => {
  const { box, wall, unit } = context;
  const needed = unit.hanging.engagement.value + LIFT_MARGIN_MM;
  const free = toMm(wall.ceiling.nm) - toMm(box.place.up.nm) - toMm(box.height.nm);
  if (free >= needed) return [];
  const up = roundDown(toMm(wall.ceiling.nm) - toMm(box.height.nm) - needed, box.unit);
  return [
    {
      check: 'lift-clearance',
      unit: box.id,
      severity: 'stop',
      station: 'hang',
      freeMm: free,
      neededMm: needed,
      panels: [unit.hanging.cabinetHalf],
      fixes: up.nm >= 0 ? [{ label: { key: 'hang-lower', lengthNm: up.nm }, edit: [{ path: inUnit(context, 'place', 'up'), value: up }] }] : [],
    },
  ];
};

const backAndSpacer: Check = (context) => {
  const { box, unit, hang } = context;
  const { hanging } = unit;
  const found: Finding[] = [];
  const thin = hang.refusals.find((reason) => reason.kind === 'thin-back-only');
  if (thin?.kind === 'thin-back-only') {
    const rail = entered(box.unit === 'mm' ? '90 mm' : '3 1/2 in');
    found.push({
      check: 'thin-back-only',
      unit: box.id,
      severity: 'stop',
      station: 'hang',
      backNm: nearest(thin.backMm),
      panels: [hanging.cabinetHalf],
      fixes: [{ label: { key: 'add-rail', lengthNm: rail.nm }, edit: [{ path: inUnit(context, 'hanging', 'rail'), value: rail }] }],
    });
  }
  if (hanging.standoff === 'nothing') {
    const height = entered(box.unit === 'mm' ? '60 mm' : '2 1/2 in');
    found.push({
      check: 'no-spacer',
      unit: box.id,
      severity: 'stop',
      station: 'hang',
      panels: [hanging.cabinetHalf],
      fixes: [
        {
          label: { key: 'add-spacer', lengthNm: hanging.gap },
          edit: [{ path: inUnit(context, 'hanging', 'spacer'), value: { stock: box.hanging.stock, height } }],
        },
      ],
    });
  }
  const off = toMm(hanging.spacerThickness) - toMm(hanging.gap);
  if (hanging.standoff === 'spacer' && Math.abs(off) > 0.5) {
    const h = toMm(hanging.contactUp) - toMm(hanging.standoffUp);
    found.push({
      check: 'wrong-spacer',
      unit: box.id,
      severity: 'change',
      station: 'hang',
      gapNm: hanging.gap,
      spacerNm: hanging.spacerThickness,
      slopeMm: (off / h) * toMm(box.height.nm),
      panels: [hanging.spacer!],
      fixes: [{ label: { key: 'spacer-same-stock' }, edit: [{ path: inUnit(context, 'hanging', 'spacer', 'stock'), value: box.hanging.stock }] }],
    });
  }
  return found;
};

const liftsOff: Check = (context) => {
  const { box, unit, hang } = context;
  const tip = hang.forces.tip.value;
  if (tip <= 0.67 || box.hanging.antiLift) return [];
  return [
    {
      check: 'lifts-off',
      unit: box.id,
      severity: tip > 1 ? 'stop' : 'change',
      station: 'hang',
      tip,
      pullN: hang.forces.pullLimit.value,
      panels: [unit.hanging.cabinetHalf],
      fixes: [{ label: { key: 'add-anti-lift' }, edit: [{ path: inUnit(context, 'hanging', 'antiLift'), value: true }] }],
    },
  ];
};

const cleatMaterial: Check = (context) => {
  const { box, unit, hang, workshop } = context;
  const reason = hang.refusals.find(({ kind }) => kind === 'cleat-material');
  if (reason?.kind !== 'cleat-material') return [];
  const sound = Object.values(workshop.products).find(
    (product) =>
      product.unit === box.unit && product.material === (box.unit === 'mm' ? 'birch-plywood' : 'hardwood-faced-plywood') && toMm(product.nominal.nm) > 16,
  );
  return [
    {
      check: 'cleat-material',
      unit: box.id,
      severity: 'stop',
      station: 'hang',
      material: reason.material,
      panels: [unit.hanging.wallHalf, unit.hanging.cabinetHalf],
      fixes: sound
        ? [
            {
              label: { key: 'cleat-of', text: sound.name },
              edit: [
                { path: inUnit(context, 'hanging', 'stock'), value: sound.id },
                ...(box.hanging.spacer ? [{ path: inUnit(context, 'hanging', 'spacer', 'stock'), value: sound.id }] : []),
              ],
            },
          ]
        : [],
    },
  ];
};

const overLoad: Check = (context) => {
  const { box, hang } = context;
  if (hang.state !== 'over') return [];
  const weakest = hang.links[0]!;
  const base = { unit: box.id, severity: 'stop' as const, station: 'hang' as const, panels: weakest.panels };
  return [
    {
      ...base,
      check: 'over-load',
      link: weakest.name,
      use: weakest.use.value,
      carriesKg: hang.carriesKg ?? 0,
      plannedKg: hang.plannedKg,
      fixes: strengthen(context, weakest.kind),
    },
  ];
};

type HangContext = Pick<CheckContext, 'box' | 'unit' | 'hangInput'>;

/** What strengthens one kind of link, the most helpful order of docs/formulas/hanging-verdict.md first. */
export function strengthen(context: HangContext, kind: LinkKind): Fix[] {
  const { box } = context;
  const path = (...keys: string[]): string[] => ['units', box.id, ...keys];
  const more = (key: string, number: number, ...at: string[]): Fix => ({ label: { key, number }, edit: [{ path: path(...at), value: number }] });
  switch (kind) {
    case 'wall-screws':
    case 'wall-half-bending':
      return [...runOn(context), ...strongerWallScrews(context)];
    case 'cabinet-screws': {
      const { count } = box.hanging.cabinetScrew;
      return [more('more-cabinet-screws', Math.min(24, count + Math.max(2, Math.ceil(count / 2))), 'hanging', 'cabinetScrew', 'count')].filter(
        () => count < 24,
      );
    }
    case 'rail-joint': {
      const { railScrews } = box.hanging;
      return railScrews < 8 ? [more('more-rail-screws', Math.min(8, railScrews + 2), 'hanging', 'railScrews')] : [];
    }
    case 'floor-joint':
      return [{ label: { key: 'use-dado' }, edit: [{ path: path('shelfJoint'), value: 'dado' }, ...dadoBottom(context)] }];
    case 'tip':
      return box.hanging.antiLift ? [] : [{ label: { key: 'add-anti-lift' }, edit: [{ path: path('hanging', 'antiLift'), value: true }] }];
    case 'spacer':
    case 'hold-down':
      return [];
  }
}

/** More screws in a stud, then a larger one, then a taller cleat. */
export function strongerWallScrews(context: Pick<CheckContext, 'box'>): Fix[] {
  const { box } = context;
  const { wallScrew, boardWidth } = box.hanging;
  const path = (...keys: string[]): string[] => ['units', box.id, 'hanging', ...keys];
  const fixes: Fix[] = [];
  if (wallScrew.upper < 2)
    fixes.push({ label: { key: 'more-upper', number: wallScrew.upper + 1 }, edit: [{ path: path('wallScrew', 'upper'), value: wallScrew.upper + 1 }] });
  if (wallScrew.lower < 2)
    fixes.push({ label: { key: 'more-lower', number: wallScrew.lower + 1 }, edit: [{ path: path('wallScrew', 'lower'), value: wallScrew.lower + 1 }] });
  const larger = { '#6': '#8', '#8': '#10', '#10': '#12', '#12': '#14', '3.5mm': '4mm', '4mm': '5mm', '4.5mm': '5mm', '5mm': '6mm', '6mm': '8mm' }[
    wallScrew.screw
  ];
  if (larger) fixes.push({ label: { key: 'larger-screw', text: screwById(larger).name }, edit: [{ path: path('wallScrew', 'screw'), value: larger }] });
  const taller = box.unit === 'mm' ? entered(`${Math.round(toMm(boardWidth.nm)) + 40} mm`) : entered(`${Math.round(boardWidth.nm / 25_400_000) + 2} in`);
  fixes.push({ label: { key: 'taller-cleat', lengthNm: taller.nm }, edit: [{ path: path('boardWidth'), value: taller }] });
  return fixes;
}

/** Someone leans on it or pulls: a caution, a refusal where children reach it. */
const children: Check = (context) => {
  const { box, hang, unit } = context;
  const run = hang.climbing;
  if (!run || run.passes) return [];
  const worst = (
    [
      ['tip', run.tip.value],
      ['screws', run.screws.value],
      ['pull', run.pull.value],
    ] as const
  ).reduce((a, b) => (b[1] > a[1] ? b : a));
  const near = context.children && toMm(box.place.up.nm) < 1200;
  return [
    {
      check: 'children',
      unit: box.id,
      severity: near ? 'stop' : 'look',
      station: 'hang',
      reason: worst[0],
      use: worst[1],
      near,
      panels: [unit.hanging.cabinetHalf],
      fixes: [
        ...(box.hanging.antiLift ? [] : [{ label: { key: 'add-anti-lift' }, edit: [{ path: inUnit(context, 'hanging', 'antiLift'), value: true }] }]),
        ...(worst[0] === 'screws' ? strongerWallScrews(context).slice(0, 2) : []),
      ],
    },
  ];
};

const tooHeavyAlone: Check = (context) => {
  const { box, hangInput, workshop } = context;
  const kg = hangInput.weights.empty.mass.value;
  const deep = toMm(box.depth.nm) > 400;
  const limit = (deep ? 2 / 3 : 1) * Math.min(15, workshop.machines.liftsKg);
  return kg > limit
    ? [
        {
          check: 'too-heavy-alone',
          unit: box.id,
          severity: 'change',
          station: 'hang',
          kg,
          limitKg: limit,
          panels: [],
          fixes: [{ label: { key: 'lift-limit' }, visit: 'stock' }],
        },
      ]
    : [];
};

export const HANG_CHECKS: readonly Check[] = [
  wallScrew,
  cabinetScrew,
  jointScrew,
  studs,
  liftClearance,
  backAndSpacer,
  liftsOff,
  cleatMaterial,
  overLoad,
  children,
  tooHeavyAlone,
];
