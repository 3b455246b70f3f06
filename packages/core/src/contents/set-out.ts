/**
 * Set-out: items onto shelves. First a next-fit decreasing height packing of columns; then ruin and recreate of random levels. Among answers that place as
 * much, the one is kept with the least height, groups together, heavy items low and daily items between hip and eye. The caller holds the clock: the same
 * job, seed and number of steps give the same answer.
 */
import { seeded, type Random } from '../random/random.ts';
import { toMm, type Length } from '../length/length.ts';
import type { Leftover } from './arrange.ts';
import { orderLevels } from './set-out-order.ts';
import { columnGroupsOf, setOutBound, type Impossible, type KgOf, type PackedLevel, type ColumnGroup, type SetOutJob } from './set-out-job.ts';

export interface SetOutLevel {
  /** The element the pins of this level name; null for any. */
  readonly on: string | null;
  readonly lots: readonly { readonly item: ColumnGroup['item']; readonly count: number; readonly pinned: boolean }[];
  readonly height: Length;
  readonly used: Length;
}

export interface SetOut {
  /** From the bottom up. */
  readonly levels: readonly SetOutLevel[];
  readonly left: readonly Leftover[];
  /** Number of future items without room. */
  readonly ungrown: readonly Leftover[];
  readonly impossible: readonly Impossible[];
  /** Clear height of all levels, with the shelves between them. */
  readonly height: Length;
  /** Proved: no set-out of these items at this width is lower. */
  readonly bound: Length;
  readonly width: Length;
  readonly depth: Length;
  readonly effort: number;
}

export interface SetOutSearch {
  /** Runs the given number of tries; true when nothing better is possible. */
  step(count: number): boolean;
  best(): SetOut;
  /** Lower is better; tells whether an answer improved. */
  readonly cost: number;
}

interface Packed {
  readonly levels: readonly PackedLevel[];
  readonly left: ReadonlyMap<ColumnGroup, number>;
  readonly cost: number;
}

/** Penalty for splitting a group over one more level, mm. [A] */
const SPLIT_MM = 25;
/** Placed items come before any height. */
const LEFT_MM = 1e6;

export function setOut(job: SetOutJob, kgOf: KgOf, seed = 1): SetOutSearch {
  const { pieces, impossible } = columnGroupsOf(job, kgOf);
  const bound = setOutBound(pieces, job);
  const random = seeded(seed);
  const pack = packer(job, pieces);
  let best = pack(startOrder(pieces), []);
  let current = best;
  let effort = 1;
  const once = (): void => {
    const again = effort % 25 === 0 ? pack(shaken(pieces, random), []) : refill(pack, current, pieces, random);
    effort++;
    if (again.cost <= current.cost) current = again;
    if (again.cost < best.cost) best = again;
    if (effort % 150 === 0) current = best;
  };
  return {
    step(count) {
      for (let n = 0; n < count && best.levels.length > 1; n++) once();
      return best.levels.length <= 1;
    },
    best: () => answer(job, best, impossible, bound, effort),
    get cost() {
      return best.cost;
    },
  };
}

/** Groups in order of their tallest column, each from its tallest down. */
function startOrder(pieces: readonly ColumnGroup[]): ColumnGroup[] {
  const tallest = new Map<string, number>();
  for (const piece of pieces) tallest.set(groupOf(piece), Math.max(tallest.get(groupOf(piece)) ?? 0, piece.column.height));
  return [...pieces].sort(
    (a, b) =>
      tallest.get(groupOf(b))! - tallest.get(groupOf(a))! ||
      (groupOf(a) < groupOf(b) ? -1 : groupOf(a) > groupOf(b) ? 1 : 0) ||
      b.column.height - a.column.height ||
      b.column.width - a.column.width ||
      a.item.order - b.item.order,
  );
}

const groupOf = ({ item }: ColumnGroup): string => item.near || `\u0000${item.id}`;

/** Descending height with noise, grouped or not. */
function shaken(pieces: readonly ColumnGroup[], random: Random): ColumnGroup[] {
  const noise = 0.4 * random();
  const keys = new Map(pieces.map((piece) => [piece, piece.column.height * (1 + noise * (random() - 0.5))]));
  return [...pieces].sort((a, b) => keys.get(b)! - keys.get(a)! || a.item.order - b.item.order);
}

