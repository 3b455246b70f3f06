/** The steps on the calendar: a row per shop session, its hours to scale, with its steps; one dragged to another day moves the rest. */
import { dayOf, dayStart, DAY_MIN, idleIn, minutesText, stretches, windowsFrom, type BuildChoices, type Idle, type Schedule, type Scheduled } from '@keen/core';
import { Button } from '@mui/material';
import { useMemo, useState, type DragEvent } from 'react';
import { useEdit } from '../project/useEdit.ts';
import { dayWords, timeWords } from './dayWords.ts';
import type { BuildOf } from './useBuild.ts';

export interface DaysViewProps {
  readonly of: BuildOf;
  readonly schedule: Schedule;
  readonly choices: BuildChoices;
  readonly at: string | null;
  readonly onStep: (id: string) => void;
}

/** Days drawn at first: a person acts on the first weeks. */
const FIRST_DAYS = 14;

export function DaysView({ of, schedule, choices, at, onStep }: DaysViewProps) {
  const { apply } = useEdit();
  const [all, setAll] = useState(false);
  const windows = useMemo(
    () => windowsFrom(choices, schedule.tasks[0]?.start ?? 0, Math.ceil((schedule.finish - (schedule.tasks[0]?.start ?? 0)) / DAY_MIN) + 2),
    [choices, schedule],
  );
  const days = [...new Set(windows.filter(({ from }) => from < schedule.finish).map(({ from }) => dayOf(from)))];
  const [first, last] = [Math.min(...windows.map(({ from }) => from % DAY_MIN)), Math.max(...windows.map(({ to }) => ((to - 1) % DAY_MIN) + 1))];
  const share = (minutes: number): string => `${((minutes - first) / (last - first)) * 100}%`;
  const hold = (step: string, day: string): void =>
    apply([{ path: ['build', 'notBefore', step], value: day }], `build.notBefore.${step}`, `Held to ${dayWords(dayStart(day))}: what stands on it follows`);
  const shown = all ? days : days.slice(0, FIRST_DAYS);
  return (
    <section className="days" aria-label="Days">
      <div className="days-hours" aria-hidden="true">
        {Array.from({ length: Math.floor(last / 60) - Math.ceil(first / 60) + 1 }, (_, n) => Math.ceil(first / 60) + n)
          .filter((hour) => last - first < 8 * 60 || hour % 2 === 0)
          .map((hour) => (
            <span key={hour} style={{ left: share(hour * 60) }}>
              {hour}
            </span>
          ))}
      </div>
      <ol>
        {shown.map((day) => (
          <Day
            key={day}
            day={day}
            windows={windows.filter(({ from }) => dayOf(from) === day)}
            schedule={schedule}
            of={of}

            at={at}
            share={share}
            onStep={onStep}
            onDrop={(step) => hold(step, day)}
          />
        ))}
      </ol>
      {days.length > shown.length && (
        <Button onClick={() => setAll(true)}>
          {days.length - shown.length} more days, to {dayWords(schedule.finish)}
        </Button>
      )}
    </section>
  );
}

interface DayProps {
  readonly day: string;
  readonly windows: ReturnType<typeof windowsFrom>;
  readonly schedule: Schedule;
  readonly of: BuildOf;
  readonly at: string | null;
  readonly share: (minutes: number) => string;
  readonly onStep: (id: string) => void;
  readonly onDrop: (step: string) => void;
}

function Day({ day, windows, schedule, of, at, share, onStep, onDrop }: DayProps) {
  const [over, setOver] = useState(false);
  const start = dayStart(day);
  const rows = schedule.tasks.flatMap((each) => stretches(windows, each.start, each.end).map((part) => ({ each, part })));
  const drop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    const step = event.dataTransfer.getData('text/plain');
    if (of.byId.has(step)) onDrop(step);
  };
  return (
    <li
      className={over ? 'over' : ''}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <h3>{dayWords(start)}</h3>
      <div className="day-line">
        {windows.map(({ from, to, helper }) => (
          <span
            key={from}
            className={`day-window${helper ? ' helper' : ''}`}
            style={{ left: share(from - start), width: width(share, from - start, to - start) }}
            title={helper ? 'with a helper' : undefined}
          />
        ))}
        {rows.map(({ each, part }) => (
          <Block
            key={`${each.task.id} ${part.from}`}
            each={each}
            from={part.from - start}
            to={part.to - start}
            of={of}

            lit={at !== null && each.task.steps.includes(at)}
            share={share}
            onStep={onStep}
          />
        ))}
      </div>
      {rows.length === 0 && <NothingHere idle={windows.flatMap((window) => idleIn(schedule, window) ?? [])[0]} of={of} onStep={onStep} />}
      <ul className="day-steps">
        {rows.map(({ each, part }) => (
          <li key={`${each.task.id} ${part.from}`}>
            <button
              type="button"
              draggable
              onDragStart={(event) => event.dataTransfer.setData('text/plain', each.task.steps[0]!)}
              className={at !== null && each.task.steps.includes(at) ? 'current' : ''}
              onClick={() => onStep(each.task.steps[0]!)}
            >
              <span className="number">{timeWords(part.from)}</span> {titleOf(each, of)}
              {each.slack === 0 && <span className="quiet"> · decides the end</span>}
              {part.from > each.start && <span className="quiet"> · goes on</span>}
            </button>
          </li>
        ))}
      </ul>
    </li>
  );
}

const IDLE: Readonly<Record<Idle['why'], string>> = {
  helper: 'wants a helper, who is not there',
  machine: 'runs a machine that is not there, or may not run',
  waits: 'waits for what sets or dries',
  held: 'is held to a later day',
  long: 'cannot be left, and takes longer than these hours',
};

/** Why a session stays empty. */
function NothingHere({ idle, of, onStep }: { readonly idle: Idle | undefined; readonly of: BuildOf; readonly onStep: (id: string) => void }) {
  if (!idle) return null;
  return (
    <p className="quiet day-idle">
      Nothing: what comes next,{' '}
      <button type="button" className="step-link" onClick={() => onStep(idle.next.task.steps[0]!)}>
        {titleOf(idle.next, of)}
      </button>
      , {IDLE[idle.why]}.
    </p>
  );
}

const width = (share: (minutes: number) => string, from: number, to: number): string => `calc(${share(to)} - ${share(from)})`;

const titleOf = ({ task }: Scheduled, { byId, titleOf: titleStep }: BuildOf): string =>
  task.steps
    .flatMap((id) => byId.get(id) ?? [])
    .map(titleStep)
    .join('; ');

interface BlockProps {
  readonly each: Scheduled;
  readonly from: number;
  readonly to: number;
  readonly of: BuildOf;
  readonly lit: boolean;
  readonly share: (minutes: number) => string;
  readonly onStep: (id: string) => void;
}

function Block({ each, from, to, of, lit, share, onStep }: BlockProps) {
  const title = titleOf(each, of);
  const slack = each.slack === 0 ? 'it decides the end' : `${minutesText(each.slack)} of slack`;
  return (
    <button
      type="button"
      draggable
      className={`day-block${lit ? ' lit' : ''}${each.slack === 0 ? ' critical' : ''}`}
      style={{ left: share(from), width: width(share, from, to) }}
      title={`${timeWords(from)}–${timeWords(to)} ${title}; ${slack}`}
      aria-label={`${title}, ${timeWords(from)} to ${timeWords(to)}, ${slack}`}
      tabIndex={-1}
      onDragStart={(event) => event.dataTransfer.setData('text/plain', each.task.steps[0]!)}
      onClick={() => onStep(each.task.steps[0]!)}
    />
  );
}
