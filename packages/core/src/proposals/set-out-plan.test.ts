/** From things to a box: a set-out taken is what the plan then holds, and a proposed box hangs where it can. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newShelfBox } from '../cabinets/shelf-box.ts';
import { setOut } from '../contents/set-out.ts';
import { smallestBox } from '../contents/smallest-box.ts';
import { entered } from '../length/entered.ts';
import { mm } from '../length/length.ts';
import { arbitraryItem } from '../test/things.ts';
import { furnishedRoom, printRoom, shelvesOf } from '../test/print-room.ts';
import { mustBeReached, overlap, thingRect } from '../wall/placed.ts';
import { countPlaced, unplacedItems } from '../planner/contents.ts';
import type { Design } from '../model/design.ts';
import { applyEdit } from '../model/edit.ts';
import { createPlanner } from '../planner/plan.ts';
import { proposeBox, withBox } from './propose-box.ts';
import { insideOf, kgOf, setOutEdit, setOutJob, type SetOutWish } from './set-out-plan.ts';
import type { Item } from '../model/item.ts';

const { record, workshop } = printRoom();
const ids = () => {
  let n = 0;
  return () => `new${n++}`;
};
const wish = (more: Partial<SetOutWish> = {}): SetOutWish => ({
  mode: 'this-box',
  width: mm(900),
  depth: mm(300),
  height: mm(900),
  grow: false,
  takeUnplaced: true,
  ...more,
});
const holding = (items: readonly Item[]): Design => ({
  ...printRoom().design,
  items: Object.fromEntries(items.map((item) => [item.id, item])),
});

const someThings = fc.integer({ min: 1, max: 10 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, index) => arbitraryItem(`i${index}`))));

test('what is taken is what then stands there: every lot on its floor, nothing without room, loads and openings follow', () => {
  fc.assert(
    fc.property(someThings, fc.constantFrom('this-box' as const, 'smallest' as const), (items, mode) => {
      const design = holding(items);
      const planner = createPlanner();
      const cabinetPlan = planner.plan(design, record, workshop).byId.get('ink')!;
      const asked = wish({ mode });
      const job = setOutJob(design, cabinetPlan, asked);
      const { frame } = insideOf(cabinetPlan);
      const search = mode === 'smallest' ? smallestBox(job, kgOf, { width: frame.width, height: frame.height }) : setOut(job, kgOf);
      search.step(25);
      const found = search.best();
      const after = applyEdit(design, setOutEdit(design, cabinetPlan, asked, found, ids()));
      const made = planner.plan(after, record, workshop).byId.get('ink')!;
      expect(made.cabinet.compartments).toHaveLength(Math.max(1, found.levels.length));
      found.levels.forEach(({ lots, height }, index) => {
        const load = made.weights.contents[index]!;
        expect(load.compartment.height.value).toBeGreaterThanOrEqual(height);
        expect(load.arrangement?.left ?? []).toEqual([]);
        const kg = lots.reduce((sum, { item, count }) => sum + kgOf(item) * count, 0);
        expect(load.mass.value).toBeCloseTo(lots.length > 0 ? kg : 0, 9);
      });
      expect(
        made.findings.filter(({ check }) => check === 'holds-too-tall' || check === 'no-room' || check === 'holds-too-deep' || check === 'shelf-outside'),
      ).toEqual([]);
      for (const item of Object.values(after.items)) {
        const rest = [...found.left, ...found.impossible].reduce((sum, row) => sum + (row.item.id === item.id ? row.count : 0), 0);
        expect(countPlaced(item, after.units)).toBe(item.count - rest);
      }
      if (mode === 'smallest') {
        const { width, height, depth } = after.units['ink']!;
        expect(width.nm).toBeLessThanOrEqual(asked.width);
        expect(height.nm).toBeLessThanOrEqual(asked.height);
        expect(depth.nm).toBeLessThanOrEqual(asked.depth);
      }
    }),
    { numRuns: 40 },
  );
});

test('setting out again keeps what is pinned on its shelf, and the shelf its id', () => {
  const [a, b] = fc.sample(arbitraryItem('a'), { numRuns: 2, seed: 4 });
  const plain = {
    stands: 'upright' as const,
    turned: false,
    stack: 1,
    deep: 1,
    near: '',
    growth: 0,
    width: entered('80 mm'),
    depth: entered('80 mm'),
    height: entered('90 mm'),
  };
  const design = holding([
    { ...a!, ...plain, id: 'a', count: 2, homes: { ink: { s2: { count: 2, pinned: true } } } },
    { ...b!, ...plain, id: 'b', count: 3, homes: {} },
  ]);
  const planner = createPlanner();
  const cabinetPlan = planner.plan(design, record, workshop).byId.get('ink')!;
  const search = setOut(setOutJob(design, cabinetPlan, wish()), kgOf);
  search.step(30);
  const after = applyEdit(design, setOutEdit(design, cabinetPlan, wish(), search.best(), ids()));
  expect(after.items['a']!.homes['ink']).toEqual({ s2: { count: 2, pinned: true } });
  expect(Object.keys(shelvesOf(after.units['ink']!))).toContain('s2');
  expect(unplacedItems(after)).toEqual([]);
});

describe('a proposed box', () => {
  const { design } = furnishedRoom();
  const box = newShelfBox({
    id: 'fresh',
    name: 'Proposed',
    order: 9,
    unit: 'mm',
    width: entered('600 mm'),
    height: entered('700 mm'),
    depth: entered('280 mm'),
    stock: 'birch-18',
    backStock: 'birch-6',
    shelves: 2,
    contents: { preset: 'general', kg: null },
    place: { along: entered('300 mm'), up: entered('1350 mm') },
  });
  const planner = createPlanner();
  const { design: within, cabinetPlan } = withBox(planner, design, record, workshop, box);
  const asked = wish({ mode: 'smallest' });
  const { frame } = insideOf(cabinetPlan);
  const search = smallestBox(setOutJob(within, cabinetPlan, asked), kgOf, { width: frame.width, height: frame.height });
  search.step(60);
  const { edit, placed } = proposeBox(planner, design, record, workshop, box, asked, search.best(), ids());
  const after = applyEdit(design, edit);
  const made = planner.plan(after, record, workshop);
  const proposed = made.byId.get('fresh')!;

  test('takes in what had no place, in one edit', () => {
    expect(unplacedItems(design).length).toBeGreaterThan(5);
    expect(unplacedItems(after)).toEqual([]);
  });
  test('hangs over two studs at least, clear of outlets, neighbours and doors, no hole in a band', () => {
    expect(placed).toBe(true);
    expect(proposed.hang.studs.length).toBeGreaterThanOrEqual(2);
    for (const thing of Object.values(after.wall.things)) if (mustBeReached(thing)) expect(overlap(proposed.block, thingRect(thing))).toBe(false);
    expect(proposed.findings.filter(({ station, severity }) => station === 'wall' && severity !== 'look')).toEqual([]);
  });
  test('where there is no room it is still proposed, and says that no place was found', () => {
    const full: Design = { ...design, wall: { ...design.wall, ceiling: entered('600 mm') } };
    expect(proposeBox(planner, full, record, workshop, box, asked, search.best(), ids()).placed).toBe(false);
  });
});
