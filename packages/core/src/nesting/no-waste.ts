/**
 * Jobs with no waste, or nearly none: their sheets were cut apart, and can be reassembled. Rectangles are joined along equal sides until they are whole
 * sheets (P. Y. Wang, "Two algorithms for constrained two-dimensional cutting stock problems", 1983, with the least waste allowed), in best-first order (as
 * Viswanathan and Bagchi, 1993): two pieces whose side few others have probably belong together, a common side says little. In free layouts five may also
 * form a pinwheel (pinwheels.ts).
 */
import TinyQueue from 'tinyqueue';
import type { Random } from '../random/random.ts';
import type { NestJob } from './layout.ts';
import type { PackItem, PackLie } from './pieces.ts';
import { leaf, rowsIn, type SplitAxis, type GuillotineNode } from './guillotine-tree.ts';
import { placesIn, sizeOf, wheelsWith, type Pinwheel } from './pinwheels.ts';

/** A rectangle of pieces separated only by kerfs. */
export interface Whole {
  /** In the common measure of the job's sides: small integers, used as lookup keys. */
  readonly dx: number;
  readonly dy: number;
  /** Bit set of its items, and two hash values of that set. */
  readonly bits: Int32Array;
  readonly sign: Sign;
  readonly pieces: number;
  /** Area of its pieces, each with its kerf. */
  readonly area: number;
  /** Bits of the choices on the way: how likely the match is a coincidence. */
  readonly doubt: number;
  readonly made: Lying | { readonly axis: SplitAxis; readonly first: Whole; readonly second: Whole } | { readonly wheel: Pinwheel<Whole> };
}

type Sign = readonly [number, number];

interface Lying {
  readonly item: PackItem;
  readonly lie: PackLie;
}

/** Whole sheets, and the items on none; `measure` is the common measure of the sizes, nm. */
export interface FoundSheets {
  readonly measure: number;
  readonly sheets: readonly Whole[];
  readonly rest: readonly PackItem[];
}

/** With more pieces than this, too many sides agree. */
const MAX_PIECES = 400;
/** Rectangles expanded per step, increasing: where sides are common each expansion takes longer than the last. */
const LOOKS = [150, 400, 800, 400, 1600] as const;
/** Value of one more piece against doubt: low values expand small rectangles first, high ones extend large rectangles. */
const BOLDNESS = [1, 1.5, 2, 2.5, 3, 4] as const;
/** Steps without a whole sheet before a restart. */
const PATIENCE = 4;
/** With a greater share of waste, equal sides say little. */
const MAX_OVER = 0.04;
/** Tolerances of nearly equal sides, as a share of the sheet's width, where there is some waste; drawn at random per step. */
const NEARLY = [0.0003, 0.001, 0.004, 0.008, 0.016] as const;
/** A rectangle may waste at most this multiple of its share. */
const UNEVEN = 1.25;
/** Value of wasting its share, against doubt. */
const CAREFUL = 3;
/** Limit on the compatible sets of sheets examined. */
const MAX_CHOICES = 20_000;
const ASK_EVERY = 64;

export interface NoWasteSearch {
  /** No waste at all: only equal sides are joined. */
  readonly isExact: boolean;
  /** Searches for more whole sheets; the result once it has all, or gives up this step. */
  step(): FoundSheets | null;
}

