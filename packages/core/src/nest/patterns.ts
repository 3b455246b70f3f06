/**
 * Layouts from patterns, for parts of which there are many alike: a sheet is ripped into strips, each strip crosscut into columns, each column
 * into equal pieces. The strip that holds the most worth is a bounded knapsack over its length, the strips of a sheet another over its width
 * (Gilmore and Gomory, "Multistage cutting stock problems of two and more dimensions", 1965). Sheets are filled one after the other, a pattern
 * as often as there are pieces for it; pieces that ended on poorly filled sheets are worth more the next time (sequential value correction:
 * Belov and Scheithauer, "Setup and open-stacks minimization in one-dimensional stock cutting", 2007). What waste is left takes what fits.
 */
import type { Random } from '../chance/random.ts';
import { usedOf, type Framed, type Job, type Layout } from './layout.ts';
import type { Item, Lie } from './pieces.ts';
import { place, rowsIn, sheetOf, spotFor, leaf, type Axis, type Block, type Sheet } from './slices.ts';

/** Alike pieces. */
interface Kind {
  readonly items: readonly Item[];
  readonly lies: readonly Lie[];
  /** mm² */
  readonly area: number;
}

/** So many equal pieces over one another, at one place along a strip. */
interface Column {
  readonly kind: number;
  readonly lie: Lie;
  readonly stack: number;
}

interface Strip {
  /** nm, across it. */
  readonly wide: number;
  readonly worth: number;
  readonly columns: readonly (Column & { readonly times: number })[];
}

/** Lengths are counted in so many steps at most: a step is as long as the common measure of all of them where that is enough. */
const MAX_STEPS = 2600;
/** A column must fill this share of its strip's width. */
const LEAST_FILLED = 0.55;
/** Worth grows with this power of area: what is large is harder to place. */
const LARGE = 1.03;
/** How much of a new worth is taken over. */
const CORRECTION = 0.35;

export interface Patterns {
  /** One more layout, from worths corrected by the one before; null when time ran out under it. */
  step(): Layout | null;
}

/** So many pieces of a kind on the average, or there is nothing to repeat. */
const REPEATED = 2.5;

/** Null for jobs without many alike, and for those that ask for more than sizes and grain: flaws, pinned parts, parts that share a sheet. */
export function patterns(job: Job, items: readonly Item[], random: Random): Patterns | null {
  const isPlain = job.pinned.length === 0 && job.beds.every(({ frames }) => frames.length === 1 && frames[0]!.rooms.length === 1);
  if (!isPlain || items.some(({ together }) => together !== null)) return null;
  const byLies = new Map<Item['lies'], Item[]>();
  for (const item of items) {
    const alike = byLies.get(item.lies);
    if (alike) alike.push(item);
    else byLies.set(item.lies, [item]);
  }
  if (items.length < REPEATED * byLies.size) return null;
  const kinds = [...byLies].map(([lies, alike]): Kind => ({ items: alike, lies, area: alike[0]!.area / 1e12 }));
  const worths = kinds.map(({ area }) => area ** LARGE);
  return {
    step() {
      const layout = laidOut(job, kinds, worths, random);
      if (layout) correct(layout, kinds, worths, random);
      return layout;
    },
  };
}

/** Sheets one after the other, until nothing is left or nothing more may be opened. */
function laidOut(job: Job, kinds: readonly Kind[], worths: readonly number[], random: Random): Layout | null {
  const { kerf } = job.problem;
  const left = kinds.map(({ items }) => items.length);
  const taken = (kind: number): Item => kinds[kind]!.items[--left[kind]!]!;
  const bySize = kinds.map((_, kind) => kind).sort((a, b) => worths[b]! - worths[a]!);
  const searches = new Map<Framed, SheetSearch>();
  const sheets: Sheet[] = [];
  const isOpen = ({ bed }: Framed): boolean => bed.sheet.count === null || usedOf(bed, sheets) < bed.sheet.count;
  while (left.some((count) => count > 0)) {
    let best: { framed: Framed; pattern: Pattern; rate: number } | undefined;
    for (const framed of job.beds) {
      if (!isOpen(framed)) continue;
      if (job.isOver()) return null;
      const search = searches.get(framed) ?? sheetSearch(framed, kinds, worths, kerf);
      searches.set(framed, search);
      const pattern = search.best(left);
      if (!pattern) continue;
      const rate = (pattern.worth * (0.98 + 0.04 * random())) / (framed.bed.sheet.cost ?? framed.bed.dx * framed.bed.dy);
      if (!best || rate > best.rate) best = { framed, pattern, rate };
    }
    if (!best) break;
    const { framed, pattern } = best;
    for (let copies = timesIn(pattern, left); copies > 0 && isOpen(framed); copies--) {
      const sheet = sheetOf(framed.frames[0]!, blockOfPattern(pattern, taken, kerf), kerf);
      for (const kind of bySize) {
        while (left[kind]! > 0) {
          const spot = spotFor(kinds[kind]!.items[0]!, sheet, kerf, 'short');
          if (!spot) break;
          place(taken(kind), sheet, spot, kerf);
        }
      }
      sheets.push(sheet);
      if (timesIn(pattern, left) === 0) break;
    }
  }
  return { sheets, left: kinds.flatMap(({ items }, kind) => items.slice(0, left[kind])) };
}

