/** Studs at their spacing from an origin, corrected one by one. */
import { NM_PER, type Length } from '../length/length.ts';
import type { StudState, Wall } from '../model/wall.ts';
import { SPECIES } from './species.ts';
import { STRUCTURES } from './structures.ts';

export interface Stud {
  /** The mark's id, or 'r3' for the regular stud 3 without a mark. */
  readonly id: string;
  readonly at: Length;
  readonly state: StudState;
  readonly regular: number | null;
}

const MAX_STUDS = 1000;

/** Studs from left to right, from the wall's left end. None in a wall without ribs, or where nobody has looked. */
export function studsOf({ width, studs, structure }: Pick<Wall, 'width' | 'studs' | 'structure'>): Stud[] {
  if (!STRUCTURES[structure].ribs) return [];
  const marks = Object.values(studs.marks);
  const corrected = new Set(marks.flatMap(({ regular }) => (regular === null ? [] : [regular])));
  const found: Stud[] = marks.filter(({ gone }) => !gone).map(({ id, at, state, regular }) => ({ id, at: at.nm, state, regular }));
  if (studs.known && studs.spacing.nm > 0) {
    for (let n = 0; n < MAX_STUDS; n++) {
      const at = studs.offset.nm + n * studs.spacing.nm;
      if (at > width.nm) break;
      if (at >= 0 && !corrected.has(n)) found.push({ id: `r${n}`, at: at as Length, state: 'assumed', regular: n });
    }
  }
  return found.filter(({ at }) => at >= 0 && at <= width.nm).sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
}

/** Marks closer than this are one stud, unless both were probed. */
const ONE_STUD_NM = 200 * NM_PER.mm;
/** Marks no further apart than this can be the two edges of one stud, doubled at most. [A] */
const TWO_EDGES_NM = 90 * NM_PER.mm;

/** A stud that counts, with its marks. */
export interface CountedStud {
  readonly at: Length;
  readonly marks: readonly Stud[];
}

/**
 * Studs that a hanging may count, left to right. Marks within 200 mm of one another count as one stud unless both were probed: a finder reports edges, or a
 * pipe beside it. The stud is where it was probed; else in the middle of two marks that may be its edges; else at the first one found.
 */
export function countedStuds(wall: Pick<Wall, 'width' | 'studs' | 'structure'>): CountedStud[] {
  const groups: Stud[][] = [];
  for (const stud of studsOf(wall)) {
    const group = groups.at(-1);
    const before = group?.at(-1);
    if (group && before && isSameStud(before, stud)) group.push(stud);
    else groups.push([stud]);
  }
  return groups.map((marks) => ({ at: middleOf(marks), marks }));
}

/** Unmarked studs at their spacing are as far apart as entered. */
const isSameStud = (a: Stud, b: Stud): boolean =>
  b.at - a.at < ONE_STUD_NM && !(a.state === 'probed' && b.state === 'probed') && !(a.state === 'assumed' && b.state === 'assumed');

function middleOf(marks: readonly Stud[]): Length {
  const [probed, found] = [marks.filter(({ state }) => state === 'probed'), marks.filter(({ state }) => state === 'found')];
  if (probed[0]) return probed[0].at;
  const surest = found.length > 0 ? found : marks;
  const [first, last] = [surest[0]!.at, surest.at(-1)!.at];
  return last - first <= TWO_EDGES_NM ? (Math.round((first + last) / 2) as Length) : first;
}

/** Centers of the studs that count. */
export const studCentres = (wall: Pick<Wall, 'width' | 'studs' | 'structure'>): Length[] => countedStuds(wall).map(({ at }) => at);

/** Whether studs are known, by a spacing or one by one. */
export const studsKnown = ({ studs }: Pick<Wall, 'studs'>): boolean => studs.known || Object.values(studs.marks).some(({ gone }) => !gone);

export const studGravity = ({ studs }: Pick<Wall, 'studs'>): number => SPECIES[studs.species].gravity;
