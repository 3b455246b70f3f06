/** What holds a thing on its floor is read off the cabinet itself: strips, fronts, tilt. */
import { expect, test } from '@jest/globals';
import { familyOf } from '../cabinets/families.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox } from '../test/print-room.ts';
import { backTiltDeg, hasLip } from './held-in.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

const floors = (design: unknown) => {
  const { cabinet } = aloneBox(design as CabinetSpec);
  return cabinet.compartments.map((space) => ({ lip: hasLip(cabinet, space), tilt: Math.round(backTiltDeg(cabinet, space) * 10) / 10 }));
};
const ledge = (more: object) => {
  const rack = newSpec('ledge-rack');
  const { start } = familyOf(rack).form.elements.find(({ path }) => path === 'ledges')!;
  return { ...rack, ledges: { l1: { ...(start(rack, 'l1', 1) as object), kind: 'plain', strips: 0, ...more } } };
};

test('a plain shelf has no lip and does not fall', () => {
  expect(new Set(floors(newSpec('shelf-box')).map(({ lip, tilt }) => `${lip} ${tilt}`))).toEqual(new Set(['false 0']));
});

test('strips before a ledge are one, scooped or not; a ledge without them has none', () => {
  expect(floors(ledge({})).at(-1)).toMatchObject({ lip: false });
  expect(floors(ledge({ strips: 1 })).at(-1)).toMatchObject({ lip: true });
  expect(floors(ledge({ strips: 2, kind: 'scooped' })).at(-1)).toMatchObject({ lip: true });
});

test('a tilted rack falls to the back by its own angle', () => {
  for (const tiltDeg of [0, 5]) {
    const tilted = floors({ ...newSpec('slot-rack'), holds: 'shelves', tiltDeg });
    expect(tilted.map(({ tilt }) => tilt)).toContain(tiltDeg);
  }
});
