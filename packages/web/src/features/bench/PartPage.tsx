/** A part by the code on its label: what it is, where it goes, its next step, its history. */
import { featureWords, labelWords, tapeTextWithUnit, type DisplayUnit, type Step } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { Link } from 'react-router';
import { Explained } from '../../ui/Explained.tsx';
import { StepDrawing } from '../build/StepDrawing.tsx';
import type { BuildOf } from '../build/useBuild.ts';
import { AsCutFields } from '../box/AsCutFields.tsx';
import { NoteForm } from '../log/NoteForm.tsx';
import { useAppSelector } from '../../app/store.ts';
import { Misfits } from '../project/Misfits.tsx';
import { selectPlan } from '../project/selectors.ts';
import { RecordStatus } from './RecordStatus.tsx';
import { nextFor } from './PartsPlace.tsx';

export interface PartPageProps {
  readonly panel: string;
  readonly of: BuildOf;
  readonly unit: DisplayUnit;
  readonly back: string;
  readonly base: string;
}

export function PartPage({ panel, of, unit, back, base }: PartPageProps) {
  const plan = useAppSelector(selectPlan);
  const [noting, setNoting] = useState(false);
  const owner = plan.cabinets.find(({ cabinet: each }) => each.byId.has(panel));
  const solid = owner?.cabinet.byId.get(panel);
  const line = plan.parts.find(({ panels }) => panels.includes(panel));
  if (!owner || !solid || !line)
    return (
      <main className="bench-place">
        <h1>No such part</h1>
        <p>The label is of a part that is no longer in the plan.</p>
        <Button component={Link} to={back}>
          All parts
        </Button>
      </main>
    );
  const steps = of.build.steps.filter((step) => step.panels.includes(panel));
  const next = nextFor(panel, of);
  return (
    <>
      <header className="bench-header">
        <Button component={Link} to={back}>
          Parts
        </Button>
        <div>
          <strong>{line.mark}</strong>
          <p>
            {owner.name} · <RecordStatus />
          </p>
        </div>
      </header>
      <main className="bench-place part-page">
        <h1>
          {line.mark} {labelWords(solid.name)}
        </h1>
        <dl className="bench-numbers">
          <div>
            <dt>long</dt>
            <dd>
              <Explained title="long" unit={unit} of={line.length}>
                {tapeTextWithUnit(line.length.value, unit)}
              </Explained>
            </dd>
          </div>
          <div>
            <dt>wide</dt>
            <dd>
              <Explained title="wide" unit={unit} of={line.width}>
                {tapeTextWithUnit(line.width.value, unit)}
              </Explained>
            </dd>
          </div>
        </dl>
        <p>{of.summary.workshop.products[line.stock]?.name}</p>
        <StepDrawing step={whereItGoes(panel, owner.id)} title={`Where ${line.mark} goes`} />
        <p className="bench-check">
          {next ? (
            <>
              Next for it: <Link to={`${base}/next?step=${encodeURIComponent(next.id)}`}>{of.titleOf(next)}</Link>
            </>
          ) : (
            'Nothing more is to be done to it.'
          )}
        </p>
        {line.features.length > 0 && (
          <ul>
            {line.features.map((feature, index) => (
              <li key={index}>{featureWords(feature, line, unit)}</li>
            ))}
          </ul>
        )}
        <Misfits unit={unit} about={(each) => each === panel} />
        <AsCutFields panel={solid} line={line} unit={unit} />
        <h2>Its steps</h2>
        <ol className="part-steps">
          {steps.map((step) => (
            <li key={step.id} className={of.done.has(step.id) ? 'done' : ''}>
              <Link to={`${base}/next?step=${encodeURIComponent(step.id)}`}>
                {of.done.has(step.id) ? '✓ ' : ''}
                {of.titleOf(step)}
              </Link>
            </li>
          ))}
        </ol>
        {noting ? (
          <NoteForm about={{ part: panel, unit: owner.id }} onKept={() => setNoting(false)} />
        ) : (
          <Button onClick={() => setNoting(true)}>A note or a picture of it</Button>
        )}
      </main>
    </>
  );
}

/** A step about this part alone, for its picture. */
const whereItGoes = (panel: string, unit: string): Pick<Step, 'panels' | 'unit' | 'detail'> => ({
  panels: [panel],
  unit,
  detail: { kind: 'loose', parts: [panel] },
});
