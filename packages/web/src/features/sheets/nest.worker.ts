/** Nests off the page's thread. A newer job ends the older one; every few steps it yields, to hear of that. */
import { search, sequenceOf, sheetsOfPlan, tidy, type Cutting, type NestPlan, type SheetJob, type Workshop } from '@keen/core';
import { expose } from 'comlink';

const CHUNK_MS = 12;
/** Plans with as few sheets that are tried for one that is better to cut, and how long at most. */
const TIDY_TRIES = 400;
const TIDY_MS = 600;
let current = 0;

/** A job with what it takes to judge how it is cut. */
export interface NestOrder {
  readonly job: SheetJob;
  readonly workshop: Workshop;
  readonly then: Cutting['then'];
}

/** What a way of cutting sheets up comes to. */
export interface WayFigures {
  readonly sheets: number;
  readonly unplaced: number;
  readonly settings: number;
  readonly cuts: number;
  readonly impossible: number;
}

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

/** Plans it until it is proved best or the time is up, then tidies; null when a newer order came. */
async function nested(order: NestOrder, ms: number, mine: number, onBetter: (plan: NestPlan, share: number) => void): Promise<NestPlan | null> {
  const stepper = search(order.job.problem, 1);
  const started = performance.now();
  let told = '';
  for (;;) {
    const until = performance.now() + CHUNK_MS;
    let proved: boolean;
    do proved = stepper.step(1);
    while (!proved && performance.now() < until);
    if (mine !== current) return null;
    const spent = performance.now() - started;
    const plan = stepper.plan();
    const key = `${plan.score.sheets} ${plan.score.cost} ${plan.unplaced.length}`;
    if (key !== told) {
      told = key;
      onBetter(plan, Math.min(1, spent / ms));
    }
    if (proved || spent >= ms) break;
    await pause();
  }
  if (ms < TIDY_MS) return stepper.plan();
  const tidier = tidy(stepper, order.job, order.workshop, order.then);
  const until = performance.now() + TIDY_MS;
  for (let tries = 0; tries < TIDY_TRIES && performance.now() < until;) {
    const chunk = performance.now() + CHUNK_MS;
    do tidier.step();
    while (++tries < TIDY_TRIES && performance.now() < chunk);
    await pause();
    if (mine !== current) return null;
  }
  return tidier.plan();
}

const nester = {
  /** Searches for `ms`; tells each better plan. Resolves with the last one, or null when a newer job or stop() ended it. */
  nest(order: NestOrder, ms: number, onBetter: (plan: NestPlan, share: number) => void): Promise<NestPlan | null> {
    return nested(order, ms, ++current, onBetter);
  },
  /** What each of several orders comes to, together; null when a newer job ended it. */
  async compare(orders: readonly NestOrder[], ms: number): Promise<WayFigures | null> {
    const mine = ++current;
    const sum = { sheets: 0, unplaced: 0, settings: 0, cuts: 0, impossible: 0 };
    for (const order of orders) {
      const plan = await nested(order, ms, mine, () => {});
      if (!plan) return null;
      const { settings, steps, impossible } = sequenceOf(sheetsOfPlan(order.job, plan, order.workshop), order.workshop.shop);
      sum.sheets += plan.score.sheets;
      sum.unplaced += plan.unplaced.reduce((total, { count }) => total + count, 0);
      sum.settings += settings;
      sum.cuts += steps.length;
      sum.impossible += impossible.length;
    }
    return sum;
  },
  stop(): void {
    current++;
  },
};

export type Nester = typeof nester;
expose(nester);
