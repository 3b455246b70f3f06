/** Quick sums of sawing and routing: strips, guides, angles, squareness. docs/sums.md */
import { Refusal } from '../problem/problem.ts';
import type { SumKey, Sum } from './sum.ts';

const n = (value: number, unit: string) => ({ value, unit });
const length = (key: string): SumKey => ({ key, kind: 'length' });
const rad = (degrees: number): number => (degrees * Math.PI) / 180;
const deg = (radians: number): number => (radians * 180) / Math.PI;

/** Remainder that still counts as exact, mm: far below any saw's accuracy. */
const EXACT_MM = 1e-6;
/** Limit on the number of strips. */
const MAX_STRIPS = 10_000;

const strips: Sum = {
  name: 'strips',
  keys: [length('width'), { key: 'kerf', kind: 'length' }, { key: 'count', kind: 'count', optional: true }, { ...length('each'), optional: true }],
  run(inputs) {
    const [width, kerf] = [inputs.amount('width'), inputs.amount('kerf')];
    const [count, each] = [inputs.maybe('count'), inputs.maybe('each')];
    if ((count === undefined) === (each === undefined))
      throw new Refusal(
        count === undefined ? 'missing-key' : 'either-or',
        count === undefined ? 'neither a count nor a width of each is given' : 'a count goes without a width of each',
        'count',
        'count, or each',
      );
    if (count !== undefined) {
      const own = (width - (count - 1) * kerf) / count;
      if (own <= 0) throw new Refusal('range', `${count - 1} kerfs of ${kerf} mm leave nothing of ${width} mm`, 'count', 'fewer strips, or a wider piece');
      return {
        results: { each: n(own, 'mm'), count: { value: count }, left: n(0, 'mm'), cuts: { value: count - 1 } },
        working: [`each = (width − (count − 1) · kerf) / count = (${width} − ${count - 1} · ${kerf}) / ${count} = ${own} mm`],
        cautions: [],
      };
    }
    const most = Math.floor((width + kerf + EXACT_MM) / (each! + kerf));
    if (most > MAX_STRIPS) throw new Refusal('range', `there would be ${most} strips`, 'each', `strips that give at most ${MAX_STRIPS}`);
    const rest = most === 0 ? width : width - most * each! - (most - 1) * kerf;
    const exact = Math.abs(rest) <= EXACT_MM;
    const left = most === 0 ? width : exact ? 0 : Math.max(0, rest - kerf);
    return {
      results: { each: n(each!, 'mm'), count: { value: most }, left: n(left, 'mm'), cuts: { value: most === 0 ? 0 : exact ? most - 1 : most } },
      working: [
        `count = floor((width + kerf) / (each + kerf)) = floor((${width} + ${kerf}) / (${each} + ${kerf})) = ${most}`,
        `left = width − count · each − cuts · kerf, not below 0 = ${left} mm`,
      ],
      cautions: most === 0 ? [`not one strip of ${each} mm comes out of ${width} mm`] : [],
    };
  },
};

const guideOffset: Sum = {
  name: 'guide-offset',
  keys: [length('base'), length('cutter')],
  run(inputs) {
    const [base, cutter] = [inputs.amount('base'), inputs.amount('cutter')];
    const offset = base - cutter / 2;
    if (offset <= 0) throw new Refusal('range', `a cutter of ${cutter} mm reaches past a base of ${base} mm`, 'cutter', `under ${2 * base} mm`);
    return {
      results: { offset: n(offset, 'mm') },
      working: [`offset = base − cutter / 2 = ${base} − ${cutter} / 2 = ${offset} mm, from the straight edge to the near side of the slot`],
      cautions: [],
    };
  },
};

/** Compound miter of an n-sided box with leaning sides: both saw angles. docs/formulas/mitre-bevel.md */
const mitre: Sum = {
  name: 'mitre',
  keys: [
    { key: 'sides', kind: 'count' },
    { key: 'lean', kind: 'angle', range: 'nought-or-more', default: '0deg' },
  ],
  run(inputs) {
    const [sides, lean] = [inputs.amount('sides'), inputs.amount('lean')];
    if (sides < 3) throw new Refusal('range', `${sides} sides make no box`, 'sides', '3 or more');
    if (lean >= 90) throw new Refusal('range', `sides that lean ${lean}° lie flat`, 'lean', 'under 90deg');
    const half = rad(180 / sides);
    const tilt = deg(Math.asin(Math.sin(half) * Math.cos(rad(lean))));
    const gauge = deg(Math.atan(Math.tan(half) * Math.sin(rad(lean))));
    return {
      results: { tilt: n(tilt, 'deg'), gauge: n(gauge, 'deg') },
      working: [
        `half the corner = 180° / sides = ${180 / sides}°`,
        `tilt of the blade = asin(sin ${180 / sides}° · cos ${lean}°) = ${tilt}° from square`,
        `miter gauge = atan(tan ${180 / sides}° · sin ${lean}°) = ${gauge}° from square`,
      ],
      cautions: [],
    };
  },
};

const tilt: Sum = {
  name: 'tilt',
  keys: [length('height'), { key: 'angle', kind: 'angle', range: 'nought-or-more' }, length('thickness')],
  run(inputs) {
    const [height, angle, thickness] = [inputs.amount('height'), inputs.amount('angle'), inputs.amount('thickness')];
    if (angle >= 90) throw new Refusal('range', `a panel at ${angle}° from plumb lies flat`, 'angle', 'under 90deg');
    const t = Math.tan(rad(angle));
    const slope = height / Math.cos(rad(angle));
    return {
      results: { run: n(height * t, 'mm'), length: n(slope, 'mm'), bevel: n(angle, 'deg'), extra: n(thickness * t, 'mm') },
      working: [
        `run = height · tan angle = ${height} · tan ${angle}° = ${height * t} mm`,
        `length = height / cos angle = ${height} / cos ${angle}° = ${slope} mm along the slope, without what the bevel takes`,
        `the ends are beveled by the angle; that takes thickness · tan angle = ${thickness * t} mm more`,
      ],
      cautions: [],
    };
  },
};

/** Diagonals of a parallelogram satisfy d₁² + d₂² = 2 (w² + h²); a larger relative deviation is a misreading. [ASSUME] */
const BELIEVED = 0.02;

const squareCheck: Sum = {
  name: 'square-check',
  keys: [length('width'), length('height'), length('first'), length('second')],
  run(inputs) {
    const [w, h, first, second] = [inputs.amount('width'), inputs.amount('height'), inputs.amount('first'), inputs.amount('second')];
    const wanted = 2 * (w * w + h * h);
    const cos = (first * first - second * second) / (4 * w * h);
    if (Math.abs(first * first + second * second - wanted) > BELIEVED * wanted || Math.abs(cos) > 1)
      throw new Refusal(
        'range',
        `no box of ${w} by ${h} mm has diagonals of ${first} and ${second} mm`,
        'first',
        `diagonals near ${Math.round(Math.hypot(w, h))} mm: one as much longer as the other is shorter`,
      );
    const angle = deg(Math.asin(Math.abs(cos)));
    const out = h * Math.abs(cos);
    return {
      results: { out: n(out, 'mm'), angle: n(angle, 'deg'), longer: { value: first > second ? 'first' : second > first ? 'second' : 'neither' } },
      working: [
        `cosine of the corner = (first² − second²) / (4 · width · height) = ${cos}`,
        `out of square by ${angle}°: out over the height = height · sin = ${out} mm`,
      ],
      cautions: [],
    };
  },
};

export const MAKING_SUMS: readonly Sum[] = [strips, guideOffset, mitre, tilt, squareCheck];
