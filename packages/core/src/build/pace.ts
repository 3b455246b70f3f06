/** Actual over planned time of steps, by kind, from the log. Source: docs/formulas/step-minutes.md. */
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import type { StepKind, DoneStep } from '../model/record.ts';

/** Logged minutes at which a kind's own pace gets half the weight. [ASSUME] */
const HALF_WEIGHT_MIN = 60;

const PACE = formula({
  label: 'pace',
  unit: 'factor',
  text: '(took + half) / (planned + half)',
  source: '[ASSUME] docs/formulas/step-minutes.md',
  terms: { took: 'min', planned: 'min', half: 'min' },
  compute: ({ took, planned, half }) => (took + half) / (planned + half),
});

/** Factors on planned minutes; kinds without entries are left out. */
export function paceOf(done: readonly DoneStep[]): Partial<Record<StepKind, ExplainedValue>> {
  const sums = new Map<StepKind, { planned: number; took: number }>();
  for (const { kind, planned, minutes } of done) {
    if (planned === undefined || minutes === undefined || planned <= 0) continue;
    const sum = sums.get(kind) ?? { planned: 0, took: 0 };
    sums.set(kind, { planned: sum.planned + planned, took: sum.took + minutes });
  }
  return Object.fromEntries([...sums].map(([kind, { planned, took }]) => [kind, evaluate(PACE, { took, planned, half: HALF_WEIGHT_MIN })]));
}
