/** What the log says of the time steps take: so much longer than planned, kind by kind. Source: docs/formulas/step-minutes.md. */
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import type { StepKind } from './step.ts';

/** A step that is done, as the record keeps it. */
export interface DoneStep {
  readonly step: string;
  readonly kind: StepKind;
  /** What it was planned to take when it was ticked, and what it took; absent where nobody said. */
  readonly planned?: number;
  readonly minutes?: number;
  /** The parts it was done for: those that come later are still to be done. Absent where that was not kept. */
  readonly panels?: readonly string[];
}

/** A kind is believed by half when this many minutes of it have been noted. [ASSUME] */
const HALF_WEIGHT_MIN = 60;

const PACE = formula({
  label: 'pace',
  unit: 'factor',
  text: '(took + half) / (planned + half)',
  source: '[ASSUME] docs/formulas/step-minutes.md',
  terms: { took: 'min', planned: 'min', half: 'min' },
  compute: ({ took, planned, half }) => (took + half) / (planned + half),
});

/** Factors on planned minutes; kinds nobody timed are left out. */
export function paceOf(done: readonly DoneStep[]): Partial<Record<StepKind, ExplainedValue>> {
  const sums = new Map<StepKind, { planned: number; took: number }>();
  for (const { kind, planned, minutes } of done) {
    if (planned === undefined || minutes === undefined || planned <= 0) continue;
    const sum = sums.get(kind) ?? { planned: 0, took: 0 };
    sums.set(kind, { planned: sum.planned + planned, took: sum.took + minutes });
  }
  return Object.fromEntries([...sums].map(([kind, { planned, took }]) => [kind, evaluate(PACE, { took, planned, half: HALF_WEIGHT_MIN })]));
}
