/** What the wall cleat lies over: what stands on the wall, not what is hidden in it. */
import { expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { onWall } from '../test/check-case.ts';
import { cabinetWith } from '../test/print-room.ts';

test.each([
  ['outlet', true],
  ['switch', true],
  ['cable', false],
  ['pipe', true],
] as const)('a %s under the half: %s', (kind, found) => {
  const thing = {
    ...{ id: 'x', order: 9, kind, name: 'it', hinge: 'none', opensDeg: 0 },
    ...{ left: entered('1000 mm'), up: entered('1930 mm'), width: entered('80 mm'), height: entered('80 mm') },
    ...{ out: entered('0 mm'), handle: entered('0 mm') },
  };
  expect(cabinetWith('ink', onWall('things.x', thing)).findings.some(({ check }) => check === 'half-in-way')).toBe(found);
});
