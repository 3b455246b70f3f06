/** Places that are offered: clear of everything there is, over studs, and the nearest there is. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, NM_PER, type Length } from '../length/length.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { blocksCabinets, mustBeReached, overlap, thingRect, type WallBlock } from './placed.ts';
import { centredBetween, nearestPlace, proposePlaces, snap } from './placing.ts';
import { sweeps, swingOf } from './swing.ts';
import { studCentres } from './studs.ts';
import { thingsInOrder } from '../model/wall.ts';

const { wall } = furnishedRoom().design;
const size = (least: number, most: number) => fc.integer({ min: least, max: most });
const arbitraryBlock: fc.Arbitrary<WallBlock> = fc
  .record({ left: size(-200, 4400), bottom: size(0, 2000), width: size(200, 1200), height: size(200, 900), out: size(120, 420) })
  .map(({ left, bottom, width, height, out }) => ({
    id: 'b',
    name: 'b',
    left: mm(left),
    right: mm(left + width),
    bottom: mm(bottom),
    top: mm(bottom + height),
    out: mm(out),
  }));
const others: WallBlock[] = [{ id: 'o', name: 'o', left: mm(1200), right: mm(1900), bottom: mm(1300), top: mm(2000), out: mm(300) }];

const isClear = (block: WallBlock): boolean =>
  !others.some((other) => overlap(block, other)) &&
  !thingsInOrder(wall).some((thing) => ((blocksCabinets(thing) && thing.kind !== 'side-door') || mustBeReached(thing)) && overlap(block, thingRect(thing))) &&
  !thingsInOrder(wall).some((thing) => {
    const sector = swingOf(thing, wall);
    return sector !== null && sweeps(sector, block);
  });

test('the nearest place is clear of neighbours, things, doors, ceiling and baseboard', () => {
  fc.assert(
    fc.property(arbitraryBlock, (block) => {
      const found = nearestPlace(wall, others, block, { rows: [], end: mm(50) }, mm(30));
      if (!found) return;
      const there = { ...block, left: found.along, right: found.along + block.right - block.left, bottom: found.up, top: found.up + block.top - block.bottom };
      expect(isClear(there)).toBe(true);
      expect(there.left).toBeGreaterThanOrEqual(0);
      expect(there.right).toBeLessThanOrEqual(wall.width.nm);
      expect(there.top).toBeLessThanOrEqual(wall.ceiling.nm - mm(30));
      expect(there.bottom).toBeGreaterThanOrEqual(wall.baseboard.height.nm);
    }),
    { numRuns: 150 },
  );
});

test('proposals are clear too, over two studs before any other, and count their studs right', () => {
  fc.assert(
    fc.property(arbitraryBlock, (block) => {
      const [width, height] = [block.right - block.left, block.top - block.bottom];
      const found = proposePlaces(
        wall,
        others,
        { width, height, out: block.out, rows: [height - mm(60)], end: mm(50), up: block.bottom },
        { above: mm(30), beside: 0, below: 0 },
      );
      for (const { along, up, studs } of found.slice(0, 12)) {
        expect(isClear({ ...block, left: along, right: along + width, bottom: up, top: up + height })).toBe(true);
        expect(studs).toBe(studCentres(wall).filter((at) => at >= along + 50 * NM_PER.mm && at <= along + width - 50 * NM_PER.mm).length);
      }
      if (found.some(({ studs }) => studs >= 2)) expect(found[0]!.studs).toBeGreaterThanOrEqual(2);
    }),
    { numRuns: 60 },
  );
});

describe('snapping', () => {
  const targets = [
    { at: 100, to: 'stud' as const },
    { at: 130, to: 'edge' as const },
  ];
  test('takes the nearest target of any edge within reach', () => {
    expect(snap(95, [0, 50], targets, 10)).toEqual({ at: 100 as Length, to: 'stud' });
    expect(snap(78, [0, 50], targets, 10)).toEqual({ at: 80 as Length, to: 'edge' });
  });
  test('out of reach it stays where it is', () => expect(snap(70, [0], targets, 10)).toEqual({ at: 70 as Length, to: null }));
});

test('centred between two edges: the same to both sides', () => {
  expect(centredBetween(mm(100), mm(900), mm(300))).toBe(mm(350));
});
