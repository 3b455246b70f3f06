/** Screws in a stud, seen from the front: how far from its edges, and when it is too narrow. */
import { describe, expect, test } from '@jest/globals';
import { besideMiddle, studEdge } from './stud-edge.ts';

describe('two screws side by side', () => {
  test('stand three diameters apart where no stud says otherwise', () => {
    expect(besideMiddle(1, 5, null)).toEqual([0]);
    expect(besideMiddle(2, 5, null)).toEqual([-7.5, 7.5]);
    expect(besideMiddle(2, 3.5, null)).toEqual([-7, 7]);
    expect(besideMiddle(2, 8, null)).toEqual([-10, 10]);
  });

  test('stand nearer in a stud of 38 mm, two and a half diameters from its edges', () => {
    expect(besideMiddle(2, 5, 38)).toEqual([-6.5, 6.5]);
    expect(studEdge(2, 5, 38)).toEqual({ hasMm: 12.5, wantedMm: 12.5, fitsOne: true });
  });

  test('never stand nearer to one another than two and a half diameters: the stud is then too narrow for two', () => {
    const { hasMm, wantedMm, fitsOne } = studEdge(2, 4.83, 20);
    expect(hasMm).toBeCloseTo(10 - 6.04, 1);
    expect(wantedMm).toBeCloseTo(12.08, 1);
    expect(fitsOne).toBe(false);
    expect(studEdge(2, 6, 38)).toMatchObject({ hasMm: 11.5, wantedMm: 15, fitsOne: true });
  });

  test('from a quarter inch up four diameters count', () => expect(studEdge(1, 6.35, 38)).toMatchObject({ hasMm: 19, fitsOne: false }));
});
