/**
 * The bounded knapsack over true lengths. States are kept as a list in which more room used always means more worth (a Pareto front), so nothing
 * is rounded to steps; rows come in the order of worth for room, and a state that could not reach the best even if all room left were filled at
 * the next row's rate is dropped. Source: Kellerer, Pferschy and Pisinger, "Knapsack Problems", 2004, sections 3.4 and 5.1.1.
 */

/** What there is to choose from, side by side, and kept by the caller: this runs hundreds of times for one layout. */
export interface KnapsackRows {
  count: number;
  /** Room one takes; any unit, above 0. */
  readonly size: number[];
  readonly worth: number[];
  /** No more than so many. */
  readonly most: number[];
  /** States the last call made: how long it took. */
  states?: number;
}

/** States, all rows of one call after the other: how much room and worth, the state it was made from and the row that was added. */
const states = {
  size: new Float64Array(4096),
  worth: new Float64Array(4096),
  from: new Int32Array(4096),
  row: new Int32Array(4096),
  times: new Int32Array(4096),
};
let fronts: [Int32Array, Int32Array] = [new Int32Array(1024), new Int32Array(1024)];

const rates: number[] = [];

/** States of one call at most: it takes tens of milliseconds then. What is found by that time is good, if not always the best. */
const MAX_STATES = 100_000;

/** Shares of worth that count as none. */
const HAIR = 1e-12;

/**
 * How often each row is taken for the most worth in `room`, each at most `most` times. Where a bound on a row is met by a state that beats
 * another, the other is not followed: with tight bounds the last hair of worth may be missed.
 */
export function boundedKnapsack(rows: KnapsackRows, room: number): Int32Array {
  const { count, size: sizes, worth: worths, most: mosts } = rows;
  const times = new Int32Array(count);
  const order: number[] = [];
  for (let index = 0; index < count; index++) {
    if (sizes[index]! > room || mosts[index]! === 0 || worths[index]! <= 0) continue;
    rates[index] = worths[index]! / sizes[index]!;
    order.push(index);
  }
  order.sort((a, b) => rates[b]! - rates[a]!);
  let best = 0;
  for (let left = room, sum = 0, at = 0; at < order.length; at++) {
    // Filled in order of worth for room: what is to be beaten from the start.
    const index = order[at]!;
    const fit = Math.min(mosts[index]!, Math.floor(left / sizes[index]!));
    left -= fit * sizes[index]!;
    sum += fit * worths[index]!;
    best = sum;
  }
  let bestState = -1;
  let made = 1;
  states.size[0] = states.worth[0] = 0;
  states.from[0] = -1;
  let [front, next] = fronts;
  front[0] = 0;
  let length = 1;
  for (let at = 0; at < order.length; at++) {
    const row = order[at]!;
    const [size, worth, most] = [sizes[row]!, worths[row]!, mosts[row]!];
    const after = at + 1 < order.length ? rates[order[at + 1]!]! : 0;
    if (next.length < 2 * length + 64 * most) next = grown(next, 2 * length + 64 * most);
    // In order of size: states without this row, and those one of it is added to, which are all that were there and what it was added to before.
    let [without, old, fresh, kept, lastWorth] = [0, 0, made, 0, -1];
    const first = made;
    while (true) {
      while (fresh < made && states.times[fresh]! >= most) fresh++;
      const [fromOld, fromFresh] = [old < length ? states.size[front[old]!]! : Infinity, fresh < made ? states.size[fresh]! : Infinity];
      const added = Math.min(fromOld, fromFresh) + size;
      const plain = without < length ? states.size[front[without]!]! : Infinity;
      if (plain === Infinity && !(added <= room)) break;
      if (plain <= added) {
        const state = front[without++]!;
        if (states.worth[state]! > lastWorth) {
          if (kept >= next.length) next = grown(next, 2 * kept);
          next[kept++] = state;
          lastWorth = states.worth[state]!;
        }
        continue;
      }
      const from = fromOld <= fromFresh ? front[old++]! : fresh++;
      const total = states.worth[from]! + worth;
      if (total <= lastWorth) continue;
      if (made >= states.size.length) moreStates();
      states.size[made] = added;
      states.worth[made] = total;
      states.from[made] = from;
      states.row[made] = row;
      states.times[made] = from < first ? 1 : states.times[from]! + 1;
      if (total >= best * (1 - HAIR) && (bestState < 0 || total > states.worth[bestState]!)) [best, bestState] = [Math.max(best, total), made];
      if (kept >= next.length) next = grown(next, 2 * kept);
      next[kept++] = made++;
      lastWorth = total;
    }
    // What could not beat the best with all its room filled at the next row's rate goes.
    length = 0;
    for (let n = 0; n < kept; n++) {
      const state = next[n]!;
      if (states.worth[state]! + (room - states.size[state]!) * after >= best * (1 - HAIR)) next[length++] = state;
    }
    [front, next] = [next, front];
    if (length === 0 || made > MAX_STATES) break;
  }
  fronts = [front, next];
  rows.states = made;
  for (let state = bestState; state > 0; state = states.from[state]!) times[states.row[state]!]!++;
  return times;
}

