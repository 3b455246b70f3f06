/** The workshop: tools and materials. It belongs to the installation and is shared by all projects. */
import type { DisplayUnit, Length } from '../length/length.ts';
import type { Entered } from '../length/entered.ts';
import type { MaterialId } from './materials.ts';
import type { Shop } from './shop.ts';

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

/** Name of a piece: 'offcut-7' is offcut 7. */
export const pieceName = (id: string): string => id.replace('-', ' ');

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

/** One caliper reading, a fact of the shop record. */
export interface ThicknessReading {
  readonly product: string;
  readonly value: Entered;
  /** Label on its sheet: 'A', '2'. */
  readonly sheet?: string;
  /** Position on that sheet. */
  readonly place?: SheetPlace;
}

/** Corners, edge middles, and center, as the sheet lies with its length from left to right. */
export const SHEET_PLACES = ['far-left', 'far', 'far-right', 'left', 'middle', 'right', 'near-left', 'near', 'near-right'] as const;
export type SheetPlace = (typeof SHEET_PLACES)[number];

export interface ThicknessUsed {
  readonly value: Length;
  readonly nominal: Length;
  readonly readings: number;
  /** Largest minus smallest reading. */
  readonly spread: Length;
}

/** Whether an offcut is worth keeping, either way around. */
export const keepsOffcut = ({ keep }: Pick<Shop, 'keep'>, { dx, dy }: { readonly dx: Length; readonly dy: Length }): boolean =>
  (dx >= keep.length.nm && dy >= keep.width.nm) || (dy >= keep.length.nm && dx >= keep.width.nm);

/** The workshop as a project file carries it, without the stock on hand of others, and without saying who has what. */
export function withoutStore(workshop: Workshop, project: string): Workshop {
  const { pieces } = availableTo(workshop, project);
  return { ...workshop, pieces: Object.fromEntries(Object.entries(pieces).map(([id, { reserved: _reserved, ...piece }]) => [id, piece])) };
}

/** The workshop as available to one project, without stock reserved for others. */
export function availableTo(workshop: Workshop, project: string): Workshop {
  const { pieces } = workshop;
  const others = Object.values(pieces).filter(({ reserved }) => reserved !== undefined && reserved.project !== project);
  if (others.length === 0) return workshop;
  const taken = new Set(others.map(({ id }) => id));
  return { ...workshop, pieces: Object.fromEntries(Object.entries(pieces).filter(([id]) => !taken.has(id))) };
}
