/** The schedule against every order there is on few tasks; and what no schedule may break, on many. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { earliestFinish } from '../test/minute-by-minute.ts';
import { DAY_MIN, type Window } from './calendar.ts';
import { minutesWithin, scheduleOf, type Schedule } from './schedule.ts';
import type { Task } from './tasks.ts';

const DAYS = 6;

/** Short days of a few windows, so that every minute can be walked through. */
const windows: fc.Arbitrary<Window[]> = fc
  .array(
    fc.record({
      from: fc.integer({ min: 0, max: 30 }),
      long: fc.integer({ min: 4, max: 25 }),
      helper: fc.boolean(),
      quiet: fc.boolean(),
      without: fc.subarray(['saw', 'router']),
    }),
    {
      minLength: 2,
      maxLength: DAYS,
    },
  )
  .map((rows) => {
    let at = 0;
    const made = rows.map(({ from, long, ...there }): Window => {
      const begins = at + from;
      at = begins + long;
      return { from: begins, to: at, ...there };
    });
    // One long day at the end holds whatever is left.
    return [...made, { from: at + 10, to: at + 400, helper: true, quiet: false, without: [] }];
  });

const tasks = (most: number): fc.Arbitrary<Task[]> =>
  fc
    .array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 14 }),
        helper: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
        machines: fc.subarray(['saw', 'router']),
        canPause: fc.boolean(),
        notBefore: fc.oneof({ weight: 4, arbitrary: fc.constant(-Infinity) }, { weight: 1, arbitrary: fc.integer({ min: 0, max: 60 }) }),
        after: fc.array(fc.record({ at: fc.integer({ min: 0, max: 20 }), waits: fc.oneof(fc.constant(0), fc.integer({ min: 1, max: 40 })) }), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((rows) =>
      rows.map((row, index): Task => ({
        ...row,
        id: `t${index}`,
        steps: [`t${index}`],
        after: [...new Map(row.after.filter(() => index > 0).map(({ at, waits }) => [at % index, { at: at % index, waits }])).values()].sort(
          (a, b) => a.at - b.at,
        ),
      })),
    );

/** Drying times, evenings, helper, quiet hours, machines that are not there, one pair of hands. */
function faultOf({ tasks: laid }: Schedule, all: readonly Task[], hours: readonly Window[]): string | null {
  const at = new Map(laid.map((each) => [each.task.id, each]));
  for (const { task, start, end } of laid) {
    if (start < task.notBefore) return `${task.id} begins before its day`;
    for (const { at: before, waits } of task.after) {
      const first = at.get(all[before]!.id)!;
      if (first.end + waits > start) return `${task.id} begins while ${first.task.id} dries`;
    }
    const fits = hours.filter(
      (window) => (!task.helper || window.helper) && task.machines.every((machine) => !window.quiet && !window.without.includes(machine)),
    );
    if (minutesWithin(fits, start, end) !== task.minutes) return `${task.id} has ${minutesWithin(fits, start, end)} of ${task.minutes} minutes`;
    if (!task.canPause && end - start !== task.minutes) return `${task.id} is left and gone on with`;
  }
  const ordered = [...laid].sort((a, b) => a.start - b.start);
  const both = ordered.findIndex(({ start }, index) => index > 0 && start < ordered[index - 1]!.end);
  return both < 0 ? null : `${ordered[both]!.task.id} and ${ordered[both - 1]!.task.id} at once`;
}

test('of few tasks no order of any kind finishes earlier', () => {
  fc.assert(
    fc.property(tasks(5), windows, (all, hours) => {
      const until = hours.at(-1)!.to;
      const schedule = scheduleOf(all, hours, 0, { seed: 1, tries: 10, branches: 100_000 })!;
      expect(schedule.proved).toBe(true);
      expect(faultOf(schedule, all, hours)).toBeNull();
      expect(schedule.finish).toBe(earliestFinish(all, hours, 0, until));
    }),
    { numRuns: 120 },
  );
});

test('what no schedule is said to beat, none beats', () => {
  fc.assert(
    fc.property(tasks(5), windows, (all, hours) => {
      const { least, finish, proved } = scheduleOf(all, hours, 0, { seed: 1, tries: 0, branches: 0 })!;
      expect(least).toBeLessThanOrEqual(earliestFinish(all, hours, 0, hours.at(-1)!.to));
      if (proved) expect(least).toBe(finish);
    }),
    { numRuns: 200 },
  );
});

test('of many tasks every drying time and evening is kept, and the same seed gives the same days', () => {
  fc.assert(
    fc.property(tasks(40), windows, (all, hours) => {
      // Nothing is left out and nothing wants what is nowhere: the long day at the end has it all.
      const long = [...hours.slice(0, -1), { ...hours.at(-1)!, to: hours.at(-1)!.to + 3 * DAY_MIN }];
      const schedule = scheduleOf(all, long, 0)!;
      expect(schedule.tasks).toHaveLength(all.length);
      expect(faultOf(schedule, all, long)).toBeNull();
      expect(scheduleOf(all, long, 0)).toEqual(schedule);
    }),
    { numRuns: 60 },
  );
});

test('what has slack may begin that much later, and the end stays', () => {
  fc.assert(
    fc.property(tasks(6), windows, fc.nat(), (all, hours, pick) => {
      const first = scheduleOf(all, hours, 0, { seed: 1, tries: 0, branches: 0 })!;
      const { task, start, slack } = first.tasks[pick % first.tasks.length]!;
      fc.pre(slack > 0);
      // One minute later of the hours there are.
      let later = start;
      while (minutesWithin(hours, start, later) < 1) later++;
      const held = all.map((each) => (each.id === task.id ? { ...each, notBefore: later } : each));
      expect(scheduleOf(held, hours, 0, { seed: 1, tries: 0, branches: 100_000 })!.finish).toBeLessThanOrEqual(first.finish);
    }),
    { numRuns: 80 },
  );
});

test('a person without hours gets no days instead of wrong ones', () => {
  expect(scheduleOf([{ id: 'a', steps: ['a'], minutes: 10, helper: false, machines: [], canPause: true, notBefore: 0, after: [] }], [], 0)).toBeNull();
});
