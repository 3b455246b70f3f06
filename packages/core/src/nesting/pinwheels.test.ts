/** Wheels are found whichever of the five comes last, lie apart by a kerf, and sheets parted that way come together again. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seeded, type Random } from '../random/random.ts';
import { mm, type Length } from '../length/length.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import { auditPlan } from './audit.ts';
import type { NestProblem } from './problem.ts';
import { search } from './search.ts';
import { placesIn, sizeOf, wheelsWith, type BySides, type Pinwheel, type SizedRect } from './pinwheels.ts';

const KERF = 3;

/** A rectangle parted into a wheel: where its inside lies decides all five. */
const wheel = fc
  .record({
    dx: fc.integer({ min: 60, max: 900 }),
    dy: fc.integer({ min: 60, max: 900 }),
    at: fc.array(fc.double({ min: 0.1, max: 0.9, noNaN: true }), { minLength: 4, maxLength: 4 }),
  })
  .map(({ dx, dy, at }): { five: Pinwheel<SizedRect>; whole: SizedRect } => {
    const [x1, x2] = [at[0]!, at[1]!].sort().map((share, n) => 10 + n * 20 + Math.round(share * (dx - 50))) as [number, number];
    const [y1, y2] = [at[2]!, at[3]!].sort().map((share, n) => 10 + n * 20 + Math.round(share * (dy - 50))) as [number, number];
    return {
      whole: { dx, dy },
      five: [
        { dx: x2, dy: y1 },
        { dx: dx - x2 - KERF, dy: y2 },
        { dx: dx - x1 - KERF, dy: dy - y2 - KERF },
        { dx: x1, dy: dy - y1 - KERF },
        { dx: x2 - x1 - KERF, dy: y2 - y1 - KERF },
      ],
    };
  });

const bySides = (all: readonly SizedRect[]): BySides<SizedRect> => ({
  all,
  byWidth: (dx) => all.filter((each) => each.dx === dx),
  byHeight: (dy) => all.filter((each) => each.dy === dy),
});

test('a wheel is found from whichever of the five comes last', () => {
  fc.assert(
    fc.property(
      wheel,
      fc.integer({ min: 0, max: 4 }),
      fc.array(fc.record({ dx: fc.integer({ min: 8, max: 800 }), dy: fc.integer({ min: 8, max: 800 }) })),
      (made, last, others) => {
        const known = bySides([...made.five.filter((_, n) => n !== last), ...others]);
        const found = wheelsWith(made.five[last]!, known, KERF);
        expect(found.some(({ five }) => five.every((each, n) => each === made.five[n]))).toBe(true);
        for (const { five, choices } of found) {
          expect(choices).toBeGreaterThanOrEqual(8);
          expect(five).toContain(made.five[last]);
        }
      },
    ),
  );
});

test('the five lie a kerf apart and fill all but their kerfs', () => {
  fc.assert(
    fc.property(wheel, ({ five, whole }) => {
      expect(sizeOf(five, KERF)).toEqual(whole);
      const places = placesIn(five, KERF);
      const rows = five.map(({ dx, dy }, n) => ({ ...places[n]!, dx, dy }));
      rows.forEach((a, n) => {
        expect(a.x >= 0 && a.y >= 0 && a.x + a.dx <= whole.dx && a.y + a.dy <= whole.dy).toBe(true);
        for (const b of rows.slice(n + 1))
          expect(a.x + a.dx + KERF <= b.x || b.x + b.dx + KERF <= a.x || a.y + a.dy + KERF <= b.y || b.y + b.dy + KERF <= a.y).toBe(true);
      });
      const grown = ({ dx, dy }: SizedRect): number => (dx + KERF) * (dy + KERF);
      expect(five.reduce((sum, each) => sum + grown(each), 0)).toBe(grown(whole));
    }),
  );
});

/** A sheet parted into a wheel, the larger of its parts once more. */
function parted(dx: number, dy: number, deep: number, random: Random): [number, number][] {
  const cut = (size: number, low: number, high: number): number => mm(Math.round((size / 1e6) * (low + (high - low) * random())));
  if (deep === 0 || Math.min(dx, dy) < mm(300)) return [[dx, dy]];
  const kerf = mm(KERF);
  const [x1, x2, y1, y2] = [cut(dx, 0.2, 0.4), cut(dx, 0.55, 0.8), cut(dy, 0.2, 0.4), cut(dy, 0.55, 0.8)];
  const five = [
    [x2, y1],
    [dx - x2 - kerf, y2],
    [dx - x1 - kerf, dy - y2 - kerf],
    [x1, dy - y1 - kerf],
    [x2 - x1 - kerf, y2 - y1 - kerf],
  ] as const;
  return five.flatMap(([a, b]) => parted(a, b, deep - 1, random));
}

test.each([1, 2, 3])('sheets parted into wheels are as many sheets again where cuts are free (seed %i)', (seed) => {
  const random = seeded(seed);
  const pieces = Array.from({ length: 4 }, (_, n) => parted(mm(2440), mm(1220), 1 + (n % 2), random)).flat();
  const problem: NestProblem = {
    ...job([sheet('S', 2440, 1220)], [], KERF),
    cuts: 'free',
    parts: pieces.map(([dx, dy], n) => ({ ...part(`p${n}`, 1, 1, 1), length: dx as Length, width: dy as Length })),
  };
  const stepper = search(problem, seed);
  stepper.step(200);
  const plan = stepper.plan();
  expect(auditPlan(problem, plan)).toEqual([]);
  expect([plan.sheets.length, plan.proved]).toEqual([4, true]);
});
