/** The cuts of one sheet product: their order, which are made, and ticking. The first tick settles the layout. */
import { partsOff, sequenceOf, sheetsOfPlan, type CutStep, type Sequence } from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import type { Nest } from './useNests.tsx';
import { useSettle } from './useSettle.ts';

export interface SheetCutting {
  readonly sequence: Sequence;
  readonly done: ReadonlyMap<string, string>;
  /** Cuts that can be made now: their piece exists. */
  readonly canMake: (step: CutStep) => boolean;
  readonly tick: (step: CutStep) => void;
  /** Unticks a cut; only where no later cut depends on it. */
  readonly untick: (step: CutStep) => void;
  readonly canUntick: (step: CutStep) => boolean;
  /** The part is needed again. */
  readonly spoil: (part: string) => void;
}

const NONE: ReadonlyMap<string, string> = new Map();

export function useCutting(nest: Nest): SheetCutting | null {
  const { job, plan, cut } = nest;
  const { workshop } = useAppSelector(selectLearned);
  const settle = useSettle();
  const { add, withdraw } = useRecord();
  const fresh = useMemo(() => (cut || !plan ? null : sequenceOf(sheetsOfPlan(job, plan, workshop), workshop.shop)), [cut, plan, job, workshop]);
  const sequence = cut?.sequence ?? fresh;
  if (!sequence || !plan) return null;
  const done = cut?.done ?? NONE;
  const tick = (step: CutStep): void => {
    const layout = settle(nest)?.layout;
    if (layout !== undefined) add({ kind: 'sawn', sawn: { layout, cuts: [step.id], parts: partsOff({ sequence }, step.id) } });
  };
  return {
    sequence,
    done,
    canMake: ({ id, after, way }) => way !== null && !done.has(id) && (after === null || done.has(after)),
    tick,
    canUntick: ({ id }) => done.has(id) && !sequence.steps.some((other) => other.after === id && done.has(other.id)),
    untick: ({ id }) => withdraw(done.get(id)!),
    spoil: (part) => cut && add({ kind: 'spoiled', spoiled: { layout: cut.layout.id, part } }),
  };
}
