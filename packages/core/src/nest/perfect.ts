/**
 * Jobs with nothing over: their sheets were sawn apart, and can be put together again. Rectangles are joined along equal sides, beside and over
 * one another, until they are whole sheets (P. Y. Wang, "Two algorithms for constrained two-dimensional cutting stock problems", 1983, with no
 * waste allowed), the likeliest first (best first, as Viswanathan and Bagchi, 1993): two that share a side with few others belong together,
 * one with many may go with any of them. Where cuts need not run from edge to edge five are put round one another too (wheels.ts).
 */
import type { Random } from '../chance/random.ts';
import type { Job } from './layout.ts';
import type { Item, Lie } from './pieces.ts';
import { leaf, rowsIn, type Axis, type Block } from './slices.ts';
import { placesIn, sizeOf, wheelsWith, type Five } from './wheels.ts';

/** A rectangle of pieces with only kerfs between them. */
export interface Whole {
  /** In the common measure of the job's sides: small whole numbers, by which it is looked up over and over. */
  readonly dx: number;
  readonly dy: number;
  /** A bit for each item in it, and two numbers that tell sets of items apart. */
  readonly bits: Int32Array;
  readonly sign: Sign;
  readonly pieces: number;
  /** The choices there were on the way, in bits: how likely it is no more than chance. */
  readonly doubt: number;
  readonly made: Lying | { readonly axis: Axis; readonly first: Whole; readonly second: Whole } | { readonly wheel: Five<Whole> };
}

type Sign = readonly [number, number];

interface Lying {
  readonly item: Item;
  readonly lie: Lie;
}

/** Whole sheets, and the items that are on none; `measure` is what sizes of the wholes count in, nm. */
export interface Found {
  readonly measure: number;
  readonly sheets: readonly Whole[];
  readonly rest: readonly Item[];
}

/** More pieces than this have too many sides in common. */
const MAX_PIECES = 400;
/** Rectangles looked at in one step, by turns, few to begin with: where sides are common each look takes longer than the one before. */
const LOOKS = [150, 400, 800, 400, 1600] as const;
/** What a piece more is worth against doubt: little looks at everything small first, much builds on what there is. */
const BOLDNESS = [1, 1.5, 2, 2.5, 3, 4] as const;
/** Steps without a whole sheet before it begins again. */
const PATIENCE = 4;
/** Choices of sheets that go together looked at. */
const MAX_CHOICES = 20_000;
const ASK_EVERY = 64;

export interface PerfectSheets {
  /** Looks for more whole sheets; what it found when it has all, or gives this try up. */
  step(): Found | null;
}

