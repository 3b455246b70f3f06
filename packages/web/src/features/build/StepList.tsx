/** All steps in order, with the name of their cabinet; done ones are ticked, the next ones stand out. */
import { marksOf, minutesText, type Schedule, type Step } from '@keen/core';
import { useEffect, useRef } from 'react';
import type { BuildOf } from './useBuild.ts';
import { dayWords } from './dayWords.ts';

export interface StepListProps {
  readonly of: BuildOf;
  readonly steps: readonly Step[];
  readonly at: string | null;
  readonly schedule: Schedule | null | undefined;
  readonly onStep: (id: string) => void;
}

export function StepList({ of, steps, at, schedule, onStep }: StepListProps) {
  const begins = new Map(schedule?.tasks.flatMap(({ task, start, slack }) => task.steps.map((id) => [id, { start, slack }] as const)));
  const current = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    // Newer browsers return a promise, which an effect must not.
    void current.current?.scrollIntoView?.({ block: 'nearest' });
  }, [at]);
  return (
    <ol className="step-list" aria-label="Steps">
      {steps.map((step, index) => {
        const done = of.done.has(step.id);
        const when = begins.get(step.id);
        const fault = of.build.faults.some((each) => each.step === step.id);
        return (
          <li key={step.id}>
            <button
              ref={step.id === at ? current : null}
              type="button"
              className={`${step.id === at ? 'current' : ''}${done ? ' done' : ''}`}
              aria-current={step.id === at ? 'step' : undefined}
              onClick={() => onStep(step.id)}
            >
              <span className="step-number">{done ? <Tick /> : index + 1}</span>
              <span className="step-name">
                {of.titleOf(step)}
                {fault && <span className="caution"> · look</span>}
                <Marks step={step} of={of} />
              </span>
              <span className="step-when">{done ? 'done' : when ? dayWords(when.start) : minutesText(step.minutes.value)}</span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** Which parts, where the name alone is ambiguous: settings of one machine. */
function Marks({ step, of }: { readonly step: Step; readonly of: BuildOf }) {
  if (step.detail.kind !== 'setup' && step.detail.kind !== 'by-hand') return null;
  const marks = marksOf(step.panels, of.summary.plan);
  return <span className="quiet step-marks">{marks.length > MAX_MARKS ? `${marks.slice(0, MAX_MARKS).join(' ')} …` : marks.join(' ')}</span>;
}

const MAX_MARKS = 6;

const Tick = () => (
  <svg viewBox="0 0 14 14" width="14" height="14" role="img" aria-label="done">
    <path d="M2 7.5L5.5 11L12 3" fill="none" stroke="currentColor" strokeWidth="2" />
  </svg>
);
