/** Every hole of the hanging: places worked out by hand, and properties over any unit. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { toMm, ZERO, type Length } from '../length/length.ts';
import type { EditStep } from '../model/edit.ts';
import { onWall } from '../test/check-case.ts';
import { aloneBox, boxOf, ink, printRoom, typed, cabinetWith } from '../test/print-room.ts';
import { hangingHoles, type HangingHoles } from './holes.ts';

const { design } = printRoom();

function holes(edits: readonly EditStep[] = [], seating = 0): HangingHoles {
  const { cabinet, hang, hangInput } = cabinetWith('ink', ...edits);
  return hangingHoles({ cabinet, hang, wall: hangInput.wall, at: design.units['ink']!.place, seating: seating as Length });
}

describe('the ink cupboard', () => {
  const { strip, wall, carcass, wallBoring, carcassBoring, studs } = holes();
  const long = (160 + 17.8 - 3.2 * Math.SQRT2) / 2;
  const short = long - 17.8;

  test('two screws high and one low in each of two studs, and the lock', () => {
    // Studs at 145 and 550 of the cabinet; 5 mm screws stand 7.5 either side of the middle.
    const at = wall.filter(({ kind }) => kind === 'strip').map(({ stud, row, fromLeft, above }) => [stud, row, toMm(fromLeft), toMm(above)]);
    const [top, low] = [Math.floor(short - 12.5), 13];
    expect(at).toEqual([
      [1, 'upper', 138.5, top],
      [1, 'upper', 151.5, top],
      [1, 'lower', 145, low],
      [2, 'upper', 543.5, top],
      [2, 'upper', 556.5, top],
      [2, 'lower', 550, low],
    ]);
    const lock = wall.find(({ kind }) => kind === 'lock')!;
    // Nearest to the middle at 350 is the stud at 550 or 145: 200 against 205. Half of the 60 mm spacer up.
    expect([lock.stud, toMm(lock.fromLeft), toMm(lock.above)]).toEqual([2, 550, 30]);
  });
  test('on the wall: 895 to the left end; the line up to the strip, and up it', () => {
    const [first] = wall;
    expect(toMm(first!.along)).toBeCloseTo(895 + 138.5, 6);
    expect(toMm(first!.up)).toBeCloseTo(toMm(strip.foot.value) + toMm(first!.above), 6);
    expect(toMm(strip.foot.value)).toBeCloseTo(1320 + 820 - long - short, 4);
    expect(studs.map(({ fromLeft, along }) => [toMm(fromLeft), toMm(along)])).toEqual([
      [145, 1040],
      [550, 1445],
    ]);
  });
  test('pilots: 7/10 of the root into spruce, 9/10 into the plywood; as deep as the screw reaches', () => {
    expect(wallBoring.pilotMm).toBeCloseTo(0.7 * 3.1, 6);
    expect(wallBoring.deepMm).toBeCloseTo(80 - 17.8 - 12.5, 6);
    expect([wallBoring.clearMm, wallBoring.sinkMm]).toEqual([5.5, 10]);
    expect(carcassBoring!.pilotMm).toBeCloseTo(0.9 * 3.1, 6);
  });
  test('ten screws through the hanging rail, evenly, at one height under its upper edge', () => {
    expect(carcass[0]!.panel).toBe('ink/hanging-rail');
    const at = carcass[0]!.fromLeft.map(toMm);
    expect(at).toHaveLength(10);
    // The rail lies 664.4 long between the sides.
    expect(at[0]! + at.at(-1)!).toBeCloseTo(664.4, 4);
    expect(at[1]! - at[0]!).toBeCloseTo(at[9]! - at[8]!, 4);
    expect(toMm(carcass[0]!.below)).toBeGreaterThan(0);
    expect(toMm(carcass[0]!.below)).toBeLessThan(90);
  });
  test('halves that settle move the line up by as much, and no hole in the strip', () => {
    const higher = holes([], 2_500_000);
    expect(higher.strip.foot.value - strip.foot.value).toBe(2_500_000);
    expect(higher.wall.map(({ above }) => above)).toEqual(wall.map(({ above }) => above));
  });
});

test('holes are looked at where someone looked, never on a cable that was found unless in writing', () => {
  expect(
    new Set(
      holes()
        .wall.filter(({ kind }) => kind === 'strip')
        .map(({ state }) => state),
    ),
  ).toEqual(new Set(['looked']));
  expect(new Set(holes([onWall('looked', {})]).wall.map(({ state }) => state))).toContain('look-first');
  const cable = onWall('things.c', {
    id: 'c',
    order: 9,
    kind: 'cable',
    name: 'the cable',
    left: entered('1000 mm'),
    up: entered('1500 mm'),
    width: entered('100 mm'),
    height: entered('900 mm'),
    out: entered('0 mm'),
    hinge: 'none',
    opensDeg: 0,
    handle: entered('0 mm'),
  });
  const found = holes([cable]).wall.filter(({ stud }) => stud === 1);
  expect(found.map(({ state, band }) => [state, band?.thing])).toEqual(found.map(() => ['never', 'c']));
  const answered = onWall('looked.w', {
    id: 'w',
    left: entered('900 mm'),
    up: entered('1500 mm'),
    width: entered('300 mm'),
    height: entered('900 mm'),
    how: 'in-writing',
    note: 'dead since the rewiring, the owner',
  });
  expect(
    holes([cable, answered])
      .wall.filter(({ stud }) => stud === 1)
      .map(({ state }) => state),
  ).toEqual(found.map(() => 'in-writing'));
});

test('plugs are bored to their own size, anchors as their maker says', () => {
  const brick = holes([onWall('structure', 'brick')]);
  expect([brick.wallBoring.pilotMm, brick.wallBoring.deepMm]).toEqual([8, 50]);
  const anchored = holes([onWall('fixing.into', 'covering'), onWall('fixing.pullN', 900), onWall('fixing.shearN', 900)]);
  expect([anchored.wallBoring.pilotMm, anchored.wallBoring.deepMm]).toEqual([null, null]);
});

test('no cleat, no holes into a cabinet half; no stud, none in the wall', () => {
  const through = holes([ink('hanging.kind', 'through')]);
  expect([through.carcass, through.wall.filter(({ kind }) => kind === 'lock')]).toEqual([[], []]);
  expect(holes([onWall('studs.known', false), onWall('studs.marks', {})]).wall).toEqual([]);
});

test('every hole of any box is within its strip, over its stud, and clear of the edges', () => {
  fc.assert(
    fc.property(fc.integer({ min: 300, max: 1600 }), fc.integer({ min: 0, max: 900 }), fc.constantFrom('4mm', '5mm', '6mm', '8mm'), (width, along, screw) => {
      const box = boxOf({ width: entered(`${width} mm`), place: { along: entered(`${along} mm`), up: entered('1300 mm') } });
      const built = { ...box, hanging: { ...box.hanging, boardWidth: entered('180 mm'), wallScrew: { ...box.hanging.wallScrew, screw } } };
      const { cabinet, hang, hangInput } = aloneBox(built);
      const { strip, wall, carcass, studs } = hangingHoles({ cabinet, hang, wall: hangInput.wall, at: built.place, seating: ZERO });
      const D = Number.parseFloat(screw);
      for (const hole of wall.filter(({ kind }) => kind === 'strip')) {
        expect(hole.fromLeft >= 0 && hole.fromLeft <= strip.length).toBe(true);
        expect(toMm(hole.above)).toBeGreaterThanOrEqual(2.5 * D);
        expect(toMm(cabinet.hanging.shortFace) - toMm(hole.above)).toBeGreaterThanOrEqual(2.5 * D - 1e-9);
        expect(Math.abs(hole.fromLeft - studs[hole.stud! - 1]!.fromLeft)).toBeLessThanOrEqual(10_000_000);
      }
      const rail = cabinet.byId.get(carcass[0]!.panel)!;
      for (const at of carcass[0]!.fromLeft) expect(at > 0 && at < rail.length.value).toBe(true);
    }),
    { numRuns: 40 },
  );
});

test('a typed place is where the unit stands', () => expect(toMm(holes([typed('place.up', '1320 mm')]).strip.foot.terms[0]!.value)).toBe(1320));

describe('with a lower cleat in place of a spacer', () => {
  const edits = [ink('hanging.spacer', null), typed('hanging.lowerCleat', '500 mm'), ink('nailingStrip', entered('300 mm'))];
  const { wall, carcass } = holes(edits);
  const alone = holes();
  const of = (kind: string) => wall.filter((hole) => hole.kind === kind);

  test('its wall half takes the same screws in the same studs, so much lower', () => {
    expect(of('lower')).toHaveLength(of('strip').length);
    of('lower').forEach((hole, index) => {
      const above = of('strip')[index]!;
      expect([hole.fromLeft, hole.above, hole.along, hole.stud, hole.row]).toEqual([above.fromLeft, above.above, above.along, above.stud, above.row]);
      expect(toMm((above.up - hole.up) as Length)).toBe(500);
    });
  });
  test('its cabinet half takes as many as the upper one, through the nailing strip, inside both', () => {
    expect(carcass).toHaveLength(2);
    const [upper, lower] = carcass as [(typeof carcass)[0], (typeof carcass)[0]];
    expect(upper).toEqual(alone.carcass[0]);
    expect(lower.fromLeft).toHaveLength(upper.fromLeft.length);
    const { cabinet } = cabinetWith('ink', ...edits);
    const strip = cabinet.byId.get(lower.panel)!;
    const half = cabinet.byId.get(cabinet.hanging.lower!.cabinetHalf)!;
    const up = strip.frame.origin.up / 1e6 + toMm(strip.width.value) - toMm(lower.below);
    // The half's flat face begins over its bevel, 17.8 mm over its point.
    expect(up).toBeGreaterThanOrEqual(half.frame.origin.up / 1e6 + 17.8 + 2.5 * 4 - 0.1);
    expect(up).toBeLessThanOrEqual(half.frame.origin.up / 1e6 + toMm(half.width.value));
  });
});
