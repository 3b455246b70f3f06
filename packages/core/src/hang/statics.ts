/**
 * The cabinet as a rigid body on a frictionless bevel. `out` is the axis out of the wall. Sources: one page per formula in docs/formulas, derived from
 * equilibrium [eq].
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { tanDeg } from '../solid/hanging.ts';
import { formula } from '../explained/explained-value.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const source = (page: string): string => `[eq] docs/formulas/${page}.md`;

/** Weight of a mass. */
export const WEIGHT = formula({
  label: 'weight',
  unit: 'N',
  text: 'm · g₀',
  source: 'g₀ = 9.80665 m/s²',
  terms: { m: 'kg' },
  compute: ({ m }) => m * STANDARD_GRAVITY,
});

/** (a/h) / tan θ: above 1 the cabinet swings off its hook. */
export const TIP_RATIO = formula({
  label: 'tip-ratio',
  unit: 'share',
  text: '(e − t/2) / (h tan θ)',
  source: source('tip-ratio'),
  terms: { e: 'mm', t: 'mm', h: 'mm', θ: 'deg' },
  compute: ({ e, t, h, θ }) => (e - t / 2) / (h * tanDeg(θ)),
});

/** Pull of the cabinet on the wall cleat for design: W max(tan θ, a/h). */
export const OUTWARD = formula({
  label: 'outward-force',
  unit: 'N',
  text: 'W · max(tan θ, (e − t/2) / h)',
  source: source('outward-force'),
  terms: { W: 'N', e: 'mm', t: 'mm', h: 'mm', θ: 'deg' },
  compute: ({ W, e, t, h, θ }) => W * Math.max(tanDeg(θ), (e - t / 2) / h),
});

/** Push on the spacer: W a / h. */
export const SPACER_PUSH = formula({
  label: 'spacer-push',
  unit: 'N',
  text: 'W (e − t/2) / h',
  source: source('spacer-push'),
  terms: { W: 'N', e: 'mm', t: 'mm', h: 'mm' },
  compute: ({ W, e, t, h }) => (W * (e - t / 2)) / h,
});

/** Hold-down force required at the bottom when the tip ratio exceeds 1. */
export const HOLD_DOWN = formula({
  label: 'hold-down',
  unit: 'N',
  text: 'W (a − h tan θ) / (h tan θ + t/2), never below 0',
  source: source('hold-down'),
  terms: { W: 'N', e: 'mm', t: 'mm', h: 'mm', θ: 'deg' },
  compute: ({ W, e, t, h, θ }) => Math.max(0, (W * (e - t / 2 - h * tanDeg(θ))) / (h * tanDeg(θ) + t / 2)),
});

/** Upward force at the front edge that lifts the bottom off the wall, and the one that unhooks the cabinet. */
export const LIFT_STARTS = formula({
  label: 'lift-starts',
  unit: 'N',
  text: 'W a / D',
  source: source('lift-and-pull'),
  terms: { W: 'N', a: 'mm', D: 'mm' },
  compute: ({ W, a, D }) => (W * a) / D,
});

export const LIFT_LIMIT = formula({
  label: 'lift-limit',
  unit: 'N',
  text: 'W (a + c tan θ) / (D + c tan θ)',
  source: source('lift-and-pull'),
  terms: { W: 'N', a: 'mm', D: 'mm', c: 'mm', θ: 'deg' },
  compute: ({ W, a, D, c, θ }) => (W * (a + c * tanDeg(θ))) / (D + c * tanDeg(θ)),
});

/** Outward pull, at z below the contact, that unhooks the cabinet. */
export const PULL_LIMIT = formula({
  label: 'pull-limit',
  unit: 'N',
  text: 'min{W tan θ, W (a + c tan θ)/(z + c), z < h: W (h tan θ − a)/(h − z)}',
  source: source('lift-and-pull'),
  terms: { W: 'N', a: 'mm', c: 'mm', z: 'mm', h: 'mm', θ: 'deg' },
  compute: ({ W, a, c, z, h, θ }) => {
    const T = tanDeg(θ);
    const limits = [W * T, (W * (a + c * T)) / (z + c)];
    if (z < h) limits.push((W * (h * T - a)) / (h - z));
    return Math.max(0, Math.min(...limits));
  },
});

