/** Cabinets within a cabinet: everything moves and is renamed together, the cleat stays behind. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { boxOf, solidOf } from '../test/print-room.ts';
import { newSpec } from '../test/family-units.ts';
import { resolveCabinet } from '../solid/cabinet.ts';
import { boundsOf } from '../solid/views.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { stockReader } from '../planner/stock-reader.ts';
import { buildCabinet } from './families.ts';
import { nested } from './group.ts';

const stockOf = stockReader([], starterWorkshop());
const alone = buildCabinet(boxOf(), stockOf);

describe('a box as a part', () => {
  test('is moved as a whole, to the nanometre', () => {
    const whole = fc.integer({ min: -2_000_000_000, max: 2_000_000_000 });
    fc.assert(
      fc.property(whole, whole, (along, up) => {
        const part = nested(alone, { part: 'c1', along, up, keptBy: (space) => space });
        for (const panel of part.panels) {
          const before = alone.panels.find(({ id }) => id === panel.id.replace('/c1', ''))!;
          expect([panel.frame.origin.along - before.frame.origin.along, panel.frame.origin.up - before.frame.origin.up]).toEqual([along, up]);
          expect(panel.frame.origin.out).toBe(before.frame.origin.out);
        }
      }),
      { numRuns: 50 },
    );
  });
  test('keeps its joints: it resolves as it did alone', () => {
    const part = nested(alone, { part: 'c1', along: 500_000_000, up: 0, keptBy: (space) => space });
    const solid = resolveCabinet({ ...part, connections: part.connections });
    for (const panel of solid.panels) {
      const before = solidOf(boxOf()).byId.get(panel.id.replace('/c1', ''))!;
      expect([panel.length.value, panel.width.value, panel.slots.length]).toEqual([before.length.value, before.width.value, before.slots.length]);
    }
  });
  test('leaves cleat and spacer behind, and has its rail under its own name', () => {
    const part = nested(alone, { part: 'c1', along: 0, up: 0, keptBy: (space) => `c1-${space}` });
    expect(part.panels.map(({ role }) => role)).not.toEqual(expect.arrayContaining(['cabinet-half']));
    expect(part.hanging.hangingRail).toBe('u1/hanging-rail/c1');
    expect(part.compartments.map(({ keptBy }) => keptBy)).toEqual(['c1-bottom', 'c1-s1', 'c1-s2']);
  });
  test('standing, all of it stands', () => {
    const part = nested(alone, { part: 'low', along: 0, up: 0, stands: true, keptBy: (space) => space });
    expect(part.panels.every(({ stands }) => stands)).toBe(true);
    expect(part.compartments.every(({ stands }) => stands)).toBe(true);
  });
});

describe('the outline can be taken hold of, in every family', () => {
  test.each(['shelf-box', 'cabinet-run', 'tool-till', 'slot-rack', 'ledge-rack', 'drawer-unit', 'slab', 'corner-unit'] as const)(
    '%s: by what reaches furthest',
    (family) => {
      const design = newSpec(family);
      const cabinet = buildCabinet(design, stockOf);
      const solid = resolveCabinet(cabinet);
      const width = cabinet.handles!.find(({ path }) => path.join('.') === 'width')!;
      const reach = (id: string): number => boundsOf(solid.byId.get(id)!).high.along;
      const carried = solid.panels.filter(({ onWall, role }) => !onWall && role !== 'cabinet-half' && role !== 'spacer');
      expect(reach(width.panel)).toBeCloseTo(Math.max(...carried.map(({ id }) => reach(id))), 3);
      expect(width).toMatchObject({ axis: 'along', kind: 'length', value: design.width.nm, perMm: 1_000_000 });
      expect(width.least!).toBeLessThan(design.width.nm);
      expect(width.most!).toBeGreaterThan(design.width.nm);
    },
  );
});
