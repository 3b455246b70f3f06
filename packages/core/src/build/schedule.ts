/**
 * Steps on days: as early a finish as can be found. Few tasks are searched through (branch and bound) and proved; of many,
 * orders near the usual one are tried, and one that is not better is not taken: the plan stays as it is read. Seeded.
 */
import { seeded, type Random } from '../chance/random.ts';
import type { Window } from './calendar.ts';
import { finishLowerBound } from './finish-lower-bound.ts';
import type { Task } from './tasks.ts';
import { hoursFor, latestBegin, layInOrder, Timetable, type Hours, type LaidTask } from './timetable.ts';

export interface Scheduled extends LaidTask {
  readonly task: Task;
  /** It could begin so much later, in minutes of the hours there are, and the end would stay. */
  readonly slack: number;
}

export interface Schedule {
  /** In the order they begin. */
  readonly tasks: readonly Scheduled[];
  readonly finish: number;
  /** Hands on, minutes. */
  readonly minutes: number;
  /** Nothing finishes earlier. */
  readonly proved: boolean;
  /** What no schedule finishes before: the finish itself where that is proved. */
  readonly least: number;
  /** What no hours there are have, and is done without: tasks that want it, by their ids. */
  readonly without: Readonly<Record<Shortage, readonly string[]>>;
}

/** A helper, a machine that may run, hours long enough for what cannot be left. */
export type Shortage = 'helper' | 'machine' | 'hours';

export interface Effort {
  readonly seed: number;
  /** Orders tried. */
  readonly tries: number;
  /** Branches looked at where all can be. */
  readonly branches: number;
}

export const DEFAULT_EFFORT: Effort = { seed: 1, tries: 30, branches: 4000 };

/** Null when there are not hours enough: no evening is given, or all are gone before it is done. */
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

/** From the beginning of each task to the end of all that stands on it, at the quickest: work and waits, by the clock. */
function tailsOf(tasks: readonly Task[]): number[] {
  const tails = tasks.map(({ minutes }) => minutes);
  // Later tasks of the list never come before earlier ones.
  for (let index = tasks.length - 1; index >= 0; index--)
    for (const { at, waits } of tasks[index]!.after) tails[at] = Math.max(tails[at]!, tasks[at]!.minutes + waits + tails[index]!);
  return tails;
}

/** What most stands on comes first. */
function byTail(tasks: readonly Task[], tails: readonly number[]): number[] {
  return released(tasks, (open) => open.reduce((best, index) => (tails[index]! > tails[best]! ? index : best)));
}

/** An order near another: what is taken next is now and then not the next but one a little later. */
function shaken(order: readonly number[], tasks: readonly Task[], random: Random): number[] {
  const place = new Map(order.map((index, at) => [index, at + random() * random() * order.length * 0.3]));
  return released(tasks, (open) => open.reduce((best, index) => (place.get(index)! < place.get(best)! ? index : best)));
}

/** Tasks one by one, each of those whose forerunners are through; `next` picks. */
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

/** Every order as far as it can still be better than `bound`; given up after so many branches. */
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
      // From its start on there is at least its tail to come.
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

/** How much later each may begin while what follows it, and what is done next, keep their latest times. */
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

/** Minutes of the hours there are between two times. */
export const minutesWithin = (windows: readonly Window[], from: number, to: number): number =>
  windows.reduce((sum, window) => sum + Math.max(0, Math.min(window.to, to) - Math.max(window.from, from)), 0);
