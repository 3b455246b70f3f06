/** Stack, router, angles and the choice of fewest settings, each against a search of everything or plain geometry. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { enteredFromNm } from '../length/entered.ts';
import type { Length } from '../length/length.ts';
import { newBit } from '../stock/shop.ts';
import { compound, tiltFor } from './angles.ts';
import { minimumSetCover } from './set-cover.ts';
import { DEEPEST_PASS, edgeOffset, routerFor } from './router.ts';
import type { OperationWay } from './setting.ts';
import { SLOT_WITHIN, stackFor } from './dado-stack.ts';
import type { Bit, DadoStack } from '../model/shop.ts';

const UM = 1000;
const leaves = (most: number) => fc.array(fc.integer({ min: 20, max: 3300 }), { maxLength: most }).map((row) => row.map((um) => enteredFromNm(um * UM)));
const arbitraryStack: fc.Arbitrary<DadoStack> = fc.record({
  outer: fc.integer({ min: 3000, max: 8000 }).map((um) => enteredFromNm(um * UM)),
  chippers: leaves(4),
  shims: leaves(5),
  over: fc.integer({ min: -200, max: 300 }).map((um) => enteredFromNm(um * UM)),
});

/** Every stack there is: the widest that cuts no wider than asked and fits the arbor. */
function widestByHand({ outer, chippers, shims, over }: DadoStack, width: number, room: number): number | null {
  const all = [...chippers, ...shims].map(({ nm }) => nm);
  let best: number | null = null;
  for (let mask = 0; mask < 1 << all.length; mask++) {
    const thick = outer.nm + all.reduce<number>((sum, nm, n) => sum + (mask & (1 << n) ? nm : 0), 0);
    const cuts = thick + over.nm;
    if (thick <= room && cuts <= width + SLOT_WITHIN && (best === null || cuts > best)) best = cuts;
  }
  return best;
}

describe('a dado stack', () => {
  test('is the one a search of all leaves finds; a second pass takes exactly what is left', () => {
    fc.assert(
      fc.property(arbitraryStack, fc.integer({ min: 2000, max: 26_000 }), fc.integer({ min: 6000, max: 22_000 }), (stack, um, roomUm) => {
        const [width, room] = [um * UM, roomUm * UM];
        const set = stackFor(stack, width as Length, room as Length);
        const best = widestByHand(stack, width, room);
        if (best === null || width - best > best) return expect(set).toBeNull();
        expect(set!.cuts).toBe(best);
        expect(set!.cuts).toBe(stack.outer.nm + [...set!.chippers, ...set!.shims].reduce((sum, nm) => sum + nm, 0) + stack.over.nm);
        expect(Math.abs(set!.cuts + set!.over - width)).toBeLessThanOrEqual(SLOT_WITHIN);
      }),
      { numRuns: 400 },
    );
  });
  test('that cuts 0.1 mm over is built 0.1 mm thinner', () => {
    const stack: DadoStack = {
      outer: enteredFromNm(6.4e6),
      chippers: [3.2e6, 3.2e6].map(enteredFromNm),
      shims: [0.1e6, 0.2e6, 0.3e6].map(enteredFromNm),
      over: enteredFromNm(0),
    };
    const wanted = 13_100_000 as Length; // 6.4 + 3.2 + 3.2 + 0.3
    const room = 20_000_000 as Length;
    expect(stackFor(stack, wanted, room)).toEqual({ chippers: [3_200_000, 3_200_000], shims: [300_000], cuts: 13_100_000, over: 0 });
    const said = stackFor({ ...stack, over: enteredFromNm(100_000) }, wanted, room)!;
    expect(said.shims).toEqual([200_000]);
    expect(said.cuts).toBe(13_100_000);
  });
});

describe('a router', () => {
  const arbitraryBits: fc.Arbitrary<Bit[]> = fc
    .uniqueArray(fc.integer({ min: 20, max: 250 }), { minLength: 1, maxLength: 6 })
    .map((tenths) => tenths.map((each, n) => ({ ...newBit(`b${n}`, n, 'straight', '1 mm'), diameter: enteredFromNm(each * 100_000) })));
  test('takes the widest bit that is not too wide, in the fewest passes across and down', () => {
    fc.assert(
      fc.property(arbitraryBits, fc.integer({ min: 10, max: 400 }), fc.integer({ min: 1, max: 30 }), (bits, tenths, deep) => {
        const [width, depth] = [tenths * 100_000, deep * 1_000_000];
        const set = routerFor(bits, width as Length, depth as Length, 25_000_000 as Length);
        const fitting = bits.map(({ diameter }) => diameter.nm).filter((nm) => nm <= width + SLOT_WITHIN);
        if (fitting.length === 0 || depth > 25_000_000) return expect(set).toBeNull();
        // Passes across each bit would want; none wants fewer than the one taken.
        const passes = fitting.map((nm) => (width - nm <= SLOT_WITHIN ? 1 : 1 + Math.ceil((width - nm) / nm)));
        expect(1 + set!.over.length).toBe(Math.min(...passes));
        expect(Math.abs(set!.cuts + (set!.over.at(-1) ?? 0) - width)).toBeLessThanOrEqual(SLOT_WITHIN);
        // No pass leaves wood standing between it and the one before.
        [0, ...set!.over].reduce((before, over) => (expect(over - before).toBeLessThanOrEqual(set!.cuts), over));
        const bit = bits.find(({ id }) => id === set!.bit)!;
        expect(set!.eachDown).toBeLessThanOrEqual(Math.min(bit.diameter.nm / 2, DEEPEST_PASS));
        expect(set!.down * set!.eachDown).toBeGreaterThanOrEqual(depth);
        expect((set!.down - 1) * Math.min(bit.diameter.nm / 2, DEEPEST_PASS)).toBeLessThan(depth);
      }),
      { numRuns: 400 },
    );
  });
  test('runs along an edge that lies its base less its cutter from the wall', () => {
    const router = { id: 'r', order: 0, kind: 'router' as const, name: 'router', base: enteredFromNm(75e6), deep: enteredFromNm(50e6) };
    expect(edgeOffset(router, 12_000_000 as Length)).toBe(69_000_000);
  });
});

