/** Loads where they lie: against the books' cases, against a beam cut into many pieces, and against the floor's two ends. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ink, cabinetWith } from '../test/print-room.ts';
import { standing } from '../test/things.ts';
import { greatestPlaces } from './beam.ts';
import { momentOfLoad, sagOfLoad } from './shelf-sag.ts';

const EI = 1.22e9;
const whole = (least: number, most: number) => fc.integer({ min: least, max: most });

describe('the books’ cases, 800 mm and 230 N', () => {
  const L = 800;
  test('spread over all of it: 5 P L³ / (384 EI), P L / 8', () => {
    expect(sagOfLoad({ P: 230, a: 0, b: L, x: L / 2, L, EI })).toBeCloseTo((5 * 230 * L ** 3) / (384 * EI), 9);
    expect(momentOfLoad({ P: 230, a: 0, b: L, x: L / 2, L })).toBeCloseTo((230 * L) / 8, 6);
  });
  test('a point in the middle: P L³ / (48 EI), P L / 4', () => {
    expect(sagOfLoad({ P: 230, a: 400, b: 400, x: 400, L, EI })).toBeCloseTo((230 * L ** 3) / (48 * EI), 6);
    expect(momentOfLoad({ P: 230, a: 400, b: 400, x: 400, L })).toBeCloseTo((230 * L) / 4, 3);
  });
});

/** Deflection by adding up point loads, each by the usual two-part formula. */
function byPoints(P: number, a: number, b: number, x: number, L: number): number {
  const pieces = 400;
  let sum = 0;
  for (let k = 0; k < pieces; k++) {
    const at = a + ((k + 0.5) * (b - a)) / pieces;
    const [far, near] = x <= at ? [L - at, x] : [at, L - x];
    sum += ((P / pieces) * far * near * (L * L - far * far - near * near)) / (6 * L * EI);
  }
  return sum;
}

test('a strip sags as many small loads do, and never up', () => {
  fc.assert(
    fc.property(whole(200, 1500), whole(0, 100), whole(1, 100), whole(1, 99), (L, from, long, at) => {
      const a = (from / 100) * L * 0.99;
      const b = Math.min(L, a + (long / 100) * (L - a));
      const x = (at / 100) * L;
      const sag = sagOfLoad({ P: 100, a, b, x, L, EI });
      // Four hundred points for a strip: off by less than a part in ten thousand.
      const oracle = byPoints(100, a, b, x, L);
      expect(Math.abs(sag - oracle)).toBeLessThanOrEqual(1e-4 * oracle + 1e-6);
      expect(sag).toBeGreaterThanOrEqual(-1e-12);
      expect(momentOfLoad({ P: 100, a, b, x, L })).toBeGreaterThanOrEqual(-1e-6);
    }),
    { numRuns: 60 },
  );
});

test('the greatest places are those of the formulas themselves', () => {
  const load = fc.tuple(whole(1, 300), whole(0, 700), whole(1, 300)).map(([P, a, long]) => ({ P, a, b: Math.min(800, a + long) }));
  fc.assert(
    fc.property(fc.array(load, { minLength: 1, maxLength: 6 }), (loads) => {
      const L = 800;
      const at = (x: number, of: (row: { P: number; a: number; b: number; x: number; L: number }) => number) =>
        loads.reduce((sum, row) => sum + of({ ...row, x, L }), 0);
      const sagAt = (x: number) => at(x, (row) => sagOfLoad({ ...row, EI }));
      const momentAt = (x: number) => at(x, momentOfLoad);
      const [xSag, xMoment] = greatestPlaces(loads, L);
      for (let k = 1; k < 64; k++) {
        expect(sagAt((L * k) / 64)).toBeLessThanOrEqual(sagAt(xSag) + 1e-9);
        expect(momentAt((L * k) / 64)).toBeLessThanOrEqual(momentAt(xMoment) + 1e-6);
      }
    }),
    { numRuns: 60 },
  );
});

describe('a shelf with things on it', () => {
  // Nobody entered what it is to hold: only the things count.
  const open = ink('contents.s1', { preset: 'tools', kg: null });
  const heavy = (more: object = {}) => standing('s1', [100, 150, 100], { kg: 12, ...more });
  const sagOf = (...edits: Parameters<typeof cabinetWith>[1][]) => cabinetWith('ink', ...edits).sag.find(({ panel }) => panel === 'ink/shelf/s1')!;
  const even = (kg: number) => ink('contents.s1', { preset: 'tools', kg });

  test('one heavy thing in the middle sags more than the same mass spread out', () => {
    // Things are spread over the free width: one stands in the middle.
    expect(sagOf(open, heavy()).now.value).toBeGreaterThan(sagOf(even(12)).now.value * 1.3);
  });
  test('things side by side over the whole width sag as an even load does, within a hundredth', () => {
    const row = standing('s1', [104.65, 274, 100], { kg: 2, deep: 1 }, 6);
    expect(sagOf(open, row).now.value / sagOf(even(12)).now.value).toBeCloseTo(1, 1);
  });
  test('its joint bears the heavier end, and both ends together all of it', () => {
    const { hang, weights } = cabinetWith('ink', open, heavy());
    const link = hang.links.find(({ id }) => id === 'joint-ink/shelf/s1')!;
    const load = link.use.terms.find(({ symbol }) => symbol === 'load')!.inner!;
    const [left, right] = load.terms[0]!.inner!.terms.map(({ value }) => value);
    const own = weights.panels.get('ink/shelf/s1')!.value;
    expect(left! + right!).toBeCloseTo(12 * 9.80665, 6);
    expect(load.value).toBeCloseTo(Math.max(left!, right!) + (own * 9.80665) / 2, 9);
  });
  test('what finds no room beside the others still counts', () => {
    const { weights } = cabinetWith('ink', open, standing('s1', [400, 200, 100], { kg: 5, deep: 1 }, 3));
    const held = weights.contents.find(({ compartment }) => compartment.keptBy === 's1')!;
    expect(held.mass.value).toBe(15);
    expect(held.arrangement!.left).toEqual([expect.objectContaining({ count: 2 })]);
  });
  test('a heavy thing on a floor with more entered bends it more than the same mass spread out', () => {
    expect(sagOf(even(18), heavy()).now.value).toBeGreaterThan(sagOf(even(18)).now.value * 1.1);
  });
});
