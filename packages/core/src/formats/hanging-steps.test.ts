/** A hanging told step by step: every demo unit, in an order that can be done, with the plan's own numbers. */
import { describe, expect, test } from '@jest/globals';
import back from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import store from '../../../../examples/type-store.carcass.json' with { type: 'json' };
import { loadCases, movingCases } from '../hang/load-cases.ts';
import { entered } from '../length/entered.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';
import { onWall } from '../test/check-case.ts';
import { furnishedRoom, ink, typed } from '../test/print-room.ts';
import { boringWords, hangingSummary } from './hanging-steps.ts';
import { caseWords, holeStateWords, movingWords } from './hanging-words.ts';
import { readProject, type ProjectFile } from './project-file.ts';

function told({ design, record, workshop }: ProjectFile, id: string, unit: 'mm' | 'in' = 'mm', beside: string[] = []) {
  const one = plan(design, record, workshop).byId.get(id)!;
  return { ...hangingSummary(one, design.units[id]!, design.wall, workshop, unit, beside), plan: one };
}
const room = furnishedRoom();
const inkWith = (...edits: EditStep[]) => told({ ...room, design: applyEdit(room.design, edits) }, 'ink');

const files: readonly (readonly [string, ProjectFile])[] = [
  ['print room', room],
  ['back wall', readProject(back)],
  ['type store', readProject(store)],
];
const demos = files.flatMap(([name, file]) => Object.keys(file.design.units).map((id) => [`${name}, ${id}`, file, id] as const));

