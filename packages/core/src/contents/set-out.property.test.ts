/** Set-out on any things: nothing overlaps, limits are kept, pins stay, nothing is lost, and no answer beats the bound. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, type Length } from '../length/length.ts';
import { arbitraryItem } from '../test/things.ts';
import { arrange, canStand, columnOf, type ItemLot } from './arrange.ts';
import { footprintOf, SIDE_PLAY } from './item.ts';
import { reachOf } from './person.ts';
import { setOut, type SetOut } from './set-out.ts';
import { columnGroupsOf, setOutBound, type SetOutJob, type SetOutLot } from './set-out-job.ts';
import { smallestBox } from './smallest-box.ts';

const kgOf = ({ kg }: { readonly kg: number | null }): number => kg ?? 0;

const arbitraryJob: fc.Arbitrary<SetOutJob> = fc
  .record({
    items: fc.integer({ min: 1, max: 14 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, index) => arbitraryItem(`i${index}`)))),
    pins: fc.array(fc.tuple(fc.nat(13), fc.constantFrom('bottom', 's1', 's2')), { maxLength: 3 }),
    width: fc.integer({ min: 150, max: 1500 }),
    depth: fc.integer({ min: 80, max: 350 }),
    height: fc.integer({ min: 200, max: 2500 }),
    grow: fc.boolean(),
    top: fc.constantFrom(0, 0, 60, 90, 200),
  })
  .map(({ items, pins, width, depth, height, grow, top }) => {
    const lots = items.flatMap((item, index): SetOutLot[] => {
      const pin = pins.find(([of]) => of === index);
      return [{ item, count: item.count, pinned: pin !== undefined, on: pin?.[1] ?? null }];
    });
    return {
      lots,
      width: mm(width),
      depth: mm(depth),
      height: mm(height),
      thickness: mm(18),
      topHeight: mm(top),
      floorUp: mm(1300),
      zone: reachOf(mm(1720)),
      elements: ['bottom', 's1', 's2'],
      maxLevels: 12,
      grow,
    };
  });

const found = (job: SetOutJob, steps = 40): SetOut => {
  const search = setOut(job, kgOf, 3);
  search.step(steps);
  return search.best();
};

/** No two boxes share room. */
function overlaps(lots: readonly ItemLot[], width: Length, depth: Length, height: Length): boolean {
  const { spots } = arrange(lots, { width, depth, height });
  const boxes = spots.map(({ along, out, up, foot }) => ({ x: [along, along + foot.along], y: [out, out + foot.out], z: [up, up + foot.up] }) as const);
  return boxes.some((a, i) => boxes.slice(i + 1).some((b) => (['x', 'y', 'z'] as const).every((axis) => a[axis][0] < b[axis][1] && b[axis][0] < a[axis][1])));
}

test('what is set out stands in its floors without touching, and within the limits', () => {
  fc.assert(
    fc.property(arbitraryJob, (job) => {
      const { levels, height } = found(job);
      expect(height).toBeLessThanOrEqual(job.height);
      if (levels.length > 0) expect(levels.at(-1)!.height).toBeGreaterThanOrEqual(job.topHeight);
      expect(levels.length).toBeLessThanOrEqual(job.maxLevels);
      for (const level of levels) {
        const arranged = arrange(level.lots, { width: job.width, depth: job.depth, height: level.height });
        expect(arranged.left).toEqual([]);
        expect(overlaps(level.lots, job.width, job.depth, level.height)).toBe(false);
        for (const { along, out, up, foot } of arranged.spots) {
          expect(along).toBeGreaterThanOrEqual(SIDE_PLAY);
          expect(along + foot.along).toBeLessThanOrEqual(job.width - SIDE_PLAY);
          expect(out).toBeGreaterThanOrEqual(0);
          expect(out + foot.out).toBeLessThanOrEqual(job.depth);
          expect(up + foot.up).toBeLessThanOrEqual(level.height);
        }
        for (const { item } of level.lots) expect(canStand(item, { width: job.width, depth: job.depth, height: level.height })).toBe(true);
      }
    }),
    { numRuns: 120 },
  );
});

test('nothing is lost or invented: all is placed, left over, or said to be impossible', () => {
  fc.assert(
    fc.property(arbitraryJob, (job) => {
      const { levels, left, impossible } = found(job);
      for (const { item, count } of job.lots) {
        const placed = levels.flatMap(({ lots }) => lots).reduce((sum, lot) => sum + (lot.item === item ? lot.count : 0), 0);
        const rest = [...left, ...impossible].reduce((sum, row) => sum + (row.item === item ? row.count : 0), 0);
        expect(placed + rest).toBe(count);
      }
      for (const { item, why } of impossible) {
        const foot = footprintOf(item);
        const column = columnOf(item, job.depth, job.height);
        expect({ 'too-deep': foot.out > job.depth, 'too-wide': column.width > job.width, 'too-tall': column.height > job.height }[why]).toBe(true);
      }
    }),
    { numRuns: 120 },
  );
});

test('what is pinned stays on its element, and elements keep their order', () => {
  fc.assert(
    fc.property(arbitraryJob, (job) => {
      const { levels, left, impossible } = found(job);
      for (const { item, on } of job.lots) {
        if (on === null || [...left, ...impossible].some((row) => row.item === item)) continue;
        for (const level of levels) if (level.lots.some((lot) => lot.item === item)) expect(level.on).toBe(on);
      }
      const order = levels.flatMap(({ on }) => (on === null ? [] : [job.elements.indexOf(on)]));
      expect(order).toEqual([...order].sort((a, b) => a - b));
      if (order[0] === 0) expect(levels[0]!.on).toBe('bottom');
      if (order.length > 0 && order[0]! > 0) expect(levels[0]!.on).not.toBe(job.elements[order[0]!]);
    }),
    { numRuns: 120 },
  );
});

