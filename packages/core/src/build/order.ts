/** Topological orders of steps, close to the usual order and to a person's choice; and why a move is not allowed. */
import { type Precedence, type Step } from './step.ts';
import { STEP_KINDS } from '../model/record.ts';

/** Ranks steps by the usual order, then as given. */
const usually = (steps: readonly Step[]): Step[] =>
  steps
    .map((step, index) => ({ step, by: STEP_KINDS.indexOf(step.detail.kind), index }))
    .sort((a, b) => a.by - b.by || a.index - b.index)
    .map(({ step }) => step);

/**
 * Topological sort. Steps named by a person take the places of those named, in that order, as far as the precedences allow. `byCabinet`: finish one cabinet
 * before the next where its steps are its own.
 * @throws RangeError on a cycle, which is a fault of the program
 */
export function inOrder(steps: readonly Step[], edges: readonly Precedence[], wanted: readonly string[] = [], byCabinet = false): Step[] {
  const usual = usually(steps);
  const units = [...new Set(steps.flatMap(({ unit }) => (unit === null ? [] : [unit])))];
  const rank = (unit: string | null): number => (unit === null ? -1 : units.indexOf(unit));
  const sorted = byCabinet
    ? usual
        .map((step, index) => ({ step, index }))
        .sort((a, b) => rank(a.step.unit) - rank(b.step.unit) || a.index - b.index)
        .map(({ step }) => step)
    : usual;
  const at = new Map(wanted.map((id, index) => [id, index]));
  const named = sorted.filter(({ id }) => at.has(id)).sort((a, b) => at.get(a.id)! - at.get(b.id)!);
  const queue = sorted.map((step) => (at.has(step.id) ? named.shift()! : step));
  const waitsFor = new Map(steps.map(({ id }) => [id, new Set<string>()]));
  for (const { before, after } of edges) if (waitsFor.has(before)) waitsFor.get(after)?.add(before);
  const done = new Set<string>();
  const order: Step[] = [];
  while (queue.length > 0) {
    const last = order.at(-1);
    const wet = queue.findIndex(({ rightAfter }) => last !== undefined && rightAfter === last.id);
    const next =
      wet >= 0
        ? wet
        : queue.findIndex((step) => (step.rightAfter === null || !waitsFor.has(step.rightAfter)) && [...waitsFor.get(step.id)!].every((id) => done.has(id)));
    if (next < 0) throw new RangeError(`no step can be next of: ${queue.map(({ id }) => id).join(', ')}`);
    const [step] = queue.splice(next, 1);
    done.add(step!.id);
    order.push(step!);
  }
  return order;
}

export type MovedStep =
  | { readonly ok: true; readonly order: readonly string[] }
  /** The precedence it would break. */
  | { readonly ok: false; readonly edge: Precedence };

/** A step moved to another place of the order, or the first reason why it cannot go there. */
export function moveStep(order: readonly string[], edges: readonly Precedence[], step: string, to: number): MovedStep {
  const from = order.indexOf(step);
  if (from < 0) throw new RangeError(`there is no step '${step}'`);
  const rest = order.filter((id) => id !== step);
  const place = Math.max(0, Math.min(rest.length, to));
  const passed = new Set(place > from ? rest.slice(from, place) : rest.slice(place, from));
  const broken = edges.find(({ before, after }) => (place > from ? before === step && passed.has(after) : after === step && passed.has(before)));
  return broken ? { ok: false, edge: broken } : { ok: true, order: [...rest.slice(0, place), step, ...rest.slice(place)] };
}

/** The steps a person has ordered after one more move: only those the move passed are named. */
export function wantedAfter(wanted: readonly string[], before: readonly string[], after: readonly string[]): string[] {
  const at = new Map(before.map((id, index) => [id, index]));
  const moved = after.filter((id, index) => at.get(id) !== index);
  const named = new Set([...wanted, ...moved]);
  return after.filter((id) => named.has(id));
}

/** The first precedence an order breaks; null for none. */
export function brokenPrecedence(order: readonly string[], edges: readonly Precedence[]): Precedence | null {
  const at = new Map(order.map((id, index) => [id, index]));
  return edges.find(({ before, after }) => at.has(before) && at.has(after) && at.get(before)! > at.get(after)!) ?? null;
}
