/** Boards cut to length: by hand, against every way there is for few pieces, and what any plan must obey. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, type Length } from '../length/length.ts';
import { clearStretches, cutBoards, type BoardPiece, type BoardPlan, type BoardStock } from './boards.ts';

const KERF = mm(3);
const board = (length: number, flaws: readonly (readonly [number, number])[] = [], id = 'new'): BoardStock => ({
  id,
  length: mm(length),
  flaws: flaws.map(([from, to]) => ({ from: mm(from), to: mm(to) })),
});
const pieces = (...lengths: readonly number[]): BoardPiece[] => lengths.map((length, index) => ({ id: `p${index}`, length: mm(length) }));
const lengths = (plan: BoardPlan) => plan.boards.map(({ pieces: cut }) => cut.map(({ length }) => length / 1e6));

describe('by hand', () => {
  test('three of 800 just fill 2406: two kerfs between, none at the end', () => {
    expect(cutBoards(pieces(800, 800, 800), [], board(2406), KERF)).toMatchObject({ bought: 1, bound: 1, proved: true, boards: [{ left: 0 }] });
    expect(cutBoards(pieces(800, 800, 800), [], board(2405), KERF).bought).toBe(2);
  });
  test('what is at hand comes first, round its knot', () => {
    const plan = cutBoards(pieces(700, 500, 400), [board(1300, [[600, 680]], 'at hand')], board(2400), KERF);
    // 600 clear at its left, 620 at its right: 500 goes into one, 400 into the other, the 700 needs a new board.
    expect(plan.boards.map(({ stock }) => stock)).toEqual(['at hand', 'new']);
    expect(plan.boards[0]!.pieces.map(({ at, length }) => [at / 1e6, length / 1e6]).sort()).toEqual([
      [0, 500],
      [680, 400],
    ]);
    expect(plan).toMatchObject({ bought: 1, proved: true });
  });
  test('a search finds what best fit misses: 5 pieces in two boards of 100', () => {
    // Best fit of 60, 42, 40, 30, 28 with no kerf: 60 + 40, 42 + 30 + 28; worst orders waste.
    const plan = cutBoards(pieces(60, 42, 40, 30, 28), [], board(100), mm(0));
    expect(plan.bought).toBe(2);
    expect(lengths(plan).map((row) => row.reduce((sum, each) => sum + each, 0))).toEqual([100, 100]);
  });
  test('a piece no board holds is said, the others are cut', () => {
    expect(cutBoards(pieces(3000, 500), [], board(2400), KERF)).toMatchObject({ unplaced: ['p0'], bought: 1 });
  });
  test('nothing to cut buys nothing; a kerf below nothing is refused', () => {
    expect(cutBoards([], [], board(2400), KERF)).toMatchObject({ boards: [], bought: 0, bound: 0, proved: true });
    expect(() => cutBoards([], [], board(2400), -1 as Length)).toThrow(/kerf/);
  });
});

test('stretches are what no flaw touches, in order, whatever order the flaws come in', () => {
  expect(
    clearStretches(
      board(1000, [
        [700, 1200],
        [100, 200],
        [150, 300],
      ]),
      4,
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
      const plan = cutBoards(wanted, atHand, board(long), mm(kerf));
      const placed = plan.boards.flatMap(({ pieces: made }) => made.map(({ id }) => id));
      expect([...placed, ...plan.unplaced].sort()).toEqual(wanted.map(({ id }) => id).sort());
      expect(plan.bought).toBe(plan.boards.filter(({ atHand: mine }) => !mine).length);
      expect(plan.bought).toBeGreaterThanOrEqual(plan.bound);
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
      const plan = cutBoards(pieces(...cut), [], board(1000), mm(kerf));
      const best = fewestByForce(
        cut.map((each) => each + kerf),
        1000 + kerf,
      );
      expect(plan.bought).toBe(best);
      expect(plan.proved).toBe(true);
      expect(plan.bound).toBeLessThanOrEqual(best);
    }),
    { numRuns: 120 },
  );
});
