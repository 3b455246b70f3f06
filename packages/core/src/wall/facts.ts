/** Facts derived from a wall alone, computed once for all its cabinets. */
import type { Length } from '../length/length.ts';
import { faceOf, type WallFace } from './bow.ts';
import { studCentres } from './studs.ts';
import type { Wall } from '../model/wall.ts';
import { cableBands, type Band } from './zones.ts';

export interface WallFacts {
  readonly studs: readonly Length[];
  readonly bands: readonly Band[];
  /** Null where nobody measured its bow. */
  readonly face: WallFace | null;
}

export const wallFacts = (wall: Wall): WallFacts => ({ studs: studCentres(wall), bands: cableBands(wall), face: faceOf(wall) });
