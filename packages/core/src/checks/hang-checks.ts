/** Checks of the hanging as a whole: studs, load, tipping, people. Rules: docs/checks.md and docs/formulas/hanging-verdict.md. */
import { ASSUMED } from '../assumed/assumed.ts';
import { loadLimits } from '../hang/limits.ts';
import { FINE_TIP, mostUtilized } from '../hang/link.ts';
import { toMeasure } from '../hang/uncertainty.ts';
import { AS_ASKED, isSeating, settled } from '../hang/seating.ts';
import { enteredFromNm } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import { withFixes, type Fix, type Finding } from './finding.ts';
import { strengthen, strongerWallScrews } from './strengthen.ts';

/** Above resting people: greatest utilization, and a lock is required. */
const MAX_OVER_PEOPLE = ASSUMED.overPeople.value;

const overPeople: Check = (context) => {
  const { spec, hang, cabinet } = context;
  const { over } = spec;
  if (over === 'nothing') return [];
  const use = mostUtilized(hang.links);
  const locked = spec.hanging.antiLift || !hang.forces.hook;
  const fixes: Fix[] = [
    ...(locked ? [] : [{ label: { key: 'add-anti-lift' as const }, edit: [{ path: inSpec(context, 'hanging', 'antiLift'), value: true }] }]),
    ...(use > MAX_OVER_PEOPLE && hang.links[0] ? strengthen(context, hang.links[0].kind) : []),
    { label: { key: 'enter-place' }, visit: 'wall' },
  ];
  const base = { check: 'bed' as const, unit: spec.id, station: 'hang' as const, under: over, use, locked, panels: [cabinet.hanging.cabinetHalf], fixes };
  return [{ ...base, severity: locked && use <= MAX_OVER_PEOPLE ? 'look' : 'stop' }];
};

/** An earthquake lifts a hook: cabinets are fixed top and bottom. Forces are not computed. */
const earthquake: Check = (context) => {
  const { spec, hang, cabinet, earthquakes } = context;
  if (!earthquakes) return [];
  const locked = spec.hanging.antiLift || !hang.forces.hook;
  return [
    {
      check: 'earthquake',
      unit: spec.id,
      severity: locked ? 'look' : 'stop',
      station: 'hang',
      locked,
      panels: [cabinet.hanging.cabinetHalf],
      fixes: locked
        ? [{ label: { key: 'enter-wall' }, visit: 'wall' }]
        : [{ label: { key: 'add-anti-lift' as const }, edit: [{ path: inSpec(context, 'hanging', 'antiLift'), value: true }] }],
    },
  ];
};

/** It seated at another height than asked, and the next line is not adjusted. */
const heightShift: Check = (context) => {
  const { spec, cabinet, seating } = context;
  const { own } = seating;
  if (!own || !cabinet.hanging.rip || own.asked !== spec.place.up.nm) return [];
  const lower = settled(own);
  if (Math.abs(own.asked - own.came) <= AS_ASKED || spec.hanging.seats?.nm === lower) return [];
  const value = enteredFromNm(lower);
  return [
    {
      check: 'height-shift',
      unit: spec.id,
      severity: 'change',
      station: 'hang',
      cameNm: own.came,
      askedNm: own.asked,
      lowerNm: own.asked - own.came,
      panels: [cabinet.hanging.wallHalf],
      fixes: [
        ...(isSeating(lower)
          ? [{ label: { key: 'allow-seating' as const, lengthNm: lower }, edit: [{ path: inSpec(context, 'hanging', 'seats'), value }] }]
          : []),
        { label: { key: 'leave-height', lengthNm: own.came }, edit: [{ path: inSpec(context, 'place', 'up'), value: enteredFromNm(own.came) }] },
      ],
    },
  ];
};

const liftsOff: Check = (context) => {
  const { spec, cabinet, hang } = context;
  const { hook } = hang.forces;
  const tip = hang.links.find(({ kind }) => kind === 'tip')?.use.value ?? 0;
  if (!hook || tip <= FINE_TIP || spec.hanging.antiLift) return [];
  return [
    {
      check: 'lifts-off',
      unit: spec.id,
      severity: 'stop',
      station: 'hang',
      tip,
      pullN: hook.pullLimit.value,
      panels: [cabinet.hanging.cabinetHalf],
      fixes: [{ label: { key: 'add-anti-lift' as const }, edit: [{ path: inSpec(context, 'hanging', 'antiLift'), value: true }] }],
    },
  ];
};

