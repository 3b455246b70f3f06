/** Filling sheets with items in an order, and what a layout is worth. */
import type { FlawFrame } from './frames.ts';
import { itemsIn } from './merge.ts';
import type { StockArea, PackItem } from './pieces.ts';
import type { NestProblem, Score } from './problem.ts';
import { copySheet, openSheet, place, spotFor, type FitRule, type OpenSheet, type NodeSpot } from './guillotine-tree.ts';

/** What every layout of a search shares. */
export interface NestJob {
  readonly problem: NestProblem;
  /** Sheets in the order they are opened, each with the ways it may be cut into rooms; those with pins are open from the start. */
  readonly beds: readonly FramedSheet[];
  readonly pinned: readonly FramedSheet[];
  /** True when time is up: what is still to be placed goes on the last sheet or a new one, without looking further. */
  readonly isOver: () => boolean;
}

export interface FramedSheet {
  readonly bed: StockArea;
  readonly frames: readonly FlawFrame[];
}

export interface Layout {
  readonly sheets: readonly OpenSheet[];
  readonly left: readonly PackItem[];
}

/** How items find their place. */
export interface FillRules {
  readonly fit: FitRule;
  /** The first sheet with room, or the one where it fits best. */
  readonly among: 'first' | 'best';
  /** Leaves a place out by chance. */
  readonly skip: (() => boolean) | null;
  /** Whether one more of this bed may be opened beside those there are. */
  readonly mayOpen: (bed: StockArea, sheets: readonly OpenSheet[]) => boolean;
  readonly frame: (frames: readonly FlawFrame[]) => FlawFrame;
}

/** Items that go on one sheet together. */
export type MatchedItems = readonly PackItem[];

/** Items one by one, in their order; those that belong together where the first of them stands. */
export function matchedItems(items: readonly PackItem[]): MatchedItems[] {
  const units: PackItem[][] = [];
  const groups = new Map<string, PackItem[]>();
  for (const item of items) {
    const tag = item.together;
    const known = tag === null ? undefined : groups.get(tag);
    if (known) known.push(item);
    else {
      const unit = [item];
      units.push(unit);
      if (tag !== null) groups.set(tag, unit);
    }
  }
  return units;
}

/** Items known not to go on any kept sheet but the changed ones. */
export interface Stuck {
  readonly items: ReadonlySet<PackItem>;
  readonly changed: ReadonlySet<OpenSheet>;
}

/** Items between two looks at the clock. */
const ASK_EVERY = 64;
/** Items that go on one sheet when time is up: each further one takes longer to place. */
const MAX_CROWD = 600;

/** Fills the kept sheets and as many new ones as the rules let. Kept sheets belong to another layout: one is copied before it is changed. */
export function fill(job: NestJob, kept: readonly OpenSheet[], units: readonly MatchedItems[], rules: FillRules, stuck: Stuck | null = null): Layout {
  const { kerf } = job.problem;
  const filling: Filling = {
    job,
    rules,
    sheets: [...kept],
    own: kept.map(() => false),
    moved: kept.map((sheet) => !stuck || stuck.changed.has(sheet)),
    full: new Set(),
  };
  const { sheets, own, moved } = filling;
  const begun = new Map<PackItem['lies'], number>();
  const failed = new Set<PackItem['lies']>();
  const left: PackItem[] = [];
  let crowd = 0;
  let placed = 0;
  let isOver = false;
  for (const unit of units) {
    if (unit.length > 1) {
      if (!placeTogether(filling, unit)) left.push(...unit.flatMap(itemsIn));
      continue;
    }
    const item = unit[0]!;
    // Sheets only fill up: where a twin of this item found no room, there is none for it either.
    if (failed.has(item.lies)) {
      left.push(...itemsIn(item));
      continue;
    }
    const sorted = rules.among === 'first' && !rules.skip;
    if (++placed % ASK_EVERY === 0) isOver = job.isOver();
    if (isOver && ++crowd > MAX_CROWD && openFor(filling, unit)) {
      crowd = 0;
      continue;
    }
    const from = isOver ? Math.max(0, sheets.length - 1) : sorted ? (begun.get(item.lies) ?? 0) : 0;
    const found = roomFor(item, filling, from, stuck?.items.has(item) ?? false);
    if (sorted && !isOver) begun.set(item.lies, found?.at ?? sheets.length);
    if (found) {
      const { at } = found;
      let spot: NodeSpot | null = found.spot;
      if (!own[at]) {
        sheets[at] = copySheet(sheets[at]!);
        own[at] = moved[at] = true;
        spot = spotFor(item, sheets[at], kerf, rules.fit);
      }
      place(item, sheets[at]!, spot!, kerf);
    } else if (!openFor(filling, unit)) {
      failed.add(item.lies);
      left.push(...itemsIn(item));
    }
  }
  return { sheets, left };
}

