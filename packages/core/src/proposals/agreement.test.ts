/** Contents against the wall: where they disagree, and that each choice settles it. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { onWall } from '../test/check-case.ts';
import { printRoom, typed, shelvesOf } from '../test/print-room.ts';
import { standing } from '../test/things.ts';
import { agreementOf, type Disagreement } from './agreement.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';

const { design, record, workshop } = printRoom();
const disagreements = (...edits: EditStep[]): { rows: Disagreement[]; after: (index: number, row: Disagreement) => string[] } => {
  const now = applyEdit(design, edits);
  const made = plan(now, record, workshop);
  return {
    rows: agreementOf(now, made, made.byId.get('ink')!),
    after(index, row) {
      const fix = row.choices[index]!;
      if (!('edit' in fix)) throw new Error('no edit');
      const then = applyEdit(now, fix.edit);
      const planned = plan(then, record, workshop);
      return agreementOf(then, planned, planned.byId.get('ink')!).map(({ measure }) => measure);
    },
  };
};
const keys = ({ choices }: Disagreement): string[] => choices.map(({ label }) => label.key);

test('where all fits there is nothing to settle', () => {
  expect(disagreements(standing('s1', [80, 80, 80])).rows).toEqual([]);
});

describe('depth that a door does not leave', () => {
  const { rows, after } = disagreements(
    typed('place.along', '620 mm'),
    typed('depth', '70 mm'),
    { path: ['wall', 'things', 'door', 'out'], value: entered('180 mm') },
    standing('s1', [150, 190, 100]),
  );
  const [row] = rows;
  test('says both numbers, the thing and the door', () => {
    expect(rows.map(({ measure }) => measure)).toEqual(['depth']);
    expect(row!.item).toBe('thing s1-thing');
    expect(row!.because).toBe('the door to the yard');
    expect(row!.needsNm).toBeGreaterThan(row!.leavesNm);
  });
  test('move, turn or drop each settle it', () => {
    expect(keys(row!)).toEqual(['move-and-grow', 'turn-end-on', 'drop-item']);
    for (const index of [0, 2]) expect(after(index, row!)).toEqual([]);
  });
});

/** A low room with nothing on its wall: 1010 mm between baseboard and ceiling. */
const low: EditStep[] = [typed('place.up', '120 mm'), onWall('ceiling', entered('1100 mm')), onWall('things', {})];

describe('height that the ceiling does not leave', () => {
  const { rows, after } = disagreements(...low, standing('s1', [100, 100, 420]));
  test('can be moved, dropped or split in two', () => {
    const row = rows.find(({ measure }) => measure === 'height')!;
    expect(keys(row)).toEqual(expect.arrayContaining(['drop-item', 'split-in-two']));
    expect(after(keys(row).indexOf('drop-item'), row)).not.toContain('height');
  });
});

test('split in two: every thing and every shelf is in one of the two, and both hang clear of each other', () => {
  const now = applyEdit(design, [...low, { path: ['units', 'type'], value: undefined }, standing('s1', [100, 100, 420])]);
  const made = plan(now, record, workshop);
  const row = agreementOf(now, made, made.byId.get('ink')!).find(({ measure }) => measure === 'height')!;
  const split = row.choices.find(({ label }) => label.key === 'split-in-two')!;
  if (!('edit' in split)) throw new Error('no edit');
  const then = applyEdit(now, split.edit);
  const [a, b] = [then.units['ink']!, then.units['ink-b']!];
  expect(Object.keys(shelvesOf(a)).length + Object.keys(shelvesOf(b)).length).toBe(1); // two floors each of three shelves' four: one became the second box's floor
  expect(
    plan(then, record, workshop)
      .byId.get('ink-b')!
      .findings.filter(({ check }) => check === 'collides'),
  ).toEqual([]);
});
