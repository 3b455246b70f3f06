/** Build steps with their status, from the plan, the sheet layouts and the record. */
import {
  buildSummary,
  doneSteps,
  doneTimes,
  freeFrom,
  fullTitle,
  nextStep,
  planBuild,
  sequenceOf,
  sheetsOfPlan,
  stepWords,
  type Build,
  type BuildSummary,
  type DisplayUnit,
  type DoneSteps,
  type SheetsToSaw,
  type Step,
  type Workshop,
} from '@keen/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned, selectOpen, selectPlan } from '../project/selectors.ts';
import { useNests, type Nest } from '../sheets/useNests.tsx';
import { clockOf, useMinute } from './clock.ts';

export interface BuildOf {
  readonly build: Build;
  readonly done: DoneSteps;
  readonly next: Step | null;
  /** Completion times of done steps, and earliest starts of waiting ones; minutes of local time. */
  readonly doneAt: ReadonlyMap<string, number>;
  readonly free: ReadonlyMap<string, number>;
  readonly now: number;
  readonly summary: BuildSummary;
  /** Title of a step, with its cabinet where there are several. */
  readonly titleOf: (step: Step) => string;
  /** Steps by id. */
  readonly byId: ReadonlyMap<string, Step>;
}

/** Of the named cabinets, or all. Deferred: no drag waits for it. */
export function useBuild(unit: DisplayUnit, only: readonly string[]): BuildOf {
  const open = useAppSelector(selectOpen);
  const design = useDeferredValue(open.design);
  const record = useDeferredValue(open.record);
  const plan = useDeferredValue(useAppSelector(selectPlan));
  const { workshop, learned } = useAppSelector(selectLearned);
  const { nests } = useNests();
  const [sheetsOf] = useState(rememberingSheets);
  const sheets = sheetsOf(nests, workshop);
  const wanted = only.join('\n');
  const build = useMemo(
    () => planBuild(plan, design, record, workshop, sheets, wanted === '' ? [] : wanted.split('\n')),
    [plan, design, record, workshop, sheets, wanted],
  );
  const done = useMemo(() => doneSteps(build.steps, record), [build, record]);
  const summary = useMemo(() => buildSummary({ plan, design, workshop, learned, build, unit }), [build, plan, workshop, design, learned, unit]);
  const byId = useMemo(() => new Map(build.steps.map((step) => [step.id, step])), [build]);
  const titleOf = useMemo(() => {
    const alone = wanted !== '' && !wanted.includes('\n');
    return (step: Step): string => {
      const words = stepWords(step, summary, unit);
      return alone ? words.title : fullTitle(words);
    };
  }, [summary, unit, wanted]);
  const doneAt = useMemo(() => doneTimes(done, record, clockOf), [done, record]);
  const free = useMemo(() => freeFrom(build.edges, doneAt), [build, doneAt]);
  const now = useMinute();
  return { build, done, next: nextStep(build.steps, build.edges, done, free, now), doneAt, free, now, summary, byId, titleOf };
}

/** The cuts of every laid-out sheet product. The list of nests is new at every render, its layouts are not: equal layouts give the same cuts. */
function rememberingSheets(): (nests: readonly Nest[], workshop: Workshop) => readonly SheetsToSaw[] {
  let last: { readonly of: readonly unknown[]; readonly sheets: readonly SheetsToSaw[] } | undefined;
  return (nests, workshop) => {
    const of = [workshop, ...nests.flatMap(({ plan, cut }) => [cut ? null : plan, cut ?? null])];
    if (last?.of.length === of.length && last.of.every((each, index) => each === of[index])) return last.sheets;
    const sheets = nests.flatMap(({ job, plan, cut }): SheetsToSaw[] => {
      if (!plan) return [];
      const sequence = cut?.sequence ?? sequenceOf(sheetsOfPlan(job, plan, workshop), workshop.shop);
      return [
        { product: job.product, layout: cut?.layout.id ?? null, sheets: plan.sheets.length, steps: sequence.steps, sawn: new Set(cut?.done.keys() ?? []) },
      ];
    });
    last = { of, sheets };
    return sheets;
  };
}
