/**
 * Pattern layouts for repeated parts: a sheet is ripped into strips, each strip crosscut into columns, each column cut into equal pieces. The most valuable
 * strip is a bounded knapsack over its length, the strips of a sheet another over its width (Gilmore and Gomory, "Multistage cutting stock problems of two
 * and more dimensions", 1965). Sheets are filled one after the other, each pattern as often as there are pieces for it; pieces that ended on poorly filled
 * sheets gain value for the next layout (sequential value correction: Belov and Scheithauer, "Setup and open-stacks minimization in one-dimensional stock
 * cutting", 2007). Remaining waste is filled with what fits.
 */
import type { Random } from '../random/random.ts';
import { usedOf, type FramedSheet, type NestJob, type Layout } from './layout.ts';
import { kindsOf, type PackItem, type PackLie } from './pieces.ts';
import { boundedKnapsack, type KnapsackRows } from './knapsack.ts';
import { place, rowsIn, sheetOf, spotFor, leaf, type SplitAxis, type GuillotineNode, type OpenSheet } from './guillotine-tree.ts';

/** Identical pieces. */
interface Kind {
  readonly items: readonly PackItem[];
  readonly lies: readonly PackLie[];
  /** mm² */
  readonly area: number;
}

/** Equal pieces stacked across a strip, at one place along it. */
interface Column {
  readonly kind: number;
  readonly lie: PackLie;
  readonly stack: number;
}

interface Strip {
  /** nm, across the strip. */
  readonly wide: number;
  readonly worth: number;
  readonly columns: readonly (Column & { readonly times: number })[];
  /** Number of pieces of each kind in it. */
  readonly uses: readonly Use[];
}

interface Use {
  readonly kind: number;
  readonly count: number;
}

/** Least share of its strip's width that a column must fill. */
const MIN_FILLED = 0.55;
/** Exponent of area in the initial value: large pieces are harder to place. */
const LARGE = 1.06;
/** Smoothing of value corrections. */
const CORRECTION = 0.35;

export interface Patterns {
  /** One more layout, with values corrected by the one before; null when time ran out. */
  step(): Layout | null;
}

/** Least average number of pieces per kind for patterns to pay. */
const REPEATED = 2.5;

/** Null for jobs with few repeats, and for those with flaws, pinned parts or parts that must share a sheet. */
export function patterns(job: NestJob, items: readonly PackItem[], random: Random): Patterns | null {
  const isPlain = job.pinned.length === 0 && job.beds.every(({ frames }) => frames.length === 1 && frames[0]!.rooms.length === 1);
  if (!isPlain || items.some(({ together }) => together !== null)) return null;
  const alike = kindsOf(items);
  if (items.length < REPEATED * alike.length) return null;
  const kinds = alike.map((each): Kind => ({ items: each, lies: each[0]!.lies, area: each[0]!.area / 1e12 }));
  const worths = kinds.map(({ area }) => area ** LARGE);
  return {
    step() {
      const layout = laidOut(job, kinds, worths, random);
      if (layout) correct(layout, kinds, worths, random);
      return layout;
    },
  };
}

