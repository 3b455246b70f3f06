/** Fills sheets with items in a given order, and scores layouts. */
import type { FlawFrame } from './frames.ts';
import { itemsIn } from './merge.ts';
import type { StockArea, PackItem } from './pieces.ts';
import type { NestProblem, Score } from './problem.ts';
import { copySheet, openSheet, place, spotFor, type FitRule, type OpenSheet, type NodeSpot } from './guillotine-tree.ts';

/** Shared by every layout of a search. */
export interface NestJob {
  readonly problem: NestProblem;
  /** Sheets in the order they are opened, each with its possible frames; those with pins are open from the start. */
  readonly beds: readonly FramedSheet[];
  readonly pinned: readonly FramedSheet[];
  /** True when time is up: the remaining items go on the last sheet or a new one, without further search. */
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

/** Placement rules. */
export interface FillRules {
  readonly fit: FitRule;
  /** First fit, or best fit over all sheets. */
  readonly among: 'first' | 'best';
  /** Drops a place at random. */
  readonly skip: (() => boolean) | null;
  /** Whether one more sheet of this stock area may be opened. */
  readonly mayOpen: (bed: StockArea, sheets: readonly OpenSheet[]) => boolean;
  readonly frame: (frames: readonly FlawFrame[]) => FlawFrame;
}

/** Items that must share a sheet. */
export type MatchedItems = readonly PackItem[];

/** Items in order; those that belong together at the position of their first. */
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

/** Items known not to fit on any kept sheet except the changed ones. */
export interface Stuck {
  readonly items: ReadonlySet<PackItem>;
  readonly changed: ReadonlySet<OpenSheet>;
}

/** Items placed between two looks at the clock. */
const ASK_EVERY = 64;
/** Items per sheet once time is up: each further one takes longer to place. */
const MAX_CROWD = 600;

/** Fills the kept sheets and as many new ones as the rules allow. Kept sheets belong to another layout: each is copied before it is changed. */
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
    // Sheets only fill up: where an identical item did not fit, neither does this one.
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

/** A layout being filled; per sheet whether it may be changed, and whether it was. */
interface Filling {
  readonly job: NestJob;
  readonly rules: FillRules;
  readonly sheets: OpenSheet[];
  readonly own: boolean[];
  readonly moved: boolean[];
  /** Stock areas of which no more may be opened, for the rest of this filling. */
  readonly full: Set<StockArea>;
}

/** First fit, or best fit over all sheets. */
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

/** Places all items of a matched group on one sheet, or none. */
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

/** Number of sheets in use of a stock area. */
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
