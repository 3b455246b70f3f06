/** The workshop of an installation, shared by its projects: products, prices, stock on hand, and the shop. */
import type { Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { Shop } from './shop.ts';

export type MaterialId =
  | 'birch-plywood'
  | 'hardwood-faced-plywood'
  | 'softwood-plywood'
  | 'lauan-plywood'
  | 'mdf'
  | 'particleboard'
  | 'osb'
  | 'hardboard'
  | 'spf'
  | 'douglas-fir'
  | 'southern-pine'
  | 'red-oak'
  | 'hard-maple'
  | 'yellow-poplar'
  | 'white-pine'
  | 'hollow-core'
  | 'glass';

/** A sheet product, or a solid board sold by length. */
export interface Product {
  readonly id: string;
  readonly name: string;
  readonly kind: 'sheet' | 'board';
  readonly material: MaterialId;
  readonly nominal: Entered;
  readonly length: Entered;
  readonly width: Entered;
  /** Price of one piece in the workshop's money. */
  readonly price: number;
  /** Melamine, paint or another finish on the faces: glue does not hold on it. */
  readonly faced: boolean;
  readonly grain: 'length' | 'none';
  /** The unit it is sold and shown in. */
  readonly unit: DisplayUnit;
}

/** A product as building sees it: no size or verdict depends on a price. */
export type UnpricedProduct = Omit<Product, 'price'>;

/** Stock on hand: a bought sheet or board, or a usable offcut. */
export interface StockPiece {
  readonly id: string;
  readonly product: string;
  readonly kind: 'whole' | 'offcut';
  /** As measured. */
  readonly length: Entered;
  readonly width: Entered;
  /** Both diagonals of a sheet, as measured: how far it is out of square. */
  readonly diagonals?: { readonly one: Entered; readonly other: Entered };
  /** Knots, splits, nail holes, crushed corners: no part may touch them. */
  readonly flaws?: Readonly<Record<string, Flaw>>;
  /** Where it is kept: 'behind the door'. */
  readonly place?: string;
  /** It has no straight edge: none can run along a fence. */
  readonly crooked?: boolean;
  /** Its edges are sawn already: no trim. */
  readonly sawn?: boolean;
  /** The layout it was left over from, and its piece there. */
  readonly from?: string;
  /** The project it is reserved for. */
  readonly reserved?: { readonly project: string; readonly name: string };
}

/** From its left end; for a sheet, from its near edge too. */
export interface Flaw {
  readonly id: string;
  readonly from: Entered;
  readonly to: Entered;
  readonly across?: { readonly from: Entered; readonly to: Entered };
}

export interface Workshop {
  /** As written after an amount. */
  readonly currency: string;
  /** On purchases; `included` when prices contain it. */
  readonly tax: { readonly percent: number; readonly included: boolean };
  readonly shop: Shop;
  readonly products: Readonly<Record<string, Product>>;
  /** Stock on hand. */
  readonly pieces: Readonly<Record<string, StockPiece>>;
}

export type Grain = 'length' | 'width' | 'none';

/** The workshop as building sees it, without money. */
export interface UnpricedWorkshop extends Pick<Workshop, 'shop' | 'pieces'> {
  readonly products: Readonly<Record<string, UnpricedProduct>>;
}
