/**
 * Capacity of screws. Formulas keep their published US units (lb, in, psi) and are converted at the boundary. Source: docs/formulas/screw-withdrawal.md,
 * head-pull-through.md, screw-lateral.md, screw-combined.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import type { Screw } from '../joints/screws.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { MM_PER_INCH, NEWTONS_PER_POUND } from '../length/constants.ts';

const MPA_PER_PSI = 0.00689475729;
/** Load duration factor for permanent contents. [NDS T2.3.2] */
export const PERMANENT = 0.9;
/** Load duration factor for someone climbing or leaning. [ASSUME]; 1.6 would be allowed for ten minutes. */
export const CLIMBING = ASSUMED.climbingDuration.value;
/** Allowable stress on the root section of a steel screw. [ASSUME] 20 ksi. */
const STEEL_MPA = ASSUMED.steel.value;

const perInch = (lbPerInch: number): number => (lbPerInch * NEWTONS_PER_POUND) / MM_PER_INCH;

export const WITHDRAWAL = formula({
  label: 'screw-withdrawal',
  unit: 'N',
  text: '2850 G² D · thread · C_D (lb, in)',
  source: '[NDS 12.2] docs/formulas/screw-withdrawal.md',
  terms: { G: 'factor', D: 'mm', thread: 'mm', C_D: 'factor' },
  compute: ({ G, D, thread, C_D }) => withdrawalPerMm('wood', G, D) * thread * C_D,
});

/** Allowable withdrawal per mm of thread in side grain, before load duration, N/mm. */
export function withdrawalPerMm(kind: 'wood' | 'lag' | 'nail', gravity: number, diameterMm: number): number {
  const D = diameterMm / MM_PER_INCH;
  if (kind === 'wood') return perInch(2850 * gravity ** 2 * D);
  if (kind === 'lag') return perInch(1800 * gravity ** 1.5 * D ** 0.75);
  return perInch(1380 * gravity ** 2.5 * D);
}

export const HEAD_PULL_THROUGH = formula({
  label: 'head-pull-through',
  unit: 'N',
  text: '690 π D_H G² t · C_D, t ≤ 2.5 D_H (lb, in)',
  source: '[NDS 2018 12.2.5] docs/formulas/head-pull-through.md',
  terms: { D_H: 'mm', G: 'factor', t: 'mm', C_D: 'factor' },
  compute: ({ D_H, G, t, C_D }) => {
    const head = D_H / MM_PER_INCH;
    const thickness = Math.min(t / MM_PER_INCH, 2.5 * head);
    return 690 * Math.PI * head * G ** 2 * thickness * C_D * NEWTONS_PER_POUND;
  },
});

export const STEEL = formula({
  label: 'screw-steel',
  unit: 'N',
  text: '138 MPa · π D_r² / 4',
  source: '[ASSUME] 20 ksi on the root',
  terms: { D_r: 'mm' },
  compute: ({ D_r }) => (STEEL_MPA * Math.PI * D_r ** 2) / 4,
});

export type YieldMode = 'Im' | 'Is' | 'II' | 'IIIm' | 'IIIs' | 'IV';

export interface LateralJoint {
  readonly diameterMm: number;
  readonly rootMm: number;
  readonly yieldMPa: number;
  readonly sideMm: number;
  /** Bearing length in the main member; tip and cap already deducted by the caller. */
  readonly mainMm: number;
  readonly gapMm: number;
  readonly sideGravity: number;
  readonly mainGravity: number;
  /** Dowel bearing strength of a main member that is not wood, MPa. */
  readonly mainBearingMPa?: number;
  /** Lower bound on the reduction term R_d, where another code asks for more. */
  readonly minReduction?: number;
  /** Angle between load and grain, degrees; counts for diameters of 1/4 in and up. */
  readonly sideAngle: number;
  readonly mainAngle: number;
}