/** `worst`: costs above this need not be computed further. */
type Pack = (order: readonly ColumnGroup[], kept: readonly PackedLevel[], worst?: number) => Packed;

/** Fills levels in the given order: least added height, then least remaining room. */
function packer(job: SetOutJob, pieces: readonly ColumnGroup[]): Pack {
  const pinned = pieces.filter(({ on }) => on !== null);
  const floor = job.elements[0] ?? null;
  const highestPin = Math.max(-1, ...pinned.map(({ on }) => job.elements.indexOf(on!)));
  /** Whether a level may lie above others: the floor may not. */
  const canBeTop = (on: string | null): boolean => on === null || (on !== floor && job.elements.indexOf(on) === highestPin);
  // A shelf that must stay needs a floor under it, even an empty one.
  const needsFloor = pinned.some(({ on }) => on !== floor);
  return (order, kept, worst = Infinity) => {
    const levels: PackedLevel[] = kept.map((level) => ({ ...level, columns: new Map(level.columns) }));
    const left = new Map<ColumnGroup, number>();
    if (needsFloor && !levels.some(({ on }) => on === floor)) levels.push({ on: floor, columns: new Map(), height: 0, used: 0 });
    let height = levels.reduce((sum, level) => sum + level.height, 0) + Math.max(0, levels.length - 1) * job.thickness;
    let tallestTop = levels.reduce((most, level) => (canBeTop(level.on) ? Math.max(most, level.height) : most), 0);
    /** Whether the levels are low enough with this column on one, and the topmost at its required height. */
    const fits = (rise: number, column: ColumnGroup['column'], on: string | null, count = levels.length): boolean => {
      const top = count <= 1 ? height + rise : canBeTop(on) ? Math.max(tallestTop, column.height) : tallestTop;
      return height + rise + Math.max(0, job.topHeight - top) <= job.height;
    };
    const open = (on: string | null): PackedLevel => {
      const level: PackedLevel = { on, columns: new Map(), height: 0, used: 0 };
      height += levels.length > 0 ? job.thickness : 0;
      levels.push(level);
      return level;
    };
    const put = (level: PackedLevel, piece: ColumnGroup, columns: number): void => {
      height += Math.max(0, piece.column.height - level.height);
      level.height = Math.max(level.height, piece.column.height);
      if (canBeTop(level.on)) tallestTop = Math.max(tallestTop, level.height);
      level.used += columns * piece.column.width;
      level.columns.set(piece, (level.columns.get(piece) ?? 0) + columns);
    };
    const fill = (piece: ColumnGroup, candidates: () => PackedLevel | null): void => {
      const placed = levels.reduce((sum, level) => sum + (level.columns.get(piece) ?? 0), 0);
      let wanted = piece.columns - placed;
      while (wanted > 0) {
        const level = candidates();
        if (!level) break;
        const columns = Math.min(wanted, Math.floor((job.width - level.used) / piece.column.width));
        if (columns <= 0) break;
        put(level, piece, columns);
        wanted -= columns;
      }
      if (wanted > 0) left.set(piece, wanted);
    };
    for (const piece of pinned)
      fill(piece, () => {
        const level = levels.find(({ on }) => on === piece.on) ?? (levels.length < job.maxLevels ? open(piece.on) : null);
        return level && fits(Math.max(0, piece.column.height - level.height), piece.column, level.on) ? level : null;
      });
    for (const piece of order) {
      if (piece.on !== null) continue;
      fill(piece, () => {
        const { column } = piece;
        let chosen: PackedLevel | null = null;
        let least = Infinity;
        for (const level of levels) {
          const free = job.width - level.used;
          if (free < column.width) continue;
          const rise = Math.max(0, column.height - level.height);
          if (!fits(rise, column, level.on)) continue;
          // Added height first; then the same group; then the remaining width.
          const cost = rise * 4 + (piece.item.near && hasGroup(level, piece.item.near) ? 0 : SPLIT_MM * 1e6) + free * 1e-3;
          if (cost < least) [chosen, least] = [level, cost];
        }
        const opened = column.height + (levels.length > 0 ? job.thickness : 0);
        const canOpen = levels.length < job.maxLevels && fits(opened, column, null, levels.length + 1);
        if (canOpen && opened * 4 < least) return open(null);
        return chosen;
      });
    }
    const used = levels.filter(({ columns, on }) => columns.size > 0 || (needsFloor && on === floor));
    const cost = costOf(job, used, left);
    if (cost > worst) return { levels: used, left, cost };
    const ordered = orderLevels(job, used);
    return { levels: withTop(job, ordered.levels), left, cost: cost + ordered.cost };
  };
}

