import { describe, expect, test } from '@jest/globals';
import { evaluate } from '../explained/explained-value.ts';
import { MATERIALS } from '../stock/materials.ts';
import { ink, typed, cabinetWith } from '../test/print-room.ts';
import { BENDING_STIFFNESS, BENDING_USE, GLUED_ENDS, SAG_LATER, SAG_LIMIT, SAG_NOW } from './shelf-sag.ts';

test('800 × 280 × 18 birch under 230 N: 1.25 mm at once, 2.25 in years, against 1.33 that shows', () => {
  const EI = evaluate(BENDING_STIFFNESS, { E: 9000, B: 280, t: 18 });
  expect(EI.value).toBeCloseTo(1.2247e9, -6); // 9000 × 280 × 18³ / 12
  const now = evaluate(SAG_NOW, { κ: 1, Q: 230, L: 800, EI });
  expect(now.value).toBeCloseTo(1.25, 2);
  expect(evaluate(SAG_LATER, { 'sag now': now, creep: 1.8 }).value).toBeCloseTo(2.25, 2);
  expect(evaluate(SAG_LIMIT, { L: 800 }).value).toBeCloseTo(1.333, 3);
});

/** Longest span in mm at L/600 in years, own weight included: the printed table of docs/formulas/shelf-sag.md. */
describe('longest spans, depth 280, simple ends', () => {
  test.each([
    ['birch-plywood', 18, 30, 645],
    ['birch-plywood', 12, 15, 535],
    ['hardwood-faced-plywood', 18, 30, 580],
    ['softwood-plywood', 25, 45, 735],
    ['mdf', 18, 30, 330],
    ['particleboard', 15, 15, 305],
    ['osb', 18, 45, 415],
  ] as const)('%s %d mm under %d kg/m: %d mm', (material, t, kgPerM, span) => {
    const { stiffnessAlongMPa: E, creep, densityKgM3 } = MATERIALS[material];
    const EI = evaluate(BENDING_STIFFNESS, { E, B: 280, t }).value;
    const perMm = ((kgPerM + (280 * t * densityKgM3) / 1e6) * 9.80665) / 1000;
    const over = (L: number): number => evaluate(SAG_NOW, { κ: 1, Q: perMm * L, L, EI }).value * creep - L / 600;
    expect(over(span - 6)).toBeLessThan(0);
    expect(over(span + 6)).toBeGreaterThan(0);
  });
});

test('bending counts as simply supported: 230 N on 800 × 280 × 18 uses a tenth of 12 MPa', () => {
  // M = 230 × 800 / 8 = 23 000; section 280 × 18² / 6 = 15 120; 1.52 MPa
  expect(evaluate(BENDING_USE, { Q: 230, L: 800, B: 280, t: 18, F: 12 }).value).toBeCloseTo(1.521 / 12, 3);
});

describe('the shelves of the ink cupboard', () => {
  test('shelf 1 under its 18 kg, by hand', () => {
    const { sag } = cabinetWith('ink');
    const row = sag.find(({ panel }) => panel === 'ink/shelf/s1')!;
    // Own mass 675.9 × 273.8 × 17.8 mm × 680 kg/m³ = 2.240 kg; load (18 + 2.24) × 9.80665 = 198.5 N over 664.4 mm.
    const load = (18 + (675.9 * 273.8 * 17.8 * 680) / 1e9) * 9.80665;
    const stiffness = (9000 * 273.8 * 17.8 ** 3) / 12;
    const now = (0.8 * 5 * load * 664.4 ** 3) / (384 * stiffness);
    expect(row.now.value).toBeCloseTo(now, 6);
    expect(row.later.value).toBeCloseTo(1.8 * now, 6);
    expect(row.limit.value).toBeCloseTo(664.4 / 600, 6);
  });

  test('glue in the dados holds the ends a little: 0.8', () => {
    const glued = cabinetWith('ink').sag[1]!.now.value;
    const dry = cabinetWith('ink', ink('glue', false)).sag[1]!.now.value;
    expect(glued / dry).toBeCloseTo(GLUED_ENDS, 9);
  });

  test('sag grows with the fourth power of the width when the load goes with it', () => {
    const narrow = cabinetWith('ink', typed('width', '535.6 mm'), ink('contents.s1', { preset: 'tools', kg: 10 })).sag[1]!;
    const wide = cabinetWith('ink', typed('width', '1035.6 mm'), ink('contents.s1', { preset: 'tools', kg: 20 })).sag[1]!;
    expect(wide.now.value / narrow.now.value).toBeCloseTo(16, 0); // (1000/500)³ × 2
  });
});

describe('a shelf with its grain across', () => {
  const grained = (grain: string) => cabinetWith('ink', ink('grains', { 'shelf/s1': grain })).sag.find(({ panel }) => panel === 'ink/shelf/s1')!;
  const [along, across, free] = ['length', 'width', 'free'].map(grained);

  test('sags more and bears less, both as 6500 to 9000 for birch plywood', () => {
    expect(across!.now.value / along!.now.value).toBeCloseTo(9000 / 6500, 6);
    expect(across!.bending.value / along!.bending.value).toBeCloseTo(9000 / 6500, 6);
  });

  test('as it comes may be across: it is reckoned so', () => {
    expect([free!.now.value, free!.bending.value]).toEqual([across!.now.value, across!.bending.value]);
  });

  test('what carries the cabinet keeps its grain, whatever a design says', () => {
    const turned = cabinetWith('ink', ink('grains', { 'hanging-rail': 'width', 'wall-half': 'width', 'cabinet-half': 'width' }));
    const plain = cabinetWith('ink');
    expect(turned.cabinet.panels.map(({ id, grain }) => [id, grain])).toEqual(plain.cabinet.panels.map(({ id, grain }) => [id, grain]));
  });
});
