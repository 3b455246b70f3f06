/**
 * Schedules steps on days for the earliest finish. Few tasks are solved exactly by branch and bound; for many, orders near the usual one are tried, and an
 * order that is no better is not taken, so that the plan stays stable. Seeded.
 */
import { seeded, type Random } from '../random/random.ts';
import type { Window } from './calendar.ts';
import { finishLowerBound } from './finish-lower-bound.ts';
import type { Task } from './tasks.ts';
import { hoursFor, latestBegin, layInOrder, Timetable, type Hours, type LaidTask } from './timetable.ts';

export interface Scheduled extends LaidTask {
  readonly task: Task;
  /** Slack: how much later it could start, in window minutes, without delaying the end. */
  readonly slack: number;
}

export interface Schedule {
  /** In order of start. */
  readonly tasks: readonly Scheduled[];
  readonly finish: number;
  /** Working minutes. */
  readonly minutes: number;
  /** Proved: no schedule finishes earlier. */
  readonly proved: boolean;
  /** Lower bound on the finish; equal to it where proved. */
  readonly least: number;
  /** Requirements no window meets, and that are dropped: ids of the tasks that have them. */
  readonly without: Readonly<Record<Shortage, readonly string[]>>;
}

/** A helper, a machine that may run, or a window long enough for what cannot be interrupted. */
export type Shortage = 'helper' | 'machine' | 'hours';

export interface Effort {
  readonly seed: number;
  /** Orders tried. */
  readonly tries: number;
  /** Node limit of the exact search. */
  readonly branches: number;
}

export const DEFAULT_EFFORT: Effort = { seed: 1, tries: 30, branches: 4000 };

/** Null when the hours do not suffice: no window is given, or the horizon ends first. */
export function scheduleOf(tasks: readonly Task[], windows: readonly Window[], begins: number, effort: Effort = DEFAULT_EFFORT): Schedule | null {
  const hours = hoursFor(windows);
  const tails = tailsOf(tasks);
  const given = tasks.map((_, index) => index);
  const first = layInOrder(tasks, given, hours, begins);
  if (!first) return null;
  let best = { order: given, laid: first, finish: finishOf(first) };
  const consider = (order: readonly number[]): void => {
    const laid = layInOrder(tasks, order, hours, begins);
    if (laid && finishOf(laid) < best.finish) best = { order: [...order], laid, finish: finishOf(laid) };
  };
  const least = finishLowerBound(tasks, hours, begins, best.finish);
  if (best.finish > least) consider(byTail(tasks, tails));
  const random = seeded(effort.seed);
  for (let n = 0; n < effort.tries && best.finish > least; n++) consider(shaken(best.order, tasks, random));
  const search = best.finish > least ? searched(tasks, hours, begins, tails, best.finish, effort.branches) : { proved: true, order: null };
  if (search.order) consider(search.order);
  const slack = slackOf(tasks, best.laid, hours, best.finish);
  return {
    tasks: tasks.map((task, index) => ({ task, ...best.laid[index]!, slack: slack[index]! })).sort((a, b) => a.start - b.start || a.end - b.end),
    finish: best.finish,
    minutes: tasks.reduce((sum, task) => sum + task.minutes, 0),
    proved: search.proved,
    least: search.proved ? best.finish : least,
    without: lacksOf(tasks, hours),
  };
}

function lacksOf(tasks: readonly Task[], hours: Hours): Schedule['without'] {
  const lacking = (lack: (task: Task, eased: Task) => boolean): string[] => tasks.flatMap((task) => (lack(task, hours.eased(task)) ? [task.id] : []));
  return {
    helper: lacking((task, eased) => task.helper && !eased.helper),
    machine: lacking((task, eased) => task.machines.length > eased.machines.length),
    hours: lacking((task, eased) => !task.canPause && eased.canPause),
  };
}

const finishOf = (laid: readonly LaidTask[]): number => laid.reduce((most, { end }) => Math.max(most, end), 0);

/** Critical tail of each task: shortest time from its start to the end of everything after it, waits included. */
function tailsOf(tasks: readonly Task[]): number[] {
  const tails = tasks.map(({ minutes }) => minutes);
  // Later tasks of the list never precede earlier ones.
  for (let index = tasks.length - 1; index >= 0; index--)
    for (const { at, waits } of tasks[index]!.after) tails[at] = Math.max(tails[at]!, tasks[at]!.minutes + waits + tails[index]!);
  return tails;
}

