import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { plan } from '../planner/plan.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { dot, plusVector, scale } from '../solid/vector.ts';
import { arbitraryCabinet } from '../test/arbitrary-cabinet.ts';
import { FAMILY_IDS, newSpec } from '../test/family-units.ts';
import { furnishedRoom, solidOf } from '../test/print-room.ts';
import { collision } from '../test/sweep.ts';
import { cornersOf } from '../solid/convex.ts';
import { assembliesOf, staysJoined, type GlueUp } from './assemblies.ts';

const room = (() => {
  const { design, record, workshop } = furnishedRoom();
  return plan(design, record, workshop);
})();

/** Groups from one end of the way they are pressed to the other. */
function alongTheWay({ byId }: ResolvedCabinet, { groups, along }: GlueUp) {
  const middle = (ids: readonly string[]): number => {
    const corners = ids.flatMap((id) => [...cornersOf(byId.get(id)!).low, ...cornersOf(byId.get(id)!).high]);
    return dot(scale(corners.reduce(plusVector), 1 / corners.length), along!);
  };
  return [...groups].sort((a, b) => middle(a) - middle(b)).map((ids) => ids.map((id) => byId.get(id)!));
}

/** Every joint that stays is closed once, and each glue-up joins what its groups have become by then. */
function faultOf(cabinet: ResolvedCabinet): string | null {
  const joined = cabinet.connections.filter((connection) => staysJoined(cabinet, connection));
  const closed = new Set<string>();
  for (const { panels, glueUps } of assembliesOf(cabinet)) {
    const bodies = new Map(panels.map((id) => [id, new Set([id])]));
    for (const { id, groups, connections } of glueUps) {
      for (const group of groups) {
        const body = bodies.get(group[0]!)!;
        if (body.size !== group.length || group.some((each) => !body.has(each))) return `${id}: ${group.join(' ')} is not one`;
      }
      for (const connection of connections) {
        if (closed.has(connection.id)) return `${connection.id} is closed twice`;
        closed.add(connection.id);
      }
      const body = new Set(groups.flat());
      for (const each of body) bodies.set(each, body);
    }
    if (bodies.get(panels[0]!)!.size !== panels.length) return `${panels.join(' ')} never become one`;
  }
  const open = joined.find(({ id }) => !closed.has(id));
  return open ? `${open.id} is never closed` : null;
}

describe('how a unit goes together', () => {
  test('sides close on what stands between them, all at once; the back comes last', () => {
    const [carcass] = assembliesOf(room.byId.get('ink')!.cabinet);
    const names = carcass!.glueUps.map(({ groups }) => groups.map((group) => group.map((id) => id.slice('ink/'.length)).join('+')));
    expect(names).toEqual([
      ['top', 'hanging-rail'],
      ['side/left', 'side/right', 'top+hanging-rail', 'bottom', 'shelf/s1', 'shelf/s2'],
      ['side/left+side/right+top+bottom+shelf/s1+shelf/s2+hanging-rail', 'back'],
    ]);
  });

  test('one more shelf leaves the names of the others alone', () => {
    const names = (shelves: number): string[] => {
      const spec = newSpec('shelf-box');
      const more = Object.fromEntries(
        Array.from({ length: shelves }, (_, n) => [`s${n}`, { id: `s${n}`, order: n, at: null, in: 'bottom', level: 0, fixing: 'fixed' }]),
      );
      return assembliesOf(solidOf({ ...spec, shelves: more } as never)).flatMap(({ glueUps }) => glueUps.map(({ id }) => id));
    };
    expect(names(3)).toEqual(names(2));
  });

  test('a drawer’s applied front is none of its box: it is set where the box runs', () => {
    for (const { kind, panels } of assembliesOf(solidOf(newSpec('drawer-unit'))))
      if (kind === 'drawer') expect(panels.some((id) => id.endsWith('applied'))).toBe(false);
  });

  test('boxes of a run are glued up before the shelf that bridges them', () => {
    const [run] = assembliesOf(solidOf(newSpec('cabinet-run')));
    const at = (part: string): number => run!.glueUps.findIndex(({ id }) => id.endsWith(part));
    expect(at('side/c1/left')).toBeGreaterThanOrEqual(0);
    expect(at('side/c1/left')).toBeLessThan(at('shelf/g1'));
    expect(at('side/c2/left')).toBeLessThan(at('shelf/g1'));
  });

  test.each(FAMILY_IDS)('%s: every joint is closed once, by pieces that are there, over random units', (family) => {
    fc.assert(
      fc.property(arbitraryCabinet(family), (spec) => {
        expect(faultOf(solidOf(spec))).toBeNull();
      }),
      { numRuns: 10 },
    );
  });

  test.each(FAMILY_IDS)('%s: pieces slide together without going through one another', (family) => {
    const cabinet = solidOf(newSpec(family));
    for (const { glueUps } of assembliesOf(cabinet))
      for (const glueUp of glueUps)
        if (glueUp.along) expect(`${glueUp.id} ${collision(alongTheWay(cabinet, glueUp), glueUp.along) ?? 'free'}`).toBe(`${glueUp.id} free`);
  });

  test('the sweep sees a shelf that is to be pushed in between sides that are there', () => {
    const { cabinet } = room.byId.get('ink')!;
    const of = (...ids: string[]) => ids.map((id) => cabinet.byId.get(`ink/${id}`)!);
    expect(collision([of('side/left', 'side/right'), of('shelf/s1')], { along: 1, up: 0, out: 0 })).not.toBeNull();
  });
});
