/** Part lists worked by hand: what is made of boxes, modules and wings, the corner unit, and inserts. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { newSpec } from '../test/family-units.ts';
import { line, measures, of, size, cabinetPlanOf } from '../test/worked-lines.ts';

describe('cabinet run, 1800 wide, 400 kept free with a bridge 250 down', () => {
  const { parts } = cabinetPlanOf('cabinet-run');
  test('two boxes of 700 and what bridges them: 400 + 2 × 5.75', () => {
    // The two sides the bridge goes into are other parts than the outer ones.
    const sides = parts.filter(({ role }) => role === 'side');
    expect(sides.map(({ count }) => count)).toEqual([1, 1, 1, 1]);
    for (const side of sides) measures(side, 700, 300);
    measures(line(parts, 'bridge'), 411.5, 300);
    // 700 − 36 + 11.5
    measures(line(parts, 'shelf'), 675.5, 294);
  });
});

describe('cabinet run, 1600 high: two upper boxes of 600 with a lower one of 700 on a toe base under the first, drawers in it', () => {
  const part = (id: string, order: number, more: Record<string, unknown>) => ({
    [id]: {
      id,
      order,
      kind: 'box',
      width: null,
      height: entered('600 mm'),
      shelves: 1,
      front: 'open',
      bridge: null,
      lower: null,
      lowerShelves: 3,
      lowerFront: 'drawers',
      ...more,
    },
  });
  const { parts, cabinet, weights } = cabinetPlanOf('cabinet-run', {
    width: entered('1200 mm'),
    height: entered('1600 mm'),
    stand: 'toe',
    parts: { ...part('a', 1, { lower: entered('700 mm') }), ...part('b', 2, {}) },
  });
  test('its lower sides are 700 − 100 high; the toe boards 100 high, 300 − 60 and 600 − 2 × 18 long', () => {
    const lowSides = parts.filter(({ panels }) => panels.some((id) => id.includes('/side/a-low/left') && !id.includes('/d')));
    measures(lowSides[0]!, 600, 300);
    measures(line(parts, 'toe-left'), 240, 100);
    measures(line(parts, 'toe-front'), 564, 100);
  });
  test('three fronts of one height: (600 − 36 − 15 − 4 × 2) / 3, 564 − 2 × 2 long', () => {
    const front = line(parts, 'drawer-front', '1');
    const [length, width] = size(front);
    expect(length).toBeCloseTo(560, 3);
    expect(width).toBeCloseTo(541 / 3, 4);
    expect(front.count).toBe(3);
  });
  test('drawers and doors of boxes of one height are in line: the same datum, the same gap', () => {
    const both = cabinetPlanOf('cabinet-run', {
      parts: { ...part('a', 1, { height: null, front: 'drawers', shelves: 3 }), ...part('b', 2, { height: null, front: 'drawers', shelves: 3 }) },
    }).cabinet;
    const tops = (box: string) => [1, 2, 3].map((n) => both.byId.get(`u1/front/${box}/d${n}/applied`)!.frame.origin.up);
    expect(tops('a')).toEqual(tops('b'));
  });
  test('what stands on the floor is not hung, nor what is in it; the spacer is at the foot of what hangs', () => {
    const hung = cabinet.panels.filter(({ stands, onWall }) => !stands && !onWall).reduce((sum, { id }) => sum + weights.panels.get(id)!.value, 0);
    expect(weights.empty.mass.value).toBeCloseTo(1.05 * hung, 9);
    expect(cabinet.byId.get('u1/spacer')!.frame.origin.up).toBe(1_000_000_000);
    expect(weights.contents.filter(({ compartment }) => compartment.stands).map(({ compartment }) => compartment.keptBy)).toEqual([
      'a-low-d1',
      'a-low-d2',
      'a-low-d3',
    ]);
  });
});

describe('till in modules: three of 100, 60 and what is left of 420, 6 between', () => {
  const base = newSpec('tool-till');
  const bays = (base as { bays: Record<string, object> }).bays;
  const { parts, cabinet } = cabinetPlanOf('tool-till', {
    together: 'modules',
    bays: { b1: { ...bays['b1'], width: entered('100 mm') }, b2: { ...bays['b2'], width: entered('60 mm') }, b3: { ...bays['b3'], spare: true } },
  });
  // 100 + 2 × 3 + 2 × 18 = 142; 60 + 6 + 36 = 102; 420 − 12 − 142 − 102 = 164.
  test('each has two sides, a top, a bottom and a panel of its own', () => {
    const panels = ['b1', 'b2', 'b3'].map((bay) => cabinet.byId.get(`u1/tilted-panel/${bay}`)!);
    expect(panels.map(({ width }) => toMm(width.value) - 11.5)).toEqual([106, 66, 128]);
    expect(parts.filter(({ role }) => role === 'side').reduce((sum, { count }) => sum + count, 0)).toBe(6);
  });
  test('they stand side by side with the gap kept, all screwed to one cabinet half', () => {
    expect(['b1', 'b2', 'b3'].map((bay) => toMm(cabinet.byId.get(`u1/side/${bay}/left`)!.frame.origin.along as never))).toEqual([0, 148, 256]);
    expect(cabinet.connections.filter(({ guest }) => guest === 'u1/cabinet-half').map(({ host }) => host)).toEqual(
      ['b1', 'b2', 'b3'].map((bay) => `u1/hanging-rail/${bay}`),
    );
  });
  test('the spare place is called so', () => {
    expect(cabinet.compartments.map(({ name }) => name.key)).toEqual(['bay-of', 'bay-of', 'bay-spare']);
  });
});

describe('slab of 1500 with a wing of 300 at its left', () => {
  const { parts, cabinet } = cabinetPlanOf('slab', { wingLeft: entered('300 mm') });
  test('the slab is 1200 of it, the wing 300 by 700, each on its own cleat', () => {
    expect(toMm(line(parts, 'section').width.value)).toBeCloseTo(400, 4);
    measures(line(parts, 'wing-left'), 700, 300);
    const cleats = parts.filter(({ role }) => role === 'cleat-blank');
    expect(cleats.map(({ length }) => toMm(length.value))).toEqual([1200, 300]);
  });
  test('three dowels in its seam, 40 from its ends, half in each', () => {
    const [wing, slab] = [line(parts, 'wing-left'), parts.find(({ panels }) => panels.includes('u1/leaf/p1'))!];
    for (const part of [wing, slab]) {
      const [holes] = of(part, 'holes');
      expect([holes!.count, toMm(holes!.at), toMm(holes!.pitch!), toMm(holes!.depth), holes!.face]).toEqual([3, 40, 310, 21, 'edge']);
    }
    expect(cabinet.hardware).toMatchObject([{ kind: 'dowel', count: 3 }]);
  });
});

describe('corner unit, 600 × 700 × 600, right side and wing 250', () => {
  const { parts } = cabinetPlanOf('corner-unit');
  test('shelves 564 + 2 × 5.75 long, 600 − 18 deep, their front sawn from 232 along to 250 deep', () => {
    const shelf = line(parts, 'shelf');
    measures(shelf, 575.5, 582);
    const slant = of(shelf, 'slant')[0]!;
    // The slant runs on where the right end goes into its dado: 5.75 further on its own line.
    const fall = (582 - 250) / (564 - 232);
    expect(toMm(slant.width)).toBeCloseTo(582 - (250 - 5.75 * fall), 3);
    expect(slant.angleDeg).toBeCloseTo(45, 6);
  });
  test('left side up to the wing, right side as deep as it is, the wing across', () => {
    measures(line(parts, 'side-left'), 700, 582);
    measures(line(parts, 'side-right'), 700, 250);
    measures(line(parts, 'corner-wing'), 700, 250);
  });
});

describe('inserts', () => {
  const holder = (more: Record<string, unknown>) => ({
    ...{ id: 'i', order: 1, in: 'bottom', kind: 'holes', stock: 'birch-18', along: entered('10 mm'), out: entered('20 mm'), length: entered('240 mm') },
    ...{
      depth: entered('60 mm'),
      height: entered('50 mm'),
      count: 4,
      rows: 1,
      size: entered('20 mm'),
      step: entered('2 mm'),
      clearance: entered('1 mm'),
      deep: null,
    },
    ...more,
  });
  test('a block with four holes, each 2 larger: 21, 23, 25, 27 at 30, 90, 150, 210', () => {
    const { parts } = cabinetPlanOf('shelf-box', { inserts: { i: holder({}) } });
    const block = line(parts, 'insert-holes');
    measures(block, 240, 60);
    expect(of(block, 'holes').map(({ at, across, width, through }) => [toMm(across!.from === 'start' ? across!.at : at), toMm(width), through])).toEqual([
      [30, 21, true],
      [90, 23, true],
      [150, 25, true],
      [210, 27, true],
    ]);
  });
  test('a tray: front and rear run through, its ends 60 − 2 × 18', () => {
    const { parts } = cabinetPlanOf('shelf-box', { inserts: { i: holder({ kind: 'tray' }) } });
    measures(line(parts, 'tray-rear'), 240, 50);
    measures(line(parts, 'tray-left'), 24, 50);
  });
  test('a leaf has its finger notch in the middle of its upper edge', () => {
    const { parts } = cabinetPlanOf('shelf-box', {
      inserts: { i: holder({ kind: 'leaves', stock: 'birch-6', depth: entered('200 mm'), height: entered('150 mm') }) },
    });
    const [notch] = of(line(parts, 'leaf-of'), 'notch');
    expect([toMm(notch!.at), notch!.across!.from, toMm(notch!.depth)]).toEqual([100, 'end', 16]);
  });
});