/** Fills sheets until nothing is left, or no more may be opened. */
function laidOut(job: NestJob, kinds: readonly Kind[], worths: readonly number[], random: Random): Layout | null {
  const { kerf } = job.problem;
  const left = kinds.map(({ items }) => items.length);
  const taken = (kind: number): PackItem => kinds[kind]!.items[--left[kind]!]!;
  const bySize = kinds.map((_, kind) => kind).sort((a, b) => worths[b]! - worths[a]!);
  const searches = new Map<FramedSheet, SheetSearch>();
  const sheets: OpenSheet[] = [];
  const isOpen = ({ bed }: FramedSheet): boolean => bed.sheet.count === null || usedOf(bed, sheets) < bed.sheet.count;
  while (left.some((count) => count > 0)) {
    let best: { framed: FramedSheet; pattern: Pattern; rate: number } | undefined;
    for (const framed of job.beds) {
      if (!isOpen(framed)) continue;
      if (job.isOver()) return null;
      const search = searches.get(framed) ?? sheetSearch(framed, kinds, worths, kerf);
      searches.set(framed, search);
      const pattern = search.best(left);
      if (!pattern) continue;
      const rate = (pattern.worth * (0.95 + 0.1 * random())) / (framed.bed.sheet.cost ?? framed.bed.dx * framed.bed.dy);
      if (!best || rate > best.rate) best = { framed, pattern, rate };
    }
    if (!best) break;
    const { framed, pattern } = best;
    for (let copies = timesOf(pattern.uses, left); copies > 0 && isOpen(framed); copies--) {
      const sheet = sheetOf(framed.frames[0]!, blockOfPattern(pattern, taken, kerf), kerf);
      for (const kind of bySize) {
        while (left[kind]! > 0) {
          const spot = spotFor(kinds[kind]!.items[0]!, sheet, kerf, 'short');
          if (!spot) break;
          place(taken(kind), sheet, spot, kerf);
        }
      }
      sheets.push(sheet);
      if (timesOf(pattern.uses, left) === 0) break;
    }
  }
  return { sheets, left: kinds.flatMap(({ items }, kind) => items.slice(0, left[kind])) };
}

