/** Earlier prices of a sheet in words: '72.00 until 3 Nov'. */
import type { PriceRow } from '../../app/merchant.ts';

/** Number of changes shown. */
const TOLD = 3;

const day = (iso: string): string => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** Latest first; empty where it never changed. */
export function pastPrices(offer: string, rows: readonly PriceRow[]): string {
  const own = rows.filter((row) => row.offer === offer);
  const past = own.slice(0, -1).map(({ price }, index) => `${price.toFixed(2)} until ${day(own[index + 1]!.heardAt)}`);
  const texts = past.slice(-TOLD).reverse();
  const range = own.map(({ price }) => price);
  return texts.length === 0
    ? ''
    : `before: ${texts.join(', ')}; from ${Math.min(...range).toFixed(2)} to ${Math.max(...range).toFixed(2)} in ${own.length} prices heard`;
}
