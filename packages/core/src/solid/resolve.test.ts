import { describe, expect, test } from '@jest/globals';
import { mm, ZERO } from '../length/length.ts';
import { explainedLength, plus } from '../explained/explained-length.ts';
import type { Joint, Connection } from './connection.ts';
import { extentOf, frame, rectangle, type Panel } from './panel.ts';
import { resolve } from './resolve.ts';
import { ALONG, OUT, UP, vector } from './vector.ts';

const panel = (id: string, at: ReturnType<typeof frame>, length: number, width: number, thickness = 18): Panel => ({
  id,
  role: 'shelf',
  name: { key: 'shelf', of: '1' },
  frame: at,
  outline: rectangle(mm(length), mm(width)),
  thickness: mm(thickness),
  thicknessFrom: { kind: 'nominal', product: 'p' },
  length: explainedLength([plus('width', mm(length))]),
  width: explainedLength([plus('depth', mm(width))]),
  stock: 'p',
  grain: 'length',
  bands: [],
  bandThickness: ZERO,
  cuts: [],
  onWall: false,
});
const dado: Joint = { kind: 'dado', depth: mm(6), endPlay: mm(0.25), play: mm(0.1), glue: true, fastening: null };
/** An upright 18 thick from 0 to 18 along, and a level board from its inner face. */
const side = panel('side', frame(vector(0, 0, 0), UP, OUT), 800, 280);
const level = (degrees: number): Panel => {
  const turn = (degrees * Math.PI) / 180;
  const u = { along: Math.cos(turn), up: Math.sin(turn), out: 0 };
  return panel('level', frame(vector(18e6, 400e6, 0), degrees === 0 ? ALONG : u, OUT), 500, 280);
};
const connection: Connection = { id: 'm', guest: 'level', edge: 'start', host: 'side', face: 'other', joint: dado };

describe('a meeting', () => {
  test('moves the guest in by the depth less the end play, and cuts the host wider by the play', () => {
    const [host, guest] = resolve([side, level(0)], [connection]);
    expect(guest!.length.value).toBe(mm(505.75)); // 500 + 6 − 0.25
    expect(extentOf(guest!.outline, 'u')).toEqual({ from: -5.75e6, to: 500e6 });
    expect(host!.slots).toHaveLength(1);
    expect(host!.slots[0]).toMatchObject({ kind: 'dado', depth: mm(6), face: 'other' });
    expect(host!.slots[0]!.far - host!.slots[0]!.near).toBe(mm(18.1));
  });

  test('a guest that leans by t gets a bevel of t and a slot of thickness / cos t + depth tan t', () => {
    const [host, guest] = resolve([side, level(8)], [connection]);
    const slot = host!.slots[0]!;
    const t = (8 * Math.PI) / 180;
    expect((slot.far - slot.near) / 1e6).toBeCloseTo(18.1 / Math.cos(t) + 6 * Math.tan(t), 4);
    expect(Math.abs(guest!.outline.find(({ id }) => id === 'start')!.bevel)).toBeCloseTo(8, 9);
  });

  test('an edge that two panels claim, a panel that is not there and an edge that faces away are our own mistakes, and throw', () => {
    expect(() => resolve([side, level(0)], [connection, { ...connection, id: 'n' }])).toThrow(/meets two panels/);
    expect(() => resolve([side], [connection])).toThrow(/not there/);
    expect(() => resolve([side, level(0)], [{ ...connection, edge: 'end' }])).toThrow(/does not face/);
  });

  test('the order of the lists does not matter', () => {
    const forwards = resolve([side, level(0)], [connection]);
    const backwards = resolve([level(0), side], [connection]);
    expect(backwards).toEqual([forwards[1], forwards[0]]);
  });
});
