/** Sums that choose among what there is: leaves of a dado stack, lengths of boards. docs/sums.md */
import { nanometres, type Length } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { totals, type Leaves } from '../setups/stack.ts';
import { readQuantity } from './quantity.ts';
import type { ResultGroup, Sum } from './sum.ts';

const n = (value: number, unit: string) => ({ value, unit });
const mmOf = (nm: number): number => nm / 1e6;
const nmOf = (mm: number): Length => nanometres(Math.round(mm * 1e6));

/** More leaves than any box of chippers and shims has. */
const MOST_LEAVES = 40;
/** Widths that are told beside the best. */
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
    if (chippers.length + shims.length > MOST_LEAVES)
      throw new Refusal('range', `${chippers.length + shims.length} leaves are too many`, 'chippers', `at most ${MOST_LEAVES} chippers and shims together`);
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

/** The totals nearest to what is wanted, ascending list: enough on both sides for the best widths and the others. */
function nearest(sums: readonly Leaves[], wanted: number): readonly Leaves[] {
  const at = sums.findIndex(({ sum }) => sum >= wanted);
  const middle = at < 0 ? sums.length : at;
  return sums.slice(Math.max(0, middle - 1 - OTHERS), middle + 1 + OTHERS);
}

/** Boards are looked for through so many choices; what is best then is told. */
const MOST_CHOICES = 300_000;
const MOST_PIECES = 200;

/** '4*600mm' is four; a plain length one, or as many as wanted. */
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

interface OpenBoard {
  readonly stock: number;
  readonly cuts: Length[];
  /** Room for what comes next, its kerf taken off. */
  room: number;
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
    if (asked > MOST_PIECES) throw new Refusal('range', `${asked} pieces are too many`, 'lengths', `at most ${MOST_PIECES}`);
    const pieces = rows.flatMap(({ nm, count }) => Array.from({ length: count ?? 1 }, () => nm));
    const stock = counted(inputs.text('stock'), 'stock');
    const kerf = nmOf(inputs.amount('kerf'));
    const longest = Math.max(...stock.map(({ nm }) => nm));
    const over = pieces.find((each) => each > longest);
    if (over !== undefined) throw new Refusal('range', `${mmOf(over)} mm is longer than any board`, 'lengths', `up to ${mmOf(longest)} mm`);
    const { boards: plan, complete } = cutFrom(pieces, stock, kerf);
    if (!plan)
      throw new Refusal(
        'range',
        'no way was found to cut them all from the lengths on hand',
        'stock',
        'more of them, or a length without a count: as many as wanted',
      );
    const bound = Math.max(
      Math.ceil(pieces.reduce((sum, each) => sum + each + kerf, 0) / (longest + kerf)),
      pieces.filter((each) => 2 * each + kerf > longest).length,
    );
    return {
      results: {
        boards: plan.map(({ stock: long, cuts }) => {
          const rest = long - cuts.reduce((sum, cut) => sum + cut, 0) - (cuts.length - 1) * kerf;
          return { stock: n(mmOf(long), 'mm'), cuts: { value: cuts.map(mmOf), unit: 'mm' }, left: n(rest > kerf ? mmOf(rest - kerf) : 0, 'mm') };
        }),
        count: { value: plan.length },
        bound: { value: bound },
      },
      working: [
        `k pieces need k − 1 kerfs, and one more where a rest thicker than the kerf remains`,
        `no plan is under ⌈Σ (length + kerf) / (longest + kerf)⌉, nor under the pieces of which no two share a board: ${bound}`,
      ],
      cautions: complete ? [] : [`Not every way was gone through: ${MOST_CHOICES} choices were. There may be a better one.`],
    };
  },
};

interface Cutting {
  readonly boards: readonly OpenBoard[] | null;
  /** Every way was gone through. */
  readonly complete: boolean;
}

/** Least stock in all, then fewest boards: the longest pieces first, into every board that is open and every new one. */
function cutFrom(pieces: readonly Length[], stock: readonly { readonly nm: Length; readonly count: number | null }[], kerf: number): Cutting {
  const order = [...pieces].sort((a, b) => b - a);
  const rest = order.map((_, index) => order.slice(index).reduce((sum, each) => sum + each + kerf, 0));
  // Long ones first: the first plan that is found holds most of the pieces on few boards.
  const kinds = [...stock].sort((a, b) => b.nm - a.nm);
  /** A board of s has room for s and a kerf: the stock a length of room costs at least. */
  const cheapest = Math.min(...kinds.map(({ nm }) => nm / (nm + kerf)));
  const open: OpenBoard[] = [];
  const used = kinds.map(() => 0);
  let best: { readonly total: number; readonly boards: OpenBoard[] } | null = null;
  let choices = 0;
  const isWorse = (total: number, count: number): boolean => best !== null && (total > best.total || (total === best.total && count >= best.boards.length));
  const place = (index: number, total: number): void => {
    if (index === order.length) {
      if (!isWorse(total, open.length)) best = { total, boards: open.map(({ stock: long, cuts, room }) => ({ stock: long, cuts: [...cuts], room })) };
      return;
    }
    // What is left needs so much stock beyond the room there is.
    const wanted = rest[index]! - open.reduce((sum, { room }) => sum + room, 0);
    if (++choices > MOST_CHOICES || isWorse(total + Math.max(0, wanted * cheapest), open.length)) return;
    const piece = order[index]!;
    const rooms = new Set<number>();
    for (const board of [...open].sort((a, b) => a.room - b.room)) {
      if (board.room < piece + kerf || rooms.has(board.room)) continue;
      rooms.add(board.room);
      board.cuts.push(piece);
      board.room -= piece + kerf;
      place(index + 1, total);
      board.cuts.pop();
      board.room += piece + kerf;
    }
    kinds.forEach(({ nm, count }, kind) => {
      if (nm < piece || (count !== null && used[kind]! >= count)) return;
      used[kind]!++;
      open.push({ stock: nm, cuts: [piece], room: nm + kerf - piece - kerf });
      place(index + 1, total + nm);
      open.pop();
      used[kind]!--;
    });
  };
  place(0, 0);
  return { boards: (best as { readonly boards: OpenBoard[] } | null)?.boards ?? null, complete: choices <= MOST_CHOICES };
}

export const STOCK_SUMS: readonly Sum[] = [dadoStack, boards];
