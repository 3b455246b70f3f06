/** Moving things by hand: counts go from one floor to the other, none is lost, and what was moved stays put. */
import { expect, test } from '@jest/globals';
import { newItem, type Item } from '@keen/core';
import { moveThings, pinThings, removeItem } from './moveThings.ts';

const item = (homes: Item['homes']): Item => ({ ...newItem({ id: 'a', order: 1, unit: 'mm' }), count: 9, homes });
const after = (of: Item, ...args: [number, Parameters<typeof moveThings>[2], Parameters<typeof moveThings>[3]]): Item['homes'] =>
  moveThings(of, ...args)[0]!.value as Item['homes'];
const floor = (on: string, unit = 'ink') => ({ unit, on });

test('all of a floor moves to another and is pinned there', () => {
  expect(after(item({ ink: { s1: { count: 4, pinned: false } } }), 4, floor('s1'), floor('s2'))).toEqual({ ink: { s2: { count: 4, pinned: true } } });
});
test('some of a floor leave the rest where they were', () => {
  expect(after(item({ ink: { s1: { count: 4, pinned: false } } }), 1, floor('s1'), floor('s2'))).toEqual({
    ink: { s1: { count: 3, pinned: false }, s2: { count: 1, pinned: true } },
  });
});
test('moved onto a floor that has some, they stand together', () => {
  const both = item({ ink: { s1: { count: 2, pinned: false }, s2: { count: 3, pinned: false } } });
  expect(after(both, 2, floor('s1'), floor('s2'))).toEqual({ ink: { s2: { count: 5, pinned: true } } });
});
test('from the tray they come from nowhere, and taken off they go nowhere', () => {
  expect(after(item({}), 3, null, floor('bottom'))).toEqual({ ink: { bottom: { count: 3, pinned: true } } });
  expect(after(item({ ink: { bottom: { count: 3, pinned: true } } }), 3, floor('bottom'), null)).toEqual({ ink: {} });
});
test('to another cabinet, the first keeps what else it has', () => {
  const here = item({ ink: { s1: { count: 2, pinned: false }, s2: { count: 1, pinned: true } } });
  expect(after(here, 2, floor('s1'), floor('bottom', 'type'))).toEqual({
    ink: { s2: { count: 1, pinned: true } },
    type: { bottom: { count: 2, pinned: true } },
  });
});
test('pinning and taking out are one step each', () => {
  expect(pinThings(item({}), 'ink', 's1', true)).toEqual([{ path: ['items', 'a', 'homes', 'ink', 's1', 'pinned'], value: true }]);
  expect(removeItem(item({}))).toEqual([{ path: ['items', 'a'], value: undefined }]);
});
