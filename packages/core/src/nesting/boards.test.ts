/** Boards cut to length: by hand, against every way there is for few pieces, and what any plan must obey. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, type Length } from '../length/length.ts';
import { clearStretches, cutBoards, type BoardForSale, type BoardPiece, type BoardPlan, type BoardStock } from './boards.ts';

const KERF = mm(3);
const board = (length: number, flaws: readonly (readonly [number, number])[] = [], id = 'new'): BoardStock => ({
  id,
  length: mm(length),
  flaws: flaws.map(([from, to]) => ({ from: mm(from), to: mm(to) })),
});
const sold = (length: number, price = 1, count: number | null = null): BoardForSale => ({ id: `${length}`, length: mm(length), price, count });
const pieces = (...lengths: readonly number[]): BoardPiece[] => lengths.map((length, index) => ({ id: `p${index}`, length: mm(length) }));
const lengths = (plan: BoardPlan) => plan.boards.map(({ pieces: cut }) => cut.map(({ length }) => length / 1e6));

describe('by hand', () => {
  test('three of 800 just fill 2406: two kerfs between, none at the end', () => {
    expect(cutBoards(pieces(800, 800, 800), [], [sold(2406)], KERF)).toMatchObject({
      bought: [{ id: '2406', count: 1 }],
      bound: { boards: 1 },
      proved: true,
      boards: [{ left: 0 }],
    });
    expect(cutBoards(pieces(800, 800, 800), [], [sold(2405)], KERF).bought).toEqual([{ id: '2405', count: 2 }]);
  });
  test('what is at hand comes first, round its knot', () => {
    const plan = cutBoards(pieces(700, 500, 400), [board(1300, [[600, 680]], 'at hand')], [sold(2400)], KERF);
    // 600 clear at its left, 620 at its right: 500 goes into one, 400 into the other, the 700 needs a new board.
    expect(plan.boards.map(({ stock }) => stock)).toEqual(['at hand', '2400']);
    expect(plan.boards[0]!.pieces.map(({ at, length }) => [at / 1e6, length / 1e6]).sort()).toEqual([
      [0, 500],
      [680, 400],
    ]);
    expect(plan).toMatchObject({ bought: [{ id: '2400', count: 1 }], proved: true });
  });
  test('a search finds what best fit misses: 5 pieces in two boards of 100', () => {
    // Best fit of 60, 42, 40, 30, 28 with no kerf: 60 + 40, 42 + 30 + 28; worst orders waste.
    const plan = cutBoards(pieces(60, 42, 40, 30, 28), [], [sold(100)], mm(0));
    expect(plan.boards.length).toBe(2);
    expect(lengths(plan).map((row) => row.reduce((sum, each) => sum + each, 0))).toEqual([100, 100]);
  });
  test('a piece no board holds is said, the others are cut', () => {
    expect(cutBoards(pieces(3000, 500), [], [sold(2400)], KERF)).toMatchObject({ unplaced: ['p0'], bought: [{ count: 1 }] });
  });
  test('nothing to cut buys nothing; a kerf below nothing is refused', () => {
    expect(cutBoards([], [], [sold(2400)], KERF)).toMatchObject({ boards: [], bought: [], bound: { boards: 0 }, proved: true });
    expect(() => cutBoards([], [], [sold(2400)], -1 as Length)).toThrow(/kerf/);
  });
});

test('stretches are what no flaw touches, in order, whatever order the flaws come in', () => {
  expect(
    clearStretches(
      board(1000, [
        [700, 1200],
        [1300, 1310],
        [100, 200],
        [150, 300],
      ]),
    ).map(({ from, to }) => [from / 1e6, to / 1e6]),
  ).toEqual([
    [0, 100],
    [300, 700],
  ]);
});

const whole = (least: number, most: number) => fc.integer({ min: least, max: most });
const flaw = fc.tuple(whole(0, 900), whole(1, 80)).map(([from, long]): [number, number] => [from, from + long]);
const jobs = fc.record({
  cut: fc.array(whole(50, 700), { maxLength: 12 }),
  hand: fc.array(fc.record({ long: whole(200, 1200), flaws: fc.array(flaw, { maxLength: 3 }) }), { maxLength: 3 }),
  long: whole(500, 1400),
  kerf: whole(0, 5),
});

test('every piece is cut once, inside its board, a kerf from the next and clear of every flaw; the bound holds', () => {
  fc.assert(
    fc.property(jobs, ({ cut, hand, long, kerf }) => {
      const wanted = pieces(...cut);
      const atHand = hand.map((each, index) => board(each.long, each.flaws, `h${index}`));
      const plan = cutBoards(wanted, atHand, [sold(long)], mm(kerf));
      const placed = plan.boards.flatMap(({ pieces: made }) => made.map(({ id }) => id));
      expect([...placed, ...plan.unplaced].sort()).toEqual(wanted.map(({ id }) => id).sort());
      const bought = plan.boards.filter(({ atHand: mine }) => !mine).length;
      expect(plan.bought).toEqual(bought === 0 ? [] : [{ id: `${long}`, count: bought }]);
      expect(bought).toBeGreaterThanOrEqual(plan.bound.boards);
      for (const made of plan.boards) {
        const { flaws } = atHand.find(({ id }) => id === made.stock) ?? { flaws: [] };
        const row = [...made.pieces].sort((a, b) => a.at - b.at);
        row.forEach(({ at, length }, index) => {
          expect(at + length).toBeLessThanOrEqual(made.length);
          const next = row[index + 1];
          if (next) expect(next.at - at - length >= mm(kerf) || flaws.some(({ from, to }) => from < next.at && to > at + length)).toBe(true);
          for (const { from, to } of flaws) expect(at >= to || at + length <= from).toBe(true);
        });
      }
    }),
    { numRuns: 300 },
  );
});

/** Fewest boards by trying every way: each piece into any board begun, or a new one. */
function fewestByForce(sizes: readonly number[], room: number): number {
  const bins: number[] = [];
  const go = (index: number): number => {
    if (index === sizes.length) return bins.length;
    let best = Infinity;
    for (let bin = 0; bin < bins.length; bin++) {
      if (bins[bin]! < sizes[index]!) continue;
      bins[bin]! -= sizes[index]!;
      best = Math.min(best, go(index + 1));
      bins[bin]! += sizes[index]!;
    }
    bins.push(room - sizes[index]!);
    best = Math.min(best, go(index + 1));
    bins.pop();
    return best;
  };
  return go(0);
}

