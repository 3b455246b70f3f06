/** The best pair of all pieces and sheets comes next: nothing twice, nothing lost, and no sheet opened for what it cannot hold. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bestPairs, type BestPairs } from './best-pairs.ts';
import { lieOf, type PackItem } from './pieces.ts';
import { part } from '../test/nest-job.ts';

/** Bins on a line, each so long; a place is what would be left of one. */
interface Bin {
  readonly long: number;
  free: number;
  readonly held: number[];
}
type Place = { readonly score: number; readonly tie: number };

const lengthOf = (item: PackItem): number => item.lies[0]!.dx / 1e6;
const piece = (index: number, length: number): PackItem => {
  const own = part(`p${index}`, length, 1, 1, { grain: 'length' });
  return { index, parts: [own], lies: lieOf(own), area: length * 1e12, together: null };
};
/** `stock` bins of these lengths, in order, each once. */
const filling = (stock: readonly number[]): BestPairs<Bin, Place> => ({
  empty(used, left) {
    const over = [...stock];
    for (const { long } of used) over.splice(over.indexOf(long), 1);
    const long = over.find((each) => left.some((item) => lengthOf(item) <= each));
    return long === undefined ? null : { long, free: long, held: [] };
  },
  placeFor: (item, bin) => (lengthOf(item) <= bin.free ? { score: bin.free - lengthOf(item), tie: 0 } : null),
  put(item, bin) {
    bin.free -= lengthOf(item);
    bin.held.push(item.index);
  },
  isOver: () => false,
});

test('each piece is in one bin or left, no bin is over, and what is left goes nowhere', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 20 }), { maxLength: 14 }), fc.array(fc.integer({ min: 3, max: 20 }), { maxLength: 6 }), (lengths, stock) => {
      const items = lengths.map((length, index) => piece(index, length));
      const { sheets, left } = bestPairs(items, filling(stock))!;
      expect([...sheets.flatMap(({ held }) => held), ...left.map(({ index }) => index)].sort((a, b) => a - b)).toEqual(items.map(({ index }) => index));
      const over = [...stock];
      for (const { long, free, held } of sheets) {
        expect(free).toBeGreaterThanOrEqual(0);
        expect(held.length).toBeGreaterThan(0);
        over.splice(over.indexOf(long), 1);
      }
      for (const item of left) for (const room of [...over, ...sheets.map(({ free }) => free)]) expect(lengthOf(item)).toBeGreaterThan(room);
    }),
  );
});

test('the closest fit of all comes first, whatever the order', () => {
  const { sheets } = bestPairs([piece(0, 5), piece(1, 9), piece(2, 4), piece(3, 1)], filling([10, 10]))!;
  expect(sheets.map(({ held }) => held)).toEqual([
    [1, 3],
    [0, 2],
  ]);
});

test('jobs of very many kinds are left to others', () => {
  expect(
    bestPairs(
      Array.from({ length: 300 }, (_, n) => piece(n, 1)),
      filling([1000]),
    ),
  ).toBeNull();
});

test('so are jobs of many thousand pieces', () => {
  const few = Array.from({ length: 50 }, (_, n) => piece(n, 1));
  const many = (times: number): PackItem[] => Array.from({ length: times }, () => few).flat();
  expect(bestPairs(many(161), filling([10_000]))).toBeNull();
  expect(bestPairs(many(2), filling([10_000]))!.sheets.map(({ held }) => held.length)).toEqual([100]);
});
