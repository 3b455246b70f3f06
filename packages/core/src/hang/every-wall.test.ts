/**
 * Random projects of every family, hanging and wall against a second model with conventions of its own: geometry off the panels, studs by
 * the force method (integrals of moments, not three-moment equations), published formulas written out in pounds and inches. Nothing of
 * core/hang is called; tables of screws, materials, species and plugs are data and shared.
 *
 * Where the two may differ, on the safe side: a plan takes the worst of every part of its contents and looks at prying from the lowest screw row
 * it can have; this model takes the full load alone.
 */
import { expect, test } from '@jest/globals';
import { plan, type CabinetPlan } from '../planner/plan.ts';
import { NM_PER } from '../length/length.ts';
import { screwById } from '../joints/screws.ts';
import { place, type Panel } from '../solid/panel.ts';
import { seeded } from '../random/random.ts';
import { entered } from '../length/entered.ts';
import { applyEdit } from '../model/edit.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { randomProject } from '../test/random-project.ts';
import { SPECIES } from '../wall/species.ts';
import { STRUCTURES } from '../wall/structures.ts';
import type { Wall } from '../model/wall.ts';

const RUNS = Number(process.env['KEEN_RUNS'] ?? 400);
const [G0, LB, IN, C_D] = [9.80665, 4.4482216, 25.4, 0.9];
const PLUGS = { '6mm': [100, 200], '8mm': [130, 260], '10mm': [160, 330] } as const;

const mm = (nm: number): number => nm / NM_PER.mm;
function extentOf({ frame, outline }: Panel) {
  const corners = outline.map(({ from }) => place(frame, from));
  const [alongs, ups] = [corners.map(({ along }) => mm(along)), corners.map(({ up }) => mm(up))];
  return { left: Math.min(...alongs), right: Math.max(...alongs), low: Math.min(...ups), high: Math.max(...ups) };
}

/** What a load w from a to b lays on each support, the greatest of three ways: spans by themselves, a continuous beam, a rigid bar on springs. */
function reactions(W: number, a: number, b: number, at: readonly number[]): number[] {
  const [z, n] = [(a + b) / 2, at.length];
  if (n === 1) return [W];
  const part = (from: number, to: number): readonly [number, number] => {
    const [l, r] = [Math.max(a, from), Math.min(b, to)];
    return r > l ? [(W * (r - l)) / (b - a), (l + r) / 2] : [0, 0];
  };
  const simple = at.map(() => 0);
  for (let i = 0; i + 1 < n; i++) {
    const [P, middle] = part(i === 0 ? -1e9 : at[i]!, i + 2 === n ? 1e9 : at[i + 1]!);
    const far = (P * (middle - at[i]!)) / (at[i + 1]! - at[i]!);
    simple[i]! += P - far;
    simple[i + 1]! += far;
  }
  const mean = at.reduce((sum, x) => sum + x, 0) / n;
  const spread = at.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  const rigid = at.map((x) => W / n + (W * (z - mean) * (x - mean)) / spread);
  const beam = n < 3 ? simple : byForces(W, a, b, at);
  return at.map((_, i) => Math.max(simple[i]!, rigid[i]!, beam[i]!));
}

/** The force method: inner supports are forces that bring the beam on its two outer ones back to level. */
function byForces(W: number, a: number, b: number, at: readonly number[]): number[] {
  const [first, last] = [at[0]!, at.at(-1)!];
  const L = last - first;
  const w = W / (b - a);
  const STEPS = 4000;
  const xs = Array.from({ length: STEPS }, (_, i) => first + ((i + 0.5) * L) / STEPS);
  const loadMoment = (x: number): number => {
    const R = (W * (last - (a + b) / 2)) / L;
    const on = Math.max(0, Math.min(x, b) - a);
    return R * (x - first) - w * on * (x - (a + Math.min(x, b)) / 2);
  };
  const unit = (X: number) => (x: number) => -((x < X ? (last - X) * (x - first) : (X - first) * (last - x)) / L);
  const inner = at.slice(1, -1);
  const moments = inner.map(unit);
  const integral = (f: (x: number) => number, g: (x: number) => number): number => xs.reduce((sum, x) => sum + f(x) * g(x), 0);
  const A = moments.map((f) => moments.map((g) => integral(f, g)));
  const B = moments.map((f) => -integral(f, loadMoment));
  // Gauss, for the few there are.
  for (let i = 0; i < A.length; i++)
    for (let j = i + 1; j < A.length; j++) {
      const k = A[j]![i]! / A[i]![i]!;
      A[j] = A[j]!.map((value, c) => value - k * A[i]![c]!);
      B[j]! -= k * B[i]!;
    }
  const X = B.slice();
  for (let i = A.length - 1; i >= 0; i--) X[i] = (B[i]! - A[i]!.reduce((sum, value, c) => (c > i ? sum + value * X[c]! : sum), 0)) / A[i]![i]!;
  const turning = W * ((a + b) / 2 - first) - inner.reduce((sum, x, i) => sum + X[i]! * (x - first), 0);
  const R = turning / L;
  return [W - R - X.reduce((sum, value) => sum + value, 0), ...X, R];
}

