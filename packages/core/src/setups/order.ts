/** Order of setups: precedences between them, and a person's own order as far as these allow. What removes an edge comes after everything measured from it. */
import { STAGES, type ToolingStage } from './operations.ts';
import type { Setup } from './setup.ts';

const TAKES_EDGES: readonly ToolingStage[] = ['widths', 'bevels', 'shapes'];

/** Whether a cut of the one stage must precede one of the other on the same part. */
export const goesBefore = (earlier: ToolingStage, later: ToolingStage): boolean =>
  STAGES.indexOf(earlier) < STAGES.indexOf(later) && (TAKES_EDGES.includes(earlier) || TAKES_EDGES.includes(later));

/** Ids of the setups that cut one of the same parts and must precede it. */
export function mustFollow({ id, stage, cuts }: Setup, setups: readonly Setup[]): string[] {
  const panels = new Set(cuts.map(({ operation }) => operation.panel));
  return setups
    .filter((other) => other.id !== id && goesBefore(other.stage, stage) && other.cuts.some(({ operation }) => panels.has(operation.panel)))
    .map((other) => other.id);
}

/** The first pair an order breaks; null for a valid order. */
export function orderFault(order: readonly string[], setups: readonly Setup[]): { readonly setup: string; readonly before: string } | null {
  const at = new Map(order.map((id, index) => [id, index]));
  for (const { id, after } of setups)
    for (const earlier of after) if ((at.get(earlier) ?? -1) > (at.get(id) ?? Infinity)) return { setup: id, before: earlier };
  return null;
}

/**
 * Setups in a person's order as far as allowed: named ones take the places of those named, the rest keep theirs, and none comes before what it must follow.
 */
export function inWantedOrder(setups: readonly Setup[], wanted: readonly string[]): Setup[] {
  const at = new Map(wanted.map((id, index) => [id, index]));
  const named = setups.filter(({ id }) => at.has(id)).sort((a, b) => at.get(a.id)! - at.get(b.id)!);
  const left = setups.map((setup) => (at.has(setup.id) ? named.shift()! : setup));
  const placed = new Set<string>();
  const order: Setup[] = [];
  while (left.length > 0) {
    const next = left.findIndex(({ after }) => after.every((id) => placed.has(id)));
    const [setup] = left.splice(Math.max(0, next), 1);
    placed.add(setup!.id);
    order.push(setup!);
  }
  return order;
}

export type Swapped =
  | { readonly ok: true; readonly order: readonly string[] }
  /** `first` must precede `then`; the panels both cut. */
  | { readonly ok: false; readonly first: Setup; readonly then: Setup; readonly panels: readonly string[] };

/** One setup swapped with its neighbor, before (-1) or behind (1) it; or why it cannot be. `setups` in their current order. */
export function movedBy(setups: readonly Setup[], id: string, by: -1 | 1): Swapped {
  const at = setups.findIndex((setup) => setup.id === id);
  const [own, other] = [setups[at], setups[at + by]];
  const ids = setups.map((setup) => setup.id);
  if (!own || !other) return { ok: true, order: ids };
  const [first, then] = by < 0 ? [other, own] : [own, other];
  if (then.after.includes(first.id)) {
    const panels = new Set(first.cuts.map(({ operation }) => operation.panel));
    return { ok: false, first, then, panels: [...new Set(then.cuts.map(({ operation }) => operation.panel))].filter((panel) => panels.has(panel)) };
  }
  ids[at] = other.id;
  ids[at + by] = own.id;
  return { ok: true, order: ids };
}
