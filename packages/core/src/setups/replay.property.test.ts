/** Setups of random cabinets of every family, replayed: whatever is drawn is what the numbers make. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { arbitraryCabinet } from '../test/arbitrary-cabinet.ts';
import { FAMILY_IDS } from '../test/family-units.ts';
import { solidOf } from '../test/print-room.ts';
import { replayFaults } from '../test/replay-check.ts';
import { STARTER_SHOPS } from '../stock/shop.ts';

/** Runs per family. KEEN_AUDIT_RUNS asks for thousands. */
const RUNS = Number(process.env['KEEN_AUDIT_RUNS'] ?? 30);

test.each(FAMILY_IDS)('%s: every random unit comes out as it was drawn, in every shop', (family) => {
  fc.assert(
    fc.property(arbitraryCabinet(family), fc.constantFrom(...STARTER_SHOPS), (spec, { make }) => {
      expect(replayFaults(solidOf(spec), make())).toEqual([]);
    }),
    { numRuns: RUNS },
  );
});
