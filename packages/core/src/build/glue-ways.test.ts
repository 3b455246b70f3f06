import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { plan } from '../planner/plan.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { newClamps } from '../stock/shop.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { arbitraryCabinet } from '../test/arbitrary-cabinet.ts';
import { FAMILY_IDS } from '../test/family-units.ts';
import { furnishedRoom, solidOf } from '../test/print-room.ts';
import { assembliesOf, type GlueUp } from './assemblies.ts';
import { DEFAULT_BUILD, type BuildChoices } from '../model/build-choices.ts';
import { closingOf } from './glue-ways.ts';
import { caulsFor } from './gluing.ts';
import { glueOf } from './glues.ts';
import { inTwoStages } from './two-stage-glue-up.ts';

const { design, record, workshop } = furnishedRoom();
const ink = plan(design, record, workshop).byId.get('ink')!.cabinet;
const ring = assembliesOf(ink)[0]!.glueUps.find(({ id }) => id === 'ink/glue/side/left')!;
const short = (ids: readonly string[]): string => ids.map((id) => id.slice('ink/'.length)).join('+');

describe('a glue-up in two goes', () => {
  test('all but the far side first, that side on dry; then that side alone', () => {
    const [first, second] = inTwoStages(ink, ring)!;
    expect(first.groups.map(short)).toEqual(['side/left', 'top+hanging-rail', 'bottom', 'shelf/s1', 'shelf/s2']);
    expect(first.dry).toEqual({ panels: ['ink/side/right'], joints: 5 });
    expect(second.groups.map(short)).toEqual(['side/left+top+hanging-rail+bottom+shelf/s1+shelf/s2', 'side/right']);
    expect([first.connections.length, second.connections.length]).toEqual([5, 5]);
    expect([first.after, second.after]).toEqual([ring.after, [first.id]]);
  });

  test('a back, and two pieces, have no second go', () => {
    for (const glueUp of assembliesOf(ink)[0]!.glueUps.filter(({ groups }) => groups.length < 3)) expect(inTwoStages(ink, glueUp)).toBeNull();
  });

  test.each(FAMILY_IDS)('%s: each joint is closed once, the first go holds together, and the end comes off along the way it is pressed', (family) => {
    fc.assert(
      fc.property(arbitraryCabinet(family), (spec) => {
        const cabinet = solidOf(spec);
        for (const { glueUps } of assembliesOf(cabinet))
          for (const glueUp of glueUps) {
            const goes = inTwoStages(cabinet, glueUp);
            if (!goes) continue;
            const [first, second] = goes;
            expect([...first.connections, ...second.connections].map(({ id }) => id).sort()).toEqual(glueUp.connections.map(({ id }) => id).sort());
            expect(new Set(first.groups.flat().concat(first.dry!.panels))).toEqual(new Set(glueUp.groups.flat()));
            const end = new Set(second.groups[1]);
            for (const { guest, host } of second.connections) expect(end.has(guest) !== end.has(host)).toBe(true);
            expect(reached(first)).toBe(first.groups.length);
          }
      }),
      { numRuns: 5 },
    );
  });
});

/** How many groups hang together, from the first on. */
function reached({ groups, connections }: GlueUp): number {
  const at = (id: string): number => groups.findIndex((group) => group.includes(id));
  const seen = new Set([0]);
  for (const _ of groups)
    for (const { guest, host } of connections) {
      const pair = [at(guest), at(host)];
      if (pair.some((n) => seen.has(n))) for (const n of pair) seen.add(n);
    }
  return seen.size;
}

