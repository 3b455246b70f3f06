/** How much of the same contents a cabinet would carry, both ends of it, and what would tell it more closely. Source: docs/formulas/carries-range.md. */
import { contentsMass } from '../parts/weights.ts';
import type { HangInput } from './hang-input.ts';
import { loadPathAt, type HangingAnalysis } from './hang.ts';
import type { Link } from './link.ts';
import { atEnd, UNCERTAIN_INPUTS, toMeasure, type RangeEnd, type UncertainInput } from './uncertainty.ts';

/** How much of the same contents a cabinet would carry. */
export interface LoadLimits {
  /** Contents the cabinet carries until a link is fully used; null when it is refused whatever hangs in it. */
  readonly carriesKg: number | null;
  /** The same with everything that nobody weighed as heavy as it may be: past it the word is over. */
  readonly lowKg: number | null;
  /** Contents up to which every link is fine then. */
  readonly fineToKg: number | null;
}

/** How far off the load it carries may be, and what would tell it more closely. */
export interface CarriesRange {
  readonly lowKg: number | null;
  readonly highKg: number | null;
  /** The input whose measuring brings the ends together most, and the ends then. */
  readonly narrow: { readonly measure: Exclude<UncertainInput, 'cabinet'>; readonly lowKg: number; readonly highKg: number } | null;
}

const limits = new WeakMap<HangInput, LoadLimits>();

/** What it would carry: a search over many loads, so it is asked for where it is said, and memoized. */
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

/** Both ends of what it would carry, and what to measure: more searches, so it is asked for where it is told, and memoized. */
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

/** Of what a person can measure, the one that leaves the least between the ends. */
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

/** Ends are told in whole kilograms: bringing them together by less is nothing. */
const TOLD_KG = 1;

/** A search over loads of one site; each load is worked out once, whatever limit is asked for. In kilograms of `held`, the contents as reckoned. */
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
 * The most contents, kg, at which every link is within its limit: uses grow nearly in line with the
 * load, so false position finds where the most used one is used up; the accepted side is given.
 * Loads that were tried for another limit are where it begins.
 */
function maxContents(tryLoad: (factor: number) => Tried, tried: Iterable<number>, heldKg: number, limitOf: (link: Link) => number): number | null {
  if (heldKg === 0) return null;
  /** Over one: past the limit. */
  const over = (factor: number): number => {
    const { links, refusals } = tryLoad(factor);
    return refusals.length > 0 ? Infinity : Math.max(...links.map((each) => each.use.value / limitOf(each))) - 1;
  };
  let [low, atLow] = [0, over(0)];
  if (atLow > 0) return null;
  /** The accepted load before this one. */
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
    // From the two last accepted loads, or the two ends of the bracket, straight to where nothing is left.
    const straight = Number.isFinite(atHigh)
      ? low + ((high - low) * -atLow) / (atHigh - atLow)
      : low === 0
        ? Math.min(1, high / 2)
        : grown((atLow - atBefore) / (low - before), low, atLow, high);
    // A hair to the accepted side, so that the bracket closes from both ends.
    const next = Math.min(high - HAIR * high, Math.max(low + HAIR * high, straight - HAIR * straight));
    const here = over(next);
    // Within a hair of its limit on the accepted side: no nearer load is worth looking for.
    if (here <= 0 && here > -2 * CLOSE) return next * heldKg;
    if (here <= 0) accept(next, here);
    else [high, atHigh] = [next, here];
    // One end that stays put is given less weight, or it would hold the line back for good.
    const side = here <= 0 ? 1 : -1;
    if (stayed === side && side > 0) atHigh /= 2;
    if (stayed === side && side < 0) atLow /= 2;
    stayed = side;
  }
  return low * heldKg;
}

/** So many times the planned contents are not asked for. */
const MAX_LOAD = 64;
/** Contents are said in whole kilograms: this share of them is near enough. */
const CLOSE = 0.002;
const HAIR = 0.0005;

/** The load that uses up what is left, by how much the last ones took of it; past a refusal, halfway. */
const grown = (perLoad: number, low: number, atLow: number, high: number): number => {
  const asked = perLoad > 0 ? low - atLow / perLoad : Infinity;
  return asked < high ? Math.max(asked * 1.02, low * 1.1) : Math.min(4 * low, (low + high) / 2);
};
