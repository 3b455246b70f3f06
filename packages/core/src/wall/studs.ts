/** Studs at their spacing from an origin, corrected one by one. */
import type { Length } from '../length/length.ts';
import type { StudState, Wall } from './wall.ts';
import { SPECIES } from './species.ts';
import { STRUCTURES } from './structures.ts';

export interface Stud {
  /** The mark's id, or 'r3' for the regular stud 3 that nobody corrected. */
  readonly id: string;
  readonly at: Length;
  readonly state: StudState;
  readonly regular: number | null;
}

const MOST_STUDS = 1000;

/** Studs from left to right, from the wall's left end. None in a wall without ribs, or where nobody has looked. */
export function studsOf({ width, studs, structure }: Pick<Wall, 'width' | 'studs' | 'structure'>): Stud[] {
  if (!STRUCTURES[structure].ribs) return [];
  const marks = Object.values(studs.marks);
  const corrected = new Set(marks.flatMap(({ regular }) => (regular === null ? [] : [regular])));
  const found: Stud[] = marks.filter(({ gone }) => !gone).map(({ id, at, state, regular }) => ({ id, at: at.nm, state, regular }));
  if (studs.known && studs.spacing.nm > 0) {
    for (let n = 0; n < MOST_STUDS; n++) {
      const at = studs.offset.nm + n * studs.spacing.nm;
      if (at > width.nm) break;
      if (at >= 0 && !corrected.has(n)) found.push({ id: `r${n}`, at: at as Length, state: 'assumed', regular: n });
    }
  }
  return found.filter(({ at }) => at >= 0 && at <= width.nm).sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
}

export const studCentres = (wall: Pick<Wall, 'width' | 'studs' | 'structure'>): Length[] => studsOf(wall).map(({ at }) => at);

/** Someone has said where studs are, by a spacing or one by one. */
export const studsKnown = ({ studs }: Pick<Wall, 'studs'>): boolean => studs.known || Object.values(studs.marks).some(({ gone }) => !gone);

export const studGravity = ({ studs }: Pick<Wall, 'studs'>): number => SPECIES[studs.species].gravity;
