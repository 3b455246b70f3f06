/** Positions of wall screws across a timber stud: about its middle, and clear of its edges. Source: docs/formulas/screws-in-stud.md. */
import { ASSUMED } from '../assumed/assumed.ts';
import { toMm } from '../length/length.ts';
import type { Wall } from '../model/wall.ts';
import { groundOf } from './grounds.ts';

/** Two screws side by side: usual and least spacing, and greatest distance from the middle, mm. [NDS commentary (m)] */
const BESIDE_DIAMETERS = 3;
const MIN_BESIDE_DIAMETERS = ASSUMED.besideLeast.value;
const OFF_MIDDLE_MM = 10;
const MIN_OFF_MIDDLE_MM = 7;

/** Edge distance in a stud, in diameters; from 1/4 in up the loaded edge governs. [NDS commentary (m)] */
const edgeDiameters = (diameterMm: number): number => (diameterMm >= 6.35 ? ASSUMED.edgeDistanceThick : ASSUMED.edgeDistance).value;

/** Face width of a timber stud, mm; null where screws are not tied to a stud. */
export const studWidthMm = (wall: Pick<Wall, 'structure' | 'fixing' | 'studs'>): number | null =>
  groundOf(wall) === 'timber' ? toMm(wall.studs.width.nm) : null;

/** Positions of the screws of one row about a stud's middle, mm: at the usual spacing, closer where the stud's edges require it. */
export function besideMiddle(count: number, diameterMm: number, widthMm: number | null): number[] {
  if (count <= 1) return [0];
  const usual = Math.min(OFF_MIDDLE_MM, Math.max(MIN_OFF_MIDDLE_MM, (BESIDE_DIAMETERS * diameterMm) / 2));
  const inside = widthMm === null ? usual : widthMm / 2 - edgeDiameters(diameterMm) * diameterMm;
  const half = Math.max((MIN_BESIDE_DIAMETERS * diameterMm) / 2, Math.min(usual, inside));
  return [-half, half];
}

export interface StudEdge {
  /** From the center of the outermost screw to the stud's edge, and the distance required, mm. */
  readonly hasMm: number;
  readonly wantedMm: number;
  /** A single screw per row would keep its edge distance. */
  readonly fitsOne: boolean;
}

/** Edge distance of the screws in a stud; `maxInRow`: most screws in one row. */
export function studEdge(maxInRow: number, diameterMm: number, widthMm: number): StudEdge {
  const wantedMm = edgeDiameters(diameterMm) * diameterMm;
  const off = Math.max(...besideMiddle(maxInRow, diameterMm, widthMm));
  return { hasMm: widthMm / 2 - off, wantedMm, fitsOne: widthMm / 2 >= wantedMm };
}
