/** What a change did to the parts of the ink cupboard. */
import { expect, test } from '@jest/globals';
import { toMm } from '../length/length.ts';
import { ink, typed, cabinetWith } from '../test/print-room.ts';
import { partChanges, type PartChange } from './part-changes.ts';

const before = cabinetWith('ink').parts;
const changed = (...edits: Parameters<typeof cabinetWith>[1][]): PartChange[] => partChanges(before, cabinetWith('ink', ...edits).parts);
const of = (changes: readonly PartChange[], panel: string): PartChange[] => changes.filter((change) => change.panel === panel);

test('nothing changed is nothing said', () => expect(changed()).toEqual([]));

test('slots 2 mm shallower shorten what goes into both sides by 4 mm, and change nothing of the back', () => {
  const changes = changed(typed('jointDepth', '4 mm'));
  const [shelf] = of(changes, 'ink/shelf/s1');
  expect(shelf).toMatchObject({ kind: 'length' });
  if (shelf?.kind === 'length') expect(toMm(shelf.from) - toMm(shelf.to)).toBe(4);
  expect(of(changes, 'ink/side/left')).toMatchObject([{ kind: 'cuts', depths: { from: 6e6, to: 4e6 } }]);
  expect(of(changes, 'ink/back')).toEqual([]);
});

test('a shelf taken out went; its slots went with it', () => {
  const changes = changed(ink('shelves.s1', undefined));
  expect(of(changes, 'ink/shelf/s1')).toMatchObject([{ kind: 'went' }]);
  const [side] = of(changes, 'ink/side/left');
  expect(side).toMatchObject({ kind: 'cuts', depths: null });
  if (side?.kind === 'cuts') expect(side.from - side.to).toBe(1);
});

test('a butt instead of a dado changes the shelves and what they meet, no more', () => {
  const panels = new Set(changed(ink('shelfJoint', 'butt')).map(({ panel }) => panel));
  expect([...panels].sort()).toEqual(['ink/shelf/s1', 'ink/shelf/s2', 'ink/side/left', 'ink/side/right']);
});
