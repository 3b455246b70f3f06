/** Whatever part of whatever family came out however: the plan has it so, or says that it cannot, and nothing else is lost. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { asBuilt, misfitsOf, slotAsDrawn, type BuiltFacts } from '../joints/as-built.ts';
import type { Length } from '../length/length.ts';
import { buildCabinet } from '../cabinets/families.ts';
import { resolveCabinet } from '../solid/cabinet.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { arbitraryCabinet } from '../test/arbitrary-cabinet.ts';
import { malformed, mismeasured } from '../test/audit.ts';
import { FAMILY_IDS } from '../test/family-units.ts';
import { stockReader } from './stock-reader.ts';

const stockOf = stockReader([], starterWorkshop());
const NONE: BuiltFacts = { parts: new Map(), slots: new Map(), openings: new Map(), kept: new Set(), sheetThickness: new Map() };
/** What is as planned: docs/formulas/as-cut.md, and what sharing a difference over two ends rounds. */
const WITHIN = 0.2e6 + 2;

test.each(FAMILY_IDS)('%s: a part cut longer, shorter, wider or narrower', (family) => {
  fc.assert(
    fc.property(
      arbitraryCabinet(family),
      fc.nat(),
      fc.constantFrom('length' as const, 'width' as const),
      fc.integer({ min: -6_000, max: 6_000 }),
      (design, pick, along, microns) => {
        const built = buildCabinet(design, stockOf);
        const planned = resolveCabinet(built);
        const panel = planned.panels[pick % planned.panels.length]!;
        const banded =
          panel.bands.filter((edge) => (along === 'length' ? edge === 'start' || edge === 'end' : edge === 'near' || edge === 'far')).length *
          panel.bandThickness;
        const cut = (panel[along].value - banded + microns * 1000) as Length;
        fc.pre(cut > 1e6);
        const facts: BuiltFacts = { ...NONE, parts: new Map([[panel.id, { [along]: cut }]]) };
        const cabinet = resolveCabinet(asBuilt(built, facts));
        const is = cabinet.byId.get(panel.id)![along].value - banded;
        const said = misfitsOf(cabinet, facts).some((misfit) => misfit.why === 'size' && misfit.panel === panel.id);
        expect(said).toBe(Math.abs(is - cut) > 0.2e6);
        if (!said) expect(Math.abs(is - cut)).toBeLessThanOrEqual(WITHIN);
        // What was sound stays sound: nothing is bent out of its measure by it.
        if (malformed(planned).length === 0) expect(malformed(cabinet)).toEqual([]);
        if (mismeasured(planned).length === 0) expect(mismeasured(cabinet)).toEqual([]);
      },
    ),
    { numRuns: 40 },
  );
});

test.each(FAMILY_IDS)('%s: slots that are cut as they were drawn change nothing and are never said', (family) => {
  fc.assert(
    fc.property(arbitraryCabinet(family), (design) => {
      const built = buildCabinet(design, stockOf);
      const planned = resolveCabinet(built);
      const slots = planned.panels.flatMap((host) =>
        host.slots.flatMap((strip) => {
          const slot = slotAsDrawn(host, strip.id);
          return slot ? [[`${host.id}:${strip.id}`, slot] as const] : [];
        }),
      );
      const facts: BuiltFacts = { ...NONE, slots: new Map(slots) };
      const cabinet = resolveCabinet(asBuilt(built, facts));
      expect(misfitsOf(cabinet, facts)).toEqual([]);
      expect(cabinet.panels.map(({ id, length, width, slots }) => [id, length.value, width.value, slots])).toEqual(
        planned.panels.map(({ id, length, width, slots }) => [id, length.value, width.value, slots]),
      );
    }),
    { numRuns: 25 },
  );
});

test.each(FAMILY_IDS)('%s: parts that measure a little otherwise get slots for what they measure', (family) => {
  fc.assert(
    fc.property(arbitraryCabinet(family), fc.integer({ min: -400, max: 400 }), (design, microns) => {
      const built = buildCabinet(design, stockOf);
      const planned = resolveCabinet(built);
      const by = microns * 1000;
      const facts: BuiltFacts = {
        ...NONE,
        sheetThickness: new Map(planned.panels.map(({ id, stock, thickness }) => [`${stock} ${id}`, (thickness + by) as Length])),
      };
      const cabinet = resolveCabinet(asBuilt(built, facts));
      for (const host of cabinet.panels)
        for (const slot of host.slots) {
          const before = planned.byId.get(host.id)!.slots.find(({ id }) => id === slot.id);
          // Square dados and grooves alone: a rabbet's outer wall is the edge, a lap is as wide as the other part.
          if (slot.kind === 'rabbet' || before?.kind !== slot.kind || (slot.normal.u !== 1 && slot.normal.v !== 1)) continue;
          expect(Math.abs(slot.far - slot.near - (before.far - before.near) - by)).toBeLessThanOrEqual(1000);
        }
    }),
    { numRuns: 25 },
  );
});
