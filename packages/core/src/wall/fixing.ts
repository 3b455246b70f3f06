/** Fixings where there is no timber stud, as entered: plugs in masonry, anchors in wallboard, the sheet of metal studs. */
import { entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { WallFixing } from '../model/wall.ts';

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
