/** Which products are one board in several lengths, and what they are called. */
import { expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { inAnotherLength, lengthsForSale, nameInLists, nameOfKind } from './board-lengths.ts';
import { starterWorkshop } from './catalogue.ts';
import type { Product } from '../model/workshop.ts';

const workshop = starterWorkshop();
const pine = workshop.products['board-1x4']!;
const withMore = (...more: Product[]) => ({ ...workshop, products: { ...workshop.products, ...Object.fromEntries(more.map((each) => [each.id, each])) } });

test('a board in another length is one kind with it, the shortest first; a wider, thicker or other one is not', () => {
  const long = inAnotherLength(pine, entered('10 ft'), 12, workshop);
  const short = inAnotherLength(pine, entered('72 in'), 7, workshop);
  expect([long.id, short.id]).toEqual(['board-1x4-10-ft', 'board-1x4-72-in']);
  const others: Product[] = [
    { ...long, id: 'wider', width: entered('5 in') },
    { ...long, id: 'thicker', nominal: entered('1 in') },
    { ...long, id: 'oak', material: 'red-oak' },
    { ...long, id: 'clear', name: 'Clear pine board 1x4' },
  ];
  expect(lengthsForSale(pine, withMore(long, short, ...others)).map(({ id }) => id)).toEqual([short.id, pine.id, long.id]);
});

test('a length at the end of the name is no part of it; the size of its section is', () => {
  expect(['Pine board 1x4, 8 ft', 'Pine board 1x4 x 2.4 m', "Pine board 1x4 8'", 'Pine board 1x4'].map((name) => nameOfKind({ name }))).toEqual(
    Array.from({ length: 4 }, () => 'Pine board 1x4'),
  );
  expect(nameOfKind({ name: 'Spruce board 18 x 144 mm' })).toBe('Spruce board 18 x 144 mm');
});

test('lists tell several lengths apart; one alone goes by its name, and a sheet by its own', () => {
  const long = inAnotherLength(pine, entered('10 ft'), 12, workshop);
  expect(nameInLists(pine, workshop)).toBe('Pine board 1x4');
  expect([pine, long].map((each) => nameInLists(each, withMore(long)))).toEqual(['Pine board 1x4, 96 in', 'Pine board 1x4, 120 in']);
  const sheet = workshop.products['birch-18']!;
  const other = { ...sheet, id: 'other', length: entered('3 m') };
  expect(nameInLists(sheet, withMore(other))).toBe(sheet.name);
});

test('the id of another length is one that is free', () => {
  const once = inAnotherLength(pine, entered('10 ft'), 12, workshop);
  expect(inAnotherLength(pine, entered('10 ft'), 12, withMore(once)).id).toBe('board-1x4-10-ft-2');
});
