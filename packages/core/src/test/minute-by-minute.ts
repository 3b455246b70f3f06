/**
 * The earliest finish of a few tasks, by trying every order and walking through every minute: knows nothing of the scheduler's
 * bounds, gaps or shortcuts. Test support.
 */
import type { Window } from '../build/calendar.ts';
import type { Task } from '../build/tasks.ts';

/** A person who always takes the first task of `order` that may begin, one that was begun before any other: no look ahead. */
function finishInOrder(tasks: readonly Task[], order: readonly number[], windows: readonly Window[], begins: number, until: number): number {
  const left = tasks.map(({ minutes }) => minutes);
  const ended = new Array<number>(tasks.length).fill(Infinity);
  let doing: number | null = null;
  let last = begins;
  const open = (task: Task, window: Window): boolean =>
    (!task.helper || window.helper) && task.machines.every((machine) => !window.quiet && !window.without.includes(machine));
  for (let now = begins; now < until; now++) {
    const window = windows.find(({ from, to }) => from <= now && now < to);
    if (!window) continue;
    if (doing === null) {
      for (const index of order) {
        const task = tasks[index]!;
        if (left[index] === 0 || now < task.notBefore || !open(task, window)) continue;
        if (!task.after.every(({ at, waits }) => ended[at]! + waits <= now)) continue;
        if (!task.canPause && window.to - now < task.minutes) continue;
        doing = index;
        break;
      }
      if (doing === null) continue;
    }
    const current: number = doing;
    if (!open(tasks[current]!, window)) continue;
    left[current]!--;
    if (left[current] === 0) {
      ended[current] = now + 1;
      last = now + 1;
      doing = null;
    }
  }
  return left.every((n) => n === 0) ? last : Infinity;
}

const ordersOf = (n: number): number[][] =>
  n === 0 ? [[]] : ordersOf(n - 1).flatMap((order) => Array.from({ length: n }, (_, at) => [...order.slice(0, at), n - 1, ...order.slice(at)]));

/**
 * Over all orders and over all ways to wait: besides taking the first that may begin, a task may be held back until a minute from
 * a short list (the beginnings and ends others give), which is what looking ahead comes to.
 */
export function earliestFinish(tasks: readonly Task[], windows: readonly Window[], begins: number, until: number): number {
  let best = Infinity;
  for (const order of ordersOf(tasks.length))
    best = Math.min(best, strictly(tasks, order, windows, begins, until), finishInOrder(tasks, order, windows, begins, until));
  return best;
}

/** Tasks strictly one after the other in an order: each waits for its turn. */
function strictly(tasks: readonly Task[], order: readonly number[], windows: readonly Window[], begins: number, until: number): number {
  const ended = new Array<number>(tasks.length).fill(Infinity);
  const open = (task: Task, window: Window): boolean =>
    (!task.helper || window.helper) && task.machines.every((machine) => !window.quiet && !window.without.includes(machine));
  let now = begins;
  for (const index of order) {
    const task = tasks[index]!;
    let left = task.minutes;
    for (; left > 0; now++) {
      if (now >= until) return Infinity;
      const window = windows.find(({ from, to }) => from <= now && now < to);
      if (!window || !open(task, window)) continue;
      if (left === task.minutes) {
        if (now < task.notBefore || !task.after.every(({ at, waits }) => ended[at]! + waits <= now)) continue;
        if (!task.canPause && window.to - now < task.minutes) continue;
      }
      left--;
    }
    ended[index] = now;
  }
  return now;
}
