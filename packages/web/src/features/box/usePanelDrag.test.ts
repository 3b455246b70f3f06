/** What a drag becomes: whole steps of the tape, half degrees, and never past what may be entered. */
import { describe, expect, test } from '@jest/globals';
import { mm, type Entered, type Handle } from '@keen/core';
import fc from 'fast-check';
import { valueAfter } from './usePanelDrag.ts';

const width: Handle = { panel: 'u1/side/right', path: ['width'], axis: 'along', kind: 'length', value: mm(600), perMm: 1e6, least: mm(100), most: mm(3000) };
const tilt: Handle = { panel: 'u1/tilted-panel', path: ['tiltDeg'], axis: 'out', kind: 'degrees', value: 8, perMm: -0.1 };
const text = (handle: Handle, by: number, unit: 'mm' | 'in' = 'mm') => (valueAfter(handle, by, unit) as Entered).text;

describe('a length', () => {
  test.each([
    [0.4, 'mm', '600 mm'],
    [0.6, 'mm', '601 mm'],
    [-20.2, 'mm', '580 mm'],
    [9.6, 'in', '24 in'],
  ] as const)('600 mm dragged by %d mm, in %s: %s', (by, unit, expected) => {
    expect(text(width, by, unit)).toBe(expected);
  });
  test('stops where its field stops', () => {
    expect(text(width, -5000)).toBe('100 mm');
    expect(text(width, 9000)).toBe('3000 mm');
  });
  test('is always a whole step within its limits, nearest to the hand', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 2000, noNaN: true }), (by) => {
        const { nm } = valueAfter(width, by, 'mm') as Entered;
        expect(nm % 1e6).toBe(0);
        expect(Math.abs(nm - (600 + by) * 1e6)).toBeLessThanOrEqual(5e5 + 1);
      }),
    );
  });
});

describe('an angle', () => {
  test.each([
    [10, 7],
    [-10, 9],
    [2, 8],
    [3, 7.5],
    [500, 0],
  ] as const)('8 degrees dragged by %d mm: %d', (by, degrees) => {
    expect(valueAfter(tilt, by, 'mm')).toBe(degrees);
  });
});
