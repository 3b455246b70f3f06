/** Slower curing and drying in the cold. Source: docs/formulas/temperature-factor.md. */
import { formula } from '../explained/explained-value.ts';

/** Reference temperature of label times, °C. */
export const LABEL_TEMPERATURE_C = 20;

/** Warmer than that, no time gets shorter than the label says. */
export const TEMPERATURE_FACTOR = formula({
  label: 'slower-in-the-cold',
  unit: 'factor',
  text: '2 ^ ((20 − T) / 10), at least 1',
  source: '[ASSUME] docs/formulas/temperature-factor.md',
  terms: { T: 'degC' },
  compute: ({ T }) => Math.max(1, 2 ** ((LABEL_TEMPERATURE_C - T) / 10)),
});
