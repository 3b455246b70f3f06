/** Quick sums of lengths, weights, spacing and sag. */
import { readExpression } from '../length/parse.ts';
import { toNumber } from '../length/rational.ts';
import { PANEL_MASS } from '../parts/weights.ts';
import { Refusal } from '../problem/problem.ts';
import { BENDING_STIFFNESS, GLUED_ENDS } from '../sag/shelf-sag.ts';
import { MATERIALS } from '../stock/materials.ts';
import { evaluate } from '../explained/explained-value.ts';
import { readQuantity } from './quantity.ts';
import { workingOf, type Inputs, type SumKey, type Sum } from './sum.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';
import type { MaterialId } from '../model/workshop.ts';

const n = (value: number, unit: string) => ({ value, unit });
const length = (key: string): SumKey => ({ key, kind: 'length' });

const lengthSum: Sum = {
  name: 'length',
  keys: [
    { key: 'expression', kind: 'text' },
    { key: 'to', kind: 'length', default: '1/16in' },
  ],
  run(inputs) {
    const { quantity } = readExpression(inputs.text('expression'), 'expression');
    if (quantity.power !== 1) throw new Refusal('length-unit', `'${inputs.text('expression')}' has no unit`, 'expression', 'a unit on every term of a sum');
    const value = toNumber(quantity.value) / 1e6;
    const to = inputs.amount('to');
    const rounded = Math.round(value / to) * to;
    return {
      results: { value: n(value, 'mm'), rounded: n(rounded, 'mm'), rest: n(value - rounded, 'mm') },
      working: [`${inputs.text('expression')} = ${value} mm`, `to the nearest ${to} mm: ${rounded} mm`],
      cautions: [],
    };
  },
};

const panelWeight: Sum = {
  name: 'panel-weight',
  keys: [
    length('length'),
    length('width'),
    length('thickness'),
    { key: 'density', kind: 'density', optional: true },
    { key: 'material', kind: 'choice', options: Object.keys(MATERIALS), optional: true },
    { key: 'count', kind: 'count', default: '1' },
  ],
  run(inputs) {
    if (inputs.has('density') === inputs.has('material'))
      throw new Refusal(
        inputs.has('density') ? 'either-or' : 'missing-key',
        inputs.has('density') ? 'both density and material are given' : "'density' is missing",
        'density',
        'density, or material',
      );
    const density = inputs.maybe('density') ?? MATERIALS[inputs.text('material') as MaterialId].densityKgM3;
    const volume = (inputs.amount('length') * inputs.amount('width') * inputs.amount('thickness') * inputs.amount('count')) / 1e9;
    const mass = evaluate(PANEL_MASS, { volume, ρ: density });
    return {
      results: { mass: n(mass.value, 'kg'), weight: n(mass.value * STANDARD_GRAVITY, 'N') },
      working: [...workingOf(mass), `weight = m · g₀ = ${mass.value * STANDARD_GRAVITY} N`],
      cautions: [],
    };
  },
};

const gravityCentre: Sum = {
  name: 'centre-of-gravity',
  keys: [{ key: 'items', kind: 'text' }],
  run(inputs) {
    const items = inputs
      .text('items')
      .split(',')
      .map((text) => {
        const [mass, at, ...rest] = text.split('@');
        if (mass === undefined || at === undefined || rest.length > 0)
          throw new Refusal('value', `'${text.trim()}' cannot be read`, 'items', 'masses at places: 24kg@165mm, 60kg@180mm');
        const kg = readQuantity(mass, 'mass', 'items');
        if (kg <= 0) throw new Refusal('range', `'${mass.trim()}' is out of range`, 'items', 'masses over nought');
        return { kg, out: readQuantity(at, 'length', 'items') };
      });
    const mass = items.reduce((sum, { kg }) => sum + kg, 0);
    const out = items.reduce((sum, { kg, out: at }) => sum + kg * at, 0) / mass;
    return {
      results: { mass: n(mass, 'kg'), out: n(out, 'mm') },
      working: [`out = Σ m e / Σ m = (${items.map(({ kg, out: at }) => `${kg} · ${at}`).join(' + ')}) / ${mass} = ${out} mm`],
      cautions: [],
    };
  },
};

const evenSpacing: Sum = {
  name: 'even-spacing',
  keys: [length('inside'), { key: 'count', kind: 'count' }, length('thickness')],
  run(inputs) {
    const [inside, count, thickness] = [inputs.amount('inside'), inputs.amount('count'), inputs.amount('thickness')];
    const opening = (inside - count * thickness) / (count + 1);
    if (opening <= 0)
      throw new Refusal('range', `${count} pieces of ${thickness} mm leave nothing of ${inside} mm`, 'count', `at most ${Math.ceil(inside / thickness) - 1}`);
    const positions = Array.from({ length: count }, (_, k) => ((inside - count * thickness) * (k + 1)) / (count + 1) + k * thickness);
    return {
      results: { opening: n(opening, 'mm'), positions: { value: positions, unit: 'mm' } },
      working: [`opening = (inside − count · thickness) / (count + 1) = (${inside} − ${count} · ${thickness}) / ${count + 1} = ${opening} mm`],
      cautions: [],
    };
  },
};

