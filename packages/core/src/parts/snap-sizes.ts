/** Snaps nearly equal measures to one number. */
import { ONE_SIZE } from '../length/same-size.ts';

/**
 * A number for each measure (nm), the same for all in a chain of steps no longer than `ONE_SIZE`: twice the middle of the chain. Symmetric: a mirrored
 * chain has the mirrored middle, which rounding to a grid would not give.
 */
export function snapped(measures: Iterable<number>): (measure: number) => number {
  const sorted = [...new Set(measures)].sort((a, b) => a - b);
  const numbers = new Map<number, number>();
  for (let first = 0; first < sorted.length;) {
    let last = first;
    while (last + 1 < sorted.length && sorted[last + 1]! - sorted[last]! <= ONE_SIZE) last += 1;
    for (let index = first; index <= last; index += 1) numbers.set(sorted[index]!, sorted[first]! + sorted[last]!);
    first = last + 1;
  }
  return (measure) => numbers.get(measure)!;
}
