/** How cold makes glue and finish slow. Source: docs/formulas/warmth.md. */
import { formula } from '../explained/explained-value.ts';

/** What times on labels are given at, °C. */
export const LABEL_TEMPERATURE_C = 20;

/** Over it nothing is taken to be quicker than the label says. */
export const TEMPERATURE_FACTOR = formula({
  label: 'slower-in-the-cold',
  unit: 'factor',
  text: '2 ^ ((20 − T) / 10), at least 1',
  source: '[ASSUME] docs/formulas/warmth.md',
  terms: { T: 'degC' },
  compute: ({ T }) => Math.max(1, 2 ** ((LABEL_TEMPERATURE_C - T) / 10)),
});
