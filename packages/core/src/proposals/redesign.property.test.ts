/** Units re-designed to round numbers: within limits, round, and nothing moved further than a step. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { familyOf } from '../cabinets/families.ts';
import { entered } from '../length/entered.ts';
import { mm, NM_PER } from '../length/length.ts';
import { designCodec } from '../formats/design-codec.ts';
import { FAMILY_IDS, newSpec } from '../test/family-units.ts';
import { boxOf, printRoom } from '../test/print-room.ts';
import { applyEdit } from '../model/edit.ts';
import { largestChange, redesign, roundedIn } from './redesign.ts';

describe('one length', () => {
  test.each([
    [600, 'in', '23 1/2 in'],
    [280, 'in', '11 in'],
    [96, 'in', '3 3/4 in'],
    [6, 'in', '1/4 in'],
    [0.5, 'in', '1/32 in'],
    [609.6, 'mm', '610 mm'],
    [19.05, 'mm', '19 mm'],
    [31.75, 'mm', '32 mm'],
  ] as const)('%d mm in %s: %s', (length, unit, text) => {
    expect(roundedIn(mm(length), unit, mm(0), mm(3000)).text).toBe(text);
  });
  test('is a whole step, the nearest there is within the limits', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30_000 }), fc.constantFrom('mm' as const, 'in' as const), fc.integer({ min: 0, max: 200 }), (tenths, unit, low) => {
        const least = mm(low / 10);
        const nm = Math.max(tenths * 100_000, least);
        const to = roundedIn(nm, unit, least, mm(4000));
        const step = unit === 'mm' ? NM_PER.mm / 2 : NM_PER.in / 32;
        expect(to.nm % step).toBe(0);
        expect(to.nm).toBeGreaterThanOrEqual(least);
        // Half a step of its size, or a whole one at a limit.
        expect(Math.abs(to.nm - nm)).toBeLessThanOrEqual(unit === 'mm' ? 5 * NM_PER.mm : NM_PER.in / 4);
        expect(entered(to.text).nm).toBe(to.nm);
      }),
    );
  });
});

describe.each(FAMILY_IDS)('a %s', (family) => {
  test.each(['mm', 'in'] as const)('to %s and read again; asked again nothing is left to move', (unit) => {
    const { design } = printRoom();
    const spec = newSpec(family, unit === 'mm' ? 'in' : 'mm');
    const { edit, moved } = redesign(spec, unit);
    expect(moved.length).toBeGreaterThan(3);
    const after = applyEdit({ ...design, units: { u1: spec } }, edit);
    const made = after.units['u1']!;
    expect(made.unit).toBe(unit);
    expect(redesign(made, unit).moved).toEqual([]);
    // A fold-down's gates or a corner's wing may be a step too large once all is round: the family says so then, and nothing else is wrong.
    if (!familyOf(made).faultOf?.(made)) expect(designCodec.read(designCodec.write(after), 'design').units['u1']).toEqual(made);
    for (const { path, from, to } of moved) expect({ path, far: Math.abs(from.nm - to.nm) > 4 * NM_PER.mm }).toEqual({ path, far: false });
  });
});

test('screws, boards and where it hangs stay as they are', () => {
  const { moved } = redesign(boxOf(), 'in');
  const paths = moved.map(({ path }) => path.join('.'));
  for (const kept of ['assembly.length', 'hanging.boardWidth', 'hanging.wallScrew.length', 'place.up', 'place.along']) expect(paths).not.toContain(kept);
  expect(paths).toEqual(expect.arrayContaining(['width', 'height', 'depth', 'jointDepth']));
  expect(largestChange({ unit: 'in', moved, edit: [] })).toBeGreaterThan(0);
});
