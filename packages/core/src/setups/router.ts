/** Router settings for a slot: the bit, its passes down and across, and the position of the straight edge. Source: docs/formulas/router-edge.md. */
import type { Length } from '../length/length.ts';
import { SLOT_WITHIN } from './dado-stack.ts';
import type { Bit, Machine } from '../model/shop.ts';

/** Greatest depth of a pass: half the bit's diameter, and this. [A] */
export const DEEPEST_PASS = 6_000_000;

/** Depth steps: tenths of a millimeter. */
const TENTH = 100_000;

export interface RouterSet {
  readonly bit: string;
  /** Width of one pass, with the test cut correction. */
  readonly cuts: Length;
  /** Offset of each further pass; empty: one pass suffices. */
  readonly over: readonly Length[];
  /** Passes down, each of this depth or less. */
  readonly down: number;
  readonly eachDown: Length;
}

/** The widest bit that fits the slot, in the fewest passes across; null when every straight bit is too wide or too short. */
export function routerFor(bits: readonly Bit[], width: Length, depth: Length, deepest: Length): RouterSet | null {
  if (depth > deepest) return null;
  const straight = bits
    .filter(({ kind }) => kind === 'straight')
    .map((bit) => ({ bit, cuts: bit.diameter.nm + bit.over.nm }))
    .filter(({ cuts }) => cuts > 0 && cuts <= width + SLOT_WITHIN)
    .sort((a, b) => b.cuts - a.cuts);
  const [widest] = straight;
  if (!widest) return null;
  const { bit, cuts } = widest;
  const left = width - cuts;
  // Each further pass removes at most the bit's width, evenly spread.
  const further = left > SLOT_WITHIN ? Math.ceil(left / cuts) : 0;
  const over = Array.from({ length: further }, (_, n) => Math.round((left * (n + 1)) / further) as Length);
  const each = Math.min(bit.diameter.nm / 2, DEEPEST_PASS);
  const down = Math.max(1, Math.ceil(depth / each - 1e-9));
  return { bit: bit.id, cuts: cuts as Length, over, down, eachDown: Math.min(each, Math.ceil(depth / down / TENTH) * TENTH) as Length };
}

/** From a straight edge to the near wall of the routed slot: base radius minus cutter radius. */
export const edgeOffset = (router: Machine, cuts: Length): Length => ((router.base?.nm ?? 0) - Math.round(cuts / 2)) as Length;
