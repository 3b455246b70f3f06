/**
 * The ink cupboard's hanging worked out by hand: masses from sizes, forces from levers, screws from the
 * published equations. No function of the core is called for an expected figure.
 */
import { describe, expect, test } from '@jest/globals';
import type { Length } from '../length/length.ts';
import { cabinetWith } from '../test/print-room.ts';
import { loadLimits } from './limits.ts';
import { wallHalfFoot } from './wall-links.ts';

const { hang, hangInput, weights, cabinet, loaded } = cabinetWith('ink');
const g0 = 9.80665;

/** mm³ of a slab. */
const slab = (length: number, width: number, thickness: number): number => length * width * thickness;

describe('what hangs', () => {
  // Birch 680 kg/m³. Slots cut away: per side three strips 280 wide (two dados 17.9 × 6, less the strip the back's rabbet already took) and so on.
  const strips = 3 * 17.9 * 6 * 280 + 17.8 * 6 * 280;
  const rabbet = 6.2 * 8 * 820 - (3 * 17.9 + 17.8) * 6.2 * 6; // counted once where they cross
  const side = slab(820, 280, 17.8) - strips - rabbet;
  const level = slab(675.9, 280, 17.8) - slab(675.9, 6.2, 8);
  const shelf = slab(675.9, 273.8, 17.8);
  const back = slab(784.4, 679.4, 6.2);
  const rail = slab(664.4, 90, 17.8);
  const long = (160 + 17.8 - 3.2 * Math.SQRT2) / 2;
  const cabinetHalf = 700 * 17.8 * (long - 17.8 / 2); // trapezium: long face and long − 17.8
  const spacer = slab(700, 60, 17.8);
  const wood = ((2 * side + 2 * level + 2 * shelf + back + rail + cabinetHalf + spacer) * 680) / 1e9;

  test('the empty unit: its wood and a twentieth for hardware', () => {
    expect(weights.empty.mass.value).toBeCloseTo(wood * 1.05, 4);
  });

  test('its contents: 22 and 18 kg as entered, the top opening filled with general things at 75 kg/m²', () => {
    const assumed = 75 * 0.6644 * 0.2738; // 13.64 kg; by volume 600 × 0.6644 × 0.2738 × 0.2446 = 26.7 would be allowed
    expect(weights.contents.map(({ mass }) => mass.value)).toEqual([22, 18, expect.closeTo(assumed, 6)]);
    expect(loaded.mass.value).toBeCloseTo(wood * 1.05 + 40 + assumed, 4);
  });

  test('contents stand 60 % of the depth out from the back', () => {
    const out = 17.8 + 6.2 + 0.6 * 273.8; // gap, back, depth
    for (const { out: at } of weights.contents) expect(at).toBeCloseTo(out, 6);
  });

  test('the centre of gravity, from the centroids of its slabs', () => {
    const rows: [number, number][] = [
      [2 * slab(820, 280, 17.8), 17.8 + 140],
      [2 * slab(675.9, 280, 17.8), 17.8 + 140],
      [2 * shelf, 17.8 + 6.2 + 136.9],
      [back, 17.8 + 3.1],
      [rail, 17.8 + 6.2 + 8.9],
      [cabinetHalf, 8.9],
      [spacer, 8.9],
    ];
    const volume = rows.reduce((sum, [v]) => sum + v, 0);
    const empty = rows.reduce((sum, [v, at]) => sum + v * at, 0) / volume;
    // The slots left out here weigh next to nothing: a millimeter is allowed for them.
    expect(Math.abs(weights.empty.out - empty)).toBeLessThan(1.5);
    const held = weights.contents.reduce((sum, { mass }) => sum + mass.value, 0);
    const m = weights.empty.mass.value;
    const e = (m * weights.empty.out + held * (17.8 + 6.2 + 0.6 * 273.8)) / (m + held);
    expect(loaded.out).toBeCloseTo(e, 6);
  });
});

test('the line to level on the wall: 1320 to the bottom, up to the bevel, down the short face', () => {
  const long = (160 + 17.8 - 3.2 * Math.SQRT2) / 2;
  const mark = wallHalfFoot(cabinet, 1_320_000_000 as Length);
  // 820 − long to the foot of the bevel, less long − 17.8
  expect(mark.value / 1e6).toBeCloseTo(1320 + 820 - long - (long - 17.8), 4);
  expect(mark.terms).toHaveLength(3);
});

