/** Which spaces of a cabinet are dimensioned in its drawings: every height and width once, where it reads best. */
import { NM_PER } from '../length/length.ts';
import type { Compartment } from './cabinet.ts';

/** Openings with a height dimension: one of each set of equals; the rightmost column beside the drawing, others in place. */
export function heightsShown(spaces: readonly Compartment[]): { readonly space: Compartment; readonly outside: boolean }[] {
  const open = spaces.filter(({ height }) => height.value > 0);
  const right = Math.max(...open.map(({ at, width }) => at.along + width.value));
  const drawn = new Set<string>();
  const rows = open.map((space) => ({ space, outside: Math.abs(space.at.along + space.width.value - right) < NM_PER.mm }));
  return [...rows]
    .sort((a, b) => Number(b.outside) - Number(a.outside))
    .filter(({ space: { at, height } }) => {
      const key = `${at.up} ${height.value}`;
      return !drawn.has(key) && drawn.add(key);
    });
}

/** Spaces side by side on one floor: their widths are dimensioned. */
export const baysShown = (spaces: readonly Compartment[]): Compartment[] =>
  spaces.filter(({ floor, height, width }) => height.value > 0 && width.value > 0 && spaces.filter((other) => other.floor === floor).length > 1);
