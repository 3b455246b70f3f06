/**
 * How much of the same contents a cabinet could carry, both ends of that range, and which measurement would narrow it. Source:
 * docs/formulas/carries-range.md.
 */
import { contentsMass } from '../parts/weights.ts';
import type { HangInput } from './hang-input.ts';
import { loadPathAt, type HangingAnalysis } from './hang.ts';
import type { Link } from './link.ts';
import { atEnd, UNCERTAIN_INPUTS, toMeasure, type RangeEnd, type UncertainInput } from './uncertainty.ts';

/** How much of the same contents a cabinet could carry. */
export interface LoadLimits {
  /** Contents at which a link reaches its limit; null when it is refused at any load. */
  readonly carriesKg: number | null;
  /** The same with every unweighed mass at its upper bound: above it the verdict is over limit. */
  readonly lowKg: number | null;
  /** Contents up to which every link is OK at the low end. */
  readonly fineToKg: number | null;
}

/** The range of the load it could carry, and the measurement that would narrow it. */
export interface CarriesRange {
  readonly lowKg: number | null;
  readonly highKg: number | null;
  /** The input whose measurement narrows the range most, and the range after it. */
  readonly narrow: { readonly measure: Exclude<UncertainInput, 'cabinet'>; readonly lowKg: number; readonly highKg: number } | null;
}

const limits = new WeakMap<HangInput, LoadLimits>();

/** Memoized: a search over many loads, run only where the figure is shown. */
export function loadLimits(input: HangInput): LoadLimits {
  const known = limits.get(input);
  if (known) return known;
  const held = contentsMass(input.weights);
  const asReckoned = searched(input, held);
  const atLow = searched(atEnd(input, 'low'), held);
  const found = { carriesKg: asReckoned(({ limit }) => limit), lowKg: atLow(({ limit }) => limit), fineToKg: atLow(({ fineTo }) => fineTo) };
  limits.set(input, found);
  return found;
}

const ranges = new WeakMap<HangInput, CarriesRange>();

/** Both ends of the range, and what to measure. Memoized: several searches, run only where the figure is shown. */
export function carriesRange(input: HangInput): CarriesRange {
  const known = ranges.get(input);
  if (known) return known;
  const held = contentsMass(input.weights);
  const carries = (end: RangeEnd, inputs: readonly UncertainInput[]): number | null => searched(atEnd(input, end, inputs), held)(({ limit }) => limit);
  const { lowKg } = loadLimits(input);
  const highKg = carries('high', UNCERTAIN_INPUTS);
  const found = { lowKg, highKg, narrow: lowKg === null || highKg === null ? null : narrowed(input, highKg - lowKg, carries) };
  ranges.set(input, found);
  return found;
}

/** The measurable input that leaves the narrowest range. */
function narrowed(input: HangInput, apartKg: number, carries: (end: RangeEnd, inputs: readonly UncertainInput[]) => number | null): CarriesRange['narrow'] {
  const rows = toMeasure(input).flatMap((measure) => {
    const others = UNCERTAIN_INPUTS.filter((each) => each !== measure);
    const [lowKg, highKg] = [carries('low', others), carries('high', others)];
    return lowKg === null || highKg === null ? [] : [{ measure, lowKg, highKg }];
  });
  const apart = ({ lowKg, highKg }: { readonly lowKg: number; readonly highKg: number }): number => highKg - lowKg;
  const best = rows.reduce<(typeof rows)[number] | null>((least, row) => (least && apart(least) <= apart(row) ? least : row), null);
  return best && apart(best) < apartKg - TOLD_KG ? best : null;
}

/** The ends are shown in whole kilograms: a smaller gain is none. */
const TOLD_KG = 1;

/** Search over loads of one installation; each load is computed once, whichever limit is asked for. Loads in kilograms of `held`, the planned contents. */
function searched(input: HangInput, held: number): (limitOf: (link: Link) => number) => number | null {
  const tried = new Map<number, Tried>([[1, loadPathAt(input, 1)]]);
  const tryLoad = (factor: number): Tried => {
    const chain = tried.get(factor) ?? loadPathAt(input, factor);
    tried.set(factor, chain);
    return chain;
  };
  return (limitOf) => maxContents(tryLoad, tried.keys(), held, limitOf);
}

type Tried = Pick<HangingAnalysis, 'links' | 'refusals'>;

/**
 * Greatest contents, kg, at which every link is within its limit. Utilization is nearly linear in the load, so regula falsi (Illinois method) finds the
 * root; returns the accepted end of the bracket. Loads tried for another limit give the first bracket.
 */
function maxContents(tryLoad: (factor: number) => Tried, tried: Iterable<number>, heldKg: number, limitOf: (link: Link) => number): number | null {
  if (heldKg === 0) return null;
  /** Positive: over the limit. */
  const over = (factor: number): number => {
    const { links, refusals } = tryLoad(factor);
    return refusals.length > 0 ? Infinity : Math.max(...links.map((each) => each.use.value / limitOf(each))) - 1;
  };
  let [low, atLow] = [0, over(0)];
  if (atLow > 0) return null;
  /** The previous accepted load. */
  let [before, atBefore] = [low, atLow];
  const accept = (factor: number, here: number): void => {
    [before, atBefore] = [low, atLow];
    [low, atLow] = [factor, here];
  };
  let [high, atHigh] = [MAX_LOAD, Infinity];
  for (const factor of [...tried].sort((a, b) => a - b)) {
    const here = over(factor);
    if (here <= 0) accept(factor, here);
    else {
      [high, atHigh] = [factor, here];
      break;
    }
  }
  let stayed = 0;
  for (let step = 0; step < 16 && high - low > CLOSE * high; step++) {
    // Secant through the last two accepted loads, or through the two ends of the bracket.
    const straight = Number.isFinite(atHigh)
      ? low + ((high - low) * -atLow) / (atHigh - atLow)
      : low === 0
        ? Math.min(1, high / 2)
        : grown((atLow - atBefore) / (low - before), low, atLow, high);
    // Nudged toward the accepted side, so that the bracket closes from both ends.
    const next = Math.min(high - HAIR * high, Math.max(low + HAIR * high, straight - HAIR * straight));
    const here = over(next);
    // Close enough to the limit on the accepted side.
    if (here <= 0 && here > -2 * CLOSE) return next * heldKg;
    if (here <= 0) accept(next, here);
    else [high, atHigh] = [next, here];
    // Illinois modification of regula falsi: halve the stale endpoint's value so the bracket shrinks from both sides.
    const side = here <= 0 ? 1 : -1;
    if (stayed === side && side > 0) atHigh /= 2;
    if (stayed === side && side < 0) atLow /= 2;
    stayed = side;
  }
  return low * heldKg;
}

/** Multiples of the planned contents beyond this are not searched. */
const MAX_LOAD = 64;
/** Relative tolerance: contents are shown in whole kilograms. */
const CLOSE = 0.002;
const HAIR = 0.0005;

/** Next load to try: extrapolated from the last steps; past a refusal, halfway. */
const grown = (perLoad: number, low: number, atLow: number, high: number): number => {
  const asked = perLoad > 0 ? low - atLow / perLoad : Infinity;
  return asked < high ? Math.max(asked * 1.02, low * 1.1) : Math.min(4 * low, (low + high) / 2);
};
