/** One step in full: its picture, what is done with what numbers, what is looked at, what can hurt, and why it stands where it stands. */
import { marksOf, minutesText, reasonWords, setupWords, stepWords, type DisplayUnit, type Step } from '@keen/core';
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
import { HeldTo } from './HeldTo.tsx';
import { LabelLink } from './LabelLink.tsx';
import { NotBefore } from './NotBefore.tsx';
import { StepFault } from './StepFault.tsx';
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
  /** Why the last move was not made. */
  readonly refused: string | null;
  readonly onStep: (id: string) => void;
  /** When the schedule has it begin; null while that is not known. */
  readonly falls: number | null;
}

export function StepCard({ step, of, unit, ticker, onMove, refused, onStep, falls }: StepCardProps) {
  const words = stepWords(step, of.told, unit);
  const done = of.done.has(step.id);
  const faults = of.build.faults.filter((fault) => fault.step === step.id);
  const closing = step.detail.kind === 'glue' ? step.detail.closing : null;
  const marks = marksOf(step.panels, of.told.plan);
  return (
    <article className="step-card" aria-labelledby="step-title">
      <header>
        <h2 id="step-title">{words.title}</h2>
        <p className="quiet">
          <Explained title="hands on" unit={unit} of={step.minutes}>
            {minutesText(step.minutes.value)}
          </Explained>
          {step.waits > 0 && `, then ${minutesText(step.waits)} to wait`}
          {step.helper !== null && ' · a second pair of hands'}
          {marks.length > 0 && marks.length <= 14 && ` · ${marks.join(' ')}`}
        </p>
      </header>
      <NotBefore step={step} of={of} />
      <StepPicture step={step} title={words.title} of={of} />
      {step.detail.kind === 'setup' && <SetupSettings set={setupWords(step.detail.setup, of.told.setups, unit).set} unit={unit} />}
      {faults.map((fault) => (
        <StepFault key={fault.fault} fault={fault} closing={closing} shop={of.told.workshop.shop} unit={unit} />
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
      <SquareFigures step={step} unit={unit} />
      <Done key={step.id} step={step} done={done} ticker={ticker} />
      <section className="step-place" aria-label="Its place in the order">
        <Button size="small" onClick={() => onMove(-1)}>
          Earlier
        </Button>
        <Button size="small" onClick={() => onMove(1)}>
          Later
        </Button>
        {!done && <HeldTo step={step} falls={falls} />}
        {step.detail.kind === 'cut' && <SheetsLink unit={step.unit} />}
        {refused && (
          <p role="alert" className="caution">
            {refused}
          </p>
        )}
      </section>
      <InTheLog step={step} />
      <Why step={step} of={of} onStep={onStep} />
    </article>
  );
}

/** The diagonal and what it may differ by, each with its sum. */
function SquareFigures({ step: { detail }, unit }: { readonly step: Step; readonly unit: DisplayUnit }) {
  if (detail.kind === 'square')
    return (
      <p className="quiet">
        Sums:{' '}
        <Explained title="each diagonal" unit={unit} of={detail.diagonals.diagonal}>
          each diagonal
        </Explained>
        ,{' '}
        <Explained title="they may differ by" unit={unit} of={detail.diagonals.allowed}>
          how far they may differ
        </Explained>
      </p>
    );
  if (detail.kind === 'coat')
    return (
      <p className="quiet">
        Sums:{' '}
        <Explained title="area" unit={unit} of={detail.areaM2}>
          area
        </Explained>
        ,{' '}
        <Explained title="finish for one coat" unit={unit} of={detail.liters}>
          amount
        </Explained>
        ,{' '}
        <Explained title="to dry" unit={unit} of={detail.dryMin}>
          time to dry
        </Explained>
        <LabelLink of={`finish.${detail.finish}`} first="recoatMin">
          What its tin says …
        </LabelLink>
      </p>
    );
  if (detail.kind === 'glue' && detail.glue)
    return (
      <p className="quiet">
        Sums:{' '}
        <Explained title="from the first joint to the last clamp" unit={unit} of={detail.glue.minutes}>
          time to close it
        </Explained>
        ,{' '}
        <Explained title="in the clamps" unit={unit} of={detail.glue.clampMin}>
          time in the clamps
        </Explained>
      </p>
    );
  return null;
}

/** Ticked with the minutes it took where someone looked at the clock. */
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

/** Whether the days wait for a helper, or one person does it by the trick. */
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

/** What was written down about it, and a way to write more. */
function InTheLog({ step }: { readonly step: Step }) {
  const { id, record, design } = useAppSelector(selectOpen);
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  const entries = record.filter((entry) => !withdrawn.has(entry.id) && (entry.done?.step === step.id || entry.note?.step === step.id)).length;
  return (
    <p>
      <Link to={`/project/${id}/${step.unit ?? Object.keys(design.units)[0]}/log?step=${encodeURIComponent(step.id)}`}>
        {entries === 0 ? 'A note or a picture of this step' : `${entries} ${entries === 1 ? 'entry' : 'entries'} of this step in the log`}
      </Link>
    </p>
  );
}

function Why({ step, of, onStep }: { readonly step: Step; readonly of: BuildOf; readonly onStep: (id: string) => void }) {
  const { edges } = of.build;
  const rows = (side: 'before' | 'after') => {
    const other = side === 'before' ? 'after' : 'before';
    return edges.flatMap((edge) => {
      const found = edge[other] === step.id ? of.byId.get(edge[side]) : undefined;
      return found ? [{ found, why: reasonWords(edge) }] : [];
    });
  };
  const list = (title: string, side: 'before' | 'after') => {
    const all = rows(side);
    return all.length === 0 ? null : (
      <>
        <h3>{title}</h3>
        <ul>
          {all.map(({ found, why }) => (
            <li key={found.id}>
              <button type="button" className="step-link" onClick={() => onStep(found.id)}>
                {of.titleOf(found)}
              </button>{' '}
              <span className="quiet">{why}</span>
            </li>
          ))}
        </ul>
      </>
    );
  };
  return (
    <details className="step-why">
      <summary>Why it stands here</summary>
      {list('Comes after', 'before')}
      {list('Comes before', 'after')}
    </details>
  );
}
