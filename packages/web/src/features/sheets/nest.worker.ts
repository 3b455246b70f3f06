/** Nesting off the page's thread. A newer job ends the older one; every few steps it yields to notice that. */
import { isNewSheet, runNest, sequenceOf, sheetsOfPlan, type NestClock, type NestOrder, type NestPlan } from '@keen/core';
import { expose } from 'comlink';

let current = 0;
const clock: NestClock = { now: () => performance.now(), pause: () => new Promise((resolve) => setTimeout(resolve, 0)) };

/** Result of one way of cutting sheets up. */
export interface WayFigures {
  readonly sheets: number;
  readonly bought: number;
  readonly cost: number;
  readonly unplaced: number;
  readonly settings: number;
  readonly cuts: number;
  readonly impossible: number;
}

const nested = (order: NestOrder, ms: number, mine: number, onBetter?: (plan: NestPlan, share: number) => void): Promise<NestPlan | null> =>
  runNest(order, { ms, clock, wanted: () => mine === current, ...(onBetter ? { onBetter } : {}) });

const nester = {
  /** Searches for `ms`, reporting each better plan. Resolves with the last one, or null when a newer job or stop() ended it. */
  nest(order: NestOrder, ms: number, onBetter: (plan: NestPlan, share: number) => void): Promise<NestPlan | null> {
    return nested(order, ms, ++current, onBetter);
  },
  /** Total result of each of several orders; null when a newer job ended it. */
  async compare(orders: readonly NestOrder[], ms: number): Promise<WayFigures | null> {
    const mine = ++current;
    const sum = { sheets: 0, bought: 0, cost: 0, unplaced: 0, settings: 0, cuts: 0, impossible: 0 };
    for (const order of orders) {
      const plan = await nested(order, ms, mine);
      if (!plan) return null;
      const { settings, steps, impossible } = sequenceOf(sheetsOfPlan(order.job, plan, order.workshop), order.workshop.shop);
      sum.sheets += plan.score.sheets;
      sum.bought += plan.sheets.filter(({ sheet }) => isNewSheet(sheet, order.job.product)).length;
      sum.cost += plan.score.cost ?? 0;
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
