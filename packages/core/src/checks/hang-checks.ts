/** Checks of the hanging as a whole: studs, load, tipping, people. Rules: docs/checks.md and docs/formulas/hanging-verdict.md. */
import { loadLimits } from '../hang/hang.ts';
import { FINE_TIP } from '../hang/link.ts';
import { toMm } from '../length/length.ts';
import { STRUCTURES } from '../wall/structures.ts';
import { studsKnown } from '../wall/studs.ts';
import { inUnit, type Check } from './context.ts';
import { moveOverStuds, runOn, strengthen, strongerWallScrews } from './strengthen.ts';

const studs: Check = (context) => {
  const { box, wall, hang, unit } = context;
  const base = { unit: box.id, severity: 'stop' as const, station: 'hang' as const, panels: [unit.hanging.wallHalf] };
  const { carries, name } = STRUCTURES[wall.structure];
  if (carries !== 'timber') {
    const fixes = [{ label: { key: 'enter-wall' }, visit: 'wall' as const }];
    return [{ ...base, check: carries === 'moving' ? 'moving-wall' : 'ground', structure: name, fixes }];
  }
  if (!studsKnown(wall)) return [{ ...base, check: 'no-stud-anchors', fixes: [{ label: { key: 'enter-studs' }, visit: 'wall' }] }];
  if (!hang.refusals.some(({ kind }) => kind === 'too-few-studs')) return [];
  return [{ ...base, check: 'few-studs', studs: hang.studs.length, fixes: [...moveOverStuds(context), ...runOn(context)] }];
};

const liftsOff: Check = (context) => {
  const { box, unit, hang } = context;
  const { hook } = hang.forces;
  const tip = hook?.tip.value ?? 0;
  if (!hook || tip <= FINE_TIP || box.hanging.antiLift) return [];
  return [
    {
      check: 'lifts-off',
      unit: box.id,
      severity: 'stop',
      station: 'hang',
      tip,
      pullN: hook.pullLimit.value,
      panels: [unit.hanging.cabinetHalf],
      fixes: [{ label: { key: 'add-anti-lift' }, edit: [{ path: inUnit(context, 'hanging', 'antiLift'), value: true }] }],
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
      carriesKg: loadLimits(context.hangInput).carriesKg ?? 0,
      plannedKg: hang.plannedKg,
      fixes: strengthen(context, weakest.kind),
    },
  ];
};

/** Someone leans on it or pulls: a caution, a refusal where children reach it. */
const children: Check = (context) => {
  const { box, hang, unit } = context;
  const run = hang.climbing;
  if (!run || run.passes) return [];
  const worst = (
    [
      ['tip', run.tip?.value ?? 0],
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
        ...(box.hanging.antiLift || !hang.forces.hook
          ? []
          : [{ label: { key: 'add-anti-lift' }, edit: [{ path: inUnit(context, 'hanging', 'antiLift'), value: true }] }]),
        ...(worst[0] === 'screws' || !hang.forces.hook ? strongerWallScrews(context).slice(0, 2) : []),
      ],
    },
  ];
};

const tooHeavyAlone: Check = (context) => {
  const { box, unit, hangInput, workshop } = context;
  const kg = hangInput.weights.empty.mass.value;
  const deep = toMm(unit.outside.depth.value) > 400;
  const limit = (deep ? 2 / 3 : 1) * Math.min(15, workshop.shop.liftsKg);
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

export const HANG_CHECKS: readonly Check[] = [studs, liftsOff, overLoad, children, tooHeavyAlone];
