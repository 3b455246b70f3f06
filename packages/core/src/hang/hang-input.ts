/** What the load path is worked out from. */
import type { MaterialOf, UnitWeights } from '../parts/weights.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import type { Wall } from '../wall/wall.ts';
import type { RailFault } from './on-rail.ts';

/** A weight on a stud, mm from the unit's left end. */
export interface StudLoad {
  readonly atMm: number;
  readonly newtons: number;
  /** The unit it comes from. */
  readonly from: string;
}

export interface HangInput {
  readonly unit: ResolvedUnit;
  readonly weights: UnitWeights;
  readonly wall: Wall;
  /** Stud centres along the unit frame (mm from the unit's left end). */
  readonly studsMm: readonly number[];
  readonly materialOf: MaterialOf;
  /** What other units on the same rail lay on its studs. */
  readonly neighbours: readonly StudLoad[];
  /** What keeps the unit off the rail it is to hang on. */
  readonly railFault: RailFault | null;
  /** Faced or prefinished: glue does not hold on it. */
  readonly isFaced: (productId: string) => boolean;
}