describe('the forces on its cleat', () => {
  const W = loaded.mass.value * g0;
  const long = (160 + 17.8 - 3.2 * Math.SQRT2) / 2;
  const short = long - 17.8;
  const contact = 820 - long + 8.9; // bevel's middle over the bottom
  const h = contact - 30; // middle of the 60 mm spacer
  const a = loaded.out - 8.9;

  test('levers', () => {
    expect(hang.forces.hook!.h).toBeCloseTo(h, 4);
    expect(hang.forces.hook!.b).toBeCloseTo(short + 8.9, 4);
  });
  test('45 degrees: the pull equals the weight, and the hook uses a / h', () => {
    expect(hang.weight.value).toBeCloseTo(W, 6);
    expect(hang.forces.outward.value).toBeCloseTo(W, 6);
    expect(hang.forces.hook!.tip.value).toBeCloseTo(a / h, 6);
    expect(hang.forces.spacerPush.value).toBeCloseTo((W * a) / h, 4);
  });

  // Studs every 405 from 230: 230, 635, 1040, 1445, 1850. The cabinet stands at 895..1595: 1040 and 1445 are behind it, at 145 and 550.
  const centre = loaded.along;
  const right = (W * (centre - 145)) / (550 - 145);
  test('two studs share it as a lever', () => {
    expect(hang.studs.map(({ atMm }) => atMm)).toEqual([145, 550]);
    expect(hang.studs[0]!.share.value).toBeCloseTo(W - right, 3);
    expect(hang.studs[1]!.share.value).toBeCloseTo(right, 3);
  });

  // 5 × 80 mm, root 3.1 mm: the nearest numbered screw is #8 (0.131 in = 3.327 mm, 0.227 off; #6 is 0.230 off): 90 ksi.
  const D = 5 / 25.4;
  const grip = 80 - 17.8 - 12.5; // 49.7: 9.94 diameters, so the tip is left out
  const main = (grip - 5) / 25.4;
  const thread = Math.min(grip, (2 / 3) * 80) / 25.4;
  test('withdrawal, by the published formula', () => {
    // Studs of a species nobody knows: G 0.36.
    const W1 = 2850 * 0.36 ** 2 * D * thread * 0.9 * 4.4482216;
    const pull = hang.studs[0]!.pull.terms.find(({ symbol }) => symbol === 'thread')!.value;
    expect(pull).toBeCloseTo(W1, 3);
    expect(hang.studs[0]!.penetrationMm).toBeCloseTo(grip, 9);
  });

  test('shear, mode by mode', () => {
    const figure = hang.studs[0]!.lateral;
    const ksi = 90;
    const root = 3.1 / 25.4;
    const qs = 16600 * 0.55 ** 1.84 * root; // birch plywood, G 0.55
    const qm = 16600 * 0.36 ** 1.84 * root;
    const ls = 17.8 / 25.4;
    const gap = 12.5 / 25.4;
    const M = (ksi * 1000 * root ** 3) / 6;
    const root2 = (A: number, B: number, C: number): number => (-B + Math.sqrt(B * B - 4 * A * C)) / (2 * A);
    const modes = [
      qm * main,
      qs * ls,
      root2(1 / (4 * qs) + 1 / (4 * qm), ls / 2 + gap + main / 2, -(qs * ls ** 2) / 4 - (qm * main ** 2) / 4),
      root2(1 / (2 * qs) + 1 / (4 * qm), gap + main / 2, -M - (qm * main ** 2) / 4),
      root2(1 / (4 * qs) + 1 / (2 * qm), ls / 2 + gap, -(qs * ls ** 2) / 4 - M),
      root2(1 / (2 * qs) + 1 / (2 * qm), gap, -2 * M),
    ];
    expect(figure.value).toBeCloseTo((Math.min(...modes) / 2.2) * 0.9 * 4.4482216, 3);
  });

  test('tension of the upper screws with prying, and the use of the worse stud', () => {
    const R = Math.max(W - right, right);
    const top = Math.floor(short - 12.5); // 2.5 diameters under the valley
    const low = Math.ceil(12.5);
    const r = top / 6;
    const b = short + 8.9;
    const T = ((R * (b - r) + R * 8.9) * (top - r)) / (2 * (top - r) ** 2 + (low - r) ** 2);
    const worse = hang.studs.reduce((x, y) => (x.use.value >= y.use.value ? x : y));
    expect(worse.tension.value).toBeCloseTo(T, 3);
    expect(worse.shear.value).toBeCloseTo(R / 3, 3);
    const Z = worse.lateral.value;
    const P = worse.pull.value;
    const V = R / 3;
    const size = Math.hypot(V, T);
    expect(worse.use.value).toBeCloseTo(size * ((V / size) ** 2 / Z + (T / size) ** 2 / P), 6);
    expect(worse.otherRules.straight).toBeCloseTo(V / Z + T / P, 6);
    expect(worse.otherRules.squares).toBeCloseTo((V / Z) ** 2 + (T / P) ** 2, 6);
  });
});

test('every link is under its mark, close to it where the guessed top opening is 30 % heavier; the weakest comes first', () => {
  expect(hang.links.every(({ use, fineTo }) => use.value <= fineTo)).toBe(true);
  expect(hang.state).toBe('tight');
  expect(hang.atLow).toBeNull();
  expect(hang.refusals).toEqual([]);
  const uses = hang.links.filter(({ limit }) => limit <= 1).map(({ use, limit }) => use.value / limit);
  expect([...uses].sort((x, y) => y - x)).toEqual(uses);
  expect(loadLimits(hangInput).carriesKg).toBeGreaterThan(hang.plannedKg);
  expect(cabinet.hanging.antiLift).toBe(true);
});
