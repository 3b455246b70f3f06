/** Layouts of a trip: of all projects together, then of each alone, one after the other off the main thread. */
import type { NestOrder, NestPlan, SheetJob, Workshop, YardTrip } from '@keen/core';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { inOwnThread } from '../sheets/useNests.tsx';

export interface TripLayouts {
  /** By product; a missing one is still being computed. */
  readonly together: ReadonlyMap<string, NestPlan>;
  readonly alone: readonly ReadonlyMap<string, NestPlan>[];
  readonly isDone: boolean;
}

/** Searches a layout; null when cancelled. */
export type LayOut = (order: NestOrder, ms: number) => Promise<NestPlan | null>;
/** Provides a layout search for the duration of `work`. */
export type WithLayOut = (work: (layOut: LayOut) => Promise<void>) => Promise<void>;

/** Good to buy by, and to cut by. */
const TOGETHER_MS = 1500;
/** Number of sheets only, not the best to cut. */
const ALONE_MS = 350;

const NOTHING: TripLayouts = { together: new Map(), alone: [], isDone: false };

export const layOutInThread: WithLayOut = (work) =>
  inOwnThread((nester) =>
    work((order, ms) =>
      nester.nest(
        order,
        ms,
        proxy(() => {}),
      ),
    ),
  );

export function useTripSearch(trip: YardTrip | null, withLayOut: WithLayOut): TripLayouts {
  const [found, setFound] = useState<{ readonly trip: YardTrip | null; readonly layouts: TripLayouts }>({ trip: null, layouts: NOTHING });
  useEffect(() => {
    if (!trip) return;
    let isGone = false;
    let layouts: TripLayouts = { ...NOTHING, alone: trip.alone.map(() => new Map<string, NestPlan>()) };
    const tell = (next: Partial<TripLayouts>): void => {
      layouts = { ...layouts, ...next };
      if (!isGone) setFound({ trip, layouts });
    };
    tell({});
    void withLayOut(async (layOut) => {
      const one = (job: SheetJob, workshop: Workshop, ms: number): Promise<NestPlan | null> =>
        isGone ? Promise.resolve(null) : layOut({ job, workshop, then: 'settings' }, ms);
      for (const job of trip.together.sheets) {
        const plan = await one(job, trip.workshop, TOGETHER_MS);
        if (!plan) return;
        tell({ together: new Map(layouts.together).set(job.product, plan) });
      }
      for (const [index, { sheets }] of trip.alone.entries())
        for (const job of sheets) {
          const plan = await one(job, trip.workshop, ALONE_MS);
          if (!plan) return;
          tell({ alone: layouts.alone.map((own, n) => (n === index ? new Map(own).set(job.product, plan) : own)) });
        }
      tell({ isDone: true });
    });
    return () => {
      isGone = true;
    };
  }, [trip, withLayOut]);
  return found.trip === trip ? found.layouts : NOTHING;
}
