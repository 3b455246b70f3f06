/**
 * A multi-start search over guillotine layouts. The first rounds try sorted orders under every rule;
 * then the best plan is ruined and refilled: some sheets are emptied, their items shuffled back in.
 * The caller holds the clock: search() gives a stepper, and the same problem, seed and number of
 * steps give the same plan.
 */
import { lowerBound, type Bound } from './bound.ts';
import { AMONG, closeSheet, copySheet, FITS, openSheet, place, SPLITS, spotFor, type OpenSheet, type Rules, type Spot } from './pack.ts';
import { apart, merged } from './merge.ts';
import { bedsOf, itemsOf, type Bed, type Item } from './pieces.ts';
import type { NestPlan, NestProblem, Score, Unplaced } from './problem.ts';
import { seeded, type Random } from '../chance/random.ts';

export interface Search {
  /** Runs so many more steps; true when the plan is proved best and more would not help. */
  step(count: number): boolean;
  plan(): NestPlan;
  readonly effort: number;
}

/** What every layout of a search shares. */
interface Job {
  readonly problem: NestProblem;
  readonly beds: readonly Bed[];
  /** The smallest side of any item. */
  readonly least: number;
}

interface Layout {
  readonly sheets: OpenSheet[];
  readonly left: Item[];
  readonly score: Score;
}

type Order = (a: Item, b: Item) => number;
const longest = (item: Item): number => Math.max(item.lies[0]!.dx, item.lies[0]!.dy);
const shortest = (item: Item): number => Math.min(item.lies[0]!.dx, item.lies[0]!.dy);
/** Sorted orders worth starting from: by area, long side, width, length, short side. */
const ORDERS: readonly Order[] = [
  (a, b) => b.area - a.area || a.index - b.index,
  (a, b) => longest(b) - longest(a) || shortest(b) - shortest(a) || a.index - b.index,
  (a, b) => b.lies[0]!.dy - a.lies[0]!.dy || b.lies[0]!.dx - a.lies[0]!.dx || a.index - b.index,
  (a, b) => b.lies[0]!.dx - a.lies[0]!.dx || b.lies[0]!.dy - a.lies[0]!.dy || a.index - b.index,
  (a, b) => shortest(b) - shortest(a) || longest(b) - longest(a) || a.index - b.index,
];
/** Every so many steps everything is joined at random and laid out anew: often where sides pair up, else rarely. */
const AFRESH = { paired: 12, else: 96 } as const;
const STARTS = ORDERS.length * FITS.length * SPLITS.length;

/** A stepper for a problem that has been read and found sound. */
export function search(problem: NestProblem, seed = 1): Search {
  const { items, impossible } = itemsOf(problem);
  const placeable = problem.parts.filter((part) => !impossible.some((row) => row.part === part));
  const bound = lowerBound(problem, placeable);
  const random = seeded(seed);
  const least = items.reduce((smallest, { lies }) => Math.min(smallest, lies[0]!.dx, lies[0]!.dy), Infinity);
  const job: Job = { problem, beds: bedsInOrder(problem), least };
  let best: Layout | undefined;
  let current: Layout | undefined;
  let effort = 0;

  // Items as they are and, where sides pair up, joined: a start of the one kind, then one of the other.
  const blocks = merged(items, job.beds, problem.kerf, null);
  const sets = blocks.length < items.length ? [blocks, items] : [items];
  const starts = STARTS * sets.length;

  const often = sets.length > 1 ? AFRESH.paired : AFRESH.else;
  const once = (): void => {
    const anew = effort >= starts && effort % often === 0;
    const layout =
      effort < starts
        ? startLayout(job, sets[effort % sets.length]!, Math.floor(effort / sets.length))
        : anew
          ? afresh(job, items, random)
          : refill(job, current ?? best!, random);
    effort++;
    if (!best || isBetter(layout.score, best.score)) best = layout;
    // Sideways moves are taken: plateaus are the rule when sheets are counted whole.
    if (!current || !isBetter(current.score, layout.score)) current = layout;
    if (effort % 400 === 0) current = best;
  };

  return {
    step(count) {
      for (let n = 0; n < count; n++) {
        if (best && isProved(problem, best, bound)) return true;
        once();
      }
      return best !== undefined && isProved(problem, best, bound);
    },
    plan() {
      if (!best) once();
      return planOf(problem, best!, impossible, bound, seed, effort);
    },
    get effort() {
      return effort;
    },
  };
}

