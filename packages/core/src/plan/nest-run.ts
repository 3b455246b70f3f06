/** A search from its first layout to one that is good to cut. The caller lends the clock and breathes between the chunks. */
import type { Cutting } from './design.ts';
import type { NestPlan } from '../nest/problem.ts';
import { search } from '../nest/search.ts';
import type { Workshop } from '../stock/workshop.ts';
import type { SheetJob } from './cutting.ts';
import { rankLayouts } from './rank-layouts.ts';

/** A job with what it takes to judge how it is cut. */
export interface NestOrder {
  readonly job: SheetJob;
  readonly workshop: Workshop;
  readonly then: Cutting['then'];
}

export interface NestClock {
  /** Milliseconds of a clock that never goes back. */
  readonly now: () => number;
  /** Lets others run; called every CHUNK_MS. */
  readonly pause: () => Promise<void>;
}

const CHUNK_MS = 12;
/** Plans with as few sheets that are tried for one that is better to cut, and how long at most. Shorter searches are not tidied. */
const TIDY_TRIES = 400;
const TIDY_MS = 600;

export interface NestRun {
  readonly ms: number;
  readonly seed?: number;
  readonly clock: NestClock;
  /** Asked after every chunk: whether anybody still wants the answer. */
  readonly wanted?: () => boolean;
  /** Told each plan that is better than the last, and what share of the time is spent. */
  readonly onBetter?: (plan: NestPlan, share: number) => void;
  /** Told after every chunk. */
  readonly onChunk?: (share: number) => void;
}

/** Searches until it is proved best or the time is up, then makes it better to cut; null when nobody wants it any more. */
export async function runNest(order: NestOrder, { ms, seed = 1, clock, wanted = () => true, onBetter, onChunk }: NestRun): Promise<NestPlan | null> {
  const started = clock.now();
  let over = started + ms;
  const stepper = search(order.job.problem, seed, () => clock.now() >= over);
  let text = '';
  for (;;) {
    const until = clock.now() + CHUNK_MS;
    let proved: boolean;
    do proved = stepper.step(1);
    while (!proved && clock.now() < until);
    const share = Math.min(1, (clock.now() - started) / ms);
    if (!wanted()) return null;
    const plan = stepper.plan();
    const key = `${plan.score.sheets} ${plan.score.cost} ${plan.unplaced.length}`;
    if (key !== text) {
      text = key;
      onBetter?.(plan, share);
    }
    onChunk?.(share);
    if (proved || share >= 1) break;
    await clock.pause();
  }
  if (ms < TIDY_MS) return stepper.plan();
  over = clock.now() + TIDY_MS;
  const tidier = rankLayouts(stepper, order.job, order.workshop, order.then);
  const until = over;
  for (let tries = 0; tries < TIDY_TRIES && clock.now() < until;) {
    const chunk = clock.now() + CHUNK_MS;
    do tidier.step();
    while (++tries < TIDY_TRIES && clock.now() < chunk);
    await clock.pause();
    if (!wanted()) return null;
  }
  return tidier.plan();
}
