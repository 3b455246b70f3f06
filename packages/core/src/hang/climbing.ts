/**
 * Second load run: someone leans on the front edge (400 N down) or pulls at the bottom (200 N), with full contents and short load duration. Always computed
 * and shown. Source: docs/formulas/hanging-verdict.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { toMm } from '../length/length.ts';
import type { Load } from '../parts/weights.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { CLIMBING } from './fasteners.ts';
import type { HangInput } from './hang-input.ts';
import { LOCKED_PULL_LIMIT, WEIGHT } from './statics.ts';
import { bottomPull } from './through-forces.ts';
import { wallForces } from './wall-forces.ts';
import type { Hook, WallForces } from './forces.ts';
import { HOLD_DOWN_USE, screwCapacity, wallLinks } from './wall-links.ts';

export interface ClimbingChild {
  /** Tipping of the hook, or load on the lock that prevents it; null for a cabinet that is screwed through and has no hook. */
  readonly tip: ExplainedValue | null;
  /** The most loaded stud. */
  readonly screws: ExplainedValue;
  /** A firm pull at the bottom front edge against what unhooks the cabinet, or what withdraws its screws. */
  readonly pull: ExplainedValue;
  readonly passes: boolean;
}

export const LEANING_N = ASSUMED.leaning.value;
export const PULLING_N = ASSUMED.pulling.value;

const LEANT_WEIGHT = formula({
  label: 'leant-weight',
  unit: 'N',
  text: 'W + 400 N',
  source: 'docs/formulas/hanging-verdict.md',
  terms: { W: 'N' },
  compute: ({ W }) => W + LEANING_N,
});
const LEANT_CENTRE = formula({
  label: 'leant-centre',
  unit: 'mm',
  text: '(W e + 400 N · front) / (W + 400 N)',
  source: '[eq]',
  terms: { W: 'N', e: 'mm', front: 'mm' },
  compute: ({ W, e, front }) => (W * e + LEANING_N * front) / (W + LEANING_N),
});
const PULL_USE = formula({
  label: 'pull-use',
  unit: 'share',
  text: '200 N / limit',
  source: 'docs/formulas/hanging-verdict.md',
  terms: { limit: 'N' },
  compute: ({ limit }) => (limit > 0 ? PULLING_N / limit : 99),
});

const DRAWN_USE = formula({
  label: 'pull-use',
  unit: 'share',
  text: "T / W'",
  source: 'docs/formulas/screwed-through.md',
  terms: { T: 'N', "W'": 'N' },
  compute: (terms) => (terms["W'"] > 0 ? terms.T / terms["W'"] : 99),
});

export function climbing(input: HangInput, loaded: Load): ClimbingChild {
  const weight = evaluate(WEIGHT, { m: loaded.mass });
  const front = toMm(input.cabinet.outside.depth.value);
  const out = evaluate(LEANT_CENTRE, { W: weight, e: loaded.outFigure ?? loaded.out, front });
  const leant: Load = { ...loaded, out: out.value, outFigure: out };
  const forces = wallForces(input, evaluate(LEANT_WEIGHT, { W: weight }), leant);
  const held = screwCapacity(input, CLIMBING);
  const { studs } = wallLinks(input, forces, leant, held);
  const screws = studs.map(({ use }) => use).reduce((a, b) => (a.value >= b.value ? a : b));
  const pull = pulled(input, wallForces(input, weight, loaded), held.pull, studs.length);
  const tip = forces.hook ? tipped(forces.hook, input.cabinet.hanging.antiLift, held.lateral) : null;
  return { tip, screws, pull, passes: (tip?.value ?? 0) <= 1 && screws.value <= 1 && pull.value <= 1 };
}

/** How close the hook is to tipping off; beyond that, the utilization of the lock. */
const tipped = (hook: Hook, isLocked: boolean, lateral: ExplainedValue): ExplainedValue =>
  isLocked && hook.tip.value > 1 ? evaluate(HOLD_DOWN_USE, { L: hook.holdDown, "Z'": lateral }) : hook.tip;

/** Pull at the bottom: against the force that unhooks the cabinet, or the withdrawal capacity of a screw. */
function pulled(input: HangInput, forces: WallForces, holds: ExplainedValue, studs: number): ExplainedValue {
  const { hook, weight } = forces;
  if (hook) {
    const { bevelDeg: θ, h, pulled: by } = hook;
    return evaluate(PULL_USE, { limit: input.cabinet.hanging.antiLift ? evaluate(LOCKED_PULL_LIMIT, { W: weight, ...by, h, θ, T: holds }) : hook.pullLimit });
  }
  return evaluate(DRAWN_USE, { T: bottomPull(input, forces, PULLING_N, studs), "W'": holds });
}