/** Null where there is too much waste, and for jobs with more than sizes and grain on one stock kind. */
export function noWasteSearch(job: NestJob, items: readonly PackItem[], random: Random): NoWasteSearch | null {
  const [framed] = job.beds;
  if (!framed || job.beds.length > 1 || job.pinned.length > 0 || framed.frames.length !== 1) return null;
  const [frame] = framed.frames;
  const { bed } = framed;
  const { kerf } = job.problem;
  const filled = sheetsFilled(items, bed.dx, bed.dy, kerf);
  const measure = [kerf, bed.dx, bed.dy, ...items.flatMap(({ lies }) => lies.flatMap(({ dx, dy }) => [dx, dy]))].reduce(commonMeasure);
  const isPlain = frame!.rooms.length === 1 && frame!.first === null && items.every(({ parts, together }) => parts.length === 1 && together === null);
  if (filled === null || !isPlain || items.length > MAX_PIECES || (bed.sheet.count !== null && bed.sheet.count < filled.sheets)) return null;
  const { sheets: wanted, over } = filled;

  let rest: readonly PackItem[] = items;
  let sheets: Whole[] = [];
  let fruitless = 0;
  let turn = 0;
  const ended = (): FoundSheets => {
    const found = { measure, sheets, rest };
    [rest, sheets, fruitless] = [items, [], 0];
    return found;
  };
  return {
    isExact: over === 0,
    step() {
      const found = wholeSheets(
        rest,
        { dx: bed.dx / measure, dy: bed.dy / measure, kerf: kerf / measure, measure, over },
        LOOKS[turn++ % LOOKS.length]!,
        job,
        random,
      );
      if (found === null) return null;
      const chosen = chosenOf(found, wanted - sheets.length, random);
      if (chosen.length === 0) return ++fruitless < PATIENCE ? null : ended();
      sheets = [...sheets, ...chosen];
      rest = rest.filter((_, index) => !chosen.some(({ bits }) => (bits[index >> 5]! >> (index & 31)) & 1));
      return rest.length === 0 ? ended() : null;
    },
  };
}

/** Number of sheets the items fill, kerfs included, and the share of waste; null where that is too much. */
function sheetsFilled(items: readonly PackItem[], dx: number, dy: number, kerf: number): { readonly sheets: number; readonly over: number } | null {
  const k = BigInt(kerf);
  const area = (x: number, y: number): bigint => (BigInt(x) + k) * (BigInt(y) + k);
  const all = items.reduce((sum, { lies }) => sum + area(lies[0]!.dx, lies[0]!.dy), 0n);
  const sheet = area(dx, dy);
  const sheets = Number((all + sheet - 1n) / sheet);
  const over = all % sheet === 0n ? 0 : 1 - Number(all) / (Number(sheet) * sheets);
  return items.length > 0 && over <= MAX_OVER ? { sheets, over } : null;
}

const commonMeasure = (a: number, b: number): number => (b === 0 ? a : commonMeasure(b, a % b));

/** Sheet and kerf, in `measure`, nm. */
interface Sized {
  readonly dx: number;
  readonly dy: number;
  readonly kerf: number;
  readonly measure: number;
  /** Share of waste. */
  readonly over: number;
}

