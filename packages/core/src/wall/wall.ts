/** The wall a unit hangs on: studs, wallboard, ceiling. */
import type { Entered } from '../length/entered.ts';
import type { Length } from '../length/length.ts';

export interface Wall {
  readonly width: Entered;
  /** Floor to ceiling, or to whatever is in the way of lifting. */
  readonly ceiling: Entered;
  /** Thickness of wallboard, tile and air between cleat and stud. */
  readonly wallboard: Entered;
  readonly studs: Studs;
}

export interface Studs {
  /** False when nobody has looked: the plan then says so instead of guessing. */
  readonly known: boolean;
  /** Centre to centre. */
  readonly spacing: Entered;
  /** First centre from the wall's left end. */
  readonly offset: Entered;
  readonly width: Entered;
  readonly depth: Entered;
  /** Specific gravity; 0.42 when the species is unknown. */
  readonly gravity: number;
}

/** Where a unit hangs: its left end from the wall's left end, its bottom from the floor. */
export interface Place {
  readonly along: Entered;
  readonly up: Entered;
}

/** Centres of the studs, from the wall's left end. No more than a thousand. */
export function studCentres({ width, studs }: Wall): Length[] {
  if (!studs.known || studs.spacing.nm <= 0) return [];
  const centres: Length[] = [];
  for (let at: number = studs.offset.nm; at <= width.nm && centres.length < 1000; at += studs.spacing.nm) {
    if (at >= 0) centres.push(at as Length);
  }
  return centres;
}
