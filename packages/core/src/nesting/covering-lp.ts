/**
 * Linear covering program with columns generated one at a time: min Σ price·x with Σ column·x ≥ demand, x ≥ 0. Revised simplex with an explicit basis
 * inverse. Sources: Gilmore and Gomory, "A linear programming approach to the cutting-stock problem", 1961 and 1963; Dantzig, "Linear Programming and
 * Extensions", 1963, chapter 9.
 */

/** Coverage of each demand by one unit of the column, and the price of that unit. */
export interface LpColumn {
  readonly covers: Float64Array;
  readonly price: number;
}

/** Smallest pivot accepted: smaller ones lose too many digits. */
const MIN_PIVOT = 1e-9;
/** A dual price below minus this lets a surplus variable enter. */
const NEGATIVE = -1e-9;

export class CoveringLp {
  private readonly inverse: readonly Float64Array[];
  private readonly basicPrice: Float64Array;
  private readonly basicValue: Float64Array;

  /** `first[i]` covers demand i and no other; a negative entry is a limit, which starts as slack. O(n²) memory. */
  constructor(demand: Float64Array, first: readonly { readonly covers: number; readonly price: number }[]) {
    const size = demand.length;
    this.inverse = first.map(({ covers }, row) => {
      const inverse = new Float64Array(size);
      inverse[row] = 1 / covers;
      return inverse;
    });
    this.basicPrice = Float64Array.from(first, ({ price }) => price);
    this.basicValue = Float64Array.from(first, ({ covers }, row) => demand[row]! / covers);
  }

  /** Dual price of each demand at the current basis; all nonnegative once `dropNegative` has run. O(n²). */
  duals(): Float64Array {
    const duals = new Float64Array(this.basicPrice.length);
    this.basicPrice.forEach((price, row) => {
      if (price === 0) return;
      const inverse = this.inverse[row]!;
      for (let column = 0; column < duals.length; column++) duals[column]! += price * inverse[column]!;
    });
    return duals;
  }

  /** Lets surplus variables enter while a dual price is negative. Returns false when none was, or none can. */
  dropNegative(): boolean {
    const duals = this.duals();
    let [least, value] = [-1, NEGATIVE];
    duals.forEach((dual, row) => {
      if (dual < value) [least, value] = [row, dual];
    });
    if (least < 0) return false;
    const covers = new Float64Array(duals.length);
    covers[least] = -1;
    return this.add({ covers, price: 0 });
  }

  /** Pivots a column of negative reduced cost into the basis. Returns false when no pivot is large enough. O(n²). */
  add({ covers, price }: LpColumn): boolean {
    const size = covers.length;
    const direction = this.inverse.map((inverse) => {
      let sum = 0;
      for (let column = 0; column < size; column++) sum += inverse[column]! * covers[column]!;
      return sum;
    });
    let [leaving, step] = [-1, Infinity];
    direction.forEach((change, row) => {
      if (change <= MIN_PIVOT) return;
      const ratio = this.basicValue[row]! / change;
      if (ratio < step - 1e-12 || (ratio < step + 1e-12 && leaving >= 0 && change > direction[leaving]!)) [leaving, step] = [row, ratio];
    });
    if (leaving < 0) return false;
    const pivotRow = this.inverse[leaving]!;
    const pivot = direction[leaving]!;
    for (let column = 0; column < size; column++) pivotRow[column]! /= pivot;
    direction.forEach((change, row) => {
      if (row === leaving || change === 0) return;
      const inverse = this.inverse[row]!;
      for (let column = 0; column < size; column++) inverse[column]! -= change * pivotRow[column]!;
      this.basicValue[row]! -= change * step;
    });
    this.basicValue[leaving] = step;
    this.basicPrice[leaving] = price;
    return true;
  }
}
