/** Pocket screws: bored aslant into the face of the part that butts, out of the middle of its end. docs/formulas/pocket-screws.md */
import { ASSUMED } from '../assumed/assumed.ts';

/** The usual guide bores at this angle to the face. */
export const POCKET_DEG = 15;

/**
 * How deep a pocket screw reaches into its mate, square to the mate's face, mm: below 0 for one that does not come out of the end.
 * @param lengthMm of the screw, from under its head
 * @param thicknessMm of the part the pocket is bored into
 */
export const pocketReach = (lengthMm: number, thicknessMm: number): number =>
  (lengthMm - ASSUMED.pocketSeat.value * thicknessMm) * Math.cos((POCKET_DEG * Math.PI) / 180);
