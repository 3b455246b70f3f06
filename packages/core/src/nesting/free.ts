/**
 * Free layouts: parts anywhere, a kerf apart. The empty space of a sheet is kept as its maximal rectangles (Jylänki, "A thousand ways to pack the bin"),
 * with the kerf added to parts and sheets. The least full sheets are emptied and refilled in other orders. For jobs without flaws, pins and parts that must
 * share a sheet.
 */
import type { Random } from '../random/random.ts';
import { piece } from './close.ts';
import { isBetter, type NestJob } from './layout.ts';
import { bestPairs } from './best-pairs.ts';
import { jittered, ORDERS, shuffled } from './orders.ts';
import type { StockArea, PackItem, PackLie } from './pieces.ts';
import type { NestedSheet, NestProblem, Score } from './problem.ts';
import type { Placement } from '../model/sheet-layout.ts';

interface Empty {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

export interface Lain {
  readonly item: PackItem;
  readonly lie: PackLie;
  readonly x: number;
  readonly y: number;
}

interface FreeSpot {
  readonly sheet: FreeSheet;
  readonly at: Empty;
  readonly lie: PackLie;
  readonly score: number;
  readonly tie: number;
}

interface FreeSheet {
  readonly bed: StockArea;
  empty: Empty[];
  lain: Lain[];
  area: number;
}

type Choice = 'short' | 'long' | 'area' | 'low';
const CHOICES: readonly Choice[] = ['short', 'area', 'low', 'long'];

export interface FreeLayout {
  readonly score: Score;
  readonly nested: () => NestedSheet[];
  readonly left: readonly PackItem[];
}

export interface FreeSearch {
  /** One more iteration; the layout it gave. */
  step(): FreeLayout;
  /** A layout that keeps the full sheets and fills others with the rest. */
  around(full: readonly (readonly Lain[])[], rest: readonly PackItem[]): FreeLayout;
}

export function freeSearch({ problem, beds: framed, isOver }: NestJob, items: readonly PackItem[], random: Random): FreeSearch {
  const { kerf } = problem;
  const beds = framed.map(({ bed }) => bed);
  const pick = <T>(rows: readonly T[]): T => rows[Math.floor(random() * rows.length)]!;
  let current: { sheets: readonly FreeSheet[]; left: readonly PackItem[]; score: Score; spread: number } | null = null;
  let turn = 0;

  /** Opens one more sheet of the first kind that serves. */
  const opened = (used: readonly FreeSheet[], willDo: (bed: StockArea) => boolean): FreeSheet | null => {
    const bed = beds.find((each) => (each.sheet.count === null || used.filter((sheet) => sheet.bed === each).length < each.sheet.count) && willDo(each));
    return bed ? { bed, empty: [{ x: 0, y: 0, dx: bed.dx + kerf, dy: bed.dy + kerf }], lain: [], area: 0 } : null;
  };
  const paired = (choice: Choice): ReturnType<typeof fill> | null =>
    bestPairs<FreeSheet, FreeSpot>(items, {
      empty: (used, left) => opened(used, (bed) => left.some((item) => goesOn(item, bed))),
      placeFor: (item, sheet) => spot(item, sheet, kerf, choice),
      put: (item, sheet, { lie, at }) => lay(item, lie, at, sheet, kerf),
      isOver,
    });
  const fill = (kept: readonly FreeSheet[], order: readonly PackItem[], choice: Choice): { sheets: FreeSheet[]; left: PackItem[] } => {
    const sheets = [...kept];
    const left: PackItem[] = [];
    for (const item of order) {
      let best: FreeSpot | null = null;
      for (let n = kept.length; n < sheets.length && !best; n++) best = spot(item, sheets[n]!, kerf, choice);
      if (!best) {
        const sheet = opened(sheets, (bed) => goesOn(item, bed));
        if (!sheet) {
          left.push(item);
          continue;
        }
        sheets.push(sheet);
        best = spot(item, sheet, kerf, choice)!;
      }
      lay(item, best.lie, best.at, best.sheet, kerf);
    }
    return { sheets, left };
  };

  const judged = (made: { sheets: readonly FreeSheet[]; left: readonly PackItem[] }): FreeLayout => {
    const score = scoreOf(made.sheets, made.left);
    // Tie-break: squares of the fill reward one nearly empty sheet over two half full ones.
    const spread = made.sheets.reduce((sum, { area }) => sum + (area / 1e18) ** 2, 0);
    if (!current || isBetter(score, current.score) || (!isBetter(current.score, score) && spread >= current.spread)) current = { ...made, score, spread };
    const { sheets, left } = made;
    return { score, left, nested: () => sheets.map((sheet) => closed(sheet, problem)) };
  };

  return {
    around(full, rest) {
      const kept = full.map((lain): FreeSheet => ({ bed: beds[0]!, empty: [], lain: [...lain], area: lain.reduce((sum, { item }) => sum + item.area, 0) }));
      return judged(fill(kept, [...rest].sort(ORDERS[0]), 'short'));
    },
    step() {
      const choice = CHOICES[turn % CHOICES.length]!;
      let made: { sheets: readonly FreeSheet[]; left: readonly PackItem[] };
      const start = Math.floor(turn / CHOICES.length) - 1;
      turn++;
      const pairs = start < 0 ? paired(choice) : null;
      if (pairs) made = pairs;
      else if (!current || start < ORDERS.length) made = fill([], [...items].sort(ORDERS[Math.max(0, start)]), choice);
      else {
        const byFullness = [...current.sheets].sort((a, b) => a.area / (a.bed.dx * a.bed.dy) - b.area / (b.bed.dx * b.bed.dy));
        const gone = new Set(byFullness.slice(0, 1));
        for (let n = Math.floor(random() * 4); n > 0; n--) gone.add(pick(byFullness));
        const loose = [...[...gone].flatMap(({ lain }) => lain.map(({ item }) => item)), ...current.left];
        made = fill(
          current.sheets.filter((sheet) => !gone.has(sheet)),
          random() < 0.2 ? shuffled(loose, random) : jittered(loose, random),
          pick(CHOICES),
        );
      }
      return judged(made);
    },
  };
}

const goesOn = ({ lies }: PackItem, bed: StockArea): boolean => lies.some(({ dx, dy }) => dx <= bed.dx && dy <= bed.dy);

function scoreOf(sheets: readonly FreeSheet[], left: readonly PackItem[]): Score {
  return [
    left.reduce((sum, { parts }) => sum + parts.length, 0),
    sheets.reduce((sum, { bed }) => sum + (bed.sheet.cost ?? 0), 0),
    sheets.length,
    sheets.filter(({ bed }) => !bed.sheet.offcut).length,
  ];
}

function spot(item: PackItem, sheet: FreeSheet, kerf: number, choice: Choice): FreeSpot | null {
  let best: FreeSpot | null = null;
  for (const lie of item.lies) {
    const [w, h] = [lie.dx + kerf, lie.dy + kerf];
    for (const at of sheet.empty) {
      const [restX, restY] = [at.dx - w, at.dy - h];
      if (restX < 0 || restY < 0) continue;
      const score =
        choice === 'short'
          ? Math.min(restX, restY)
          : choice === 'long'
            ? Math.max(restX, restY)
            : choice === 'area'
              ? (at.dx / 1e6) * (at.dy / 1e6)
              : at.y + h + at.x / 1e6;
      const tie = Math.max(restX, restY);
      if (!best || score < best.score || (score === best.score && tie < best.tie)) best = { sheet, at, lie, score, tie };
    }
  }
  return best;
}

/** Places an item in the corner of an empty rectangle, and updates the maximal rectangles around it. */
function lay(item: PackItem, lie: PackLie, { x, y }: Empty, sheet: FreeSheet, kerf: number): void {
  const [w, h] = [lie.dx + kerf, lie.dy + kerf];
  const split = sheet.empty.flatMap((each): Empty[] => {
    if (x >= each.x + each.dx || x + w <= each.x || y >= each.y + each.dy || y + h <= each.y) return [each];
    return [
      { ...each, dx: x - each.x },
      { x: x + w, y: each.y, dx: each.x + each.dx - x - w, dy: each.dy },
      { ...each, dy: y - each.y },
      { x: each.x, y: y + h, dx: each.dx, dy: each.y + each.dy - y - h },
    ].filter(({ dx, dy }) => dx > kerf && dy > kerf);
  });
  const within = (a: Empty, b: Empty): boolean => a.x >= b.x && a.y >= b.y && a.x + a.dx <= b.x + b.dx && a.y + a.dy <= b.y + b.dy;
  sheet.empty = split.filter((a, n) => !split.some((b, m) => m !== n && within(a, b) && (m < n || !within(b, a))));
  sheet.lain.push({ item, lie, x, y });
  sheet.area += item.area;
}

function closed({ bed, lain }: FreeSheet, problem: NestProblem): NestedSheet {
  const placements: Placement[] = [];
  const edge = (bed.sheet.length - bed.dx) / 2;
  const side = (bed.sheet.width - bed.dy) / 2;
  for (const { item, lie, x, y } of lain) piece(item, lie, x + edge, y + side, problem.kerf, placements);
  return { sheet: bed.sheet.id, placements };
}
