/** The worked figures of docs/formulas/screw-withdrawal.md and screw-lateral.md: numbers, not code, are what these stand against. */
import { describe, expect, test } from '@jest/globals';
import { screwById } from '../joints/screws.ts';
import { evaluate } from '../explained/explained-value.ts';
import {
  bearingLength,
  COMBINED,
  combinedUse,
  HEAD_PULL_THROUGH,
  LATERAL,
  lateralYield,
  linearUse,
  PERMANENT,
  threadIn,
  WITHDRAWAL,
  withdrawalPerMm,
} from './fasteners.ts';

const LB_PER_IN = 4.4482216 / 25.4;
const inch = (n: number): number => n * 25.4;

describe('withdrawal for each inch of thread', () => {
  test.each<['wood' | 'lag' | 'nail', number, number, number]>([
    ['wood', 0.19, 0.42, 95.5], // 2850 × 0.42² × 0.19
    ['lag', 0.25, 0.42, 173.2], // 1800 × 0.42^1.5 × 0.25^0.75
  ])('%s %d in, G %d: %d lb', (kind, diameter, gravity, lb) => {
    expect(withdrawalPerMm(kind, gravity, inch(diameter)) / LB_PER_IN).toBeCloseTo(lb, 0);
  });

  test('#10 × 3 through 3/4 cleat and 1/2 wallboard into spruce: 669 N', () => {
    const { value } = evaluate(WITHDRAWAL, { G: 0.42, D: inch(0.19), thread: inch(1.75), C_D: PERMANENT });
    expect(value).toBeCloseTo(669, 0);
  });

  test('two thirds of a screw are threaded: the rest of a deep one grips nothing', () => {
    expect(threadIn(60, 76.2)).toBeCloseTo(50.8);
    expect(threadIn(40, 76.2)).toBe(40);
  });
});

describe('head pull-through', () => {
  test.each([
    [0.35, 0.25, 134],
    [0.35, 0.75, 402],
    [0.5, 0.25, 191],
    [0.5, 0.75, 574],
  ])('a head of %d in through %d in: %d N', (head, thickness, newtons) => {
    expect(evaluate(HEAD_PULL_THROUGH, { D_H: inch(head), G: 0.42, t: inch(thickness), C_D: PERMANENT }).value / newtons).toBeCloseTo(1, 2);
  });
});

describe('shear of one screw through a 3/4 in plywood cleat into a stud, both G 0.42', () => {
  // Bearing length as in the table: the true length, capped at ten diameters.
  test.each([
    ['#8', 3, 275, 169, 151],
    ['#10', 3, 335, 207, 188],
    ['#12', 3, 402, 253, 229],
    ['#14', 3.5, 433, 275, 250],
  ])('%s × %d: %d N on the stud, %d behind 1/2 in, %d behind 5/8 in', (id, long, bare, half, fiveEighths) => {
    const screw = screwById(id);
    for (const [gap, expected] of [
      [0, bare],
      [0.5, half],
      [0.625, fiveEighths],
    ] as const) {
      const grip = inch(long - 0.75 - gap);
      const main = Math.min(grip, 10 * screw.diameterMm);
      const { value } = evaluate(LATERAL, {
        D: screw.diameterMm,
        D_r: screw.rootMm,
        F_yb: screw.yieldMPa,
        side: inch(0.75),
        main,
        gap: inch(gap),
        'G side': 0.42,
        'G main': 0.42,
        C_D: PERMANENT,
      });
      expect(value / expected).toBeCloseTo(1, 2);
    }
  });

  test('a thinner cleat holds less: #10 through 1/2 in behind 1/2 in of wallboard 163 N', () => {
    const { diameterMm: D, rootMm: D_r, yieldMPa: F_yb } = screwById('#10');
    const { value } = evaluate(LATERAL, { D, D_r, F_yb, side: inch(0.5), main: inch(1.9), gap: inch(0.5), 'G side': 0.42, 'G main': 0.42, C_D: 0.9 });
    expect(value).toBeCloseTo(163, 0);
  });

  test('lags through a solid cleat carry across its grain: 1/4 × 3 behind 1/2 in 204 N, 5/16 × 3 1/2 239 N', () => {
    const lag = (D: number, D_r: number, ksi: number, main: number): number =>
      evaluate(LATERAL, {
        D: inch(D),
        D_r: inch(D_r),
        F_yb: ksi * 6.89475729,
        side: inch(0.75),
        main: inch(main),
        gap: inch(0.5),
        'G side': 0.42,
        'G main': 0.42,
        C_D: 0.9,
      }).value;
    expect(lag(0.25, 0.173, 70, 1.75) / 204).toBeCloseTo(1, 1);
    expect(lag(0.3125, 0.227, 60, 2.25) / 239).toBeCloseTo(1, 1);
  });
});