interface Dowel {
  readonly side: number;
  readonly main: number;
  readonly gap: number;
  readonly sideG: number;
  /** psi */
  readonly Fem: number;
  readonly leastR?: number;
}

/** Six yield modes of NDS TR12, screws under a quarter inch or with the grain angle of a cleat; N. */
function across(id: string, { side, main, gap, sideG, Fem, leastR = 0 }: Dowel): number {
  const screw = screwById(id);
  const [D, r] = [screw.diameterMm / IN, screw.rootMm / IN];
  const [s, m, g] = [side / IN, main / IN, gap / IN];
  const isThick = D >= 0.25;
  const qs = (isThick ? (6100 * sideG ** 1.45) / Math.sqrt(D) : 16600 * sideG ** 1.84) * r;
  const qm = Fem * r;
  const M = ((screw.yieldMPa / 0.00689475729) * r ** 3) / 6;
  const root = (A: number, B: number, C: number): number => (-B + Math.sqrt(B * B - 4 * A * C)) / (2 * A);
  const KD = r <= 0.17 ? 2.2 : 10 * r + 0.5;
  // A cleat is sheared across its grain: K_theta 1.25 from a quarter inch of root up, and on K_D below.
  const reduce = (bearing: boolean, II: boolean): number => (!isThick ? KD : r < 0.25 ? KD * 1.25 : 1.25 * (bearing ? 4 : II ? 3.6 : 3.2));
  const values: readonly (readonly [number, number])[] = [
    [qm * m, reduce(true, false)],
    [qs * s, reduce(true, false)],
    [root((1 / qs + 1 / qm) / 4, s / 2 + g + m / 2, -(qs * s * s + qm * m * m) / 4), reduce(false, true)],
    [root(1 / (2 * qs) + 1 / (4 * qm), g + m / 2, -M - (qm * m * m) / 4), reduce(false, false)],
    [root(1 / (4 * qs) + 1 / (2 * qm), s / 2 + g, -M - (qs * s * s) / 4), reduce(false, false)],
    [root((1 / qs + 1 / qm) / 2, g, -2 * M), reduce(false, false)],
  ];
  return Math.min(...values.map(([value, R]) => value / Math.max(R, leastR))) * C_D * LB;
}

/** What the maker of a plug or an anchor says, as it may be counted on; null where nobody said. */
const ratedShare = (plug: boolean, rating: 'ultimate' | 'working'): number =>
  (plug ? { ultimate: 1 / 4, working: 1 / 1.25 } : { ultimate: 1 / 5, working: 1 / 1.5 })[rating];

/** The greatest x in [0, most] at which `over` is not yet positive; it grows with x. */
function lastBelow(most: number, over: (x: number) => number): number {
  let [low, high] = [0, most];
  for (let step = 0; step < 60; step++) {
    const x = (low + high) / 2;
    if (over(x) > 0) high = x;
    else low = x;
  }
  return low;
}

