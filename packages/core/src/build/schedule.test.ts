import { describe, expect, test } from '@jest/globals';
import { furnishedRoom } from '../test/print-room.ts';
import { plan } from '../planner/plan.ts';
import { planBuild } from '../journal/build-job.ts';
import { dayOf, dayStart, weekday, windowsFrom } from './calendar.ts';
import { DEFAULT_BUILD, type Session } from '../model/build-choices.ts';
import { paceOf } from './pace.ts';
import { scheduleOf } from './schedule.ts';
import { diagonalsOf } from './diagonals.ts';
import { slowed } from './gluing.ts';
import { stepMinutes } from './minutes.ts';
import { freeFrom, tasksOf } from './tasks.ts';
import { mm, NM_PER } from '../length/length.ts';
import { task } from '../test/task.ts';

const evening = (id: string, day: number, from: number, to: number, more: Partial<Session> = {}): Session => ({
  id,
  day,
  from: from * 60,
  to: to * 60,
  helper: false,
  quiet: false,
  without: [],
  ...more,
});
const week = (...sessions: Session[]) => ({ week: Object.fromEntries(sessions.map((each) => [each.id, each])), away: [] as string[] });

describe('the hours there are', () => {
  test('2026-12-01 is a Tuesday', () => {
    expect(weekday(dayStart('2026-12-01'))).toBe(1);
    expect(dayOf(dayStart('2026-12-01') + 1439)).toBe('2026-12-01');
  });

  test('evenings of two weeks, without the one that is away, from the minute it is now', () => {
    const now = dayStart('2026-12-01') + 20 * 60;
    const found = windowsFrom({ ...week(evening('tu', 1, 19, 22), evening('sa', 5, 9, 12)), away: ['2026-12-08'] }, now, 14);
    expect(found.map(({ from, to }) => `${dayOf(from)} ${(from % 1440) / 60}-${(to % 1440) / 60}`)).toEqual([
      '2026-12-01 20-22',
      '2026-12-05 9-12',
      '2026-12-12 9-12',
    ]);
  });

  test('hours that overlap count once', () => {
    const found = windowsFrom(week(evening('a', 1, 9, 12), evening('b', 1, 11, 14)), dayStart('2026-12-01'), 1);
    expect(found.map(({ from, to }) => [(from % 1440) / 60, (to % 1440) / 60])).toEqual([
      [9, 12],
      [12, 14],
    ]);
  });
});

