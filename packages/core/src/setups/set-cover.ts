/**
 * Minimum set cover, ties by setup cost: one way for each operation with the fewest settings. Branch and bound per connected component of operations that
 * share candidate settings, within a node budget.
 */
import type { OperationWay } from './setting.ts';

export interface ChosenSetting {
  /** By operation, the chosen way. */
  readonly ways: ReadonlyMap<string, OperationWay>;
  /** Proved: no choice has fewer settings. */
  readonly proved: boolean;
}

/** Node budget of one component. */
const BUDGET = 50_000;

interface Group {
  /** Candidate settings of each operation class, by key. */
  readonly classes: readonly (readonly string[])[];
  readonly troubleOf: ReadonlyMap<string, number>;
}

export function minimumSetCover(candidates: ReadonlyMap<string, readonly OperationWay[]>): ChosenSetting {
  const byOperation = new Map<string, ReadonlyMap<string, OperationWay>>();
  for (const [operation, ways] of candidates) {
    const best = new Map<string, OperationWay>();
    for (const way of ways) {
      const before = best.get(way.setting.key);
      if (!before || way.trouble < before.trouble) best.set(way.setting.key, way);
    }
    if (best.size > 0) byOperation.set(operation, best);
  }
  let proved = true;
  const open = new Set<string>();
  for (const group of groupsOf(byOperation)) {
    const found = search(group);
    proved &&= found.proved;
    for (const key of found.keys) open.add(key);
  }
  const ways = new Map<string, OperationWay>();
  for (const [operation, best] of byOperation) {
    const taken = [...best.values()]
      .filter(({ setting }) => open.has(setting.key))
      .sort((a, b) => a.trouble - b.trouble || (a.setting.key < b.setting.key ? -1 : 1));
    ways.set(operation, taken[0]!);
  }
  return { ways, proved };
}

/** Operations with the same candidates form a class; classes that share a candidate form a component. */
function groupsOf(byOperation: ReadonlyMap<string, ReadonlyMap<string, OperationWay>>): Group[] {
  const classes = new Map<string, readonly string[]>();
  const troubleOf = new Map<string, number>();
  for (const best of byOperation.values()) {
    const keys = [...best.keys()].sort();
    classes.set(keys.join('\n'), keys);
    for (const [key, { trouble }] of best) troubleOf.set(key, Math.min(trouble, troubleOf.get(key) ?? Infinity));
  }
  const root = new Map<string, string>();
  const find = (key: string): string => {
    let at = key;
    while (root.get(at) !== at) at = root.get(at)!;
    return at;
  };
  for (const keys of classes.values())
    for (const key of keys) {
      if (!root.has(key)) root.set(key, key);
      root.set(find(key), find(keys[0]!));
    }
  const groups = new Map<string, (readonly string[])[]>();
  for (const keys of classes.values()) {
    const at = find(keys[0]!);
    groups.set(at, [...(groups.get(at) ?? []), keys]);
  }
  return [...groups.values()].map((each) => ({ classes: each, troubleOf }));
}

interface Cost {
  readonly settings: number;
  readonly trouble: number;
}
const less = (a: Cost, b: Cost): boolean => a.settings < b.settings || (a.settings === b.settings && a.trouble < b.trouble - 1e-9);

/** Fewest keys that cover every class: branches on the class with the fewest candidates, bounded by pairwise disjoint classes. */
function search({ classes, troubleOf }: Group): { readonly keys: ReadonlySet<string>; readonly proved: boolean } {
  const holds = new Map<string, number[]>();
  classes.forEach((keys, index) => keys.forEach((key) => holds.set(key, [...(holds.get(key) ?? []), index])));
  const cost = (keys: readonly string[]): Cost => ({ settings: keys.length, trouble: keys.reduce((sum, key) => sum + troubleOf.get(key)!, 0) });
  let best = greedy(classes, holds, troubleOf);
  let bestCost = cost(best);
  let nodes = 0;
  const open = new Set(classes.keys());
  const taken: string[] = [];
  /** Pairwise disjoint classes each need a setting of their own. */
  const bound = (): number => {
    const used = new Set<string>();
    let count = 0;
    for (const index of [...open].sort((a, b) => classes[a]!.length - classes[b]!.length)) {
      if (classes[index]!.some((key) => used.has(key))) continue;
      for (const key of classes[index]!) used.add(key);
      count++;
    }
    return count;
  };
  const visit = (trouble: number): void => {
    if (nodes++ > BUDGET) return;
    if (open.size === 0) {
      const here = { settings: taken.length, trouble };
      if (less(here, bestCost)) [best, bestCost] = [[...taken], here];
      return;
    }
    const least = { settings: taken.length + bound(), trouble };
    if (!less(least, bestCost)) return;
    const next = [...open].reduce((a, b) => (classes[b]!.length < classes[a]!.length ? b : a));
    const tries = [...classes[next]!].sort((a, b) => covers(holds, open, b) - covers(holds, open, a) || troubleOf.get(a)! - troubleOf.get(b)!);
    for (const key of tries) {
      const closed = holds.get(key)!.filter((index) => open.delete(index));
      taken.push(key);
      visit(trouble + troubleOf.get(key)!);
      taken.pop();
      for (const index of closed) open.add(index);
    }
  };
  visit(0);
  return { keys: new Set(best), proved: nodes <= BUDGET };
}

const covers = (holds: ReadonlyMap<string, readonly number[]>, open: ReadonlySet<number>, key: string): number =>
  holds.get(key)!.reduce((sum, index) => sum + (open.has(index) ? 1 : 0), 0);

function greedy(classes: Group['classes'], holds: ReadonlyMap<string, readonly number[]>, troubleOf: Group['troubleOf']): string[] {
  const open = new Set(classes.keys());
  const taken: string[] = [];
  while (open.size > 0) {
    const keys = [...new Set([...open].flatMap((index) => classes[index]!))];
    const key = keys.reduce((a, b) => {
      const [ca, cb] = [covers(holds, open, a), covers(holds, open, b)];
      return cb > ca || (cb === ca && troubleOf.get(b)! < troubleOf.get(a)!) ? b : a;
    });
    taken.push(key);
    for (const index of holds.get(key)!) open.delete(index);
  }
  return taken;
}