/** A plate is a pin on the head of a screw that stands off the wall: limit states by equilibrium of the dowel, in pounds and inches. */
function usedOnPlates({ cabinet: { hanging }, hang, hangInput: { wall } }: CabinetPlan, R: number): number | null {
  const { carries, sound } = STRUCTURES[wall.structure];
  const { fixing } = wall;
  const isMasonry = carries === 'masonry';
  if (!isMasonry && (carries !== 'timber' || fixing.into === 'covering')) return null;
  const screw = screwById(hanging.wallScrew.screw);
  const [D, r, L] = [screw.diameterMm, screw.rootMm / IN, mm(hanging.wallScrew.length)];
  const lever = mm(wall.covering.nm) + mm(hanging.plate!.proud);
  const grip = Math.min(Math.max(0, L - lever), isMasonry ? Infinity : mm(wall.studs.depth.nm));
  const m = (grip >= 10 * D ? 10 * D : Math.max(0, grip - D)) / IN;
  const G = isMasonry ? 0.42 : SPECIES[wall.studs.species].gravity;
  const q = (D >= 6.35 ? 11200 * G : 16600 * G ** 1.84) * r;
  const M = ((screw.yieldMPa / 0.00689475729) * r ** 3) / 6;
  const a = lever / IN;
  // Pushed one way to the depth x and the other way below it, the screw straight; or bent where the push ends.
  const turned = q * (2 * lastBelow(m, (x) => q * (2 * x - m) * a + (q * x * x) / 2 - (q * (m * m - x * x)) / 2) - m);
  const bent = q * lastBelow(1e3, (x) => q * x * a + (q * x * x) / 2 - M);
  const KD = r <= 0.17 ? 2.2 : 10 * r + 0.5;
  const [R1, R2, R3] = D < 6.35 ? [KD, KD, KD] : r < 0.25 ? [KD, KD, KD] : [4, 3.6, 3.2];
  const screwHolds = Math.min((q * m) / R1!, turned / R2!, bent / R3!) * C_D * LB;
  const plateHolds = (hanging.plate!.ratedKg * G0) / 1.5;
  const [lowPull, lowShear] = PLUGS[fixing.plug];
  const plug = (rated: number | null, low: number): number => (rated === null ? low * sound : rated * ratedShare(true, fixing.rating));
  const thread = 2850 * G * G * (D / IN) * (Math.min(grip, (2 / 3) * L) / IN) * C_D * LB;
  const steel = (138 * Math.PI * screw.rootMm ** 2) / 4;
  const Z = Math.min(screwHolds, plateHolds, isMasonry ? plug(fixing.shearN, lowShear) : Infinity);
  const P = Math.min(isMasonry ? plug(fixing.pullN, lowPull) : thread, plateHolds, steel);
  if (!(Z > 0 && P > 0)) return Infinity;
  // One row in the middle of the strip; the cabinet's foot is what it leans on.
  const s = mm(hanging.valleyUp) - mm(hanging.shortFace) - mm(hanging.standoffUp) + Math.round(mm(hanging.shortFace) / 2);
  return R / Z + (R * hang.loaded.out) / (s - s / 6) / P;
}

/** Bolted to two planes, each of them alone under three times its weight, as in a boat that comes down on a wave. */
function usedInVehicle(
  { loaded, studs }: CabinetPlan['hang'],
  { second, wallScrew }: CabinetPlan['cabinet']['hanging'],
  fixing: Wall['fixing'],
): number | null {
  if (!second) return null;
  const load = 3 * loaded.mass.value * G0;
  const each = Math.min(fixing.pullN ?? 0, fixing.shearN ?? 0) * ratedShare(false, fixing.rating);
  const back = studs.length * (wallScrew.upper + wallScrew.lower) * each;
  return Math.max(load / back, load / (second.count * (second.ratedN / 1.5)));
}

