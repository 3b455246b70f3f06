/** All chains of a cabinet, whatever its family. */
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Shop } from '../stock/shop.ts';
import { repeatabilityMm, type ChainContext, type ToleranceChain, type UsedOf } from './tolerance-chain.ts';
import { doorChains, drawerChains, rowChains } from './opening-chains.ts';
import { endChains, slotChains } from './slot-chains.ts';

/** Each slot with what goes in, each part held at both its ends, parts and dividers in a row, inset doors and drawers in their opening. */
export function toleranceChains(cabinet: ResolvedCabinet, usedOf: UsedOf, shop: Pick<Shop, 'repeats'>): ToleranceChain[] {
  const chains: ChainContext = { cabinet, usedOf, repeats: repeatabilityMm(shop) };
  return [...slotChains(chains), ...endChains(chains), ...rowChains(chains), ...doorChains(chains), ...drawerChains(chains)];
}
