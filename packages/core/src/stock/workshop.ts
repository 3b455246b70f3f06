/** The workshop: what there is to build from and with. It belongs to the installation and is shared by all projects. */
import type { DisplayUnit, Length } from '../length/length.ts';
import type { Entered } from '../length/entered.ts';
import type { MaterialId } from './materials.ts';
import type { Shop } from './shop.ts';

/** A kind of sheet, or of solid board bought by the length, that can be bought again. */
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

/** A piece left over from earlier work, still good: of a sheet, or a length of a board. */
export interface Offcut {
  readonly id: string;
  readonly product: string;
  readonly length: Entered;
  readonly width: Entered;
  /** Knots, splits, nail holes of a board: stretches from its left end that no part may touch. */
  readonly flaws?: Readonly<Record<string, Flaw>>;
  /** Where it is kept: 'behind the door'. */
  readonly place?: string;
  /** No edge of it is straight: none can run along a fence. */
  readonly crooked?: boolean;
}

export interface Flaw {
  readonly id: string;
  readonly from: Entered;
  readonly to: Entered;
}

export interface Workshop {
  readonly currency: string;
  readonly shop: Shop;
  readonly products: Readonly<Record<string, Product>>;
  readonly offcuts: Readonly<Record<string, Offcut>>;
}

/** One caliper reading, a fact of the shop record. */
export interface ThicknessReading {
  readonly product: string;
  readonly value: Entered;
  /** What is written on the sheet it was taken from: 'A', '2'. */
  readonly sheet?: string;
  /** Where on that sheet. */
  readonly place?: SheetPlace;
}

/** Corners, the middles of the edges, and the middle, as the sheet lies with its length from left to right. */
export const SHEET_PLACES = ['far-left', 'far', 'far-right', 'left', 'middle', 'right', 'near-left', 'near', 'near-right'] as const;
export type SheetPlace = (typeof SHEET_PLACES)[number];

export interface ThicknessUsed {
  readonly value: Length;
  readonly nominal: Length;
  readonly readings: number;
  /** Largest less smallest reading. */
  readonly spread: Length;
}

/** Whether a piece that is left over is worth keeping, either way round. */
export const keepsOffcut = ({ keep }: Pick<Shop, 'keep'>, { dx, dy }: { readonly dx: Length; readonly dy: Length }): boolean =>
  (dx >= keep.length.nm && dy >= keep.width.nm) || (dy >= keep.length.nm && dx >= keep.width.nm);
