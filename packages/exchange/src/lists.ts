/** Lists of a project as they leave it without a drawing: what is bought, and the days it takes. */
import { doneSteps, doneTimes, dayStart, fullTitle, Refusal, scheduleIcs, scheduleOf, stepWords, tasksOf, windowsFrom, type ShoppingLine } from '@keen/core';
import { shopSetContext, type ShopSetInput } from './prints/set/shop-set-context.ts';

type ListWish = Pick<ShopSetInput, 'project' | 'units'>;

/** What is bought for a project, or for some of its cabinets, with the layouts as they are settled or found. */
export const shoppingFor = (wish: ListWish): readonly ShoppingLine[] => shopSetContext({ ...wish, display: 'mm' }).shopping;

export interface DaysWish extends Pick<ShopSetInput, 'project' | 'units' | 'display'> {
  /** By the clock on the wall, minutes since 1970. */
  readonly now: number;
  /** A time of the record, ISO 8601, by that clock. */
  readonly clock: (at: string) => number;
}

/** What is left of the build on the days there are, as a calendar (docs/format/README.md). Throws a Refusal where the hours run out. */
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