/** A layout while it is filled; side by side for each sheet whether it may be changed and whether it differs from what it was. */
interface Filling {
  readonly job: NestJob;
  readonly rules: FillRules;
  readonly sheets: OpenSheet[];
  readonly own: boolean[];
  readonly moved: boolean[];
  /** Beds of which no more may be opened: that stays so. */
  readonly full: Set<StockArea>;
}

/** The first sheet with room, or the one where the item fits best. */
function roomFor(item: PackItem, { sheets, moved, rules, job }: Filling, from: number, onlyMoved: boolean): { at: number; spot: NodeSpot } | null {
  const { fit, among, skip } = rules;
  const { kerf } = job.problem;
  const straight = item.lies[0]!;
  const turned = item.lies[1] ?? straight;
  const few = item.lies.length <= 2;
  const area = (item.area / 1e12) * (1 - 1e-9);
  let best: { at: number; spot: NodeSpot } | null = null;
  for (let at = from; at < sheets.length; at++) {
    if (onlyMoved && !moved[at]) continue;
    const sheet = sheets[at]!;
    const { dx, dy } = sheet.open;
    if (sheet.frame.area - sheet.area < area) continue;
    if (few && (dx < straight.dx || dy < straight.dy) && (dx < turned.dx || dy < turned.dy)) continue;
    const spot = spotFor(item, sheet, kerf, fit, skip);
    if (!spot) continue;
    if (among === 'first') return { at, spot };
    if (!best || spot.score < best.spot.score || (spot.score === best.spot.score && spot.tie < best.spot.tie)) best = { at, spot };
  }
  return best;
}

/** All of a cabinet on one sheet, or none of it. */
function all(unit: MatchedItems, sheet: OpenSheet, kerf: number, fit: FitRule): OpenSheet | null {
  const trial = copySheet(sheet);
  for (const item of unit) {
    const spot = spotFor(item, trial, kerf, fit);
    if (!spot) return null;
    place(item, trial, spot, kerf);
  }
  return trial;
}

function placeTogether(filling: Filling, unit: MatchedItems): boolean {
  const { sheets, own, moved, job, rules } = filling;
  for (let at = 0; at < sheets.length; at++) {
    const filled = all(unit, sheets[at]!, job.problem.kerf, rules.fit);
    if (!filled) continue;
    sheets[at] = filled;
    own[at] = moved[at] = true;
    return true;
  }
  return openFor(filling, unit);
}

function openFor({ job, rules, sheets, own, moved, full }: Filling, unit: MatchedItems): boolean {
  const { kerf } = job.problem;
  const [first] = unit;
  for (const { bed, frames } of job.beds) {
    if (full.has(bed) || frames.length === 0 || !first!.lies.some((lie) => lie.dx <= bed.dx && lie.dy <= bed.dy)) continue;
    if (!rules.mayOpen(bed, sheets)) {
      full.add(bed);
      continue;
    }
    const filled = all(unit, openSheet(rules.frame(frames), kerf), kerf, rules.fit);
    if (!filled) continue;
    sheets.push(filled);
    own.push(true);
    moved.push(true);
    return true;
  }
  return false;
}

/** How many of a bed are in use. */
export const usedOf = (bed: StockArea, sheets: readonly OpenSheet[]): number => sheets.reduce((sum, { frame }) => sum + (frame.bed === bed ? 1 : 0), 0);

export function scoreOf({ sheets, left }: Layout): Score {
  let cost = 0;
  let bought = 0;
  for (const { frame } of sheets) {
    cost += frame.bed.sheet.cost ?? 0;
    if (!frame.bed.sheet.offcut) bought++;
  }
  return [left.reduce((sum, { parts }) => sum + parts.length, 0), cost, sheets.length, bought];
}

export function isBetter(a: Score, b: Score): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! < b[i]!;
  return false;
}
