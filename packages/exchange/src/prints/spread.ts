/** Things in a row that want to stand at their places and must not stand on one another. */

export interface InRow {
  /** Where its middle is wanted. */
  readonly at: number;
  readonly size: number;
}

/**
 * Middles as near to the wanted ones as they go, in their order, `gap` apart and between `low` and `high`.
 * Where there is not room for all of them they run out past `high`.
 */
export function spread(row: readonly InRow[], gap: number, low = -Infinity, high = Infinity): number[] {
  const order = row.map((_, index) => index).sort((a, b) => row[a]!.at - row[b]!.at || a - b);
  /** Runs that touch: from where, how long, whose, and the sum of what each of them wants of the run's beginning. */
  const runs: { wants: number; long: number; of: number[] }[] = [];
  for (const index of order) {
    const { at, size } = row[index]!;
    let run = { wants: at - size / 2, long: size, of: [index] };
    for (let before = runs.at(-1); before && startOf(before) + before.long + gap > startOf(run); before = runs.at(-1)) {
      runs.pop();
      run = { wants: before.wants + run.wants - run.of.length * (before.long + gap), long: before.long + gap + run.long, of: [...before.of, ...run.of] };
    }
    runs.push(run);
  }
  const middles = new Array<number>(row.length);
  let free = low;
  const total = runs.reduce((sum, { long }) => sum + long + gap, -gap);
  let left = total;
  for (const run of runs) {
    let from = Math.max(free, Math.min(startOf(run), high - left));
    for (const index of run.of) {
      const { size } = row[index]!;
      middles[index] = from + size / 2;
      from += size + gap;
    }
    free = from;
    left -= run.long + gap;
  }
  return middles;
}

const startOf = ({ wants, of }: { readonly wants: number; readonly of: readonly number[] }): number => wants / of.length;
