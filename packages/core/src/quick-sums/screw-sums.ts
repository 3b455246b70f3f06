/** Quick sums of screws: withdrawal, shear, length. */
import { bearingLength, combinedUse, FULL_PENETRATION, HEAD_PULL_THROUGH, lateralYield, linearUse, WITHDRAWAL, withdrawalPerMm } from '../hang/fasteners.ts';
import { SCREW_IDS, screwById, type Screw } from '../joints/screws.ts';
import { Refusal } from '../problem/problem.ts';
import { evaluate } from '../explained/explained-value.ts';
import { workingOf, type Inputs, type SumKey, type Sum } from './sum.ts';
import { NEWTONS_PER_POUND } from '../length/constants.ts';

const n = (value: number, unit?: string) => (unit === undefined ? { value } : { value, unit });
const SCREW: SumKey = { key: 'screw', kind: 'choice', options: SCREW_IDS, optional: true };
const duration: SumKey = { key: 'duration', kind: 'factor', default: '1', max: { value: 2, accepted: 'up to 2: what a load of a moment is allowed' } };
/** Upper limit of specific gravity: the heaviest wood is about a third heavier than water. */
const gravityKey = (key: string): SumKey => ({ key, kind: 'factor', max: { value: 1.4, accepted: 'the specific gravity of a wood: 0.3 to 1.4' } });
const THICKEST = { value: 25.4, accepted: 'up to 25.4 mm (1 in)' } as const;

/** Either a screw by name or its own dimensions; both, or neither, is an error. */
function screwOr(inputs: Inputs, keys: readonly string[]): Screw | undefined {
  const own = keys.filter((key) => inputs.has(key));
  if (inputs.has('screw')) {
    if (own.length > 0) throw new Refusal('either-or', `both 'screw' and '${own[0]}' are given`, own[0]!, `screw, or ${keys.join(', ')}`);
    return screwById(inputs.text('screw'));
  }
  const missing = keys.find((key) => !inputs.has(key));
  if (missing)
    throw new Refusal('missing-key', `'${own.length > 0 ? missing : 'screw'}' is missing`, own.length > 0 ? missing : 'screw', `screw, or ${keys.join(', ')}`);
  return undefined;
}

const withdrawal: Sum = {
  name: 'screw-withdrawal',
  keys: [
    { key: 'kind', kind: 'choice', options: ['wood', 'lag', 'nail'], default: 'wood' },
    { key: 'diameter', kind: 'length', optional: true, max: THICKEST },
    SCREW,
    gravityKey('gravity'),
    { key: 'thread', kind: 'length' },
    duration,
  ],
  run(inputs) {
    const diameter = screwOr(inputs, ['diameter'])?.diameterMm ?? inputs.amount('diameter');
    const kind = inputs.text('kind') as 'wood' | 'lag' | 'nail';
    const [gravity, thread, C_D] = [inputs.amount('gravity'), inputs.amount('thread'), inputs.amount('duration')];
    const perLength = withdrawalPerMm(kind, gravity, diameter);
    const none = kind === 'nail' && C_D <= 0.9;
    const allowable = none ? 0 : perLength * thread * C_D;
    const working =
      kind === 'wood'
        ? workingOf(evaluate(WITHDRAWAL, { G: gravity, D: diameter, thread, C_D }))
        : [`allowable = ${perLength} N/mm · ${thread} mm · ${C_D} = ${allowable} N; [NDS 12.2]`];
    return {
      results: { perLength: n(perLength, 'N/mm'), allowable: n(allowable, 'N') },
      working,
      cautions: none ? ['Nails are not counted in withdrawal under permanent load.'] : [],
    };
  },
};

const headPull: Sum = {
  name: 'head-pull-through',
  keys: [
    { key: 'head', kind: 'length', max: { value: 50.8, accepted: 'up to 50.8 mm (2 in): a washer' } },
    { key: 'thickness', kind: 'length' },
    gravityKey('gravity'),
    duration,
  ],
  run(inputs) {
    const figure = evaluate(HEAD_PULL_THROUGH, {
      D_H: inputs.amount('head'),
      G: inputs.amount('gravity'),
      t: inputs.amount('thickness'),
      C_D: inputs.amount('duration'),
    });
    return { results: { allowable: n(figure.value, 'N') }, working: workingOf(figure), cautions: [] };
  },
};