/** Offcuts first, then by cost for area, so that a tie is filled from what is already there. */
function bedsInOrder(problem: NestProblem): Bed[] {
  const each = ({ sheet, dx, dy }: Bed): number => (sheet.cost ?? 1) / (dx * dy);
  return bedsOf(problem)
    .filter(({ sheet, dx, dy }) => sheet.count !== 0 && dx > 0 && dy > 0)
    .sort((a, b) => Number(b.sheet.offcut) - Number(a.sheet.offcut) || each(a) - each(b) || b.dx * b.dy - a.dx * a.dy);
}

function startLayout(job: Job, items: readonly Item[], effort: number): Layout {
  const order = ORDERS[effort % ORDERS.length]!;
  const rules: Rules = {
    split: SPLITS[Math.floor(effort / ORDERS.length) % SPLITS.length]!,
    fit: FITS[Math.floor(effort / (ORDERS.length * SPLITS.length)) % FITS.length]!,
    among: 'first',
  };
  return fill(job, [], [...items].sort(order), rules);
}

/** Joined at random, in a jittered order, under rules picked at random. */
function afresh(job: Job, items: readonly Item[], random: Random): Layout {
  const pick = <T>(rows: readonly T[]): T => rows[Math.floor(random() * rows.length)]!;
  const blocks = merged(items, job.beds, job.problem.kerf, random);
  return fill(job, [], jittered(blocks, random), { fit: pick(FITS), among: pick(AMONG), split: pick(SPLITS) });
}

/** Fills what is kept and as many new sheets as it takes. Kept sheets belong to another layout: one is copied before it is changed. */
function fill({ problem, beds, least }: Job, kept: readonly OpenSheet[], order: readonly Item[], rules: Rules): Layout {
  const sheets = [...kept];
  const own = new Set<OpenSheet>();
  const used = new Map<string, number>();
  const count = ({ sheet }: Bed): void => void used.set(sheet.id, (used.get(sheet.id) ?? 0) + 1);
  for (const { bed } of sheets) count(bed);
  const rooms: Rooms = { dx: sheets.map(({ room }) => room.dx), dy: sheets.map(({ room }) => room.dy) };
  const fillIn = (item: Item, sheet: OpenSheet, at: number, spot: Spot): void => {
    place(item, sheet, spot, problem.kerf, rules.split);
    rooms.dx[at] = sheet.room.dx;
    rooms.dy[at] = sheet.room.dy;
  };
  const begun = new Map<Item['lies'], number>();
  const left: Item[] = [];
  for (const item of order) {
    // Sheets only fill up: where a twin of this item found no room, there is none for it either.
    const from = rules.among === 'first' ? (begun.get(item.lies) ?? 0) : 0;
    const found = roomFor(item, sheets, rooms, rules, from);
    begun.set(item.lies, found?.at ?? sheets.length);
    if (found) {
      let sheet = sheets[found.at]!;
      if (!own.has(sheet)) {
        sheet = sheets[found.at] = copySheet(sheet);
        own.add(sheet);
      }
      fillIn(item, sheet, found.at, found.spot);
      continue;
    }
    const bed = beds.find(
      ({ sheet, dx, dy }) => (sheet.count === null || (used.get(sheet.id) ?? 0) < sheet.count) && item.lies.some((lie) => lie.dx <= dx && lie.dy <= dy),
    );
    if (!bed) {
      left.push(item);
      continue;
    }
    const opened = openSheet(bed, problem.trim, least);
    sheets.push(opened);
    fillIn(item, opened, sheets.length - 1, spotFor(item, opened, rules.fit)!);
    own.add(opened);
    count(bed);
  }
  return { sheets, left, score: scoreOf(sheets, left) };
}

/** The most room on each open sheet, side by side in memory: with thousands of sheets most of the time goes into passing them over. */
interface Rooms {
  readonly dx: number[];
  readonly dy: number[];
}

/** The first sheet with room, or the one where the item fits best. */
function roomFor(item: Item, sheets: readonly OpenSheet[], rooms: Rooms, { fit, among }: Rules, from: number): { at: number; spot: Spot } | undefined {
  const straight = item.lies[0]!;
  const turned = item.lies[1] ?? straight;
  let best: { at: number; spot: Spot } | undefined;
  for (let at = from; at < sheets.length; at++) {
    const dx = rooms.dx[at]!;
    const dy = rooms.dy[at]!;
    if ((dx < straight.dx || dy < straight.dy) && (dx < turned.dx || dy < turned.dy) && item.lies.length <= 2) continue;
    const spot = spotFor(item, sheets[at]!, fit);
    if (!spot) continue;
    if (among === 'first') return { at, spot };
    if (!best || spot.score < best.spot.score || (spot.score === best.spot.score && spot.tie < best.spot.tie)) best = { at, spot };
  }
  return best;
}

