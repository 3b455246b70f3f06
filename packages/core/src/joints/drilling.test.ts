/** Holes for fasteners: where they stand in both parts, by hand and for boxes of any size. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { boxOf, solidOf } from '../test/print-room.ts';
import { entered } from '../length/entered.ts';
import { place } from '../solid/panel.ts';
import { isFace } from '../solid/connection.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { drillingOf, END_IN_MM, fastenersAlong, type Drilled } from './drilling.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

const joined = (by: ShelfBox['assembly']['by'], more: Partial<ShelfBox['assembly']> = {}, box: Partial<ShelfBox> = {}): ShelfBox => {
  const base = boxOf();
  return { ...base, shelfJoint: 'butt', ...box, assembly: { ...base.assembly, by, perJoint: 3, ...more } };
};
const rows = (cabinet: ResolvedCabinet, panel: string, reason: string): readonly Drilled[] =>
  (drillingOf(cabinet.byId, cabinet.connections).get(panel) ?? []).filter((row) => row.reason.key === reason);

describe('along a joint', () => {
  test('one stands in the middle, more from 40 mm in at both ends, in equal steps', () => {
    expect(fastenersAlong(300, 1)).toEqual([150]);
    expect(fastenersAlong(300, 2)).toEqual([40, 260]);
    expect(fastenersAlong(300, 3)).toEqual([40, 150, 260]);
    expect(fastenersAlong(90, 4)).toEqual([11.25, 33.75, 56.25, 78.75]);
  });
  test('they are in order, alike from both ends, never past the ends', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 3000 }), fc.integer({ min: 1, max: 12 }), (length, count) => {
        const places = fastenersAlong(length, count);
        expect(places).toHaveLength(count);
        places.forEach((at, index) => {
          expect(at + places[count - 1 - index]!).toBeCloseTo(length, 9);
          if (index > 0) expect(at).toBeGreaterThan(places[index - 1]!);
        });
        expect(places[0]!).toBeGreaterThan(0);
        expect(places[0]!).toBeLessThanOrEqual(Math.max(END_IN_MM, length / 2));
      }),
    );
  });
});

describe('shelf 1 of a box 600 × 700 × 300, three to a joint', () => {
  // Inside 700 − 36 − 15 = 649: shelf 1 with its underside at 33 + 204.33, 294 deep before a back of 6 in its rabbet.
  test('screws: clear holes through the side from outside, pilots in the middle of the edge', () => {
    const cabinet = solidOf(joined('screws'));
    const [clear] = rows(cabinet, 'u1/side/left', 'screw-hole').filter(({ connection }) => connection.startsWith('u1/shelf/s1'));
    const shelf = cabinet.byId.get('u1/shelf/s1')!;
    expect(clear).toMatchObject({ on: 'reference', count: 3, depth: null, diameter: 4_000_000 });
    // Up the side to the middle of the shelf; 6 + 40 from the rear edge, then (294 − 80) / 2 apart.
    expect(clear!.at.u).toBeCloseTo(shelf.frame.origin.up - 9_000_000, -1);
    expect([0, 1, 2].map((k) => (clear!.at.v + k * clear!.step.v) / 1e6).sort((a, b) => a - b)).toEqual([46, 153, 260]);
    const [pilot] = rows(cabinet, 'u1/shelf/s1', 'pilot-hole');
    expect(pilot).toMatchObject({ count: 3, depth: 32_000_000, diameter: 2_300_000 });
  });
  test('undrilled edges have no pilots', () => {
    expect(rows(solidOf(joined('screws', { pilot: false })), 'u1/shelf/s1', 'pilot-hole')).toEqual([]);
  });
  test('dowels: half in each part, but never out of the far face of a side', () => {
    const cabinet = solidOf(joined('dowels', { length: entered('40 mm') }));
    const [inShelf] = rows(cabinet, 'u1/shelf/s1', 'dowel-hole');
    const inSide = rows(cabinet, 'u1/side/left', 'dowel-hole').find(({ connection }) => connection.startsWith('u1/shelf/s1'))!;
    // 40 and 2 to spare: 14 leave 4 of an 18 mm side, the other 28 go into the shelf.
    expect([inSide.depth, inShelf!.depth]).toEqual([14_000_000, 28_000_000]);
  });
  test('pockets: on the side an eye does not see, 38 in from the end', () => {
    const low = solidOf(joined('pockets', {}, { place: { along: entered('900 mm'), up: entered('300 mm') } }));
    const high = solidOf(joined('pockets', {}, { place: { along: entered('900 mm'), up: entered('1900 mm') } }));
    // A level panel lies with its reference face up.
    expect(rows(low, 'u1/shelf/s1', 'pocket-hole').map(({ on }) => on)).toEqual(['other', 'other']);
    expect(rows(high, 'u1/shelf/s1', 'pocket-hole').map(({ on }) => on)).toEqual(['reference', 'reference']);
    const ends = rows(low, 'u1/shelf/s1', 'pocket-hole').map(({ at }) => at.u / 1e6);
    expect(ends.sort((a, b) => a - b)).toEqual([38, 564 - 38]);
    expect(rows(low, 'u1/side/left', 'pocket-hole')).toEqual([]);
  });
  test('brads leave no holes to drill', () => {
    const cabinet = solidOf(joined('brads'));
    expect(rows(cabinet, 'u1/shelf/s1', 'pilot-hole')).toEqual([]);
    expect(rows(cabinet, 'u1/side/left', 'screw-hole').every(({ connection }) => connection.startsWith('u1/hanging-rail'))).toBe(true);
  });
});

test('both halves of every screw and dowel meet in space, whatever the box', () => {
  const whole = (least: number, most: number) => fc.integer({ min: least, max: most });
  const boxes = fc.record({
    width: whole(250, 1200),
    height: whole(300, 1200),
    depth: whole(120, 500),
    count: whole(1, 6),
    by: fc.constantFrom('screws' as const, 'dowels' as const),
  });
  fc.assert(
    fc.property(boxes, ({ width, height, depth, count, by }) => {
      const size = { width: entered(`${width} mm`), height: entered(`${height} mm`), depth: entered(`${depth} mm`) };
      const cabinet = solidOf(joined(by, { perJoint: count }, size));
      const drilled = drillingOf(cabinet.byId, cabinet.connections);
      const all = [...drilled.values()].flat();
      for (const row of all) {
        const others = all.filter(({ connection, panel }) => connection === row.connection && panel !== row.panel);
        expect(others).toHaveLength(1);
        const spots = [row, others[0]!].map((each) => {
          const panel = cabinet.byId.get(each.panel)!;
          const depthAt = isFace(each.on) ? (each.on === 'reference' ? 0 : panel.thickness) : panel.thickness / 2;
          return Array.from({ length: each.count }, (_, k) => place(panel.frame, { u: each.at.u + each.step.u * k, v: each.at.v + each.step.v * k }, depthAt));
        }) as [ReturnType<typeof place>[], ReturnType<typeof place>[]];
        // Across the seam they are apart by what lies between the face and the edge; along it they are one row.
        const apart = spots[0].map(
          (spot, k) => Math.abs(spot.up - spots[1][k]!.up) + Math.abs(spot.out - spots[1][k]!.out) + Math.abs(spot.along - spots[1][k]!.along),
        );
        const thickest = Math.max(...cabinet.panels.map(({ thickness }) => thickness));
        apart.forEach((nm) => expect(nm).toBeLessThanOrEqual(thickest + 10));
      }
    }),
    { numRuns: 40 },
  );
});