describe('days', () => {
  const hours = windowsFrom(week(evening('tu', 1, 19, 22), evening('th', 3, 19, 22), evening('sa', 5, 9, 17, { helper: true })), dayStart('2026-12-01'));
  const begins = dayStart('2026-12-01');

  test('while one box is in the clamps the next is cut', () => {
    // One after the other: 60 + 90 in the clamps + 60, twice: past the three hours. With the second cut meanwhile it is done that evening.
    const tasks = [
      task('glue-1', 60),
      task('back-1', 30, { after: [{ at: 0, waits: 60 }] }),
      task('cut-2', 60),
      task('glue-2', 20, { after: [{ at: 2, waits: 0 }], canPause: false }),
    ];
    const found = scheduleOf(tasks, hours, begins)!;
    expect(found.tasks.map(({ task: { id } }) => id)).toEqual(['glue-1', 'cut-2', 'back-1', 'glue-2']);
    expect(dayOf(found.finish)).toBe('2026-12-01');
    expect(found.proved).toBe(true);
  });

  test('two coats that both dry before the last step are not both on in one evening: proved, though each alone would be', () => {
    const evenings = windowsFrom(week(evening('tu', 1, 19, 20), evening('we', 2, 19, 20), evening('th', 3, 19, 20)), begins);
    const tasks = [
      task('one', 40),
      task('other', 40),
      task('last', 10, {
        after: [
          { at: 0, waits: 1440 },
          { at: 1, waits: 1440 },
        ],
      }),
    ];
    // Nothing is tried: what was laid first is held against the bound alone.
    const { finish, least, proved } = scheduleOf(tasks, evenings, begins, { seed: 1, tries: 0, branches: 0 })!;
    expect([finish, least, proved]).toEqual([dayStart('2026-12-03') + 19 * 60 + 30, dayStart('2026-12-03') + 19 * 60 + 30, true]);
  });

  test('what is not proved says what none can be before', () => {
    // A glue-up cannot be left half done: one fits into an evening of 180 minutes, though 300 are fewer than two evenings have.
    const tasks = ['a', 'b', 'c'].map((id) => task(id, 100, { canPause: false }));
    const laid = scheduleOf(tasks, hours, begins, { seed: 1, tries: 0, branches: 0 })!;
    expect([laid.proved, dayOf(laid.least), dayOf(laid.finish)]).toEqual([false, '2026-12-03', '2026-12-05']);
    // Every order looked through says it for sure.
    expect(scheduleOf(tasks, hours, begins)).toMatchObject({ proved: true, finish: laid.finish, least: laid.finish });
  });

  test('a glue-up is not begun where the evening ends before it is through', () => {
    const found = scheduleOf([task('sand', 150), task('glue', 45, { after: [{ at: 0, waits: 0 }], canPause: false })], hours, begins)!;
    expect(dayOf(found.tasks[1]!.start)).toBe('2026-12-03');
  });

  test('what wants a helper waits for the day there is one; where there never is one it is done alone', () => {
    const lifted = [task('hang', 20, { helper: true })];
    expect(dayOf(scheduleOf(lifted, hours, begins)!.tasks[0]!.start)).toBe('2026-12-05');
    const alone = windowsFrom(week(evening('tu', 1, 19, 22)), begins);
    expect(dayOf(scheduleOf(lifted, alone, begins)!.tasks[0]!.start)).toBe('2026-12-01');
    expect(scheduleOf(lifted, alone, begins)!.without).toEqual({ helper: ['hang'], machine: [], hours: [] });
    expect(scheduleOf(lifted, hours, begins)!.without).toEqual({ helper: [], machine: [], hours: [] });
  });

  test('no machine runs in quiet hours', () => {
    const quiet = windowsFrom(week(evening('tu', 1, 19, 22, { quiet: true }), evening('sa', 5, 9, 17)), begins);
    const found = scheduleOf([task('saw', 30, { machines: ['table-saw'] }), task('sand', 30)], quiet, begins)!;
    expect(found.tasks.map(({ task: { id }, start }) => `${id} ${dayOf(start)}`)).toEqual(['sand 2026-12-01', 'saw 2026-12-05']);
  });

  test('what runs at a machine waits for the hours it is there; the bench does not', () => {
    const borrowed = windowsFrom(week(evening('tu', 1, 19, 22, { without: ['table-saw'] }), evening('sa', 5, 9, 17)), begins);
    const found = scheduleOf([task('rip', 30, { machines: ['table-saw', 'router'] }), task('bore', 30, { machines: ['hand-drill'] })], borrowed, begins)!;
    expect(found.tasks.map(({ task: { id }, start }) => `${id} ${dayOf(start)}`)).toEqual(['bore 2026-12-01', 'rip 2026-12-05']);
  });

  test('what no hours have is done without, and said', () => {
    const quiet = windowsFrom(week(evening('tu', 1, 19, 21, { quiet: true })), begins);
    const found = scheduleOf([task('saw', 30, { machines: ['table-saw'] }), task('glue', 180, { canPause: false })], quiet, begins)!;
    expect(found.tasks).toHaveLength(2);
    expect(found.without).toEqual({ helper: [], machine: ['saw'], hours: ['glue'] });
  });

  test('what nobody named still runs a machine of the shop: the cleat’s rip, holes in the wall', () => {
    const { design, record, workshop } = furnishedRoom();
    const machinesOf = (kind: string, shop = workshop): string[] => [
      ...new Set(
        planBuild(plan(design, record, shop), design, record, shop, []).steps.flatMap(({ detail, machines }) => (detail.kind === kind ? machines : [])),
      ),
    ];
    expect(machinesOf('cleat-rip')).toEqual(['table-saw']);
    expect(machinesOf('wall-half')).toEqual(['hand-drill']);
    expect(machinesOf('sand')).toEqual([]);
    const bare = { ...workshop, shop: { ...workshop.shop, machines: {} } };
    expect(machinesOf('wall-half', bare)).toEqual([]);
  });

  test('what one person does by a trick does not wait for the helper', () => {
    const { design, record, workshop } = furnishedRoom();
    const { steps, edges } = planBuild(plan(design, record, workshop), design, record, workshop, []);
    const wants = steps.filter(({ helper }) => helper !== null).map(({ id }) => id);
    expect(wants.length).toBeGreaterThan(0);
    const helped = (alone: readonly string[]): number => tasksOf(steps, edges, { ...design.build, alone }, new Map()).filter(({ helper }) => helper).length;
    expect(helped(wants.slice(1))).toBe(1);
    expect(helped(wants)).toBe(0);
  });

  test('a step held to a day takes what stands on it along', () => {
    const { design, record, workshop } = furnishedRoom();
    const { steps, edges } = planBuild(plan(design, record, workshop), design, record, workshop, [], ['ink']);
    const at = (notBefore: Record<string, string>): Map<string, number> => {
      const tasks = tasksOf(steps, edges, { ...design.build, notBefore }, new Map());
      return new Map(scheduleOf(tasks, hours, begins)!.tasks.flatMap(({ task: { steps: own }, start }) => own.map((id) => [id, start] as const)));
    };
    const [free, held] = [at({}), at({ 'ink/glue/side/left/first': '2026-12-15' })];
    expect(dayOf(held.get('ink/glue/side/left/first')!)).toBe('2026-12-15');
    expect(held.get('ink/hang')!).toBeGreaterThan(free.get('ink/hang')!);
    expect(held.get('ink/square/side/left')).toBe(held.get('ink/glue/side/left/first'));
    expect(held.get('ink/glue/side/left')!).toBeGreaterThan(held.get('ink/square/side/left')!);
  });

  test('what is done is not done again', () => {
    const { design, record, workshop } = furnishedRoom();
    const { steps, edges } = planBuild(plan(design, record, workshop), design, record, workshop, [], ['ink']);
    const done = new Map(steps.slice(0, 12).map(({ id }) => [id, begins] as const));
    expect(tasksOf(steps, edges, DEFAULT_BUILD, done).flatMap((each) => each.steps)).toHaveLength(steps.length - 12);
  });

  test('what sets since it was done is still waited for', () => {
    const { design, record, workshop } = furnishedRoom();
    const { steps, edges } = planBuild(plan(design, record, workshop), design, record, workshop, [], ['ink']);
    const glued = begins + 20 * 60;
    const through = new Map(steps.slice(0, steps.findIndex(({ id }) => id === 'ink/glue/back') + 1).map(({ id }) => [id, glued] as const));
    const left = tasksOf(steps, edges, DEFAULT_BUILD, through);
    // Yellow glue at 18 °C: 24 h · 2^0.2.
    const cured = glued + Math.ceil(24 * 60 * 2 ** 0.2);
    expect(left.find(({ id }) => id === 'ink/hang')!.notBefore).toBe(cured);
    // Out of the clamps it may be sanded: 45 min · 2^0.2.
    expect(left.find(({ id }) => id === 'ink/sand-outside')!.notBefore).toBe(glued + Math.ceil(45 * 2 ** 0.2));
    expect(freeFrom(edges, new Map()).size).toBe(0);
    expect(scheduleOf(left, hours, glued)!.tasks.find(({ task: { id } }) => id === 'ink/hang')!.start).toBeGreaterThanOrEqual(cured);
  });
});

