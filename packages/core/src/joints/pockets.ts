/** Pocket screws: drilled at an angle into the face of the butting part, out of the middle of its end. docs/formulas/pocket-screws.md */
import { ASSUMED } from '../assumed/assumed.ts';

/** Angle of the usual guide to the face. */
export const POCKET_DEG = 15;

/**
 * Penetration of a pocket screw into its mate, square to the mate's face, mm; negative for one that does not leave the end.
 * @param lengthMm of the screw, from under its head
 * @param thicknessMm of the pocketed part
 */
export const pocketReach = (lengthMm: number, thicknessMm: number): number =>
  (lengthMm - ASSUMED.pocketSeat.value * thicknessMm) * Math.cos((POCKET_DEG * Math.PI) / 180);
