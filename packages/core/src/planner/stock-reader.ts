/** Products with the thickness they are built with. */
import type { Stocked } from '../cabinets/box-frame.ts';
import type { ThicknessReading } from '../model/record.ts';
import type { UnpricedWorkshop } from '../model/workshop.ts';
import { widestKerf } from '../stock/shop.ts';
import { thicknessOf } from '../stock/thickness.ts';

/**
 * Looks up products by id.
 * @throws RangeError on a product missing from the workshop; readers check that first
 */
export function stockReader(readings: readonly ThicknessReading[], { products, shop }: Pick<UnpricedWorkshop, 'products' | 'shop'>): (id: string) => Stocked {
  const memory = new Map<string, Stocked>();
  const kerf = widestKerf(shop);
  return (id) => {
    const known = memory.get(id);
    if (known) return known;
    const product = products[id];
    if (!product) throw new RangeError(`there is no product '${id}' in the workshop`);
    const stocked: Stocked = { product, used: thicknessOf(product, readings), kerf, fits: shop.fits };
    memory.set(id, stocked);
    return stocked;
  };
}
