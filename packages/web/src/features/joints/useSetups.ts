/** Setups of one cabinet or of the whole project, with the shop as its test cuts show it. */
import { inWantedOrder, setupsOf, shopFacts, type Calibration, type Setups, type Shop, type CabinetPlan } from '@keen/core';
import { useDeferredValue, useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned, selectOpen, selectPlan, type ShownCabinet } from '../project/selectors.ts';

export interface ShopSetups {
  readonly setups: Setups;
  readonly shop: Shop;
  readonly learned: Calibration;
  /** Operations marked as done, with the entries that record them. */
  readonly made: ReadonlyMap<string, readonly string[]>;
}

/** The cabinet alone while something is being changed; the whole project a moment later. */
export function useSetups(shown: ShownCabinet, whole: boolean): ShopSetups {
  const { record, design } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const {
    workshop: { shop },
    learned,
  } = useAppSelector(selectLearned);
  const cabinets: readonly CabinetPlan[] = useMemo(() => (whole ? plan.cabinets : [shown.plan]), [whole, plan.cabinets, shown.plan]);
  const asked = useDeferredValue(cabinets);
  const found = useMemo(
    () =>
      setupsOf(
        asked.map(({ cabinet }) => cabinet),
        shop,
      ),
    [asked, shop],
  );
  const { setupOrder } = design;
  const setups = useMemo(() => ({ ...found, setups: inWantedOrder(found.setups, setupOrder) }), [found, setupOrder]);
  const made = useMemo(() => {
    const byOperation = new Map<string, string[]>();
    for (const { id, made: operations } of shopFacts(record).operations)
      for (const operation of operations) byOperation.set(operation, [...(byOperation.get(operation) ?? []), id]);
    return byOperation;
  }, [record]);
  return { setups, shop, learned, made };
}
