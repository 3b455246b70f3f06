/** Where a dragged cabinet lands: on studs, neighbors, rails and the wall's ends within reach, else on a whole step of the tape. */
import { expect, test } from '@jest/globals';
import { entered, plan, starterWorkshop, type Design } from '@keen/core';
import { DESIGN } from '../../test/print-room.ts';
import { draggedTo, stepped, straight } from './useWallDrag.ts';

const ink = DESIGN.units['ink']!;
const design: Design = {
  ...DESIGN,
  units: { ink, other: { ...ink, id: 'other', name: 'Other', place: { along: entered('2000 mm'), up: entered('1400 mm') } } },
  wall: {
    ...DESIGN.wall,
    rails: {
      r: {
        id: 'r',
        order: 1,
        name: 'rail',
        left: entered('100 mm'),
        right: entered('1800 mm'),
        up: entered('1900 mm'),
        stock: 'birch-18',
        boardWidth: entered('150 mm'),
        bevelDeg: 45,
        pieceLength: entered('2400 mm'),
      },
    },
  },
};
const made = plan(design, [], starterWorkshop());
const at = (along: number, up: number, reach = 12) => draggedTo(design.wall, made, 'ink', { along: along * 1e6, up: up * 1e6 }, reach * 1e6, 'mm');

test('away from everything it lands on a whole millimetre', () => {
  expect(at(1253.4, 1051.7)).toEqual({ along: entered('1253 mm'), up: entered('1052 mm'), to: '' });
});
test('its right end meets the left end of its neighbor', () => {
  expect(at(1294, 1050)).toEqual({ along: entered('1300 mm'), up: entered('1050 mm'), to: 'in line with a neighbor' });
});
test('its middle comes over a stud, its bottom in line with the neighbor’s', () => {
  // Studs at 230 + 405 n: 1040 less half of 700.
  const landed = at(686, 1396);
  expect([landed.along.nm, landed.up.nm]).toEqual([690e6, 1400e6]);
  expect(landed.to).toBe('stud, in line with a neighbor');
});
test('its bevel comes to the rail before anything else', () => {
  const valley = made.byId.get('ink')!.cabinet.hanging.valleyUp;
  const landed = at(1253, (1900e6 - valley) / 1e6 + 5);
  expect(landed.up.nm).toBe(1900e6 - valley);
  expect(landed.to).toBe('rail');
});
test('the end of the wall is a place too, and with Alt held nothing pulls', () => {
  expect(at(4, 1050).along.nm).toBe(0);
  expect(at(4, 1050, 0)).toMatchObject({ along: entered('4 mm'), to: '' });
});
test('steps of an inch tape are sixteenths', () => {
  expect(stepped(25.4e6 * 10.03, 'in').text).toBe('10 in');
  expect(stepped(25.4e6 * 10.1, 'in').text).toBe('10.125 in');
});
test('a drag along the wall leaves the height alone, one upwards the place along it; a finger strays further', () => {
  expect(straight(80, 4, false)).toEqual([80, 0]);
  expect(straight(80, 6, false)).toEqual([80, 6]);
  expect(straight(80, 15, true)).toEqual([80, 0]);
  expect(straight(80, 25, true)).toEqual([80, 25]);
  expect(straight(-3, -40, false)).toEqual([0, -40]);
});
