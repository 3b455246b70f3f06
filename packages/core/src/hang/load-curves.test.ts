import { expect, test } from '@jest/globals';
import { ink, cabinetWith } from '../test/print-room.ts';
import { analyzeHangingAt } from './hang.ts';
import { loadLimits } from './limits.ts';
import { loadCurves } from './load-curves.ts';

test('the curves are the chain at each load, and the first crosses its limit where the unit carries no more', () => {
  const { hang, hangInput } = cabinetWith('ink');
  const { carriesKg } = loadLimits(hangInput);
  const end = (1.3 * carriesKg!) / hang.plannedKg;
  const { factors, curves } = loadCurves(hangInput, end);
  expect(factors[0]).toBe(0);
  expect(factors.at(-1)).toBeCloseTo(end, 12);
  expect(curves).toHaveLength(3);
  for (const { id, uses } of curves) {
    expect(uses).toHaveLength(factors.length);
    const link = analyzeHangingAt(hangInput, factors[6]!).links.find((each) => each.id === id)!;
    expect(uses[6]).toBeCloseTo(link.use.value / link.limit, 12);
  }
  const first = curves[0]!.uses;
  const over = first.findIndex((use) => use > 1);
  expect(factors[over - 1]! * hang.plannedKg).toBeLessThanOrEqual(carriesKg! * 1.001);
  expect(factors[over]! * hang.plannedKg).toBeGreaterThanOrEqual(carriesKg! * 0.999);
});

test('nothing to hang by, nothing to draw', () => {
  const { hangInput } = cabinetWith('ink', ink('hanging.wallScrew.upper', 0), ink('hanging.wallScrew.lower', 0));
  expect(loadCurves({ ...hangInput, studsMm: [] }, 2).curves.every(({ uses }) => uses.every(Number.isFinite))).toBe(true);
});
