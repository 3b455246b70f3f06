/** What all parts of a box share: stock with its thickness, the inside, and one way to make a panel. */
import { ZERO, type Length } from '../length/length.ts';
import { rectangle, type Cut, type Edge, type Frame, type Grain, type Panel, type Role } from '../solid/panel.ts';
import { thicknessSource } from '../stock/thickness.ts';
import type { Product, ThicknessUsed } from '../stock/workshop.ts';
import type { Dimension, Label, Source } from '../worked/dimension.ts';
import type { ShelfBox } from './shelf-box.ts';

/** A product with the thickness it is built with. */
export interface Stocked {
  readonly product: Product;
  readonly used: ThicknessUsed;
  /** Kerf of the saw that will cut it. */
  readonly kerf: Length;
}

export type StockOf = (productId: string) => Stocked;

/** Everything the parts of a box share; made once, before any panel is placed. */
export interface BoxFrame {
  readonly box: ShelfBox;
  readonly stockOf: StockOf;
  readonly T: Length;
  readonly back: Stocked | null;
  readonly backThickness: Length;
  /** Distances out from the wall: rear of sides, rear of back, front of back, front edge. */
  readonly rear: Length;
  readonly carcassRear: Length;
  readonly insideRear: Length;
  readonly front: Length;
  /** Heights over the unit's bottom: inside floor and inside ceiling. */
  readonly floor: Length;
  readonly ceiling: Length;
  readonly insideWidth: Dimension;
  readonly insideHeight: Dimension;
  readonly insideDepth: Dimension;
  readonly carcassDepth: Dimension;
}

/** Where a number was entered, as a path into the design. */
export const own = (box: ShelfBox, ...path: string[]): Source => ({ kind: 'entered', path: ['units', box.id, ...path] });

/** Fills in what every panel of a box shares. */
export function boxPanel(
  base: Pick<BoxFrame, 'box' | 'stockOf'>,
  role: Role,
  element: string,
  name: Label,
  at: { frame: Frame; length: Dimension; width: Dimension; stock: string; outline?: Edge[]; banded?: boolean; grain?: Grain; onWall?: boolean; cuts?: readonly Cut[] },
): Panel {
  const { product, used } = base.stockOf(at.stock);
  const band = at.banded && base.box.band ? base.box.band.nm : ZERO;
  return {
    id: `${base.box.id}/${role}${element ? `/${element}` : ''}`,
    role,
    name,
    frame: at.frame,
    outline: at.outline ?? rectangle(at.length.value, at.width.value),
    thickness: used.value,
    thicknessFrom: thicknessSource(product, used),
    length: at.length,
    width: at.width,
    stock: at.stock,
    grain: product.grain === 'none' ? 'none' : (at.grain ?? 'length'),
    bands: band > 0 ? ['far'] : [],
    bandThickness: band,
    cuts: at.cuts ?? [],
    onWall: at.onWall ?? false,
  };
}
