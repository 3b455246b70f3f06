/** Lists of a project without drawings: purchases, and days. */
import { doneSteps, doneTimes, dayStart, fullTitle, Refusal, scheduleIcs, scheduleOf, stepWords, tasksOf, windowsFrom, type ShoppingLine } from '@keen/core';
import { shopSetContext, type ShopSetInput } from './prints/set/shop-set-context.ts';

type ListWish = Pick<ShopSetInput, 'project' | 'units'>;

/** Purchases for a project, or for some of its cabinets, with the settled or found layouts. */
export const shoppingFor = (wish: ListWish): readonly ShoppingLine[] => shopSetContext({ ...wish, display: 'mm' }).shopping;

export interface DaysWish extends Pick<ShopSetInput, 'project' | 'units' | 'display'> {
  /** Local time, minutes since 1970. */
  readonly now: number;
  /** Local time of a record's ISO 8601 time. */
  readonly clock: (at: string) => number;
}

/**
 * The remaining build as a calendar (docs/format/README.md).
 * @throws Refusal where the hours run out
 */
export function daysIcs(wish: DaysWish): string {
  const { project, now, clock } = wish;
  const { build, built, unit, cabinets } = shopSetContext(wish);
  const choices = project.design.build;
  const begins = choices.start === null ? now : Math.max(now, dayStart(choices.start));
  const done = doneTimes(doneSteps(build.steps, project.record), project.record, clock);
  const schedule = scheduleOf(tasksOf(build.steps, build.edges, choices, done), windowsFrom(choices, begins), begins);
  if (!schedule) throw new Refusal('hours', 'the hours in the shop run out before the build is done', 'build', 'more hours, or more days');
  const byId = new Map(build.steps.map((step) => [step.id, step]));
  const eventOf = (id: string): { id: string; title: string; says: readonly string[] } => {
    const words = stepWords(byId.get(id)!, built, unit);
    return { id, title: cabinets.length > 1 ? fullTitle(words) : words.title, says: [...words.says, ...words.checks] };
  };
  return scheduleIcs(schedule, choices, project.design.name, eventOf, now);
}
