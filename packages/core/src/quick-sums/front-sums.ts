/** Quick sums of doors, drawers, shelf pins and magnets. docs/sums.md */
import { PERMANENT } from '../hang/fasteners.ts';
import { pinYield } from '../hang/joint-capacity.ts';
import { CUP_FROM_END_MM, hingesFor } from '../joints/hinges.ts';
import { Refusal } from '../problem/problem.ts';
import type { SumKey, Sum } from './sum.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const n = (value: number, unit: string) => ({ value, unit });
const length = (key: string): SumKey => ({ key, kind: 'length' });
const rad = (degrees: number): number => (degrees * Math.PI) / 180;

const door: Sum = {
  name: 'door',
  keys: [
    length('width'),
    length('height'),
    { key: 'leaves', kind: 'count', default: '1' },
    { key: 'overlay', kind: 'length', range: 'any', default: '0mm' },
    { key: 'reveal', kind: 'length', range: 'nought-or-more' },
    { key: 'between', kind: 'length', range: 'nought-or-more', optional: true },
  ],
  run(inputs) {
    const [width, height, leaves] = [inputs.amount('width'), inputs.amount('height'), inputs.amount('leaves')];
    const [overlay, reveal] = [inputs.amount('overlay'), inputs.amount('reveal')];
    const between = inputs.maybe('between') ?? reveal;
    const leafWidth = (width + 2 * overlay - 2 * reveal - (leaves - 1) * between) / leaves;
    const leafHeight = height + 2 * overlay - 2 * reveal;
    if (leafWidth <= 0 || leafHeight <= 0) throw new Refusal('range', 'nothing is left of the leaves', leafWidth <= 0 ? 'width' : 'height', 'a larger opening');
    const count = hingesFor(leafHeight);
    const step = (leafHeight - 2 * CUP_FROM_END_MM) / (count - 1);
    const cups = Array.from({ length: count }, (_, index) => CUP_FROM_END_MM + index * step);
    return {
      results: { leafWidth: n(leafWidth, 'mm'), leafHeight: n(leafHeight, 'mm'), cups: { value: cups, unit: 'mm' } },
      working: [
        `leaf width = (width + 2 · overlay − 2 · reveal − (leaves − 1) · between) / leaves = (${width} + 2 · ${overlay} − 2 · ${reveal} − ${leaves - 1} · ${between}) / ${leaves} = ${leafWidth} mm`,
        `leaf height = height + 2 · overlay − 2 · reveal = ${leafHeight} mm`,
        `${count} cups, the outer ones ${CUP_FROM_END_MM} mm from the ends, ${step} mm apart`,
      ],
      cautions: step < CUP_FROM_END_MM ? ['So low a leaf has no room for cups 100 mm from its ends: set them closer.'] : [],
    };
  },
};

const drawer: Sum = {
  name: 'drawer',
  keys: [
    length('width'),
    length('height'),
    length('depth'),
    { key: 'side', kind: 'length', range: 'nought-or-more' },
    { key: 'top', kind: 'length', range: 'nought-or-more' },
    { key: 'bottom', kind: 'length', range: 'nought-or-more' },
    length('stock'),
    length('base'),
    { key: 'joint', kind: 'choice', options: ['rabbet', 'dado', 'butt'], default: 'rabbet' },
    { ...length('jointDepth'), optional: true },
  ],
  run(inputs) {
    const [stock, base] = [inputs.amount('stock'), inputs.amount('base')];
    const joint = inputs.text('joint');
    const given = inputs.maybe('jointDepth');
    if (joint === 'butt' && given !== undefined)
      throw new Refusal('either-or', 'a butt joint has no depth', 'jointDepth', 'joint=rabbet or dado, or no jointDepth');
    if (joint !== 'butt' && given === undefined)
      throw new Refusal('missing-key', `a ${joint} needs its depth`, 'jointDepth', 'a length under the stock’s thickness');
    const deep = given ?? 0;
    if (deep >= stock) throw new Refusal('range', `a joint ${deep} mm deep goes through stock of ${stock} mm`, 'jointDepth', `under ${stock} mm`);
    const boxWidth = inputs.amount('width') - 2 * inputs.amount('side');
    const boxHeight = inputs.amount('height') - inputs.amount('top') - inputs.amount('bottom');
    const boxDepth = inputs.amount('depth');
    const frontLength = boxWidth - 2 * stock + 2 * deep;
    const [baseWidth, baseLength] = joint === 'butt' ? [boxWidth, boxDepth] : [frontLength, boxDepth - 2 * stock + 2 * deep];
    if (boxWidth <= 2 * stock)
      throw new Refusal('range', `a box ${boxWidth} mm wide has no room between its sides`, 'width', 'a wider opening, or less clearance');
    if (boxHeight <= base) throw new Refusal('range', `a box ${boxHeight} mm high has no room over its base`, 'height', 'a higher opening, or less clearance');
    if (boxDepth <= 2 * stock) throw new Refusal('range', `a box ${boxDepth} mm deep has no room between front and back`, 'depth', 'a deeper opening');
    return {
      results: {
        boxWidth: n(boxWidth, 'mm'),
        boxHeight: n(boxHeight, 'mm'),
        boxDepth: n(boxDepth, 'mm'),
        sideLength: n(boxDepth, 'mm'),
        frontLength: n(frontLength, 'mm'),
        baseWidth: n(baseWidth, 'mm'),
        baseLength: n(baseLength, 'mm'),
      },
      working: [
        `box width = width − 2 · side = ${boxWidth} mm; box height = height − top − bottom = ${boxHeight} mm`,
        `the sides run through: ${boxDepth} mm; front and back = box width − 2 · stock + 2 · joint depth = ${frontLength} mm`,
        joint === 'butt'
          ? `the base goes under the box: ${baseWidth} × ${baseLength} mm; its ${base} mm are within the height`
          : `the base goes ${deep} mm into all four: ${baseWidth} × ${baseLength} mm`,
      ],
      cautions: [],
    };
  },
};