/** Whole sheets from some of the items, as many as the expansion limit finds; null when time ran out. */
function wholeSheets(
  items: readonly PackItem[],
  { dx, dy, kerf, measure, over }: Sized,
  looks: number,
  { problem: { cuts }, isOver }: NestJob,
  random: Random,
): Whole[] | null {
  const pick = (of: readonly number[]): number => of[Math.floor(random() * of.length)]!;
  const boldness = pick(BOLDNESS);
  const least = Math.min(...items.flatMap(({ lies }) => lies.flatMap((lie) => [lie.dx, lie.dy]))) / measure;
  const words = (items.length + 31) >> 5;
  const nearly = over === 0 ? 0 : pick(NEARLY) * Math.min(dx, dy);
  const mayLose = UNEVEN * over * (dx + kerf) * (dy + kerf);
  const lost = ({ dx: long, dy: wide, area }: Pick<Whole, 'dx' | 'dy' | 'area'>): number => (long + kerf) * (wide + kerf) - area;
  const isFull = (side: number, most: number): boolean => side <= most && side >= most * (1 - UNEVEN * over);
  const canFill = (side: number, most: number): boolean => isFull(side, most) || side <= most - kerf - least;
  const byWidth = new Sides('dx', nearly);
  const byHeight = new Sides('dy', nearly);
  const all: Whole[] = [];
  const sharingSide = (sides: Sides, most: number) => {
    const longest = most - kerf - least;
    return (side: number): readonly Whole[] => (side < least || side > longest ? NONE : sides.like(side));
  };
  const known = { all, byWidth: sharingSide(byWidth, dx), byHeight: sharingSide(byHeight, dy) };
  const waiting = new TinyQueue<{ readonly whole: Whole; readonly key: number }>([], (a, b) => a.key - b.key);
  const seen = new Set<number>();
  const found: Whole[] = [];
  /** Compared by 52 hash bits: a collision only drops one candidate. */
  const isNew = (long: number, wide: number, [a, b]: Sign): boolean => {
    const key = ((a ^ Math.imul(long, 0x2c1b3c6d)) & BITS_26) * 2 ** 26 + ((b ^ Math.imul(wide, 0x297a2d39)) & BITS_26);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  };
  const add = (whole: Whole): void => {
    if (isFull(whole.dx, dx) && isFull(whole.dy, dy)) found.push(whole);
    else waiting.push({ whole, key: whole.doubt - boldness * whole.pieces + 0.3 * random() + (over === 0 ? 0 : (CAREFUL * lost(whole)) / mayLose) });
  };
  const join = (axis: SplitAxis, first: Whole, second: Whole, doubt: number): void => {
    const long = axis === 0 ? first.dx + kerf + second.dx : Math.max(first.dx, second.dx);
    const wide = axis === 0 ? Math.max(first.dy, second.dy) : first.dy + kerf + second.dy;
    const area = first.area + second.area;
    if (over > 0 && lost({ dx: long, dy: wide, area }) > mayLose) return;
    if (!canFill(long, dx) || !canFill(wide, dy) || overlap(first.bits, second.bits)) return;
    const sign: Sign = [first.sign[0] ^ second.sign[0], first.sign[1] ^ second.sign[1]];
    if (!isNew(long, wide, sign)) return;
    const [bits, pieces] = [first.bits.map((word, n) => word | second.bits[n]!), first.pieces + second.pieces];
    add({ dx: long, dy: wide, bits, sign, pieces, area, doubt: first.doubt + second.doubt + doubt, made: { axis, first, second } });
  };
  const turnRound = (five: Pinwheel<Whole>, doubt: number): void => {
    const { dx: long, dy: wide } = sizeOf(five, kerf);
    if (!canFill(long, dx) || !canFill(wide, dy)) return;
    const bits = new Int32Array(words);
    for (const each of five) {
      if (overlap(bits, each.bits)) return;
      each.bits.forEach((word, n) => (bits[n]! |= word));
    }
    const sign = five.reduce<Sign>(([a, b], each) => [a ^ each.sign[0], b ^ each.sign[1]], [0, 0]);
    if (!isNew(long, wide, sign)) return;
    const sum = (of: (whole: Whole) => number): number => five.reduce((total, each) => total + of(each), 0);
    add({
      dx: long,
      dy: wide,
      bits,
      sign,
      pieces: sum(({ pieces }) => pieces),
      area: sum((each) => each.area),
      doubt: sum((each) => each.doubt) + doubt,
      made: { wheel: five },
    });
  };
  items.forEach((item, index) => {
    const bits = new Int32Array(words);
    bits[index >> 5] = 1 << (index & 31);
    const sign: Sign = [Math.floor(random() * 2 ** 26), Math.floor(random() * 2 ** 26)];
    for (const lie of item.lies) {
      const [long, wide] = [lie.dx / measure, lie.dy / measure];
      const area = (long + kerf) * (wide + kerf);
      if (canFill(long, dx) && canFill(wide, dy)) add({ dx: long, dy: wide, bits, sign, pieces: 1, area, doubt: 0, made: { item, lie } });
    }
  });
  for (let look = 0; look < looks; look++) {
    if (look % ASK_EVERY === 0 && isOver()) return null;
    const next = waiting.pop();
    if (!next) break;
    const { whole } = next;
    const [wide, high] = [byWidth.like(whole.dx), byHeight.like(whole.dy)];
    for (const other of high) join(0, whole, other, Math.log2(1 + high.length));
    for (const other of wide) join(1, whole, other, Math.log2(1 + wide.length));
    byWidth.add(whole);
    byHeight.add(whole);
    all.push(whole);
    if (cuts === 'free' && over === 0) for (const { five, choices } of wheelsWith(whole, known, kerf)) turnRound(five, Math.log2(choices));
  }
  return found;
}