describe.each(demos)('%s', (_name, file, id) => {
  test.each(['mm', 'in'] as const)('is told whole in %s, each step once, nothing before what it rests on', (unit) => {
    const { steps, bareKg, emptyKg } = told(file, id, unit);
    const ids = steps.map((step) => step.id);
    expect(new Set(ids).size).toBe(ids.length);
    const at = (step: (typeof ids)[number]): number => ids.indexOf(step);
    // What comes off and the prop are there before it is lifted; it is looked at before it is locked, and loaded last.
    expect(at('line')).toBeLessThan(at('bore'));
    expect(at('studs')).toBeLessThan(at('bore'));
    for (const before of ['bore', 'empty', 'prop'] as const) expect(at(before)).toBeLessThan(at('lift'));
    expect(at('lift')).toBeLessThan(at('check'));
    if (ids.includes('look')) expect(at('look')).toBe(0);
    if (ids.includes('lock')) expect(at('check')).toBeLessThan(at('lock'));
    expect(ids.at(-1)).toBe('load');
    for (const { title, says } of steps) {
      expect(title).toMatch(/^[A-Z]/);
      expect(says.length).toBeGreaterThan(0);
      for (const line of says) expect(line).not.toMatch(/NaN|undefined|null|\[object|-\d/);
    }
    expect(bareKg).toBeLessThanOrEqual(emptyKg + 1e-9);
    expect(bareKg).toBeGreaterThan(0);
  });
});

describe('other ways to hang', () => {
  test('keyhole plates: over the studs, level, nothing bored through the rail, and locked below one of them', () => {
    const { steps, holes } = inkWith(ink('hanging.kind', 'plates'), ink('hanging.plate.ratedKg', 40));
    expect(steps.map(({ id }) => id)).toEqual(expect.arrayContaining(['studs', 'strip', 'line', 'bore', 'lift', 'lock', 'load']));
    const heads = holes.wall.filter(({ kind }) => kind === 'strip');
    expect(new Set(heads.map(({ up }) => up)).size).toBe(1);
    // Half the rail's height: 90 of 180 is in the middle.
    expect(lineOf(steps, 'strip')).toContain(`${heads.length} plates over those places, 45 mm below the upper edge`);
    expect(lineOf(steps, 'bore')).not.toContain('clear through');
    expect(lineOf(steps, 'bore')).toContain('3 mm off the wall');
    const lock = holes.wall.find(({ kind }) => kind === 'lock')!;
    expect(lock.up).toBeLessThan(heads[0]!.up);
    expect(lineOf(steps, 'lock')).toContain('through the hanging rail');
  });

  test('brackets and a notch are told where they are made', () => {
    const { steps, holes } = inkWith(
      ink('hanging.brackets', { count: 3, length: entered('120 mm') }),
      ink('hanging.notch', { at: entered('250 mm'), length: entered('80 mm'), depth: entered('20 mm') }),
      ink('hanging.cabinetScrew.count', 9),
    );
    expect(lineOf(steps, 'cabinet-half')).toContain('Crosscut it into 3 brackets of 120 mm');
    expect(holes.carcass[0]!.fromLeft).toHaveLength(9);
    expect(lineOf(steps, 'strip')).toContain('notched 80 mm long and 20 mm deep, from 250 mm from its left end');
  });

  test('in a vehicle the second plane comes before the look and the load', () => {
    const { steps } = inkWith(onWall('structure', 'vehicle'), ink('hanging.kind', 'through'), ink('hanging.second', { plane: 'top', count: 6, ratedN: 2500 }));
    const ids = steps.map(({ id }) => id);
    expect(ids.indexOf('lift')).toBeLessThan(ids.indexOf('second'));
    expect(ids.indexOf('second')).toBeLessThan(ids.indexOf('check'));
    expect(lineOf(steps, 'second')).toContain('6 fixings spread evenly along its top');
  });
});

const lineOf = (steps: ReturnType<typeof told>['steps'], id: string): string => steps.find((step) => step.id === id)?.says.join(' ') ?? '';

describe('the ink cupboard', () => {
  test('its line, its screws, its lift are those of the plan', () => {
    const { steps } = inkWith();
    const long = (160 + 17.8 - 3.2 * Math.SQRT2) / 2;
    expect(lineOf(steps, 'line')).toContain(`${(Math.round((1320 + 820 - long - (long - 17.8)) * 2) / 2).toFixed(1)} mm`);
    expect(lineOf(steps, 'studs')).toContain('1040 mm, 1445 mm from the wall');
    expect(lineOf(steps, 'studs')).toContain('145 mm, 550 mm from the left end');
    // 17.8 of hook and 6 mm.
    expect(lineOf(steps, 'lift')).toContain('24 mm');
    expect(lineOf(steps, 'cabinet-half')).toContain('10 screws');
    expect(lineOf(steps, 'lock')).toContain('into stud 2, 550 mm from the cabinet');
  });
  test('halves that settle move the line, and it says why', () => {
    expect(lineOf(inkWith(typed('hanging.seats', '2 mm')).steps, 'line')).toContain('2 mm higher than drawn');
    expect(lineOf(inkWith().steps, 'line')).not.toContain('than drawn');
  });
  test('what opens comes off before it is lifted; what is too heavy wants a helper', () => {
    const bare = inkWith();
    const doored = inkWith(ink('front', 'doors'));
    expect(doored.emptyKg).toBeGreaterThan(bare.emptyKg);
    expect(doored.bareKg).toBeCloseTo(doored.emptyKg - doored.plan.hang.open.reduce((sum, { ownKg }) => sum + ownKg, 0), 6);
    expect(lineOf(doored.steps, 'empty')).toContain('Doors, drawers and loose shelves off');
    expect(bare.helper).toBe(true);
    expect(inkWith(typed('width', '400 mm')).helper).toBe(false);
  });
  test('neighbors are joined first, and only where there are some', () => {
    const { steps } = told(room, 'ink', 'mm', ['Type-case box']);
    expect(lineOf(steps, 'join')).toContain('flush with Type-case box');
    expect(inkWith().steps.map(({ id }) => id)).not.toContain('join');
  });
  test('screwed through there is no cleat to speak of; in brick there are plugs', () => {
    const through = inkWith(ink('hanging.kind', 'through')).steps.map(({ id }) => id);
    for (const gone of ['strip', 'cabinet-half', 'lock', 'correct'] as const) expect(through).not.toContain(gone);
    const brick = inkWith(onWall('structure', 'brick'));
    expect(lineOf(brick.steps, 'bore')).toMatch(/8 mm into what holds it, 50 mm deep.*never into a joint/);
    const anchored = inkWith(onWall('fixing.into', 'covering'), onWall('fixing.pullN', 900), onWall('fixing.shearN', 900));
    expect(lineOf(anchored.steps, 'bore')).toContain('as its maker says');
  });
  test('a module on a rail hooks over what is on the wall already', () => {
    const { steps } = told(room, 'spacing-1');
    expect(steps.map(({ id }) => id)).not.toContain('strip');
    expect(lineOf(steps, 'line')).toContain('rail of the wall');
  });
  test('a rail that is up does not move with what a unit on it settles by', () => {
    const settled = applyEdit(room.design, [{ path: ['units', 'spacing-1', 'hanging', 'seats'], value: entered('3 mm') }]);
    const up = (file: ProjectFile): number[] => told(file, 'spacing-1').holes.wall.map((hole) => hole.up);
    expect(up({ ...room, design: settled })).toEqual(up(room));
  });
});

test('every case, every state of a hole and every boring has words', () => {
  const doored = inkWith(ink('front', 'doors')).plan;
  for (const each of loadCases(doored.hangInput).cases) expect(caseWords(each)).toMatch(/^[a-z]/);
  const moving = inkWith(onWall('structure', 'vehicle')).plan;
  expect(movingCases(moving.hangInput).map(movingWords)).toHaveLength(6);
  for (const state of ['never', 'look-first', 'looked', 'in-writing'] as const) expect(holeStateWords(state)).toMatch(/\w/);
  expect(boringWords(inkWith().holes.wallBoring, 'in')).toMatch(/clear through, sunk to/);
});
