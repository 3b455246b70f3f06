/**
 * Chains of sizes that must go together: what is free at the end of each, and what makes it more or less. Free under nothing
 * binds; free over a limit rattles or shows. Source: docs/formulas/fit-chain.md.
 */
import { toMm } from '../length/length.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Repeatability, Shop } from '../stock/shop.ts';
import type { ThicknessUsed } from '../stock/workshop.ts';
import type { Label } from '../explained/explained-length.ts';

/** Where a variation comes from: what would lessen it. */
export type Cause = 'mean' | 'sheet' | 'slot' | 'depth' | 'length' | 'place';

/** One thing that varies: `times` its error goes into what is free. Equal sources are the same error, not another like it. */
export interface Variation {
  readonly source: string;
  readonly cause: Cause;
  /** Standard deviation, mm. */
  readonly sd: number;
  readonly times: number;
}

export interface ToleranceChain {
  readonly id: string;
  readonly kind: 'slot' | 'ends' | 'row' | 'doors' | 'drawer';
  readonly guest: Label;
  readonly host: Label;
  /** The host at its other end, where there is one. */
  readonly other: Label | null;
  readonly panels: readonly string[];
  /** How many alike. */
  readonly count: number;
  /** What is free when everything is as it was drawn, mm. */
  readonly freeMm: number;
  /** Free over this rattles, or shows. */
  readonly maxMm: number;
  readonly variations: readonly Variation[];
}

/** Free over this, mm: a slot's lip shows or its part rattles; what is lost at a shelf's end, or along a row; a reveal that looks uneven; slack of a slide. [ASSUME] */
export const MAX_FREE = { slot: 0.35, ends: 1.5, row: 1.5, doors: 1.5, drawer: 1.5 } as const;

/** A sheet's thickness, standard deviation in mm, where one reading or none was taken. [ASSUME] */
const UNMEASURED = 0.35;
const ONE_READING = 0.15;
/** Spread of n readings over their standard deviation: the mean range of as many drawn from a normal law. */
const RANGE_OF = [0, 0, 1.128, 1.693, 2.059, 2.326, 2.534, 2.704, 2.847, 2.97, 3.078] as const;

/** What is known of a sheet: how far its mean may be off, and how much it differs from place to place, mm. */
export function thicknessSd({ readings, spread }: Pick<ThicknessUsed, 'readings' | 'spread'>): { readonly mean: number; readonly place: number } {
  if (readings === 0) return { mean: UNMEASURED, place: ONE_READING };
  if (readings === 1) return { mean: ONE_READING, place: ONE_READING };
  // Two equal readings do not mean that a sheet is of one thickness: a caliper's own step is left. [ASSUME]
  const place = Math.max(0.02, toMm(spread) / RANGE_OF[Math.min(readings, RANGE_OF.length - 1)]!);
  return { mean: place / Math.sqrt(readings), place };
}

export type UsedOf = (product: string) => ThicknessUsed;

/** What chains are read from. */
export interface ChainContext {
  readonly cabinet: ResolvedCabinet;
  readonly usedOf: UsedOf;
  readonly repeats: RepeatabilityOf;
}

/** Standard deviation of each, mm. */
export type RepeatabilityOf = Readonly<Record<Repeatability, number>>;
export const repeatabilityMm = ({ repeats }: Pick<Shop, 'repeats'>): RepeatabilityOf => ({
  slot: toMm(repeats.slot.nm),
  depth: toMm(repeats.depth.nm),
  length: toMm(repeats.length.nm),
  place: toMm(repeats.place.nm),
  hinge: toMm(repeats.hinge.nm),
});

export function thicknessVariations(panel: ResolvedPanel, usedOf: UsedOf, times: number): Variation[] {
  const { mean, place } = thicknessSd(usedOf(panel.stock));
  return [
    { source: `mean ${panel.stock}`, cause: 'mean', sd: mean, times },
    { source: `sheet ${panel.id}`, cause: 'sheet', sd: place, times },
  ];
}
