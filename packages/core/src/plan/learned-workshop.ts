/** The workshop as test cuts say it is: cutters as wide and kerfs as broad as they came out. */
import { learnedFrom, withLearned, type Learned } from '../setups/learned.ts';
import type { Workshop } from '../stock/workshop.ts';
import { activeTestCuts, type RecordEntry } from './design.ts';

export interface LearnedWorkshop {
  readonly learned: Learned;
  /** The workshop itself where nothing was learned. */
  readonly workshop: Workshop;
}

export function learnedWorkshop(record: readonly RecordEntry[], workshop: Workshop): LearnedWorkshop {
  const learned = learnedFrom(activeTestCuts(record).map(({ testCut }) => testCut));
  const shop = withLearned(workshop.shop, learned);
  return { learned, workshop: shop === workshop.shop ? workshop : { ...workshop, shop } };
}