/** Empties the sheet that is least full and one or two others, and fills them again in a new order. */
function refill(job: Job, from: Layout, random: Random): Layout {
  const pick = <T>(rows: readonly T[]): T => rows[Math.floor(random() * rows.length)]!;
  const fullness = (sheet: OpenSheet): number => sheet.items.reduce((sum, { area }) => sum + area / 1e12, 0) / ((sheet.bed.dx / 1e6) * (sheet.bed.dy / 1e6));
  const byFullness = [...from.sheets].sort((a, b) => fullness(a) - fullness(b));
  const ruined = new Set<OpenSheet>(byFullness.slice(0, 1));
  const others = Math.min(from.sheets.length - 1, 1 + Math.floor(random() * 3));
  for (let n = 0; n < others; n++) ruined.add(pick(from.sheets));
  const split = random() < 0.5;
  const loose = [...[...ruined].flatMap(({ items }) => items), ...from.left].flatMap((item) => (split && random() < 0.6 ? apart(item) : [item]));
  const order = random() < 0.25 ? shuffled(loose, random) : jittered(loose, random);
  const rules: Rules = { fit: pick(FITS), among: pick(AMONG), split: pick(SPLITS) };
  const beds = random() < 0.3 ? shuffled(job.beds, random) : job.beds;
  return fill(
    { ...job, beds },
    from.sheets.filter((sheet) => !ruined.has(sheet)),
    order,
    rules,
  );
}

function shuffled<T>(rows: readonly T[], random: Random): T[] {
  const out = [...rows];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
}

/** A sorted order with each item's size stretched by up to a fifth. */
function jittered(items: readonly Item[], random: Random): Item[] {
  const size = [(item: Item) => item.area, longest, shortest, (item: Item) => item.lies[0]!.dy][Math.floor(random() * 4)]!;
  return items
    .map((item) => ({ item, key: size(item) * (0.8 + 0.4 * random()) }))
    .sort((a, b) => b.key - a.key)
    .map(({ item }) => item);
}

function scoreOf(sheets: readonly OpenSheet[], left: readonly Item[]): Score {
  const cost = sheets.reduce((sum, { bed }) => sum + (bed.sheet.cost ?? 0), 0);
  const bought = sheets.filter(({ bed }) => !bed.sheet.offcut).length;
  // Among equals, one sheet nearly empty is worth more than two half full: squares reward that.
  const spread = -sheets.reduce((sum, sheet) => sum + sheet.items.reduce((area, item) => area + item.area / 1e18, 0) ** 2, 0);
  return [left.reduce((sum, { parts }) => sum + parts.length, 0), cost, sheets.length, bought, spread];
}

function isBetter(a: Score, b: Score): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! < b[i]!;
  return false;
}

/** Proved when the bound is met and nothing could be gained by using an offcut instead. */
function isProved(problem: NestProblem, { score, left }: Layout, bound: Bound): boolean {
  if (left.length > 0) return false;
  const objective = bound.cost === null ? score[2] <= bound.sheets : score[1] <= bound.cost + 1e-9 && score[2] <= bound.sheets;
  return objective && (score[3] === 0 || !problem.sheets.some(({ offcut, count }) => offcut && count !== 0));
}

function planOf(
  problem: NestProblem,
  layout: Layout,
  impossible: readonly { part: { id: string; count: number }; why: string }[],
  bound: Bound,
  seed: number,
  effort: number,
): NestPlan {
  const unplaced: Unplaced[] = impossible.map(({ part, why }) => ({ part: part.id, count: part.count, why }));
  for (const item of layout.left) {
    for (const { id } of item.parts) {
      const at = unplaced.findIndex(({ part }) => part === id);
      if (at >= 0) unplaced[at] = { ...unplaced[at]!, count: unplaced[at]!.count + 1 };
      else unplaced.push({ part: id, count: 1, why: 'the sheets ran out' });
    }
  }
  const [, cost, sheets] = layout.score;
  const costed = bound.cost !== null;
  return {
    sheets: layout.sheets.map((sheet) => closeSheet(sheet, problem)),
    unplaced,
    bound,
    proved: layout.left.length === 0 && sheets <= bound.sheets && (!costed || cost <= bound.cost + 1e-9),
    score: { sheets, cost: costed ? cost : null },
    seed,
    effort,
  };
}
