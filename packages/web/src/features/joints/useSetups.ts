/** Setups of one cabinet or of the whole project, from the shop as its test cuts say it is. */
import { learnedFrom, setupsOf, standingMade, standingTestCuts, withLearned, type Learned, type Setups, type Shop, type UnitPlan } from '@keen/core';
import { useDeferredValue, useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen, selectPlan, type ShownUnit } from '../project/selectors.ts';

export interface ShopSetups {
  readonly setups: Setups;
  readonly shop: Shop;
  readonly learned: Learned;
  /** Operations that are ticked as done, with the entries that say so. */
  readonly made: ReadonlyMap<string, readonly string[]>;
}

/** What has been learned of the shop, and the shop as it is then. */
export function useLearnedShop(): { readonly shop: Shop; readonly learned: Learned } {
  const { record, workshop } = useAppSelector(selectOpen);
  return useMemo(() => {
    const learned = learnedFrom(standingTestCuts(record).map(({ testCut }) => testCut));
    return { learned, shop: withLearned(workshop.shop, learned) };
  }, [record, workshop]);
}

/** The cabinet alone while something is being changed; the whole project a moment later. */
export function useSetups(shown: ShownUnit, whole: boolean): ShopSetups {
  const { record } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { shop, learned } = useLearnedShop();
  const units: readonly UnitPlan[] = useMemo(() => (whole ? plan.units : [shown.plan]), [whole, plan.units, shown.plan]);
  const asked = useDeferredValue(units);
  const setups = useMemo(
    () =>
      setupsOf(
        asked.map(({ unit }) => unit),
        shop,
      ),
    [asked, shop],
  );
  const made = useMemo(() => {
    const byOperation = new Map<string, string[]>();
    for (const { id, made: operations } of standingMade(record))
      for (const operation of operations) byOperation.set(operation, [...(byOperation.get(operation) ?? []), id]);
    return byOperation;
  }, [record]);
  return { setups, shop, learned, made };
}
