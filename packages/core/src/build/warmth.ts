/** How cold makes glue and finish slow. Source: docs/formulas/warmth.md. */
import { formula } from '../worked/figure.ts';

/** What times on labels are given at, °C. */
export const LABEL_C = 20;

/** Over it nothing is taken to be quicker than the label says. */
export const SLOWER = formula({
  label: 'slower-in-the-cold',
  unit: 'factor',
  text: '2 ^ ((20 − T) / 10), at least 1',
  source: '[ASSUME] docs/formulas/warmth.md',
  terms: { T: 'degC' },
  compute: ({ T }) => Math.max(1, 2 ** ((LABEL_C - T) / 10)),
});
