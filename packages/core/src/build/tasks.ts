/** From steps to schedulable tasks: steps that follow one another while glue is wet are one task. */
import { dayStart } from './calendar.ts';
import type { BuildChoices } from '../model/build-choices.ts';
import { inOrder } from './order.ts';
import type { Precedence, Step } from './step.ts';
import { waitMin } from './waiting.ts';

/** A predecessor and the least time since its end, minutes: glue sets, a coat dries. */
export interface Follows {
  /** Index in the list. */
  readonly at: number;
  readonly waits: number;
}

export interface Task {
  /** Id of its first step. */
  readonly id: string;
  readonly steps: readonly string[];
  /** Working minutes, whole, at least one. */
  readonly minutes: number;
  readonly helper: boolean;
  /** Machines it runs. */
  readonly machines: readonly string[];
  readonly canPause: boolean;
  readonly notBefore: number;
  readonly after: readonly Follows[];
}

/**
 * Tasks of the steps that are not done, in step order. A person's order among named steps is kept. `done`: completion time of each step, minutes of the
 * wall clock; what still sets or dries is waited for.
 */
export function tasksOf(steps: readonly Step[], edges: readonly Precedence[], choices: BuildChoices, done: ReadonlyMap<string, number>): Task[] {
  const left = steps.filter(({ id }) => !done.has(id));
  const head = new Map<string, string>();
  for (const { id, rightAfter } of left) head.set(id, (rightAfter !== null && head.get(rightAfter)) || id);
  const groups = new Map<string, Step[]>();
  for (const step of left) groups.set(head.get(step.id)!, [...(groups.get(head.get(step.id)!) ?? []), step]);
  const place = new Map([...groups.keys()].map((id, index) => [id, index]));
  const after = new Map([...groups.keys()].map((id) => [id, new Map<number, number>()]));
  const follows = (before: string, later: string, waits: number): void => {
    const [a, b] = [head.get(before), head.get(later)];
    if (a === undefined || b === undefined || a === b) return;
    const rows = after.get(b)!;
    rows.set(place.get(a)!, Math.max(rows.get(place.get(a)!) ?? 0, waits));
  };
  for (const { before, after: later, waits } of edges) follows(before, later, waitMin(waits));
  for (const [before, later] of wishes(left, edges, choices)) follows(before, later, 0);
  const free = freeFrom(edges, done);
  return [...groups].map(([id, own]): Task => {
    const held = own.flatMap((step) => (Object.hasOwn(choices.notBefore, step.id) ? [dayStart(choices.notBefore[step.id]!)] : []));
    return {
      id,
      steps: own.map((step) => step.id),
      minutes: Math.max(1, Math.ceil(own.reduce((sum, { minutes }) => sum + minutes.value, 0))),
      helper: own.some((step) => step.helper !== null && !choices.alone.includes(step.id)),
      machines: [...new Set(own.flatMap(({ machines }) => machines))],
      canPause: own.every(({ canPause }) => canPause),
      notBefore: Math.max(-Infinity, ...held, ...own.map((step) => free.get(step.id) ?? -Infinity)),
      after: [...after.get(id)!].map(([at, waits]) => ({ at, waits })).sort((a, b) => a.at - b.at),
    };
  });
}

/** Earliest start of each step that waits for a finished one, minutes of the wall clock. */
export function freeFrom(edges: readonly Precedence[], done: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  const free = new Map<string, number>();
  for (const { before, after, waits } of edges) {
    const through = waits ? done.get(before) : undefined;
    if (through !== undefined) free.set(after, Math.max(free.get(after) ?? -Infinity, through + waitMin(waits)));
  }
  return free;
}

/** Two steps a person swapped stay swapped; the rest goes where it finishes soonest. */
function wishes(steps: readonly Step[], edges: readonly Precedence[], { order, units }: BuildChoices): [string, string][] {
  const named = new Set(order);
  if (!steps.some(({ id }) => named.has(id))) return [];
  const usual = new Map(inOrder(steps, edges, [], units === 'one-by-one').map(({ id }, index) => [id, index]));
  const wanted = steps.filter(({ id }) => named.has(id)).map(({ id }) => id);
  return wanted.slice(1).flatMap((id, index): [string, string][] => (usual.get(wanted[index]!)! > usual.get(id)! ? [[wanted[index]!, id]] : []));
}