const lateral: Sum = {
  name: 'screw-lateral',
  keys: [
    SCREW,
    { key: 'diameter', kind: 'length', optional: true, max: THICKEST },
    { key: 'root', kind: 'length', optional: true, max: THICKEST },
    { key: 'yield', kind: 'stress', optional: true },
    { key: 'side', kind: 'length' },
    { key: 'main', kind: 'length' },
    { key: 'gap', kind: 'length', range: 'nought-or-more', default: '0mm' },
    gravityKey('sideGravity'),
    gravityKey('mainGravity'),
    { key: 'sideAngle', kind: 'angle', range: 'nought-or-more', default: '0deg' },
    { key: 'mainAngle', kind: 'angle', range: 'nought-or-more', default: '0deg' },
    duration,
  ],
  run(inputs) {
    const screw = screwOr(inputs, ['diameter', 'root', 'yield']);
    const diameterMm = screw?.diameterMm ?? inputs.amount('diameter');
    const rootMm = screw?.rootMm ?? inputs.amount('root');
    if (rootMm > diameterMm) throw new Refusal('range', 'the root is thicker than the screw', 'root', 'at most the diameter');
    const angle = (key: 'sideAngle' | 'mainAngle'): number => {
      const value = inputs.amount(key);
      if (value > 90) throw new Refusal('range', `'${value}deg' is out of range`, key, '0deg to 90deg');
      return value;
    };
    const main = inputs.amount('main');
    const { valueN, mode } = lateralYield({
      diameterMm,
      rootMm,
      yieldMPa: screw?.yieldMPa ?? inputs.amount('yield'),
      sideMm: inputs.amount('side'),
      mainMm: main,
      gapMm: inputs.amount('gap'),
      sideGravity: inputs.amount('sideGravity'),
      mainGravity: inputs.amount('mainGravity'),
      sideAngle: angle('sideAngle'),
      mainAngle: angle('mainAngle'),
    });
    const C_D = inputs.amount('duration');
    const large = diameterMm >= 6.35;
    const capped = bearingLength(main, diameterMm) < main || main > (large ? 8 : FULL_PENETRATION) * diameterMm;
    const cautions = [];
    if (main < (large ? 4 : 6) * diameterMm) cautions.push(`Grips ${(main / diameterMm).toFixed(1)} diameters: under ${large ? 4 : 6} it does not count.`);
    else if (capped) cautions.push('The bearing length is taken as given: take off the tip and cap it before.');
    return {
      results: { allowable: n(valueN * C_D, 'N'), mode: { value: mode } },
      working: [
        `least of six yield modes = ${(valueN / NEWTONS_PER_POUND).toFixed(2)} lb (mode ${mode}); [TR12 T1-1; NDS 12.3]`,
        `allowable = ${valueN} N · ${C_D} = ${valueN * C_D} N`,
      ],
      cautions,
    };
  },
};

const combined: Sum = {
  name: 'screw-combined',
  keys: [
    { key: 'shear', kind: 'force', range: 'nought-or-more' },
    { key: 'tension', kind: 'force', range: 'nought-or-more' },
    { key: 'lateral', kind: 'force' },
    { key: 'withdrawal', kind: 'force' },
    { key: 'kind', kind: 'choice', options: ['wood', 'lag', 'nail'], default: 'wood' },
  ],
  run(inputs) {
    const [V, T, Z, W] = [inputs.amount('shear'), inputs.amount('tension'), inputs.amount('lateral'), inputs.amount('withdrawal')];
    const straight = linearUse(V, T, Z, W);
    const between = combinedUse(V, T, Z, W);
    const use = inputs.text('kind') === 'nail' ? straight : between;
    return {
      results: { use: n(use), useLinear: n(straight), useInterpolated: n(between) },
      working: [
        `straight sum = V/Z' + T/W' = ${V}/${Z} + ${T}/${W} = ${straight}; [NDS 12.4.2]`,
        `interpolated = (V²/Z' + T²/W') / R = ${between}; [NDS 12.4.1]`,
      ],
      cautions: use > 1 ? ['Over limit: do not hang it like this.'] : [],
    };
  },
};

const screwLength: Sum = {
  name: 'screw-length',
  keys: [
    { key: 'layers', kind: 'list', of: 'length', range: 'nought-or-more' },
    { key: 'diameter', kind: 'length', max: THICKEST },
    { key: 'penetration', kind: 'factor', default: '10' },
    { key: 'backing', kind: 'length', range: 'nought-or-more', optional: true },
    { key: 'stock', kind: 'list', of: 'length', default: '1in,1 1/4in,1 1/2in,1 3/4in,2in,2 1/4in,2 1/2in,3in,3 1/2in,4in,5in,6in' },
  ],
  run(inputs) {
    const layers = inputs.list('layers').reduce((sum, each) => sum + each, 0);
    const diameter = inputs.amount('diameter');
    const wanted = Math.max(inputs.amount('penetration'), 6);
    const least = layers + wanted * diameter;
    const stock = [...inputs.list('stock')].sort((a, b) => a - b).find((each) => each >= least - 1e-9);
    if (stock === undefined) throw new Refusal('stock', `no stock length reaches ${least} mm`, 'stock', `a length of ${least} mm or more`);
    const backing = inputs.maybe('backing');
    const limit = backing === undefined ? undefined : layers + backing;
    const penetration = stock - layers;
    return {
      results: {
        least: n(least, 'mm'),
        stock: n(stock, 'mm'),
        penetration: n(penetration, 'mm'),
        diameters: n(penetration / diameter),
        ...(limit === undefined ? {} : { limit: n(limit, 'mm') }),
      },
      working: [`least = layers + max(penetration, 6) · diameter = ${layers} + ${wanted} · ${diameter} = ${least} mm`],
      cautions: limit !== undefined && stock > limit ? [`${stock} mm comes out of what it must not come out of: the limit is ${limit} mm.`] : [],
    };
  },
};

export const SCREW_SUMS: readonly Sum[] = [withdrawal, headPull, lateral, combined, screwLength];
