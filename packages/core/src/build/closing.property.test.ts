/** Glue-ups of random cabinets of every family: the way taken is one that can be, more clamps and slower glue never make it worse; and what came later. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newClamps } from '../stock/shop.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { arbitraryCabinet } from '../test/arbitrary-cabinet.ts';
import { FAMILY_IDS } from '../test/family-units.ts';
import { solidOf } from '../test/print-room.ts';
import { assembliesOf, type GlueUp } from './assemblies.ts';
import { gluedPanels, latePanels } from './late-parts.ts';
import { DEFAULT_BUILD, type GlueId } from '../model/build-choices.ts';
import { closingOf } from './glue-ways.ts';
import { GLUES } from './glues.ts';
import type { GlueWaySummary } from './step.ts';
import type { Shop } from '../model/shop.ts';

const shop = (clamps: number): Pick<Shop, 'clamps' | 'labels'> => ({
  clamps: { c: newClamps('c', 0, '4000 mm', clamps) },
  labels: starterWorkshop().shop.labels,
});
const glues = fc.constantFrom(...(Object.keys(GLUES) as GlueId[]));
const clamps = fc.integer({ min: 1, max: 30 });

const glueUpsOf = (cabinet: ReturnType<typeof solidOf>): GlueUp[] => assembliesOf(cabinet).flatMap((assembly) => [...assembly.glueUps]);
const hindrances = (ways: readonly GlueWaySummary[]): number => ways.reduce((sum, { hindered }) => sum + hindered.length, 0);

describe.each(FAMILY_IDS)('%s', (family) => {
  test('the way taken can be done wherever one can, and is the plainest of those', () => {
    fc.assert(
      fc.property(arbitraryCabinet(family), glues, clamps, (spec, glue, count) => {
        const cabinet = solidOf(spec);
        for (const glueUp of glueUpsOf(cabinet)) {
          const { way, ways, goes } = closingOf(cabinet, glueUp, { ...DEFAULT_BUILD, glue }, shop(count));
          expect(goes.flatMap(({ glueUp: { connections } }) => connections.map(({ id }) => id)).sort()).toEqual(glueUp.connections.map(({ id }) => id).sort());
          const free = ways.find(({ hindered }) => hindered.length === 0);
          if (free) expect(way).toEqual(free.way);
        }
      }),
      { numRuns: 4 },
    );
  });

  test('more clamps, or a glue that stays open longer, never hinder a way that could be done', () => {
    fc.assert(
      fc.property(arbitraryCabinet(family), glues, glues, clamps, clamps, (spec, one, other, few, more) => {
        const cabinet = solidOf(spec);
        const [quick, slow] = [one, other].sort((a, b) => GLUES[a].openMin - GLUES[b].openMin) as [GlueId, GlueId];
        for (const glueUp of glueUpsOf(cabinet)) {
          const told = (glue: GlueId, count: number): number => hindrances(closingOf(cabinet, glueUp, { ...DEFAULT_BUILD, glue }, shop(count)).ways);
          expect(told(quick, few + more)).toBeLessThanOrEqual(told(quick, few));
          expect(told(slow, few)).toBeLessThanOrEqual(told(quick, few));
        }
      }),
      { numRuns: 4 },
    );
  });

  test('ticked with all their parts nothing is late; a part that was not there is, where its glue-up is ticked', () => {
    fc.assert(
      fc.property(arbitraryCabinet(family), fc.nat(), (spec, pick) => {
        const cabinet = solidOf(spec);
        const all = glueUpsOf(cabinet);
        fc.pre(all.length > 0);
        const whole = new Map(all.map(({ id, groups }) => [id, new Set(groups.flat())] as const));
        expect(latePanels(cabinet, whole)).toEqual([]);
        expect(gluedPanels(cabinet, whole)).toEqual(new Set(assembliesOf(cabinet).flatMap(({ panels }) => panels)));
        const panels = all.flatMap(({ groups }) => groups.flat());
        const missing = panels[pick % panels.length]!;
        const without = new Map([...whole].map(([id, there]) => [id, new Set([...there].filter((panel) => panel !== missing))] as const));
        expect(latePanels(cabinet, without)).toEqual([missing]);
        // Nothing glued, nothing late.
        expect(latePanels(cabinet, new Map())).toEqual([]);
      }),
      { numRuns: 5 },
    );
  });
});
