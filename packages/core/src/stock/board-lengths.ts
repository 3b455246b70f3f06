/** A board is sold in several lengths, each a product with its own price: where everything else is equal, a part comes out of any of them. */
import { tapeTextWithUnit } from '../length/format.ts';
import type { Product, UnpricedProduct, UnpricedWorkshop, Workshop } from '../model/workshop.ts';

/** A length at the end of a name, as merchants write it: 'Pine board 1x4, 8 ft', 'Spruce 18 x 144 mm x 3 m'. */
const LENGTH_AT_END = /[\s,x×]+\d+([.,]\d+)?( \d+\/\d+)?\s*(ft|foot|feet|m|cm|'|′)\.?$/i;

/** Its name without a final length. */
export const nameOfKind = ({ name }: Pick<Product, 'name'>): string => name.replace(LENGTH_AT_END, '').trim();

const kindOf = ({ name, material, nominal, width, faced, grain }: UnpricedProduct): string =>
  [nameOfKind({ name }).toLowerCase(), material, nominal.nm, width.nm, faced, grain].join('\n');

/** All lengths a board is sold in, shortest first, itself included; of a sheet, itself alone. */
export function lengthsForSale<P extends UnpricedProduct>(product: P, { products }: { readonly products: Readonly<Record<string, P>> }): P[] {
  if (product.kind === 'sheet') return [product];
  const kind = kindOf(product);
  return Object.values(products)
    .filter((each) => each.kind === 'board' && kindOf(each) === kind)
    .sort((a, b) => a.length.nm - b.length.nm || (a.id < b.id ? -1 : 1));
}

/** The longest of them. */
export const longestForSale = (product: UnpricedProduct, workshop: Pick<UnpricedWorkshop, 'products'>): UnpricedProduct =>
  lengthsForSale(product, workshop).at(-1)!;

/** The length it is sold in, in the unit it is sold in. */
export const lengthSold = ({ length, unit }: UnpricedProduct): string => tapeTextWithUnit(length.nm, unit);

/** A product's name; with its length where it is sold in several. */
export function nameInLists(product: Product, workshop: Pick<Workshop, 'products'>): string {
  return lengthsForSale(product, workshop).length > 1 ? `${nameOfKind(product)}, ${lengthSold(product)}` : product.name;
}

/** Another length of a board, as a product under an unused id. */
export function inAnotherLength(product: Product, length: Product['length'], price: number, { products }: Pick<Workshop, 'products'>): Product {
  const stem = `${product.id}-${length.text.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`.replace(/-$/, '').slice(0, 58);
  let id = stem;
  for (let n = 2; Object.hasOwn(products, id); n++) id = `${stem}-${n}`;
  return { ...product, id, name: nameOfKind(product), length, price };
}
