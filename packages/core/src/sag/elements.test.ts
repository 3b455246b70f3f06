/** Every formula of sag against a beam cut into eighty elements, which knows none of them. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { answerSum } from '../quick-sums/sums.ts';
import { beamSags } from '../test/beam-elements.ts';
import { sagOfLoad } from './shelf-sag.ts';

const EI = 1.22e9;
const whole = (min: number, max: number) => fc.integer({ min, max });
/** mm: what eighty elements leave of rounding where a load over a support sags nothing. */
const ROUNDING = 1e-7;
/** `most`: what the same load would sag in the middle. The elements' rounding grows with it, not with what is asked for. */
const within = (got: number, wanted: number, share: number, most = 0): void =>
  expect(Math.abs(got - wanted)).toBeLessThanOrEqual(share * Math.abs(wanted) + ROUNDING + 1e-6 * most);
const shelf = 'depth=280mm thickness=18mm stiffness=9000MPa';
/** Of one shelf, 280 deep and 18 thick, of 9000 MPa. */
const own = (9000 * 280 * 18 ** 3) / 12;
const now = (line: string): number => {
  const { results } = answerSum('shelf-sag', line.split(' '));
  return (results['now'] as { value: number }).value;
};

test('points and strips anywhere between two ends that turn freely', () => {
  fc.assert(
    fc.property(whole(200, 1500), whole(0, 95), whole(0, 100), whole(5, 95), whole(10, 500), (L, from, long, at, P) => {
      const a = (from / 100) * L;
      const b = Math.min(L, a + (long / 100) * (L - a));
      const x = (at / 100) * L;
      within(sagOfLoad({ P, a, b, x, L, EI }), beamSags({ L, EI, held: [0, L], loads: [{ P, a, b }] })(x), 1e-4, (P * L ** 3) / (48 * EI));
    }),
    { numRuns: 40 },
  );
});

describe('what holds the ends', () => {
  const spread = [{ P: 230, a: 0, b: 800 }];
  test('nothing: spread and in the middle', () => {
    within(now(`span=800mm ${shelf} load=230N`), beamSags({ L: 800, EI: own, held: [0, 800], loads: spread })(400), 1e-4);
    within(now(`span=800mm ${shelf} centre=230N`), beamSags({ L: 800, EI: own, held: [0, 800], loads: [{ P: 230, a: 400, b: 400 }] })(400), 1e-4);
  });
  test('fully: spread and in the middle', () => {
    const clamped = { L: 800, EI: own, held: [0, 800], springs: [0, 800].map((at) => ({ at, stiffness: Infinity })) };
    within(now(`span=800mm ${shelf} load=230N ends=fixed`), beamSags({ ...clamped, loads: spread })(400), 1e-3);
    within(now(`span=800mm ${shelf} centre=230N ends=fixed`), beamSags({ ...clamped, loads: [{ P: 230, a: 400, b: 400 }] })(400), 1e-3);
  });
  test('a little: what is taken off for glue is what springs of two thirds of EI/L take off, and far from fully fixed', () => {
    const springs = [0, 800].map((at) => ({ at, stiffness: (2 / 3) * (own / 800) }));
    within(now(`span=800mm ${shelf} load=230N ends=glued`), beamSags({ L: 800, EI: own, held: [0, 800], springs, loads: spread })(400), 1e-3);
  });
  test('a support in the middle of two spans: the greatest sag between them, on the safe side', () => {
    const sag = beamSags({ L: 1600, EI: own, held: [0, 800, 1600], loads: [{ P: 460, a: 0, b: 1600 }] });
    const greatest = Math.max(...Array.from({ length: 800 }, (_, x) => sag(x)));
    within(now(`span=800mm ${shelf} load=230N ends=two-spans`), greatest, 3e-3);
  });
});

describe('a strip glued on', () => {
  /** Both boards cut into thin layers, turned about where their stiffness balances. */
  function layered(layers: readonly { readonly from: number; readonly to: number; readonly width: number; readonly E: number }[]): number {
    const cut = layers.flatMap(({ from, to, width, E }) =>
      Array.from({ length: 2000 }, (_, n) => ({ y: from + ((n + 0.5) * (to - from)) / 2000, EA: (E * width * (to - from)) / 2000 })),
    );
    const middle = cut.reduce((sum, { y, EA }) => sum + EA * y, 0) / cut.reduce((sum, { EA }) => sum + EA, 0);
    return cut.reduce((sum, { y, EA }) => sum + EA * (y - middle) ** 2, 0);
  }
  test.each([
    ['flush', 19, 38, 9000, { from: 18 - 38, to: 18 }],
    ['under', 40, 25, 11000, { from: -25, to: 0 }],
    ['flush', 12, 60, 8500, { from: 18 - 60, to: 18 }],
  ])('%s, %d wide and %d high', (at, width, height, E, place) => {
    const stiff = layered([
      { from: 0, to: 18, width: 280, E: 9000 },
      { ...place, width, E },
    ]);
    const sag = now(`span=900mm ${shelf} load=300N strip=${width}mm*${height}mm stripStiffness=${E}MPa stripAt=${at}`);
    within(sag, beamSags({ L: 900, EI: stiff, held: [0, 900], loads: [{ P: 300, a: 0, b: 900 }] })(450), 1e-3);
  });
});