/** Raises the value of pieces that ended on poorly filled sheets. */
function correct({ sheets }: Layout, kinds: readonly Kind[], worths: number[], random: Random): void {
  const kindOf = new Map(kinds.map(({ lies }, kind) => [lies, kind]));
  const sums = kinds.map(() => ({ worth: 0, count: 0 }));
  for (const sheet of sheets) {
    const fullness = sheet.area / sheet.frame.area;
    const seen = (block: GuillotineNode): void => {
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
  readonly axis: SplitAxis;
  readonly worth: number;
  readonly strips: readonly Strip[];
  readonly uses: readonly Use[];
}

function blockOfPattern({ axis, strips }: Pattern, taken: (kind: number) => PackItem, kerf: number): GuillotineNode {
  const across: SplitAxis = axis === 0 ? 1 : 0;
  const column = ({ kind, lie, stack }: Column): GuillotineNode =>
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
  /** The most valuable pattern of the remaining pieces; null for none. */
  best(left: readonly number[]): Pattern | null;
}

function sheetSearch({ bed, frames }: FramedSheet, kinds: readonly Kind[], worths: readonly number[], kerf: number): SheetSearch {
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

/** Patterns with strips side by side along `axis`. Strips are memoized: one stays the best of its width while there are pieces for it. */
function stripSearch(
  axis: SplitAxis,
  dx: number,
  dy: number,
  kinds: readonly Kind[],
  worths: readonly number[],
  kerf: number,
): (left: readonly number[]) => Pattern | null {
  const [length, width] = axis === 1 ? [dx, dy] : [dy, dx];
  const along = (lie: PackLie): number => (axis === 1 ? lie.dx : lie.dy);
  const wideOf = (lie: PackLie): number => (axis === 1 ? lie.dy : lie.dx);
  const lies = kinds.flatMap(({ lies: own }, kind) =>
    own.filter((lie) => along(lie) <= length && wideOf(lie) <= width).map((lie) => ({ kind, lie, wide: wideOf(lie), size: along(lie) + kerf })),
  );
  const widths = [...new Set(lies.map(({ wide }) => wide))].sort((a, b) => b - a);
  lies.sort((a, b) => b.wide - a.wide);
  /** By width: the best strip of the pieces left when it was made. */
  const known = new Map<number, Strip | null>();
  let last: Pattern | null = null;
  const rows: KnapsackRows = { count: 0, size: [], worth: [], most: [] };
  /** Per knapsack row: stacked pieces and their orientation. */
  const [stacks, lyings]: [number[], number[]] = [[], []];
  const across: KnapsackRows = { count: 0, size: [], worth: [], most: [] };

  const stripOf = (wide: number, left: readonly number[], remembered: Map<number, Strip | null>): Strip | null => {
    for (const memory of [known, remembered]) {
      const before = memory.get(wide);
      if (before !== undefined && (before === null || timesOf(before.uses, left) > 0)) return before;
    }
    rows.count = 0;
    let widest = 0;
    for (let index = 0; index < lies.length; index++) {
      const { kind, wide: own, size } = lies[index]!;
      const there = left[kind]!;
      if (own > wide || there === 0) continue;
      widest = Math.max(widest, own);
      const stack = Math.min(there, Math.floor((wide + kerf) / (own + kerf)));
      if (stack * (own + kerf) - kerf < MIN_FILLED * wide) continue;
      const row = rows.count++;
      rows.size[row] = size;
      rows.worth[row] = stack * worths[kind]!;
      rows.most[row] = Math.floor(there / stack);
      stacks[row] = stack;
      lyings[row] = index;
    }
    // With no piece of this width left it equals the strip of the next width.
    const times = widest < wide ? null : boundedKnapsack(rows, length + kerf);
    const used: (Column & { times: number })[] = [];
    for (let row = 0; times && row < rows.count; row++) {
      if (times[row] === 0) continue;
      const { kind, lie } = lies[lyings[row]!]!;
      used.push({ kind, lie, stack: stacks[row]!, times: times[row]! });
    }
    const strip = withinStock(used, left);
    const found = strip.length === 0 ? null : stripFrom(wide, strip, worths);
    remembered.set(wide, found);
    return found;
  };

  return (left) => {
    if (last && timesOf(last.uses, left) > 0) return last;
    for (const wide of widths) stripOf(wide, left, known);
    const within = new Map<number, Strip | null>();
    const rest = [...left];
    const strips: Strip[] = [];
    let free = width + kerf;
    for (;;) {
      const candidates: Strip[] = [];
      across.count = 0;
      for (const wide of widths) {
        const strip = wide + kerf <= free ? stripOf(wide, rest, within) : null;
        if (!strip) continue;
        const row = across.count++;
        across.size[row] = wide + kerf;
        across.worth[row] = strip.worth;
        across.most[row] = timesOf(strip.uses, rest);
        candidates.push(strip);
      }
      const times = boundedKnapsack(across, free);
      const before = strips.length;
      // Widest first; pieces it cannot supply are sought again in the remainder.
      candidates.forEach((strip, at) => {
        const count = times[at]! === 0 ? 0 : Math.min(times[at]!, timesOf(strip.uses, rest));
        for (let n = 0; n < count; n++) strips.push(strip);
        free -= count * across.size[at]!;
        for (const { kind, count: own } of strip.uses) rest[kind]! -= own * count;
      });
      if (strips.length === before) break;
    }
    last =
      strips.length === 0 ? null : { axis, strips, uses: usesIn(strips.map(({ uses }) => uses)), worth: strips.reduce((sum, { worth }) => sum + worth, 0) };
    return last;
  };
}

function stripFrom(wide: number, columns: Strip['columns'], worths: readonly number[]): Strip {
  const uses = usesIn([columns.map(({ kind, stack, times }) => ({ kind, count: stack * times }))]);
  return { wide, columns, uses, worth: uses.reduce((sum, { kind, count }) => sum + count * worths[kind]!, 0) };
}

function usesIn(lists: readonly (readonly Use[])[]): Use[] {
  const counts = new Map<number, number>();
  for (const uses of lists) for (const { kind, count } of uses) counts.set(kind, (counts.get(kind) ?? 0) + count);
  return [...counts].map(([kind, count]) => ({ kind, count }));
}

/** How often the remaining pieces allow a pattern. */
function timesOf(uses: readonly Use[], left: readonly number[]): number {
  let times = Infinity;
  for (const { kind, count } of uses) times = Math.min(times, Math.floor(left[kind]! / count));
  return times;
}

/** A kind that lies both ways in one strip may have been counted twice. */
function withinStock<C extends { readonly kind: number; readonly stack: number; readonly times: number }>(columns: readonly C[], left: readonly number[]): C[] {
  const rest = [...left];
  return columns.flatMap((each) => {
    const times = Math.min(each.times, Math.floor(rest[each.kind]! / each.stack));
    rest[each.kind]! -= times * each.stack;
    return times > 0 ? [{ ...each, times }] : [];
  });
}