describe('how a glue-up is closed', () => {
  const closed = (more: Partial<BuildChoices> = {}, shop = workshop.shop, cabinet: ResolvedCabinet = ink, glueUp = ring) =>
    closingOf(cabinet, glueUp, { ...DEFAULT_BUILD, ...more }, shop);

  test('plainly where the glue stays open long enough', () => {
    const { way, goes, ways } = closed({ glue: 'slow-yellow' });
    expect(way).toEqual({ goes: 'one', cauls: false });
    expect(goes).toHaveLength(1);
    // 10 joints · 0.7 + 2 clamps for each of the 4 panels between the sides · 0.8 = 13.4, the rail is screwed; in two goes 5 · 0.7 + 6.4 = 9.9.
    expect(ways.map(({ minutes, clamps }) => [Math.round(minutes.value * 10) / 10, clamps.value])).toEqual([
      [13.4, 8],
      [9.9, 8],
      [11.4, 4],
      [7.9, 4],
    ]);
  });

  test('with eight minutes in two goes under cauls: 5 joints · 0.7 + 4 cauls · 0.3 + 4 clamps · 0.8', () => {
    const { way, goes, chosen } = closed();
    expect(way).toEqual({ goes: 'two', cauls: true });
    expect(chosen).toBe(false);
    expect(goes.map(({ glue }) => glue!.minutes.value)).toEqual([expect.closeTo(7.9, 9), expect.closeTo(7.9, 9)]);
    // Both sides are there in the first go: the clamps reach across both.
    expect(new Set(goes.map(({ glue }) => glue!.reachMm)).size).toBe(1);
  });

  test('with too few clamps under cauls, though the glue would wait', () => {
    const few = { ...workshop.shop, clamps: { c: newClamps('c', 0, '1250 mm', 6) } };
    expect(closed({ glue: 'epoxy' }, few).way).toEqual({ goes: 'one', cauls: true });
  });

  test('where nothing will do it stays at all at once, and each way says what hinders it', () => {
    const none = { ...workshop.shop, clamps: {} };
    const { way, ways } = closed({}, none);
    expect(way).toEqual({ goes: 'one', cauls: false });
    expect(ways.map(({ hindered }) => hindered)).toEqual([['glue', 'clamps'], ['glue', 'clamps'], ['glue', 'clamps'], ['clamps']]);
  });

  test('a person’s own choice stands, whatever hinders it; one that cannot be is left aside', () => {
    const own = closed({ glueUps: { [ring.id]: { goes: 'one', cauls: false } } });
    expect([own.way.goes, own.chosen]).toEqual(['one', true]);
    const back = assembliesOf(ink)[0]!.glueUps.at(-1)!;
    expect(closed({ glueUps: { [back.id]: { goes: 'two', cauls: false } } }, workshop.shop, ink, back)).toMatchObject({ way: { goes: 'one' }, chosen: false });
  });

  test('what is begun in two goes is not closed all at once when more clamps are found, nor the other way round', () => {
    const begun = (...ids: readonly string[]) => new Map(ids.map((id) => [id, null] as const));
    const as = (ticked: ReadonlyMap<string, null>, glue: BuildChoices['glue']) => closingOf(ink, ring, { ...DEFAULT_BUILD, glue }, workshop.shop, ticked).way;
    // A glue that stays open all along would be closed at once; the yellow one in two goes under cauls.
    expect(as(begun(), 'epoxy')).toEqual({ goes: 'one', cauls: false });
    expect(as(begun(`${ring.id}/first`), 'epoxy')).toEqual({ goes: 'two', cauls: false });
    expect(as(begun(`${ring.id}/first`, ring.id), 'epoxy')).toEqual({ goes: 'two', cauls: false });
    expect(as(begun(ring.id), 'yellow')).toEqual({ goes: 'one', cauls: true });
  });

  test('cauls save no clamps under a piece or two', () => {
    const two = assembliesOf(ink)[0]!.glueUps[0]!;
    expect(caulsFor(ink, two)).toBeNull();
    expect(caulsFor(ink, ring)).toMatchObject({ cauls: 4, clamps: { value: 4 } });
  });

  test('the label of the bottle at hand goes before the usual figures', () => {
    const shop = { ...starterWorkshop().shop, labels: { glues: { yellow: { openMin: 16, clampMin: 30, cureMin: 720, leastC: 7 } }, finishes: {} } };
    expect(glueOf('yellow', shop)).toMatchObject({ name: 'yellow wood glue', openMin: 16, cureMin: 720, leastC: 7 });
    expect(closed({}, shop).way).toEqual({ goes: 'one', cauls: false });
  });
});