/** Fields for unweighed masses and unknown studs. */
const measured = (input: ReturnType<typeof toMeasure>[number]): Fix =>
  input === 'contents'
    ? { label: { key: 'weigh-contents' }, visit: 'contents' }
    : { label: { key: 'enter-species' }, visit: 'wall', field: 'wall.studs.species' };

const overLoad: Check = (context) => {
  const { spec, hang } = context;
  const over = hang.links.find(({ use, limit }) => use.value > limit);
  // Within its limits as planned, over them with every unweighed mass at its upper bound.
  const weakest = over ?? hang.atLow;
  if (!weakest) return [];
  const carriesKg = (): number => {
    const limits = loadLimits(context.hangInput);
    return (over ? limits.carriesKg : limits.lowKg) ?? 0;
  };
  const found: Finding = {
    check: 'over-load',
    unit: spec.id,
    severity: 'stop',
    station: 'hang',
    panels: weakest.panels,
    link: weakest.name,
    use: weakest.use.value,
    carriesKg: hang.refusals.length > 0 ? null : carriesKg(),
    plannedKg: hang.plannedKg,
    lowUse: Math.max(weakest.use.value, hang.atLow?.use.value ?? 0),
    ...(over ? {} : { atLow: true }),
    fixes: [],
  };
  return [withFixes(found, () => [...(over ? [] : toMeasure(context.hangInput).map(measured)), ...strengthen(context, weakest.kind)])];
};

/** Someone leans or pulls on it: a caution, a refusal where children reach it. */
const children: Check = (context) => {
  const { spec, hang, cabinet } = context;
  const run = hang.climbing;
  if (!run || run.passes) return [];
  const worst = (
    [
      ['tip', run.tip?.value ?? 0],
      ['screws', run.screws.value],
      ['pull', run.pull.value],
    ] as const
  ).reduce((a, b) => (b[1] > a[1] ? b : a));
  const near = context.children && toMm(spec.place.up.nm) < 1200;
  return [
    {
      check: 'children',
      unit: spec.id,
      severity: near ? 'stop' : 'look',
      station: 'hang',
      reason: worst[0],
      use: worst[1],
      near,
      panels: [cabinet.hanging.cabinetHalf],
      fixes: [
        ...(spec.hanging.antiLift || !hang.forces.hook
          ? []
          : [{ label: { key: 'add-anti-lift' as const }, edit: [{ path: inSpec(context, 'hanging', 'antiLift'), value: true }] }]),
        ...(worst[0] === 'screws' || !hang.forces.hook ? strongerWallScrews(context).slice(0, 2) : []),
      ],
    },
  ];
};

/** Weight one person can lift to a wall, kg: 15 at most, two thirds of it where the depth keeps it away from the chest. [ASSUME] */
export function aloneLimitKg(cabinet: CheckContext['cabinet'], { shop }: Pick<CheckContext['workshop'], 'shop'>): number {
  const deep = toMm(cabinet.outside.depth.value) > DEEP_MM;
  return (deep ? 2 / 3 : 1) * Math.min(LIFTED_KG, shop.liftsKg);
}
const DEEP_MM = 400;
const LIFTED_KG = 15;

/** Resolution of a bathroom scale. [ASSUME] */
const WEIGHED_KG = 0.005;

const tooHeavyAlone: Check = (context) => {
  const { spec, cabinet, hangInput, workshop } = context;
  const kg = hangInput.weights.empty.mass.value;
  const limit = aloneLimitKg(cabinet, workshop);
  return kg > limit + WEIGHED_KG
    ? [
        {
          check: 'too-heavy-alone',
          unit: spec.id,
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

export const HANG_CHECKS: readonly Check[] = [overPeople, earthquake, heightShift, liftsOff, overLoad, children, tooHeavyAlone];
