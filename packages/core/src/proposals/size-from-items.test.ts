/** Places sized by the things that were given to them. */
import { describe, expect, test } from '@jest/globals';
import { newSpec } from '../test/family-units.ts';
import { printRoom } from '../test/print-room.ts';
import { thing } from '../test/things.ts';
import type { Design } from '../model/design.ts';
import { applyEdit } from '../model/edit.ts';
import { sizedByItems } from './size-from-items.ts';
import { plan } from '../planner/plan.ts';
import type { DrawerUnit } from '../model/specs/drawer-unit.ts';
import type { SlotRack } from '../model/specs/slot-rack.ts';
import type { ToolTill } from '../model/specs/tool-till.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** A cabinet alone with things on its spaces. */
function holding(spec: CabinetSpec, things: Readonly<Record<string, Design['items'][string]>>): Design {
  return { ...printRoom().design, units: { u1: spec }, items: things };
}
const on = (space: string, count = 1) => ({ u1: { [space]: { count, pinned: false } } });
const planned = (design: Design) => plan(design, printRoom().record, printRoom().workshop).byId.get('u1')!;
const sized = (design: Design): Design => applyEdit(design, sizedByItems(design.units['u1']!, planned(design)));

describe('a till', () => {
  const till = newSpec('tool-till') as ToolTill;
  const design = holding(till, {
    brayer: thing('brayer', [145, 60, 230], { kg: 0.9, homes: on('b1') }),
    key: thing('key', [31.2, 20, 90], { kg: 0.25, homes: on('b2') }),
  });
  test('each bay takes the name, the width, the length and the mass of its tool; a bay with nothing stays', () => {
    const { bays } = sized(design).units['u1'] as ToolTill;
    expect(bays['b1']).toMatchObject({ tool: 'thing brayer', width: { text: '145 mm' }, toolLength: { text: '230 mm' }, kg: 0.9 });
    expect(bays['b2']).toMatchObject({ tool: 'thing key', width: { text: '31.5 mm' }, toolLength: { text: '90 mm' } });
    expect(bays['b3']).toEqual(till.bays['b3']);
  });
  test('asked again there is nothing left to change', () => {
    const once = sized(design);
    expect(sizedByItems(once.units['u1']!, planned(once))).toEqual([]);
  });
});

test('drawers: a front as high as its tallest thing asks, and the thing then fits', () => {
  const drawers = newSpec('drawer-unit') as DrawerUnit;
  const design = holding(drawers, { tins: thing('tins', [80, 80, 95], { homes: on('d3', 4) }) });
  const made = sized(design);
  // 95 + 10 to open + groove 12 + bottom 7 + 20 + 15.
  expect((made.units['u1'] as DrawerUnit).drawers['d3']!.height!.text).toBe('159 mm');
  const space = planned(made).cabinet.compartments.find(({ keptBy }) => keptBy === 'd3')!;
  expect(space.height.value).toBeGreaterThanOrEqual(105_000_000);
});

describe('a slot rack', () => {
  const rack = newSpec('slot-rack') as SlotRack;
  test('flat things let it have more slots, never two of one id', () => {
    const made = sized(holding(rack, { paper: thing('paper', [300, 200, 20], { homes: on('t1') }) })).units['u1'] as SlotRack;
    // 700 − 40 − 100 over 20 + 25 to lift it out: 12, and one more.
    expect(Object.keys(made.slots)).toHaveLength(Math.floor((rack.height.nm / 1e6 - 140) / 45) + 1);
    expect(new Set(Object.values(made.slots).map(({ order }) => order)).size).toBe(Object.keys(made.slots).length);
  });
  test('tall things take empty slots out, and never one that holds something', () => {
    const made = sized(
      holding(rack, {
        rolls: thing('rolls', [200, 150, 200], { homes: { u1: { t2: { count: 1, pinned: false }, t5: { count: 1, pinned: false } } }, count: 2 }),
      }),
    ).units['u1'] as SlotRack;
    expect(Object.keys(made.slots)).toEqual(expect.arrayContaining(['t2', 't5']));
    expect(Object.keys(made.slots).length).toBeLessThan(6);
  });
});

test('a family that does not size its places, and a unit with nothing in it, change nothing', () => {
  const spec = newSpec('shelf-box');
  expect(sizedByItems(spec, planned(holding(spec, {})))).toEqual([]);
  const till = newSpec('tool-till');
  expect(sizedByItems(till, planned(holding(till, {})))).toEqual([]);
});
