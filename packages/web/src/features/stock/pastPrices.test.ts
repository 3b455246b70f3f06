import { expect, test } from '@jest/globals';
import { pastPrices } from './pastPrices.ts';

const row = (price: number, heardAt: string, offer = 'M1') => ({ offer, price, heardAt });

test('a price that never changed has no past', () => {
  expect(pastPrices('M1', [row(70, '2026-01-02T10:00:00.000Z')])).toBe('');
  expect(pastPrices('M1', [row(70, '2026-01-02T10:00:00.000Z', 'M2'), row(71, '2026-01-03T10:00:00.000Z', 'M2')])).toBe('');
});

test('the latest first, each until it changed, and how far they went', () => {
  const rows = [
    row(70, '2026-01-02T10:00:00.000Z'),
    row(9, '2026-01-02T10:00:00.000Z', 'M2'),
    row(82.5, '2026-02-03T10:00:00.000Z'),
    row(76, '2026-03-04T10:00:00.000Z'),
  ];
  expect(pastPrices('M1', rows)).toBe('before: 82.50 until 4 Mar 2026, 70.00 until 3 Feb 2026; from 70.00 to 82.50 in 3 prices heard');
});
