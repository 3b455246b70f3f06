/** Picks the plan that is best to cut among those with equally few sheets: each step tries another. */
import { sequenceOf } from '../sawing/sequence.ts';
import { isCheaperToCut, cuttingCostOf, type LayoutPreference } from '../sawing/cutting-cost.ts';
import type { NestPlan } from '../nesting/problem.ts';
import type { Search } from '../nesting/search.ts';
import { tightSheets } from '../nesting/spare.ts';
import type { SheetJob } from './cutting.ts';
import { sheetsOfPlan } from './layouts.ts';
import type { Workshop } from '../model/workshop.ts';

export interface LayoutRanking {
  /** One more try; true when it is better to cut. */
  step(): boolean;
  plan(): NestPlan;
}

/** Deterministic: the same search state and number of steps give the same plan. */
export function rankLayouts(search: Search, job: SheetJob, workshop: Workshop, then: LayoutPreference): LayoutRanking {
  const worth = (plan: NestPlan): readonly number[] =>
    cuttingCostOf(sequenceOf(sheetsOfPlan(job, plan, workshop), workshop.shop), tightSheets(plan, job.problem).length, then);
  let best = search.plan();
  let most = worth(best);
  return {
    step() {
      const other = search.variant();
      if (!other) return false;
      const value = worth(other);
      if (!isCheaperToCut(value, most)) return false;
      [best, most] = [other, value];
      return true;
    },
    plan: () => best,
  };
}
