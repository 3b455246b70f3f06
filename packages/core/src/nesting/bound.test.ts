/** Bounds by hand: what no plan can be under, and never more than that. */
import { describe, expect, test } from '@jest/globals';
import { lowerBound } from './bound.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import type { NestPart, NestSheet } from './problem.ts';

const bound = (sheets: NestSheet[], parts: NestPart[], kerf = 0) => lowerBound(job(sheets, parts, kerf), parts);

describe('by area', () => {
  test('ten tenths need one sheet, eleven need two', () => {
    expect(bound([sheet('S', 1000, 1000)], [part('p', 500, 200, 10)]).sheets).toBe(1);
    expect(bound([sheet('S', 1000, 1000)], [part('p', 500, 200, 11)]).sheets).toBe(2);
  });
  test('a kerf between the parts counts, one past the edge does not', () => {
    // Two of 498.5 and a kerf of 3 fill 1000 exactly.
    expect(bound([sheet('S', 1000, 500)], [part('p', 498.5, 500, 2, { grain: 'length' })], 3).sheets).toBe(1);
    expect(bound([sheet('S', 1000, 500)], [part('p', 498.6, 500, 2, { grain: 'length' })], 3).sheets).toBe(2);
  });
  test('nothing to place needs nothing', () => {
    expect(bound([sheet('S', 1000, 500, { cost: 5 })], [])).toMatchObject({ sheets: 0, cost: 0 });
  });
});

describe('by class', () => {
  test('parts that fit only the large sheet need large ones, however many small ones there are', () => {
    const sheets = [sheet('large', 2000, 1000, { cost: 100 }), sheet('small', 900, 900, { cost: 1 })];
    const made = bound(sheets, [part('long', 1900, 900, 3), part('bit', 100, 100, 4)]);
    expect(made.sheets).toBeGreaterThanOrEqual(3);
    expect(made.cost).toBeGreaterThanOrEqual(300);
  });
  test('an offcut takes what fits it; the rest is bought whole', () => {
    const sheets = [sheet('off', 1000, 1000, { cost: 0, count: 1, offcut: true }), sheet('new', 2000, 1000, { cost: 70 })];
    expect(bound(sheets, [part('p', 1000, 500, 2)])).toMatchObject({ sheets: 1, cost: 0 });
    expect(bound(sheets, [part('p', 1000, 500, 3)]).cost).toBe(70);
    expect(bound(sheets, [part('p', 1000, 500, 7)]).cost).toBe(140); // seven halves: the offcut's two, then five of four a sheet
  });
  test('the cheapest mix of whole sheets, not of shares of them', () => {
    const sheets = [sheet('large', 2000, 1000, { cost: 60 }), sheet('small', 1000, 1000, { cost: 40 })];
    // 3 m²: one of each for 100, or three small for 120, or two large for 120.
    expect(bound(sheets, [part('p', 1000, 500, 6)]).cost).toBe(100);
  });
});

test('parts more than half the sheet both ways stand alone on it', () => {
  expect(bound([sheet('S', 1000, 1000)], [part('p', 510, 510, 4)])).toMatchObject({ sheets: 4 });
  expect(bound([sheet('S', 1000, 1000)], [part('p', 500, 500, 4)])).toMatchObject({ sheets: 1 });
});
