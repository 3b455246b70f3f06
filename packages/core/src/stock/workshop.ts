/** The workshop: tools and materials. It belongs to the installation and is shared by all projects. */
import type { Length } from '../length/length.ts';
import type { UnpricedProduct, UnpricedWorkshop, Workshop } from '../model/workshop.ts';
import type { Shop } from '../model/shop.ts';

/** Name of a piece: 'offcut-7' is offcut 7. */
export const pieceName = (id: string): string => id.replace('-', ' ');

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

/**
 * The workshop without its prices.
 * @param before an earlier one: what is the same in both keeps its identity, so that a price changes nothing that is built
 */
export function withoutPrices({ products, shop, pieces }: Workshop, before?: UnpricedWorkshop): UnpricedWorkshop {
  const rows = Object.entries(products).map(([id, { price: _price, ...product }]) => {
    const known = before && Object.hasOwn(before.products, id) ? before.products[id] : undefined;
    return [id, known && isSameProduct(known, product) ? known : product] as const;
  });
  const isSame = before && Object.keys(before.products).length === rows.length && rows.every(([id, product]) => before.products[id] === product);
  if (isSame && before.shop === shop && before.pieces === pieces) return before;
  return { products: isSame ? before.products : Object.fromEntries(rows), shop, pieces };
}

const isSameProduct = (a: UnpricedProduct, b: UnpricedProduct): boolean =>
  (Object.keys({ ...a, ...b }) as (keyof UnpricedProduct)[]).every((key) => a[key] === b[key]);
