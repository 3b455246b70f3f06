/**
 * Least cost of a mix of whole sheets that satisfies linear inequalities, and the fewest sheets of such a mix: integer covering in few variables,
 * depth-first branch and bound. Source: Nemhauser and Wolsey, "Integer and Combinatorial Optimization", 1988, section II.4.
 */
import type { SheetInequality } from './bar-program.ts';

export interface SheetKindCost {
  readonly cost: number;
  /** Infinity when unlimited. */
  readonly limit: number;
}

export interface SheetMix {
  readonly cost: number;
  /** Fewest sheets of any mix that costs at most the given price. */
  readonly sheets: number;
}

/** Node limit: beyond it the bound known before stands. */
const MAX_NODES = 50_000;
/** Rounding tolerance of an inequality: far above rounding error, far below one part. */
const ROUNDING = 1e-7;

/** Null when it gave up, or when no mix is feasible. `fewest`: a known lower bound on the sheets. Inequalities as in bar-program.ts. */
export function minMix(kinds: readonly SheetKindCost[], inequalities: readonly SheetInequality[], fewest: number): SheetMix | null {
  const needs = inequalities.map((each) => each.needs * (1 - ROUNDING));
  const order = kinds.map((_, kind) => kind).sort((a, b) => rate(kinds[b]!, b) - rate(kinds[a]!, a));
  function rate({ cost }: SheetKindCost, kind: number): number {
    return inequalities.reduce((sum, { holds }, row) => sum + holds[kind]! / Math.max(needs[row]!, 1e-300), 0) / Math.max(cost, 1e-9);
  }
  /** Bound on the remaining cost: the cheapest rate of the remaining kinds for the most expensive inequality. */
  const rest = (at: number, left: readonly number[]): number =>
    left.reduce((most, need, row) => {
      if (need <= 0) return most;
      let [open, sum] = [need, 0];
      const own = order.slice(at).filter((kind) => inequalities[row]!.holds[kind]! > 0);
      own.sort((a, b) => kinds[a]!.cost / inequalities[row]!.holds[a]! - kinds[b]!.cost / inequalities[row]!.holds[b]!);
      for (const kind of own) {
        const each = inequalities[row]!.holds[kind]!;
        const used = Math.min(open / each, kinds[kind]!.limit);
        sum += used * kinds[kind]!.cost;
        open -= used * each;
        if (open <= 0) break;
      }
      return Math.max(most, open > need * ROUNDING ? Infinity : sum);
    }, 0);
  let best = null as SheetMix | null;
  let nodes = 0;
  const visit = (at: number, left: readonly number[], cost: number, sheets: number): void => {
    if (nodes > MAX_NODES) return;
    const short = fewest - sheets;
    if (left.every((need) => need <= 0) && short <= 0) {
      if (!best || cost < best.cost - 1e-9 || (cost <= best.cost + 1e-9 && sheets < best.sheets)) best = { cost: Math.min(cost, best?.cost ?? cost), sheets };
      return;
    }
    if (at === order.length) return;
    nodes++;
    const least = cost + rest(at, left);
    if (best && least > best.cost + 1e-9) return;
    const kind = order[at]!;
    const { cost: each, limit } = kinds[kind]!;
    const wanted = left.reduce(
      (most, need, row) => {
        const holds = inequalities[row]!.holds[kind]!;
        return need > 0 && holds > 0 ? Math.max(most, Math.ceil(need / holds)) : most;
      },
      Math.max(0, short),
    );
    for (let used = Math.min(wanted, limit); used >= 0; used--)
      visit(
        at + 1,
        left.map((need, row) => need - used * inequalities[row]!.holds[kind]!),
        cost + used * each,
        sheets + used,
      );
  };
  visit(0, needs, 0, 0);
  return nodes > MAX_NODES ? null : best;
}
