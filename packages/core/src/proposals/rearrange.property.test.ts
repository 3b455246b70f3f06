/** Cabinets turned round and copied: what is where afterwards, whatever was where before. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newInsert } from '../cabinets/inserts.ts';
import { entered } from '../length/entered.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { newSpec } from '../test/family-units.ts';
import { boxOf, printRoom, solidOf } from '../test/print-room.ts';
import { thing } from '../test/things.ts';
import type { Design } from '../model/design.ts';
import { applyEdit } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';
import { stockReader } from '../planner/stock-reader.ts';
import { canMirror, cutLike, mirrored, patternsFor, uncut, specFor } from './rearrange.ts';
import type { CabinetRun } from '../model/specs/cabinet-run.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

const stockOf = stockReader([], starterWorkshop());
const alone = (spec: CabinetSpec, items: Design['items'] = {}): Design => ({ ...printRoom().design, units: { [spec.id]: spec }, items });
const turned = (design: Design): Design => applyEdit(design, mirrored(design, 'u1', stockOf));

/** Any nesting of bays and shelves: each element cuts a space that is there, some at a place of their own. */
const nestings: fc.Arbitrary<ShelfBox> = fc
  .array(fc.record({ shelf: fc.boolean(), in: fc.nat(), level: fc.integer({ min: 0, max: 2 }), at: fc.option(fc.integer({ min: 8, max: 22 })) }), {
    maxLength: 7,
  })
  .map((rows) => {
    const names = ['bottom'];
    const shelves: Record<string, unknown> = {};
    const dividers: Record<string, unknown> = {};
    rows.forEach(({ shelf, in: space, level, at }, index) => {
      const id = `e${index}`;
      const element = { id, order: index, at: shelf && at !== null ? entered(`${at * 10} mm`) : null, in: names[space % names.length]!, level };
      if (shelf) shelves[id] = { ...element, fixing: 'fixed' };
      else dividers[id] = element;
      names.push(id);
    });
    const contents = Object.fromEntries(names.map((name, index) => [name, { preset: 'nothing', kg: index + 1 }]));
    return { ...boxOf({ width: entered('1400 mm'), height: entered('1400 mm') }), shelves, dividers, contents } as unknown as ShelfBox;
  })
  .filter((box) => solidOf(box).compartments.every(({ width, height }) => width.value > 40e6 && height.value > 40e6));

/** Spaces by where they are, with what they hold. */
const spaces = (spec: CabinetSpec, flip: boolean) => {
  const { compartments, outside } = solidOf(spec);
  return compartments
    .map(({ at, width, height, keptBy }) => {
      const left = flip ? outside.width.value - at.along - width.value : at.along;
      // Places are shared from the whole: turned round, a nanometer may fall to the other side.
      return { left: Math.round(left / 100), up: at.up, width: Math.round(width.value / 100), height: height.value, kg: spec.contents[keptBy]?.kg ?? null };
    })
    .sort((a, b) => a.left - b.left || a.up - b.up);
};

test('turned round, every space is where its mirror image was, with what it held', () => {
  fc.assert(
    fc.property(nestings, (box) => {
      const once = turned(alone(box)).units['u1']!;
      expect(spaces(once, true)).toEqual(spaces(box, false));
      const twice = turned(alone(once)).units['u1']!;
      expect(spaces(twice, false)).toEqual(spaces(box, false));
    }),
    { numRuns: 80 },
  );
});

describe('what goes with it', () => {
  const divided: ShelfBox = {
    ...boxOf({ shelves: 0, width: entered('900 mm') }),
    front: 'door-left',
    dividers: { v: { id: 'v', order: 1, at: entered('200 mm'), in: 'bottom', level: 0 } },
    contents: { bottom: { preset: 'books', kg: null }, v: { preset: 'light', kg: null } },
    inserts: { i: newInsert({ unit: 'mm', stock: 'birch-18' }, 'i', 1, 'v') },
  };
  const tin = thing('tin', [60, 60, 90], { homes: { u1: { bottom: { count: 1, pinned: true } }, other: { bottom: { count: 1, pinned: false } } }, count: 2 });
  const design = turned(alone(divided, { tin }));
  const box = design.units['u1'] as ShelfBox;
  test('a typed place is counted from the other end: 864 − 200 − 18', () => {
    expect(box.dividers['v']!.at!.text).toBe('646 mm');
  });
  test('contents, inserts and things stand in the same bay, which now has the other name; things elsewhere stay', () => {
    expect(box.contents).toEqual({ v: { preset: 'books', kg: null }, bottom: { preset: 'light', kg: null } });
    expect(box.inserts['i']!.in).toBe('bottom');
    expect(design.items['tin']!.homes).toEqual({ u1: { v: { count: 1, pinned: true } }, other: { bottom: { count: 1, pinned: false } } });
  });
  test('the door hangs on the other side', () => {
    expect(box.front).toBe('door-right');
  });
});

