/** Scheduling off the page's thread. */
import { scheduleOf, windowsFrom, type BuildChoices, type Schedule, type Task } from '@keen/core';
import { expose } from 'comlink';

const scheduler = {
  /** Null where the horizon ends before the work. */
  schedule(tasks: readonly Task[], choices: BuildChoices, begins: number): Schedule | null {
    return scheduleOf(tasks, windowsFrom(choices, begins), begins);
  },
};
export type Scheduler = typeof scheduler;
expose(scheduler);
