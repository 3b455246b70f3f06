/** What a project taught: minutes planned and taken, what became of the sheets, parts that came out off. Lessons stand in lessons.ts. */
import { paceOf } from '../build/pace.ts';
import type { StepKind } from '../build/step.ts';
import { keepsOffcut, type Workshop } from '../stock/workshop.ts';
import { lyingAfter } from '../cuts/left.ts';
import { plannedFor, standing, standingAsCut, standingSteps, type Design, type RecordEntry } from './design.ts';
import { progressOf } from './layouts.ts';
import { lessonsOf, PART_OFF, type Lesson } from './lessons.ts';
import type { Plan } from './plan.ts';

export interface LearnedPace {
  readonly kind: StepKind;
  readonly planned: number;
  readonly took: number;
  /** What such steps are multiplied by from now on. */
  readonly pace: number;
}

/** Sheets of one product that are cut up, m². */
export interface LearnedWaste {
  readonly product: string;
  readonly sheets: number;
  readonly sheetsM2: number;
  readonly partsM2: number;
  /** Offcuts worth keeping. */
  readonly keptM2: number;
  /** Parts among them that were spoiled. */
  readonly spoiledM2: number;
  /** Neither part nor kept, as the layout had it and as it came. */
  readonly plannedM2: number;
  readonly wasteM2: number;
}

export interface Learnings {
  readonly paces: readonly LearnedPace[];
  readonly waste: readonly LearnedWaste[];
  /** Of the parts that were measured: how many were off by more than a saw repeats to, and the most, nm. */
  readonly measured: number;
  readonly off: number;
  readonly worstNm: number;
  readonly spoiled: number;
  readonly lessons: readonly Lesson[];
}

export function learningsOf(plan: Plan, design: Design, record: readonly RecordEntry[], workshop: Workshop): Learnings {
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
    waste: wasteOf(design, record, workshop),
    measured: offs.length,
    off: offs.filter((off) => off > PART_OFF).length,
    worstNm: Math.max(0, ...offs),
    spoiled: standing(record, ({ spoiled }) => spoiled).length,
    lessons: lessonsOf(plan, design, record, workshop),
  };
}

const m2 = (length: number, width: number): number => (length / 1e9) * (width / 1e9);

/** Of sheets all of whose cuts are made, product by product. */
function wasteOf(design: Pick<Design, 'layouts'>, record: readonly RecordEntry[], workshop: Workshop): LearnedWaste[] {
  const spoiled = standing(record, (entry) => entry.spoiled).map(({ fact }) => fact);
  const rows = new Map<string, LearnedWaste>();
  for (const kept of Object.values(design.layouts)) {
    if (!Object.hasOwn(workshop.products, kept.product)) continue;
    const { layout, sequence, done } = progressOf(kept, record, workshop);
    const lying = lyingAfter(layout.sheets, sequence.steps, new Set(done.keys()));
    layout.sheets.forEach(({ length, width, placements }, index) => {
      if (!sequence.steps.filter(({ sheet }) => sheet === index).every(({ id }) => done.has(id))) return;
      const area = (all: readonly { readonly dx: number; readonly dy: number }[]): number => all.reduce((sum, { dx, dy }) => sum + m2(dx, dy), 0);
      const partsM2 = area(placements);
      const keptM2 = area(
        lying.filter((each) => each.sheet === index && each.piece.part === null && keepsOffcut(workshop.shop, each.piece)).map(({ piece }) => piece),
      );
      const spoiledM2 = area(placements.filter(({ part }) => spoiled.some((each) => each.layout === layout.id && each.part === part)));
      const sheetsM2 = m2(length, width);
      const plannedM2 = sheetsM2 - partsM2 - keptM2;
      const before = rows.get(kept.product);
      const more = (key: 'sheets' | 'sheetsM2' | 'partsM2' | 'keptM2' | 'spoiledM2' | 'plannedM2' | 'wasteM2', by: number): number => (before?.[key] ?? 0) + by;
      rows.set(kept.product, {
        product: kept.product,
        sheets: more('sheets', 1),
        sheetsM2: more('sheetsM2', sheetsM2),
        partsM2: more('partsM2', partsM2),
        keptM2: more('keptM2', keptM2),
        spoiledM2: more('spoiledM2', spoiledM2),
        plannedM2: more('plannedM2', plannedM2),
        wasteM2: more('wasteM2', plannedM2 + spoiledM2),
      });
    });
  }
  return [...rows.values()];
}
