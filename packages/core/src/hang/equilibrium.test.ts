/**
 * The formulas of the hook against a rigid body in equilibrium: whatever forces of contact and friction there can be, none of them
 * pulling, found by a linear program that knows none of the formulas.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { extremes, type Programme } from '../test/linear-programme.ts';
import { evaluate } from '../explained/explained-value.ts';
import { contactHeight, HOLD_DOWN, LIFT_LIMIT, LIFT_STARTS, LOCKED_PULL_LIMIT, OUTWARD, pryingTension, PULL_LIMIT, SPACER_PUSH, TIP_RATIO } from './statics.ts';

/** A cabinet on its hook. Lengths in mm from the middle of the bevel contact, `t` the cleat's thickness. */
interface Hooked {
  readonly W: number;
  /** Center of gravity from the wall. */
  readonly e: number;
  readonly t: number;
  /** Spacer below the contact. */
  readonly h: number;
  /** Backing of the cabinet cleat above the contact. */
  readonly c: number;
  readonly θ: number;
  /** Front edge from the contact. */
  readonly D: number;
}

const whole = (min: number, max: number) => fc.integer({ min, max });
const hooked: fc.Arbitrary<Hooked> = fc.record({
  W: whole(50, 2000),
  e: whole(60, 700),
  t: whole(12, 30),
  h: whole(120, 900),
  c: whole(10, 120),
  θ: whole(20, 65),
  D: whole(701, 900),
});
const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Equations up, out and of the moment about the contact. Unknowns: the bevel's force at the two edges of its cone of friction, push
 * on the back at the contact and `c` above it, push of the spacer, and what more is asked about, each as [up, out, moment that turns
 * the bottom off the wall].
 */
function bodyOf({ W, e, t, h, c, θ }: Hooked, friction: number, more: readonly (readonly [number, number, number])[] = []): Programme {
  const [one, other] = [rad(θ) - friction, rad(θ) + friction];
  const columns: (readonly [number, number, number])[] = [
    [Math.cos(one), -Math.sin(one), 0],
    [Math.cos(other), -Math.sin(other), 0],
    [0, 1, 0],
    [0, 1, -c],
    [0, 1, h],
    ...more,
  ];
  return { rows: [0, 1, 2].map((row) => columns.map((column) => column[row]!)), sums: [W, 0, W * (e - t / 2)] };
}

const inward = (θ: number, friction: number, others: number): number[] => [
  Math.sin(rad(θ) - friction),
  Math.sin(rad(θ) + friction),
  ...Array.from({ length: 3 + others }, () => 0),
];
const only = (at: number, of: number): number[] => Array.from({ length: of }, (_, n) => (n === at ? 1 : 0));
const close = (value: number, expected: number): void => expect(Math.abs(value - expected)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(expected)));

