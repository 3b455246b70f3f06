/** A sheet merchant's offers, and which of them match a product. */
import type { Entered } from '../length/entered.ts';
import type { MaterialId, Product, Workshop } from '../model/workshop.ts';

export interface Offer {
  /** The merchant's own number. */
  readonly id: string;
  readonly material: MaterialId;
  readonly nominal: Entered;
  readonly length: Entered;
  readonly width: Entered;
  readonly price: number;
  readonly inStock: number;
  /** Days until it is in stock, or sawn and ready. */
  readonly leadDays: number;
}

/** Offers of the same material and thickness, faced or not alike, cheapest per area first. */
export const offersOf = ({ kind, material, nominal, faced }: Product, offers: readonly Offer[]): Offer[] =>
  kind !== 'sheet' || faced
    ? []
    : offers
        .filter((offer) => offer.material === material && offer.nominal.nm === nominal.nm)
        .sort((a, b) => perArea(a) - perArea(b) || (a.id < b.id ? -1 : 1));

const perArea = ({ price, length, width }: Offer): number => price / ((length.nm / 1e9) * (width.nm / 1e9));

export const isSameSize = (product: Pick<Product, 'length' | 'width'>, offer: Pick<Offer, 'length' | 'width'>): boolean =>
  product.length.nm === offer.length.nm && product.width.nm === offer.width.nm;

/** The product as bought by an offer: its size and price. */
export const boughtAs = (product: Product, { length, width, price }: Offer): Product => ({ ...product, length, width, price });

/** Whether a sheet fits the car lying flat; true without a limit. */
export function fitsCar({ shop: { car } }: Pick<Workshop, 'shop'>, { length, width }: Pick<Offer, 'length' | 'width'>): boolean {
  if (!car) return true;
  const sorted = (a: number, b: number): [number, number] => [Math.max(a, b), Math.min(a, b)];
  const [long, wide] = sorted(car.length.nm, car.width.nm);
  const [l, w] = sorted(length.nm, width.nm);
  return l <= long && w <= wide;
}
