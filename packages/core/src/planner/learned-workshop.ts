/** The workshop corrected by its test cuts: measured cutter widths and kerfs. */
import { calibrationFrom, withCalibration, type Calibration } from '../setups/calibration.ts';
import type { Workshop } from '../model/workshop.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

export interface LearnedWorkshop {
  readonly learned: Calibration;
  /** The same workshop where nothing was learned. */
  readonly workshop: Workshop;
}

export function learnedWorkshop(record: readonly RecordEntry[], workshop: Workshop): LearnedWorkshop {
  const learned = calibrationFrom(shopFacts(record).testCuts.map(({ testCut }) => testCut));
  const shop = withCalibration(workshop.shop, learned);
  return { learned, workshop: shop === workshop.shop ? workshop : { ...workshop, shop } };
}