const shelfSag: Sum = {
  name: 'shelf-sag',
  keys: [
    length('span'),
    length('depth'),
    length('thickness'),
    { key: 'stiffness', kind: 'stress' },
    { key: 'load', kind: 'force', range: 'nought-or-more', default: '0N' },
    { key: 'centre', kind: 'force', range: 'nought-or-more', default: '0N' },
    { key: 'ends', kind: 'choice', options: ['simple', 'glued', 'fixed', 'two-spans'], default: 'simple' },
    { key: 'creep', kind: 'factor', default: '1' },
    { key: 'strip', kind: 'text', optional: true },
    { key: 'stripStiffness', kind: 'stress', optional: true },
    { key: 'stripAt', kind: 'choice', options: ['flush', 'under'], default: 'flush' },
  ],
  run(inputs) {
    const L = inputs.amount('span');
    const [load, centre] = [inputs.amount('load'), inputs.amount('centre')];
    const ends = inputs.text('ends');
    if (load + centre === 0) throw new Refusal('range', 'there is no load', 'load', 'a load, a centre load, or both');
    if (ends === 'two-spans' && centre > 0) throw new Refusal('either-or', 'a centre load does not go with two spans', 'centre', 'ends=simple, glued or fixed');
    const { EI, working } = stiffness(inputs);
    const shared = (load * L ** 3) / EI;
    const point = (centre * L ** 3) / EI;
    const now = {
      simple: (5 * shared) / 384 + point / 48,
      glued: GLUED_ENDS * ((5 * shared) / 384 + point / 48),
      fixed: shared / 384 + point / 192,
      'two-spans': shared / 185,
    }[ends]!;
    const creep = inputs.amount('creep');
    if (creep < 1) throw new Refusal('range', `a creep of ${creep} is out of range`, 'creep', '1 or more');
    const later = now * creep;
    const cautions = inputs.has('strip') ? ['The back edge gets less help from the strip: where it is not held to a back, reckon 1.2 times this.'] : [];
    if (ends === 'fixed') cautions.push('Fully fixed ends are an upper bound: shop joints give far less.');
    return {
      results: { now: n(now, 'mm'), later: n(later, 'mm'), spanOver: { value: L / later } },
      working: [...working, `now, ends ${ends}: ${now} mm`, `later = now · creep = ${later} mm`],
      cautions,
    };
  },
};

/** The sag formula solved for the load: 5 w L⁴ creep / (384 E I) = L / limit. The load is taken as given, own weight included or not. */
const shelfSpan: Sum = {
  name: 'shelf-span',
  keys: [
    length('depth'),
    length('thickness'),
    { key: 'stiffness', kind: 'stress' },
    { key: 'load', kind: 'per-length' },
    { key: 'creep', kind: 'factor', default: '1' },
    { key: 'limit', kind: 'factor', default: '600' },
  ],
  run(inputs) {
    const [w, creep, limit] = [inputs.amount('load'), inputs.amount('creep'), inputs.amount('limit')];
    if (creep < 1) throw new Refusal('range', `a creep of ${creep} is out of range`, 'creep', '1 or more');
    const { EI, working } = stiffness(inputs);
    const span = Math.cbrt((384 * EI) / (5 * w * creep * limit));
    return {
      results: { span: n(span, 'mm') },
      working: [...working, `span = ∛(384 EI / (5 w · creep · limit)) = ∛(384 · ${EI} / (5 · ${w} · ${creep} · ${limit})) = ${span} mm`],
      cautions: [],
    };
  },
};

/** EI of the shelf alone, or with a strip glued along its front edge. */
function stiffness(inputs: Inputs): { EI: number; working: string[] } {
  const [B, t, E] = [inputs.amount('depth'), inputs.amount('thickness'), inputs.amount('stiffness')];
  const alone = evaluate(BENDING_STIFFNESS, { E, B, t });
  if (!inputs.has('strip')) {
    if (inputs.has('stripStiffness')) throw new Refusal('missing-key', "'strip' is missing", 'strip', 'width*height of the strip, or no stripStiffness');
    return { EI: alone.value, working: workingOf(alone) };
  }
  const Es = inputs.maybe('stripStiffness');
  if (Es === undefined) throw new Refusal('missing-key', "'stripStiffness' is missing", 'stripStiffness', 'a stress: 9000MPa');
  const sides = inputs
    .text('strip')
    .split('*')
    .map((text) => readQuantity(text, 'length', 'strip'));
  const [b, h] = sides;
  if (sides.length !== 2 || !(b! > 0) || !(h! > 0)) throw new Refusal('value', `'${inputs.text('strip')}' cannot be read`, 'strip', 'width*height: 19mm*38mm');
  // Heights are measured down from the shelf's top.
  const members = [
    { EA: E * B * t, EI: alone.value, y: t / 2 },
    { EA: Es * b! * h!, EI: (Es * b! * h! ** 3) / 12, y: inputs.text('stripAt') === 'flush' ? h! / 2 : t + h! / 2 },
  ];
  const middle = members.reduce((sum, { EA, y }) => sum + EA * y, 0) / members.reduce((sum, { EA }) => sum + EA, 0);
  const EI = members.reduce((sum, member) => sum + member.EI + member.EA * (member.y - middle) ** 2, 0);
  return { EI, working: [...workingOf(alone), `with the strip: EI = Σ (E I + E A (y − ȳ)²), ȳ = ${middle} mm, EI = ${EI} N mm²; [eq]`] };
}

export const BOX_SUMS: readonly Sum[] = [lengthSum, panelWeight, gravityCentre, evenSpacing, shelfSag, shelfSpan];
