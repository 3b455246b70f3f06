import { expect, test } from '@jest/globals';
import { exactText, tapeText, tapeTextWithUnit } from './format.ts';
import { inches, mm, type DisplayUnit, type Length } from './length.ts';

test.each<[Length, DisplayUnit, string]>([
  [mm(676.5), 'mm', '676.5'],
  [mm(676.75), 'mm', '677 shy'],
  [mm(676.7), 'mm', '676.5 strong'],
  [mm(0.02), 'mm', '0'],
  [inches(23.6875), 'in', '23 11/16'],
  [inches(0.5), 'in', '1/2'],
  [inches(31 + 31 / 32), 'in', '31 31/32'],
  [mm(600), 'in', '23 5/8 shy'], // 23.622 in; 5/8 is 23.625
  [mm(-12), 'mm', '−12'],
  [inches(1), 'in', '1'],
])('%d nm in %s reads %s', (length, unit, text) => {
  expect(tapeText(length, unit)).toBe(text);
});

test('the unit stands before strong and shy', () => {
  expect(tapeTextWithUnit(mm(600), 'in')).toBe('23 5/8 in shy');
  expect(tapeTextWithUnit(mm(600), 'mm')).toBe('600 mm');
});

test('thicknesses keep their decimals', () => {
  expect(exactText(mm(17.8), 'mm')).toBe('17.8');
  expect(exactText(mm(17.8), 'in')).toBe('0.7008');
  expect(exactText(mm(-1.25), 'mm')).toBe('−1.25');
});
