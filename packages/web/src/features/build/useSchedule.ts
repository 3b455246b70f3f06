/** Days of the remaining steps, computed in a worker; the last answer stays until the next one comes. */
import { dayStart, tasksOf, type BuildChoices, type Schedule } from '@keen/core';
import { wrap, type Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { BuildOf } from './useBuild.ts';
import type { Scheduler } from './schedule.worker.ts';

export interface Days {
  /** Undefined until the first answer; null where the hours run out. */
  readonly schedule: Schedule | null | undefined;
  readonly begins: number;
}

export function useSchedule({ build, doneAt, now: minute }: BuildOf, choices: BuildChoices): Days {
  // To the quarter of an hour, so that the schedule is not rebuilt every minute.
  const now = Math.floor(minute / 15) * 15;
  const begins = choices.start === null ? now : Math.max(now, dayStart(choices.start));
  const tasks = useMemo(() => tasksOf(build.steps, build.edges, choices, doneAt), [build, choices, doneAt]);
  const [schedule, setSchedule] = useState<Schedule | null | undefined>(undefined);
  const worker = useRef<Remote<Scheduler> | null>(null);
  const turn = useRef(0);
  useEffect(() => {
    const thread = new Worker(new URL('./schedule.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<Scheduler>(thread);
    return () => thread.terminate();
  }, []);
  useEffect(() => {
    const mine = ++turn.current;
    void worker.current?.schedule(tasks, choices, begins).then((found) => {
      if (mine === turn.current) setSchedule(found);
    });
  }, [tasks, choices, begins]);
  return { schedule, begins };
}
