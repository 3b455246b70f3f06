/** Sag of a shelf, now and long-term. Source: docs/formulas/shelf-sag.md. Appearance only: sag never enters the hanging verdict. */
import { ASSUMED } from '../assumed/assumed.ts';
import { formula } from '../explained/explained-value.ts';

const SOURCE = '[eq] simply supported beam, docs/formulas/shelf-sag.md';
/** Long-term limit for appearance. */
export const SAG_LIMIT_OVER = 600;
/** Partial fixity of glued dadoes. [ASSUME] */
export const GLUED_ENDS = ASSUMED.gluedEnds.value;

export const BENDING_STIFFNESS = formula({
  label: 'bending-stiffness',
  unit: 'N mm2',
  text: 'E B t³ / 12',
  source: SOURCE,
  terms: { E: 'MPa', B: 'mm', t: 'mm' },
  compute: ({ E, B, t }) => (E * B * t ** 3) / 12,
});

export const SAG_NOW = formula({
  label: 'sag-now',
  unit: 'mm',
  text: 'κ · 5 Q L³ / (384 EI)',
  source: SOURCE,
  terms: { κ: 'factor', Q: 'N', L: 'mm', EI: 'N mm2' },
  compute: ({ κ, Q, L, EI }) => (κ * 5 * Q * L ** 3) / (384 * EI),
});

export const SAG_LATER = formula({
  label: 'sag-later',
  unit: 'mm',
  text: 'sag now · creep',
  source: '[EC5 T3.2 (m)] docs/formulas/shelf-sag.md',
  terms: { 'sag now': 'mm', creep: 'factor' },
  compute: (terms) => terms['sag now'] * terms.creep,
});

export const SAG_LIMIT = formula({
  label: 'sag-limit',
  unit: 'mm',
  text: 'L / 600',
  source: '[ASSUME] just visible, 0.02 in per foot',
  terms: { L: 'mm' },
  compute: ({ L }) => L / SAG_LIMIT_OVER,
});

/** Bending stress over the long-term allowable: Q L/8 over B t²/6. Strength always counts as simply supported. */
export const BENDING_USE = formula({
  label: 'shelf-bending',
  unit: 'share',
  text: '(Q L / 8) / (B t² / 6) / F',
  source: SOURCE,
  terms: { Q: 'N', L: 'mm', B: 'mm', t: 'mm', F: 'MPa' },
  compute: ({ Q, L, B, t, F }) => (Q * L) / 8 / ((B * t * t) / 6) / F,
});

/**
 * Sag of a simply supported beam at x under a load P spread from a to b: double integral of its moment, with the load's own two steps. A load of zero
 * length counts as a point load.
 */
export const SAG_OF_LOAD = formula({
  label: 'sag-of-load',
  unit: 'mm',
  text: '(C x − R x³/6 + w (⟨x−a⟩⁴ − ⟨x−b⟩⁴)/24) / EI',
  source: '[eq] docs/formulas/shelf-sag.md',
  terms: { P: 'N', a: 'mm', b: 'mm', x: 'mm', L: 'mm', EI: 'N mm2' },
  compute: sagOfLoad,
});

export function sagOfLoad({ P, a, b, x, L, EI }: { P: number; a: number; b: number; x: number; L: number; EI: number }): number {
  const length = Math.max(b - a, 1e-6);
  const w = P / length;
  const R = (P * (L - (a + b) / 2)) / L;
  const over = (at: number, from: number): number => Math.max(0, at - from) ** 4;
  const C = ((R * L ** 3) / 6 - (w * (over(L, a) - over(L, a + length))) / 24) / L;
  return (C * x - (R * x ** 3) / 6 + (w * (over(x, a) - over(x, a + length))) / 24) / EI;
}

/** Bending moment at x of a load spread from a to b. */
export const MOMENT_OF_LOAD = formula({
  label: 'moment-of-load',
  unit: 'N mm',
  text: 'R x − w (⟨x−a⟩² − ⟨x−b⟩²)/2',
  source: '[eq] docs/formulas/shelf-sag.md',
  terms: { P: 'N', a: 'mm', b: 'mm', x: 'mm', L: 'mm' },
  compute: momentOfLoad,
});

export function momentOfLoad({ P, a, b, x, L }: { P: number; a: number; b: number; x: number; L: number }): number {
  const length = Math.max(b - a, 1e-6);
  const w = P / length;
  const R = (P * (L - (a + b) / 2)) / L;
  const over = (from: number): number => Math.max(0, x - from) ** 2;
  return R * x - (w * (over(a) - over(a + length))) / 2;
}

export const SAG_NOW_LOADS = formula({
  label: 'sag-now',
  unit: 'mm',
  text: 'κ · sum of the loads’ sags',
  source: SOURCE,
  terms: { κ: 'factor', loads: 'mm' },
  compute: ({ κ, loads }) => κ * loads,
});

export const BENDING_USE_LOADS = formula({
  label: 'shelf-bending',
  unit: 'share',
  text: 'M / (B t² / 6) / F',
  source: SOURCE,
  terms: { M: 'N mm', B: 'mm', t: 'mm', F: 'MPa' },
  compute: ({ M, B, t, F }) => M / ((B * t * t) / 6) / F,
});
