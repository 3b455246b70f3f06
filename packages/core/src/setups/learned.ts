/**
 * What test cuts say of the shop's cutters: how much wider than themselves they cut. The mean of the last few of each cutter
 * stands in place of what the shop was told; what is set up later starts from it.
 */
import { exactly, type Entered } from '../length/entered.ts';
import type { Shop } from '../stock/shop.ts';

/** The dado stack, or a bit by its id. */
export const STACK_ID = 'stack';

export interface TestCut {
  readonly cutter: string;
  /** What was on the arbor, or the bit's diameter: the cutter itself, not what it was expected to cut. */
  readonly thick: Entered;
  /** Width of the slot that came out of one pass. */
  readonly came: Entered;
}

/** So many of the latest test cuts of a cutter count: older ones were made with other blades. [ASSUME] */
const LATEST = 5;

export interface Learned {
  /** By cutter: what it cuts over itself, nm, and from how many test cuts. */
  readonly over: ReadonlyMap<string, { readonly nm: number; readonly cuts: number }>;
}

/** Oldest first. */
export function learnedFrom(testCuts: readonly TestCut[]): Learned {
  const byCutter = new Map<string, number[]>();
  for (const { cutter, thick, came } of testCuts) byCutter.set(cutter, [...(byCutter.get(cutter) ?? []), came.nm - thick.nm]);
  return {
    over: new Map(
      [...byCutter].map(([cutter, all]) => {
        const latest = all.slice(-LATEST);
        return [cutter, { nm: Math.round(latest.reduce((sum, nm) => sum + nm, 0) / latest.length), cuts: latest.length }];
      }),
    ),
  };
}

/** The shop as its test cuts say it is. */
export function withLearned(shop: Shop, { over }: Learned): Shop {
  if (over.size === 0) return shop;
  const said = (cutter: string, told: Entered): Entered => {
    const known = over.get(cutter);
    return known ? exactly(known.nm) : told;
  };
  return {
    ...shop,
    stack: shop.stack && { ...shop.stack, over: said(STACK_ID, shop.stack.over) },
    bits: Object.fromEntries(Object.entries(shop.bits).map(([id, bit]) => [id, { ...bit, over: said(id, bit.over) }])),
  };
}
