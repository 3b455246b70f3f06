/** Dado stack for a slot: the chippers and shims between the outer blades that come closest, and the remainder. Source: docs/formulas/dado-stack.md. */
import type { Length } from '../length/length.ts';
import type { DadoStack } from '../model/shop.ts';

export interface StackSet {
  /** Leaves between the outer blades, thickest first. */
  readonly chippers: readonly Length[];
  readonly shims: readonly Length[];
  /** Width of one pass, with the test cut correction. */
  readonly cuts: Length;
  /** Remainder after the first pass, by which the fence moves for a second. 0: one pass suffices. */
  readonly over: Length;
}

/** Tolerance of a slot's width: the resolution of a fence. */
export const SLOT_WITHIN = 10_000 as Length;

export interface Leaves {
  readonly sum: number;
  readonly used: readonly Length[];
}

/** Every distinct sum of some of the leaves up to `most`, each with the fewest leaves. */
export function totals(leaves: readonly Length[], most: number): Leaves[] {
  let known = new Map<number, readonly Length[]>([[0, []]]);
  for (const leaf of [...leaves].sort((a, b) => b - a)) {
    const next = new Map(known);
    for (const [sum, used] of known) {
      const total = sum + leaf;
      const before = next.get(total);
      if (total <= most && (!before || before.length > used.length + 1)) next.set(total, [...used, leaf]);
    }
    known = next;
  }
  return [...known].map(([sum, used]) => ({ sum, used })).sort((a, b) => a.sum - b.sum);
}

/** The sum nearest to `wanted` from below. */
function atMost(sums: readonly Leaves[], wanted: number): Leaves | undefined {
  let [low, high] = [0, sums.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sums[middle]!.sum <= wanted) low = middle + 1;
    else high = middle;
  }
  return sums[low - 1];
}

/**
 * The stack for a slot of `width` nm on an arbor with room for `room`: the widest that exceeds it by at most SLOT_WITHIN, with the fewest leaves; the
 * remainder takes a second pass. Null when the outer blades alone are too wide, or two passes do not suffice.
 */
export function stackFor(stack: DadoStack, width: Length, room: Length): StackSet | null {
  const { outer, over } = stack;
  const most = Math.min(width + SLOT_WITHIN - over.nm, room) - outer.nm;
  if (most < 0) return null;
  const shims = totals(
    stack.shims.map(({ nm }) => nm),
    most,
  );
  let best: { chippers: Leaves; shims: Leaves; sum: number } | undefined;
  for (const chippers of totals(
    stack.chippers.map(({ nm }) => nm),
    most,
  )) {
    const with_ = atMost(shims, most - chippers.sum)!;
    const sum = chippers.sum + with_.sum;
    const fewer = best && sum === best.sum && chippers.used.length + with_.used.length < best.chippers.used.length + best.shims.used.length;
    if (!best || sum > best.sum || fewer) best = { chippers, shims: with_, sum };
  }
  const cuts = (outer.nm + best!.sum + over.nm) as Length;
  const left = width - cuts;
  if (left > cuts) return null;
  return { chippers: best!.chippers.used, shims: best!.shims.used, cuts, over: (left > SLOT_WITHIN ? left : 0) as Length };
}
