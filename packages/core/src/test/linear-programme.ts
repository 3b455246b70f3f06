/**
 * A small linear program solved by trying every corner: an answer of its own to check formulas by, with nothing of theirs.
 * Rows are equations; every unknown is 0 or more. Good for a handful of unknowns.
 */

export interface Programme {
  /** A row an equation: what each unknown counts for in it. */
  readonly rows: readonly (readonly number[])[];
  readonly sums: readonly number[];
}

/** The least and the most of a combination of the unknowns over all that satisfy the equations; null where nothing does. */
export function extremes({ rows, sums }: Programme, worth: readonly number[]): { readonly least: number; readonly most: number } | null {
  const size = rows.length;
  const unknowns = rows[0]!.length;
  let [least, most] = [Infinity, -Infinity];
  for (const basis of choices(unknowns, size)) {
    const solved = solve(
      rows.map((row) => basis.map((column) => row[column]!)),
      sums,
    );
    // What stands at 0 may come out a hair below.
    if (!solved || solved.some((value) => value < -1e-7)) continue;
    const value = basis.reduce((sum, column, n) => sum + worth[column]! * solved[n]!, 0);
    least = Math.min(least, value);
    most = Math.max(most, value);
  }
  return least === Infinity ? null : { least, most };
}

function choices(from: number, count: number, first = 0): number[][] {
  if (count === 0) return [[]];
  return Array.from({ length: from - first }, (_, n) => first + n).flatMap((column) => choices(from, count - 1, column + 1).map((rest) => [column, ...rest]));
}

/** Gauss, with the largest pivot; null where the columns say the same thing twice. */
function solve(matrix: readonly (readonly number[])[], sums: readonly number[]): number[] | null {
  const rows = matrix.map((row, n) => [...row, sums[n]!]);
  const size = rows.length;
  for (let column = 0; column < size; column++) {
    const pivot = rows.slice(column).reduce((best, row, n) => (Math.abs(row[column]!) > Math.abs(rows[best]![column]!) ? column + n : best), column);
    if (Math.abs(rows[pivot]![column]!) < 1e-9) return null;
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    for (let row = 0; row < size; row++) {
      if (row === column) continue;
      const share = rows[row]![column]! / rows[column]![column]!;
      for (let at = column; at <= size; at++) rows[row]![at]! -= share * rows[column]![at]!;
    }
  }
  return rows.map((row, n) => row[size]! / row[n]!);
}
