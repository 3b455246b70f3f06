import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { studShares } from './stud-shares.ts';

const rounded = (values: readonly number[]): number[] => values.map(Math.round);

describe('worked shares', () => {
  test('700 N over 0..762 on studs at 120 and 526: 250 and 450', () => {
    const shares = studShares(700, 0, 762, [120, 526]);
    expect(rounded(shares.simple)).toEqual([250, 450]);
    expect(rounded(shares.continuous)).toEqual([250, 450]);
    expect(Math.round(shares.worst)).toBe(450);
  });

  test('900 N over 0..900 on three studs, three ways', () => {
    const shares = studShares(900, 0, 900, [50, 456, 862]);
    // The rail's load beyond the end studs belongs to the first and last span.
    expect(shares.continuous.map((value) => Math.round(value))).toEqual([207, 500, 193]);
    expect(rounded(shares.rigid)).toEqual([307, 300, 293]);
    expect(rounded(shares.simple)).toEqual([256, 401, 243]);
    expect(Math.round(shares.worst)).toBe(500);
  });

  test('a stud beyond the load is not in play, and its neighbour carries more than all', () => {
    const shares = studShares(700, 0, 500, [300, 480], 150);
    expect(shares.simple[1]).toBeLessThan(0);
    expect(shares.simple[0]).toBeGreaterThan(700);
  });

  test('one stud carries everything', () => {
    expect(studShares(300, 0, 400, [210]).worst).toBeCloseTo(300, 9);
  });
});

const wall = fc
  .record({
    weight: fc.integer({ min: 50, max: 3000 }),
    left: fc.integer({ min: -200, max: 200 }),
    width: fc.integer({ min: 300, max: 2400 }),
    studs: fc.uniqueArray(fc.integer({ min: 0, max: 40 }), { minLength: 2, maxLength: 6 }),
    share: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
  })
  .map(({ weight, left, width, studs, share }) => ({
    weight,
    left,
    right: left + width,
    studs: studs.map((at) => left + (at * width) / 40),
    centre: left + width * share,
  }));

test('each way of sharing is in balance: forces and moments', () => {
  fc.assert(
    fc.property(wall, ({ weight, left, right, studs, centre }) => {
      const { simple, continuous, rigid } = studShares(weight, left, right, studs, centre);
      for (const reactions of [simple, continuous, rigid]) {
        const sum = reactions.reduce((a, b) => a + b, 0);
        const moment = reactions.reduce((total, each, index) => total + each * (studs[index]! - left), 0);
        expect(Math.abs(sum - weight)).toBeLessThan(1e-6 * weight);
        expect(Math.abs(moment - weight * (centre - left))).toBeLessThan(1e-5 * weight * (right - left));
      }
    }),
  );
});

test('results come in the order the studs were given', () => {
  fc.assert(
    fc.property(wall, ({ weight, left, right, studs, centre }) => {
      const forwards = studShares(weight, left, right, studs, centre);
      const backwards = studShares(weight, left, right, [...studs].reverse(), centre);
      expect([...backwards.continuous].reverse().map((value) => value.toFixed(6))).toEqual(forwards.continuous.map((value) => value.toFixed(6)));
    }),
  );
});

test('two studs in one place and no stud at all are refused', () => {
  expect(() => studShares(100, 0, 500, [100, 100])).toThrow(/one place/);
  expect(() => studShares(100, 0, 500, [])).toThrow(/no stud/);
});
