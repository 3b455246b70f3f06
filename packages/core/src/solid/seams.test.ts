/** Seams of the ink cupboard: where its joints lie. */
import { expect, test } from '@jest/globals';
import { newSpec } from '../test/family-units.ts';
import { aloneBox, cabinetWith } from '../test/print-room.ts';
import { seamOf } from './seams.ts';

const { cabinet } = cabinetWith('ink');
const seam = (id: string) =>
  seamOf(
    cabinet,
    cabinet.connections.find((connection) => connection.id === id)!,
  )!;

test('a shelf’s left end runs from the back to its front, as deep into the side as its slot less what stays free', () => {
  const [a, b] = seam('ink/shelf/s1:start');
  // 17.8 of side, 6 of slot, 0.25 left free.
  expect([a.along, b.along]).toEqual([expect.closeTo(12.05, 6), expect.closeTo(12.05, 6)]);
  expect(a.up).toBeCloseTo(b.up, 9);
  expect(Math.abs(a.out - b.out)).toBeCloseTo(cabinet.byId.get('ink/shelf/s1')!.width.value / 1e6, 6);
});

test('faces laid on one another have none', () => {
  const drawers = aloneBox(newSpec('drawer-unit')).cabinet;
  const laid = drawers.connections.filter(({ joint }) => joint.kind === 'laid');
  expect(laid.length).toBeGreaterThan(0);
  for (const connection of laid) expect(seamOf(drawers, connection)).toBeNull();
});
