/** Spreads labels in a row near their wanted positions without overlap. */

export interface InRow {
  /** Wanted position of its middle. */
  readonly at: number;
  readonly size: number;
}

/** Middles as near to the wanted ones as possible, in order, `gap` apart and between `low` and `high`. Without room for all they run out past `high`. */
export function spread(row: readonly InRow[], gap: number, low = -Infinity, high = Infinity): number[] {
  const order = row.map((_, index) => index).sort((a, b) => row[a]!.at - row[b]!.at || a - b);
  /** Clusters that touch: start, length, members, and the sum of the wanted starts. */
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
