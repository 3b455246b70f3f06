/**
 * One person's tasks laid over the hours, one after another in a given order, each as early as it can begin: in a gap an earlier
 * one left, if it fits. Every earliest finish there is comes out of some order, for a task that begins earlier never ends later.
 */
import type { Window } from './calendar.ts';
import type { Task } from './tasks.ts';

export interface LaidTask {
  readonly start: number;
  readonly end: number;
}

/** Whether the hours serve a task at all: a machine may run, the helper is there. */
export const serves = ({ helper, quiet, without }: Window, task: Pick<Task, 'helper' | 'machines'>): boolean =>
  (!task.helper || helper) && (task.machines.length === 0 || (!quiet && !task.machines.some((machine) => without.includes(machine))));

/** The hours as they are asked for: where the first window is that ends after a time. */
export interface Hours {
  readonly windows: readonly Window[];
  /** No window is long enough for a task, or has the helper it wants: what is then done without. */
  readonly eased: (task: Task) => Task;
}

/**
 * Hours for tasks as they can be: where nobody ever helps, one does without; where no machine may ever run, it has to; what fits
 * into no evening is left and gone on with.
 */
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

/** Where a task that begins no earlier than `from` would be done, if nothing else were in the way before `until`; null where it would not. */
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

/** The latest a task can begin and be through by `end`; before `from` nobody looks: −Infinity where it would have to begin there. */
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

/** Intervals nobody else is at, kept in order. */
export class Timetable {
  private readonly busy: LaidTask[] = [];
  constructor(
    private readonly hours: Hours,
    private readonly begins: number,
  ) {}

  /** Puts a task where it can begin first, not before `ready`; null when the hours run out. */
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

  /** Takes one back that was laid last. */
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

/** All tasks in an order that keeps each behind those it follows; null when the hours run out. */
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
