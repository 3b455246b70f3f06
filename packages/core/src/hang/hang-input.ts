/** Inputs of the load path. */
import type { MaterialOf, CabinetWeights } from '../parts/weights.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Wall } from '../model/wall.ts';
import type { BearingShares } from './bearing-shares.ts';
import type { RailFault } from './on-rail.ts';

/** Another cabinet on the same wall rail; positions in mm from this cabinet's left end. */
export interface RailNeighbour {
  /** Name of the neighbor. */
  readonly from: string;
  /** Greatest load it puts on each stud. */
  readonly studs: readonly { readonly atMm: number; readonly newtons: number }[];
  /** Where it bears on the rail, with the studs of that piece. */
  readonly stretches: BearingShares['stretches'];
}

export interface HangInput {
  readonly cabinet: ResolvedCabinet;
  readonly weights: CabinetWeights;
  readonly wall: Wall;
  /** Stud centers, mm from the cabinet's left end. */
  readonly studsMm: readonly number[];
  readonly materialOf: MaterialOf;
  readonly neighbours: readonly RailNeighbour[];
  /** Why the cabinet does not seat on its wall rail; null where it does. */
  readonly railFault: RailFault | null;
  /** Whether a product is faced or prefinished, so that glue does not hold on it. */
  readonly isFaced: (productId: string) => boolean;
}