/** Null where something is over, and for jobs that ask for more than sizes and grain on one kind of sheet. */
export function perfectSheets(job: Job, items: readonly Item[], random: Random): PerfectSheets | null {
  const [framed] = job.beds;
  if (!framed || job.beds.length > 1 || job.pinned.length > 0 || framed.frames.length !== 1) return null;
  const [frame] = framed.frames;
  const { bed } = framed;
  const { kerf } = job.problem;
  const wanted = sheetsFilled(items, bed.dx, bed.dy, kerf);
  const measure = [kerf, bed.dx, bed.dy, ...items.flatMap(({ lies }) => lies.flatMap(({ dx, dy }) => [dx, dy]))].reduce(commonMeasure);
  const isPlain = frame!.rooms.length === 1 && frame!.first === null && items.every(({ parts, together }) => parts.length === 1 && together === null);
  if (wanted === null || !isPlain || items.length > MAX_PIECES || (bed.sheet.count !== null && bed.sheet.count < wanted)) return null;

  let rest: readonly Item[] = items;
  let sheets: Whole[] = [];
  let fruitless = 0;
  let turn = 0;
  const ended = (): Found => {
    const found = { measure, sheets, rest };
    [rest, sheets, fruitless] = [items, [], 0];
    return found;
  };
  return {
    step() {
      const found = wholeSheets(
        rest,
        { dx: bed.dx / measure, dy: bed.dy / measure, kerf: kerf / measure, measure },
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

/** How many sheets the items fill to the last corner, a kerf round each; null where something is over. */
function sheetsFilled(items: readonly Item[], dx: number, dy: number, kerf: number): number | null {
  const k = BigInt(kerf);
  const area = (x: number, y: number): bigint => (BigInt(x) + k) * (BigInt(y) + k);
  const all = items.reduce((sum, { lies }) => sum + area(lies[0]!.dx, lies[0]!.dy), 0n);
  const sheet = area(dx, dy);
  return items.length > 0 && all % sheet === 0n ? Number(all / sheet) : null;
}

const commonMeasure = (a: number, b: number): number => (b === 0 ? a : commonMeasure(b, a % b));

/** A sheet and its kerf, in `measure`, nm. */
interface Sized {
  readonly dx: number;
  readonly dy: number;
  readonly kerf: number;
  readonly measure: number;
}

/** Whole sheets from some of the items, as many as so many looks find; null when time ran out. */
function wholeSheets(
  items: readonly Item[],
  { dx, dy, kerf, measure }: Sized,
  looks: number,
  { problem: { cuts }, isOver }: Job,
  random: Random,
): Whole[] | null {
  const pick = (of: readonly number[]): number => of[Math.floor(random() * of.length)]!;
  const boldness = pick(BOLDNESS);
  const least = Math.min(...items.flatMap(({ lies }) => lies.flatMap((lie) => [lie.dx, lie.dy]))) / measure;
  const words = (items.length + 31) >> 5;
  const canFill = (side: number, most: number): boolean => side === most || side <= most - kerf - least;
  const byWidth = new Map<number, Whole[]>();
  const byHeight = new Map<number, Whole[]>();
  const all: Whole[] = [];
  const sharingSide = (sides: ReadonlyMap<number, Whole[]>, most: number) => {
    const longest = most - kerf - least;
    return (side: number): readonly Whole[] => (side < least || side > longest ? NONE : (sides.get(side) ?? NONE));
  };
  const known = { all, byWidth: sharingSide(byWidth, dx), byHeight: sharingSide(byHeight, dy) };
  const waiting = new Queue<Whole>();
  const seen = new Set<number>();
  const found: Whole[] = [];
  /** Told apart by 52 bits of chance: one that is dropped for another costs nothing but itself. */
  const isNew = (long: number, wide: number, [a, b]: Sign): boolean => {
    const key = ((a ^ Math.imul(long, 0x2c1b3c6d)) & BITS_26) * 2 ** 26 + ((b ^ Math.imul(wide, 0x297a2d39)) & BITS_26);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  };
  const add = (whole: Whole): void => {
    if (whole.dx === dx && whole.dy === dy) found.push(whole);
    else waiting.push(whole, whole.doubt - boldness * whole.pieces + 0.3 * random());
  };
  const join = (axis: Axis, first: Whole, second: Whole, doubt: number): void => {
    const long = axis === 0 ? first.dx + kerf + second.dx : first.dx;
    const wide = axis === 0 ? first.dy : first.dy + kerf + second.dy;
    if (!canFill(long, dx) || !canFill(wide, dy) || overlap(first.bits, second.bits)) return;
    const sign: Sign = [first.sign[0] ^ second.sign[0], first.sign[1] ^ second.sign[1]];
    if (!isNew(long, wide, sign)) return;
    const [bits, pieces] = [first.bits.map((word, n) => word | second.bits[n]!), first.pieces + second.pieces];
    add({ dx: long, dy: wide, bits, sign, pieces, doubt: first.doubt + second.doubt + doubt, made: { axis, first, second } });
  };
  const turnRound = (five: Five<Whole>, doubt: number): void => {
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
    add({ dx: long, dy: wide, bits, sign, pieces: sum(({ pieces }) => pieces), doubt: sum((each) => each.doubt) + doubt, made: { wheel: five } });
  };
  items.forEach((item, index) => {
    const bits = new Int32Array(words);
    bits[index >> 5] = 1 << (index & 31);
    const sign: Sign = [Math.floor(random() * 2 ** 26), Math.floor(random() * 2 ** 26)];
    for (const lie of item.lies) {
      const [long, wide] = [lie.dx / measure, lie.dy / measure];
      if (canFill(long, dx) && canFill(wide, dy)) add({ dx: long, dy: wide, bits, sign, pieces: 1, doubt: 0, made: { item, lie } });
    }
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
    all.push(whole);
    if (cuts === 'free') for (const { five, choices } of wheelsWith(whole, known, kerf)) turnRound(five, Math.log2(choices));
  }
  return found;
}

const NONE: readonly Whole[] = [];
const BITS_26 = 2 ** 26 - 1;

function overlap(a: Int32Array, b: Int32Array): boolean {
  for (let n = 0; n < a.length; n++) if ((a[n]! & b[n]!) !== 0) return true;
  return false;
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

/** As rows in rows; for one that was made without wheels. */
export function blockOfWhole({ made }: Whole, kerf: number): Block {
  if ('item' in made) return leaf(made.item, made.lie);
  if ('wheel' in made) throw new Error('a wheel has no cut from edge to edge');
  return rowsIn(made.axis, [blockOfWhole(made.first, kerf), blockOfWhole(made.second, kerf)], kerf);
}

/** Its pieces, each with its lower left corner, nm. */
export function piecesOfWhole({ made }: Whole, kerf: number, measure: number, x = 0, y = 0): (Lying & { readonly x: number; readonly y: number })[] {
  if ('item' in made) return [{ ...made, x, y }];
  if ('wheel' in made)
    return placesIn(made.wheel, kerf / measure).flatMap((at, n) => piecesOfWhole(made.wheel[n]!, kerf, measure, x + at.x * measure, y + at.y * measure));
  const { axis, first, second } = made;
  const next = axis === 0 ? { x: x + first.dx * measure + kerf, y } : { x, y: y + first.dy * measure + kerf };
  return [...piecesOfWhole(first, kerf, measure, x, y), ...piecesOfWhole(second, kerf, measure, next.x, next.y)];
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
