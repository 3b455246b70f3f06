/** A search from its first layout to one that is good to cut. The caller provides the clock, and gets control between chunks. */
import type { NestPlan } from '../nesting/problem.ts';
import { search } from '../nesting/search.ts';
import type { SheetJob } from './cutting.ts';
import { rankLayouts } from './rank-layouts.ts';
import type { Cutting } from '../model/sheet-layout.ts';
import type { Workshop } from '../model/workshop.ts';

/** A job with what is needed to judge how it is cut. */
export interface NestOrder {
  readonly job: SheetJob;
  readonly workshop: Workshop;
  readonly then: Cutting['then'];
}

export interface NestClock {
  /** Milliseconds of a monotonic clock. */
  readonly now: () => number;
  /** Yields to other work; called every CHUNK_MS. */
  readonly pause: () => Promise<void>;
}

const CHUNK_MS = 12;
/** Equal plans tried for one that is better to cut, and the time limit. Shorter searches skip this. */
const TIDY_TRIES = 400;
const TIDY_MS = 600;

export interface NestRun {
  readonly ms: number;
  readonly seed?: number;
  readonly clock: NestClock;
  /** Polled after every chunk: whether the answer is still wanted. */
  readonly wanted?: () => boolean;
  /** Called with each improved plan, and the share of time spent. */
  readonly onBetter?: (plan: NestPlan, share: number) => void;
  /** Called after every chunk. */
  readonly onChunk?: (share: number) => void;
}

/** Searches until proved optimal or out of time, then picks the plan that is best to cut; null when the answer is no longer wanted. */
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
