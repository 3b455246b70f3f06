/** One step at a time: its title, the number at arm's length, hazards, and two large buttons. */
import { stepWords, type Step } from '@keen/core';
import ArrowBack from '@mui/icons-material/ArrowBackIosNew';
import ArrowForward from '@mui/icons-material/ArrowForwardIos';
import { Button, Dialog, IconButton } from '@mui/material';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { BuildOf } from '../build/useBuild.ts';
import { useTick } from '../build/useTick.ts';
import type { ShownCabinet } from '../project/selectors.ts';
import { RecordResult } from './RecordResult.tsx';
import { CutByCut } from './CutByCut.tsx';
import { RecordStatus } from './RecordStatus.tsx';
import { StepAtTheBench } from './StepAtTheBench.tsx';
import { usePedal } from './usePedal.ts';

export interface NextPlaceProps {
  readonly of: BuildOf;
  readonly shown: ShownCabinet;
  readonly all: boolean;
}

export function NextPlace({ of, shown, all }: NextPlaceProps) {
  const { unit } = shown;
  const [search, setSearch] = useSearchParams();
  const [listing, setListing] = useState(false);
  const [entering, setEntering] = useState(false);
  const ticker = useTick(of);
  const { steps } = of.build;
  const found = steps.findIndex(({ id }) => id === search.get('step'));
  const next = of.next === null ? steps.length - 1 : steps.indexOf(of.next);
  const at = found >= 0 ? found : next;
  const step = steps[at];
  const go = (to: number): void => {
    const there = steps[Math.min(steps.length - 1, Math.max(0, to))];
    if (!there) return;
    const params = new URLSearchParams(search);
    params.set('step', there.id);
    params.delete('cut');
    setSearch(params, { replace: true });
  };
  usePedal((by) => go(at + by));
  if (!step) return <main className="bench-place">There is nothing to build yet.</main>;
  const words = stepWords(step, of.summary, unit);
  const done = of.done.has(step.id);
  const blocked = of.build.edges.filter(({ before, after }) => after === step.id && !of.done.has(before));
  const tick = (): void => {
    ticker.tick(step);
    // The next step that can be started, from here on.
    const later = steps.findIndex(({ id }, index) => index > at && !of.done.has(id));
    go(later >= 0 ? later : at);
  };
  return (
    <>
      <header className="bench-header">
        <IconButton aria-label="The step before" disabled={at === 0} onClick={() => go(at - 1)}>
          <ArrowBack />
        </IconButton>
        <button type="button" className="bench-where" aria-haspopup="dialog" onClick={() => setListing(true)}>
          <strong>
            Step {at + 1} of {steps.length} ▾
          </strong>
          <span>
            {all ? 'all cabinets' : shown.spec.name} · <RecordStatus />
          </span>
        </button>
        <IconButton aria-label="The next step" disabled={at === steps.length - 1} onClick={() => go(at + 1)}>
          <ArrowForward />
        </IconButton>
      </header>
      <main className="bench-step" aria-live="polite" tabIndex={0}>
        {step.detail.kind === 'cut' && step.detail.cuts.length > 0 ? (
          <CutByCut step={step} detail={step.detail} title={words.title} of={of} unit={unit} />
        ) : (
          <StepAtTheBench step={step} words={words} of={of} unit={unit} />
        )}
        {blocked.length > 0 && !done && <p className="quiet">First: {blocked.map(({ before }) => of.titleOf(of.byId.get(before)!)).join('; ')}.</p>}
      </main>
      <footer className="bench-buttons">
        <Button variant="outlined" onClick={() => setEntering(true)}>
          It came out…
        </Button>
        {done ? (
          <Button variant="outlined" onClick={() => ticker.untick(step)}>
            Not done after all
          </Button>
        ) : (
          <Button variant="contained" onClick={tick}>
            {doneWords(step)}
          </Button>
        )}
      </footer>
      <Dialog open={listing} fullScreen onClose={() => setListing(false)} slotProps={{ paper: { className: 'bench-list', 'aria-label': 'All steps' } }}>
        <header className="bench-header">
          <strong>All steps</strong>
          <Button onClick={() => setListing(false)}>Close</Button>
        </header>
        <label className="whole-switch">
          <input
            type="checkbox"
            checked={all}
            onChange={(event) => {
              const params = new URLSearchParams(search);
              if (event.target.checked) params.set('of', 'all');
              else params.delete('of');
              setSearch(params, { replace: true });
            }}
          />{' '}
          of all cabinets
        </label>
        <ol>
          {steps.map((each, index) => (
            <li key={each.id}>
              <button
                type="button"
                aria-current={index === at ? 'step' : undefined}
                className={of.done.has(each.id) ? 'done' : ''}
                onClick={() => {
                  go(index);
                  setListing(false);
                }}
              >
                <span>{of.done.has(each.id) ? '✓' : index + 1}</span> {of.titleOf(each)}
              </button>
            </li>
          ))}
        </ol>
      </Dialog>
      {entering && <RecordResult step={step} of={of} shown={shown} onClose={() => setEntering(false)} />}
    </>
  );
}

const doneWords = ({ detail }: Step): string =>
  detail.kind === 'cut' ? 'All cuts are made' : detail.kind === 'hang' ? 'It hangs' : detail.kind === 'load' ? 'It is loaded' : 'Done';
