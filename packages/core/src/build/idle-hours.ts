/** Why nothing is done in hours there are: what the next task wants that is not there then. */
import type { Window } from './calendar.ts';
import type { Schedule, Scheduled } from './schedule.ts';
import { serves } from './timetable.ts';

export interface Idle {
  /** The first that is done after these hours. */
  readonly next: Scheduled;
  /** It wants a helper, a machine that may not run or is not there; waits for what sets or dries, is held to a day, or is too long for what is left of them. */
  readonly why: 'helper' | 'machine' | 'waits' | 'held' | 'long';
}

/** Null where something is done in them, or nothing is left to do. */
export function idleIn({ tasks }: Schedule, window: Window): Idle | null {
  if (tasks.some(({ start, end }) => start < window.to && end > window.from)) return null;
  const next = tasks.find(({ start }) => start >= window.to);
  if (!next) return null;
  const { task } = next;
  if (!serves(window, { ...task, machines: [] })) return { next, why: 'helper' };
  if (!serves(window, { ...task, helper: false })) return { next, why: 'machine' };
  if (task.notBefore >= window.to) return { next, why: 'held' };
  // What it follows was through before these hours: else that would be next.
  return { next, why: !task.canPause && task.minutes > window.to - window.from ? 'long' : 'waits' };
}