test('no answer is lower than the bound, more tries never make it worse, and the same seed gives the same', () => {
  fc.assert(
    fc.property(arbitraryJob, (job) => {
      const search = setOut(job, kgOf, 5);
      const first = search.cost;
      search.step(60);
      expect(search.cost).toBeLessThanOrEqual(first);
      const best = search.best();
      if (best.left.length === 0 && best.ungrown.length === 0 && best.impossible.length === 0) expect(best.height).toBeGreaterThanOrEqual(best.bound);
      const again = setOut(job, kgOf, 5);
      again.step(60);
      expect(again.best()).toEqual(best);
    }),
    { numRuns: 60 },
  );
});

test('the bound by hand: 900 mm of 200 and 500 mm of 100 high on floors of 1000', () => {
  const job: SetOutJob = {
    lots: [],
    width: mm(1000),
    depth: mm(300),
    height: mm(2000),
    thickness: mm(18),
    topHeight: mm(0),
    floorUp: mm(1000),
    zone: reachOf(mm(1720)),
    elements: ['bottom'],
    maxLevels: 9,
    grow: false,
  };
  const { pieces } = columnGroupsOf(job, kgOf);
  expect(setOutBound(pieces, job)).toBe(0);
  const column = (width: number, height: number) => ({ foot: { along: mm(1), out: mm(1), up: mm(1) }, rows: 1, high: 1, width: mm(width), height: mm(height) });
  const piece = (width: number, height: number, columns: number) => ({
    item: {} as never,
    column: column(width, height),
    columns,
    count: columns,
    growth: 0,
    kg: 0,
    on: null,
  });
  // The first level is 200 high, the second at least the column that covers 1000 mm: 100; a shelf between.
  expect(setOutBound([piece(100, 200, 9), piece(100, 100, 5)], job)).toBe(mm(200 + 100 + 18));
  // A rail of 240 mm under the top: one of the two must be as high.
  expect(setOutBound([piece(100, 200, 9), piece(100, 100, 5)], { ...job, topHeight: mm(240) })).toBe(mm(240 + 100 + 18));
});

test('the smallest box is within its limits and no deeper than its deepest column', () => {
  fc.assert(
    fc.property(arbitraryJob, (job) => {
      const search = smallestBox(job, kgOf, { width: mm(36), height: mm(36) });
      search.step(30);
      const { width, depth, height, levels } = search.best();
      expect(width).toBeLessThanOrEqual(job.width);
      expect(depth).toBeLessThanOrEqual(job.depth);
      expect(height).toBeLessThanOrEqual(job.height);
      for (const { lots, height: high } of levels) expect(arrange(lots, { width, depth, height: high }).left).toEqual([]);
    }),
    { numRuns: 40 },
  );
});

test('heavy things stand low and daily ones between hip and eye', () => {
  const job = (lots: SetOutLot[]): SetOutJob => ({
    lots,
    width: mm(250),
    depth: mm(200),
    height: mm(1200),
    thickness: mm(18),
    topHeight: mm(0),
    floorUp: mm(900),
    zone: reachOf(mm(1720)),
    elements: ['bottom'],
    maxLevels: 6,
    grow: false,
  });
  const item = fc.sample(arbitraryItem('a'), { numRuns: 1, seed: 1 })[0]!;
  const block = { ...item, turned: false, stands: 'upright' as const, stack: 1, deep: 1, near: '', growth: 0 };
  const size = (id: string, kg: number, reach: 'daily' | 'seldom') => ({
    ...block,
    id,
    kg,
    reach,
    width: { text: '200 mm', nm: mm(200) },
    depth: { text: '150 mm', nm: mm(150) },
    height: { text: '150 mm', nm: mm(150) },
    count: 1,
  });
  const lots = [size('light', 1, 'seldom'), size('heavy', 20, 'seldom'), size('daily', 2, 'daily')].map((each) => ({
    item: each,
    count: 1,
    pinned: false,
    on: null,
  }));
  const { levels } = found(job(lots), 60);
  const order = levels.map((level) => level.lots[0]!.item.id);
  expect(order[0]).toBe('heavy');
  expect(order.indexOf('daily')).toBeGreaterThan(0);
});

test('room to grow that is not there is said: three columns of five on a pinned floor', () => {
  const tin = {
    ...fc.sample(arbitraryItem('t'), { numRuns: 1, seed: 2 })[0]!,
    stands: 'upright' as const,
    turned: false,
    stack: 1,
    deep: 1,
    near: '',
    lift: null,
  };
  const item = {
    ...tin,
    width: { text: '32 mm', nm: mm(32) },
    depth: { text: '50 mm', nm: mm(50) },
    height: { text: '60 mm', nm: mm(60) },
    count: 2,
    growth: 3,
  };
  const { ungrown, left } = found({
    lots: [{ item, count: 2, pinned: true, on: 'bottom' }],
    width: mm(150),
    depth: mm(100),
    height: mm(200),
    thickness: mm(18),
    topHeight: mm(0),
    floorUp: mm(1000),
    zone: reachOf(mm(1720)),
    elements: ['bottom'],
    maxLevels: 4,
    grow: true,
  });
  // 38 mm a column with its play: three in 150 mm, five wanted.
  expect([left, ungrown.map(({ count }) => count)]).toEqual([[], [2]]);
});
