/**
 * Seating allowance: how far below its drawn position a cabinet comes to rest on its cleat, or above it over a blunt point. What the first hang showed is
 * allowed for in the line marked for the next. Source: docs/formulas/seating.md.
 */
import type { Length } from '../length/length.ts';
import { NM_PER } from '../length/length.ts';

/** A first hang: the height asked for, and the height measured. */
export interface FirstHang {
  readonly unit: string;
  readonly asked: Length;
  readonly came: Length;
  /** How much higher the line had been marked. */
  readonly allowed: Length;
}

export interface Seating {
  /** Seating below the drawn position; negative where it comes to rest higher. */
  readonly lower: Length;
  readonly from: 'entered' | 'own' | 'others' | 'nothing';
  /** What its own first hang showed; null before it. */
  readonly own: FirstHang | null;
}

/** Tolerance within which a height is as asked. [A] */
export const AS_ASKED = NM_PER.mm;
/** A larger difference is no seating: a level or a mark was wrong. [A] */
export const MAX_SEATING = 15 * NM_PER.mm;

/** How far below the drawn position it came to rest. */
export const settled = ({ asked, came, allowed }: FirstHang): Length => (asked - came + allowed) as Length;

export const isSeating = (lower: Length): boolean => Math.abs(lower) <= MAX_SEATING;

/** The seating to allow for: entered; else from its own first hang; else the mean of other first hangs. */
export function seatingOf(unit: string, entered: Length | null, hangs: readonly FirstHang[]): Seating {
  const own = hangs.find((each) => each.unit === unit) ?? null;
  if (entered !== null) return { lower: entered, from: 'entered', own };
  const lowerBy = hangs.map(settled).filter(isSeating);
  if (own && isSeating(settled(own))) return { lower: settled(own), from: 'own', own };
  if (lowerBy.length === 0) return { lower: 0 as Length, from: 'nothing', own };
  return { lower: Math.round(lowerBy.reduce((sum, each) => sum + each, 0) / lowerBy.length) as Length, from: 'others', own };
}