/** Least of the six yield modes of a dowel in single shear, reduced, before load duration. Source: [TR12 T1-1; NDS 12.3]. */
export function lateralYield(joint: LateralJoint): { valueN: number; mode: YieldMode } {
  const D = joint.diameterMm / MM_PER_INCH;
  const root = joint.rootMm / MM_PER_INCH;
  const side = joint.sideMm / MM_PER_INCH;
  const main = joint.mainMm / MM_PER_INCH;
  const gap = joint.gapMm / MM_PER_INCH;
  const qs = bearingPsi(D, joint.sideGravity, joint.sideAngle) * root;
  const qm = (joint.mainBearingMPa === undefined ? bearingPsi(D, joint.mainGravity, joint.mainAngle) : joint.mainBearingMPa / MPA_PER_PSI) * root;
  const moment = ((joint.yieldMPa / MPA_PER_PSI) * root ** 3) / 6;
  const solve = (a: number, b: number, c: number): number => (-b + Math.sqrt(b * b - 4 * a * c)) / (2 * a);
  const yields: Record<YieldMode, number> = {
    Im: qm * main,
    Is: qs * side,
    II: solve(1 / (4 * qs) + 1 / (4 * qm), side / 2 + gap + main / 2, (-qs * side ** 2) / 4 - (qm * main ** 2) / 4),
    IIIm: solve(1 / (2 * qs) + 1 / (4 * qm), gap + main / 2, -moment - (qm * main ** 2) / 4),
    IIIs: solve(1 / (4 * qs) + 1 / (2 * qm), side / 2 + gap, (-qs * side ** 2) / 4 - moment),
    IV: solve(1 / (2 * qs) + 1 / (2 * qm), gap, -2 * moment),
  };
  const angle = Math.max(joint.sideAngle, joint.mainAngle);
  let least: { valueN: number; mode: YieldMode } | undefined;
  for (const mode of Object.keys(yields) as YieldMode[]) {
    const valueN = (yields[mode] / Math.max(joint.minReduction ?? 0, reduction(mode, D, root, angle))) * NEWTONS_PER_POUND;
    if (!least || valueN < least.valueN) least = { valueN, mode };
  }
  return least!;
}

export interface ProudScrew {
  readonly diameterMm: number;
  readonly rootMm: number;
  readonly yieldMPa: number;
  /** Bearing length in the main member. */
  readonly mainMm: number;
  /** From the face of the main member out to the load. */
  readonly leverMm: number;
  readonly gravity: number;
}

/**
 * Shear capacity of a screw loaded on its head, clear of the main member, reduced, before load duration, N. Yield modes with a rigid pin as side member:
 * main crushed, main rotated, screw bent. [eq] from TR12's terms without the side member.
 */
export function proudYield({ diameterMm, rootMm, yieldMPa, mainMm, leverMm, gravity }: ProudScrew): number {
  const D = diameterMm / MM_PER_INCH;
  const root = rootMm / MM_PER_INCH;
  const main = mainMm / MM_PER_INCH;
  const lever = leverMm / MM_PER_INCH;
  const q = bearingPsi(D, gravity, 0) * root;
  const moment = ((yieldMPa / MPA_PER_PSI) * root ** 3) / 6;
  const yields = {
    Im: q * main,
    II: q * (Math.sqrt((2 * lever + main) ** 2 + main ** 2) - (2 * lever + main)),
    IIIs: q * (Math.sqrt(lever ** 2 + (2 * moment) / q) - lever),
  };
  return Math.min(...(['Im', 'II', 'IIIs'] as const).map((mode) => yields[mode] / reduction(mode, D, root, 0))) * NEWTONS_PER_POUND;
}

/** Dowel bearing strength, psi. [NDS 12.3.3] */
function bearingPsi(diameterIn: number, gravity: number, angle: number): number {
  if (diameterIn < 0.25) return 16600 * gravity ** 1.84;
  const parallel = 11200 * gravity;
  const across = (6100 * gravity ** 1.45) / Math.sqrt(diameterIn);
  const sin2 = Math.sin((angle * Math.PI) / 180) ** 2;
  return (parallel * across) / (parallel * sin2 + across * (1 - sin2));
}

/** Reduction term R_d. Nominal diameter selects the row, root diameter the value. [NDS 12.3.1B] */
function reduction(mode: YieldMode, diameterIn: number, rootIn: number, angle: number): number {
  const kAngle = 1 + 0.25 * (angle / 90);
  const kDiameter = rootIn <= 0.17 ? 2.2 : 10 * rootIn + 0.5;
  if (diameterIn < 0.25) return kDiameter;
  if (rootIn < 0.25) return kDiameter * kAngle;
  if (mode === 'Im' || mode === 'Is') return 4 * kAngle;
  return (mode === 'II' ? 3.6 : 3.2) * kAngle;
}

