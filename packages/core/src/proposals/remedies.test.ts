/** The changes that help a hanging most bring what they say, the best first. */
import { describe, expect, test } from '@jest/globals';
import { loadLimits } from '../hang/limits.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { createPlanner } from '../planner/plan.ts';
import { remediesFor } from './remedies.ts';

function tried(...edit: EditStep[]) {
  const { design, record, workshop } = printRoom();
  const planner = createPlanner();
  const changed = applyEdit(design, edit);
  const carries = (more: readonly EditStep[] = []): number | null =>
    loadLimits(planner.plan(applyEdit(changed, more), record, workshop).byId.get('ink')!.hangInput).carriesKg;
  return { remedies: remediesFor(planner, changed, record, workshop, 'ink'), carries, now: planner.plan(changed, record, workshop).byId.get('ink')! };
}

describe.each<[string, EditStep[]]>([
  ['as drawn, fine', []],
  ['heavy things on a shelf', [ink('contents.s1', { preset: 'tools', kg: 60 })]],
  ['one screw in a stud', [ink('hanging.wallScrew.upper', 1), ink('hanging.wallScrew.lower', 0)]],
  ['a slim cleat', [typed('hanging.boardWidth', '120 mm')]],
])('%s', (_name, edit) => {
  test('at most three, each carries what it says, and more than now; the best first', () => {
    const { remedies, carries } = tried(...edit);
    expect(remedies.length).toBeGreaterThan(0);
    expect(remedies.length).toBeLessThanOrEqual(3);
    for (const { fix, carriesKg } of remedies) {
      expect(carriesKg).toBeCloseTo(carries(fix.edit)!, 9);
      expect(carriesKg!).toBeGreaterThan(carries()!);
    }
    const told = remedies.map(({ carriesKg }) => carriesKg!);
    expect(told).toEqual([...told].sort((a, b) => b - a));
  });
});

test('with nothing in it what counts is the most used link', () => {
  const { remedies, now } = tried(...['bottom', 's1', 's2'].map((space) => ink(`contents.${space}`, { preset: 'nothing', kg: null })));
  expect(remedies.length).toBeGreaterThan(0);
  for (const { carriesKg, weakest } of remedies) {
    expect(carriesKg).toBeNull();
    expect(weakest).toBeLessThan(now.hang.links[0]!.use.value);
  }
});

test('what is refused whatever its numbers is not strengthened: what rules it out comes first', () => {
  const { remedies, now } = tried(ink('hanging.stock', 'mdf-18'));
  expect(now.hang.state).toBe('refused');
  expect(remedies).toEqual([]);
});
