/** The shelf box spec: the everyday wall cabinet, and the thin lidded box. Its panels are made in shelf-box-build.ts. */
import type { Entered } from '../length/entered.ts';
import type { DoorChoice } from './doors.ts';
import type { FaceFrameChoice } from './face-frame.ts';
import { inOrder, type SpaceElement } from './spaces.ts';
import { newShell, type Shelled } from './shell.ts';
import { newBase, pick, type NewSpec } from './spec-base.ts';

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

export const shelvesInOrder = (box: Pick<ShelfBox, 'shelves'>): ShelfElement[] => inOrder(box.shelves);

/** Name of the space on the inside floor. */
export const FLOOR = 'bottom';

export interface NewShelfBox extends NewSpec {
  readonly shelves: number;
}

/** A sound default: bottom in a dado with a lip under it, back in a rabbet, cleat outside with a spacer, hanging rail. */
export function newShelfBox({ shelves, ...start }: NewShelfBox): ShelfBox {
  const { unit, stock, backStock } = start;
  const elements = Array.from({ length: shelves }, (_, index): ShelfElement => ({
    id: `s${index + 1}`,
    order: index + 1,
    at: null,
    in: FLOOR,
    level: 0,
    fixing: 'fixed',
  }));
  return {
    ...newBase('shelf-box', start, [FLOOR, ...elements.map(({ id }) => id)]),
    ...newShell(unit, backStock),
    shelfJoint: 'dado',
    shelves: Object.fromEntries(elements.map((element) => [element.id, element])),
    dividers: {},
    pins: {
      from: 'bottom',
      fromRight: 'bottom',
      first: pick(unit, '96', '4'),
      pitch: pick(unit, '32', '1 1/4'),
      inset: pick(unit, '37', '1 1/2'),
      diameter: pick(unit, '5', '1/4'),
    },
    setback: pick(unit, '0', '0'),
    nailingStrip: null,
    faceFrame: null,
    doors: {
      stock,
      lies: 'inset',
      reveal: pick(unit, '2', '3/32'),
      handle: 'none',
      handleIn: pick(unit, '40', '1 1/2'),
      stays: 0,
      infill: 'none',
      infillStock: backStock,
      railWidth: pick(unit, '60', '2 1/4'),
    },
  };
}
