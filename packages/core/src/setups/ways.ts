/** Ways the shop can make one operation; none without a machine, bit or reach for it. */
import { holeWays } from './hole-ways.ts';
import type { OperationBlank, Operation } from './operations.ts';
import type { OperationWay } from './setting.ts';
import { bevelWays, notchWays, shapeWays, widthWays } from './shape-ways.ts';
import { edgeGrooveWays, slantedWays, slotWays } from './slot-ways.ts';
import type { Shop } from '../model/shop.ts';

export function waysOf({ work }: Operation, blank: OperationBlank, shop: Shop): OperationWay[] {
  switch (work.kind) {
    case 'slot':
      return slotWays(work, blank, shop);
    case 'slanted-slot':
      return slantedWays(work, blank, shop);
    case 'edge-groove':
      return edgeGrooveWays(work, blank, shop);
    case 'width':
      return widthWays(work, blank, shop);
    case 'holes':
      return holeWays(work, blank, shop);
    case 'notch':
      return notchWays(work, blank, shop);
    case 'bevel':
      return bevelWays(work, blank, shop);
    case 'shape':
      return shapeWays(work, blank, shop);
  }
}
