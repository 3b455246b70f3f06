/** How far a shelf sags, now and after years. Sources: docs/formulas/shelf-sag.md. Looks only: sag never enters the hanging verdict. */
import { formula } from '../worked/figure.ts';

const SOURCE = '[eq] simply supported beam, docs/formulas/shelf-sag.md';
/** The target for looks, long term. */
export const SAG_LIMIT_OVER = 600;
/** A glued dado holds the ends a little. [ASSUME] */
export const GLUED_ENDS = 0.8;

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

/** Bending stress over the long-term allowable: Q L/8 over B t²/6. Strength is always taken as simply supported. */
export const BENDING_USE = formula({
  label: 'shelf-bending',
  unit: 'share',
  text: '(Q L / 8) / (B t² / 6) / F',
  source: SOURCE,
  terms: { Q: 'N', L: 'mm', B: 'mm', t: 'mm', F: 'MPa' },
  compute: ({ Q, L, B, t, F }) => (Q * L) / 8 / ((B * t * t) / 6) / F,
});
