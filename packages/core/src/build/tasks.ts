/** From steps to what is laid over the hours: steps that follow one another while glue is wet are one task. */
import { dayStart } from './calendar.ts';
import type { BuildChoices } from './choices.ts';
import { inOrder } from './order.ts';
import type { Edge, Step } from './step.ts';

export interface Task {
  /** Of its first step. */
  readonly id: string;
  readonly steps: readonly string[];
  /** Hands on, whole minutes, at least one. */
  readonly minutes: number;
  /** Then so long nothing may follow that stands on it. */
  readonly waits: number;
  readonly helper: boolean;
  /** It runs a machine. */
  readonly loud: boolean;
  readonly canPause: boolean;
  readonly notBefore: number;
  /** Tasks that come before it, by their place in the list. */
  readonly after: readonly number[];
}

/** Tasks of steps that are not done, in the order of the steps. A person's own order among steps it names is kept. */
export function tasksOf(steps: readonly Step[], edges: readonly Edge[], choices: BuildChoices, done: ReadonlySet<string>): Task[] {
  const left = steps.filter(({ id }) => !done.has(id));
  const head = new Map<string, string>();
  for (const { id, rightAfter } of left) head.set(id, (rightAfter !== null && head.get(rightAfter)) || id);
  const groups = new Map<string, Step[]>();
  for (const step of left) groups.set(head.get(step.id)!, [...(groups.get(head.get(step.id)!) ?? []), step]);
  const place = new Map([...groups.keys()].map((id, index) => [id, index]));
  const after = new Map([...groups.keys()].map((id) => [id, new Set<number>()]));
  const follows = (before: string, later: string): void => {
    const [a, b] = [head.get(before), head.get(later)];
    if (a !== undefined && b !== undefined && a !== b) after.get(b)!.add(place.get(a)!);
  };
  for (const edge of edges) follows(edge.before, edge.after);
  for (const [before, later] of wishes(left, edges, choices)) follows(before, later);
  return [...groups].map(([id, own]): Task => {
    const last = own.at(-1)!;
    const starts = own.flatMap((step) => (Object.hasOwn(choices.notBefore, step.id) ? [dayStart(choices.notBefore[step.id]!)] : []));
    return {
      id,
      steps: own.map((step) => step.id),
      minutes: Math.max(1, Math.ceil(own.reduce((sum, { minutes }) => sum + minutes.value, 0))),
      waits: last.waits,
      helper: own.some(({ helper }) => helper !== null),
      loud: own.some(({ machine }) => machine !== null),
      canPause: own.every(({ canPause }) => canPause),
      notBefore: Math.max(-Infinity, ...starts),
      after: [...after.get(id)!].sort((a, b) => a - b),
    };
  });
}

/** Where a person turned two steps of the usual order round, they stay turned; what nobody touched goes where it is done soonest. */
function wishes(steps: readonly Step[], edges: readonly Edge[], { order, units }: BuildChoices): [string, string][] {
  const named = new Set(order);
  if (!steps.some(({ id }) => named.has(id))) return [];
  const usual = new Map(inOrder(steps, edges, [], units === 'one-by-one').map(({ id }, index) => [id, index]));
  const wanted = steps.filter(({ id }) => named.has(id)).map(({ id }) => id);
  return wanted.slice(1).flatMap((id, index): [string, string][] => (usual.get(wanted[index]!)! > usual.get(id)! ? [[wanted[index]!, id]] : []));
}
