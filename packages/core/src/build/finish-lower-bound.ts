/**
 * Lower bound on the completion time of any schedule. Two relaxations: chains of steps, each in the hours that serve it; and one person's time, who does
 * everything that fits only between two moments. Source: docs/formulas/earliest-finish.md.
 */
import type { Window } from './calendar.ts';
import type { Task } from './tasks.ts';
import { latestBegin, serves, Timetable, type Hours, type LaidTask } from './timetable.ts';

/** Work of one kind by task index, and its available minutes up to a time. */
interface Kind {
  readonly of: readonly number[];
  readonly minutesTo: (time: number) => number;
}

/** Lower bound on the finish, minutes of the wall clock. `tasks` in topological order; `found`: the finish of a known schedule. */
export function finishLowerBound(tasks: readonly Task[], hours: Hours, begins: number, found: number): number {
  const alone = aloneIn(tasks, hours, begins);
  const kinds = kindsOf(tasks, hours, alone);
  let [low, high] = [Math.max(begins, ...alone.map(({ end }) => end)), found];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    const latest = latestIn(tasks, hours, alone, middle);
    if (latest && kinds.every((kind) => isRoom(tasks, kind, alone, latest))) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Earliest completion of each task with unlimited hands (forward pass). */
function aloneIn(tasks: readonly Task[], hours: Hours, begins: number): readonly LaidTask[] {
  const found: LaidTask[] = [];
  for (const task of tasks) {
    const ready = task.after.reduce((latest, { at, waits }) => Math.max(latest, found[at]!.end + waits), begins);
    found.push(new Timetable(hours, begins).lay(task, ready) ?? { start: ready, end: ready });
  }
  return found;
}

/** Latest completion of each task for a given `finish` (backward pass); null where one would have to start too early. */
function latestIn(tasks: readonly Task[], hours: Hours, alone: readonly LaidTask[], finish: number): readonly number[] | null {
  const latest = new Array<number>(tasks.length).fill(finish);
  // Later tasks of the list never precede earlier ones.
  for (let index = tasks.length - 1; index >= 0; index--) {
    const { start, end } = alone[index]!;
    if (end > latest[index]!) return null;
    const begin = latestBegin(hours.eased(tasks[index]!), hours.windows, start, latest[index]!);
    if (begin < start) return null;
    for (const { at, waits } of tasks[index]!.after) latest[at] = Math.min(latest[at]!, begin - waits);
  }
  return latest;
}

/** All work, and the work at each machine, which has fewer hours. */
function kindsOf(tasks: readonly Task[], hours: Hours, alone: readonly LaidTask[]): Kind[] {
  const at = new Map<string, number[]>();
  tasks.forEach((task, index) => {
    for (const machine of ['', ...hours.eased(task).machines]) at.set(machine, [...(at.get(machine) ?? []), index]);
  });
  return [...at].map(([machine, of]) => {
    const there = hours.windows.filter((window) => serves(window, { helper: false, machines: machine === '' ? [] : [machine] }));
    return { of: of.sort((a, b) => alone[b]!.start - alone[a]!.start), minutesTo: addedUp(there) };
  });
}

/** Accumulated window minutes up to a time. */
function addedUp(windows: readonly Window[]): (time: number) => number {
  let sum = 0;
  const before = windows.map(({ from, to }) => (sum += to - from) - (to - from));
  return (time) => {
    let [low, high] = [0, windows.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (windows[middle]!.from < time) low = middle + 1;
      else high = middle;
    }
    if (low === 0) return 0;
    const { from, to } = windows[low - 1]!;
    return before[low - 1]! + Math.min(time, to) - from;
  };
}

/** Energetic reasoning: whether the hours between any two moments hold all work confined to them. */
function isRoom(tasks: readonly Task[], { of, minutesTo }: Kind, alone: readonly LaidTask[], latest: readonly number[]): boolean {
  const byEnd = [...of].sort((a, b) => latest[a]! - latest[b]!);
  const until = byEnd.map((index) => minutesTo(latest[index]!));
  return of.every((first) => {
    const { start } = alone[first]!;
    const gone = minutesTo(start);
    let minutes = 0;
    return byEnd.every((index, n) => {
      if (alone[index]!.start < start) return true;
      minutes += tasks[index]!.minutes;
      return minutes <= until[n]! - gone;
    });
  });
}
