/** All tolerance chains of a cabinet of any family. */
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { repeatabilityMm, type ChainContext, type ToleranceChain, type UsedOf } from './tolerance-chain.ts';
import { doorChains, drawerChains, rowChains } from './opening-chains.ts';
import { endChains, slotChains } from './slot-chains.ts';
import type { Shop } from '../model/shop.ts';

/** Each slot with its part, each part held at both ends, rows of parts and dividers, inset doors and drawers in their openings. */
export function toleranceChains(cabinet: ResolvedCabinet, usedOf: UsedOf, shop: Pick<Shop, 'repeats'>): ToleranceChain[] {
  const chains: ChainContext = { cabinet, usedOf, repeats: repeatabilityMm(shop) };
  return [...slotChains(chains), ...endChains(chains), ...rowChains(chains), ...doorChains(chains), ...drawerChains(chains)];
}
