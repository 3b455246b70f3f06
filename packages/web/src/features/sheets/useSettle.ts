/** Settles a layout: the first cut keeps it, whatever changes afterward. */
import { keptLayout, progressOf, type Progress } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned, selectOpen } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import type { Nest } from './useNests.tsx';

/** The layout's id with its cuts; settles it where necessary. Null without a layout. */
export function useSettle(): (nest: Nest) => (Pick<Progress, 'sequence'> & { readonly layout: string }) | null {
  const { workshop } = useAppSelector(selectLearned);
  const { design } = useAppSelector(selectOpen);
  const { apply } = useEdit();
  return ({ job, plan, cut }) => {
    if (cut) return { layout: cut.layout.id, sequence: cut.sequence };
    if (!plan) return null;
    const order = Object.values(design.layouts).reduce((most, each) => Math.max(most, each.order), -1) + 1;
    const kept = keptLayout(job, plan, crypto.randomUUID(), order);
    apply([{ path: ['layouts', kept.id], value: kept }], 'layouts');
    return { layout: kept.id, sequence: progressOf(kept, [], workshop).sequence };
  };
}
