/** What makes one layout better to cut than another with as few sheets. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cuttingCostOf, isCheaperToCut, type LayoutPreference } from './cutting-cost.ts';
import type { Sequence } from './sequence.ts';

const PREFERENCES: readonly LayoutPreference[] = ['settings', 'offcut', 'handling'];

/** A sequence with so many of each; nothing else of it counts. */
const sequence = ({ impossible = 0, nearBlade = 0, settings = 0, steps = 0, turnedKg = 0 }): Sequence =>
  ({
    impossible: Array.from({ length: impossible }),
    nearBlade: Array.from({ length: nearBlade }),
    settings,
    steps: Array.from({ length: steps }),
    left: [],
    turnedKg,
  }) as unknown as Sequence;

const counts = fc.record({ impossible: fc.nat(2), nearBlade: fc.nat(3), settings: fc.nat(9), steps: fc.nat(9), turnedKg: fc.nat(90) });

describe.each(PREFERENCES)('whatever is preferred (%s)', (then) => {
  test('with as many cuts no saw makes and as many hands near the blade, the roomier layout is taken', () => {
    fc.assert(
      fc.property(counts, counts, fc.nat(3), fc.integer({ min: 1, max: 3 }), (tight, roomy, few, more) => {
        const safe = { impossible: tight.impossible, nearBlade: tight.nearBlade };
        const [a, b] = [cuttingCostOf(sequence({ ...roomy, ...safe }), few, then), cuttingCostOf(sequence(tight), few + more, then)];
        expect([isCheaperToCut(a, b), isCheaperToCut(b, a)]).toEqual([true, false]);
      }),
    );
  });

  test('a cut no saw makes, or a hand near the blade, outweighs any room to spare', () => {
    const [roomy, tight] = [0, 9];
    expect(isCheaperToCut(cuttingCostOf(sequence({}), tight, then), cuttingCostOf(sequence({ nearBlade: 1 }), roomy, then))).toBe(true);
    expect(isCheaperToCut(cuttingCostOf(sequence({ nearBlade: 9 }), tight, then), cuttingCostOf(sequence({ impossible: 1 }), roomy, then))).toBe(true);
  });
});
