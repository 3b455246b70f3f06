/** One step in full: picture, what to do with numbers, what to check, hazards, and why it is at this place. */
import { shopFacts, marksOf, minutesText, setupWords, stepWords, waitMin, type DisplayUnit, type Step } from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { Explained } from '../../ui/Explained.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { SetupSettings } from '../joints/SetupSettings.tsx';
import { selectDesign, selectOpen } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { GlueWays } from './GlueWays.tsx';
import { PinnedDay } from './PinnedDay.tsx';
import { NotBefore } from './NotBefore.tsx';
import { StepFault } from './StepFault.tsx';
import { StepSums } from './StepSums.tsx';
import { StepReasons } from './StepReasons.tsx';
import { StepPicture } from './StepPicture.tsx';
import type { BuildOf } from './useBuild.ts';
import type { Ticker } from './useTick.ts';

export interface StepCardProps {
  readonly step: Step;
  readonly of: BuildOf;
  readonly unit: DisplayUnit;
  readonly ticker: Ticker;
  /** One place up or down in the order. */
  readonly onMove: (by: -1 | 1) => void;
  /** Why the last move was refused. */
  readonly refused: string | null;
  readonly onStep: (id: string) => void;
  /** Its scheduled start; null while unknown. */
  readonly falls: number | null;
}

export function StepCard({ step, of, unit, ticker, onMove, refused, onStep, falls }: StepCardProps) {
  const words = stepWords(step, of.summary, unit);
  const done = of.done.has(step.id);
  const faults = of.build.faults.filter((fault) => fault.step === step.id);
  const closing = step.detail.kind === 'glue' ? step.detail.closing : null;
  const marks = marksOf(step.panels, of.summary.plan);
  return (
    <article className="step-card" aria-labelledby="step-title">
      <header>
        <h2 id="step-title">{words.title}</h2>
        <p className="quiet">
          <Explained title="hands on" unit={unit} of={step.minutes}>
            {minutesText(step.minutes.value)}
          </Explained>
          {step.waits && (
            <>
              , then{' '}
              <Explained title="to wait" unit={unit} of={step.waits}>
                {minutesText(waitMin(step.waits))}
              </Explained>{' '}
              to wait
            </>
          )}
          {step.helper !== null && ' · a second pair of hands'}
          {marks.length > 0 && marks.length <= 14 && ` · ${marks.join(' ')}`}
        </p>
      </header>
      <NotBefore step={step} of={of} unit={unit} />
      <StepPicture step={step} title={words.title} of={of} />
      {step.detail.kind === 'setup' && <SetupSettings set={setupWords(step.detail.setup, of.summary.setups, unit).set} unit={unit} />}
      {faults.map((fault) => (
        <StepFault key={fault.fault} fault={fault} closing={closing} shop={of.summary.workshop.shop} unit={unit} />
      ))}
      {words.says.filter(Boolean).map((line) => (
        <p key={line}>{line}</p>
      ))}
      {words.checks.length > 0 && (
        <ul className="step-checks" aria-label="What is looked at">
          {words.checks.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {words.caution && <p className="caution">{words.caution}</p>}
      {words.alone && (
        <div className="alone">
          <p>{words.alone}</p>
          <Alone step={step} />
        </div>
      )}
      {closing && <GlueWays closing={closing} />}
      <StepSums step={step} unit={unit} />
      <Done key={step.id} step={step} done={done} ticker={ticker} />
      <section className="step-place" aria-label="Its place in the order">
        <Button size="small" onClick={() => onMove(-1)}>
          Earlier
        </Button>
        <Button size="small" onClick={() => onMove(1)}>
          Later
        </Button>
        {!done && <PinnedDay step={step} falls={falls} />}
        {step.detail.kind === 'cut' && <SheetsLink unit={step.unit} />}
        {refused && (
          <p role="alert" className="caution">
            {refused}
          </p>
        )}
      </section>
      <InTheLog step={step} />
      <StepReasons step={step} of={of} onStep={onStep} />
    </article>
  );
}

/** Ticked with the minutes it took, where timed. */
function Done({ step, done, ticker }: { readonly step: Step; readonly done: boolean; readonly ticker: Ticker }) {
  const [minutes, setMinutes] = useState<number | null>(null);
  return (
    <div className="step-done">
      {done ? (
        <Button variant="outlined" onClick={() => ticker.untick(step)}>
          Not done after all
        </Button>
      ) : (
        <>
          <NumberField
            label="it took"
            name="step.minutes"
            unit="min"
            least={0}
            most={2000}
            value={minutes}
            optional
            placeholder={String(Math.round(step.minutes.value))}
            onChange={setMinutes}
          />
          <Button variant="contained" onClick={() => ticker.tick(step, minutes ?? undefined)}>
            Done
          </Button>
        </>
      )}
    </div>
  );
}

function SheetsLink({ unit }: { readonly unit: string | null }) {
  const navigate = useNavigate();
  const { id, design } = useAppSelector(selectOpen);
  return (
    <Button size="small" onClick={() => void navigate(`/project/${id}/${unit ?? Object.keys(design.units)[0]}/sheets?view=cuts`)}>
      Cut by cut at Sheets
    </Button>
  );
}

/** Whether the schedule waits for a helper, or one person does it alone. */
function Alone({ step }: { readonly step: Step }) {
  const { build } = useAppSelector(selectDesign);
  const { apply } = useEdit();
  const alone = build.alone.includes(step.id);
  return (
    <label className="whole-switch">
      <input
        type="checkbox"
        checked={alone}
        onChange={() =>
          apply([{ path: ['build', 'alone'], value: alone ? build.alone.filter((id) => id !== step.id) : [...build.alone, step.id] }], 'build.alone')
        }
      />{' '}
      I do it alone: the days do not wait for a helper
    </label>
  );
}

/** Notes about it, and a form for more. */
function InTheLog({ step }: { readonly step: Step }) {
  const { id, record, design } = useAppSelector(selectOpen);
  const { of } = shopFacts(record);
  const entries = of.step.filter(({ done }) => done.step === step.id).length + of.note.filter(({ note }) => note.step === step.id).length;
  return (
    <p>
      <Link to={`/project/${id}/${step.unit ?? Object.keys(design.units)[0]}/log?step=${encodeURIComponent(step.id)}`}>
        {entries === 0 ? 'A note or a picture of this step' : `${entries} ${entries === 1 ? 'entry' : 'entries'} of this step in the log`}
      </Link>
    </p>
  );
}
