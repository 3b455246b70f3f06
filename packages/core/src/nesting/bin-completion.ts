/**
 * Decides whether sizes fit into given bins, in one dimension: bin completion. The largest remaining size goes into a bin, which is then completed
 * maximally; branches that waste more than the spare room are cut, and failed states are memoized. Source: Korf, "A new algorithm for optimal bin packing",
 * 2002; "An improved algorithm for optimal bin packing", 2003.
 */

/** Distinct sizes in descending order, with the number of each. In any unit, above 0. */
export interface SizedPieces {
  readonly size: readonly number[];
  readonly count: readonly number[];
}

/** Bins of one size. */
export interface Bins {
  readonly room: number;
  readonly count: number;
}

/** One filled bin: which of the given bins, and the number of pieces of each size. */
export interface FilledBin {
  readonly kind: number;
  readonly times: readonly number[];
}

export interface Completion {
  /** Null where none was found. */
  readonly filled: readonly FilledBin[] | null;
  /** The search was exhaustive: no result means that none exists. */
  readonly isComplete: boolean;
  readonly steps: number;
}

/** Completions of one bin that are compared; the fullest are followed first. */
const MAX_FILLINGS = 200;

/** Searches for a packing of all pieces within a step limit, one step per size placed. Deterministic. */
export function completeBins(pieces: SizedPieces, bins: readonly Bins[], maxSteps: number): Completion {
  return new BinCompletion(pieces, bins, maxSteps).run();
}

class BinCompletion {
  private readonly left: number[];
  private readonly open: number[];
  /** Bin kinds in ascending order: small remnants are used before whole boards. */
  private readonly order: readonly number[];
  private readonly failed = new Set<string>();
  private readonly filled: FilledBin[] = [];
  private steps = 0;
  private isComplete = true;

  constructor(
    private readonly pieces: SizedPieces,
    private readonly bins: readonly Bins[],
    private readonly maxSteps: number,
  ) {
    this.left = [...pieces.count];
    this.open = bins.map(({ count }) => count);
    this.order = bins.map((_, kind) => kind).sort((a, b) => bins[a]!.room - bins[b]!.room);
  }

  run(): Completion {
    const isFound = this.place();
    return { filled: isFound ? this.filled : null, isComplete: this.isComplete, steps: this.steps };
  }

  private place(): boolean {
    const largest = this.left.findIndex((count) => count > 0);
    if (largest < 0) return true;
    const spare = this.spareRoom();
    if (spare < 0) return false;
    if (this.steps >= this.maxSteps) {
      this.isComplete = false;
      return false;
    }
    const state = `${this.left.join()} ${this.open.join()}`;
    if (this.failed.has(state)) return false;
    for (const kind of this.order) {
      if (this.open[kind] === 0 || this.bins[kind]!.room < this.pieces.size[largest]!) continue;
      for (const { times } of this.fillings(this.bins[kind]!.room, largest, spare)) {
        this.take({ kind, times }, 1);
        if (this.place()) return true;
        this.take({ kind, times }, -1);
      }
    }
    this.failed.add(state);
    return false;
  }

  private take(bin: FilledBin, by: 1 | -1): void {
    this.open[bin.kind]! -= by;
    bin.times.forEach((times, index) => (this.left[index]! -= by * times));
    if (by === 1) this.filled.push(bin);
    else this.filled.pop();
  }

  /** Total room of the bins that can still be used, minus the total of the remaining sizes. */
  private spareRoom(): number {
    const smallest = this.pieces.size[this.left.findLastIndex((count) => count > 0)]!;
    const room = this.bins.reduce((sum, bin, kind) => sum + (bin.room >= smallest ? bin.room * this.open[kind]! : 0), 0);
    return room - this.pieces.size.reduce((sum, size, index) => sum + size * this.left[index]!, 0);
  }

  /** Maximal completions with one of the largest size, fullest first; none wastes more than `spare`. */
  private fillings(room: number, largest: number, spare: number): { readonly times: number[]; readonly rest: number }[] {
    const { size } = this.pieces;
    const count = this.left.map((each, index) => (index === largest ? each - 1 : index < largest ? 0 : each));
    /** Suffix sums of the sizes. */
    const following = new Array<number>(size.length + 1).fill(0);
    for (let index = size.length - 1; index >= 0; index--) following[index] = following[index + 1]! + size[index]! * count[index]!;
    const found: { times: number[]; rest: number }[] = [];
    const times = size.map((_, index) => (index === largest ? 1 : 0));
    const fill = (index: number, rest: number, smallestLeftOut: number): void => {
      this.steps++;
      if (found.length >= MAX_FILLINGS || this.steps > this.maxSteps) {
        this.isComplete = false;
        return;
      }
      if (rest - following[index]! > spare) return;
      if (index === size.length) {
        if (rest < smallestLeftOut) found.push({ times: [...times], rest });
        return;
      }
      const most = Math.min(count[index]!, Math.floor(rest / size[index]!));
      for (let taken = most; taken >= 0; taken--) {
        times[index]! += taken;
        fill(index + 1, rest - taken * size[index]!, taken < count[index]! ? Math.min(smallestLeftOut, size[index]!) : smallestLeftOut);
        times[index]! -= taken;
      }
    };
    fill(largest, room - size[largest]!, Infinity);
    return found.sort((a, b) => a.rest - b.rest);
  }
}
