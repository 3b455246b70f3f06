import { expect, test } from '@jest/globals';
import { labelWords } from '../checks/words/labels.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { purchaseCost } from './purchase.ts';

test('each kind at its price, and where the price is entered; what is not bought is not in the sum', () => {
  const workshop = starterWorkshop();
  const [one, other, third] = Object.keys(workshop.products) as [string, string, string];
  const products = {
    ...workshop.products,
    [one]: { ...workshop.products[one]!, price: 62.5 },
    [other]: { ...workshop.products[other]!, price: 9.99 },
  };
  const cost = purchaseCost(
    [
      { product: one, count: 3 },
      { product: other, count: 2 },
      { product: third, count: 0 },
    ],
    { products, tax: workshop.tax },
  );
  expect(cost.value).toBeCloseTo(207.48, 9); // 187.50 + 19.98
  expect(cost.terms).toHaveLength(2);
  expect(cost.terms.map(({ label }) => labelWords(label))).toEqual([products[one]!.name, products[other]!.name]);
  expect(cost.terms[0]!.inner!.terms.map(({ value }) => value)).toEqual([3, 62.5]);
  expect(cost.terms[0]!.inner!.terms[1]!.source).toEqual({ kind: 'entered', path: ['price', one] });
});

test('nothing bought is nothing', () => {
  expect(purchaseCost([], starterWorkshop())).toMatchObject({ value: 0, terms: [] });
});

test('tax that is not in the prices is a term of its own, and one that is changes nothing', () => {
  const workshop = starterWorkshop();
  const [one] = Object.keys(workshop.products) as [string];
  const products = { ...workshop.products, [one]: { ...workshop.products[one]!, price: 50 } };
  const bought = [{ product: one, count: 3 }];
  const cost = purchaseCost(bought, { products, tax: { percent: 19, included: false } });
  expect(cost.value).toBeCloseTo(178.5, 9); // 150 + 28.50
  expect(cost.terms.map(({ label, value }) => [labelWords(label), value])).toEqual([
    [products[one]!.name, 150],
    ['tax', 28.5],
  ]);
  expect(purchaseCost(bought, { products, tax: { percent: 19, included: true } }).value).toBe(150);
});
