/** What sets or dries after a step: so long nothing that stands on it begins. Source: docs/formulas/warmth.md. */
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';

/** Whole minutes of a wait, never less than it says; 0 where nothing is waited for. */
export const waitMin = (waits: ExplainedValue | null): number => (waits === null ? 0 : Math.ceil(waits.value));

const LEFT = formula({
  label: 'wait-left',
  unit: 'min',
  text: '⌈wait⌉ − gone',
  source: 'docs/formulas/warmth.md',
  terms: { wait: 'min', gone: 'min' },
  compute: ({ wait, gone }) => Math.ceil(wait) - gone,
});

/** What is still to be waited, `gone` minutes after the step was through. */
export const waitLeft = (waits: ExplainedValue, gone: number): ExplainedValue => evaluate(LEFT, { wait: waits, gone });
