/** What is proposed can be built and hung: no set-out, room filled, rounding or variant comes with a stop that was not there. */
import { describe, expect, test } from '@jest/globals';
import { smallestBox } from '../contents/smallest-box.ts';
import { entered } from '../length/entered.ts';
import { mm } from '../length/length.ts';
import { seeded } from '../random/random.ts';
import { isShelfBox } from '../cabinets/families.ts';
import { FAMILY_IDS, newSpec } from '../test/family-units.ts';
import { printRoom } from '../test/print-room.ts';
import { findingWords } from '../checks/words/findings.ts';
import type { Design } from '../model/design.ts';
import { applyEdit } from '../model/edit.ts';
import { createPlanner, type Plan } from '../planner/plan.ts';
import { fillRoom, roomsFor } from './fit-space.ts';
import { addCabinet, proposeBox, withBox } from './propose-box.ts';
import { redesign } from './redesign.ts';
import { newStops } from './issue-fixes.ts';
import { insideOf, kgOf, setOutJob, type SetOutWish } from './set-out-plan.ts';
import type { Item } from '../model/item.ts';

const { design: room, record, workshop } = printRoom();

const thing = (id: string, count: number, width: number, depth: number, height: number, kg = 0.4): Item =>
  ({
    id,
    order: 1,
    name: id,
    width: entered(`${width} mm`),
    depth: entered(`${depth} mm`),
    height: entered(`${height} mm`),
    count,
    growth: 0,
    stands: 'upright',
    turned: true,
    stack: 1,
    deep: 1,
    lift: null,
    near: '',
    reach: 'seldom',
    kg,
    material: null,
    homes: {},
  }) as never;

/** What a finding stands for, for telling a new one from one that was there. */
const stopsOf = ({ findings }: Plan, unit: string): string[] =>
  findings.filter((each) => each.unit === unit && each.severity === 'stop').map((each) => `${each.check}: ${findingWords(each, 'mm').says}`);

const ids = () => {
  let n = 0;
  return () => `new${n++}`;
};

function proposed(items: readonly Item[], limits: readonly [number, number, number]): string[] {
  const design: Design = { ...room, units: {}, items: Object.fromEntries(items.map((item) => [item.id, item])) };
  const spec = newSpec('shelf-box');
  if (!isShelfBox(spec)) throw new Error('a shelf box was asked for');
  const [width, depth, height] = limits.map((each) => mm(each)) as [never, never, never];
  const wish: SetOutWish = { mode: 'smallest', width, depth, height, grow: true, takeUnplaced: true };
  const planner = createPlanner();
  const { design: within, cabinetPlan } = withBox(planner, design, record, workshop, spec);
  const { frame } = insideOf(cabinetPlan);
  const search = smallestBox(setOutJob(within, cabinetPlan, wish), kgOf, frame);
  search.step(20);
  const found = search.best();
  if (found.levels.length === 0) return [];
  const { edit } = proposeBox(planner, design, record, workshop, spec, wish, found, ids());
  return stopsOf(planner.plan(applyEdit(design, edit), record, workshop), spec.id);
}

test('low things in a box of their own: the hanging rail keeps its room', () => {
  const items = [
    thing('a', 8, 230, 280, 12),
    thing('b', 6, 125, 125, 20),
    thing('c', 1, 125, 230, 160),
    thing('d', 3, 70, 120, 45),
    thing('e', 2, 95, 110, 110),
  ];
  expect(proposed(items, [600, 360, 600])).toEqual([]);
});

test.each(Array.from({ length: 30 }, (_, n) => n + 1))('random things in a box of their own %i', (seed) => {
  const random = seeded(seed);
  const between = (least: number, most: number) => Math.round(least + random() * (most - least));
  const items = Array.from({ length: between(1, 9) }, (_, n) =>
    thing(`i${n}`, between(1, 12), between(20, 280), between(20, 300), between(10, 320), between(1, 40) / 10),
  );
  expect(proposed(items, [between(300, 1200), between(150, 450), between(300, 1200)])).toEqual([]);
});

describe.each(FAMILY_IDS.flatMap((family) => (['mm', 'in'] as const).map((unit) => ({ family, unit }))))('$family in $unit', ({ family, unit }) => {
  const planner = createPlanner();
  const empty: Design = { ...room, units: {} };
  const tried = { planner, design: empty, record, workshop };
  const { edit, stops } = addCabinet(tried, newSpec(family, unit));
  const design = applyEdit(empty, edit);
  const [placed] = planner.plan(design, record, workshop).cabinets;

  test('added, it hangs over studs without a stop', () => {
    expect(stops).toEqual([]);
    expect(stopsOf(planner.plan(design, record, workshop), 'u1')).toEqual([]);
  });

  test('in round numbers of the other unit', () => {
    expect(newStops({ ...tried, design }, 'u1', redesign(design.units['u1']!, unit === 'mm' ? 'in' : 'mm').edit)).toEqual([]);
  });

  if (unit === 'in') return;
  test('filling the largest free space', () => {
    const rooms = roomsFor(design, [placed!.block], placed!.block.out, { above: mm(30), beside: 0, below: 0 }, ['u1']).slice(0, 1);
    for (const free of rooms) {
      const sizes = fillRoom({ ...tried, design }, design.units['u1']!, free);
      let next = sizes.next();
      while (!next.done) next = sizes.next();
      // Where cables run is for whoever knows the wall.
      expect(stopsOf(planner.plan(applyEdit(design, next.value.edit), record, workshop), 'u1').filter((stop) => !stop.startsWith('cable-unknown'))).toEqual([]);
      const { block } = planner.plan(applyEdit(design, next.value.edit), record, workshop).byId.get('u1')!;
      expect(block.right).toBeLessThanOrEqual(free.right);
      expect(block.top).toBeLessThanOrEqual(free.top);
    }
  });
});
