/**
 * The audit over thousands of random cabinets of every family: panels never stand in one another but in their
 * joints, each slot holds its guest with the play it states, the outer box is what was asked, everything hangs
 * together, volume by pieces is volume by sum, and a mirrored pair reads the same numbers.
 */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { audit } from '../test/audit.ts';
import { FAMILY_IDS, newSpec } from '../test/family-units.ts';
import { solidOf } from '../test/print-room.ts';
import { arbitraryCabinet } from '../test/arbitrary-cabinet.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** Narrower than this, nm, nothing can be in it: a module of a till has battens at both sides. */
const minSpace = (spec: CabinetSpec): number => (spec.family === 'tool-till' && spec.together === 'modules' ? 45e6 : 20e6);

/** Runs per family. KEEN_AUDIT_RUNS asks for thousands. */
const RUNS = Number(process.env['KEEN_AUDIT_RUNS'] ?? 60);

test.each(FAMILY_IDS)('%s: every random unit passes the audit', (family) => {
  let tried = 0;
  fc.assert(
    fc.property(arbitraryCabinet(family), (spec) => {
      const solid = solidOf(spec);
      fc.pre(
        solid.compartments.every(
          ({ width, height, depth }) => width.value > minSpace(spec) && height.value > (family === 'shelf-box' ? 100e6 : 1) && depth.value > 0,
        ),
      );
      tried++;
      expect(audit(solid)).toEqual([]);
    }),
    { numRuns: RUNS },
  );
  expect(tried).toBeGreaterThan(RUNS / 3);
});

test('the audit sees a panel that is moved into its neighbor, in every family', () => {
  for (const family of FAMILY_IDS) {
    const solid = solidOf(newSpec(family));
    const [first, second] = solid.panels;
    const panels = solid.panels.map((panel) => (panel === second ? { ...first!, id: panel.id } : panel));
    expect(audit({ ...solid, panels, byId: new Map(panels.map((panel) => [panel.id, panel])) }).length).toBeGreaterThan(0);
  }
});
