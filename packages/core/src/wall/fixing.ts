/** What a cabinet is fixed with where no timber stud is reached, as it was entered: plugs in masonry, anchors in wallboard, the sheet of metal studs. */
import { entered, type Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';

export const PLUG_IDS = ['6mm', '8mm', '10mm'] as const;
export type PlugId = (typeof PLUG_IDS)[number];

export interface WallFixing {
  /** Into studs or masonry; or into the covering alone, with anchors. */
  readonly into: 'ground' | 'covering';
  readonly plug: PlugId;
  /** The maker's rating of one, N, straight out and along the wall; null when nobody knows. */
  readonly pullN: number | null;
  readonly shearN: number | null;
  /** Whether that is what it may carry, or what it fails at. */
  readonly rating: 'working' | 'ultimate';
  /** Center to center, where no stud says where they go. */
  readonly every: Entered;
  /** Of the sheet metal studs are folded from. */
  readonly metal: Entered;
  /** Pull and shear add up straight in timber too; absent: by the rule of the ground. */
  readonly strict?: boolean;
}

/** The most a rating can say, N. */
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
