/** What hangs from plugs, anchors and metal studs. Expected figures worked out by hand from docs/formulas/other-grounds.md. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { EditStep } from '../model/edit.ts';
import { onWall } from '../test/check-case.ts';
import { ink, typed, cabinetWith } from '../test/print-room.ts';
import { labelWords } from '../checks/words/labels.ts';
import { evaluate } from '../explained/explained-value.ts';
import { fixingPlaces, groundOf, METAL_ACROSS, METAL_PULL, METAL_SHEAR } from './grounds.ts';

const empty: EditStep = ink('contents', {});
const anchors = (pullN: number, shearN: number, rating: 'working' | 'ultimate' = 'ultimate'): EditStep[] => [
  onWall('fixing', { ...cabinetWith('ink').hangInput.wall.fixing, into: 'covering', pullN, shearN, rating }),
];

describe('metal studs', () => {
  // 0.85 · 0.0188 in · 0.190 in · 45 ksi / 3 = 45.5 lb; 4.2 √(0.0188³ · 0.190) · 45 ksi / 3 = 70.8 lb.
  test('a #10 screw in 25 gauge and in 20 gauge sheet', () => {
    const D = 0.19 * 25.4;
    const of = (inches: number) => ({ t: inches * 25.4, D, F_u: 310 });
    expect(evaluate(METAL_PULL, of(0.0188)).value / 4.448).toBeCloseTo(45.5, 0);
    expect(evaluate(METAL_SHEAR, of(0.0188)).value / 4.448).toBeCloseTo(70.8, 0);
    expect(evaluate(METAL_PULL, of(0.0346)).value / 4.448).toBeCloseTo(83.8, 0);
    expect(evaluate(METAL_SHEAR, of(0.0346)).value / 4.448).toBeCloseTo(176.6, 0);
  });
  // Cleat 3/4 in of G 0.55, 1/2 in of wallboard, sheet 0.0472 in at 61 850 psi: by hand, mode IIIm of six governs.
  test('across wallboard a #10 screw bends in it long before the sheet tears', () => {
    const [root, ls, lm, g] = [0.152, 0.75, 0.0472, 0.5];
    const [qs, qm, M] = [16600 * 0.55 ** 1.84 * root, 61850 * root, (80000 * root ** 3) / 6];
    const solve = (A: number, B: number, C: number): number => (-B + Math.sqrt(B * B - 4 * A * C)) / (2 * A);
    const modes = [
      qm * lm,
      qs * ls,
      solve(1 / (4 * qs) + 1 / (4 * qm), ls / 2 + g + lm / 2, (-qs * ls ** 2) / 4 - (qm * lm ** 2) / 4),
      solve(1 / (2 * qs) + 1 / (4 * qm), g + lm / 2, -M - (qm * lm ** 2) / 4),
      solve(1 / (4 * qs) + 1 / (2 * qm), ls / 2 + g, (-qs * ls ** 2) / 4 - M),
      solve(1 / (2 * qs) + 1 / (2 * qm), g, -2 * M),
    ];
    const across = evaluate(METAL_ACROSS, {
      D: 0.19 * 25.4,
      D_r: root * 25.4,
      F_yb: 80 * 6.89475729,
      side: ls * 25.4,
      t: lm * 25.4,
      gap: g * 25.4,
      'G side': 0.55,
      C_D: 0.9,
    }).value;
    // 61 850 psi is kept as 426.4 MPa.
    expect(across / ((Math.min(...modes) / 3) * 0.9 * 4.4482216)).toBeCloseTo(1, 3);
    expect(across).toBeLessThan(evaluate(METAL_SHEAR, { t: lm * 25.4, D: 0.19 * 25.4, F_u: 310 }).value / 4);
  });
  test('sound sheet is judged by its figures, whatever the unit weighs', () => {
    const { hang } = cabinetWith('ink', onWall('structure', 'metal-studs'), onWall('fixing.metal', { text: '1.2 mm', nm: 1_200_000 }));
    expect(hang.refusals).toEqual([]);
    expect(hang.state).not.toBe('refused');
    // 0.85 · 1.2 · 5 · 310 / 3
    expect(hang.studs[0]!.pull.value).toBeCloseTo(527, 0);
  });
});

describe('plugs', () => {
  const brick = (...more: EditStep[]) => cabinetWith('ink', onWall('structure', 'brick'), onWall('covering', { text: '10 mm', nm: 10_000_000 }), ...more).hang;
  test('are called plugs, and anchors anchors: only what is in a stud is in a stud', () => {
    const nameIn = (hang: ReturnType<typeof brick>): string => labelWords(hang.links.find(({ kind }) => kind === 'wall-screws')!.name);
    expect(nameIn(brick())).toMatch(/^plugs at place \d$/);
    expect(nameIn(cabinetWith('ink', ...anchors(400, 400)).hang)).toMatch(/^anchors at place \d$/);
    expect(nameIn(cabinetWith('ink').hang)).toMatch(/^screws in stud \d$/);
  });
  test('go evenly over the strip, and each is counted on for the table', () => {
    // 700 less 50 at each end in two gaps of 300.
    expect(brick().studs.map(({ atMm }) => atMm)).toEqual([50, 350, 650]);
    expect(brick().studs[0]!.pull.value).toBe(130);
    expect(brick(onWall('structure', 'hollow-block')).studs[0]!.pull.value).toBe(65);
    expect(brick(onWall('structure', 'aerated-block')).studs[0]!.pull.value).toBe(32.5);
  });
  test('with a rating hold a quarter of what they fail at, or what they may carry over 1.25', () => {
    const rated = (rating: string) => brick(onWall('fixing.pullN', 2000), onWall('fixing.shearN', 9000), onWall('fixing.rating', rating)).studs[0]!;
    expect(rated('ultimate').pull.value).toBe(500);
    // The head in the cleat holds less than 1600 N: 690 π · 0.3543 · 0.55² · 0.7008 · 0.9 lb.
    expect(rated('working').pull.value).toBeCloseTo(690 * Math.PI * (9 / 25.4) * 0.55 ** 2 * (17.8 / 25.4) * 0.9 * 4.4482216, 3);
    // Across ten millimeters of plaster the screw bends first.
    expect(rated('ultimate').lateral.value).toBeLessThan(2250);
    expect(rated('ultimate').lateral.terms).toHaveLength(2);
  });
  test('carry a unit that is filled lightly', () => {
    const light = brick(empty, typed('hanging.boardWidth', '200 mm'));
    expect(light.refusals).toEqual([]);
    expect(light.links[0]!.use.value).toBeGreaterThan(0);
  });
});

describe('anchors in wallboard', () => {
  test('carry little, and are never better than tight', () => {
    const { hang } = cabinetWith(
      'ink',
      ...anchors(1500, 1500),
      empty,
      typed('width', '420 mm'),
      typed('height', '420 mm'),
      typed('depth', '160 mm'),
      ink('shelves', {}),
    );
    expect(hang.loaded.mass.value).toBeLessThan(20);
    expect(hang.refusals).toEqual([]);
    expect(hang.state).toBe('not-checked');
    expect(hang.capped).toBe('anchors');
    // A fifth of 1500 is 300 N, but five kilograms are the most on one.
    expect(hang.studs[0]!.lateral.value).toBeCloseTo(5 * 9.80665, 6);
  });
  test('beside studs count for nothing: the studs carry all', () => {
    const studs = cabinetWith('ink', onWall('fixing.pullN', 1500), onWall('fixing.shearN', 1500)).hang;
    expect(studs.links.map(({ use }) => use.value)).toEqual(cabinetWith('ink').hang.links.map(({ use }) => use.value));
  });
  test('in masonry there is no covering to hold by', () => {
    const { wall } = cabinetWith('ink', onWall('structure', 'concrete'), ...anchors(1500, 1500)).hangInput;
    expect(groundOf(wall)).toBe('masonry');
  });
});

test('fixings stand within their strip, no further apart than asked, evenly, and mirrored', () => {
  fc.assert(
    fc.property(fc.integer({ min: -500, max: 500 }), fc.integer({ min: 60, max: 3000 }), fc.integer({ min: 60, max: 1200 }), (from, length, every) => {
      const places = fixingPlaces({ from, to: from + length }, every);
      for (const at of places) expect(at >= from && at <= from + length).toBe(true);
      places.slice(1).forEach((at, index) => {
        expect(at - places[index]!).toBeLessThanOrEqual(every + 1e-6);
        expect(at - places[index]!).toBeCloseTo(places[1]! - places[0]!, 6);
      });
      const middle = from + length / 2;
      places.forEach((at, index) => expect(at - middle).toBeCloseTo(middle - places.at(-1 - index)!, 6));
    }),
  );
});