test('few pieces: never more boards than the best of all ways, and proved is true', () => {
  fc.assert(
    fc.property(fc.array(whole(120, 700), { minLength: 1, maxLength: 8 }), whole(0, 5), (cut, kerf) => {
      const plan = cutBoards(pieces(...cut), [], [sold(1000)], mm(kerf));
      const best = fewestByForce(
        cut.map((each) => each + kerf),
        1000 + kerf,
      );
      expect(plan.boards.length).toBe(best);
      expect(plan.proved).toBe(true);
      expect(plan.bound.boards).toBeLessThanOrEqual(best);
    }),
    { numRuns: 120 },
  );
});

/** The least cost, then the least length, then the fewest boards, by trying every way: each piece into a board that is there, begun or new. */
function bestByForce(
  sizes: readonly number[],
  free: readonly number[],
  kinds: readonly { readonly room: number; readonly cost: number; readonly limit: number }[],
) {
  let best: readonly [number, number, number] | null = null;
  const bins = [...free];
  const used = kinds.map(() => 0);
  const go = (index: number, cost: number, room: number, count: number): void => {
    if (best && (cost > best[0] || (cost === best[0] && room > best[1]))) return;
    if (index === sizes.length) {
      if (!best || cost < best[0] || room < best[1] || count < best[2]) best = [cost, room, count];
      return;
    }
    const size = sizes[index]!;
    for (let bin = 0; bin < bins.length; bin++) {
      if (bins[bin]! < size) continue;
      bins[bin]! -= size;
      go(index + 1, cost, room, count);
      bins[bin]! += size;
    }
    kinds.forEach((kind, at) => {
      if (kind.room < size || used[at] === kind.limit) return;
      used[at]!++;
      bins.push(kind.room - size);
      go(index + 1, cost + kind.cost, room + kind.room, count + 1);
      bins.pop();
      used[at]!--;
    });
  };
  go(0, 0, 0, 0);
  return best as readonly [number, number, number] | null;
}