/** Longest tail first. */
function byTail(tasks: readonly Task[], tails: readonly number[]): number[] {
  return released(tasks, (open) => open.reduce((best, index) => (tails[index]! > tails[best]! ? index : best)));
}

/** A random order near another: now and then a slightly later task comes first. */
function shaken(order: readonly number[], tasks: readonly Task[], random: Random): number[] {
  const place = new Map(order.map((index, at) => [index, at + random() * random() * order.length * 0.3]));
  return released(tasks, (open) => open.reduce((best, index) => (place.get(index)! < place.get(best)! ? index : best)));
}

/** Releases tasks one by one as their predecessors finish; `next` picks among them. */
function released(tasks: readonly Task[], next: (open: readonly number[]) => number): number[] {
  const waits = tasks.map(({ after }) => after.length);
  const opens = tasks.map((): number[] => []);
  tasks.forEach(({ after }, index) => after.forEach(({ at }) => opens[at]!.push(index)));
  let open = waits.flatMap((n, index) => (n === 0 ? [index] : []));
  const order: number[] = [];
  while (open.length > 0) {
    const taken = next(open);
    order.push(taken);
    open = [...open.filter((index) => index !== taken), ...opens[taken]!.filter((index) => --waits[index]! === 0)];
  }
  return order;
}

/** Branch and bound over all orders below `bound`, up to a node limit. */
function searched(
  tasks: readonly Task[],
  hours: Hours,
  begins: number,
  tails: readonly number[],
  bound: number,
  branches: number,
): { readonly proved: boolean; readonly order: readonly number[] | null } {
  const table = new Timetable(hours, begins);
  const laid = new Map<number, LaidTask>();
  let best: { finish: number; order: number[] } = { finish: bound, order: [] };
  let looked = 0;
  const order: number[] = [];
  const readyOf = ({ after }: Task): number => after.reduce((ready, { at, waits }) => Math.max(ready, laid.get(at)!.end + waits), begins);
  const descend = (finish: number): boolean => {
    if (order.length === tasks.length) {
      if (finish < best.finish) best = { finish, order: [...order] };
      return true;
    }
    for (let index = 0; index < tasks.length; index++) {
      const task = tasks[index]!;
      if (laid.has(index) || !task.after.every(({ at }) => laid.has(at))) continue;
      if (++looked > branches) return false;
      const put = table.lay(task, readyOf(task));
      if (!put) continue;
      // After its start at least its tail follows.
      if (Math.max(finish, put.start + tails[index]!) < best.finish) {
        laid.set(index, put);
        order.push(index);
        const through = descend(Math.max(finish, put.end));
        order.pop();
        laid.delete(index);
        if (!through) {
          table.lift(put);
          return false;
        }
      }
      table.lift(put);
    }
    return true;
  };
  const proved = descend(begins);
  return { proved, order: best.order.length > 0 ? best.order : null };
}

/** Slack of each task with its successors, and the next task, at their latest times. */
function slackOf(tasks: readonly Task[], laid: readonly LaidTask[], hours: Hours, finish: number): number[] {
  const order = tasks.map((_, index) => index).sort((a, b) => laid[b]!.start - laid[a]!.start);
  const latestStart = new Array<number>(tasks.length).fill(Infinity);
  const latestEnd = new Array<number>(tasks.length).fill(finish);
  let next: number | null = null;
  for (const index of order) {
    const task = hours.eased(tasks[index]!);
    const end = Math.min(latestEnd[index]!, next === null ? finish : latestStart[next]!);
    latestStart[index] = Math.max(laid[index]!.start, latestBegin(task, hours.windows, laid[index]!.start, end));
    for (const { at, waits } of task.after) latestEnd[at] = Math.min(latestEnd[at]!, latestStart[index]! - waits);
    next = index;
  }
  return tasks.map((_, index) => minutesWithin(hours.windows, laid[index]!.start, latestStart[index]!));
}

/** Window minutes between two times. */
export const minutesWithin = (windows: readonly Window[], from: number, to: number): number =>
  windows.reduce((sum, window) => sum + Math.max(0, Math.min(window.to, to) - Math.max(window.from, from)), 0);