const NONE: readonly Whole[] = [];
const BITS_26 = 2 ** 26 - 1;

function overlap(a: Int32Array, b: Int32Array): boolean {
  for (let n = 0; n < a.length; n++) if ((a[n]! & b[n]!) !== 0) return true;
  return false;
}

/** Rectangles by one side, grouped where equal, or within `nearly`. */
class Sides {
  private readonly rows = new Map<number, Whole[]>();

  constructor(
    private readonly side: 'dx' | 'dy',
    private readonly nearly: number,
  ) {}

  add(whole: Whole): void {
    const row = this.rowOf(whole[this.side]);
    const there = this.rows.get(row);
    if (there) there.push(whole);
    else this.rows.set(row, [whole]);
  }

  like(side: number): readonly Whole[] {
    const row = this.rowOf(side);
    if (this.nearly === 0) return this.rows.get(row) ?? NONE;
    return [row - 1, row, row + 1].flatMap((each) => (this.rows.get(each) ?? NONE).filter((whole) => Math.abs(whole[this.side] - side) <= this.nearly));
  }

  private rowOf(side: number): number {
    return this.nearly === 0 ? side : Math.floor(side / this.nearly);
  }
}

/** All that are still needed, where enough of those found share no piece; else one of the most likely. */
function chosenOf(found: readonly Whole[], wanted: number, random: Random): Whole[] {
  const byDoubt = [...found].sort((a, b) => a.doubt - a.pieces - (b.doubt - b.pieces));
  let choices = 0;
  const apart = (from: number, chosen: readonly Whole[]): readonly Whole[] | null => {
    if (chosen.length === wanted) return chosen;
    for (let index = from; index < byDoubt.length && ++choices < MAX_CHOICES; index++) {
      const whole = byDoubt[index]!;
      if (chosen.some(({ bits }) => overlap(bits, whole.bits))) continue;
      const all = apart(index + 1, [...chosen, whole]);
      if (all) return all;
    }
    return null;
  };
  const all = found.length >= wanted ? apart(0, []) : null;
  if (all) return [...all];
  const one = byDoubt[Math.min(byDoubt.length - 1, Math.floor(random() ** 2 * 3))];
  return one ? [one] : [];
}

/** As nested rows, for a rectangle without pinwheels. */
export function blockOfWhole({ made }: Whole, kerf: number): GuillotineNode {
  if ('item' in made) return leaf(made.item, made.lie);
  if ('wheel' in made) throw new Error('a wheel has no cut from edge to edge');
  return rowsIn(made.axis, [blockOfWhole(made.first, kerf), blockOfWhole(made.second, kerf)], kerf);
}

/** Its pieces with their lower left corners, nm. */
export function piecesOfWhole({ made }: Whole, kerf: number, measure: number, x = 0, y = 0): (Lying & { readonly x: number; readonly y: number })[] {
  if ('item' in made) return [{ ...made, x, y }];
  if ('wheel' in made)
    return placesIn(made.wheel, kerf / measure).flatMap((at, n) => piecesOfWhole(made.wheel[n]!, kerf, measure, x + at.x * measure, y + at.y * measure));
  const { axis, first, second } = made;
  const next = axis === 0 ? { x: x + first.dx * measure + kerf, y } : { x, y: y + first.dy * measure + kerf };
  return [...piecesOfWhole(first, kerf, measure, x, y), ...piecesOfWhole(second, kerf, measure, next.x, next.y)];
}
