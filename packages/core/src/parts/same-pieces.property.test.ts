/** Equal parts are one line of the list, however their measures were reckoned. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm, type Length } from '../length/length.ts';
import { ONE_SIZE } from '../length/same-size.ts';
import { explainedLength, plus } from '../explained/explained-length.ts';
import { snapped } from './snap-sizes.ts';
import { samePieces } from './same-pieces.ts';
import type { PieceShape } from './shape.ts';

const LENGTH = mm(600);
const WIDTH = mm(300);
const size = (nm: number) => explainedLength([plus('stock', nm as Length)]);
/** A groove across the blank, `at` from its start, between two places of its width. */
const groove = (at: number, near = mm(20), far = mm(180), face: 'reference' | 'other' = 'reference'): PieceShape => [
  {
    what: 'slot',
    sizes: [mm(6)],
    face,
    points: [
      [at, near],
      [at, far],
      [at + mm(18), near],
      [at + mm(18), far],
    ],
  },
];
const blank = (id: string, shape: PieceShape, length: number = LENGTH, width: number = WIDTH) => ({
  id,
  role: 'shelf' as const,
  length: size(length),
  width: size(width),
  thickness: mm(18),
  stock: 'ply',
  grain: 'length' as const,
  bands: [],
  shape: () => shape,
});
type B = ReturnType<typeof blank>;
const ids = (blanks: readonly B[]) => samePieces(blanks).groups.map((group) => group.map(({ id }) => id));

describe('measures a nanometre apart', () => {
  test('a slot two ways of reckoning put apart is one slot', () => {
    expect(ids([blank('a', groove(mm(100))), blank('b', groove((mm(100) + 1) as Length))])).toEqual([['a', 'b']]);
  });

  test('a length too', () => {
    expect(ids([blank('a', [], LENGTH), blank('b', [], LENGTH - 1)])).toEqual([['a', 'b']]);
  });

  test('across the boundary of any grid', () => {
    expect(ids([blank('a', groove(100_005_000)), blank('b', groove(100_004_999))])).toEqual([['a', 'b']]);
  });

  test('a mirror image is one to the nanometre or not', () => {
    // The same slot in the other face, and a nanometer off.
    const { twinOf } = samePieces([blank('left', groove(mm(100))), blank('right', groove(mm(100) + 1, mm(20), mm(180), 'other'))]);
    expect([...twinOf]).toEqual([
      [0, 1],
      [1, 0],
    ]);
  });

  test('a tenth of a millimetre is another piece', () => {
    expect(ids([blank('a', groove(mm(100))), blank('b', groove(mm(100.1)))])).toEqual([['a'], ['b']]);
  });
});

const places = fc.integer({ min: 10, max: 560 }).map((whole) => mm(whole) as number);
const off = fc.integer({ min: -(ONE_SIZE / 4), max: ONE_SIZE / 4 });
const piece = fc.record({
  at: places,
  near: fc.integer({ min: 0, max: 100 }).map((whole) => mm(whole)),
  far: fc.integer({ min: 120, max: 300 }).map((whole) => mm(whole)),
  face: fc.constantFrom('reference' as const, 'other' as const),
});

test('turned and put off a little, pieces are grouped as they were exactly', () => {
  const kinds = fc.array(piece, { minLength: 1, maxLength: 5 });
  const turns = fc.array(fc.record({ kind: fc.nat(4), along: fc.boolean(), across: fc.boolean(), off: fc.tuple(off, off, off) }), {
    minLength: 2,
    maxLength: 12,
  });
  fc.assert(
    fc.property(kinds, turns, (pieces, laid) => {
      const made = (put: boolean): B[] =>
        laid.map((turn, index) => {
          const of = pieces[turn.kind % pieces.length]!;
          const [length, u, v] = put ? turn.off : [0, 0, 0];
          const turned = groove(of.at, of.near, of.far, of.face).map((trait) => ({
            ...trait,
            face: turn.along === turn.across ? trait.face : trait.face === 'reference' ? ('other' as const) : ('reference' as const),
            points: trait.points.map(([x, y]) => [(turn.along ? LENGTH - x : x) + u, (turn.across ? WIDTH - y : y) + v] as const),
          }));
          return blank(`p${index}`, turned, LENGTH + length);
        });
      const [exact, apart] = [samePieces(made(false)), samePieces(made(true))];
      const named = (groups: readonly (readonly B[])[]) => groups.map((group) => group.map(({ id }) => id));
      expect(named(apart.groups)).toEqual(named(exact.groups));
      expect([...apart.twinOf]).toEqual([...exact.twinOf]);
    }),
  );
});

test('the numbers of measures that are their own mirror image are so too', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 60_000_000 }), { minLength: 1 }), (some) => {
      const [whole, both] = [60_000_000, some.flatMap((each) => [each, 60_000_000 - each])];
      const number = snapped(both);
      for (const each of both) expect(number(whole - each)).toBe(2 * whole - number(each));
    }),
  );
});
