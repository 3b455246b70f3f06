/** What joints are worth by what holds them: docs/formulas/joint-capacity.md and pin-capacity.md, figure by figure. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

/** The capacity of the joint of shelf 1, butt jointed, held by one thing alone. */
function capacity(more: Partial<ShelfBox>, assembly: Partial<ShelfBox['assembly']> = {}): number {
  const base = boxOf();
  const { hang } = aloneBox({ ...base, shelfJoint: 'butt', glue: false, ...more, assembly: { ...base.assembly, ...assembly } });
  const link = hang.links.find(({ id }) => id === 'joint-u1/shelf/s1')!;
  return link.use.terms.find(({ symbol }) => symbol === 'capacity')!.value;
}

describe('one end of a shelf of 18 mm birch, 294 deep, butt against a side', () => {
  test('glue alone: 294 · 18 · 0.17', () => {
    expect(capacity({ glue: true })).toBeCloseTo(294 * 18 * 0.17, 6);
  });
  test('pocket screws: 130 N each', () => {
    expect(capacity({}, { by: 'pockets', perJoint: 3 })).toBe(390);
  });
  test('brads: 29 N each, whatever their length; with glue the glue alone counts, being stronger', () => {
    expect(capacity({}, { by: 'brads', perJoint: 4 })).toBe(116);
    expect(capacity({ glue: true }, { by: 'brads', perJoint: 4 })).toBeCloseTo(294 * 18 * 0.17, 6);
  });
  test('dowels hold only in glue', () => {
    expect(capacity({}, { by: 'dowels', perJoint: 4 })).toBe(0);
    expect(capacity({ glue: true }, { by: 'dowels', perJoint: 12 })).toBe(1200);
  });
  test('screws: in proportion to how many, and none where they do not reach through the side', () => {
    const one = capacity({}, { by: 'screws', perJoint: 1 });
    expect(capacity({}, { by: 'screws', perJoint: 5 })).toBeCloseTo(5 * one, 9);
    expect(capacity({}, { by: 'screws', perJoint: 5, length: entered('18 mm') })).toBe(0);
  });
  test('nothing at all is nothing', () => {
    expect(capacity({})).toBe(0);
  });
  test('glue on the end grain of a solid shelf is nothing; its screws still hold', () => {
    expect(capacity({ glue: true, stock: 'pine-panel-18' })).toBe(0);
    expect(capacity({ glue: true, stock: 'pine-panel-18' }, { by: 'screws', perJoint: 2 })).toBeGreaterThan(0);
  });
  test('a solid shelf whose grain lies as it comes may have end grain anywhere', () => {
    expect(capacity({ glue: true, stock: 'pine-panel-18', grains: { 'shelf/s1': 'free' } })).toBe(0);
  });
  test('glue on a faced side is nothing', () => {
    expect(capacity({ glue: true, stock: 'faced-board-18' })).toBe(0);
  });
});

describe('shelves on pins', () => {
  const onPins = (more: Partial<ShelfBox> = {}): number => {
    const base = boxOf();
    const shelves = Object.fromEntries(Object.entries(base.shelves).map(([id, shelf]) => [id, { ...shelf, fixing: 'pins' as const }]));
    return capacity({ shelves, ...more });
  };
  // q = 23 · 5 = 115; holes 9 deep in 18, 1 mm of clearance: √(11² + 9²) − 11 = 3.2127; two pins, uneven by 1.3.
  test('5 mm pins, 9 deep: 2 · 0.9/2.2 · 115 · 3.2127 / 1.3 = 233 N an end', () => {
    expect(onPins()).toBeCloseTo((2 * 0.9 * 115 * (Math.hypot(11, 9) - 11)) / 2.2 / 1.3, 6);
    expect(onPins()).toBeCloseTo(232.5, 0);
  });
  test('thicker pins hold more in proportion, MDF about half', () => {
    const { pins } = boxOf();
    expect(onPins({ pins: { ...pins, diameter: entered('6 mm') } }) / onPins()).toBeCloseTo(6 / 5, 9);
    expect(onPins({ stock: 'mdf-18' }) / onPins()).toBeCloseTo(12 / 23, 9);
  });
});
