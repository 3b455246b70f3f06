/** Why a window stays empty: what the next task needs that is not available then. */
import type { Window } from './calendar.ts';
import type { Schedule, Scheduled } from './schedule.ts';
import { serves } from './timetable.ts';

export interface Idle {
  /** The first task after this window. */
  readonly next: Scheduled;
  /** It needs a helper or a machine that is not available, waits for something to set or dry, has a fixed day, or is too long for what is left. */
  readonly why: 'helper' | 'machine' | 'waits' | 'held' | 'long';
}

/** Null where something is done in the window, or nothing is left to do. */
export function idleIn({ tasks }: Schedule, window: Window): Idle | null {
  if (tasks.some(({ start, end }) => start < window.to && end > window.from)) return null;
  const next = tasks.find(({ start }) => start >= window.to);
  if (!next) return null;
  const { task } = next;
  if (!serves(window, { ...task, machines: [] })) return { next, why: 'helper' };
  if (!serves(window, { ...task, helper: false })) return { next, why: 'machine' };
  if (task.notBefore >= window.to) return { next, why: 'held' };
  // Its predecessors finished before the window; otherwise one of them would be next.
  return { next, why: !task.canPause && task.minutes > window.to - window.from ? 'long' : 'waits' };
}