describe('angles', () => {
  test('are read from square and from 90; past the tilt the piece stands on edge', () => {
    expect(tiltFor(8, 45)).toEqual({ deg: 8, from90: 82, standing: false });
    expect(tiltFor(60, 45)).toEqual({ deg: 30, from90: 60, standing: true });
    expect(tiltFor(44, 20)).toBeNull();
  });

  /** Wall k of an n-sided box that leans out by `slope`: its inward normal, and the line where it meets the next. */
  test('of a box whose sides lean are those of the walls themselves', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 12 }), fc.double({ min: 0, max: 80, noNaN: true }), (n, slope) => {
        const lean = (slope * Math.PI) / 180;
        const wall = (k: number): [number, number, number] => {
          const turn = (2 * Math.PI * k) / n;
          return [-Math.cos(turn) * Math.cos(lean), -Math.sin(turn) * Math.cos(lean), Math.sin(lean)];
        };
        const [a, b] = [wall(0), wall(1)];
        const dot = (x: readonly number[], y: readonly number[]): number => x.reduce((sum, each, i) => sum + each * y[i]!, 0);
        const { gaugeDeg, tiltDeg } = compound(n, slope);
        // The blade leans from square by half of what the walls turn towards one another.
        expect(tiltDeg).toBeCloseTo((Math.acos(Math.min(1, dot(a, b))) * 90) / Math.PI, 6);
        // The corner runs along both walls; in the plane of a wall it leans from straight up by what the gauge turns.
        const corner = [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
        const upWall = [Math.sin(lean), 0, Math.cos(lean)];
        const size = Math.sqrt(dot(corner, corner));
        expect(gaugeDeg).toBeCloseTo((Math.acos(Math.min(1, Math.abs(dot(corner, upWall)) / size)) * 180) / Math.PI, 5);
      }),
      { numRuns: 200 },
    );
  });
});

describe('fewest settings', () => {
  const way = (key: string, trouble: number): OperationWay => ({
    setting: { key, machine: 'm', held: 'fence' },
    against: null,
    face: null,
    longer: false,
    trouble,
  });
  const arbitraryCandidates = fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 8 }), { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 10 });

  test('are as few as a search of every set of settings finds, and of as few the least trouble', () => {
    fc.assert(
      fc.property(arbitraryCandidates, fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 9, maxLength: 9 }), (rows, troubles) => {
        const candidates = new Map(rows.map((keys, n) => [`o${n}`, keys.map((key) => way(`k${key}`, troubles[key]!))]));
        let least = { settings: Infinity, trouble: Infinity };
        for (let mask = 0; mask < 512; mask++) {
          const taken = Array.from({ length: 9 }, (_, key) => key).filter((key) => mask & (1 << key));
          if (!rows.every((keys) => keys.some((key) => taken.includes(key)))) continue;
          const trouble = taken.reduce((sum, key) => sum + troubles[key]!, 0);
          if (taken.length < least.settings || (taken.length === least.settings && trouble < least.trouble)) least = { settings: taken.length, trouble };
        }
        const { ways, proved } = minimumSetCover(candidates);
        const used = new Set([...ways.values()].map(({ setting }) => setting.key));
        expect(proved).toBe(true);
        expect(ways.size).toBe(rows.length);
        expect(used.size).toBe(least.settings);
        for (const [operation, chosen] of ways) expect(candidates.get(operation)!.map(({ setting }) => setting.key)).toContain(chosen.setting.key);
      }),
      { numRuns: 300 },
    );
  });
  test('an operation nothing can make is left out, not given a setting', () => {
    const { ways } = minimumSetCover(
      new Map([
        ['a', []],
        ['b', [way('k', 0)]],
      ]),
    );
    expect([...ways.keys()]).toEqual(['b']);
  });
});
