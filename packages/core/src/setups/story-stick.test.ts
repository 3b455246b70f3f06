/** Story sticks of the ink cupboard: every mark, once, for both sides. */
import { expect, test } from '@jest/globals';
import { toMm } from '../length/length.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox, ink, planWith, typed, cabinetWith } from '../test/print-room.ts';
import { operationsOf } from './operations.ts';
import { storySticks } from './story-stick.ts';
import { touchesOf } from './touches.ts';

test('both sides are marked from one stick, from the bottom up', () => {
  const { cabinet } = planWith().byId.get('ink')!;
  const { blanks, operations } = operationsOf(cabinet);
  const [stick, ...more] = storySticks(blanks, operations, touchesOf(cabinet, blanks));
  expect(more).toEqual([]);
  expect(stick!.panels).toEqual(['ink/side/left', 'ink/side/right']);
  expect(toMm(stick!.length)).toBe(820);
  // Bottom over a lip of 15, two shelves that part what is left evenly, the top's rabbet at the end.
  expect(stick!.marks.map(({ guest }) => guest)).toEqual(['ink/bottom', 'ink/shelf/s1', 'ink/shelf/s2', 'ink/top']);
  expect([toMm(stick!.marks[0]!.near), toMm(stick!.marks[0]!.far)]).toEqual([14.95, 32.85]);
  expect([toMm(stick!.marks[3]!.near), toMm(stick!.marks[3]!.far)]).toEqual([802.2, 820]);
  // The same marks as the slots themselves.
  const slots = cabinet.byId.get('ink/side/left')!.slots.filter(({ normal }) => normal.u === 1);
  expect(stick!.marks.map(({ near }) => near).sort()).toEqual(slots.map(({ near }) => Math.max(0, near)).sort());
});

test('butted parts are marked as slots are; a taller side has another stick', () => {
  const of = (...edits: Parameters<typeof cabinetWith>[1][]) => {
    const { cabinet } = cabinetWith('ink', ...edits);
    const { blanks, operations } = operationsOf(cabinet);
    return storySticks(blanks, operations, touchesOf(cabinet, blanks));
  };
  const [butted, ...more] = of(ink('shelfJoint', 'butt'), ink('top.joint', 'butt'), ink('bottom.joint', 'butt'));
  expect(more).toEqual([]);
  expect(butted!.panels).toEqual(['ink/side/left', 'ink/side/right']);
  expect(butted!.marks.map(({ guest }) => guest)).toEqual(['ink/bottom', 'ink/shelf/s1', 'ink/shelf/s2', 'ink/top']);
  // Butted, the bottom has no lip; it is as thick as it was measured. The top ends with the sides.
  expect([toMm(butted!.marks[0]!.near), toMm(butted!.marks[0]!.far)]).toEqual([0, 17.8]);
  expect(toMm(butted!.marks[3]!.far)).toBe(820);
  expect(toMm(of(typed('height', '900 mm'))[0]!.length)).toBe(900);
});

test('a rack of butted ledges has a stick for its uprights', () => {
  const { cabinet } = aloneBox({ ...newSpec('ledge-rack'), shelfJoint: 'butt' } as never);
  const { blanks, operations } = operationsOf(cabinet);
  const ledges = cabinet.panels.filter(({ role }) => role === 'shelf');
  const sticks = storySticks(blanks, operations, touchesOf(cabinet, blanks));
  const told = new Set(sticks.flatMap(({ marks }) => marks.map(({ guest }) => guest)));
  expect(ledges.length).toBeGreaterThan(1);
  for (const { id } of ledges) expect(told).toContain(id);
});

test('the slot rack’s slanted slots stand on it too, at the rear edge, as wide as they cross it', () => {
  const { cabinet } = aloneBox(newSpec('slot-rack'));
  const { blanks, operations } = operationsOf(cabinet);
  const [stick] = storySticks(blanks, operations, touchesOf(cabinet, blanks));
  const slanted = stick!.marks.filter((mark) => mark.slanted);
  const tilted = cabinet.byId.get(stick!.panels[0]!)!.slots.filter(({ normal }) => normal.u !== 1 && normal.v !== 1);
  expect(slanted).toHaveLength(tilted.length);
  expect(slanted.length).toBeGreaterThan(2);
  for (const { near, far } of slanted) {
    // Where the strip's own two lines cross the near edge of the panel.
    const crossings = tilted.map((slot) => [slot.near / slot.normal.u, slot.far / slot.normal.u]);
    expect(crossings.some(([a, b]) => Math.abs(a! - near) < 2000 && Math.abs(b! - far) < 2000)).toBe(true);
  }
});
