/** What a project taught: minutes planned and taken, parts that came out off, what was made twice, checks that came true. */
import { paceOf } from '../build/pace.ts';
import type { StepKind } from '../build/step.ts';
import { plannedFor, standing, standingAsCut, standingSteps, type RecordEntry } from './design.ts';
import type { Plan } from './plan.ts';

export interface LearnedPace {
  readonly kind: StepKind;
  readonly planned: number;
  readonly took: number;
  /** What such steps are multiplied by from now on. */
  readonly pace: number;
}

export interface Learnings {
  readonly paces: readonly LearnedPace[];
  /** Of the parts that were measured: how many were off by more than a saw repeats to, and the most, nm. */
  readonly measured: number;
  readonly off: number;
  readonly worstNm: number;
  readonly spoiled: number;
  /** Things that were out of place and were caught before they were built in: misfits that were put right. */
  readonly caught: number;
  /** Misfits that were used as they are. */
  readonly accepted: number;
}

/** A part is off from here on, nm. [ASSUME] half a millimeter */
const OFF_NM = 500_000;

export function learningsOf(plan: Plan, record: readonly RecordEntry[]): Learnings {
  const done = standingSteps(record).map(({ done: each }) => each);
  const paces = paceOf(done);
  const sum = (kind: StepKind, of: 'planned' | 'minutes'): number =>
    done.filter((each) => each.kind === kind && each.minutes !== undefined && each.planned !== undefined).reduce((all, each) => all + (each[of] ?? 0), 0);
  const offs = [...standingAsCut(record)].flatMap(([panel, { cut }]) => {
    const line = plan.parts.find(({ panels }) => panels.includes(panel));
    if (!line) return [];
    return [
      Math.max(
        ...(['length', 'width'] as const).map((measure) => (cut[measure] ? Math.abs(cut[measure].nm - plannedFor(cut, measure, line[measure].value)) : 0)),
      ),
    ];
  });
  return {
    paces: (Object.entries(paces) as [StepKind, number][]).map(([kind, pace]) => ({ kind, planned: sum(kind, 'planned'), took: sum(kind, 'minutes'), pace })),
    measured: offs.length,
    off: offs.filter((off) => off > OFF_NM).length,
    worstNm: Math.max(0, ...offs),
    spoiled: standing(record, ({ spoiled }) => spoiled).length,
    caught: standing(record, ({ kept }) => (kept && kept.how !== 'accepted' ? kept : undefined)).length,
    accepted: standing(record, ({ kept }) => (kept?.how === 'accepted' ? kept : undefined)).length,
  };
}
