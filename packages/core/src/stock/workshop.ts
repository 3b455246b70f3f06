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
  /** The cabinet it is sold and shown in. */
  readonly unit: DisplayUnit;
}

/** A piece in the store: a sheet or a board that was bought, or what was left over from earlier work and is still good. */
export interface StockPiece {
  readonly id: string;
  readonly product: string;
  readonly kind: 'whole' | 'offcut';
  /** As measured. */
  readonly length: Entered;
  readonly width: Entered;
  /** Both diagonals of a sheet, as measured: how far it is out of square. */
  readonly diagonals?: { readonly one: Entered; readonly other: Entered };
  /** Knots, splits, nail holes, crushed corners: what no part may touch. */
  readonly flaws?: Readonly<Record<string, Flaw>>;
  /** Where it is kept: 'behind the door'. */
  readonly place?: string;
  /** No edge of it is straight: none can run along a fence. */
  readonly crooked?: boolean;
  /** Its edges are sawn already: nothing is trimmed off. */
  readonly sawn?: boolean;
  /** The layout and the piece of it that this was left over from. */
  readonly from?: string;
  /** The project it is kept for; others leave it alone. */
  readonly reserved?: { readonly project: string; readonly name: string };
}

/** A piece as it is spoken of: 'offcut-7' is offcut 7. */
export const pieceName = (id: string): string => id.replace('-', ' ');

/** From its left end so far and so far; of a sheet, from its near edge too. */
export interface Flaw {
  readonly id: string;
  readonly from: Entered;
  readonly to: Entered;
  readonly across?: { readonly from: Entered; readonly to: Entered };
}

export interface Workshop {
  /** As it is written after an amount. */
  readonly currency: string;
  /** On what is bought; `included` when prices have it in them already. */
  readonly tax: { readonly percent: number; readonly included: boolean };
  readonly shop: Shop;
  readonly products: Readonly<Record<string, Product>>;
  /** What is in the store now. */
  readonly pieces: Readonly<Record<string, StockPiece>>;
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

/** The workshop as a project's file carries it: what others have is not in it, and nothing says who has what. */
export function withoutStore(workshop: Workshop, project: string): Workshop {
  const { pieces } = availableTo(workshop, project);
  return { ...workshop, pieces: Object.fromEntries(Object.entries(pieces).map(([id, { reserved: _reserved, ...piece }]) => [id, piece])) };
}

/** The workshop as one project may use it: what is kept for others is left alone. */
export function availableTo(workshop: Workshop, project: string): Workshop {
  const { pieces } = workshop;
  const others = Object.values(pieces).filter(({ reserved }) => reserved !== undefined && reserved.project !== project);
  if (others.length === 0) return workshop;
  const taken = new Set(others.map(({ id }) => id));
  return { ...workshop, pieces: Object.fromEntries(Object.entries(pieces).filter(([id]) => !taken.has(id))) };
}
