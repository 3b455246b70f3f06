/** The worked table of docs/formulas/outward-force.md, tip-ratio.md and their neighbors. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate } from '../explained/explained-value.ts';
import {
  CABINET_PULL,
  contactHeight,
  HOLD_DOWN,
  LIFT_LIMIT,
  LIFT_STARTS,
  OUTWARD,
  PRYING,
  pryingTension,
  PULL_LIMIT,
  SPACER_PUSH,
  TIP_RATIO,
} from './statics.ts';

describe('900 N at 215 mm, drop 620, cleat 18', () => {
  test.each([
    [30, 520, 299, 0.58],
    [45, 900, 299, 0.33],
    [60, 1559, 299, 0.19],
  ])('%d degrees: outward %d N, spacer %d N, tip ratio %d', (θ, outward, spacer, tip) => {
    const terms = { W: 900, e: 215, t: 18, h: 620, θ };
    expect(evaluate(OUTWARD, terms).value).toBeCloseTo(outward, 0);
    expect(evaluate(SPACER_PUSH, { W: 900, e: 215, t: 18, h: 620 }).value).toBeCloseTo(spacer, 0);
    expect(evaluate(TIP_RATIO, { e: 215, t: 18, h: 620, θ }).value).toBeCloseTo(tip, 2);
  });

  test('it tips when its centre of gravity stands 629 mm out', () => {
    expect(evaluate(TIP_RATIO, { e: 629, t: 18, h: 620, θ: 45 }).value).toBeCloseTo(1, 3);
  });

  test('front edge at 340, 50 mm of cleat above the contact: lifts at 560, unhooks at 605, a pull of 344 unhooks it', () => {
    const a = 215 - 9;
    const D = 340 - 9;
    expect(evaluate(LIFT_STARTS, { W: 900, a, D }).value).toBeCloseTo(560, 0);
    expect(evaluate(LIFT_LIMIT, { W: 900, a, D, c: 50, θ: 45 }).value).toBeCloseTo(605, 0);
    expect(evaluate(PULL_LIMIT, { W: 900, a, c: 50, z: 620, h: 620, θ: 45 }).value).toBeCloseTo(344, 0);
  });
});

test('700 N at 420, drop 350: past tipping, held down by 119 N', () => {
  const terms = { W: 700, e: 420, t: 18, h: 350, θ: 45 };
  expect(evaluate(TIP_RATIO, { e: 420, t: 18, h: 350, θ: 45 }).value).toBeCloseTo(1.17, 2);
  expect(evaluate(HOLD_DOWN, terms).value).toBeCloseTo(119, 0);
  expect(evaluate(HOLD_DOWN, { ...terms, e: 200 }).value).toBe(0);
});

describe('prying of the wall half', () => {
  test('18 mm cleat, short face 58, one row at 38, 45 degrees, 900 N each way: 1980 N', () => {
    const b = contactHeight(58, 18, 45);
    expect(b).toBeCloseTo(67, 9);
    expect(pryingTension(900, 900, b, 18, [{ height: 38, screws: 1 }])).toBeCloseTo(1980, 0);
  });

  test('a low row helps a little, and no screw ever sees less than its share of the pull', () => {
    const one = pryingTension(900, 900, 67, 18, [{ height: 44, screws: 2 }]);
    const two = pryingTension(900, 900, 67, 18, [
      { height: 44, screws: 2 },
      { height: 18, screws: 1 },
    ]);
    expect(two).toBeLessThan(one);
    fc.assert(
      fc.property(fc.double({ min: 50, max: 2000, noNaN: true }), fc.integer({ min: 20, max: 60 }), fc.integer({ min: 1, max: 2 }), (H, s, n) => {
        expect(pryingTension(H, 0.01, 67, 18, [{ height: s, screws: n }])).toBeGreaterThanOrEqual(H / n - 1e-9);
      }),
    );
  });

  test('the formula on show is the one that is computed', () => {
    const figure = evaluate(PRYING, { H: 420, V: 420, b: 67, t: 18, s: 44, n: 2, 's low': 18, 'n low': 1 });
    expect(figure.value).toBe(
      pryingTension(420, 420, 67, 18, [
        { height: 44, screws: 2 },
        { height: 18, screws: 1 },
      ]),
    );
  });
});

test('the cabinet half: 900 N, b 67, row at 45 from its top: 1520 N', () => {
  expect(evaluate(CABINET_PULL, { H: 900, V: 900, b: 67, t: 18, s: 45, n: 1 }).value).toBeCloseTo(1520, -0.5);
});

test('rigid body, no friction: the forces on the unit are in balance', () => {
  fc.assert(
    fc.property(
      fc.record({
        W: fc.integer({ min: 50, max: 2000 }),
        e: fc.integer({ min: 60, max: 400 }),
        h: fc.integer({ min: 200, max: 900 }),
        θ: fc.integer({ min: 25, max: 60 }),
      }),
      ({ W, e, h, θ }) => {
        const t = 18;
        const T = Math.tan((θ * Math.PI) / 180);
        fc.pre(evaluate(TIP_RATIO, { e, t, h, θ }).value <= 1);
        const H = evaluate(OUTWARD, { W, e, t, h, θ }).value;
        const S = evaluate(SPACER_PUSH, { W, e, t, h }).value;
        // Hooked: the bevel's sideways force is W tan θ; the spacer takes its lever's share and the rest bears at the bevel.
        expect(H).toBeCloseTo(W * T, 6);
        expect(S).toBeLessThanOrEqual(H + 1e-9);
        expect(S * h).toBeCloseTo(W * (e - t / 2), 6);
      },
    ),
  );
});