/** Worth much, not always the most: filled in order of worth for size, beginning with each of the first `starts` rows in turn. O(rows · starts). */
export function greedyKnapsack({ count, size, worth, most }: KnapsackRows, room: number, starts = Infinity): Int32Array {
  const order = Array.from({ length: count }, (_, row) => row)
    .filter((row) => worth[row]! > 0 && most[row]! > 0)
    .sort((a, b) => worth[b]! / size[b]! - worth[a]! / size[a]!);
  let best = { worth: 0, times: new Int32Array(count) };
  for (const first of order.slice(0, starts)) {
    const times = new Int32Array(count);
    let [left, sum] = [room, 0];
    const take = (row: number, limit: number): void => {
      const taken = Math.min(limit, Math.floor(left / size[row]!));
      times[row]! += taken;
      left -= taken * size[row]!;
      sum += taken * worth[row]!;
    };
    take(first, 1);
    for (const row of order) if (size[row]! <= left) take(row, most[row]! - times[row]!);
    if (sum > best.worth) best = { worth: sum, times };
  }
  return best.times;
}

/**
 * The most worth that goes in `room`, exact but for rounding, or where that takes too many states what would go in if the last row could be cut
 * (Dantzig's bound), which is never less. Each row is split into rows that are taken once or not at all, of 1, 2, 4 and so on
 * of it, and what is over (Kellerer, Pferschy and Pisinger, section 7.1.1), so that no bound on a row is met on the way.
 */
export function maxWorth({ count, size, worth, most: limits }: KnapsackRows, room: number): number {
  const split = { count: 0, size: [] as number[], worth: [] as number[], most: [] as number[], states: 0 };
  for (let row = 0; row < count; row++) {
    for (let times = 1, over = Math.min(limits[row]!, Math.floor(room / size[row]!)); over > 0; times *= 2) {
      const taken = Math.min(times, over);
      over -= taken;
      split.size.push(taken * size[row]!);
      split.worth.push(taken * worth[row]!);
      split.most.push(1);
      split.count++;
    }
  }
  const most = boundedKnapsack(split, room).reduce((sum, times, row) => sum + times * split.worth[row]!, 0);
  return split.states > MAX_STATES ? Math.max(most, ifCut(split, room)) : most;
}

/** Filled in order of worth for size, the last row in part. */
function ifCut({ count, size, worth }: KnapsackRows, room: number): number {
  const order = Array.from({ length: count }, (_, row) => row).sort((a, b) => worth[b]! / size[b]! - worth[a]! / size[a]!);
  let [left, sum] = [room, 0];
  for (const row of order) {
    const share = Math.min(1, left / size[row]!);
    left -= share * size[row]!;
    sum += share * Math.max(0, worth[row]!);
    if (share < 1) break;
  }
  return sum;
}

function grown(of: Int32Array, least: number): Int32Array {
  const larger = new Int32Array(Math.max(least, 2 * of.length));
  larger.set(of);
  return larger;
}

function moreStates(): void {
  const length = 2 * states.size.length;
  const larger = <A extends Float64Array | Int32Array>(fresh: A, of: A): A => {
    fresh.set(of);
    return fresh;
  };
  states.size = larger(new Float64Array(length), states.size);
  states.worth = larger(new Float64Array(length), states.worth);
  states.from = larger(new Int32Array(length), states.from);
  states.row = larger(new Int32Array(length), states.row);
  states.times = larger(new Int32Array(length), states.times);
}
