import { describe, expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import { readWeight, weightText, type MassUnit } from './weight.ts';

const read = (text: string, unit: MassUnit = 'kg'): number | string => {
  const made = readWeight(text, unit, 'kg each');
  return made.ok ? made.value : made.problem.accepted;
};

describe('weights as they are typed', () => {
  test.each<[string, MassUnit, number]>([
    ['2.5', 'kg', 2.5],
    ['2,5', 'lb', 1.134],
    ['800 g', 'lb', 0.8],
    ['3 lb 4 oz', 'kg', 1.4742],
    ['3lbs', 'kg', 1.3608],
    ['.5', 'oz', 0.0142],
    ['0', 'kg', 0],
  ])('%s, bare ones in %s, is %d kg', (text, unit, kg) => expect(read(text, unit)).toBe(kg));

  test.each(['heavy', '', '3 4', '-2', '501', '2 kg of tins', 'NaN', '1e9'])('%j is none', (text) => expect(read(text)).toContain('3 lb 4 oz'));
});

test.each([
  [1.02, '1.02 kg', '2 lb 4 oz'],
  [0.45359237, '0.454 kg', '1 lb'],
  [0.02, '0.02 kg', '0.7 oz'],
  // Fifteen and a whole ounce, rounded, are a pound.
  [0.4535, '0.454 kg', '1 lb'],
])('%d kg reads %s and %s', (kg, metric, imperial) => expect([weightText(kg, 'mm'), weightText(kg, 'in')]).toEqual([metric, imperial]));

test('what is read out is read in again, to half of what is shown', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.001, max: 499, noNaN: true }), fc.constantFrom('mm' as const, 'in' as const), (kg, unit) => {
      const again = readWeight(weightText(kg, unit), 'kg', '');
      if (!again.ok) throw new Error(again.problem.message);
      expect(Math.abs(again.value - kg)).toBeLessThan(unit === 'mm' ? 0.0006 : 0.0016);
    }),
  );
});
