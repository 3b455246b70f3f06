/** A leaf on its supports: by hand from docs/formulas/leaf-load.md, and what every leaf must obey. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { aloneBox } from '../test/print-room.ts';
import { newSpec } from '../test/family-units.ts';
import type { Link } from './link.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';
import type { FoldDown } from '../model/specs/fold-down.ts';

const fresh = newSpec('fold-down') as FoldDown;
/** On a cleat, gates that reach 320 from the backboard its hinges on four screws. */
const base: FoldDown = {
  ...fresh,
  hanging: { ...fresh.hanging, kind: 'outside' },
  reach: entered('320 mm'),
  hingeScrew: { screw: '4mm', length: entered('12 mm') },
  hingeScrews: 4,
  edgeKg: 15,
};
const table = (more: Partial<FoldDown> = {}): FoldDown => ({ ...base, contents: { leaf: { preset: 'nothing', kg: 5 } }, ...more });
const linkOf = (spec: FoldDown, kind: Link['kind']): Link => aloneBox(spec).hang.links.find((link) => link.kind === kind)!;
const useOf = (spec: FoldDown, kind: Link['kind']): number => linkOf(spec, kind).use.value;
const termsOf = ({ use }: Link): Record<string, number> => Object.fromEntries(use.terms.map(({ symbol, value }) => [symbol, value]));

describe('two gates that reach 230 of a leaf 450 deep, hinges 320 apart, pressed by 400 N', () => {
  // Leaf 900 × 450 × 18 of birch, 680 kg/m³: 4.957 kg; with 5 kg on it W = 97.65 N. Q = 400 N, whatever less was entered. A gate: 48.82 + Q.
  const own = (900 * 450 * 18 * 680) / 1e9;
  const [W, Q] = [(5 + own) * STANDARD_GRAVITY, 400];
  const e = ((W / 2) * 225 + Q * 450) / (W / 2 + Q);

  test('the load lies past the gates: they bear more than it, and the hinge line is lifted by the rest', () => {
    const F = ((W / 2 + Q) * e) / 230;
    const gate = termsOf(linkOf(table(), 'prop'));
    // 90 of ledger and 230 of gate; 4 screws in each hinge.
    expect(gate['T']).toBeCloseTo((F * 320) / 320 / 4, 6);
    expect(gate['V']).toBeCloseTo(F / 2 / 4, 6);
    const hinges = linkOf(table(), 'leaf-hinge').use.terms.find(({ symbol }) => symbol === 'load')!;
    expect(hinges.value).toBeCloseTo(Math.max(F - W / 2 - Q, own * STANDARD_GRAVITY), 6);
  });

  test('the ledger is bent off the board behind by the same force; glue or screws hold it, the stronger alone', () => {
    const ledger = termsOf(linkOf(table(), 'ledger'));
    const lift = Math.max(((W / 2 + Q) * e) / 230 - W / 2 - Q, own * STANDARD_GRAVITY);
    expect(ledger['M']).toBeCloseTo(lift * 90, 4);
    expect(ledger['capacity']).toBeGreaterThanOrEqual((0.17 * 900 * 18 * 18) / 6 - 1e-6);
  });

  test('past the gates the leaf is a cantilever of 220 mm, 540 mm of its length bending with what presses', () => {
    // Four gates stand so close that bending between them is less, and fold beside one another.
    const long = table({ supportCount: 4, width: entered('1300 mm') });
    const { F, c } = termsOf(linkOf(long, 'leaf-bending'));
    expect(c).toBeCloseTo(220, 9);
    const weight = (5 + (1300 * 450 * 18 * 680) / 1e9) * STANDARD_GRAVITY;
    const M = Q * 220 + ((weight * 220 * 220) / (2 * 450)) * (540 / 1300);
    expect(useOf(long, 'leaf-bending')).toBeCloseTo(M / ((540 * 18 * 18) / 6) / F!, 6);
  });
});

describe('bought supports', () => {
  test('brackets: what presses the edge counts twice what is spread', () => {
    const own = (900 * 450 * 18 * 680) / 1e9;
    const [W, Q] = [(5 + own) * STANDARD_GRAVITY, 400];
    expect(useOf(table({ supports: 'bracket', ratedKg: 60 }), 'prop')).toBeCloseTo((W / 2 + Q) / ((60 * STANDARD_GRAVITY) / 2), 9);
    expect(useOf(table({ supports: 'bracket', ratedKg: 60, supportCount: 4 }), 'prop')).toBeCloseTo((W / 2 + Q) / (60 * STANDARD_GRAVITY), 9);
  });
  test('legs: one of them gets the whole press, against half of what a pair carries', () => {
    const own = (900 * 450 * 18 * 680) / 1e9;
    const [W, Q] = [(5 + own) * STANDARD_GRAVITY, 400];
    expect(useOf(table({ supports: 'leg', ratedKg: 60 }), 'prop')).toBeCloseTo(((W / 2) * 225 + Q * 450) / 400 / (30 * STANDARD_GRAVITY), 9);
  });
});

test('folded it is pressed by nobody and stands on nothing', () => {
  const { hang, cabinet } = aloneBox(table({ state: 'folded' }));
  expect(cabinet.pressed).toBeUndefined();
  expect(hang.links.map(({ kind }) => kind)).not.toContain('prop');
});

test('what is pressed enters the weight on the cleat and its place, not the weight of the unit', () => {
  const [still, pressed] = [aloneBox(table({ edgeKg: 0 })), aloneBox(table({ edgeKg: 60 }))];
  expect(pressed.loaded.mass.value).toBeCloseTo(still.loaded.mass.value, 9);
  expect(pressed.hang.loaded.mass.value).toBeCloseTo(still.loaded.mass.value + 60, 9);
  expect(still.hang.loaded.mass.value).toBeCloseTo(still.loaded.mass.value + 400 / STANDARD_GRAVITY, 9);
  const m = still.loaded.mass.value;
  // Front edge: cleat 18, backboard 18, ledger 90, leaf 450.
  expect(pressed.hang.loaded.out).toBeCloseTo((m * still.loaded.out + 60 * 576) / (m + 60), 6);
});

test('more on the edge never uses anything less, and a fix that is offered never uses its link more', () => {
  const whole = (least: number, most: number) => fc.integer({ min: least, max: most });
  const design = fc.record({
    kg: whole(0, 60),
    more: whole(1, 40),
    supports: fc.constantFrom('gate' as const, 'bracket' as const, 'leg' as const),
    screws: whole(1, 11),
  });
  fc.assert(
    fc.property(design, ({ kg, more, supports, screws }) => {
      const light = table({ edgeKg: kg, supports, hingeScrews: screws });
      const heavy = { ...light, edgeKg: kg + more };
      for (const kind of ['prop', 'leaf-hinge', 'ledger', 'leaf-bending', 'tip'] as const)
        expect(useOf(heavy, kind)).toBeGreaterThanOrEqual(useOf(light, kind) - 1e-9);
      for (const { path, value } of aloneBox(light).cabinet.props![0]!.stronger) {
        const better = { ...light, [path[0]!]: value } as FoldDown;
        expect(useOf(better, 'prop')).toBeLessThanOrEqual(useOf(light, 'prop') + 1e-9);
      }
    }),
    { numRuns: 15 },
  );
});
