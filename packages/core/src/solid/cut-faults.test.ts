/** Cuts a panel has no room for, on a plain board of 400 by 90 mm. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm } from '../length/length.ts';
import { cutFaults, type HoleRow } from './cut-faults.ts';
import { rectangle, type PanelCut } from './panel.ts';
import type { ResolvedPanel } from './resolve.ts';

const board = (cuts: readonly PanelCut[] = []): ResolvedPanel => ({ outline: rectangle(mm(400), mm(90)), cuts }) as unknown as ResolvedPanel;
const notch = (at: number, width: number, depth: number, round = false, id = 'n'): PanelCut => ({
  kind: 'notch',
  id,
  edge: 'near',
  at: mm(at),
  width: mm(width),
  depth: mm(depth),
  round,
  reason: { key: 'cleat-notch' },
});
const kinds = (cuts: readonly PanelCut[], holes: readonly HoleRow[] = []): string[] => cutFaults(board(cuts), holes).map(({ kind }) => kind);

test('a notch leaves wood behind it, or is said to cut the board through', () => {
  expect(kinds([notch(200, 50, 80)])).toEqual([]);
  expect(kinds([notch(200, 50, 90)])).toEqual(['parted']);
  expect(kinds([notch(200, 500, 200)])).toEqual(['parted']);
});

test('a square notch may run out at a corner, a round one may not', () => {
  expect(kinds([notch(10, 50, 30)])).toEqual([]);
  expect(kinds([notch(10, 50, 30, true)])).toEqual(['off-end']);
  expect(kinds([notch(390, 50, 30, true)])).toEqual(['off-end']);
});

test('two round notches keep wood between them', () => {
  expect(kinds([notch(100, 50, 30, true), notch(160, 50, 30, true, 'm')])).toEqual([]);
  expect(kinds([notch(100, 50, 30, true), notch(150, 50, 30, true, 'm')])).toEqual(['into-another']);
});

test('a hole has wood all round it exactly where its circle lies within the board and clear of its notch', () => {
  const hole = (u: number, v: number, d: number): HoleRow => ({
    on: 'reference',
    at: { u: mm(u), v: mm(v) },
    step: { u: mm(0), v: mm(0) },
    count: 1,
    diameter: mm(d),
    purpose: 'screw',
  });
  fc.assert(
    fc.property(fc.integer({ min: -20, max: 420 }), fc.integer({ min: -20, max: 110 }), fc.integer({ min: 2, max: 30 }), (u, v, d) => {
      const rim = d / 2 + 0.5;
      // By hand: distance to the four edges, and to the rectangle of the notch from 175 to 225, 30 deep.
      const within = Math.min(u, 400 - u, v, 90 - v) >= rim;
      const toNotch = Math.hypot(Math.max(0, 175 - u, u - 225), Math.max(0, v - 30));
      expect(kinds([notch(200, 50, 30)], [hole(u, v, d)])).toEqual(within && toNotch >= rim ? [] : ['hole-off']);
    }),
    { numRuns: 400 },
  );
});
