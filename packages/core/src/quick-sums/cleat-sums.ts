/** Quick sums of the cleat and the wall behind it. */
import { HOLD_DOWN, LIFT_LIMIT, LIFT_STARTS, OUTWARD, PULL_LIMIT, SPACER_PUSH, TIP_RATIO } from '../hang/statics.ts';
import { FINE_TIP } from '../hang/link.ts';
import { studShares } from '../hang/stud-shares.ts';
import { Refusal } from '../problem/problem.ts';
import { ENGAGEMENT, MIN_BEVEL_DEG, LIFT_CLEARANCE, MAX_BEVEL_DEG, RIPPED_LONG_FACES, SHORT_FACE, tanDeg } from '../solid/hanging.ts';
import { evaluate } from '../explained/explained-value.ts';
import { workingOf, type Inputs, type SumKey, type Sum } from './sum.ts';

const n = (value: number, unit: string) => ({ value, unit });
/** Six digits for the working: results stay unrounded. */
const six = (value: number): number => Number(value.toPrecision(6));
const length = (key: string): SumKey => ({ key, kind: 'length' });
const weight: SumKey = { key: 'weight', kind: 'force' };
const bevelKey: SumKey = { key: 'bevel', kind: 'angle' };

function bevel(inputs: Inputs): number {
  const value = inputs.amount('bevel');
  if (value < MIN_BEVEL_DEG || value > MAX_BEVEL_DEG)
    throw new Refusal('range', `a bevel of ${value} deg is out of range`, 'bevel', `${MIN_BEVEL_DEG}deg to ${MAX_BEVEL_DEG}deg`);
  return value;
}

const statics: Sum = {
  name: 'cleat-statics',
  keys: [weight, length('out'), length('drop'), length('thickness'), bevelKey],
  run(inputs) {
    const terms = { W: inputs.amount('weight'), e: inputs.amount('out'), t: inputs.amount('thickness'), h: inputs.amount('drop'), θ: bevel(inputs) };
    const { W, e, t, h, θ } = terms;
    const tip = evaluate(TIP_RATIO, { e, t, h, θ });
    const design = evaluate(OUTWARD, terms);
    const spacer = evaluate(SPACER_PUSH, { W, e, t, h });
    const hold = evaluate(HOLD_DOWN, terms);
    const hooked = tip.value <= 1;
    return {
      results: {
        vertical: n(W, 'N'),
        outward: n(W * tanDeg(θ), 'N'),
        outwardDesign: n(design.value, 'N'),
        spacer: n(spacer.value, 'N'),
        tipRatio: { value: tip.value },
        hooked: { value: hooked },
        antiLift: n(hooked ? 0 : hold.value, 'N'),
      },
      working: [
        `outward = W tan θ = ${six(W * tanDeg(θ))} N, without friction`,
        ...workingOf(tip),
        ...workingOf(design),
        ...workingOf(spacer),
        ...(hooked ? [] : workingOf(hold)),
      ],
      cautions: hooked
        ? tip.value > FINE_TIP
          ? ['Close to limit: add a lock screw against lifting off.']
          : []
        : ['It swings off its hook: do not hang it like this without a screw at the bottom.'],
    };
  },
};

const frontEdge: Sum = {
  name: 'front-edge',
  keys: [
    weight,
    length('out'),
    length('drop'),
    length('thickness'),
    bevelKey,
    length('front'),
    { key: 'backing', kind: 'length', range: 'nought-or-more' },
    length('pullBelow'),
  ],
  run(inputs) {
    const W = inputs.amount('weight');
    const t = inputs.amount('thickness');
    const θ = bevel(inputs);
    const a = inputs.amount('out') - t / 2;
    const D = inputs.amount('front') - t / 2;
    if (D <= 0) throw new Refusal('range', 'the front edge is behind the cleat', 'front', `over ${t / 2} mm`);
    const c = inputs.amount('backing');
    const starts = evaluate(LIFT_STARTS, { W, a, D });
    const lift = evaluate(LIFT_LIMIT, { W, a, D, c, θ });
    const pull = evaluate(PULL_LIMIT, { W, a, c, z: inputs.amount('pullBelow'), h: inputs.amount('drop'), θ });
    return {
      results: { liftStarts: n(starts.value, 'N'), liftLimit: n(lift.value, 'N'), pullLimit: n(pull.value, 'N') },
      working: [...workingOf(starts), ...workingOf(lift), ...workingOf(pull)],
      cautions: [],
    };
  },
};

const prying: Sum = {
  name: 'cleat-prying',
  keys: [
    weight,
    bevelKey,
    length('thickness'),
    length('contact'),
    length('screw'),
    { key: 'bearing', kind: 'length', range: 'nought-or-more', optional: true },
  ],
  run(inputs) {
    const V = inputs.amount('weight');
    const t = inputs.amount('thickness');
    const b = inputs.amount('contact');
    const s = inputs.amount('screw');
    const r = inputs.maybe('bearing') ?? s / 6;
    if (s >= b) throw new Refusal('range', 'the screw must be below the contact', 'screw', `under ${b} mm`);
    if (r >= s) throw new Refusal('range', 'the bearing point must be below the screw', 'bearing', `under ${s} mm`);
    const H = V * tanDeg(bevel(inputs));
    const tension = (H * (b - r) + (V * t) / 2) / (s - r);
    return {
      results: { outward: n(H, 'N'), tension: n(tension, 'N') },
      working: [
        `outward = V tan θ = ${six(H)} N`,
        `tension = [H (b − r) + V t/2] / (s − r) = [${six(H)} · (${six(b)} − ${six(r)}) + ${six(V)} · ${six(t)}/2] / (${six(s)} − ${six(r)}) = ${six(tension)} N; [eq], r [ASSUME]`,
      ],
      cautions: [],
    };
  },
};

