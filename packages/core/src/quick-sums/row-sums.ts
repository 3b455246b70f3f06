/** Quick sums of rows of items. docs/formulas/slots.md */
import { slotsIn } from '../contents/row.ts';
import { Refusal } from '../problem/problem.ts';
import type { SumKey, Sum } from './sum.ts';

/** Limit on the number of positions. */
const MAX_SLOTS = 10_000;

const n = (value: number, unit: string) => ({ value, unit });
const length = (key: string): SumKey => ({ key, kind: 'length' });

const slots: Sum = {
  name: 'slots',
  keys: [
    length('inside'),
    { ...length('pitch'), optional: true },
    { ...length('item'), optional: true },
    { key: 'clearance', kind: 'length', range: 'nought-or-more', optional: true },
    length('thickness'),
    { key: 'margin', kind: 'length', range: 'nought-or-more', default: '0mm' },
  ],
  run(inputs) {
    const [inside, thickness, margin] = [inputs.amount('inside'), inputs.amount('thickness'), inputs.amount('margin')];
    const [given, item, clearance] = [inputs.maybe('pitch'), inputs.maybe('item'), inputs.maybe('clearance')];
    if (given !== undefined && (item !== undefined || clearance !== undefined))
      throw new Refusal('either-or', 'a pitch goes without item and clearance', 'pitch', 'pitch, or item and clearance');
    if (given === undefined && (item === undefined || clearance === undefined))
      throw new Refusal(
        'missing-key',
        'neither a pitch nor item and clearance are given',
        item === undefined ? 'pitch' : 'clearance',
        'pitch, or item and clearance',
      );
    const pitch = given ?? item! + clearance! + thickness;
    if (pitch < thickness) throw new Refusal('range', `slots of ${thickness} mm run into one another at ${pitch} mm`, 'pitch', `at least ${thickness} mm`);
    const found = slotsIn({ inside, pitch, thickness, margin });
    if (found.count > MAX_SLOTS) throw new Refusal('range', `there would be ${found.count} slots`, 'pitch', `a pitch that gives at most ${MAX_SLOTS}`);
    return {
      results: {
        count: { value: found.count },
        pitch: n(found.pitch, 'mm'),
        margin: n(found.margin, 'mm'),
        positions: { value: found.positions, unit: 'mm' },
      },
      working: [
        ...(given === undefined ? [`pitch = item + clearance + thickness = ${item} + ${clearance} + ${thickness} = ${pitch} mm`] : []),
        `count = floor((inside − 2 · margin − thickness) / pitch) + 1 = floor((${inside} − 2 · ${margin} − ${thickness}) / ${pitch}) + 1 = ${found.count}`,
        `margin left = (inside − (count − 1) · pitch − thickness) / 2 = ${found.margin} mm`,
      ],
      cautions: found.count === 0 ? ['not one slot fits between the margins'] : [],
    };
  },
};

export const ROW_SUMS: readonly Sum[] = [slots];
