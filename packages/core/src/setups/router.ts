/** What a router is set to for a slot: the bit, its passes down and across, and where the straight edge lies. Source: docs/formulas/router-edge.md. */
import type { Length } from '../length/length.ts';
import type { Bit, Machine } from '../stock/shop.ts';
import { SLOT_WITHIN } from './dado-stack.ts';

/** Passes no deeper than half the bit, nor than this. [A] */
export const DEEPEST_PASS = 6_000_000;

/** Passes are set to tenths of a millimeter. */
const TENTH = 100_000;

export interface RouterSet {
  readonly bit: string;
  /** Width it cuts in one pass, what test cuts said included. */
  readonly cuts: Length;
  /** How far each further pass goes over; empty: one pass does. */
  readonly over: readonly Length[];
  /** Passes down, each as deep as this or less. */
  readonly down: number;
  readonly eachDown: Length;
}

/** The widest bit that is not wider than the slot, in the fewest passes across; null when every straight bit is wider or none reaches so deep. */
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
  // Each further pass takes a fresh width of the bit at most, spread evenly.
  const further = left > SLOT_WITHIN ? Math.ceil(left / cuts) : 0;
  const over = Array.from({ length: further }, (_, n) => Math.round((left * (n + 1)) / further) as Length);
  const each = Math.min(bit.diameter.nm / 2, DEEPEST_PASS);
  const down = Math.max(1, Math.ceil(depth / each - 1e-9));
  return { bit: bit.id, cuts: cuts as Length, over, down, eachDown: Math.min(each, Math.ceil(depth / down / TENTH) * TENTH) as Length };
}

/** From a straight edge to the near wall of what the router cuts along it: base radius less the cutter's. */
export const edgeOffset = (router: Machine, cuts: Length): Length => ((router.base?.nm ?? 0) - Math.round(cuts / 2)) as Length;