describe('several lengths for sale', () => {
  const offers = fc.uniqueArray(fc.record({ long: whole(300, 1000), price: whole(0, 9), count: fc.option(whole(1, 4), { freq: 2 }) }), {
    minLength: 1,
    maxLength: 3,
    selector: ({ long }) => long,
  });
  test('never dearer than the best of all ways; proved says so, and the bound is never above it', () => {
    fc.assert(
      fc.property(
        fc.array(whole(120, 700), { minLength: 1, maxLength: 6 }),
        fc.array(whole(150, 600), { maxLength: 2 }),
        offers,
        whole(0, 5),
        (cut, hand, sale, kerf) => {
          const forSale = sale.map(({ long, price, count }) => sold(long, price, count));
          const plan = cutBoards(
            pieces(...cut),
            hand.map((long, index) => board(long, [], `h${index}`)),
            forSale,
            mm(kerf),
          );
          const isPriced = sale.every(({ price }) => price > 0);
          const best = bestByForce(
            [...cut].sort((a, b) => b - a).map((each) => each + kerf),
            hand.map((each) => each + kerf),
            sale.map(({ long, price, count }) => ({ room: long + kerf, cost: isPriced ? price : long, limit: count ?? Infinity })),
          );
          if (plan.unplaced.length > 0) {
            expect(best).toBeNull();
            return;
          }
          const bought = plan.bought.map(({ id, count }) => ({ ...sale.find(({ long }) => `${long}` === id)!, times: count }));
          const sum = (worth: (each: (typeof bought)[number]) => number): number => bought.reduce((total, each) => total + each.times * worth(each), 0);
          expect(best).not.toBeNull();
          const found = [sum(({ price, long }) => (isPriced ? price : long)), sum(({ long }) => long + kerf), sum(() => 1)];
          if (isPriced) expect(plan.bound.cost).toBeLessThanOrEqual(best![0] + 1e-9);
          expect(plan.bound.boards).toBeLessThanOrEqual(found[2]!);
          expect(plan.proved).toBe(true);
          expect(found).toEqual(best);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('dearer by the board, cheaper by the length: each where it pays', () => {
    // Five of 700: two long ones take three and two, or one long and one short.
    const plan = cutBoards(pieces(700, 700, 700, 700, 700), [], [sold(2200, 10), sold(1500, 6)], KERF);
    expect(plan.bought).toEqual([
      { id: '2200', count: 1 },
      { id: '1500', count: 1 },
    ]);
    expect(plan.bound.cost).toBe(16);
  });

  test('without prices the least length is bought', () => {
    expect(cutBoards(pieces(900, 900), [], [sold(2400, 0), sold(1000, 0)], KERF).bought).toEqual([{ id: '1000', count: 2 }]);
  });

  test('a long piece goes into the long board at hand, though a shorter one would fill it better', () => {
    const plan = cutBoards(pieces(2900, 1400, 1400), [board(3000, [], 'long')], [sold(2400)], KERF);
    expect(plan).toMatchObject({ unplaced: [], bought: [{ id: '2400', count: 2 }] });
    expect(plan.boards[0]).toMatchObject({ stock: 'long', pieces: [{ id: 'p0' }] });
  });

  test('of pieces that only boards at hand could hold, those beyond are said, and the others are cut', () => {
    const plan = cutBoards(pieces(2900, 2800, 500), [board(3000, [], 'long')], [sold(2400)], KERF);
    expect(plan.unplaced).toHaveLength(1);
    expect(plan.boards.flatMap(({ pieces: cut }) => cut)).toHaveLength(2);
  });
});

test('two hundred pieces of a workshop: within a twentieth of the bound, the same each time', () => {
  const cut = Array.from({ length: 200 }, (_, n) => 180 + ((n * 7919) % 23) * 41);
  const run = (): BoardPlan => cutBoards(pieces(...cut), [], [sold(1830, 7), sold(2440, 9), sold(3050, 12)], KERF);
  const plan = run();
  const cost = plan.bought.reduce((sum, { id, count }) => sum + count * { 1830: 7, 2440: 9, 3050: 12 }[Number(id)]!, 0);
  expect(cost).toBeLessThanOrEqual(1.05 * plan.bound.cost);
  expect(run()).toEqual(plan);
});