/** Raises the topmost level to its required height. */
function withTop({ topHeight }: SetOutJob, levels: readonly PackedLevel[]): PackedLevel[] {
  return levels.map((level, index) => (index === levels.length - 1 ? { ...level, height: Math.max(level.height, topHeight) } : level));
}

const hasGroup = (level: PackedLevel, near: string): boolean => [...level.columns.keys()].some(({ item }) => item.near === near);

/** Cost in mm: height plus penalties. */
function costOf(job: SetOutJob, levels: readonly PackedLevel[], left: ReadonlyMap<ColumnGroup, number>): number {
  let splits = 0;
  const seen = new Set<string>();
  for (const level of levels) {
    const here = new Set([...level.columns.keys()].map(({ item }) => item.near).filter(Boolean));
    for (const near of here) {
      if (seen.has(near)) splits++;
      seen.add(near);
    }
  }
  const height = levels.reduce((sum, level) => sum + level.height, 0) + Math.max(0, levels.length - 1) * job.thickness;
  let missing = 0;
  for (const columns of left.values()) missing += columns;
  return missing * LEFT_MM + toMm(height as Length) + splits * SPLIT_MM;
}

/** Empties one to three levels and repacks them, with the unplaced, in another order. */
function refill(pack: Pack, from: Packed, pieces: readonly ColumnGroup[], random: Random): Packed {
  const free = from.levels.filter(({ on }) => on === null);
  if (free.length === 0) return pack(shaken(pieces, random), []);
  const first = Math.floor(random() * free.length);
  const emptied = new Set([free[first]!]);
  const more = 1 + Math.floor(random() * 2);
  for (let n = 0; n < more; n++) emptied.add(free[Math.floor(random() * free.length)]!);
  const kept = from.levels.filter((level) => !emptied.has(level));
  // Remaining levels shrink to their contents.
  const trimmed = kept.map((level) => ({ ...level, height: Math.max(0, ...[...level.columns.keys()].map(({ column }) => column.height)) }));
  // Only removed or unplaced columns are packed again.
  const taken = new Set([...from.left.keys(), ...[...emptied].flatMap((level) => [...level.columns.keys()])]);
  return pack(shaken([...taken], random), trimmed, from.cost);
}

function answer(job: SetOutJob, { levels, left }: Packed, impossible: readonly Impossible[], bound: Length, effort: number): SetOut {
  // Columns hold today's count first; room for growth is in the last columns of each item.
  const rest = new Map<ColumnGroup, number>();
  const today = (piece: ColumnGroup): number => rest.get(piece) ?? piece.count;
  const rows = levels.map((level): SetOutLevel => ({
    on: level.on,
    height: level.height as Length,
    used: level.used as Length,
    lots: [...level.columns].flatMap(([piece, columns]) => {
      const count = Math.min(today(piece), columns * piece.column.rows * piece.column.high);
      rest.set(piece, today(piece) - count);
      return count > 0 ? [{ item: piece.item, count, pinned: piece.on !== null }] : [];
    }),
  }));
  return {
    levels: rows,
    left: [...left.keys()].flatMap((piece) => (today(piece) > 0 ? [{ item: piece.item, count: today(piece) }] : [])),
    ungrown: [...left].flatMap(([piece, missing]) => {
      const { item, column, columns, count, growth } = piece;
      const room = (columns - missing) * column.rows * column.high;
      const short = Math.min(growth, count + growth - room);
      return short > 0 ? [{ item, count: short }] : [];
    }),
    impossible,
    height: (rows.reduce((sum, { height }) => sum + height, 0) + Math.max(0, rows.length - 1) * job.thickness) as Length,
    bound,
    width: job.width,
    depth: job.depth,
    effort,
  };
}