/** The use of the most loaded place on the wall under all that hangs; null where this model has no say. */
function usedAtWall(made: CabinetPlan): number | null {
  const { cabinet, hang, hangInput } = made;
  const { hanging, byId } = cabinet;
  const { wall, materialOf } = hangInput;
  const { fixing, structure } = wall;
  const carries = STRUCTURES[structure].carries;
  if (carries === 'moving') return usedInVehicle(hang, cabinet.hanging, fixing);
  if (hanging.brackets.length !== 1 || hanging.pieces) return null;
  const strip = byId.get(hanging.wallHalf)!;
  const [own, hook] = [extentOf(strip), extentOf(byId.get(hanging.cabinetHalf)!)];
  const [left, right] = [Math.max(own.left, hook.left), Math.min(own.right, hook.right)];
  const { mass, out: e, along: z } = hang.loaded;
  const W = mass.value * G0;
  const half = Math.min(z - left, right - z);
  const at = hang.studs.map(({ atMm }) => atMm).sort((a, b) => a - b);
  if (at.length < 2 || half <= 1) return null;
  const R = Math.max(...reactions(W, z - half, z + half, at));
  const screw = screwById(hanging.wallScrew.screw);
  if (hanging.plate) return usedOnPlates(made, R);
  const isAnchored = fixing.into === 'covering' && (carries === 'timber' || carries === 'metal');
  const counts = (n: number): number => (isAnchored || carries === 'masonry' ? Math.min(1, n) : n);
  const [upper, lower] = [counts(hanging.wallScrew.upper), counts(hanging.wallScrew.lower)];
  const t = mm(hanging.cleatThickness);
  const short = mm(hanging.shortFace);
  const edge = (screw.diameterMm >= 6.35 ? 4 : 2.5) * screw.diameterMm;
  const rows = [...Array.from({ length: upper }, () => Math.max(0, Math.floor(short - edge))), ...Array.from({ length: lower }, () => Math.ceil(edge))];
  const top = upper > 0 ? Math.max(0, Math.floor(short - edge)) : Math.ceil(edge);
  if (rows.length === 0 || top <= 0) return null;
  const V = R / rows.length;
  let T: number;
  if (hanging.kind === 'outside' || hanging.kind === 'recessed') {
    const tan = Math.tan((hanging.bevelDeg * Math.PI) / 180);
    const h = mm(hanging.contactUp) - mm(hanging.standoffUp);
    const H = R * Math.max(tan, (e - t / 2) / h);
    const r = top / 6;
    const b = short + (t / 2) * tan;
    T = Math.max(((H * (b - r) + (R * t) / 2) * (top - r)) / rows.reduce((sum, s) => sum + (s - r) ** 2, 0), H / rows.length);
  } else {
    const foot = mm(hanging.valleyUp) - short - mm(hanging.standoffUp);
    const s = foot + top;
    T = (R * e * (s - s / 6)) / rows.reduce((sum, row) => sum + (foot + row - s / 6) ** 2, 0);
  }
  const cleatG = materialOf(strip.stock).gravity;
  const gap = mm(wall.covering.nm) + mm(hanging.stripOff);
  const L = mm(hanging.wallScrew.length);
  const reach = Math.max(0, L - t - gap);
  const head = 690 * Math.PI * (screw.headMm / IN) * cleatG ** 2 * Math.min(t / IN, (2.5 * screw.headMm) / IN) * C_D * LB;
  const steel = (138 * Math.PI * screw.rootMm ** 2) / 4;
  const bearing = (grip: number): number => (grip >= 10 * screw.diameterMm ? 10 * screw.diameterMm : Math.max(0, grip - screw.diameterMm));
  const wood = (G: number): number => (screw.diameterMm >= 6.35 ? 11200 * G : 16600 * G ** 1.84);
  const share = (plug: boolean): number => ratedShare(plug, fixing.rating);
  const straight = (Z: number, P: number): number => V / Z + T / P;
  if (isAnchored) {
    if (fixing.pullN === null || fixing.shearN === null) return null;
    const holds = (N: number): number => Math.min(N * share(false), 5 * G0);
    return straight(holds(fixing.shearN), Math.min(holds(fixing.pullN), head, steel));
  }
  if (carries === 'timber') {
    const G = SPECIES[wall.studs.species].gravity;
    const depth = mm(wall.studs.depth.nm);
    const grip = Math.min(reach, depth);
    const thread = 2850 * G * G * (screw.diameterMm / IN) * (Math.min(grip, (2 / 3) * L) / IN) * C_D * LB;
    const Z = across(screw.id, { side: t, main: Math.min(depth, bearing(grip)), gap, sideG: cleatG, Fem: wood(G) });
    const P = Math.min(thread, head, steel);
    if (!(Z > 0 && P > 0)) return Infinity;
    return fixing.strict ? straight(Z, P) : (V ** 2 / Z + T ** 2 / P) / Math.hypot(V, T);
  }
  if (carries === 'metal') {
    const [sheet, D, Fu] = [mm(fixing.metal.nm), screw.diameterMm, 310];
    const torn = (Math.min(4.2 * Math.sqrt(sheet ** 3 * D), 2.7 * sheet * D) * Fu) / 3;
    const bent = across(screw.id, { side: t, main: sheet, gap, sideG: cleatG, Fem: 61_850, leastR: 3 });
    return straight(Math.min(torn, bent), Math.min((0.85 * sheet * D * Fu) / 3, head, steel));
  }
  const { sound } = STRUCTURES[structure];
  const [lowPull, lowShear] = PLUGS[fixing.plug];
  const plug = (rated: number | null, low: number): number => (rated === null ? low * sound : rated * share(true));
  const bent = across(screw.id, { side: t, main: bearing(reach), gap, sideG: cleatG, Fem: wood(0.42) });
  const [Z, P] = [Math.min(plug(fixing.shearN, lowShear), bent), Math.min(plug(fixing.pullN, lowPull), head, steel)];
  if (!(Z > 0 && P > 0)) return Infinity;
  const isRated = fixing.pullN !== null && fixing.shearN !== null;
  return sound === 1 && isRated && !fixing.strict ? Math.max(V / Z, T / P, straight(Z, P) / 1.2) : straight(Z, P);
}

