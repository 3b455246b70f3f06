/** Setting and drying time after a step, during which nothing that depends on it starts. Source: docs/formulas/temperature-factor.md. */
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';

/** Waiting time in whole minutes, rounded up; 0 for none. */
export const waitMin = (waits: ExplainedValue | null): number => (waits === null ? 0 : Math.ceil(waits.value));

const LEFT = formula({
  label: 'wait-left',
  unit: 'min',
  text: '⌈wait⌉ − gone',
  source: 'docs/formulas/temperature-factor.md',
  terms: { wait: 'min', gone: 'min' },
  compute: ({ wait, gone }) => Math.ceil(wait) - gone,
});

/** Remaining wait, `gone` minutes after the step ended. */
export const waitLeft = (waits: ExplainedValue, gone: number): ExplainedValue => evaluate(LEFT, { wait: waits, gone });
