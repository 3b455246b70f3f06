import { describe, expect, test } from '@jest/globals';
import { MATERIALS } from '../../stock/materials.ts';
import type { ValueUnit } from '../../explained/explained-value.ts';
import { bothMasses, figureText, fineText, forceText, fromShownMass, lengthText, massText, percentText, sagText, toShownMass } from './amounts.ts';
import { LISTS, labelWords, WORDS } from './labels.ts';

test.each<[number, string, string]>([
  [62, '62 kg', '137 lb'],
  [0.454, '0.5 kg', '1 lb'],
  [3.305, '3.3 kg', '7.3 lb'],
  [0, '0 kg', '0 lb'],
])('%d kg reads %s and %s', (kg, metric, pounds) => {
  expect(massText(kg, 'mm')).toBe(metric);
  expect(massText(kg, 'in')).toBe(pounds);
  expect(bothMasses(kg, 'mm')).toBe(`${metric} (${pounds})`);
  expect(bothMasses(kg, 'in')).toBe(`${pounds} (${metric})`);
});

test('what a person types in pounds is kept in kilograms and comes back', () => {
  expect(fromShownMass(100, 'in')).toBeCloseTo(45.359, 3);
  expect(toShownMass(fromShownMass(35, 'in'), 'in')).toBeCloseTo(35, 12);
  expect(fromShownMass(12, 'mm')).toBe(12);
});

describe('a share of what a link bears is never rounded to the kind side', () => {
  test.each([
    [0.72, '72 %'],
    [0.721, '73 %'],
    [1, '100 %'],
    [1.0001, '101 %'],
    [0, '0 %'],
    [12, 'far over'],
  ])('%d is %s', (share, text) => expect(percentText(share)).toBe(text));
});

test.each<[number, string, string]>([
  [344, '35 kg', '77 lb'], // 35.1 and 77.3
  [20, '2 kg', '4.5 lb'],
  [1234, '130 kg', '280 lb'],
  [0, '0 kg', '0 lb'],
])('a force of %d N is said as the mass it would lift, in two figures: %s', (newtons, metric, pounds) => {
  expect(forceText(newtons, 'mm').replace('2.0', '2')).toBe(metric);
  expect(forceText(newtons, 'in')).toBe(pounds);
});

test('sag to a tenth of a millimetre, lengths as on a tape, thicknesses exact', () => {
  expect(sagText(1.234, 'mm')).toBe('1.2 mm');
  expect(sagText(1.234, 'in')).toBe('0.049 in');
  expect(lengthText(676_500_000, 'mm')).toBe('676.5 mm');
  expect(fineText(17_800_000, 'in')).toBe('0.7008 in');
});

test('every unit a figure can have is said, none as NaN or in exponents a person cannot read', () => {
  const units: ValueUnit[] = [
    'N',
    'N mm',
    'N/mm',
    'MPa',
    'mm',
    'mm2',
    'mm4',
    'kg',
    'kg/m3',
    'kg/m2',
    'share',
    'deg',
    'count',
    'money',
    'factor',
    'N mm2',
    'm2',
    'm3',
  ];
  for (const unit of units)
    for (const value of [0, 0.456, 17.8, 900]) {
      for (const shown of ['mm', 'in'] as const) {
        const text = figureText(value, unit, shown);
        expect(text).not.toMatch(/NaN|undefined|Infinity|e[+-]?\d/);
        expect(text.length).toBeGreaterThan(0);
      }
    }
  expect(figureText(1.22e9, 'N mm2', 'mm')).toBe('1.22e+9 N mm²');
});

describe('names', () => {
  test('of parts inside other names', () => {
    expect(labelWords({ key: 'link-joint', of: 'shelf 2' })).toBe('joint of the shelf 2');
    expect(labelWords({ key: 'link-wall-screws', of: '2' })).toBe('screws in stud 2');
  });
  test('that nobody gave throw, so that a test finds them', () => expect(() => labelWords({ key: 'no-such-thing' as never })).toThrow(RangeError));
  test('say one thing each: no list takes the words of another away', () => {
    const said = new Map<string, string>();
    for (const list of LISTS)
      for (const [key, words] of Object.entries(list)) {
        expect([key, said.get(key) ?? words]).toEqual([key, words]);
        said.set(key, words);
      }
    expect(said.size).toBeGreaterThan(1000);
  });
  test('are words: no blanks left open, no keys shown', () => {
    for (const [key, words] of Object.entries(WORDS)) {
      expect(words.trim()).toBe(words);
      expect(words).not.toBe('');
      if (words.includes('{')) expect(words).toMatch(/\{of\}/);
      expect(key).not.toBe('');
    }
  });
  test('of materials are people’s', () => {
    for (const { name } of Object.values(MATERIALS)) expect(name).toMatch(/^[A-Z]/);
  });
});
