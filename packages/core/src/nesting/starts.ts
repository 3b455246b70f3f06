/** Constructed start layouts: pieces in a sorted order, global best fit, reassembled whole sheets, and random joins. */
import type { Random } from '../random/random.ts';
import { bestPairs } from './best-pairs.ts';
import type { FreeLayout, FreeSearch } from './free.ts';
import { fill, matchedItems, usedOf, type FramedSheet, type NestJob, type Layout, type FillRules } from './layout.ts';
import { merged, NEAR } from './merge.ts';
import { jittered, ORDERS } from './orders.ts';
import { blockOfWhole, piecesOfWhole, type FoundSheets } from './no-waste.ts';
import type { PackItem } from './pieces.ts';
import { FIT_RULES, openSheet, place, sheetOf, spotFor, type FitRule, type OpenSheet, type NodeSpot } from './guillotine-tree.ts';

const AMONG: readonly FillRules['among'][] = ['first', 'best'];
/** Sorted orders under every rule. */
export const STARTS = ORDERS.length * FIT_RULES.length * AMONG.length;

/** Sheets with pinned parts, which every layout has. */
const pinnedSheets = ({ pinned, problem: { kerf } }: NestJob, turn: number): OpenSheet[] =>
  pinned.flatMap(({ frames }) => (frames.length === 0 ? [] : [openSheet(frames[turn % frames.length]!, kerf)]));

const startRules = (fit: FitRule, among: FillRules['among']): Omit<FillRules, 'frame'> => ({
  fit,
  among,
  skip: null,
  mayOpen: (bed, sheets) => bed.sheet.count === null || usedOf(bed, sheets) < bed.sheet.count,
});

export function startLayout(job: NestJob, items: readonly PackItem[], turn: number): Layout {
  const order = ORDERS[turn % ORDERS.length]!;
  const rules: FillRules = {
    ...startRules(
      FIT_RULES[Math.floor(turn / ORDERS.length) % FIT_RULES.length]!,
      AMONG[Math.floor(turn / (ORDERS.length * FIT_RULES.length)) % AMONG.length]!,
    ),
    frame: (frames) => frames[turn % frames.length]!,
  };
  return fill(job, pinnedSheets(job, turn), matchedItems([...items].sort(order)), rules);
}

/** Reassembled whole sheets, the rest on others. */
export function around(job: NestJob, { sheets, rest }: FoundSheets): Layout {
  const { kerf } = job.problem;
  const [frame] = job.beds[0]!.frames;
  const kept = sheets.map((whole) => sheetOf(frame!, blockOfWhole(whole, kerf), kerf));
  return fill(job, kept, matchedItems([...rest].sort(ORDERS[0])), { ...startRules('match', 'best'), frame: (frames) => frames[0]! });
}

export const aroundLoose = (free: FreeSearch, { measure, sheets, rest }: FoundSheets, kerf: number): FreeLayout =>
  free.around(
    sheets.map((whole) => piecesOfWhole(whole, kerf, measure)),
    rest,
  );

/** Null where parts are pinned or share a sheet. */
export function paired(job: NestJob, items: readonly PackItem[], fit: FitRule): Layout | null {
  const { kerf } = job.problem;
  if (job.pinned.length > 0 || items.some(({ together }) => together !== null)) return null;
  const isThere = ({ bed, frames }: FramedSheet, used: readonly OpenSheet[]): boolean =>
    frames.length > 0 && (bed.sheet.count === null || usedOf(bed, used) < bed.sheet.count);
  const goesOn = ({ lies }: PackItem, { bed }: FramedSheet): boolean => lies.some(({ dx, dy }) => dx <= bed.dx && dy <= bed.dy);
  return bestPairs<OpenSheet, NodeSpot>(items, {
    empty(used, left) {
      const framed = job.beds.find((each) => isThere(each, used) && left.some((item) => goesOn(item, each)));
      return framed ? openSheet(framed.frames[0]!, kerf) : null;
    },
    placeFor: (item, sheet) => spotFor(item, sheet, kerf, fit),
    put: (item, sheet, spot) => place(item, sheet, spot, kerf),
    isOver: job.isOver,
  });
}

/** Random joins, in a jittered order, under random rules. */
export function afresh(job: NestJob, items: readonly PackItem[], turn: number, random: Random): Layout {
  const pick = <T>(rows: readonly T[]): T => rows[Math.floor(random() * rows.length)]!;
  const blocks = merged(
    items,
    job.beds.map(({ bed }) => bed),
    job.problem.kerf,
    random,
    pick(NEAR),
  );
  return fill(job, pinnedSheets(job, turn), matchedItems(jittered(blocks, random)), { ...startRules(pick(FIT_RULES), pick(AMONG)), frame: pick });
}
