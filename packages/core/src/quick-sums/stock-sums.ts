/** Quick sums that choose from stock: leaves of a dado stack, lengths of boards. docs/sums.md */
import { nanometers, type Length } from '../length/length.ts';
import { cutBoards } from '../nesting/boards.ts';
import { Refusal } from '../problem/problem.ts';
import { totals, type Leaves } from '../setups/dado-stack.ts';
import { readQuantity } from './quantity.ts';
import type { ResultGroup, Sum } from './sum.ts';

const n = (value: number, unit: string) => ({ value, unit });
const mmOf = (nm: number): number => nm / 1e6;
const nmOf = (mm: number): Length => nanometers(Math.round(mm * 1e6));

/** Limit on the number of leaves. */
const MAX_LEAVES = 40;
/** Alternatives listed beside the best width. */
const OTHERS = 4;

interface Width {
  readonly nm: number;
  readonly chippers: readonly Length[];
  readonly shims: readonly Length[];
}

const dadoStack: Sum = {
  name: 'dado-stack',
  keys: [
    { key: 'target', kind: 'length' },
    { key: 'blades', kind: 'length' },
    { key: 'chippers', kind: 'list', of: 'length' },
    { key: 'shims', kind: 'list', of: 'length' },
    { key: 'tolerance', kind: 'length', default: '0.05mm' },
  ],
  run(inputs) {
    const [chippers, shims] = [inputs.list('chippers'), inputs.list('shims')];
    if (chippers.length + shims.length > MAX_LEAVES)
      throw new Refusal('range', `${chippers.length + shims.length} leaves are too many`, 'chippers', `at most ${MAX_LEAVES} chippers and shims together`);
    const [target, blades, tolerance] = (['target', 'blades', 'tolerance'] as const).map((key) => nmOf(inputs.amount(key))) as [Length, Length, Length];
    const [best, ...others] = nearestWidths(target, blades, chippers.map(nmOf), shims.map(nmOf));
    const row = ({ nm, chippers: between, shims: thin }: Width): ResultGroup => ({
      width: n(mmOf(nm), 'mm'),
      over: n(mmOf(nm - target), 'mm'),
      chippers: { value: between.map(mmOf), unit: 'mm' },
      shims: { value: thin.map(mmOf), unit: 'mm' },
    });
    const off = mmOf(Math.abs(best!.nm - target));
    return {
      results: { best: row(best!), others: others.map(row) },
      working: [
        `width = blades ${mmOf(blades)} + ${[...best!.chippers, ...best!.shims].map(mmOf).join(' + ') || 'nothing between them'} = ${mmOf(best!.nm)} mm`,
      ],
      cautions: Math.abs(best!.nm - target) > tolerance ? [`The nearest is ${off} mm off: more than the ${mmOf(tolerance)} mm asked for.`] : [],
    };
  },
};

/** Nearest first, then wider ones, then fewer pieces; each width once, the best and OTHERS more. */
function nearestWidths(target: number, blades: number, chippers: readonly Length[], shims: readonly Length[]): Width[] {
  const thin = totals(shims, Infinity);
  const found = new Map<number, Width>();
  for (const thick of totals(chippers, Infinity))
    for (const { sum, used } of nearest(thin, target - blades - thick.sum)) {
      const nm = blades + thick.sum + sum;
      const before = found.get(nm);
      const pieces = thick.used.length + used.length;
      if (!before || before.chippers.length + before.shims.length > pieces) found.set(nm, { nm, chippers: thick.used, shims: used });
    }
  const off = ({ nm }: Width): number => Math.abs(nm - target);
  return [...found.values()].sort((a, b) => off(a) - off(b) || b.nm - a.nm).slice(0, 1 + OTHERS);
}

/** Sums nearest to the target in an ascending list, on both sides. */
function nearest(sums: readonly Leaves[], wanted: number): readonly Leaves[] {
  const at = sums.findIndex(({ sum }) => sum >= wanted);
  const middle = at < 0 ? sums.length : at;
  return sums.slice(Math.max(0, middle - 1 - OTHERS), middle + 1 + OTHERS);
}

const MAX_PIECES = 200;

/** '4*600mm' is four; a plain length is one, or unlimited. */
function counted(text: string, key: string): { readonly nm: Length; readonly count: number | null }[] {
  return text.split(',').map((each) => {
    const [first, second, ...rest] = each.split('*');
    if (rest.length > 0) throw new Refusal('value', `'${each.trim()}' cannot be read`, key, '600mm, or 4*600mm');
    const nm = nmOf(readQuantity(second ?? first!, 'length', key));
    const count = second === undefined ? null : readQuantity(first!, 'count', key);
    if (nm <= 0 || (count !== null && count < 1)) throw new Refusal('range', `'${each.trim()}' is out of range`, key, 'lengths over nought, counts from 1');
    return { nm, count };
  });
}

const boards: Sum = {
  name: 'boards',
  keys: [
    { key: 'lengths', kind: 'text' },
    { key: 'stock', kind: 'text' },
    { key: 'kerf', kind: 'length' },
  ],
  run(inputs) {
    const rows = counted(inputs.text('lengths'), 'lengths');
    const asked = rows.reduce((sum, { count }) => sum + (count ?? 1), 0);
    if (asked > MAX_PIECES) throw new Refusal('range', `${asked} pieces are too many`, 'lengths', `at most ${MAX_PIECES}`);
    const pieces = rows.flatMap(({ nm, count }) => Array.from({ length: count ?? 1 }, () => nm));
    const stock = counted(inputs.text('stock'), 'stock');
    const kerf = nmOf(inputs.amount('kerf'));
    const longest = Math.max(...stock.map(({ nm }) => nm));
    const over = pieces.find((each) => each > longest);
    if (over !== undefined) throw new Refusal('range', `${mmOf(over)} mm is longer than any board`, 'lengths', `up to ${mmOf(longest)} mm`);
    const plan = cutBoards(
      pieces.map((length, index) => ({ id: `${index}`, length })),
      [],
      // Priced by length, so that the least stock in all is cheapest.
      stock.map(({ nm, count }, index) => ({ id: `${index}`, length: nm, price: nm, count })),
      kerf,
    );
    if (plan.unplaced.length > 0)
      throw new Refusal(
        'range',
        'no way was found to cut them all from the lengths on hand',
        'stock',
        'more of them, or a length without a count: as many as wanted',
      );
    return {
      results: {
        boards: plan.boards.map(({ length, pieces: cuts, left }) => ({
          stock: n(mmOf(length), 'mm'),
          cuts: { value: cuts.map((cut) => mmOf(cut.length)), unit: 'mm' },
          left: n(mmOf(left), 'mm'),
        })),
        count: { value: plan.boards.length },
        bound: { value: plan.bound.boards },
      },
      working: [
        `k pieces need k − 1 kerfs, and one more where a rest thicker than the kerf remains`,
        `no plan takes fewer than ${plan.bound.boards}, by the room the pieces need and by the most of them any one board holds`,
      ],
      cautions: plan.proved ? [] : ['Not every way was tried. There may be a better one.'],
    };
  },
};

export const STOCK_SUMS: readonly Sum[] = [dadoStack, boards];
