import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { newWall } from './new-wall.ts';
import { studCentres } from './studs.ts';
import type { Wall } from '../model/wall.ts';

const wall = (spacing: string, offset: string, width = '3000 mm', known = true): Wall => {
  const plain = newWall({ unit: 'mm', width: entered(width), ceiling: entered('2400 mm'), spacing: entered(spacing), offset: entered(offset) });
  return { ...plain, studs: { ...plain.studs, known } };
};

test('studs stand every so often from the first, to the end of the wall', () => {
  expect(studCentres(wall('400 mm', '230 mm', '1500 mm'))).toEqual([230e6, 630e6, 1030e6, 1430e6]);
  expect(studCentres(wall('16 in', '0 in', '36 in'))).toEqual([0, 406_400_000, 812_800_000]);
});

test('a first stud that lies before the wall begins is left out, its neighbours stay where they are', () => {
  expect(studCentres(wall('400 mm', '-100 mm', '1000 mm'))).toEqual([300e6, 700e6]);
});

test('nobody has looked: none, instead of a guess', () => {
  expect(studCentres(wall('400 mm', '0 mm', '3000 mm', false))).toEqual([]);
});

test('however long the wall, there are no more than a thousand, each a spacing from the next', () => {
  fc.assert(
    fc.property(fc.integer({ min: 50, max: 900 }), fc.integer({ min: 0, max: 800 }), fc.integer({ min: 300, max: 50_000 }), (spacing, offset, width) => {
      const centres = studCentres(wall(`${spacing} mm`, `${offset} mm`, `${width} mm`));
      expect(centres.length).toBeLessThanOrEqual(1000);
      for (const [index, at] of centres.entries()) {
        expect(at).toBe((offset + index * spacing) * 1e6);
        expect(at).toBeLessThanOrEqual(width * 1e6);
      }
    }),
  );
});
