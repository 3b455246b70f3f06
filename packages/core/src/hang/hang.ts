/**
 * Will it stay up? Follows the load from what stands on each floor to the studs, link by link, and
 * names the weakest. In: the resolved unit, its weights, the wall and the materials. Out: links with
 * their use, the verdict, and how much the unit would carry. Rules: docs/formulas/hanging-verdict.md.
 */
import type { Opening } from '../parts/opened.ts';
import { contentsMass, type Load } from '../parts/weights.ts';
import { atWall, capacitiesOf, chainOf, isLoaded, plannedKg, unpressedLoad, type AtWall, type Chain } from './chain.ts';
import { climbing, type Climbing } from './climbing.ts';
import type { HangInput } from './hang-input.ts';
import { nearness, type Link, type PartKind } from './link.ts';
import { partLoads } from './part-loads.ts';
import { offBalance, stateOf } from './refusals.ts';

export interface Hang extends Chain {
  /** Of what opens, whose opening moves the load; nothing for a unit with nothing to open. */
  readonly open: readonly Opening[];
  readonly climbing: Climbing | null;
  readonly plannedKg: number;
}

/** How much of the same contents a unit would carry. */
export interface LoadLimits {
  /** Contents the unit carries until a link is fully used; null when it is refused whatever hangs in it. */
  readonly carriesKg: number | null;
  /** Contents up to which every link is fine. */
  readonly fineToKg: number | null;
}

/** The hanging at the planned contents: at its worst, doors and the fullest drawer open, and someone pressing where the unit says so. */
export const hang = (input: HangInput): Hang => hangAt(input, 1);

const limits = new WeakMap<HangInput, LoadLimits>();

/** What it would carry: a search over many loads, so it is asked for where it is said, and remembered. */
export function loadLimits(input: HangInput): LoadLimits {
  const known = limits.get(input);
  if (known) return known;
  const held = contentsMass(input.weights);
  // Both searches begin with the same loads: each is worked out once.
  const tried = new Map<number, Tried>([[1, chainAt(input, 1)]]);
  const tryLoad = (factor: number): Tried => {
    const chain = tried.get(factor) ?? chainAt(input, factor);
    tried.set(factor, chain);
    return chain;
  };
  const found = {
    carriesKg: mostContents(tryLoad, tried.keys(), held, ({ limit }) => limit),
    fineToKg: mostContents(tryLoad, tried.keys(), held, ({ fineTo }) => fineTo),
  };
  limits.set(input, found);
  return found;
}

/** The hanging with the contents multiplied by `factor`: what the load slider shows. */
export function hangAt(input: HangInput, factor: number): Hang {
  const { unpressed, ...chain } = chainAt(input, factor);
  return { ...chain, climbing: chain.studs.length > 0 ? climbing(input, unpressed) : null };
}

function chainAt(input: HangInput, factor: number): Omit<Hang, 'climbing'> & { readonly unpressed: Load } {
  const capacities = capacitiesOf(input);
  const { openings } = capacities;
  const state = { factor, open: openings };
  const unpressed = unpressedLoad(input, state);
  const full = chainOf(input, unpressed, state);
  // Inside the cabinet nothing is used more by a part of the contents than by all of them.
  const parts = partLoads(input, unpressed, factor, openings).map(({ kind, load }) => [kind, atWall(input, load, capacities)] as const);
  return { ...atWorst(input, full, parts), unpressed, open: openings, plannedKg: plannedKg(input, factor) };
}

/** The chain of the full load with each link and stud at its most used, whatever part of the contents is in. */
function atWorst(input: HangInput, full: Chain, parts: readonly (readonly [PartKind, AtWall])[]): Chain {
  if (parts.length === 0) return full;
  const links = new Map(full.links.map((each) => [each.id, each]));
  const studs = [...full.studs];
  const refusals = [...full.refusals];
  for (const [partly, part] of parts) {
    for (const each of part.links) {
      const known = links.get(each.id);
      if (!known || nearness(each) > nearness(known)) links.set(each.id, { ...each, partly });
    }
    part.studs.forEach((stud, index) => {
      if (stud.use.value > studs[index]!.use.value) studs[index] = stud;
    });
    // Only the balance depends on where the weight stands; whatever else refuses a part refuses the full load too.
    const unbalanced = offBalance(input.unit, part.loaded, part.studs);
    if (unbalanced && !refusals.some(({ kind }) => kind === 'off-balance')) refusals.push({ ...unbalanced, partly });
  }
  const all = [...links.values()].sort((a, b) => nearness(b) - nearness(a));
  return { ...full, links: all, studs, refusals, state: stateOf(all, refusals, full.capped !== null, isLoaded(input)) };
}

type Tried = Pick<Hang, 'links' | 'refusals'>;

/**
 * The most contents, kg, at which every link is within its limit: uses grow nearly in line with the
 * load, so false position finds where the most used one is used up; the accepted side is given.
 * Loads that were tried for another limit are where it begins.
 */
function mostContents(tryLoad: (factor: number) => Tried, tried: Iterable<number>, heldKg: number, limitOf: (link: Link) => number): number | null {
  if (heldKg === 0) return null;
  /** Over one: past the limit. */
  const over = (factor: number): number => {
    const { links, refusals } = tryLoad(factor);
    return refusals.length > 0 ? Infinity : Math.max(...links.map((each) => each.use.value / limitOf(each))) - 1;
  };
  let [low, atLow] = [0, over(0)];
  if (atLow > 0) return null;
  let [high, atHigh] = [MOST_LOAD, Infinity];
  for (const factor of [...tried].sort((a, b) => a - b)) {
    const here = over(factor);
    if (here <= 0) [low, atLow] = [factor, here];
    else {
      [high, atHigh] = [factor, here];
      break;
    }
  }
  let stayed = 0;
  for (let step = 0; step < 16 && high - low > CLOSE * high; step++) {
    // From the two last accepted loads, or the two ends of the bracket, straight to where nothing is left.
    const straight = Number.isFinite(atHigh) ? low + ((high - low) * -atLow) / (atHigh - atLow) : low === 0 ? Math.min(1, high / 2) : grown(low, atLow, high);
    // A hair to the accepted side, so that the bracket closes from both ends.
    const next = Math.min(high - HAIR * high, Math.max(low + HAIR * high, straight - HAIR * straight));
    const here = over(next);
    // Within a hair of its limit on the accepted side: no nearer load is worth looking for.
    if (here <= 0 && here > -2 * CLOSE) return next * heldKg;
    if (here <= 0) [low, atLow] = [next, here];
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
const MOST_LOAD = 64;
/** Contents are said in whole kilograms: this share of them is near enough. */
const CLOSE = 0.002;
const HAIR = 0.0005;

/** The load that uses up what is left, were use in proportion to it; past a refusal, halfway. */
const grown = (low: number, atLow: number, high: number): number => {
  const asked = low / (1 + atLow);
  return atLow > -0.95 && asked < high ? Math.max(asked * 1.02, low * 1.1) : Math.min(4 * low, (low + high) / 2);
};