/** The same with a lock screw at the bottom that resists a withdrawal T. docs/formulas/lift-and-pull.md */
export const LOCKED_PULL_LIMIT = formula({
  label: 'pull-limit',
  unit: 'N',
  text: 'min{W tan θ + T, (W (a + c tan θ) + T (h + c))/(z + c), z < h: W (h tan θ − a)/(h − z)}',
  source: source('lift-and-pull'),
  terms: { W: 'N', a: 'mm', c: 'mm', z: 'mm', h: 'mm', θ: 'deg', T: 'N' },
  compute: ({ W, a, c, z, h, θ, T }) => {
    const tan = tanDeg(θ);
    const limits = [W * tan + T, (W * (a + c * tan) + T * (h + c)) / (z + c)];
    if (z < h) limits.push((W * (h * tan - a)) / (h - z));
    return Math.max(0, Math.min(...limits));
  },
});

/** Height of the bevel's middle above the short edge it is measured from: short face + (t/2) tan θ. */
export const contactHeight = (shortFace: number, t: number, bevelDeg: number): number => shortFace + (t / 2) * tanDeg(bevelDeg);

/**
 * Tension in one screw of the top row of the wall cleat, prying included: the cleat rotates about a bearing point r = s_top/6 up its back. [eq], r
 * [ASSUME].
 */
export const PRYING = formula({
  label: 'prying',
  unit: 'N',
  text: 'max{[H (b − r) + V t/2] (s − r) / Σ n (s − r)², H / Σ n}, r = s/6',
  source: `${source('prying')}, r [ASSUME]`,
  terms: { H: 'N', V: 'N', b: 'mm', t: 'mm', s: 'mm', n: 'count', 's low': 'mm', 'n low': 'count' },
  compute: (terms) =>
    pryingTension(terms.H, terms.V, terms.b, terms.t, [
      { height: terms.s, screws: terms.n },
      { height: terms['s low'], screws: terms['n low'] },
    ]),
});

export interface ScrewRow {
  /** Above the cleat's bottom edge, mm. */
  readonly height: number;
  readonly screws: number;
}

/** Pull of one screw of the top row, N, when rows share a moment, N mm, about a bearing point r = s_top/6 up the back. [eq], r [ASSUME] */
export function pullOfTop(momentAbout: (r: number) => number, rows: readonly ScrewRow[]): number {
  const used = rows.filter(({ screws }) => screws > 0);
  const top = Math.max(...used.map(({ height }) => height));
  const r = top * ASSUMED.bearingUp.value;
  // A row at the lower edge has no lever and resists no moment.
  if (!(top > 0)) return momentAbout(0) > 0 ? Infinity : 0;
  return (momentAbout(r) * (top - r)) / used.reduce((sum, { height, screws }) => sum + screws * (height - r) ** 2, 0);
}

export function pryingTension(H: number, V: number, b: number, t: number, rows: readonly ScrewRow[]): number {
  const screws = rows.reduce((sum, row) => sum + row.screws, 0);
  return Math.max(
    pullOfTop((r) => H * (b - r) + (V * t) / 2, rows),
    H / screws,
  );
}

/** Pull on the screws of the cabinet cleat: [H b + V t/2] / s, about its lower end. */
export const CABINET_PULL = formula({
  label: 'cabinet-half-pull',
  unit: 'N',
  text: '(H b + V t/2) / (s n)',
  source: source('cabinet-half-pull'),
  terms: { H: 'N', V: 'N', b: 'mm', t: 'mm', s: 'mm', n: 'count' },
  compute: ({ H, V, b, t, s, n }) => (H * b + (V * t) / 2) / (s * n),
});