describe('without friction', () => {
  test('it stays hooked exactly while the tip ratio is at most 1', () => {
    fc.assert(
      fc.property(hooked, (unit) => {
        const { value } = evaluate(TIP_RATIO, unit);
        fc.pre(Math.abs(value - 1) > 1e-6);
        expect(extremes(bodyOf(unit, 0), inward(unit.θ, 0, 0)) !== null).toBe(value < 1);
      }),
    );
  });

  test('the pull on the wall half is W tan θ however far out the weight is, and the design never takes less', () => {
    fc.assert(
      fc.property(hooked, (unit) => {
        const pull = extremes(bodyOf(unit, 0), inward(unit.θ, 0, 0));
        if (!pull) return;
        close(pull.least, unit.W * Math.tan(rad(unit.θ)));
        close(pull.most, pull.least);
        expect(evaluate(OUTWARD, unit).value).toBeGreaterThanOrEqual(pull.most - 1e-6);
      }),
    );
  });

  test('the spacer is pushed with W a / h at least', () => {
    fc.assert(
      fc.property(hooked, (unit) => {
        const push = extremes(bodyOf(unit, 0), only(4, 5));
        if (push) close(push.least, evaluate(SPACER_PUSH, unit).value);
      }),
    );
  });

  test('past tipping the hold-down is the least downward force at the wall that keeps it there', () => {
    fc.assert(
      fc.property(hooked, (unit) => {
        // Down at the wall plane, half a cleat behind the contact.
        const body = bodyOf(unit, 0, [[-1, 0, unit.t / 2]]);
        close(extremes(body, only(5, 6))!.least, evaluate(HOLD_DOWN, unit).value);
      }),
    );
  });

  test('lifted at its front edge: where the bottom leaves the wall, and where it unhooks', () => {
    fc.assert(
      fc.property(hooked, (unit) => {
        const { W, e, t, c, θ, D } = unit;
        const a = e - t / 2;
        if (evaluate(TIP_RATIO, unit).value >= 1) return;
        const lifted = bodyOf(unit, 0, [[1, 0, D]]);
        close(extremes(lifted, only(5, 6))!.most, evaluate(LIFT_LIMIT, { W, a, D, c, θ }).value);
        // With nothing behind the spacer and no push above the contact the weight alone turns against the hand.
        const free: Programme = { ...lifted, rows: lifted.rows.map((row) => row.filter((_, column) => column !== 3 && column !== 4)) };
        close(extremes(free, only(3, 4))!.most, evaluate(LIFT_STARTS, { W, a, D }).value);
      }),
    );
  });

  test('pulled outwards below the contact: the force that unhooks it', () => {
    fc.assert(
      fc.property(hooked, whole(0, 1000), (unit, z) => {
        const { W, e, t, c, h, θ } = unit;
        if (evaluate(TIP_RATIO, unit).value >= 1) return;
        fc.pre(z !== h);
        const pulled = bodyOf(unit, 0, [[0, 1, z]]);
        close(extremes(pulled, only(5, 6))!.most, evaluate(PULL_LIMIT, { W, a: e - t / 2, c, z, h, θ }).value);
      }),
    );
  });

  test('a lock at the bottom that holds so much against being drawn out adds what it can to that pull', () => {
    fc.assert(
      fc.property(hooked, whole(1, 1000), whole(0, 900), (unit, below, T) => {
        const { W, e, t, c, h, θ } = unit;
        if (evaluate(TIP_RATIO, unit).value >= 1) return;
        const z = h + below;
        // The pull, the lock's hold, and what of its hold is left unused.
        const body = bodyOf(unit, 0, [
          [0, 1, z],
          [0, -1, -h],
          [0, 0, 0],
        ]);
        const limited: Programme = { rows: [...body.rows, [0, 0, 0, 0, 0, 0, 1, 1]], sums: [...body.sums, T] };
        close(extremes(limited, only(5, 8))!.most, evaluate(LOCKED_PULL_LIMIT, { W, a: e - t / 2, c, z, h, θ, T }).value);
      }),
    );
  });
});

test('with friction the pull may be anything between two limits, and the limit of the hook is farther out', () => {
  fc.assert(
    fc.property(hooked, whole(1, 30), (unit, hundredths) => {
      const { W, e, t, h, θ } = unit;
      const φ = Math.atan(hundredths / 100);
      const a = e - t / 2;
      const limit = Math.tan(rad(θ) + φ);
      fc.pre(Math.abs(a / h - limit) > 1e-6);
      const pull = extremes(bodyOf(unit, φ), inward(θ, φ, 0));
      expect(pull !== null).toBe(a / h < limit);
      if (!pull) return;
      close(pull.least, W * Math.max(a / h, Math.tan(rad(θ) - φ)));
      close(pull.most, W * limit);
    }),
  );
});

describe('prying of the wall half', () => {
  // Pull H out and weight V down at the bevel; the screws hold at s, the wall pushes anywhere from the lower edge up to the screws.
  const half = fc.record({ W: whole(50, 2000), t: whole(12, 30), short: whole(45, 90), share: whole(40, 90), θ: whole(20, 65) });
  test('never less than any push of the wall below the screws could leave to them', () => {
    fc.assert(
      fc.property(half, ({ W, t, short, share, θ }) => {
        const H = W * Math.tan(rad(θ));
        const b = contactHeight(short, t, θ);
        const s = (short * share) / 100;
        // Unknowns: the screws' pull, push at the lower edge, push level with r = s/6. Out, and moment about the lower edge.
        const r = s / 6;
        const atEdge: Programme = {
          rows: [
            [1, -1],
            [s, 0],
          ],
          sums: [H, H * b + (W * t) / 2],
        };
        const raised: Programme = {
          rows: [
            [1, -1],
            [s, -r],
          ],
          sums: [H, H * b + (W * t) / 2],
        };
        const tension = pryingTension(H, W, b, t, [{ height: s, screws: 1 }]);
        close(extremes(raised, [1, 0])!.least, tension);
        expect(tension).toBeGreaterThanOrEqual(extremes(atEdge, [1, 0])!.most - 1e-6);
      }),
    );
  });
});