/** What ended on a poorly filled sheet is worth more next time. */
function correct({ sheets }: Layout, kinds: readonly Kind[], worths: number[], random: Random): void {
  const kindOf = new Map(kinds.map(({ lies }, kind) => [lies, kind]));
  const sums = kinds.map(() => ({ worth: 0, count: 0 }));
  for (const sheet of sheets) {
    const fullness = sheet.area / sheet.frame.area;
    const seen = (block: Block): void => {
      if (block.item) {
        const kind = kindOf.get(block.item.lies)!;
        sums[kind]!.worth += kinds[kind]!.area ** LARGE / Math.max(0.3, fullness);
        sums[kind]!.count++;
      } else block.row.forEach(seen);
    };
    for (const { root } of sheet.fields) if (root) seen(root);
  }
  sums.forEach(({ worth, count }, kind) => {
    if (count > 0) worths[kind]! += CORRECTION * (worth / count - worths[kind]!);
    worths[kind]! *= 0.985 + 0.03 * random();
  });
}

interface Pattern {
  /** Strips lie side by side along this axis. */
  readonly axis: Axis;
  readonly worth: number;
  readonly strips: readonly Strip[];
}

const timesIn = ({ strips }: Pattern, left: readonly number[]): number => {
  const used = new Map<number, number>();
  for (const { columns } of strips) for (const { kind, stack, times } of columns) used.set(kind, (used.get(kind) ?? 0) + stack * times);
  return Math.min(...[...used].map(([kind, count]) => Math.floor(left[kind]! / count)));
};

function blockOfPattern({ axis, strips }: Pattern, taken: (kind: number) => Item, kerf: number): Block {
  const across: Axis = axis === 0 ? 1 : 0;
  const column = ({ kind, lie, stack }: Column): Block =>
    rowsIn(
      axis,
      Array.from({ length: stack }, () => leaf(taken(kind), lie)),
      kerf,
    );
  return rowsIn(
    axis,
    strips.map(({ columns }) =>
      rowsIn(
        across,
        columns.flatMap((each) => Array.from({ length: each.times }, () => column(each))),
        kerf,
      ),
    ),
    kerf,
  );
}

interface SheetSearch {
  /** The pattern of the most worth from what is left; null for none. */
  best(left: readonly number[]): Pattern | null;
}

function sheetSearch({ bed, frames }: Framed, kinds: readonly Kind[], worths: readonly number[], kerf: number): SheetSearch {
  const { first } = frames[0]!;
  const ways = ([1, 0] as const).filter((axis) => first === null || (first === 'y') === (axis === 1));
  const searches = ways.map((axis) => stripSearch(axis, bed.dx, bed.dy, kinds, worths, kerf));
  return {
    best(left) {
      let best: Pattern | null = null;
      for (const search of searches) {
        const pattern = search(left);
        if (pattern && (!best || pattern.worth > best.worth)) best = pattern;
      }
      return best;
    },
  };
}

