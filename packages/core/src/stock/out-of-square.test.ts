import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { mm, toMm } from '../length/length.ts';
import { skewOf, usableSize } from './out-of-square.ts';

const measured = (length: string, width: string, one: string, other: string) => ({
  length: entered(length),
  width: entered(width),
  diagonals: { one: entered(one), other: entered(other) },
});

describe('a sheet out of square', () => {
  test('worked: docs/formulas/out-of-square.md', () => {
    const sheet = measured('2440 mm', '1220 mm', '2730 mm', '2726 mm');
    // (2730² − 2726²) / (4 × 2440) = 4 × 5456 / 9760 = 2.2361
    expect(skewOf(sheet)! / 1e6).toBeCloseTo(2.2361, 4);
    expect(toMm(usableSize(sheet).length)).toBeCloseTo(2437.763, 3);
    expect(toMm(usableSize(sheet).width)).toBeCloseTo(1219.997, 3);
  });

  test('one whose diagonals are equal, and one nobody measured, are good for all of it', () => {
    expect(usableSize(measured('2440 mm', '1220 mm', '2728 mm', '2728 mm'))).toEqual({ length: mm(2440), width: mm(1220) });
    expect(usableSize({ length: entered('8 ft'), width: entered('4 ft') })).toEqual({ length: entered('8 ft').nm, width: entered('4 ft').nm });
  });

  test('diagonals no sheet of that size has are no measure', () => {
    expect(skewOf(measured('2440 mm', '1220 mm', '2900 mm', '2728 mm'))).toBeNull();
  });

  test('the rectangle lies inside the sheet its diagonals were measured on', () => {
    fc.assert(
      fc.property(fc.integer({ min: 500, max: 3000 }), fc.integer({ min: 300, max: 1500 }), fc.integer({ min: 0, max: 12 }), (length, width, lean) => {
        // A parallelogram with its far edge moved along by `lean`.
        const high = Math.sqrt(width ** 2 - lean ** 2);
        const text = (value: number): string => `${value.toFixed(3)} mm`;
        const sheet = measured(text(length), text(width), text(Math.hypot(length + lean, high)), text(Math.hypot(length - lean, high)));
        const good = usableSize(sheet);
        // Diagonals are read to a thousandth of a millimeter.
        expect(toMm(good.length)).toBeLessThanOrEqual(length - lean + 0.01);
        expect(toMm(good.length)).toBeGreaterThan(length - lean - 0.02);
        expect(toMm(good.width)).toBeLessThanOrEqual(high + 0.01);
      }),
    );
  });
});
