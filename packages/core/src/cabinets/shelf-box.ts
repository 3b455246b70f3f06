/** The shelf box spec: the everyday wall cabinet, and the thin lidded box. Its panels are made in shelf-box-build.ts. */
import { inOrder } from './spaces.ts';
import { newShell } from './shell.ts';
import type { ShelfBox, ShelfElement } from '../model/specs/shelf-box.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';

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