/** Patterns whose strips lie side by side along `axis`. Strips are remembered: one stays the best of its width while there are pieces for it. */
function stripSearch(
  axis: Axis,
  dx: number,
  dy: number,
  kinds: readonly Kind[],
  worths: readonly number[],
  kerf: number,
): (left: readonly number[]) => Pattern | null {
  const [length, width] = axis === 1 ? [dx, dy] : [dy, dx];
  const along = (lie: Lie): number => (axis === 1 ? lie.dx : lie.dy);
  const across = (lie: Lie): number => (axis === 1 ? lie.dy : lie.dx);
  const lies = kinds.flatMap(({ lies: own }, kind) =>
    own.filter((lie) => along(lie) <= length && across(lie) <= width).map((lie) => ({ kind, lie, wide: across(lie), size: 0 })),
  );
  const widths = [...new Set(lies.map(({ lie }) => across(lie)))].sort((a, b) => b - a);
  const step = stepOf([length + kerf, ...lies.map(({ lie }) => along(lie) + kerf)], length + kerf);
  const room = Math.floor((length + kerf) / step);
  for (const each of lies) each.size = Math.ceil((along(each.lie) + kerf) / step - 1e-9);
  lies.sort((a, b) => b.wide - a.wide);
  const stepAcross = stepOf([width + kerf, ...widths.map((wide) => wide + kerf)], width + kerf);
  const roomAcross = Math.floor((width + kerf) / stepAcross);
  /** By width, the best strip from all that was left when it was made: it stays the best while there are pieces for it. */
  const known = new Map<number, Strip | null>();
  let last: Pattern | null = null;

  const stripOf = (wide: number, left: readonly number[], remembered: Map<number, Strip | null>): Strip | null => {
    for (const memory of [known, remembered]) {
      const before = memory.get(wide);
      if (before !== undefined && (before === null || timesOf(before, left) > 0)) return before;
    }
    const columns: (Row & Column)[] = [];
    for (const { kind, lie, wide: own, size } of lies) {
      const there = left[kind]!;
      if (own > wide || there === 0) continue;
      const stack = Math.min(there, Math.floor((wide + kerf) / (own + kerf)));
      if (stack * (own + kerf) - kerf < LEAST_FILLED * wide) continue;
      columns.push({ kind, lie, stack, size, worth: stack * worths[kind]!, most: Math.floor(there / stack) });
    }
    const times = knapsack(columns, room);
    const used = columns.flatMap(({ kind, lie, stack, worth }, index) => (times[index]! > 0 ? [{ kind, lie, stack, worth, times: times[index]! }] : []));
    const strip = withinStock(used, left);
    const found: Strip | null = strip.length === 0 ? null : { wide, worth: strip.reduce((sum, each) => sum + each.worth * each.times, 0), columns: strip };
    remembered.set(wide, found);
    return found;
  };

  return (left) => {
    if (last && timesIn(last, left) > 0) return last;
    for (const wide of widths) stripOf(wide, left, known);
    const within = new Map<number, Strip | null>();
    const rest = [...left];
    const strips: Strip[] = [];
    let free = roomAcross;
    for (;;) {
      const rows = widths.flatMap((wide) => {
        const size = Math.ceil((wide + kerf) / stepAcross - 1e-9);
        const strip = size <= free ? stripOf(wide, rest, within) : null;
        return strip ? [{ strip, size, worth: strip.worth, most: timesOf(strip, rest) }] : [];
      });
      const times = knapsack(rows, free);
      // The widest first: what is over for it later is less than what is over now.
      const at = times.findIndex((count) => count > 0);
      if (at < 0) break;
      const { strip, size } = rows[at]!;
      for (let n = 0; n < times[at]!; n++) {
        strips.push(strip);
        free -= size;
        for (const { kind, stack, times: count } of strip.columns) rest[kind]! -= stack * count;
      }
    }
    last = strips.length === 0 ? null : { axis, strips, worth: strips.reduce((sum, { worth }) => sum + worth, 0) };
    return last;
  };
}

const usedBy = ({ columns }: Strip, kind: number): number => columns.reduce((sum, each) => (each.kind === kind ? sum + each.stack * each.times : sum), 0);
const timesOf = (strip: Strip, left: readonly number[]): number => Math.min(...strip.columns.map(({ kind }) => Math.floor(left[kind]! / usedBy(strip, kind))));

/** A kind that lies both ways in one strip may have been taken twice over. */
function withinStock<C extends { readonly kind: number; readonly stack: number; readonly times: number }>(columns: readonly C[], left: readonly number[]): C[] {
  const rest = [...left];
  return columns.flatMap((each) => {
    const times = Math.min(each.times, Math.floor(rest[each.kind]! / each.stack));
    rest[each.kind]! -= times * each.stack;
    return times > 0 ? [{ ...each, times }] : [];
  });
}

interface Row {
  readonly size: number;
  readonly worth: number;
  readonly most: number;
}

/** Scratch of `knapsack`: the most worth by room; of each row and room how often it is taken, and how much of the room is over then. */
const scratch = { values: new Float64Array(4096), counts: new Uint16Array(1 << 18), overs: new Uint16Array(1 << 18) };

/** How often each is taken for the most worth in `room`; each at most `most` times. O(rows · room). */
function knapsack(rows: readonly Row[], room: number): number[] {
  const wide = room + 1;
  if (scratch.values.length < wide) scratch.values = new Float64Array(2 * wide);
  if (scratch.counts.length < wide * rows.length) {
    scratch.counts = new Uint16Array(2 * wide * rows.length);
    scratch.overs = new Uint16Array(2 * wide * rows.length);
  }
  const { values, counts, overs } = scratch;
  values.fill(0, 0, wide);
  counts.fill(0, 0, wide * rows.length);
  overs.fill(0, 0, wide * rows.length);
  for (let index = 0; index < rows.length; index++) {
    const { size, worth, most } = rows[index]!;
    const from = index * wide;
    for (let at = size; at <= room; at++) {
      const before = counts[from + at - size]!;
      const more = values[at - size]! + worth;
      if (before < most && more > values[at]!) {
        values[at] = more;
        counts[from + at] = before + 1;
      }
      // What goes into less room goes into this.
      if (values[at - 1]! > values[at]!) {
        values[at] = values[at - 1]!;
        counts[from + at] = counts[from + at - 1]!;
        overs[from + at] = overs[from + at - 1]! + 1;
      }
    }
  }
  const times = new Array<number>(rows.length).fill(0);
  let at = room;
  for (let index = rows.length - 1; index >= 0; index--) {
    at -= overs[index * wide + at]!;
    const count = counts[index * wide + at]!;
    times[index] = count;
    at -= count * rows[index]!.size;
  }
  return times;
}

/** The common measure of all lengths, nm, where it is no finer than wanted. */
function stepOf(lengths: readonly number[], whole: number): number {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  const common = lengths.reduce((a, b) => gcd(a, b));
  return Math.max(common, whole / MAX_STEPS);
}
