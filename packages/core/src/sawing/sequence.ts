/**
 * Orders cuts: each after the one that made its piece, those of one setting together, large pieces first. The next setting is chosen so that it need not be
 * repeated; several orders are tried, and the one with the fewest settings is taken.
 */
import { seeded, type Random } from '../random/random.ts';
import { isHeldNearBlade } from './ways.ts';
import { cutsOf, type CutStep, type SheetPiece, type SheetToCut } from './pieces.ts';
import type { Shop } from '../model/shop.ts';

export interface Sequence {
  readonly steps: readonly CutStep[];
  /** Number of settings: a fence, a stop, or a guide moved. */
  readonly settings: number;
  /** Cuts no saw of the shop can make. */
  readonly impossible: readonly CutStep[];
  /** Cuts with a hand near the blade. */
  readonly nearBlade: readonly CutStep[];
  /** Remaining pieces, largest first. */
  readonly left: readonly Left[];
  /** Number of turns between cut directions, and the kilograms turned. */
  readonly turns: number;
  readonly turnedKg: number;
}

export interface Left {
  readonly sheet: number;
  readonly piece: SheetPiece;
  /** The cut it comes off at. */
  readonly step: string;
}

/** Randomized orders tried beside the plain one. */
const TRIES = 24;

/** The sequence for all sheets of one thickness. Deterministic for the same sheets and shop. */
export function sequenceOf(sheets: readonly SheetToCut[], shop: Pick<Shop, 'machines'>): Sequence {
  const cuts = sheets.flatMap((sheet, index) => cutsOf(sheet, index, shop));
  let best = gathered(ordered(cuts, null));
  let fewest = settingsOf(best);
  for (let seed = 1; seed <= TRIES && cuts.length > 2; seed++) {
    const trial = gathered(ordered(cuts, seeded(seed)));
    const settings = settingsOf(trial);
    if (settings < fewest) [best, fewest] = [trial, settings];
  }
  return {
    steps: best,
    settings: fewest,
    impossible: best.filter(({ way }) => way === null),
    nearBlade: best.filter(({ way }) => way !== null && isHeldNearBlade(way)),
    left: leftOf(cuts),
    ...turnsOf(cuts),
  };
}

/** Setting of a cut: machine, hold and distance. A guide is placed anew for every cut. */
export const settingKey = ({ id, way }: CutStep): string =>
  way === null ? `none ${id}` : way.held === 'guide' ? `guide ${id}` : `${way.machine.id} ${way.held} ${way.setting}`;

/** Number of setting changes along a sequence. */
export const settingsOf = (steps: readonly CutStep[]): number => steps.filter((step, n) => n === 0 || settingKey(step) !== settingKey(steps[n - 1]!)).length;

function ordered(cuts: readonly CutStep[], random: Random | null): CutStep[] {
  const made = new Set<string>();
  const open = new Map<string, CutStep[]>();
  const waiting = new Map<string, CutStep[]>();
  const total = new Map<string, number>();
  const offer = (step: CutStep): void => {
    const key = settingKey(step);
    const row = open.get(key);
    if (row) row.push(step);
    else open.set(key, [step]);
  };
  for (const step of cuts) {
    total.set(settingKey(step), (total.get(settingKey(step)) ?? 0) + 1);
    if (step.after === null) offer(step);
    else waiting.set(step.after, [...(waiting.get(step.after) ?? []), step]);
  }
  const order: CutStep[] = [];
  let current: string | null = null;
  while (order.length < cuts.length) {
    if (current === null || !open.has(current)) current = next(open, total, random);
    const row = open.get(current)!;
    const step = row.shift()!;
    if (row.length === 0) open.delete(current);
    total.set(current, total.get(current)! - 1);
    order.push(step);
    made.add(step.id);
    for (const later of waiting.get(step.id) ?? []) offer(later);
  }
  return order;
}

/** Joins separated runs of one setting where nothing stands between: the later one moves up, or the earlier one down. */
function gathered(steps: readonly CutStep[]): CutStep[] {
  let runs = runsOf(steps);
  for (let moved = true; moved;) {
    moved = false;
    for (let first = 0; first < runs.length && !moved; first++) {
      const second = runs.findIndex((run, n) => n > first && run.key === runs[first]!.key);
      if (second < 0) continue;
      const between = runs.slice(first + 1, second);
      const made = new Set(between.flatMap(({ steps: own }) => own.map(({ id }) => id)));
      const early = new Set(runs[first]!.steps.map(({ id }) => id));
      const up = runs[second]!.steps.every(({ after }) => after === null || !made.has(after));
      const down = between.every(({ steps: own }) => own.every(({ after }) => after === null || !early.has(after)));
      if (!up && !down) continue;
      const joined = { key: runs[first]!.key, steps: [...runs[first]!.steps, ...runs[second]!.steps] };
      runs = [...runs.slice(0, first), ...(up ? [joined, ...between] : [...between, joined]), ...runs.slice(second + 1)];
      // Runs that become neighbors may share a setting too.
      runs = runsOf(runs.flatMap(({ steps: own }) => own));
      moved = true;
    }
  }
  return runs.flatMap(({ steps: own }) => own);
}

function runsOf(steps: readonly CutStep[]): { readonly key: string; readonly steps: CutStep[] }[] {
  const runs: { readonly key: string; readonly steps: CutStep[] }[] = [];
  for (const step of steps) {
    const key = settingKey(step);
    const last = runs.at(-1);
    if (last?.key === key) last.steps.push(step);
    else runs.push({ key, steps: [step] });
  }
  return runs;
}

const areaOf = ({ piece: { dx, dy } }: CutStep): number => (dx / 1e6) * (dy / 1e6);

/** The setting with all its cuts available and the largest piece first; else the one with the largest piece. */
function next(open: ReadonlyMap<string, readonly CutStep[]>, total: ReadonlyMap<string, number>, random: Random | null): string {
  let best = '';
  let worth = -1;
  for (const [key, steps] of open) {
    const whole = steps.length === total.get(key);
    const largest = Math.max(...steps.map(areaOf));
    const value = ((whole ? 1e8 : 0) + largest) * (random ? 0.5 + random() : 1);
    if (value > worth) [best, worth] = [key, value];
  }
  return best;
}

function leftOf(cuts: readonly CutStep[]): Left[] {
  return cuts
    .flatMap(({ id, sheet, near, far }) => [near, far].flatMap((piece): Left[] => (piece?.left ? [{ sheet, piece, step: id }] : [])))
    .sort((a, b) => b.piece.dx * b.piece.dy - a.piece.dx * a.piece.dy);
}

function turnsOf(cuts: readonly CutStep[]): { turns: number; turnedKg: number } {
  const byId = new Map(cuts.map((step) => [step.id, step]));
  const turned = cuts.filter(({ after, axis }) => after !== null && byId.get(after)!.axis !== axis);
  return { turns: turned.length, turnedKg: turned.reduce((sum, { cut }) => sum + cut.kg, 0) };
}
