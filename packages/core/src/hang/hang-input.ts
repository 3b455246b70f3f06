/** What the load path is worked out from. */
import type { MaterialOf, UnitWeights } from '../parts/weights.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import type { Wall } from '../wall/wall.ts';

export interface HangInput {
  readonly unit: ResolvedUnit;
  readonly weights: UnitWeights;
  readonly wall: Wall;
  /** Stud centres along the unit frame (mm from the unit's left end). */
  readonly studsMm: readonly number[];
  readonly materialOf: MaterialOf;
  /** Faced or prefinished: glue does not hold on it. */
  readonly isFaced: (productId: string) => boolean;
}
