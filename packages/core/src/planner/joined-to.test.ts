import { expect, test } from '@jest/globals';
import { ink, planWith, typed } from '../test/print-room.ts';
import { joinedTo } from './joined-to.ts';

test('a neighbor is told by both, also where all cabinets have one name', () => {
  const beside = planWith(typed('place.along', '2406 mm'));
  expect([joinedTo(beside, 'ink'), joinedTo(beside, 'type')]).toEqual([['Type-case box'], ['Ink cupboard']]);
  const alike = planWith(typed('place.along', '2406 mm'), ink('name', 'Type-case box'));
  expect([joinedTo(alike, 'ink'), joinedTo(alike, 'type')]).toEqual([['Type-case box'], ['Type-case box']]);
  // Of one name and far apart they are no neighbors.
  const apart = planWith(ink('name', 'Type-case box'));
  expect([joinedTo(apart, 'ink'), joinedTo(apart, 'type')]).toEqual([[], []]);
});
