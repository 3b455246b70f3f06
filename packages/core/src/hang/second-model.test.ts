/**
 * A second model of a cupboard on two timber studs, with conventions of its own: geometry off the panels, the published formulas written out
 * in pounds and inches, moments found by walking along the beam. Nothing is taken from core/hang but the answer.
 *
 * Where the two may differ, on the safe side: between studs the plan takes each span as simple, so that it never finds less moment than this.
 */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { NM_PER } from '../length/length.ts';
import type { CabinetPlan } from '../planner/plan.ts';
import { applyEdit } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';
import { place, type Panel } from '../solid/panel.ts';
import { onWall } from '../test/check-case.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const { design, record, workshop } = printRoom();
const LEFT = 895;
const LB = 4.4482216;
const IN = 25.4;

interface Case {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  readonly board: number;
  readonly bevel: number;
  readonly covering: number;
  readonly kg: readonly [number, number, number];
  readonly studs: readonly [number, number];
  readonly rows: readonly [number, number];
  readonly long: number;
}
const mm = (least: number, most: number) => fc.integer({ min: least, max: most });
const cases: fc.Arbitrary<Case> = fc
  .record({
    width: mm(500, 1100),
    height: mm(450, 1000),
    depth: mm(150, 400),
    board: mm(140, 220),
    bevel: mm(30, 55),
    covering: mm(9, 25),
    kg: fc.tuple(mm(0, 30), mm(0, 30), mm(1, 30)),
    rows: fc.tuple(mm(1, 2), mm(0, 2)),
    long: fc.constantFrom(70, 80, 90, 100),
    near: mm(60, 200),
    far: mm(60, 200),
  })
  .map(({ near, far, ...rest }) => ({ ...rest, studs: [near, rest.width - far] as const }));

function planned({ width, height, depth, board, bevel, covering, kg, studs, rows, long }: Case): CabinetPlan {
  const marks = Object.fromEntries(studs.map((x, n) => [`m${n}`, { id: `m${n}`, regular: null, at: entered(`${LEFT + x} mm`), state: 'probed', gone: false }]));
  const [bottom, s1, s2] = kg.map((each) => ({ preset: 'general', kg: each }));
  return plan(
    applyEdit(design, [
      typed('width', `${width} mm`),
      typed('height', `${height} mm`),
      typed('depth', `${depth} mm`),
      typed('hanging.boardWidth', `${board} mm`),
      ink('hanging.bevelDeg', bevel),
      ink('hanging.wallScrew.upper', rows[0]),
      ink('hanging.wallScrew.lower', rows[1]),
      typed('hanging.wallScrew.length', `${long} mm`),
      ink('contents', { bottom, s1, s2 }),
      onWall('covering', entered(`${covering} mm`)),
      onWall('studs.known', false),
      onWall('studs.species', 'spf'),
      onWall('studs.marks', marks),
    ]),
    record,
    workshop,
  ).byId.get('ink')!;
}

function extentOf({ frame, outline }: Panel) {
  const corners = outline.map(({ from }) => place(frame, from));
  const [alongs, ups] = [corners.map(({ along }) => along / NM_PER.mm), corners.map(({ up }) => up / NM_PER.mm)];
  return { left: Math.min(...alongs), right: Math.max(...alongs), low: Math.min(...ups), high: Math.max(...ups) };
}

/** Forces of the rigid body, and what each stud and its worst screw get. */
function model(cabinetPlan: CabinetPlan, { bevel, studs, rows, covering, long }: Case) {
  const wall = extentOf(cabinetPlan.cabinet.byId.get('ink/wall-half')!);
  const spacer = extentOf(cabinetPlan.cabinet.byId.get('ink/spacer')!);
  const t = 17.8;
  const tan = Math.tan((bevel * Math.PI) / 180);
  const { mass, out: e, along: z } = cabinetPlan.loaded;
  const W = mass.value * STANDARD_GRAVITY;
  // The panel of the half is as high as its short face; the bevel's middle stands half a cleat's rise above it.
  const contact = wall.high + (t / 2) * tan;
  const h = contact - (spacer.low + spacer.high) / 2;
  const a = e - t / 2;
  const H = W * Math.max(tan, a / h);
  const S = (W * a) / h;
  const [x1, x2] = studs;
  const R = Math.max((W * (x2 - z)) / (x2 - x1), (W * (z - x1)) / (x2 - x1));
  const short = wall.high - wall.low;
  const heights: number[] = [...Array.from({ length: rows[0] }, () => Math.floor(short - 12.5)), ...Array.from({ length: rows[1] }, () => Math.ceil(12.5))];
  const r = Math.max(...heights) / 6;
  const outward = (H / W) * R;
  const turning = outward * (contact - wall.low - r) + (R * t) / 2;
  const T = Math.max((turning * (Math.max(...heights) - r)) / heights.reduce((sum, s) => sum + (s - r) ** 2, 0), outward / heights.length);
  const V = R / heights.length;
  const grip = Math.min(long - t - covering, 89);
  return { W, H, S, z, e, tip: a / h / tan, R, T, V, Z: across(t, grip, covering), P: pulled(grip, long), wall };
}

