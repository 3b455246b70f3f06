/**
 * Bounded knapsack over real lengths. States form a Pareto front of room and value, so no length is rounded to a grid. Rows come in order of value per
 * room, and a state that could not beat the best even at the next row's rate is pruned. Source: Kellerer, Pferschy and Pisinger, "Knapsack Problems", 2004,
 * sections 3.4 and 5.1.1.
 */

/** The rows as parallel arrays, owned by the caller: this runs hundreds of times per layout. */
export interface KnapsackRows {
  count: number;
  /** Room of one item; any unit, above 0. */
  readonly size: number[];
  readonly worth: number[];
  /** Upper bound on its number. */
  readonly most: number[];
  /** States of the last call, a measure of its run time. */
  states?: number;
}

/** States of all rows in one array: room, value, parent state and the row added. */
const states = {
  size: new Float64Array(4096),
  worth: new Float64Array(4096),
  from: new Int32Array(4096),
  row: new Int32Array(4096),
  times: new Int32Array(4096),
};
let fronts: [Int32Array, Int32Array] = [new Int32Array(1024), new Int32Array(1024)];

const rates: number[] = [];

/** State limit of one call (tens of milliseconds); beyond it the result is good but may not be optimal. */
const MAX_STATES = 100_000;

/** Relative value difference that counts as zero. */
const HAIR = 1e-12;

/**
 * Number of each row in the most valuable filling of `room`, each at most `most`. A dominated state is dropped even where its bound on a row is less used,
 * so with tight bounds the result may be slightly below the optimum.
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
    // Greedy filling by value per room: the incumbent.
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
    // Merge by size: states without this row, and those with one more of it.
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
    // Prunes states that could not beat the best at the next row's rate.
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

/** Greedy filling by value per size, started from each of the first `starts` rows in turn. O(rows · starts). */
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
 * Greatest value that fits in `room`, exact but for rounding; where that takes too many states, Dantzig's bound, which is never less. Each row is split
 * into 0-1 rows of 1, 2, 4 … and a remainder (Kellerer, Pferschy and Pisinger, section 7.1.1), so that no bound on a row interferes.
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

/** Dantzig's bound: greedy by value per size, the last row in part. */
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
