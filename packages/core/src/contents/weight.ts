/** Weights as people type and read them: kilograms and grams, pounds and ounces. Stored in kilograms to the tenth of a gram. */
import type { DisplayUnit } from '../length/length.ts';
import { accept, refuse, type Outcome } from '../problem/problem.ts';
import { KG_PER_POUND } from '../length/constants.ts';

export const MASS_UNITS = ['kg', 'g', 'lb', 'oz'] as const;
export type MassUnit = (typeof MASS_UNITS)[number];

/** Kilograms of one. Source: the international avoirdupois pound of 1959, sixteen ounces to it. */
const KG: Readonly<Record<MassUnit, number>> = { kg: 1, g: 0.001, lb: KG_PER_POUND, oz: KG_PER_POUND / 16 };

/** Of one item. */
export const MAX_ITEM_KG = 500;

/** '2,5', '800 g', '3 lb 4 oz': kilograms. A bare number is in `unit`. */
export function readWeight(text: string, unit: MassUnit, where: string): Outcome<number> {
  const amounts = [...text.matchAll(/(\d+(?:[.,]\d+)?|[.,]\d+)\s*(kg|g|lbs?|oz)?/gi)];
  const rest = amounts.reduce((left, [whole]) => left.replace(whole, ''), text).trim();
  const known = amounts.every(([, , own]) => own !== undefined);
  const kg = amounts.reduce(
    (sum, [, amount, own]) => sum + Number(amount!.replace(',', '.')) * KG[(own?.toLowerCase().replace('lbs', 'lb') ?? unit) as MassUnit],
    0,
  );
  const wrong = amounts.length === 0 || rest !== '' || (amounts.length > 1 && !known) || kg > MAX_ITEM_KG;
  return wrong
    ? refuse('cell', `'${text.slice(0, 40)}' is no weight`, where, `a weight up to ${MAX_ITEM_KG} kg, such as 2.5, 800 g or 3 lb 4 oz`)
    : accept(Math.round(kg * 1e4) / 1e4);
}

/** '1.02 kg', or '2 lb 4 oz' where inches are read: to the gram, or the tenth of an ounce. */
export function weightText(kg: number, unit: DisplayUnit): string {
  if (unit === 'mm') return `${Math.round(kg * 1000) / 1000} kg`;
  const ounces = Math.round((kg / KG.oz) * 10) / 10;
  const pounds = Math.floor(ounces / 16 + 1e-9);
  const left = Math.round((ounces - pounds * 16) * 10) / 10;
  if (pounds === 0) return `${left} oz`;
  return left === 0 ? `${pounds} lb` : `${pounds} lb ${left} oz`;
}
