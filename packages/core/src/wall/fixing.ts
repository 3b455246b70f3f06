/** Fixings where there is no timber stud, as entered: plugs in masonry, anchors in wallboard, the sheet of metal studs. */
import { entered, type Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';

export const PLUG_IDS = ['6mm', '8mm', '10mm'] as const;
export type PlugId = (typeof PLUG_IDS)[number];

export interface WallFixing {
  /** Into studs or masonry; or into the covering alone, with anchors. */
  readonly into: 'ground' | 'covering';
  readonly plug: PlugId;
  /** Maker's rating of one, N, straight out and along the wall; null where unknown. */
  readonly pullN: number | null;
  readonly shearN: number | null;
  /** Whether the rating is an allowable load, or a failure load. */
  readonly rating: 'working' | 'ultimate';
  /** Center to center, where no stud decides. */
  readonly every: Entered;
  /** Sheet thickness of metal studs. */
  readonly metal: Entered;
  /** Straight sum of pull and shear in timber too; absent: the rule of the ground. */
  readonly strict?: boolean;
}

/** Upper limit of a rating, N. */
export const MAX_RATING_N = 20_000;

export const newFixing = (unit: DisplayUnit): WallFixing => ({
  into: 'ground',
  plug: '8mm',
  pullN: null,
  shearN: null,
  rating: 'ultimate',
  every: entered(unit === 'mm' ? '300 mm' : '12 in'),
  metal: entered('0.5 mm'),
});
