/** What a project taught: planned and actual minutes, use of the sheets, parts off size. Lessons are in lessons.ts. */
import { paceOf } from '../build/pace.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import { type Design } from '../model/design.ts';
import { lessonsOf, PART_OFF, type Lesson } from './lessons.ts';
import type { Plan } from '../planner/plan.ts';
import { wasteOf, type LearnedWaste } from '../sheets/waste.ts';
import type { StepKind, RecordEntry } from '../model/record.ts';
import type { Workshop } from '../model/workshop.ts';
import { plannedFor, shopFacts } from '../model/shop-facts.ts';

export interface LearnedPace {
  readonly kind: StepKind;
  readonly planned: number;
  readonly took: number;
  /** Factor on the planned minutes of such steps from now on. */
  readonly pace: ExplainedValue;
}

export interface Learnings {
  readonly paces: readonly LearnedPace[];
  readonly waste: readonly LearnedWaste[];
  /** Measured parts: how many were off by more than a saw's repeatability, and the greatest error, nm. */
  readonly measured: number;
  readonly off: number;
  readonly worstNm: number;
  readonly spoiled: number;
  readonly lessons: readonly Lesson[];
}

export function learningsOf(plan: Plan, design: Design, record: readonly RecordEntry[], workshop: Workshop): Learnings {
  const done = shopFacts(record).steps.map(({ done: each }) => each);
  const paces = Object.entries(paceOf(done)) as [StepKind, ExplainedValue][];
  const termIn = ({ terms }: ExplainedValue, symbol: string): number => terms.find((term) => term.symbol === symbol)!.value;
  const offs = [...shopFacts(record).asCut].flatMap(([panel, { cut }]) => {
    const line = plan.parts.find(({ panels }) => panels.includes(panel));
    if (!line) return [];
    return [
      Math.max(
        ...(['length', 'width'] as const).map((measure) => (cut[measure] ? Math.abs(cut[measure].nm - plannedFor(cut, measure, line[measure].value)) : 0)),
      ),
    ];
  });
  return {
    paces: paces.map(([kind, pace]) => ({ kind, planned: termIn(pace, 'planned'), took: termIn(pace, 'took'), pace })),
    waste: wasteOf(design, record, workshop),
    measured: offs.length,
    off: offs.filter((off) => off > PART_OFF).length,
    worstNm: Math.max(0, ...offs),
    spoiled: shopFacts(record).spoiled.length,
    lessons: lessonsOf(plan, design, record, workshop),
  };
}
