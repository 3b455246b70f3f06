/** Nests off the page's thread. A newer job ends the older one; every few steps it yields, to hear of that. */
import { search, type NestPlan, type NestProblem } from '@keen/core';
import { expose } from 'comlink';

const CHUNK_MS = 12;
let current = 0;

const nester = {
  /** Searches for `ms`; tells each better plan. Resolves with the last one, or null when a newer job or stop() ended it. */
  async nest(problem: NestProblem, ms: number, onBetter: (plan: NestPlan, share: number) => void): Promise<NestPlan | null> {
    const mine = ++current;
    const stepper = search(problem, 1);
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
      if (proved || spent >= ms) return plan;
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
  },
  stop(): void {
    current++;
  },
};

export type Nester = typeof nester;
expose(nester);