describe('what a step takes', () => {
  test('minutes are so many of this at so much each', () => {
    // 10 joints · 0.7 + 4 clamps · 0.8
    expect(stepMinutes({ 'spread-joint': 10, 'set-clamp': 4 }).value).toBeCloseTo(10.2, 9);
    expect(stepMinutes({ 'spread-joint': 10, 'lift-on': 0 }).terms).toHaveLength(1);
  });

  test('the log’s pace is believed by half after an hour', () => {
    // 60 minutes planned that took 90: (90 + 60) / (60 + 60)
    expect(paceOf([{ step: 'a', kind: 'sand', planned: 60, minutes: 90 }])).toMatchObject({ sand: { value: 1.25 } });
    expect(paceOf([{ step: 'a', kind: 'sand' }])).toEqual({});
    expect(stepMinutes({ 'lift-on': 1 }, paceOf([{ step: 'a', kind: 'sand', planned: 60, minutes: 90 }]).sand).value).toBe(12.5);
  });

  test('diagonals of 700 × 820 mm may differ by 1.06 mm, behind inset doors by less', () => {
    // a millimeter a meter: 2 · 700 · 820 · 0.001 / 1078.1
    const open = diagonalsOf(mm(700), mm(820), false);
    expect(open.diagonal.value).toBeCloseTo(1078.15, 2);
    expect(open.allowed.value).toBeCloseTo((2 * 700 * 820 * 0.001) / 1078.15, 4);
    // half a millimeter over 820 is 0.61 of that
    expect(diagonalsOf(mm(700), mm(820), true).allowed.value).toBeCloseTo(open.allowed.value * (0.5 / 0.82), 4);
    expect(open.width / NM_PER.mm).toBe(700);
  });

  test('ten degrees colder, glue and coats take twice as long; warmer they take what the label says', () => {
    expect(slowed(45, 10).value).toBe(90);
    expect(slowed(45, 15).value).toBeCloseTo(45 * Math.SQRT2, 9);
    expect(slowed(45, 28).value).toBe(45);
  });
});