const shelfPin: Sum = {
  name: 'shelf-pin',
  keys: [length('diameter'), length('embedded'), { key: 'lever', kind: 'length', range: 'nought-or-more' }, { key: 'bearing', kind: 'stress' }],
  run(inputs) {
    const [d, l, c, F_e] = [inputs.amount('diameter'), inputs.amount('embedded'), inputs.amount('lever'), inputs.amount('bearing')];
    const yields = pinYield({ F_e, d, l, c });
    const allowable = (yields * PERMANENT) / 2.2;
    return {
      results: { yield: n(yields, 'N'), allowable: n(allowable, 'N') },
      working: [
        `yield = F_e · d · (√((2 · lever + embedded)² + embedded²) − (2 · lever + embedded)) = ${F_e} · ${d} · (…) = ${yields} N`,
        `allowable = yield · ${PERMANENT} / 2.2 = ${allowable} N for one pin`,
      ],
      cautions: ['Of four pins one bears more: reckon a shelf as a quarter of its load times 1.3 on each.'],
    };
  },
};

/** An item longer than this rotates on one magnet, mm. [ASSUME] */
const TURNS_ON_ONE = 150;

const magnet: Sum = {
  name: 'magnet',
  keys: [
    { key: 'mass', kind: 'mass' },
    { key: 'angle', kind: 'angle', range: 'nought-or-more' },
    length('length'),
    { key: 'pull', kind: 'force' },
    { key: 'factor', kind: 'factor', default: '3' },
    { key: 'friction', kind: 'factor', default: '0.2' },
  ],
  run(inputs) {
    const [m, angle, long, pull] = [inputs.amount('mass'), inputs.amount('angle'), inputs.amount('length'), inputs.amount('pull')];
    const [factor, friction] = [inputs.amount('factor'), inputs.amount('friction')];
    if (angle > 90) throw new Refusal('range', `a panel at ${angle}° hangs over`, 'angle', 'up to 90deg');
    const slides = m * STANDARD_GRAVITY * (Math.cos(rad(angle)) / friction - Math.sin(rad(angle)));
    const needed = factor * Math.max(0, slides);
    const count = Math.max(long > TURNS_ON_ONE ? 2 : 1, Math.ceil(needed / pull - 1e-9));
    return {
      results: { count: { value: count }, hold: n(count * pull, 'N'), needed: n(needed, 'N') },
      working: [
        `needed = factor · (m · g₀ · cos angle / friction − m · g₀ · sin angle), not below 0 = ${needed} N`,
        `count = needed / pull, rounded up${long > TURNS_ON_ONE ? `, two at least over ${TURNS_ON_ONE} mm` : ''} = ${count}`,
      ],
      cautions: ['A rated pull is measured on thick clean steel: paint, rust and thin steel take half of it and more.'],
    };
  },
};

export const FRONT_SUMS: readonly Sum[] = [door, drawer, shelfPin, magnet];
