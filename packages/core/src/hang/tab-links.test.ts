/** Tabs of a slot rack: docs/formulas/tab-moment.md by hand, and where there are none. */
import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { newSpec } from '../test/family-units.ts';
import { aloneBox } from '../test/print-room.ts';
import type { SlotRack } from '../model/specs/slot-rack.ts';

const base = newSpec('slot-rack') as SlotRack;
const rack = (more: Partial<SlotRack> = {}, kg = 8): SlotRack => ({
  ...base,
  holds: 'tabs',
  tabLength: entered('80 mm'),
  contents: Object.fromEntries(Object.keys(base.slots).map((slot) => [slot, { preset: 'nothing' as const, kg }])),
  ...more,
});
const tabs = (spec: SlotRack) => aloneBox(spec).hang.links.filter(({ kind }) => kind === 'tab');

describe('8 kg across two tabs of 80, in slots 6 deep', () => {
  const { cabinet, hang } = aloneBox(rack());
  const tab = cabinet.byId.get('u1/shelf/t1/left')!;
  const B = tab.width.value / 1e6;
  const [link] = hang.links.filter(({ kind }) => kind === 'tab');
  const use = link!.use.terms[0]!.inner!;
  test('the moment is half of it over the middle of what stands out', () => {
    expect(use.terms.find(({ symbol }) => symbol === 'M')!.value).toBeCloseTo(((8 * 9.80665) / 2) * 40, 6);
  });
  test('the slot’s wood is stronger than the glue, and counts alone', () => {
    expect(use.terms.find(({ symbol }) => symbol === 'capacity')!.value).toBeCloseTo(Math.max((2.5 * B * 36) / 6, 0.35 * B * 6 * 6), 6);
    expect(use.value).toBeCloseTo((((8 * 9.80665) / 2) * 40) / ((2.5 * B * 36) / 6), 6);
  });
});

test('longer tabs, more on them and shallower slots use more', () => {
  const most = (spec: SlotRack) => Math.max(...tabs(spec).map(({ use }) => use.value));
  expect(most(rack({ tabLength: entered('100 mm') })) / most(rack())).toBeCloseTo(100 / 80, 6);
  expect(most(rack({}, 16)) / most(rack({}, 8))).toBeCloseTo(2, 9);
  expect(most(rack({ jointDepth: entered('4 mm') }))).toBeGreaterThan(most(rack()));
});

test('one link a pair; shelves from side to side have none', () => {
  expect(tabs(rack())).toHaveLength(6);
  expect(tabs(rack({ holds: 'shelves' }))).toEqual([]);
});
