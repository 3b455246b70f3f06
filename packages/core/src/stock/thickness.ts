/** The thickness to build with: the mean of what was measured, else the name on the sheet. */
import type { Length } from '../length/length.ts';
import type { Source } from '../worked/dimension.ts';
import type { Product, ThicknessReading, ThicknessUsed } from './workshop.ts';

/** A reading this far from the name is a slip of the caliper or the wrong sheet. [ASSUME] a quarter of the nominal. */
export const PLAUSIBLE_SHARE = 0.25;

/** Mean, count and spread of the readings taken on a product. */
export function thicknessOf(product: Product, readings: readonly ThicknessReading[]): ThicknessUsed {
  const values = readings.filter((reading) => reading.product === product.id).map(({ value }) => value.nm);
  const nominal = product.nominal.nm;
  if (values.length === 0) return { value: nominal, nominal, readings: 0, spread: 0 as Length };
  const mean = Math.round(values.reduce<number>((sum, nm) => sum + nm, 0) / values.length) as Length;
  return { value: mean, nominal, readings: values.length, spread: (Math.max(...values) - Math.min(...values)) as Length };
}

export const thicknessSource = (product: Product, used: ThicknessUsed): Source =>
  used.readings > 0 ? { kind: 'measured', product: product.id, readings: used.readings } : { kind: 'nominal', product: product.id };
