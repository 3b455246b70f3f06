/** Thickness to build with: the mean of the readings, else the nominal thickness. */
import type { Length } from '../length/length.ts';
import type { Source } from '../explained/explained-length.ts';
import type { ThicknessUsed } from './workshop.ts';
import type { UnpricedProduct } from '../model/workshop.ts';
import type { ThicknessReading } from '../model/record.ts';

/** A reading further from the nominal is a caliper error or the wrong sheet. [ASSUME] a quarter of the nominal */
export const PLAUSIBLE_SHARE = 0.25;

/** Mean, number and spread of a product's readings. */
export function thicknessOf(product: UnpricedProduct, readings: readonly ThicknessReading[]): ThicknessUsed {
  const values = readings.filter((reading) => reading.product === product.id).map(({ value }) => value.nm);
  const nominal = product.nominal.nm;
  if (values.length === 0) return { value: nominal, nominal, readings: 0, spread: 0 as Length };
  const mean = Math.round(values.reduce<number>((sum, nm) => sum + nm, 0) / values.length) as Length;
  return { value: mean, nominal, readings: values.length, spread: (Math.max(...values) - Math.min(...values)) as Length };
}

export const thicknessSource = (product: UnpricedProduct, used: ThicknessUsed): Source =>
  used.readings > 0 ? { kind: 'measured', product: product.id, readings: used.readings } : { kind: 'nominal', product: product.id };

/** Readings of one sheet: readings that name no sheet belong to the lot. */
export interface SheetMeasured {
  readonly sheet: string | null;
  readonly readings: readonly ThicknessReading[];
  readonly mean: Length;
  readonly spread: Length;
  readonly trend: Trend | null;
}

/** Thicker at one edge than at the opposite one, by the difference of their means. */
export interface Trend {
  readonly towards: 'left' | 'right' | 'far' | 'near';
  readonly by: Length;
}

/** Readings of a product, sheet by sheet in the order they were begun. */
export function sheetsMeasured(product: string, readings: readonly ThicknessReading[]): SheetMeasured[] {
  const bySheet = new Map<string | null, ThicknessReading[]>();
  for (const reading of readings) {
    if (reading.product !== product) continue;
    const sheet = reading.sheet ?? null;
    bySheet.set(sheet, [...(bySheet.get(sheet) ?? []), reading]);
  }
  return [...bySheet].map(([sheet, own]) => {
    const values = own.map(({ value }) => value.nm);
    return {
      sheet,
      readings: own,
      mean: meanOf(values),
      spread: (Math.max(...values) - Math.min(...values)) as Length,
      trend: sheet === null ? null : trendOf(own),
    };
  });
}

const meanOf = (values: readonly number[]): Length => Math.round(values.reduce((sum, nm) => sum + nm, 0) / values.length) as Length;

const OPPOSITE_EDGES = [
  ['left', 'right'],
  ['near', 'far'],
] as const;

/** The greater difference between opposite edges; null where no opposite edges were measured, or they are equal. */
export function trendOf(readings: readonly ThicknessReading[]): Trend | null {
  const edge = (name: string): number | null => {
    const on = readings.filter(({ place }) => place?.split('-').includes(name)).map(({ value }) => value.nm);
    return on.length > 0 ? meanOf(on) : null;
  };
  const found = OPPOSITE_EDGES.flatMap(([one, other]): Trend[] => {
    const [a, b] = [edge(one), edge(other)];
    if (a === null || b === null || a === b) return [];
    return [{ towards: a > b ? one : other, by: Math.abs(a - b) as Length }];
  });
  return found.sort((a, b) => b.by - a.by)[0] ?? null;
}

/** Mean of the readings of one sheet, by its label; null without readings. */
export function sheetThickness(product: string, sheet: string, readings: readonly ThicknessReading[]): Length | null {
  const values = readings.filter((reading) => reading.product === product && reading.sheet === sheet).map(({ value }) => value.nm);
  return values.length > 0 ? meanOf(values) : null;
}
