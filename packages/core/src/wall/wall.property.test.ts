/** Zones, swings, free rectangles and shims against oracles that know nothing of how they are worked out. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { mm, NM_PER } from '../length/length.ts';
import { faceOf, shimsFor } from './bow.ts';
import { freeRectangles, runIn } from './free-space.ts';
import { newWall } from './new-wall.ts';
import { overlap, type WallRect } from './placed.ts';
import { spread } from './placing.ts';
import { sweeps, swingOf, type Sector } from './swing.ts';
import type { Wall, WallThing } from '../model/wall.ts';
import { cableBands, drillState } from './zones.ts';

const whole = (least: number, most: number) => fc.integer({ min: least, max: most });
const plain = newWall({ unit: 'mm', width: entered('4000 mm'), ceiling: entered('2400 mm'), spacing: entered('400 mm') });

const arbitraryThing: fc.Arbitrary<WallThing> = fc
  .record({
    kind: fc.constantFrom(
      'outlet' as const,
      'switch' as const,
      'light' as const,
      'tap' as const,
      'cable' as const,
      'pipe' as const,
      'window' as const,
      'bench' as const,
    ),
    left: whole(0, 3900),
    up: whole(0, 2200),
    width: whole(5, 200),
    height: whole(5, 600),
  })
  .map(({ kind, left, up, width, height }) => ({
    id: `t${left}-${up}-${width}-${height}-${kind}`,
    order: 1,
    kind,
    name: kind,
    left: entered(`${left} mm`),
    up: entered(`${up} mm`),
    width: entered(`${width} mm`),
    height: entered(`${height} mm`),
    out: entered('0 mm'),
    hinge: 'none' as const,
    opensDeg: 0,
    handle: entered('0 mm'),
  }));

const wallWith = (things: readonly WallThing[], looked: Wall['looked'] = {}): Wall => ({
  ...plain,
  things: Object.fromEntries(things.map((thing) => [thing.id, thing])),
  looked,
});

test('a hole is never drilled in line with an outlet, in a surveyed run, or along corners and ceiling; elsewhere it is look first', () => {
  fc.assert(
    fc.property(fc.array(arbitraryThing, { maxLength: 6 }), whole(0, 4000), whole(0, 2400), (things, along, up) => {
      const within = (at: number, from: number, size: number, margin = 0): boolean => at >= from - margin && at <= from + size + margin;
      // Said from the convention alone, thing by thing.
      const onRun = things.some(({ kind, left, up: foot, width, height }) => {
        const [l, b, w, h] = [left, foot, width, height].map(({ nm }) => nm / NM_PER.mm) as [number, number, number, number];
        return (kind === 'cable' || kind === 'pipe') && within(along, l, w, 25) && within(up, b, h, 25);
      });
      const forbidden =
        onRun ||
        along <= 150 ||
        along >= 3850 ||
        up >= 2250 ||
        things.some(({ kind, left, up: foot, width, height }) => {
          const [l, b, w, h] = [left, foot, width, height].map(({ nm }) => nm / NM_PER.mm) as [number, number, number, number];
          return kind !== 'cable' && kind !== 'pipe' && kind !== 'window' && kind !== 'bench' && (within(along, l, w) || within(up, b, h));
        });
      expect(drillState(wallWith(things), mm(along), mm(up))).toBe(forbidden ? 'never' : 'look-first');
      // Looking everywhere makes every place known but those on a run that was found; in writing those too.
      const everywhere = (how: 'detector' | 'in-writing') => ({
        a: { id: 'a', left: entered('0 mm'), up: entered('0 mm'), width: entered('4000 mm'), height: entered('2400 mm'), how, note: '' },
      });
      expect(drillState(wallWith(things, everywhere('detector')), mm(along), mm(up))).toBe(onRun ? 'never' : 'looked');
      expect(drillState(wallWith(things, everywhere('in-writing')), mm(along), mm(up))).toBe('in-writing');
    }),
  );
});

test('every band starts at something that is there', () => {
  fc.assert(
    fc.property(fc.array(arbitraryThing, { maxLength: 6 }), (things) => {
      const wall = wallWith(things);
      for (const { thing, from } of cableBands(wall)) expect(thing === null ? from !== 'outlet' : wall.things[thing] !== undefined).toBe(true);
    }),
  );
});

const arbitrarySector: fc.Arbitrary<Sector> = fc
  .record({ along: whole(-500, 500), out: whole(0, 400), radius: whole(50, 900), from: whole(-90, 180), turn: whole(1, 180) })
  .map(({ along, out, radius, from, turn }) => ({
    along: mm(along),
    out: mm(out),
    radius: mm(radius),
    fromDeg: from,
    toDeg: from + turn,
    bottom: 0,
    top: 100,
  }));

test('a swing meets a block exactly when a point of the sector lies in it', () => {
  fc.assert(
    fc.property(arbitrarySector, whole(-1200, 1200), whole(5, 800), whole(5, 700), (sector, left, width, out) => {
      const block = { left: mm(left), right: mm(left + width), out: mm(out), bottom: 10, top: 20 };
      const inBlock = (growMm: number): boolean => {
        const grow = mm(growMm);
        // Points of the sector in polar steps; `grow` widens the block so that steps cannot miss it.
        for (let a = 0; a <= 120; a++) {
          const angle = ((sector.fromDeg + ((sector.toDeg - sector.fromDeg) * a) / 120) * Math.PI) / 180;
          for (let k = 0; k <= 120; k++) {
            const r = (sector.radius * k) / 120;
            const [x, y] = [sector.along + r * Math.cos(angle), sector.out + r * Math.sin(angle)];
            if (x >= block.left - grow && x <= block.right + grow && y + grow >= 0 && y <= block.out + grow) return true;
          }
        }
        return false;
      };
      const found = sweeps(sector, block);
      // A step is at most radius × 1.5 degrees ≈ 24 long and 7.5 along the radius.
      if (inBlock(-1)) expect(found).toBe(true);
      if (!inBlock(26)) expect(found).toBe(false);
    }),
    { numRuns: 300 },
  );
});

test('a swing at another height meets nothing', () => {
  expect(sweeps({ along: 0, out: 0, radius: 100, fromDeg: 0, toDeg: 90, bottom: 0, top: 50 }, { left: 0, right: 50, out: 50, bottom: 50, top: 90 })).toBe(
    false,
  );
});

describe('room doors', () => {
  const door = (more: Partial<WallThing>): WallThing => ({
    id: 'd',
    order: 1,
    kind: 'door',
    name: 'door',
    left: entered('1000 mm'),
    up: entered('0 mm'),
    width: entered('800 mm'),
    height: entered('2000 mm'),
    out: entered('0 mm'),
    hinge: 'left',
    opensDeg: 90,
    handle: entered('0 mm'),
    ...more,
  });
  const block = (left: number, right: number, out: number) => ({ left: mm(left), right: mm(right), out: mm(out), bottom: mm(1400), top: mm(1900) });

  test('a door in this wall sweeps the side it opens to, and beyond a right angle past its hinge', () => {
    expect(sweeps(swingOf(door({}), plain)!, block(1100, 1300, 300))).toBe(true);
    expect(sweeps(swingOf(door({}), plain)!, block(700, 990, 300))).toBe(false);
    expect(sweeps(swingOf(door({ opensDeg: 170 }), plain)!, block(700, 990, 300))).toBe(true);
    expect(sweeps(swingOf(door({ hinge: 'right', opensDeg: 170 }), plain)!, block(1810, 2100, 300))).toBe(true);
    expect(swingOf(door({ hinge: 'none' }), plain)).toBeNull();
  });

  test('a door in the side wall comes over this wall at the height of its hinge', () => {
    const side = door({ kind: 'side-door', out: entered('200 mm'), width: entered('760 mm') });
    expect(sweeps(swingOf(side, plain)!, block(0, 700, 190))).toBe(false);
    expect(sweeps(swingOf(side, plain)!, block(0, 700, 210))).toBe(true);
    expect(sweeps(swingOf(side, plain)!, block(770, 1200, 400))).toBe(false);
    // The handle reaches further in than the leaf, as far near the hinge as at its end.
    expect(sweeps(swingOf({ ...side, handle: entered('60 mm') }, plain)!, block(50, 120, 139))).toBe(false);
    expect(sweeps(swingOf({ ...side, handle: entered('60 mm') }, plain)!, block(50, 120, 141))).toBe(true);
    expect(sweeps(swingOf({ ...side, handle: entered('60 mm') }, plain)!, block(600, 700, 190))).toBe(true);
  });
});

test('free rectangles are free, cannot be made larger, and every free point is in one', () => {
  const rect: fc.Arbitrary<WallRect> = fc
    .tuple(whole(0, 90), whole(1, 40), whole(0, 60), whole(1, 40))
    .map(([left, w, bottom, h]) => ({ left, right: left + w, bottom, top: bottom + h }));
  const bounds: WallRect = { left: 0, right: 100, bottom: 0, top: 70 };
  fc.assert(
    fc.property(fc.array(rect, { maxLength: 7 }), whole(0, 199), whole(0, 139), (taken, halfX, halfY) => {
      const free = freeRectangles(bounds, taken);
      for (const room of free) {
        expect(taken.some((each) => overlap(room, each))).toBe(false);
        const larger: WallRect[] = [
          { ...room, left: room.left - 1 },
          { ...room, right: room.right + 1 },
          { ...room, bottom: room.bottom - 1 },
          { ...room, top: room.top + 1 },
        ];
        for (const each of larger) {
          const outside = each.left < bounds.left || each.right > bounds.right || each.bottom < bounds.bottom || each.top > bounds.top;
          expect(outside || taken.some((other) => overlap(each, other))).toBe(true);
        }
      }
      const [x, y] = [halfX / 2 + 0.25, halfY / 2 + 0.25];
      const isFree = !taken.some(({ left, right, bottom, top }) => x > left && x < right && y > bottom && y < top);
      const covered = free.some(({ left, right, bottom, top }) => x > left && x < right && y > bottom && y < top);
      expect(covered).toBe(isFree);
    }),
  );
});

test('a run keeps its gaps and its open stretch, and shares out all that is left', () => {
  fc.assert(
    fc.property(
      whole(1, 6),
      whole(0, 60),
      whole(0, 500),
      whole(0, 6),
      fc.constantFrom('left' as const, 'right' as const, 'ends' as const, 'between' as const),
      (count, gap, open, after, share) => {
        const run = runIn({ left: mm(100), right: mm(3100) }, { count, width: null, gap: mm(gap), open: { width: mm(open), after }, share }, 'mm');
        expect(run.left).toBeGreaterThanOrEqual(0);
        expect(run.left).toBeLessThan(count * NM_PER.mm);
        expect(run.lefts[0]!).toBeGreaterThanOrEqual(mm(100));
        expect(run.lefts.at(-1)! + run.width).toBeLessThanOrEqual(mm(3100));
        for (let n = 1; n < count; n++) {
          const between = run.lefts[n]! - run.lefts[n - 1]! - run.width;
          expect(between).toBeGreaterThanOrEqual(n === Math.min(after, count) && open > 0 ? mm(open) : open > 0 && n === after ? 0 : mm(gap));
        }
      },
    ),
  );
});

test('units spread out stand with equal gaps, to the nanometre of rounding', () => {
  fc.assert(
    fc.property(fc.array(whole(100, 700), { minLength: 1, maxLength: 5 }), (widths) => {
      const lefts = spread(
        0,
        mm(4000),
        widths.map((width) => mm(width)),
      );
      const gaps = [
        lefts[0]!,
        ...lefts.slice(1).map((left, index) => left - lefts[index]! - mm(widths[index]!)),
        mm(4000) - lefts.at(-1)! - mm(widths.at(-1)!),
      ];
      expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1);
    }),
  );
});

describe('bow', () => {
  const bow = (id: string, up: number, offs: readonly number[]): Wall['bow'][string] => ({
    id,
    up: entered(`${up} mm`),
    readings: Object.fromEntries(
      offs.map((off, index) => [`${id}${index}`, { id: `${id}${index}`, along: entered(`${index * 400} mm`), off: entered(`${off} mm`) }]),
    ),
  });
  const lines = { a: bow('a', 2000, [0, 2, 5, 3, 0]), b: bow('b', 1000, [0, 2, 5, 3, 0]) };

  test('the face between readings and lines is straight, and level beyond them', () => {
    expect(faceOf({ bow: lines })!(mm(600), mm(2000))).toBe(mm(3.5));
    expect(faceOf({ bow: { a: lines.a, b: bow('b', 1000, [4, 4]) } })!(mm(0), mm(1500))).toBe(mm(2));
    expect(faceOf({ bow: lines })!(mm(9000), mm(3000))).toBe(0);
    expect(faceOf({ bow: {} })).toBeNull();
  });

  test('shims fill up to the straight board at each stud; the bow is counted from the chord', () => {
    const shims = shimsFor(faceOf({ bow: lines })!, {
      left: mm(400),
      right: mm(1200),
      studs: [mm(400), mm(800), mm(1200)],
      cleatUp: mm(2000),
      spacerUp: mm(1000),
    })!;
    expect(shims.cleat.map(({ thickness }) => thickness)).toEqual([mm(0), mm(3), mm(1)]);
    // Chord from 2 to 3: 2.5 in the middle, where the wall is at 5.
    expect(shims.bow).toBe(mm(2.5));
    expect(shims.allowed / 1e6).toBeCloseTo(800 / 300, 5);
    expect(shims.rack).toBe(0);
  });

  test('top and bottom turned against each other rack the unit', () => {
    const turned = { a: bow('a', 2000, [0, 0, 0, 0, 0]), b: bow('b', 1000, [0, 2, 4, 6, 8]) };
    expect(shimsFor(faceOf({ bow: turned })!, { left: 0, right: mm(800), studs: [mm(100), mm(700)], cleatUp: mm(2000), spacerUp: mm(1000) }).rack).toBe(mm(4));
  });
});
