/**
 * Tolerance chains: dimensions that must go together, the clearance at the end of each chain, and what makes it vary. Below zero it binds; above a limit it
 * rattles or shows. Source: docs/formulas/tolerance-chain.md.
 */
import { toMm } from '../length/length.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { ThicknessUsed } from '../stock/workshop.ts';
import type { Label } from '../explained/explained-length.ts';
import type { Repeatability, Shop } from '../model/shop.ts';

/** Source of a variation, and so its remedy. */
export type Cause = 'mean' | 'sheet' | 'slot' | 'depth' | 'length' | 'place';

/** A random error; `times` it enters the clearance. Equal sources are one error, not two alike. */
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
  /** Number of identical ones. */
  readonly count: number;
  /** Clearance with everything at its drawn size, mm. */
  readonly freeMm: number;
  /** Above this clearance it rattles, or shows. */
  readonly maxMm: number;
  readonly variations: readonly Variation[];
}

/** Limits of clearance, mm: a slot's lip shows or its part rattles; lost at a shelf's end, or along a row; an uneven reveal; slack of a slide. [ASSUME] */
export const MAX_FREE = { slot: 0.35, ends: 1.5, row: 1.5, doors: 1.5, drawer: 1.5 } as const;

/** Standard deviation of a sheet's thickness, mm, with one reading or none. [ASSUME] */
const UNMEASURED = 0.35;
const ONE_READING = 0.15;
/** Expected range of n normal readings, in standard deviations. */
const RANGE_OF = [0, 0, 1.128, 1.693, 2.059, 2.326, 2.534, 2.704, 2.847, 2.97, 3.078] as const;

/** Uncertainty of a sheet: of its mean, and from place to place, mm. */
export function thicknessSd({ readings, spread }: Pick<ThicknessUsed, 'readings' | 'spread'>): { readonly mean: number; readonly place: number } {
  if (readings === 0) return { mean: UNMEASURED, place: ONE_READING };
  if (readings === 1) return { mean: ONE_READING, place: ONE_READING };
  // Two equal readings do not prove an even sheet: the caliper's resolution remains. [ASSUME]
  const place = Math.max(0.02, toMm(spread) / RANGE_OF[Math.min(readings, RANGE_OF.length - 1)]!);
  return { mean: place / Math.sqrt(readings), place };
}

export type UsedOf = (product: string) => ThicknessUsed;

/** Inputs of the chains. */
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
