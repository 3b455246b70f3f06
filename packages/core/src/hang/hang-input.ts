/** What the load path is worked out from. */
import type { MaterialOf, CabinetWeights } from '../parts/weights.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Wall } from '../wall/wall.ts';
import type { BearingShares } from './bearing-shares.ts';
import type { RailFault } from './on-rail.ts';

/** Another cabinet on the same rail: places in mm from this cabinet's left end. */
export interface RailNeighbour {
  /** Its name. */
  readonly from: string;
  /** The most it lays on each stud. */
  readonly studs: readonly { readonly atMm: number; readonly newtons: number }[];
  /** Where it bears on the rail, and the studs of that piece. */
  readonly stretches: BearingShares['stretches'];
}

export interface HangInput {
  readonly cabinet: ResolvedCabinet;
  readonly weights: CabinetWeights;
  readonly wall: Wall;
  /** Stud centers along the cabinet frame (mm from the cabinet's left end). */
  readonly studsMm: readonly number[];
  readonly materialOf: MaterialOf;
  readonly neighbours: readonly RailNeighbour[];
  /** What keeps the unit off the rail it is to hang on. */
  readonly railFault: RailFault | null;
  /** Faced or prefinished: glue does not hold on it. */
  readonly isFaced: (productId: string) => boolean;
}
