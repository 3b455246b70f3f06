import { expect, test } from '@jest/globals';
import { versionBefore } from './useUndo.tsx';

const row = (number: number, restoredFrom: number | null = null) => ({ number, savedAt: '2026-11-30T12:00:00Z', restoredFrom });

test('undo walks back through the versions, one after the other, and ends', () => {
  let history = [row(4), row(3), row(2), row(1)];
  const walked: number[] = [];
  for (let before = versionBefore(history); before; before = versionBefore(history)) {
    walked.push(before.number);
    history = [row(history[0]!.number + 1, before.restoredFrom ?? before.number), ...history];
    expect(walked.length).toBeLessThan(9);
  }
  expect(walked).toEqual([3, 2, 1]);
});

test('an edit after an undo is undone first, then the walk goes on where it was', () => {
  const history = [row(6), row(5, 2), row(4), row(3), row(2), row(1)];
  expect(versionBefore(history)?.number).toBe(5);
  expect(versionBefore([row(7, 2), ...history])?.number).toBe(1);
  expect(versionBefore([row(1)])).toBeUndefined();
  expect(versionBefore([])).toBeUndefined();
});