describe('the yield equations against remembered table rows', () => {
  const table = (id: string, gravity: number, side: number, main: number): number => {
    const { diameterMm, rootMm, yieldMPa } = screwById(id);
    const joint = {
      diameterMm,
      rootMm,
      yieldMPa,
      sideMm: inch(side),
      mainMm: main * diameterMm,
      gapMm: 0,
      sideGravity: gravity,
      mainGravity: gravity,
      sideAngle: 0,
      mainAngle: 0,
    };
    return lateralYield(joint).valueN / 4.4482216;
  };
  test.each([
    ['#10', 0.67, 130],
    ['#10', 0.55, 101],
    ['#10', 0.5, 90],
    ['#10', 0.42, 73],
    ['#12', 0.67, 156],
    ['#12', 0.5, 110],
    ['#14', 0.55, 133],
    ['#14', 0.42, 99],
  ])('%s, G %d, 1/2 in side: %d lb', (id, gravity, lb) => {
    expect(table(id, gravity, 0.5, 10)).toBeCloseTo(lb, -0.4);
  });

  test('nails: 16d in 1 1/2 in, G 0.50 140.9 lb, G 0.42 119.6; 10d 117.6; 8d 97.1', () => {
    const nail = (d: number, ksi: number, gravity: number): number =>
      lateralYield({
        diameterMm: inch(d),
        rootMm: inch(d),
        yieldMPa: ksi * 6.89475729,
        sideMm: inch(1.5),
        mainMm: 10 * inch(d),
        gapMm: 0,
        sideGravity: gravity,
        mainGravity: gravity,
        sideAngle: 0,
        mainAngle: 0,
      }).valueN / 4.4482216;
    expect(nail(0.162, 90, 0.5)).toBeCloseTo(140.9, 0);
    expect(nail(0.162, 90, 0.42)).toBeCloseTo(119.6, 0);
    expect(nail(0.148, 90, 0.5)).toBeCloseTo(117.6, 0);
    expect(nail(0.131, 100, 0.5)).toBeCloseTo(97.1, 0);
  });
});

describe('pull and shear at once', () => {
  // The full example: 840 N, 45 degrees, two studs, R = 420 N; cleat 18, short face 58, rows at 44 (two screws) and 18 (one); #10 × 3.
  const b = 58 + 9;
  const r = 44 / 6;
  const moment = 420 * (b - r) + 420 * 9;
  const tension = (moment * (44 - r)) / (2 * (44 - r) ** 2 + (18 - r) ** 2);
  const shear = 420 / 3;
  test('#10 × 3: straight sum 1.24, interpolated 0.76', () => {
    expect(linearUse(shear, tension, 207, 669)).toBeCloseTo(1.24, 1);
    expect(combinedUse(shear, tension, 207, 669)).toBeCloseTo(0.76, 1);
    expect(evaluate(COMBINED, { V: shear, T: tension, "Z'": 207, "W'": 669 }).value).toBe(combinedUse(shear, tension, 207, 669));
  });
  test('#14 × 3 1/2: straight sum 0.85', () => {
    expect(linearUse(shear, tension, 275, 1096)).toBeCloseTo(0.85, 1);
  });
  test('nothing pulled uses shear alone, nothing sheared pull alone, no load nothing', () => {
    expect(combinedUse(100, 0, 200, 600)).toBe(0.5);
    expect(combinedUse(0, 300, 200, 600)).toBe(0.5);
    expect(combinedUse(0, 0, 200, 600)).toBe(0);
  });
});

test('the bearing length counts ten diameters at most, and under that leaves the tip out', () => {
  expect(bearingLength(70, 5)).toBe(50);
  expect(bearingLength(50, 5)).toBe(50);
  expect(bearingLength(49, 5)).toBe(44);
  expect(bearingLength(3, 5)).toBe(0);
});
