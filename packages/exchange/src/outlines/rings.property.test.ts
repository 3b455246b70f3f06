/** Outlines taken apart into loose strokes, shuffled and drawn either way round, come back whole. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Corner } from '@keen/core';
import { flattened } from '../prints/marks.ts';
import { areaOf, outlinesOf, type Curve, type Outline } from './rings.ts';

interface Star {
  readonly corners: readonly Corner[];
  readonly area: number;
}

/** A star round a middle: it never crosses itself. Every other side may be bowed a little. */
const star: fc.Arbitrary<Star> = fc
  .record({
    reach: fc.array(fc.integer({ min: 40, max: 120 }), { minLength: 3, maxLength: 14 }),
    bow: fc.array(fc.constantFrom(0, 0, 0.15, 0.3), { minLength: 14, maxLength: 14 }),
    at: fc.record({ x: fc.integer({ min: -400, max: 400 }), y: fc.integer({ min: -400, max: 400 }) }),
  })
  .map(({ reach, bow, at }) => {
    const corners = reach.map((r, n): Corner => {
      const angle = (2 * Math.PI * n) / reach.length + 0.3;
      return { x: at.x + r * Math.cos(angle), y: at.y + r * Math.sin(angle), bulge: bow[n]! };
    });
    return { corners, area: Math.abs(areaOf(flattened(corners))) };
  });

/** Its sides as strokes of their own, each from either end. */
const strokes = (corners: readonly Corner[], flips: readonly boolean[]): Curve[] =>
  corners.map((from, n) => {
    const to = corners[(n + 1) % corners.length]!;
    const run = flips[n % flips.length]
      ? [
          { ...to, bulge: -from.bulge },
          { ...from, bulge: 0 },
        ]
      : [from, { ...to, bulge: 0 }];
    return { corners: run, closed: false };
  });

const shuffled = <T>(all: readonly T[], by: readonly number[]): T[] =>
  all
    .map((each, n) => ({ each, at: by[n % by.length]! + n * 1e-6 }))
    .sort((a, b) => a.at - b.at)
    .map(({ each }) => each);

const areaBack = ({ corners, lengthMm, widthMm }: Outline): number => (corners.length === 0 ? lengthMm * widthMm : areaOf(flattened(corners)));

describe('an outline', () => {
  test('in loose strokes, in any order and either way round, is the shape it was, anticlockwise, at the origin', () => {
    fc.assert(
      fc.property(
        star,
        fc.array(fc.boolean(), { minLength: 1, maxLength: 14 }),
        fc.array(fc.double({ noNaN: true, min: 0, max: 1 }), { minLength: 5, maxLength: 14 }),
        (shape, flips, order) => {
          const { outlines, notes } = outlinesOf(shuffled(strokes(shape.corners, flips), order));
          expect(notes).toEqual([]);
          expect(outlines).toHaveLength(1);
          const [back] = outlines;
          expect(areaBack(back!)).toBeCloseTo(shape.area, 1);
          for (const { x, y } of back!.corners) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(y).toBeGreaterThanOrEqual(0);
            expect(x).toBeLessThanOrEqual(back!.lengthMm);
            expect(y).toBeLessThanOrEqual(back!.widthMm);
          }
        },
      ),
    );
  });

  test('with a stroke missing is no outline, and it is said', () => {
    fc.assert(
      fc.property(star, fc.nat(), (shape, gone) => {
        const all = strokes(shape.corners, [false]);
        const { outlines, notes } = outlinesOf(all.filter((_, n) => n !== gone % all.length));
        expect(outlines).toEqual([]);
        expect(notes).toEqual(['one line that does not close was left out']);
      }),
    );
  });

  test('with a smaller one inside is taken without it; two beside one another are two', () => {
    fc.assert(
      fc.property(star, (shape) => {
        const middle = { x: 0, y: 0 };
        for (const { x, y } of shape.corners) {
          middle.x += x / shape.corners.length;
          middle.y += y / shape.corners.length;
        }
        const ring: Curve = { corners: shape.corners, closed: true };
        const small: Curve = {
          corners: shape.corners.map(({ x, y, bulge }) => ({ x: middle.x + (x - middle.x) / 4, y: middle.y + (y - middle.y) / 4, bulge })),
          closed: true,
        };
        const beside: Curve = { corners: shape.corners.map((corner) => ({ ...corner, x: corner.x + 900 })), closed: true };
        expect(outlinesOf([small, ring]).notes).toEqual(['one cut-out inside an outline was left out']);
        expect(outlinesOf([ring, beside]).outlines).toHaveLength(2);
      }),
    );
  });
});
