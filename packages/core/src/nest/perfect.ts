/**
 * Jobs with nothing over: their sheets were sawn apart, and can be put together again. Rectangles are joined along equal sides, beside and over
 * one another, until they are whole sheets (P. Y. Wang, "Two algorithms for constrained two-dimensional cutting stock problems", 1983, with no
 * waste allowed), the likeliest first (best first, as Viswanathan and Bagchi, 1993): two that share a side with few others belong together,
 * one with many may go with any of them.
 */
import type { Random } from '../chance/random.ts';
import { fill, unitsOf, type Job, type Layout, type Rules } from './layout.ts';
import { ORDERS } from './orders.ts';
import type { Item, Lie } from './pieces.ts';
import { leaf, rowsIn, sheetOf, type Axis, type Block } from './slices.ts';

/** A rectangle of pieces with only kerfs between them. */
interface Whole {
  readonly dx: number;
  readonly dy: number;
  /** A bit for each item in it. */
  readonly mask: bigint;
  readonly pieces: number;
  /** The choices there were on the way, in bits: how likely it is no more than chance. */
  readonly doubt: number;
  readonly made: { readonly item: Item; readonly lie: Lie } | { readonly axis: Axis; readonly first: Whole; readonly second: Whole };
}

/** More pieces than this have too many sides in common. */
const MAX_PIECES = 400;
/** Rectangles looked at in one step, few mostly: where sides are common each look takes longer than the one before. */
const LOOKS = [150, 250, 400, 400, 800] as const;
/** What a piece more is worth against doubt: little looks at everything small first, much builds on what there is. */
const BOLDNESS = [1, 1.5, 2, 2.5, 3, 4] as const;
/** Steps without a whole sheet before it begins again. */
const PATIENCE = 4;
/** Choices of sheets that go together looked at. */
const MAX_CHOICES = 20_000;
const ASK_EVERY = 64;

export interface PerfectSheets {
  /** Looks for more whole sheets; a layout when it has all, or gives this try up. */
  step(): Layout | null;
}

/** Null where something is over, and for jobs that ask for more than sizes and grain on one kind of sheet. */
export function perfectSheets(job: Job, items: readonly Item[], rules: Omit<Rules, 'frame'>, random: Random): PerfectSheets | null {
  const [framed] = job.beds;
  if (!framed || job.beds.length > 1 || job.pinned.length > 0 || framed.frames.length !== 1) return null;
  const [frame] = framed.frames;
  const { bed } = framed;
  const wanted = sheetsFilled(items, bed.dx, bed.dy, job.problem.kerf);
  const isPlain = frame!.rooms.length === 1 && frame!.first === null && items.every(({ parts, together }) => parts.length === 1 && together === null);
  if (wanted === null || !isPlain || items.length > MAX_PIECES || (bed.sheet.count !== null && bed.sheet.count < wanted)) return null;

  let rest: readonly Item[] = items;
  let sheets: Whole[] = [];
  let fruitless = 0;
  const ended = (): Layout => {
    const kept = sheets.map((whole) => sheetOf(frame!, blockOfWhole(whole, job.problem.kerf), job.problem.kerf));
    const layout = fill(job, kept, unitsOf([...rest].sort(ORDERS[0])), { ...rules, frame: (frames) => frames[0]! });
    [rest, sheets, fruitless] = [items, [], 0];
    return layout;
  };
  return {
    step() {
      const found = wholeSheets(rest, bed.dx, bed.dy, job, random);
      if (found === null) return null;
      const chosen = chosenOf(found, wanted - sheets.length, random);
      if (chosen.length === 0) return ++fruitless < PATIENCE ? null : ended();
      const used = chosen.reduce((mask, whole) => mask | whole.mask, 0n);
      sheets.push(...chosen);
      rest = rest.filter((_, index) => ((used >> BigInt(index)) & 1n) === 0n);
      return rest.length === 0 ? ended() : null;
    },
  };
}

/** How many sheets the items fill to the last corner, a kerf round each; null where something is over. */
function sheetsFilled(items: readonly Item[], dx: number, dy: number, kerf: number): number | null {
  const k = BigInt(kerf);
  const area = (x: number, y: number): bigint => (BigInt(x) + k) * (BigInt(y) + k);
  const all = items.reduce((sum, { lies }) => sum + area(lies[0]!.dx, lies[0]!.dy), 0n);
  const sheet = area(dx, dy);
  return items.length > 0 && all % sheet === 0n ? Number(all / sheet) : null;
}

