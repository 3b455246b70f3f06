/** Totals of a trip: each product bought together and project by project. */
import { boardPurchases, isNewSheet, type NestPlan, type Purchase, type SheetJob, type ToBeCut, type YardTrip } from '@keen/core';
import type { TripLayouts } from './useTripSearch.ts';

export interface TripRow {
  readonly product: string;
  /** Null while a layout is missing. */
  readonly together: number | null;
  readonly alone: number | null;
}

const newSheets = (job: SheetJob, plan: NestPlan | undefined): number | null =>
  plan ? plan.sheets.filter(({ sheet }) => isNewSheet(sheet, job.product)).length : null;

/** By product; null for one whose layout is missing. */
function bought({ sheets, boards }: ToBeCut, plans: ReadonlyMap<string, NestPlan>): Map<string, number | null> {
  const counts = new Map<string, number | null>(sheets.map((job) => [job.product, newSheets(job, plans.get(job.product))]));
  for (const { product, count } of boardPurchases(boards)) counts.set(product, count);
  return counts;
}

/** Sheets first, in the order of the cut list; products neither way buys are left out. */
export function tripRows(trip: YardTrip, layouts: TripLayouts): TripRow[] {
  const together = bought(trip.together, layouts.together);
  const alone = trip.alone.map((own, index) => bought(own, layouts.alone[index] ?? new Map()));
  const products = new Set([...together.keys(), ...alone.flatMap((own) => [...own.keys()])]);
  return [...products]
    .map((product): TripRow => {
      const counts = alone.map((own) => own.get(product) ?? (own.has(product) ? null : 0));
      return {
        product,
        together: together.get(product) ?? (together.has(product) ? null : 0),
        alone: counts.reduce<number | null>((sum, count) => (sum === null || count === null ? null : sum + count), 0),
      };
    })
    .filter(({ together: count, alone: others }) => count !== 0 || others !== 0);
}

/** Null while something is missing. */
export const purchasesOf = (rows: readonly TripRow[], way: 'together' | 'alone'): Purchase[] | null =>
  rows.some((row) => row[way] === null) ? null : rows.flatMap((row) => (row[way]! > 0 ? [{ product: row.product, count: row[way]! }] : []));