const rip: Sum = {
  name: 'cleat-rip',
  keys: [length('board'), length('thickness'), length('kerf'), bevelKey, { key: 'wallLong', kind: 'length', optional: true, unsetWord: 'half' }],
  run(inputs) {
    const t = inputs.amount('thickness');
    const θ = bevel(inputs);
    const both = evaluate(RIPPED_LONG_FACES, { B: inputs.amount('board'), t, k: inputs.amount('kerf'), θ });
    const wallLong = inputs.maybe('wallLong') ?? both.value / 2;
    const cabinetLong = both.value - wallLong;
    const wall = evaluate(SHORT_FACE, { long: wallLong, t, θ });
    const cabinet = evaluate(SHORT_FACE, { long: cabinetLong, t, θ });
    if (wall.value <= 0 || cabinet.value <= 0)
      throw new Refusal('range', 'a half comes out without a short face', inputs.has('wallLong') ? 'wallLong' : 'board', 'a wider board');
    const least = Math.min(wall.value, cabinet.value);
    return {
      results: { wallLong: n(wallLong, 'mm'), wallShort: n(wall.value, 'mm'), cabinetLong: n(cabinetLong, 'mm'), cabinetShort: n(cabinet.value, 'mm') },
      working: [...workingOf(both), ...workingOf(wall), ...workingOf(cabinet)],
      cautions: least < 45 ? [`A short face of ${least.toFixed(1)} mm is low: 45 mm or more leaves room for the screws.`] : [],
    };
  },
};

const clearance: Sum = {
  name: 'lift-clearance',
  keys: [length('wall'), length('cabinet'), bevelKey, { key: 'margin', kind: 'length', range: 'nought-or-more', default: '6mm' }],
  run(inputs) {
    const [wall, cabinet] = [inputs.amount('wall'), inputs.amount('cabinet')];
    const engagement = evaluate(ENGAGEMENT, { 't wall': wall, 't cabinet': cabinet, θ: bevel(inputs) });
    const clear = evaluate(LIFT_CLEARANCE, { engagement, margin: inputs.amount('margin') });
    return {
      results: { engagement: n(engagement.value, 'mm'), clear: n(clear.value, 'mm'), gap: n(Math.max(wall, cabinet), 'mm') },
      working: workingOf(clear),
      cautions: [],
    };
  },
};

const shares: Sum = {
  name: 'stud-shares',
  keys: [
    weight,
    { key: 'left', kind: 'length', range: 'any' },
    { key: 'right', kind: 'length', range: 'any' },
    { key: 'studs', kind: 'list', of: 'length', range: 'any' },
    { key: 'centre', kind: 'length', range: 'any', optional: true, unsetWord: 'middle' },
  ],
  run(inputs) {
    const [left, right] = [inputs.amount('left'), inputs.amount('right')];
    if (right <= left) throw new Refusal('range', 'right is not beyond left', 'right', `over ${left} mm`);
    const studs = inputs.list('studs');
    if (new Set(studs).size !== studs.length) throw new Refusal('twice', 'two studs stand in one place', 'studs', 'each stud once');
    const centre = inputs.maybe('centre');
    if (centre !== undefined && (centre <= left || centre >= right))
      throw new Refusal('range', 'the centre is not between the ends', 'centre', `between ${left} and ${right} mm`);
    const W = inputs.amount('weight');
    const at = centre ?? (left + right) / 2;
    const half = Math.min(at - left, right - at);
    const mean = studs.reduce((sum, stud) => sum + stud, 0) / studs.length;
    const shares = (newtons: readonly number[]): string => newtons.map((each, index) => `${six(each)} N at ${six(studs[index]!)} mm`).join(', ');
    const { simple, continuous, rigid, worst } = studShares(W, left, right, studs, centre);
    return {
      results: { simple: { value: simple, unit: 'N' }, continuous: { value: continuous, unit: 'N' }, rigid: { value: rigid, unit: 'N' }, worst: n(worst, 'N') },
      working: [
        `W = ${six(W)} N, spread evenly from ${six(at - half)} to ${six(at + half)} mm: ${six(W / (2 * half))} N/mm`,
        `simple: spans between neighboring studs, ends as cantilevers: ${shares(simple)}`,
        `continuous: three-moment equations on unyielding supports: ${shares(continuous)}`,
        `rigid: W/n + W (x_c − x_m)(x − x_m) / Σ (x − x_m)², x_c = ${six(at)}, x_m = ${six(mean)} mm: ${shares(rigid)}; [eq]`,
      ],
      cautions: studs.length < 2 ? ['One stud carries everything: see the rule for narrow units.'] : [],
    };
  },
};

export const CLEAT_SUMS: readonly Sum[] = [statics, frontEdge, prying, rip, clearance, shares];