/** Whole sheets from some of the items, as many as so many looks find; null when time ran out. */
function wholeSheets(items: readonly Item[], dx: number, dy: number, { problem: { kerf }, isOver }: Job, random: Random): Whole[] | null {
  const pick = (of: readonly number[]): number => of[Math.floor(random() * of.length)]!;
  const [boldness, looks] = [pick(BOLDNESS), pick(LOOKS)];
  const least = Math.min(...items.flatMap(({ lies }) => lies.flatMap((lie) => [lie.dx, lie.dy])));
  const canFill = (side: number, most: number): boolean => side === most || side <= most - kerf - least;
  const byWidth = new Map<number, Whole[]>();
  const byHeight = new Map<number, Whole[]>();
  const waiting = new Queue<Whole>();
  const known = new Set<string>();
  const found: Whole[] = [];
  const add = (whole: Whole): void => {
    if (!canFill(whole.dx, dx) || !canFill(whole.dy, dy)) return;
    const key = `${whole.mask} ${whole.dx} ${whole.dy}`;
    if (known.has(key)) return;
    known.add(key);
    if (whole.dx === dx && whole.dy === dy) found.push(whole);
    else waiting.push(whole, whole.doubt - boldness * whole.pieces + 0.3 * random());
  };
  const join = (axis: Axis, first: Whole, second: Whole, doubt: number): void => {
    if ((first.mask & second.mask) !== 0n) return;
    const size = axis === 0 ? { dx: first.dx + kerf + second.dx, dy: first.dy } : { dx: first.dx, dy: first.dy + kerf + second.dy };
    if (size.dx > dx || size.dy > dy) return;
    add({
      ...size,
      mask: first.mask | second.mask,
      pieces: first.pieces + second.pieces,
      doubt: first.doubt + second.doubt + doubt,
      made: { axis, first, second },
    });
  };
  items.forEach((item, index) => {
    for (const lie of item.lies) add({ dx: lie.dx, dy: lie.dy, mask: 1n << BigInt(index), pieces: 1, doubt: 0, made: { item, lie } });
  });
  for (let look = 0; look < looks; look++) {
    if (look % ASK_EVERY === 0 && isOver()) return null;
    const whole = waiting.pop();
    if (!whole) break;
    const [wide, high] = [sharing(byWidth, whole.dx), sharing(byHeight, whole.dy)];
    for (const other of high) join(0, whole, other, Math.log2(1 + high.length));
    for (const other of wide) join(1, whole, other, Math.log2(1 + wide.length));
    wide.push(whole);
    high.push(whole);
  }
  return found;
}

function sharing(sides: Map<number, Whole[]>, side: number): Whole[] {
  const there = sides.get(side) ?? [];
  sides.set(side, there);
  return there;
}

/** All that are still wanted, where so many of those found share no piece; else one of the likeliest. */
function chosenOf(found: readonly Whole[], wanted: number, random: Random): Whole[] {
  const byDoubt = [...found].sort((a, b) => a.doubt - a.pieces - (b.doubt - b.pieces));
  let choices = 0;
  const apart = (from: number, used: bigint, chosen: readonly Whole[]): readonly Whole[] | null => {
    if (chosen.length === wanted) return chosen;
    for (let index = from; index < byDoubt.length && ++choices < MAX_CHOICES; index++) {
      const whole = byDoubt[index]!;
      if ((whole.mask & used) !== 0n) continue;
      const all = apart(index + 1, used | whole.mask, [...chosen, whole]);
      if (all) return all;
    }
    return null;
  };
  const all = found.length >= wanted ? apart(0, 0n, []) : null;
  if (all) return [...all];
  const one = byDoubt[Math.min(byDoubt.length - 1, Math.floor(random() ** 2 * 3))];
  return one ? [one] : [];
}

function blockOfWhole({ made }: Whole, kerf: number): Block {
  if ('item' in made) return leaf(made.item, made.lie);
  return rowsIn(made.axis, [blockOfWhole(made.first, kerf), blockOfWhole(made.second, kerf)], kerf);
}

/** What has the least key comes first: a binary heap. */
class Queue<T> {
  readonly #rows: { readonly value: T; readonly key: number }[] = [];

  push(value: T, key: number): void {
    const rows = this.#rows;
    let at = rows.push({ value, key }) - 1;
    while (at > 0) {
      const above = (at - 1) >> 1;
      if (rows[above]!.key <= rows[at]!.key) break;
      [rows[above], rows[at]] = [rows[at]!, rows[above]!];
      at = above;
    }
  }

  pop(): T | undefined {
    const rows = this.#rows;
    const top = rows[0];
    const last = rows.pop();
    if (!top || !last || rows.length === 0) return top?.value;
    rows[0] = last;
    for (let at = 0; ;) {
      let below = 2 * at + 1;
      if (below >= rows.length) break;
      if (below + 1 < rows.length && rows[below + 1]!.key < rows[below]!.key) below++;
      if (rows[at]!.key <= rows[below]!.key) break;
      [rows[at], rows[below]] = [rows[below]!, rows[at]!];
      at = below;
    }
    return top.value;
  }
}
