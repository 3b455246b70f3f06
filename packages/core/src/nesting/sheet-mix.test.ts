/** The cheapest mix of sheets against every mix there is. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { minMix, type SheetKindCost } from './sheet-mix.ts';
import type { SheetInequality } from './bar-program.ts';

function byTrying(kinds: readonly SheetKindCost[], inequalities: readonly SheetInequality[], fewest: number): { cost: number; sheets: number } | null {
  let best: { cost: number; sheets: number } | null = null;
  const visit = (counts: readonly number[]): void => {
    if (counts.length < kinds.length) {
      for (let count = 0; count <= Math.min(20, kinds[counts.length]!.limit); count++) visit([...counts, count]);
      return;
    }
    const sheets = counts.reduce((sum, count) => sum + count, 0);
    if (sheets < fewest || inequalities.some(({ needs, holds }) => holds.reduce((sum, each, kind) => sum + each * counts[kind]!, 0) < needs * (1 - 1e-9)))
      return;
    const cost = counts.reduce((sum, count, kind) => sum + count * kinds[kind]!.cost, 0);
    if (!best || cost < best.cost || (cost === best.cost && sheets < best.sheets)) best = { cost, sheets };
  };
  visit([]);
  return best;
}

const kinds = fc.array(fc.record({ cost: fc.integer({ min: 0, max: 60 }), limit: fc.constantFrom(0, 1, 2, Infinity) }), { minLength: 1, maxLength: 3 });
const holds = fc.integer({ min: 0, max: 9 });

test('costs what the cheapest mix costs, in as few sheets', () => {
  fc.assert(
    fc.property(
      kinds,
      fc.array(fc.record({ needs: fc.integer({ min: 0, max: 18 }), holds: fc.tuple(holds, holds, holds) }), { minLength: 1, maxLength: 3 }),
      fc.integer({ min: 0, max: 4 }),
      fc.constantFrom(1, 376_014.24, 0.7 / 3),
      (own, rows, fewest, scale) => {
        const inequalities = rows.map(({ needs, holds: all }) => ({ needs: needs * scale, holds: all.slice(0, own.length).map((each) => each * scale) }));
        expect(minMix(own, inequalities, fewest)).toEqual(byTrying(own, inequalities, fewest));
      },
    ),
    { numRuns: 300 },
  );
});

test('a mix, not shares of one: 17 of 6 and 5', () => {
  // 6 for 10 and 5 for 9: 6 + 6 + 5 for 29; three of 6 would cost 30.
  expect(
    minMix(
      [
        { cost: 10, limit: Infinity },
        { cost: 9, limit: Infinity },
      ],
      [{ needs: 17, holds: [6, 5] }],
      1,
    ),
  ).toEqual({ cost: 29, sheets: 3 });
});
