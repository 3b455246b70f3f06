/**
 * Goal-driven ruin and recreate: aims at a layout better than the best, with fewer sheets allowed than it uses, so that some items are left over. Each step
 * ruins a part, refills it, and accepts what leaves no more over than some steps ago (late acceptance). Source: Gardeyn and Wauters, "A goal-driven ruin
 * and recreate heuristic for the 2D variable-sized bin packing problem with guillotine constraints".
 */
import type { Random } from '../random/random.ts';
import { fill, isBetter, scoreOf, matchedItems, usedOf, type NestJob, type Layout, type FillRules } from './layout.ts';
import { merged, NEAR } from './merge.ts';
import type { StockArea, PackItem } from './pieces.ts';
import type { Score } from './problem.ts';
import { jittered, shuffled } from './orders.ts';
import { FIT_RULES, nodesOn, gather, itemsOn, openSheet, without, type OpenSheet } from './guillotine-tree.ts';

export interface GoalSearch {
  /** One more iteration; the layout once nothing is left over, or less than before. */
  step(): Layout | null;
}

/** Late acceptance length: a layout is kept when it is no worse than the one this many steps ago. */
const MEMORY = 30;
/** Exponent of area in the weight of a leftover item. */
const LARGE = 1.2;
/** Steps without success before a restart from another layout. */
const PATIENCE = 6000;
/** Probability of skipping a place (blink), so that the same items do not always end the same way. */
const BLINK = 0.02;
/** Probability that the first ruined sheet is emptied whole. */
const EMPTIED = 0.6;
/** Probability that loose items are first joined along equal sides. */
const MERGE = { paired: 0.5, else: 0.02 } as const;

export function goalSearch(job: NestJob, from: Layout, best: Score, paired: boolean, random: Random): GoalSearch {
  const pick = <T>(rows: readonly T[]): T => rows[Math.floor(random() * rows.length)]!;
  /** Where items are left over even so, all stock is allowed, and fewer left over is the aim. */
  const shortOf = best[0] > 0;
  const within = (sheets: readonly OpenSheet[], more: StockArea | null): boolean => {
    if (shortOf) return true;
    let cost = more?.sheet.cost ?? 0;
    let bought = more && !more.sheet.offcut ? 1 : 0;
    for (const { frame } of sheets) {
      cost += frame.bed.sheet.cost ?? 0;
      if (!frame.bed.sheet.offcut) bought++;
    }
    return isBetter([0, cost, sheets.length + (more ? 1 : 0), bought], best);
  };
  const mayOpen: FillRules['mayOpen'] = (bed, sheets) => (bed.sheet.count === null || usedOf(bed, sheets) < bed.sheet.count) && within(sheets, bed);
  const rules = (): FillRules => ({ fit: pick(FIT_RULES), among: random() < 0.2 ? 'first' : 'best', skip: () => random() < BLINK, mayOpen, frame: pick });
  /** Objective: leftover items, where a large one weighs more than its area because it is harder to place. */
  const valueOf = ({ left }: Layout): number => left.reduce((sum, item) => sum + (shortOf ? item.parts.length : (item.area / 1e12) ** LARGE), 0);

  /** The incumbent without its least full sheets, so that the target is better than it. */
  const reduced = (layout: Layout): Layout => {
    const sheets = [...layout.sheets];
    const left = [...layout.left];
    while (!within(sheets, null)) {
      const free = sheets.filter(({ frame }) => frame.pins.length === 0);
      const fullness = (sheet: OpenSheet): number => (sheet.area / ((sheet.frame.bed.dx / 1e6) * (sheet.frame.bed.dy / 1e6))) * (0.7 + 0.6 * random());
      if (free.length === 0) break;
      const gone = free.reduce((least, each) => (fullness(each) < fullness(least) ? each : least));
      sheets.splice(sheets.indexOf(gone), 1);
      left.push(...itemsOn(gone));
    }
    return { sheets, left };
  };

  let current = reduced(from);
  let value = valueOf(current);
  let lowest = value;
  let since = 0;
  const memory: number[] = Array.from({ length: MEMORY }, () => value);
  let steps = 0;

  /** Ruin: removes whole strips and nodes from some sheets, and now and then everything from one. */
  const ruined = (): { sheets: OpenSheet[]; changed: Set<OpenSheet>; loose: PackItem[] } => {
    const sheets = [...current.sheets];
    const changed = new Set<OpenSheet>();
    const loose: PackItem[] = [];
    const take = (at: number, gone: ReadonlySet<PackItem>): void => {
      const sheet = sheets[at]!;
      loose.push(...gone);
      const left = without(sheet, gone, job.problem.kerf);
      const frames = left.area === 0 && sheet.frame.pins.length === 0 ? job.beds.find(({ bed }) => bed === sheet.frame.bed)?.frames : undefined;
      sheets[at] = frames && frames.length > 1 ? openSheet(pick(frames), job.problem.kerf) : left;
      changed.add(sheets[at]!);
    };
    const empty = random() < EMPTIED;
    for (let n = Math.floor(random() * 3); n >= 0; n--) {
      const at = Math.floor(random() * sheets.length);
      const sheet = sheets[at];
      if (!sheet || changed.has(sheet)) continue;
      const taken: PackItem[] = [];
      if (empty && n === 0) {
        for (const { root } of sheet.fields) if (root) gather(root, taken);
      } else {
        const blocks = nodesOn(sheet);
        for (let m = Math.floor(random() * 3); m >= 0 && blocks.length > 0; m--) gather(pick(blocks), taken);
      }
      if (taken.length > 0) take(at, new Set(taken));
    }
    // A matched group is removed together.
    const tags = new Set(loose.flatMap(({ together }) => together ?? []));
    if (tags.size > 0)
      for (const [at, sheet] of sheets.entries()) {
        const more = itemsOn(sheet).filter((item) => tags.has(item.together ?? ''));
        if (more.length > 0) take(at, new Set(more));
      }
    // With several stock kinds an emptied sheet may be exchanged for another kind.
    if (job.beds.length > 1 && random() < 0.5) return { sheets: sheets.filter((sheet) => sheet.area > 0 || sheet.frame.pins.length > 0), changed, loose };
    return { sheets, changed, loose };
  };

  return {
    step() {
      const { sheets, changed, loose } = ruined();
      let all = [...loose, ...current.left];
      if (random() < (paired ? MERGE.paired : MERGE.else))
        all = merged(
          all,
          job.beds.map(({ bed }) => bed),
          job.problem.kerf,
          random,
          pick(NEAR),
        );
      const ordered = random() < 0.1 ? shuffled(all, random) : jittered(all, random);
      const beds = job.beds.length > 1 && random() < 0.5 ? { ...job, beds: shuffled(job.beds, random) } : job;
      const next = fill(beds, sheets, matchedItems(ordered), rules(), { items: new Set(current.left), changed });
      const worth = valueOf(next);
      steps++;
      const slot = steps % MEMORY;
      if (worth <= value || worth <= memory[slot]!) {
        current = next;
        value = worth;
      }
      memory[slot] = value;
      since++;
      if (worth < lowest) {
        lowest = worth;
        since = 0;
      }
      if (since > PATIENCE) {
        current = reduced(from);
        value = lowest = valueOf(current);
        memory.fill(value);
        since = 0;
      }
      const done = next.left.length === 0 || (shortOf && isBetter(scoreOf(next), best));
      return done ? { sheets: next.sheets.filter((sheet) => sheet.area > 0 || sheet.frame.pins.length > 0), left: next.left } : null;
    },
  };
}