/** A 5 mm screw, root 3.1, bending yield 90 ksi, from birch plywood (G 0.55) into spruce (G 0.42), in inches and pounds. */
function across(side: number, grip: number, gap: number): number {
  const [D, root] = [5, 3.1 / IN];
  const main = (grip >= 10 * D ? 10 * D : grip - D) / IN;
  const [s, g] = [side / IN, gap / IN];
  const q = (gravity: number): number => 16600 * gravity ** 1.84 * root;
  const [qs, qm] = [q(0.55), q(0.42)];
  const M = (90_000 * root ** 3) / 6;
  const root2 = (A: number, B: number, C: number): number => (-B + Math.sqrt(B * B - 4 * A * C)) / (2 * A);
  const modes = [
    qm * main,
    qs * s,
    root2((1 / qs + 1 / qm) / 4, s / 2 + g + main / 2, -(qs * s * s + qm * main * main) / 4),
    root2(1 / (2 * qs) + 1 / (4 * qm), g + main / 2, -M - (qm * main * main) / 4),
    root2(1 / (4 * qs) + 1 / (2 * qm), s / 2 + g, -M - (qs * s * s) / 4),
    root2((1 / qs + 1 / qm) / 2, g, -2 * M),
  ];
  return (Math.min(...modes) / 2.2) * 0.9 * LB;
}

function pulled(grip: number, long: number): number {
  const thread = 2850 * 0.42 ** 2 * (5 / IN) * (Math.min(grip, (2 / 3) * long) / IN) * 0.9 * LB;
  const head = 690 * Math.PI * (9 / IN) * 0.55 ** 2 * Math.min(17.8 / IN, 2.5 * (9 / IN)) * 0.9 * LB;
  return Math.min(thread, head, (138 * Math.PI * 3.1 ** 2) / 4);
}

/** The greatest moment of the beam on its two studs under a load spread as far on both sides of z as its nearer end, by walking along it. */
function momentAlong(W: number, z: number, { left, right }: { left: number; right: number }, [x1, x2]: readonly [number, number]): number {
  const half = Math.min(z - left, right - z);
  const w = W / (2 * half);
  const [from, to] = [z - half, z + half];
  const R1 = (W * (x2 - z)) / (x2 - x1);
  const at = (x: number): number => {
    const loaded = Math.max(0, Math.min(x, to) - from);
    const middle = (from + Math.min(x, to)) / 2;
    return (x > x1 ? R1 * (x - x1) : 0) + (x > x2 ? (W - R1) * (x - x2) : 0) - w * loaded * (x - middle);
  };
  return Math.max(...Array.from({ length: 2001 }, (_, n) => Math.abs(at(left + ((right - left) * n) / 2000))));
}

test('a cupboard on two studs comes out as it does by a second model, within one in a hundred', () => {
  const near = (value: number, expected: number): void => expect(Math.abs(value / expected - 1)).toBeLessThan(0.01);
  fc.assert(
    fc.property(cases, (each) => {
      const cabinetPlan = planned(each);
      const { hang } = cabinetPlan;
      if (hang.studs.length < 2) return;
      const found = model(cabinetPlan, each);
      near(hang.forces.outward.value, found.H);
      near(hang.forces.spacerPush.value, found.S);
      near(hang.forces.hook!.tip.value, found.tip);
      const worst = hang.studs.reduce((a, b) => (b.use.value > a.use.value ? b : a));
      near(worst.share.value, found.R);
      near(worst.tension.value, found.T);
      near(worst.lateral.value, found.Z);
      near(worst.pull.value, found.P);
      const all = Math.hypot(found.V, found.T);
      near(worst.use.value, (found.V ** 2 / found.Z + found.T ** 2 / found.P) / all);
      const rail = hang.links.find(({ id }) => id === 'rail')!.use.terms.find(({ symbol }) => symbol === 'load')!.value;
      const [from, to] = [17.8, each.width - 17.8];
      near(rail, (Math.hypot(found.W, found.S) * Math.max(found.z - from, to - found.z)) / (to - from));
      const bent = hang.links.find(({ id }) => id === 'wall-half')!.use.terms.find(({ symbol }) => symbol === 'M')!.value;
      expect(bent).toBeGreaterThanOrEqual(0.999 * momentAlong(found.W, found.z, found.wall, each.studs));
    }),
    { numRuns: 100 },
  );
});
