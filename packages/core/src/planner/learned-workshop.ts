/** The workshop corrected by its test cuts: measured cutter widths and kerfs. */
import { calibrationFrom, withCalibration, type Calibration } from '../setups/calibration.ts';
import type { Workshop } from '../model/workshop.ts';
import { shopFacts, type ShopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

export interface LearnedWorkshop {
  readonly learned: Calibration;
  /** The same workshop where nothing was learned. */
  readonly workshop: Workshop;
}

/** The shop with what its test cuts taught; the same object where they taught nothing. */
export const learnedShop = (shop: Workshop['shop'], testCuts: ShopFacts['testCuts']): { readonly learned: Calibration; readonly shop: Workshop['shop'] } => {
  const learned = calibrationFrom(testCuts.map(({ testCut }) => testCut));
  return { learned, shop: withCalibration(shop, learned) };
};

export function learnedWorkshop(record: readonly RecordEntry[], workshop: Workshop): LearnedWorkshop {
  const { learned, shop } = learnedShop(workshop.shop, shopFacts(record).testCuts);
  return { learned, workshop: shop === workshop.shop ? workshop : { ...workshop, shop } };
}
