import { describe, expect, test } from '@jest/globals';
import { dayStart, windowsFrom, type Window } from './calendar.ts';
import type { Session } from '../model/build-choices.ts';
import { idleIn } from './idle-hours.ts';
import { scheduleOf } from './schedule.ts';
import type { Task } from './tasks.ts';
import { task } from '../test/task.ts';

const begins = dayStart('2026-12-01');
/** An evening on Tuesday, and a long Saturday with all there is. */
const hours = (tuesday: Partial<Session>): Window[] => {
  const row = (id: string, day: number, from: number, to: number, more: Partial<Session>): [string, Session] => [
    id,
    { id, day, from: from * 60, to: to * 60, helper: false, quiet: false, without: [], ...more },
  ];
  return windowsFrom({ week: Object.fromEntries([row('tu', 1, 19, 21, tuesday), row('sa', 5, 8, 20, { helper: true })]), away: [] }, begins, 7);
};

describe('an evening nothing is done in', () => {
  test.each<[string, Task[], Partial<Session>, string]>([
    ['wants a helper', [task('lift', 30, { helper: true })], {}, 'helper'],
    ['runs a machine where none may run', [task('saw', 30, { machines: ['table-saw'] })], { quiet: true }, 'machine'],
    ['runs a machine that is not there', [task('saw', 30, { machines: ['table-saw'] })], { without: ['table-saw'] }, 'machine'],
    ['is held to a later day', [task('saw', 30, { notBefore: dayStart('2026-12-04') })], {}, 'held'],
    ['cannot be left, and is longer than the evening', [task('glue', 150, { canPause: false })], {}, 'long'],
  ])('what comes next %s', (_, tasks, tuesday, why) => {
    const windows = hours(tuesday);
    const idle = idleIn(scheduleOf(tasks, windows, begins)!, windows[0]!)!;
    expect([idle.next.task.id, idle.why]).toEqual([tasks[0]!.id, why]);
  });

  test('what comes next waits for what was done the day before', () => {
    const windows = [{ from: begins - 600, to: begins - 500, helper: false, quiet: false, without: [] }, ...hours({})];
    const schedule = scheduleOf([task('coat', 30), task('again', 30, { after: [{ at: 0, waits: 2 * 1440 }] })], windows, begins - 600)!;
    expect(idleIn(schedule, windows[1]!)).toMatchObject({ why: 'waits', next: { task: { id: 'again' } } });
  });

  test('is none where something is done, nor when all is', () => {
    const windows = hours({});
    const schedule = scheduleOf([task('sand', 30)], windows, begins)!;
    expect(windows.map((window) => idleIn(schedule, window))).toEqual([null, null]);
  });
});
