/** The workshop corrected by its test cuts: measured cutter widths and kerfs. */
import { calibrationFrom, withCalibration, type Calibration } from '../setups/calibration.ts';
import type { Workshop } from '../stock/workshop.ts';
import { activeTestCuts, type RecordEntry } from '../model/design.ts';

export interface LearnedWorkshop {
  readonly learned: Calibration;
  /** The same workshop where nothing was learned. */
  readonly workshop: Workshop;
}

export function learnedWorkshop(record: readonly RecordEntry[], workshop: Workshop): LearnedWorkshop {
  const learned = calibrationFrom(activeTestCuts(record).map(({ testCut }) => testCut));
  const shop = withCalibration(workshop.shop, learned);
  return { learned, workshop: shop === workshop.shop ? workshop : { ...workshop, shop } };
}