test('a run comes in the other order, its fillers and doors exchanged; a corner unit cannot be turned', () => {
  const base = newSpec('cabinet-run') as CabinetRun;
  const run: CabinetRun = { ...base, fillerLeft: entered('30 mm'), parts: { ...base.parts, c1: { ...base.parts['c1']!, front: 'door-left' } } };
  const after = turned(alone(run)).units['u1'] as CabinetRun;
  expect([after.fillerLeft, after.fillerRight]).toEqual([null, entered('30 mm')]);
  expect(
    Object.values(after.parts)
      .sort((a, b) => a.order - b.order)
      .map(({ id }) => id),
  ).toEqual(['c2', 'g1', 'c1']);
  expect(after.parts['c1']!.front).toBe('door-right');
  expect(canMirror(newSpec('corner-unit'))).toBe(false);
});

describe('a bay cut like another', () => {
  const element = (id: string, space: string, order: number) => ({ id, order, at: null, in: space, level: 0, fixing: 'fixed' as const });
  const box: ShelfBox = {
    ...boxOf({ shelves: 0, width: entered('1200 mm') }),
    dividers: { v: { id: 'v', order: 1, at: null, in: 'bottom', level: 0 } },
    shelves: { a: element('a', 'v', 1), b: element('b', 'v', 2) },
    contents: { bottom: { preset: 'nothing', kg: 1 }, v: { preset: 'nothing', kg: 2 }, a: { preset: 'nothing', kg: 3 }, b: { preset: 'nothing', kg: 4 } },
  };
  let next = 0;
  const fresh = (): string => `n${++next}`;
  test('takes the shelves of the other bay under new names, with what they were guessed to hold', () => {
    expect(patternsFor(box, 'bottom')).toEqual(['v']);
    const after = applyEdit(alone(box), cutLike(box, 'bottom', 'v', fresh)).units['u1'] as ShelfBox;
    const [left, right] = [0, 1].map((bay) => {
      const all = solidOf(after).compartments;
      const edge = solidOf(after).byId.get('u1/divider/v')!.frame.origin.along;
      return all.filter(({ at }) => at.along < edge === (bay === 0)).map(({ at, height }) => [at.up, height.value]);
    });
    expect(left).toEqual(right);
    expect(Object.keys(after.shelves)).toHaveLength(4);
    expect(after.contents['n1']).toEqual({ preset: 'nothing', kg: 3 });
  });
  test('a space is no pattern for itself or for what it holds', () => {
    expect(patternsFor(box, 'a')).not.toContain('v');
    expect(cutLike(box, 'a', 'v', fresh)).toEqual([]);
    expect(cutLike(box, 'bottom', 'nowhere', fresh)).toEqual([]);
  });
  test('and can be made whole again', () => {
    const after = applyEdit(alone(box), uncut(box, 'v')).units['u1'] as ShelfBox;
    expect(after.shelves).toEqual({});
    expect(Object.keys(after.contents).sort()).toEqual(['bottom', 'v']);
  });
});

test('in another project a unit has its own name and order, and hangs on no rail that is not there', () => {
  const { design } = printRoom();
  const railed = { ...boxOf(), hanging: { ...boxOf().hanging, wallRail: 'r1' } };
  const moved = specFor(design, railed, 'new');
  expect(moved).toMatchObject({ id: 'new', hanging: { wallRail: null } });
  expect(moved.order).toBeGreaterThan(Math.max(...Object.values(design.units).map(({ order }) => order)));
  expect(plan({ ...design, units: { ...design.units, new: moved } }, [], starterWorkshop()).byId.has('new')).toBe(true);
});
