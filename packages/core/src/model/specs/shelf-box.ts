/** Spec of a shelf box: dividers and shelves in a tree of spaces. */
import type { Entered } from '../../length/entered.ts';
import type { Shelled } from './shell.ts';
import type { FaceFrameChoice } from './face-frame.ts';
import type { DoorChoice } from './doors.ts';

/** A shelf or a divider of the spec. */
export interface SpaceElement {
  readonly id: string;
  /** Among those that divide the same space. */
  readonly order: number;
  /** From the space's floor or left face to its own underside or left face; null for an equal share. */
  readonly at: Entered | null;
  /** The space it divides, and how often that space was divided before. */
  readonly in: string;
  readonly level: number;
}

export interface ShelfElement extends SpaceElement {
  /** Fixed in its joints, or on pins. */
  readonly fixing: 'fixed' | 'pins';
}

/** Rows of holes for shelves on pins. */
export interface PinRows {
  /** The end of a space the first hole is measured from. */
  readonly from: 'bottom' | 'top';
  /** The same for the right-hand rows: a jig turned end for end starts at the other end. */
  readonly fromRight: 'bottom' | 'top';
  readonly first: Entered;
  readonly pitch: Entered;
  /** Inset of the rows from the shelf's front and rear edges. */
  readonly inset: Entered;
  readonly diameter: Entered;
}

export interface ShelfBox extends Shelled {
  readonly family: 'shelf-box';
  readonly shelfJoint: 'butt' | 'dado';
  readonly shelves: Readonly<Record<string, ShelfElement>>;
  readonly dividers: Readonly<Record<string, SpaceElement>>;
  readonly pins: PinRows;
  /** Setback of shelves and dividers from the front edges. */
  readonly setback: Entered;
  /** A strip across the bottom of the back, to screw through; null for none. */
  readonly nailingStrip: Entered | null;
  readonly faceFrame: FaceFrameChoice | null;
  readonly doors: DoorChoice;
}
