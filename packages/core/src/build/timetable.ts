/**
 * Serial schedule generation: one person's tasks placed one after another in a given order, each as early as possible, in a gap left by an earlier one
 * where it fits. Some order yields the earliest finish, because starting a task earlier never ends it later.
 */
import type { Window } from './calendar.ts';
import type { Task } from './tasks.ts';

export interface LaidTask {
  readonly start: number;
  readonly end: number;
}

/** Whether a window serves a task: its machine may run, its helper is there. */
export const serves = ({ helper, quiet, without }: Window, task: Pick<Task, 'helper' | 'machines'>): boolean =>
  (!task.helper || helper) && (task.machines.length === 0 || (!quiet && !task.machines.some((machine) => without.includes(machine))));

/** Windows, with the index of the first that ends after a time. */
export interface Hours {
  readonly windows: readonly Window[];
  /** Tasks for which no window is long enough or has the required helper: the requirement is dropped. */
  readonly eased: (task: Task) => Task;
}

/** Windows per task with unmeetable requirements dropped: no helper ever, no machine hours ever, or no window long enough, in which case it is interrupted. */
export function hoursFor(windows: readonly Window[]): Hours {
  const memory = new Map<Task, Task>();
  return {
    windows,
    eased(task) {
      const known = memory.get(task);
      if (known) return known;
      const fits = (one: Task): boolean => windows.some((window) => serves(window, one) && (one.canPause || window.to - window.from >= one.minutes));
      const tries = [task, { ...task, helper: false }, { ...task, machines: [], helper: false }, { ...task, canPause: true, machines: [], helper: false }];
      const found = fits(task) ? task : (tries.find(fits) ?? tries.at(-1)!);
      memory.set(task, found);
      return found;
    },
  };
}

const firstEndingAfter = (windows: readonly Window[], time: number): number => {
  let [low, high] = [0, windows.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (windows[middle]!.to > time) high = middle;
    else low = middle + 1;
  }
  return low;
};

/** Where a task starting at or after `from` would run, if nothing else were scheduled before `until`; null where it would not fit. */
function runs(task: Task, windows: readonly Window[], from: number, until: number): LaidTask | null {
  let left = task.minutes;
  let start = -1;
  for (let n = firstEndingAfter(windows, from); n < windows.length; n++) {
    const window = windows[n]!;
    const begins = Math.max(window.from, from);
    if (begins >= until) return null;
    if (!serves(window, task) || begins >= window.to) continue;
    if (!task.canPause) {
      if (window.to - begins < task.minutes) continue;
      return begins + task.minutes <= until ? { start: begins, end: begins + task.minutes } : null;
    }
    if (start < 0) start = begins;
    const ends = Math.min(window.to, begins + left);
    left -= ends - begins;
    if (left === 0) return ends <= until ? { start, end: ends } : null;
  }
  return null;
}

/** Latest start of a task that ends by `end`; −Infinity where that lies before `from`. */
export function latestBegin(task: Task, windows: readonly Window[], from: number, end: number): number {
  let left = task.minutes;
  for (let n = Math.min(firstEndingAfter(windows, end), windows.length - 1); n >= 0; n--) {
    const window = windows[n]!;
    if (window.from >= end) continue;
    if (window.to <= from) break;
    if (!serves(window, task)) continue;
    const to = Math.min(window.to, end);
    if (!task.canPause) {
      if (to - task.minutes >= window.from) return to - task.minutes;
      continue;
    }
    const begins = Math.max(window.from, to - left);
    left -= to - begins;
    if (left === 0) return begins;
  }
  return -Infinity;
}

/** Busy intervals, in order. */
export class Timetable {
  private readonly busy: LaidTask[] = [];
  constructor(
    private readonly hours: Hours,
    private readonly begins: number,
  ) {}

  /** Schedules a task at its first possible start, not before `ready`; null when the windows run out. */
  lay(task: Task, ready: number): LaidTask | null {
    const eased = this.hours.eased(task);
    let from = Math.max(ready, task.notBefore, this.begins);
    let at = this.firstBusyAfter(from);
    for (; ; at++) {
      const next = this.busy[at];
      const found = runs(eased, this.hours.windows, from, next?.start ?? Infinity);
      if (found) {
        this.busy.splice(at, 0, found);
        return found;
      }
      if (!next) return null;
      from = Math.max(from, next.end);
    }
  }

  /** Removes the task scheduled last. */
  lift(laid: LaidTask): void {
    this.busy.splice(this.busy.indexOf(laid), 1);
  }

  private firstBusyAfter(time: number): number {
    let [low, high] = [0, this.busy.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.busy[middle]!.end > time) high = middle;
      else low = middle + 1;
    }
    return low;
  }
}

/** All tasks in a topological order; null when the windows run out. */
export function layInOrder(tasks: readonly Task[], order: readonly number[], hours: Hours, begins: number): LaidTask[] | null {
  const table = new Timetable(hours, begins);
  const laid: LaidTask[] = new Array<LaidTask>(tasks.length);
  for (const index of order) {
    const task = tasks[index]!;
    let ready = begins;
    for (const { at, waits } of task.after) ready = Math.max(ready, laid[at]!.end + waits);
    const found = table.lay(task, ready);
    if (!found) return null;
    laid[index] = found;
  }
  return laid;
}
