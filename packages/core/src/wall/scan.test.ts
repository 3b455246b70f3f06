/** A stud scanner's signal: studs found to a few millimeters in noise, and what is no stud doubted. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../random/random.ts';
import { mm, toMm } from '../length/length.ts';
import { peaksOf, rowOf, spacingDoubted, type ScanSample } from './scan.ts';

interface Echo {
  readonly at: number;
  readonly width: number;
  readonly strength: number;
}
function signal(echoes: readonly Echo[], seed: number, noise = 6): ScanSample[] {
  const random = seeded(seed);
  return Array.from({ length: 700 }, (_, n) => {
    const at = n * 5;
    const level = echoes.reduce((most, { at: middle, width, strength }) => Math.max(most, strength * Math.exp(-(((at - middle) / (0.62 * width)) ** 2))), 5);
    return { along: mm(at), level: Math.min(100, Math.max(0, level + noise * (random() + random() - 1))) };
  });
}
const stud = (at: number): Echo => ({ at, width: 38, strength: 82 });

test('studs a little off their spacing are found to 6 mm, whatever the noise does', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -12, max: 12 }), { minLength: 7, maxLength: 7 }), fc.integer({ min: 1, max: 1e6 }), (offs, seed) => {
      const truth = offs.map((off, index) => 300 + index * 406 + off);
      const peaks = peaksOf(signal(truth.map(stud), seed));
      expect(peaks.map(({ doubt }) => doubt)).toEqual(truth.map(() => null));
      peaks.forEach(({ along }, index) => expect(Math.abs(toMm(along) - truth[index]!)).toBeLessThanOrEqual(6));
    }),
    { numRuns: 60 },
  );
});

describe('what is no stud', () => {
  const row = [300, 700, 1100, 1500, 1900, 2300].map(stud);
  const doubtAt = (echo: Echo) => peaksOf(signal([...row, echo], 7)).find(({ along }) => Math.abs(toMm(along) - echo.at) < 15)?.doubt;
  test('a pipe is narrow', () => expect(doubtAt({ at: 900, width: 13, strength: 75 })).toBe('narrow'));
  test('a seam is weak', () => expect(doubtAt({ at: 900, width: 55, strength: 45 })).toBe('weak'));
  test('a broad strong echo off the row is doubted all the same', () => expect(doubtAt({ at: 1290, width: 38, strength: 82 })).toMatch(/too-near|off-the-row/));
  test('the studs about it stay sound', () => {
    const peaks = peaksOf(signal([...row, { at: 900, width: 13, strength: 75 }], 7));
    expect(peaks.filter(({ doubt }) => doubt === null)).toHaveLength(6);
  });
});

test('the row is the widest usual spacing that explains most', () => {
  expect(rowOf([100, 700, 1300].map((at) => mm(at)))?.spacing).toBe(600e6);
  expect(rowOf([mm(0), mm(133), mm(611)])).toBeNull();
  expect([spacingDoubted(mm(0), mm(200)), spacingDoubted(mm(0), mm(406)), spacingDoubted(mm(0), mm(900))]).toEqual([true, false, true]);
});

test('nothing scanned has no peak', () => {
  expect(peaksOf([])).toEqual([]);
  expect(peaksOf(signal([], 3))).toEqual([]);
});
