/** A cabinet of each family worked by hand, without calling the core: sizes, bevels, slots and holes from their named ends. Stock as named: 18 and 6 mm. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { newSpec } from '../test/family-units.ts';
import { bevels, line, measures, of, rad, size, cabinetPlanOf } from '../test/worked-lines.ts';

describe('shelf box with bays: 600 × 700 × 280, a divider, shelves on pins, a pair of inset doors', () => {
  const base = newSpec('shelf-box');
  const { parts, cabinet } = cabinetPlanOf('shelf-box', {
    front: 'doors',
    dividers: { v: { id: 'v', order: 1, at: null, in: 'bottom', level: 0 } },
    shelves: {
      a: { id: 'a', order: 1, at: entered('300 mm'), in: 'bottom', level: 0, fixing: 'pins' },
      b: { id: 'b', order: 1, at: null, in: 'v', level: 0, fixing: 'fixed' },
    },
  });
  test('starts from the family', () => expect(base.family).toBe('shelf-box'));
  // A shelf of level 0 goes before a divider of the same: a cuts the whole, v what is under it.
  test('a shelf through the whole width lies on its pins, 1 mm short at each end', () => {
    // 600 − 36 = 564, less 2 × 1; deep 280 − 6 back − 18 door − 2 behind it = 254.
    measures(line(parts, 'shelf', '2'), 562, 254);
    // Hole at 96 + 6 × 32 = 288, the shelf half a pin over it: nearest to 300 − 2.5 is 288 or 320: 288 + 2.5.
    expect(cabinet.compartments.find(({ keptBy }) => keptBy === 'bottom')!.height.value / 1e6).toBeCloseTo(290.5, 6);
  });
  test('rows of pin holes in both sides, 37 in from both edges of the shelf', () => {
    const holes = of(line(parts, 'side-left'), 'holes').filter(({ reason }) => reason!.key === 'pin-row');
    expect(holes).toHaveLength(2);
    // Inside 700 − 36 − 15 lip = 649: floor at 33, first 96; (649 − 192) / 32 = 14.3, 15 holes.
    expect(holes.map(({ at, count, pitch, depth }) => [toMm(at), count, toMm(pitch!), toMm(depth)])).toEqual([
      [129, 15, 32, 9],
      [129, 15, 32, 9],
    ]);
    // The back in its rabbet is 6 thick: rows at 6 + 37 and 6 + 254 − 37.
    expect(holes.map(({ across }) => toMm(across!.at))).toEqual([43, 223]);
  });
  test('two leaves: (564 − 3 × 2) / 2 wide, 649 − 2 × 2 high, two cups each 22.5 from the hinged edge', () => {
    measures(line(parts, 'door-left'), 645, 279);
    const cups = of(line(parts, 'door-left'), 'holes');
    expect(cups.map(({ at, across, width, depth }) => [toMm(at), toMm(across!.at), toMm(width), toMm(depth)])).toEqual(
      expect.arrayContaining([
        [100, 22.5, 35, 12.5],
        [545, 22.5, 35, 12.5],
      ]),
    );
  });
});

describe('tool till, 420 × 520 × 210, tilted 8°, ledge 65, lip 35', () => {
  const { parts, cabinet } = cabinetPlanOf('tool-till');
  test('the panel: 469 between bottom and top is 469 / cos 8° up the tilt, both ends sawn at 8°', () => {
    // 384 + 2 × (6 − 0.25) wide. Its lower end reaches further on the other face, its upper one less: the blank grows by 18 tan 8° once.
    const panel = line(parts, 'tilted-panel');
    measures(panel, 469 / Math.cos(rad(8)) + 18 * Math.tan(rad(8)), 395.5);
    expect(bevels(panel)).toEqual([
      ['end', 8],
      ['start', 8],
    ]);
  });
  test('the sides taper with it from the lip on: 210 − (520 − 33 − 35) tan 8° at the top', () => {
    const slant = of(line(parts, 'side-left'), 'slant')[0]!;
    expect(toMm(slant.width)).toBeCloseTo((520 - 33 - 35) * Math.tan(rad(8)), 3);
    expect(slant.angleDeg! + 8).toBeCloseTo(90, 4);
    measures(line(parts, 'side-left'), 520, 210);
  });
  test('the top ends at the panel: 145 − (520 − 33) tan 8°, and 18 tan 8° more for the bevel of its front edge', () => {
    measures(line(parts, 'top'), 384 + 11.5, 145 - 487 * Math.tan(rad(8)) + 18 * Math.tan(rad(8)));
    expect(bevels(line(parts, 'top'))).toEqual([['far', 8]]);
  });
  test('three bays share (384 − 2 × 6) / 3 = 124', () => {
    expect(cabinet.compartments.map(({ width }) => toMm(width.value))).toEqual([124, 124, 124]);
  });
});

describe('slot rack, 560 × 640 × 320, six shelves of 6 mm tilted back 6°', () => {
  const { parts } = cabinetPlanOf('slot-rack');
  // 320 − 6 back − 10 setback = 304 level; along the tilt (304 − 6 sin 6°) / cos 6°.
  const along = (304 - 6 * Math.sin(rad(6))) / Math.cos(rad(6));
  test('six alike: 524 + 2 × 5.75 long', () => {
    const shelf = line(parts, 'slot-shelf');
    expect(shelf.count).toBe(6);
    measures(shelf, 535.5, along);
  });
  test('slots of the sides, marked where their lower side crosses the two edges', () => {
    const slots = of(line(parts, 'side-left'), 'dado').filter(({ guest }) => guest.includes('/shelf/'));
    expect(slots).toHaveLength(6);
    const first = slots.reduce((low, each) => (each.at < low.at ? each : low));
    // Upper face at the rear: floor 33 + 40 clear + 6 cos 6°, the rear 6 in from the edge of the side.
    const rear = 33 + 40 + 6 * Math.cos(rad(6));
    const lowerSide = (v: number): number => rear + (v - 6) * Math.tan(rad(6)) - 6.05 / Math.cos(rad(6));
    expect(toMm(first.at)).toBeCloseTo(lowerSide(320), 3);
    expect(toMm(first.atOpposite!)).toBeCloseTo(lowerSide(0), 3);
    expect(first.angleDeg).toBeCloseTo(6, 5);
    expect(toMm(first.width)).toBeCloseTo(6.1, 6);
    // Even pitch: ceiling 622 − 100 − rise, in five steps.
    const pitch = (622 - 100 - along * Math.sin(rad(6)) - rear) / 5;
    const ats = slots.map(({ at }) => toMm(at)).sort((a, b) => a - b);
    expect(
      ats
        .slice(1)
        .map((at, index) => at - ats[index]!)
        .every((step) => Math.abs(step - pitch) < 1e-4),
    ).toBe(true);
  });
  test('both sides read the same numbers, mirrored', () => {
    expect(line(parts, 'side-left').mirrorOf).toBe(line(parts, 'side-right').mark);
  });
});

describe('ledge rack, 700 × 640 × 140', () => {
  const ledge = (id: string, order: number, kind: string) => ({
    ...{ id, order, at: null, kind, strips: 1, stripHeight: entered('30 mm'), stripGap: entered('40 mm'), support: false, count: 4 },
    ...{ notchWidth: entered('12 mm'), notchDepth: entered('60 mm') },
  });
  const { parts } = cabinetPlanOf('ledge-rack', { ledges: { a: ledge('a', 1, 'plain'), b: ledge('b', 2, 'notched') } });
  test('its strip: 700 − 36 long, butted between the sides', () => measures(line(parts, 'front-strip'), 664, 30));
  test('four round-ended notches at 83, 249, 415 and 581 of the 664: margins half of what is between', () => {
    const notches = of(line(parts, 'ledge'), 'notch');
    // From the shelf's own end: 5.75 of it stands in the dado.
    expect(notches.map(({ at }) => toMm(at)).sort((a, b) => a - b)).toEqual([83 + 5.75, 249 + 5.75, 415 + 5.75, 581 + 5.75]);
    expect(notches.every(({ round, width, depth }) => round && toMm(width) === 12 && toMm(depth) === 60)).toBe(true);
  });
});

describe('sloped-top box, 560 × 460 × 260, the top falling 25° past the front by 20', () => {
  const { parts } = cabinetPlanOf('sloped-box');
  const lower = (out: number): number => 460 - 18 / Math.cos(rad(25)) - out * Math.tan(rad(25));
  test('the top: 560 + 2 × 15 long, (18 + 260 + 20) / cos 25° down the slope and 18 tan 25° for its bevels', () => {
    measures(line(parts, 'top'), 590, 298 / Math.cos(rad(25)) + 18 * Math.tan(rad(25)));
    expect(bevels(line(parts, 'top'))).toEqual([
      ['far', 25],
      ['near', 25],
    ]);
  });
  test('the sides come up to its lower face, at the rear and at the front', () => {
    const side = line(parts, 'side-left');
    measures(side, lower(18), 260);
    const slant = of(side, 'slant')[0]!;
    expect([slant.at, slant.atOpposite!].map(toMm).sort((a, b) => a - b)[0]).toBeCloseTo(lower(278), 3);
  });
  test('the back is sawn at 25° where it meets the top', () => expect(bevels(line(parts, 'back'))).toEqual([['end', 25]]));
});

describe('mitred box, six sides, 420 across', () => {
  const { parts, cabinet } = cabinetPlanOf('mitred-box');
  test('six walls of 210, 142 deep, both ends at 30°', () => {
    // Depth 160 less the back of 18.
    const wall = line(parts, 'ring-wall');
    expect(wall.count).toBe(6);
    measures(wall, 210, 142);
    expect(bevels(wall)).toEqual([
      ['end', 30],
      ['start', 30],
    ]);
  });
  test('it is 420 cos 30° high', () => expect(toMm(cabinet.outside.height.value)).toBeCloseTo(420 * Math.cos(rad(30)), 4));
  test('walls that lean 10° have the compound angle of a funnel: sin β = sin 30° cos 10°', () => {
    const leaning = cabinetPlanOf('mitred-box', { leanDeg: 10 });
    const ends = bevels(line(leaning.parts, 'ring-wall')).filter(([from]) => from === 'start' || from === 'end');
    const beta = (Math.asin(Math.sin(rad(30)) * Math.cos(rad(10))) * 180) / Math.PI;
    for (const [, tilt] of ends) expect(tilt).toBeCloseTo(beta, 2);
  });
});

describe('drawer unit, 460 × 480 × 320, three inset fronts with 2 mm gaps, each 1.25 times the one above', () => {
  const { parts } = cabinetPlanOf('drawer-unit');
  // Inside 480 − 36 − 15 = 429, less 4 gaps: 421 in shares of 1 : 1.25 : 1.5625.
  const share = 421 / 3.8125;
  test('the fronts: 424 − 2 × 2 wide', () => {
    measures(line(parts, 'drawer-front', '1'), 420, share);
    measures(line(parts, 'drawer-front', '2'), 420, share * 1.25);
    measures(line(parts, 'drawer-front', '3'), 420, share * 1.5625);
  });
  test('the box behind the first: 35 lower, 424 − 2 × 12.7 wide on slides of 250', () => {
    measures(line(parts, 'box-left', '1'), 250, share - 35);
    // 398.6 − 2 × 18 + 2 × (6 − 0.25)
    measures(line(parts, 'box-front', '1'), 374.1, share - 35);
  });
  test('its bottom in a groove of 6: 362.6 + 11.5 by 250 − 36 + 11.5, the groove 12 up from the lower edge', () => {
    measures(line(parts, 'box-bottom', '1'), 374.1, 225.5);
    const groove = of(line(parts, 'box-left', '1'), 'groove')[0]!;
    expect([toMm(groove.at), toMm(groove.width), toMm(groove.depth)]).toEqual([11.925, 6.15, 6]);
  });
});

describe('fold-down surface, 900 × 520, a leaf of 450', () => {
  test('backboard, ledger, leaf and two gates', () => {
    const { parts } = cabinetPlanOf('fold-down');
    measures(line(parts, 'backboard'), 520, 900);
    measures(line(parts, 'ledger'), 900, 90);
    measures(line(parts, 'leaf'), 900, 450);
    measures(line(parts, 'gate'), 400, 440);
  });
  test('folded it stands 18 + 90 + 18 from the wall, open 108 + 450; the gates come up to the leaf', () => {
    const { cabinet } = cabinetPlanOf('fold-down');
    const gate = cabinet.byId.get('u1/divider/gate-1')!;
    expect(toMm((gate.frame.origin.up + gate.length.value) as never)).toBe(520 - 18);
    expect(toMm(cabinetPlanOf('fold-down', { state: 'folded' }).cabinet.outside.depth.value)).toBe(126);
    expect(toMm(cabinetPlanOf('fold-down').cabinet.outside.depth.value)).toBe(558);
  });
});

describe('slab, 1500 × 700, three sections with strips of 20 and an edging of 6', () => {
  const { parts } = cabinetPlanOf('slab', { strip: entered('20 mm'), edgingStock: 'birch-6' });
  test('sections: (1500 − 12 − 40) / 3 by 700 − 12', () => {
    const section = line(parts, 'section');
    expect(section.count).toBe(3);
    const [length, width] = size(section);
    expect(length).toBe(688);
    expect(width).toBeCloseTo(1448 / 3, 4);
  });
  test('the edging is mitred at 45° at every corner', () => {
    measures(line(parts, 'edging-top'), 1500, 18);
    for (const key of ['edging-top', 'edging-left']) expect(bevels(line(parts, key)).map(([, tilt]) => tilt)).toEqual([45, 45]);
  });
});
