/** The workshop as test cuts say it is: cutters as wide and kerfs as broad as they came out. */
import { calibrationFrom, withCalibration, type Calibration } from '../setups/calibration.ts';
import type { Workshop } from '../stock/workshop.ts';
import { activeTestCuts, type RecordEntry } from './design.ts';

export interface LearnedWorkshop {
  readonly learned: Calibration;
  /** The workshop itself where nothing was learned. */
  readonly workshop: Workshop;
}

export function learnedWorkshop(record: readonly RecordEntry[], workshop: Workshop): LearnedWorkshop {
  const learned = calibrationFrom(activeTestCuts(record).map(({ testCut }) => testCut));
  const shop = withCalibration(workshop.shop, learned);
  return { learned, workshop: shop === workshop.shop ? workshop : { ...workshop, shop } };
}
