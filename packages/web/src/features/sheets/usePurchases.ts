/** Purchases of the project: new sheets of the layouts, and boards. */
import { boardJobs, boardPurchases, purchaseCost, type ExplainedValue, type Purchase } from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned, selectPlan } from '../project/selectors.ts';
import { newSheetsOf, useNests } from './useNests.tsx';

/** In cut list order, without what is not needed. `cost` is null while a layout is missing. */
export function usePurchases(): { readonly rows: readonly Purchase[]; readonly cost: ExplainedValue | null } {
  const { workshop } = useAppSelector(selectLearned);
  const { parts } = useAppSelector(selectPlan);
  const { nests } = useNests();
  const boards = useMemo(() => boardPurchases(boardJobs(parts, workshop)), [parts, workshop]);
  return useMemo(() => {
    const rows = [...nests.map((nest) => ({ product: nest.job.product, count: newSheetsOf(nest) })), ...boards].filter(({ count }) => count > 0);
    return { rows, cost: nests.every(({ plan }) => plan !== null) ? purchaseCost(rows, workshop) : null };
  }, [nests, boards, workshop]);
}