/** Side member terms of a dowel formula. A cleat is loaded across its grain, a stud along it; the angle counts from 1/4 in up. */
export const headSide = (terms: { D: number; D_r: number; F_yb: number; side: number; gap: number; 'G side': number }) => ({
  diameterMm: terms.D,
  rootMm: terms.D_r,
  yieldMPa: terms.F_yb,
  sideMm: terms.side,
  gapMm: terms.gap,
  sideGravity: terms['G side'],
  sideAngle: terms.D >= 6.35 ? 90 : 0,
  mainAngle: 0,
});

export const LATERAL = formula({
  label: 'screw-lateral',
  unit: 'N',
  text: 'least of six yield modes / R_d · C_D',
  source: '[TR12 T1-1; NDS 12.3] docs/formulas/screw-lateral.md',
  terms: { D: 'mm', D_r: 'mm', F_yb: 'MPa', side: 'mm', main: 'mm', gap: 'mm', 'G side': 'factor', 'G main': 'factor', C_D: 'factor' },
  compute: (terms) => lateralYield({ ...headSide(terms), mainMm: terms.main, mainGravity: terms['G main'] }).valueN * terms.C_D,
});

/** What a screw goes through and into, mm. */
export interface ScrewedThrough {
  readonly side: number;
  /** Length in the main member, tip included. */
  readonly grip: number;
  readonly gap: number;
  /** Depth of the main member; screw length beyond it does not bear. */
  readonly depth?: number;
  readonly sideGravity: number;
  readonly mainGravity: number;
}

/** Shear capacity of one screw, N. */
export const shearOf = (
  { diameterMm: D, rootMm: D_r, yieldMPa: F_yb }: Screw,
  { side, grip, gap, depth = Infinity, sideGravity, mainGravity }: ScrewedThrough,
  C_D = PERMANENT,
): ExplainedValue =>
  evaluate(LATERAL, { D, D_r, F_yb, side, main: Math.min(depth, bearingLength(grip, D)), gap, 'G side': sideGravity, 'G main': mainGravity, C_D });

/** Utilization of a wood screw in combined pull and shear: R (cos² a / Z' + sin² a / W'), tan a = T / V. [NDS 12.4.1 (m)] */
export const COMBINED = formula({
  label: 'screw-combined',
  unit: 'share',
  text: "R (cos² a / Z' + sin² a / W'), R² = V² + T²",
  source: '[NDS 12.4.1 (m)] docs/formulas/screw-combined.md',
  terms: { V: 'N', T: 'N', "Z'": 'N', "W'": 'N' },
  compute: (terms) => combinedUse(terms.V, terms.T, terms["Z'"], terms["W'"]),
});

export function combinedUse(V: number, T: number, Z: number, W: number): number {
  const R = Math.hypot(V, T);
  if (R === 0) return 0;
  if (R === Infinity) return Infinity;
  return ((V * V) / Z + (T * T) / W) / R;
}

/** Straight sum V/Z' + T/W': for nails always, for every fastener in the strict setting. [NDS 12.4.2 (m)] */
export const linearUse = (V: number, T: number, Z: number, W: number): number => shareOf(V, Z) + shareOf(T, W);

/** Zero load has zero utilization, even where the capacity is zero. */
const shareOf = (load: number, holds: number): number => (load === 0 ? 0 : load / holds);

/** How far a screw reaches past the cleat and whatever lies between. */
export const PENETRATION = formula({
  label: 'penetration',
  unit: 'mm',
  text: 'L − cleat − wallboard',
  source: '[eq]',
  terms: { L: 'mm', cleat: 'mm', wallboard: 'mm' },
  compute: ({ L, cleat, wallboard }) => L - cleat - wallboard,
});

/** Least penetration into the stud, in diameters, below which a screw is refused, and the penetration for full value. [NDS 12.1] */
export const MIN_PENETRATION = 6;
export const FULL_PENETRATION = 10;

/** Length in the main member for the yield modes: at most ten diameters; below that, one diameter of tip is deducted. */
export function bearingLength(penetrationMm: number, diameterMm: number): number {
  const full = FULL_PENETRATION * diameterMm;
  return penetrationMm >= full ? full : Math.max(0, penetrationMm - diameterMm);
}

/** Engaged thread: a wood screw is threaded over two thirds of its length. [NDS App. L (m)] */
export const threadIn = (penetrationMm: number, lengthMm: number): number => Math.min(penetrationMm, (2 / 3) * lengthMm);
