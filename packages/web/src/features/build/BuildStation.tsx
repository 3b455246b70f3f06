/** Build station: steps with the reasons for their order, and their days. */
import {
  dayOf,
  fullTitle,
  moveStep,
  reasonWords,
  scheduleIcs,
  stepWords,
  wantedAfter,
  termOf,
  total,
  type DisplayUnit,
  type ExplainedValue,
  type Shortage,
  type Schedule,
} from '@keen/core';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { Explained } from '../../ui/Explained.tsx';
import { selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { SharingDialog } from '../bench/SharingDialog.tsx';
import { useNests } from '../sheets/useNests.tsx';
import { AsBuiltView } from './AsBuiltView.tsx';
import { DaysView } from './DaysView.tsx';
import { dayWords, timeWords } from './dayWords.ts';
import { StepCard } from './StepCard.tsx';
import { StepList } from './StepList.tsx';
import { useBuild } from './useBuild.ts';
import { clockOf } from './clock.ts';
import { useSchedule } from './useSchedule.ts';
import { useTick } from './useTick.ts';

/** How certain it is that no earlier finish exists. */
function earlierWords({ proved, least, finish }: Schedule): string {
  if (proved) return 'Nothing finishes earlier with these hours.';
  return dayOf(least) === dayOf(finish)
    ? `Nothing finishes on an earlier day with these hours, nor before ${timeWords(least)}.`
    : `No earlier finish was found with these hours; none can be before ${dayWords(least)}.`;
}

const VIEWS = { steps: 'Steps', days: 'Days', built: 'As built' } as const;
type View = keyof typeof VIEWS;

export function BuildStation({ shown }: { readonly shown: ShownCabinet }) {
  const { id, design } = useAppSelector(selectOpen);
  const { cabinets } = useAppSelector(selectPlan);
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view');
  const view: View = asked !== null && Object.hasOwn(VIEWS, asked) ? (asked as View) : 'steps';
  const whole = search.get('of') === 'all';
  const show = (next: Record<string, string | null>): void => {
    const params = new URLSearchParams(search);
    for (const [key, value] of Object.entries(next))
      if (value === null) params.delete(key);
      else params.set(key, value);
    setSearch(params, { replace: true });
  };
  const of = useBuild(shown.unit, whole ? [] : [shown.spec.id]);
  const days = useSchedule(of, design.build);
  const { searching } = useNests();
  const ticker = useTick(of);
  const { apply } = useEdit();
  const navigate = useNavigate();
  const [refused, setRefused] = useState<{ readonly step: string; readonly why: string } | null>(null);
  const [sharing, setSharing] = useState(false);
  const order = of.build.steps.map((step) => step.id);
  const at = search.get('step') ?? of.next?.id ?? order[0] ?? null;
  const step = at === null ? undefined : of.byId.get(at);
  const go = (to: string): void => {
    setRefused(null);
    show({ step: to, view: view === 'built' ? null : search.get('view') });
  };
  const move = (by: -1 | 1): void => {
    if (!step) return;
    const from = order.indexOf(step.id);
    if (from + by < 0 || from + by >= order.length) return;
    const moved = moveStep(order, of.build.edges, step.id, from + by);
    if (moved.ok) {
      setRefused(null);
      apply([{ path: ['build', 'order'], value: wantedAfter(design.build.order, order, moved.order) }], 'build.order');
      return;
    }
    const [first, then] = [of.byId.get(moved.edge.before)!, of.byId.get(moved.edge.after)!].map(of.titleOf);
    setRefused({ step: step.id, why: `“${first}” has to come before “${then}”: ${reasonWords(moved.edge)}` });
  };
  const calendar = (schedule: Schedule): void => {
    const text = scheduleIcs(
      schedule,
      design.build,
      design.name,
      (each) => {
        const words = stepWords(of.byId.get(each)!, of.summary, shown.unit);
        return { id: `${id}/${each}`, title: fullTitle(words), says: [...words.says, ...words.checks] };
      },
      clockOf(),
    );
    download(`${fileName(design.name)}-days.ics`, 'text/calendar', text);
  };
  const left = of.build.steps.filter((each) => !of.done.has(each.id));
  return (
    <div className="station-body build-station">
      <h1>
        <Headline
          left={left.length}
          minutes={total(
            'step-minutes',
            'min',
            left.map((each) => termOf(each.minutes, '', { key: 'item', of: of.titleOf(each) })),
          )}
          schedule={days.schedule}
          unit={shown.unit}
        />
      </h1>
      <p className="lead">
        {of.done.size} of {order.length} steps done.
        {searching && ' Sheets are still being laid out: their cuts follow.'}
        {days.schedule && <Without schedule={days.schedule} />}
        {days.schedule && ` ${earlierWords(days.schedule)}`}
      </p>
      <div className="sheet-tabs build-tabs">
        <div role="tablist" aria-label="What is shown">
          {(Object.keys(VIEWS) as View[]).map((each) => (
            <button key={each} type="button" role="tab" aria-selected={view === each} onClick={() => show({ view: each === 'steps' ? null : each })}>
              {VIEWS[each]}
            </button>
          ))}
        </div>
        {cabinets.length > 1 && (
          <label className="whole-switch">
            <input type="checkbox" checked={whole} onChange={(event) => show({ of: event.target.checked ? 'all' : null, step: null })} /> all cabinets
          </label>
        )}
        <Button variant="outlined" size="small" onClick={() => void navigate(`/project/${id}/${shown.spec.id}/bench`)}>
          At the bench
        </Button>
        <Button size="small" onClick={() => setSharing(true)}>
          On a phone …
        </Button>
        {view === 'days' && days.schedule && (
          <Button size="small" onClick={() => calendar(days.schedule!)}>
            To my calendar
          </Button>
        )}
      </div>
      {sharing && <SharingDialog path={`/project/${id}/${shown.spec.id}/bench`} onClose={() => setSharing(false)} />}
      {view === 'built' ? (
        <AsBuiltView shown={shown} of={of} />
      ) : (
        <div className={`build-columns ${view}`}>
          {view === 'steps' ? (
            <StepList of={of} steps={of.build.steps} at={step?.id ?? null} schedule={days.schedule} onStep={go} />
          ) : days.schedule ? (
            <DaysView of={of} schedule={days.schedule} choices={design.build} at={step?.id ?? null} onStep={go} />
          ) : (
            <p className="quiet">{days.schedule === null ? 'There are not hours enough: the pane says which there are.' : 'Laying out the days …'}</p>
          )}
          {step ? (
            <StepCard
              key={step.id}
              step={step}
              of={of}
              unit={shown.unit}
              ticker={ticker}
              onMove={move}
              refused={refused?.step === step.id ? refused.why : null}
              onStep={go}
              falls={days.schedule?.tasks.find(({ task }) => task.steps.includes(step.id))?.start ?? null}
            />
          ) : (
            <p className="quiet">There is no such step any more: take another.</p>
          )}
        </div>
      )}
    </div>
  );
}

const LACKS: Readonly<Record<Shortage, string>> = {
  helper: 'without a helper: no hours have one',
  machine: 'although no hours have their machines',
  hours: 'over several evenings, although they should not be left',
};

/** Requirements the shop hours do not meet, and that are dropped. */
function Without({ schedule: { without } }: { readonly schedule: Schedule }) {
  return (Object.keys(LACKS) as Shortage[])
    .filter((lack) => without[lack].length > 0)
    .map((lack) => (
      <span key={lack} className="caution">
        {' '}
        {without[lack].length} {without[lack].length === 1 ? 'step is' : 'steps are'} laid out {LACKS[lack]}.
      </span>
    ));
}

interface HeadlineProps {
  readonly left: number;
  readonly minutes: ExplainedValue;
  readonly schedule: Schedule | null | undefined;
  readonly unit: DisplayUnit;
}

function Headline({ left, minutes, schedule, unit }: HeadlineProps) {
  if (left === 0) return 'Everything is built and hung.';
  const evenings = new Set(schedule?.tasks.map(({ start }) => dayOf(start))).size;
  return (
    <>
      {left} {left === 1 ? 'step' : 'steps'}, about{' '}
      <Explained title="hands on" unit={unit} of={minutes}>
        {minutes.value < 90 ? `${Math.round(minutes.value)} minutes` : `${Math.round(minutes.value / 60)} hours`}
      </Explained>
      {schedule ? `: done on ${dayWords(schedule.finish)}, ${evenings === 1 ? 'in one go' : `after ${evenings} times in the shop`}.` : ' of work.'}
    </>
  );
}
