/**
 * Where the halves of a cleat really come to rest: a hair lower than drawn, or higher over a blunt point. What the first hang
 * showed is allowed for in the line that is marked for the next one. Source: docs/formulas/seating.md.
 */
import type { Length } from '../length/length.ts';
import { NM_PER } from '../length/length.ts';

/** A first hang: where the bottom was asked for, and where it came to. */
export interface FirstHang {
  readonly unit: string;
  readonly asked: Length;
  readonly came: Length;
  /** The line had been marked higher by this. */
  readonly allowed: Length;
}

export interface Seating {
  /** So much lower than drawn; negative where it comes to rest higher. */
  readonly lower: Length;
  readonly from: 'entered' | 'own' | 'others' | 'nothing';
  /** What its own first hang showed; null before it. */
  readonly own: FirstHang | null;
}

/** A height that is off by less is as asked. [A] */
export const AS_ASKED = NM_PER.mm;
/** More than this is no seating: a level or a mark was wrong. [A] */
export const MAX_SEATING = 15 * NM_PER.mm;

/** How much lower it came to rest than drawn. */
export const settled = ({ asked, came, allowed }: FirstHang): Length => (asked - came + allowed) as Length;

export const isSeating = (lower: Length): boolean => Math.abs(lower) <= MAX_SEATING;

/**
 * What to allow for: what was entered; else what its own first hang showed; else the mean of what others showed.
 */
export function seatingOf(unit: string, entered: Length | null, hangs: readonly FirstHang[]): Seating {
  const own = hangs.find((each) => each.unit === unit) ?? null;
  if (entered !== null) return { lower: entered, from: 'entered', own };
  const lowerBy = hangs.map(settled).filter(isSeating);
  if (own && isSeating(settled(own))) return { lower: settled(own), from: 'own', own };
  if (lowerBy.length === 0) return { lower: 0 as Length, from: 'nothing', own };
  return { lower: Math.round(lowerBy.reduce((sum, each) => sum + each, 0) / lowerBy.length) as Length, from: 'others', own };
}
