/** A floor as a beam between its two ends: sag and bending under an even load, or under strip loads. */
import type { LoadStrip } from '../parts/weights.ts';
import { evaluate, formula, termOf, total, type ExplainedValue, type TermValue } from '../explained/explained-value.ts';
import { BENDING_USE, BENDING_USE_LOADS, MOMENT_OF_LOAD, SAG_NOW, SAG_NOW_LOADS, SAG_OF_LOAD } from './shelf-sag.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const SHELF_LOAD = formula({
  label: 'shelf-load',
  unit: 'N',
  text: '(contents + own mass) · g₀',
  source: 'g₀ = 9.80665 m/s²',
  terms: { contents: 'kg', own: 'kg' },
  compute: ({ contents, own }) => (contents + own) * STANDARD_GRAVITY,
});

const LOAD_FORCE = formula({
  label: 'load-force',
  unit: 'N',
  text: 'm · g₀',
  source: 'g₀ = 9.80665 m/s²',
  terms: { m: 'kg' },
  compute: ({ m }) => m * STANDARD_GRAVITY,
});

/** Span, depth, thickness, stiffness, allowable stress, and the effect of its ends on the sag. */
export interface Beam {
  readonly L: Exclude<TermValue, number | ExplainedValue>;
  readonly B: TermValue;
  readonly t: TermValue;
  readonly EI: ExplainedValue;
  readonly F: TermValue;
  readonly κ: number;
}

export interface Bent {
  readonly now: ExplainedValue;
  /** Stress over the allowable stress. */
  readonly bending: ExplainedValue;
}

export function underEvenLoad({ L, B, t, EI, F, κ }: Beam, contents: ExplainedValue, own: ExplainedValue): Bent {
  const Q = evaluate(SHELF_LOAD, { contents, own });
  return { now: evaluate(SAG_NOW, { κ, Q, L, EI }), bending: evaluate(BENDING_USE, { Q, L, B, t, F }) };
}

/** Positions sampled along a span for the maximum: between two of them it changes by less than is shown. */
const SAMPLES = 64;

/** Sag and moment where their sums over all loads are greatest. */
export function underLoads({ L, B, t, EI, F, κ }: Beam, loads: readonly LoadStrip[]): Bent {
  const rows = loads.map(({ mass, from, to }) => ({ P: evaluate(LOAD_FORCE, { m: mass }, mass.label), a: from, b: to }));
  const [xSag, xMoment] = greatestPlaces(
    rows.map(({ P, a, b }) => ({ P: P.value, a, b })),
    L.value,
  );
  const sags = rows.map(({ P, a, b }) => termOf(evaluate(SAG_OF_LOAD, { P, a, b, x: xSag, L, EI }, P.label)));
  const moments = rows.map(({ P, a, b }) => termOf(evaluate(MOMENT_OF_LOAD, { P, a, b, x: xMoment, L }, P.label)));
  return {
    now: evaluate(SAG_NOW_LOADS, { κ, loads: total('sags-of-loads', 'mm', sags) }),
    bending: evaluate(BENDING_USE_LOADS, { M: total('moments-of-loads', 'N mm', moments), B, t, F }),
  };
}

/**
 * Positions of the greatest total sag and moment. The polynomials of SAG_OF_LOAD and MOMENT_OF_LOAD with the terms independent of x summed first: runs on
 * every keystroke for every shelf.
 */
export function greatestPlaces(loads: readonly { readonly P: number; readonly a: number; readonly b: number }[], L: number): [sag: number, moment: number] {
  let R = 0;
  let C = 0;
  const steps = loads.map(({ P, a, b }) => {
    const length = Math.max(b - a, 1e-6);
    const w = P / length;
    const own = (P * (L - (a + b) / 2)) / L;
    R += own;
    C += ((own * L ** 3) / 6 - (w * ((L - a) ** 4 - (L - a - length) ** 4)) / 24) / L;
    return { w, a, end: a + length };
  });
  let [xSag, xMoment, maxSag, maxMoment] = [0, 0, -Infinity, -Infinity];
  for (let k = 1; k < SAMPLES; k++) {
    const x = (L * k) / SAMPLES;
    let sag = C * x - (R * x * x * x) / 6;
    let moment = R * x;
    for (const { w, a, end } of steps) {
      if (x <= a) continue;
      const d = (x - a) * (x - a);
      sag += (w * d * d) / 24;
      moment -= (w * d) / 2;
      if (x <= end) continue;
      const e = (x - end) * (x - end);
      sag -= (w * e * e) / 24;
      moment += (w * e) / 2;
    }
    if (sag > maxSag) [xSag, maxSag] = [x, sag];
    if (moment > maxMoment) [xMoment, maxMoment] = [x, moment];
  }
  return [xSag, xMoment];
}