test(`of ${RUNS} random projects on every wall, none uses its wall fixings less than a second model does, and none it finds over is OK`, () => {
  const wrong: string[] = [];
  let [judged, alike] = [0, 0];
  const ways = new Set<string>();
  for (let seed = 0; seed < RUNS; seed++) {
    const project = randomProject(seed, { changed: 0.12 });
    const made = plan(project.design, project.record, project.workshop).cabinets[0];
    if (!made) continue;
    const found = usedAtWall(made);
    if (found === null) continue;
    const { hang, cabinet, hangInput } = made;
    const told = Math.max(
      ...hang.links.filter(({ kind }) => kind === 'wall-screws' || kind === 'plane-back' || kind === 'plane-second').map(({ use }) => use.value),
    );
    const what = `${seed}: ${cabinet.hanging.kind} on ${hangInput.wall.structure}`;
    judged++;
    ways.add(cabinet.hanging.kind).add(STRUCTURES[hangInput.wall.structure].carries);
    if (told < 0.99 * found && told < 90) wrong.push(`${what}: ${told} where ${found}`);
    if (Math.abs(told / found - 1) < 0.01) alike++;
    if (found > 1.01 && (hang.state === 'fine' || hang.state === 'tight')) wrong.push(`${what}: ${hang.state} at ${found}`);
  }
  expect(wrong).toEqual([]);
  // It had a say, and mostly the same one.
  expect(judged).toBeGreaterThan(RUNS / 6);
  expect(alike).toBeGreaterThan(judged / 2);
  expect([...ways]).toEqual(expect.arrayContaining(['outside', 'recessed', 'through', 'plates', 'timber', 'metal', 'masonry', 'moving']));
});

test('two boxes on one rail, moved along it and filled anyhow: each stud carries what a second model lays on it from both', () => {
  const { design, record, workshop } = furnishedRoom();
  const random = seeded(7);
  const between = (low: number, high: number): number => Math.round(low + random() * (high - low));
  let alike = 0;
  const CASES = 40;
  for (let n = 0; n < CASES; n++) {
    const kg = (id: string) => ({ path: ['units', id, 'contents'], value: { bottom: { preset: 'general', kg: between(0, 30) } } });
    const made = plan(
      applyEdit(design, [
        { path: ['items'], value: {} },
        kg('spacing-1'),
        kg('spacing-2'),
        { path: ['units', 'spacing-2', 'place', 'along'], value: entered(`${between(2970, 3120)} mm`) },
      ]),
      record,
      workshop,
    );
    const boxes = ['spacing-1', 'spacing-2'].map((id) => made.byId.get(id)!);
    const own = boxes.map(({ cabinet, hang, block }) => {
      const strip = extentOf(cabinet.byId.get(cabinet.hanging.wallHalf)!);
      const hook = extentOf(cabinet.byId.get(cabinet.hanging.cabinetHalf)!);
      const z = hang.loaded.along;
      const half = Math.min(z - Math.max(strip.left, hook.left), Math.min(strip.right, hook.right) - z);
      const left = mm(block.left);
      const at = hang.studs.map(({ atMm }) => atMm).sort((a, b) => a - b);
      return { at: at.map((x) => x + left), shares: reactions(hang.loaded.mass.value * G0, z - half, z + half, at) };
    });
    for (const { hang, block } of boxes)
      for (const { atMm, share } of hang.studs) {
        const sum = own.reduce((all, { at, shares }) => all + Math.max(0, shares[at.findIndex((x) => Math.abs(x - atMm - mm(block.left)) < 2)] ?? 0), 0);
        expect(share.value).toBeGreaterThan(0.99 * sum);
        if (Math.abs(share.value / sum - 1) < 0.01) alike++;
      }
  }
  expect(alike).toBeGreaterThan((CASES * 6) / 2);
});
