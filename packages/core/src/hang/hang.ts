/**
 * Will it stay up? Follows the load from what stands on each floor to the studs, link by link, and
 * names the weakest. In: the resolved cabinet, its weights, the wall and the materials. Out: links with
 * their use, and the verdict; how much it would carry is searched for in limits.ts. Rules: docs/formulas/hanging-verdict.md.
 */
import type { MovingPart } from '../parts/opened.ts';
import type { Load } from '../parts/weights.ts';
import { atHook, atWall, capacitiesOf, loadPathOf, isLoaded, plannedKg, unpressedLoad, type AtWall, type LoadPath } from './load-path.ts';
import { climbing, type ClimbingChild } from './climbing.ts';
import type { HangInput } from './hang-input.ts';
import { nearnessToLimit, type Link, type PartialLoadKind } from './link.ts';
import { partialLoads } from './partial-loads.ts';
import { offBalance, stateOf, type VerdictState } from './refusals.ts';
import { atEnd, maxGrowth } from './uncertainty.ts';

export interface HangingAnalysis extends LoadPath {
  /** Of what opens, whose opening moves the load; nothing for a unit with nothing to open. */
  readonly open: readonly MovingPart[];
  readonly climbing: ClimbingChild | null;
  /** The link that is past its limit where everything that nobody weighed is as heavy as it may be; null for none. */
  readonly atLow: Link | null;
  readonly plannedKg: number;
}

/** The hanging at the planned contents: at its worst, doors and the fullest drawer open, and someone pressing where the cabinet says so. */
export const analyzeHanging = (input: HangInput): HangingAnalysis => analyzeHangingAt(input, 1);

/** The hanging with the contents multiplied by `factor`: what the load slider shows. */
export function analyzeHangingAt(input: HangInput, factor: number): HangingAnalysis {
  const { unpressed, ...chain } = loadPathAt(input, factor);
  return { ...chain, ...withLowEnd(input, factor, chain), climbing: chain.studs.length > 0 ? climbing(input, unpressed) : null };
}

/** The low end decides the word: as it is where everything that nobody weighed is as heavy as it may be. */
function withLowEnd(input: HangInput, factor: number, { state, refusals, capped, links }: LoadPath): Pick<HangingAnalysis, 'state' | 'refusals' | 'atLow'> {
  if (state === 'refused' || state === 'not-checked') return { state, refusals, atLow: null };
  const near = nearMarks(input, links);
  if (!near.atWall && !near.inside) return { state, refusals, atLow: null };
  const low = loadPathAt(atEnd(input, 'low'), factor, near);
  const unbalanced = low.refusals.filter(({ kind }) => kind === 'off-balance');
  const weakest = low.links.find(({ use, limit }) => use.value > limit) ?? null;
  const atLow = stateOf(low.links, unbalanced, capped !== null, isLoaded(input));
  const worse = WORST_FIRST.find((each) => each === atLow || each === state)!;
  return { state: worse, refusals: [...refusals, ...unbalanced], atLow: weakest };
}

/** Where the low end may bring a link to its mark. Tipping and balance go by where the center lies, which masses move by less than this. */
function nearMarks(input: HangInput, links: readonly Link[]): Followed {
  const growth = maxGrowth(input);
  const near = links.filter(({ use, fineTo }) => use.value * growth >= fineTo);
  return { atWall: near.some(({ kind }) => !INSIDE.has(kind)), inside: near.some(({ kind }) => INSIDE.has(kind)) };
}

/** Which links of a chain are asked for. */
interface Followed {
  readonly atWall: boolean;
  readonly inside: boolean;
}
const ALL_LINKS: Followed = { atWall: true, inside: true };
/** Links that hold the cabinet's own parts together. */
const INSIDE: ReadonlySet<Link['kind']> = new Set([
  'cabinet-screws',
  'rail-joint',
  'floor-joint',
  'prop',
  'leaf-hinge',
  'ledger',
  'leaf-bending',
  'slide',
  'tab',
]);

const WORST_FIRST: readonly VerdictState[] = ['refused', 'over', 'tight', 'fine', 'not-checked'];

/** A load followed to the links that are asked for, with a part of the contents in too where that is worse. */
export function loadPathAt(input: HangInput, factor: number, followed = ALL_LINKS): Omit<HangingAnalysis, 'climbing' | 'atLow'> & { readonly unpressed: Load } {
  const capacities = capacitiesOf(input);
  const { openings } = capacities;
  const state = { factor, open: openings };
  const unpressed = unpressedLoad(input, state);
  const full = loadPathOf(input, unpressed, state, followed.inside);
  // Inside the cabinet nothing is used more by a part of the contents than by all of them.
  const partly = followed.atWall ? partialLoads(input, unpressed, factor, openings) : [];
  const parts = partly.map(
    ({ kind, load, worse }) => [kind, worse === 'hook' ? { loaded: load, studs: [], ...atHook(input, load) } : atWall(input, load, capacities)] as const,
  );
  return { ...atWorst(input, full, parts), unpressed, open: openings, plannedKg: plannedKg(input, factor) };
}

/** The chain of the full load with each link and stud at its most used, whatever part of the contents is in. */
function atWorst(input: HangInput, full: LoadPath, parts: readonly (readonly [PartialLoadKind, Pick<AtWall, 'loaded' | 'studs' | 'links'>])[]): LoadPath {
  if (parts.length === 0) return full;
  const links = new Map(full.links.map((each) => [each.id, each]));
  const studs = [...full.studs];
  const refusals = [...full.refusals];
  for (const [partly, part] of parts) {
    for (const each of part.links) {
      const known = links.get(each.id);
      if (!known || nearnessToLimit(each) > nearnessToLimit(known)) links.set(each.id, { ...each, partly });
    }
    part.studs.forEach((stud, index) => {
      if (stud.use.value > studs[index]!.use.value) studs[index] = stud;
    });
    // Only the balance depends on where the weight stands; whatever else refuses a part refuses the full load too.
    const unbalanced = part.studs.length > 0 ? offBalance(input.cabinet, part.loaded, part.studs) : undefined;
    if (unbalanced && !refusals.some(({ kind }) => kind === 'off-balance')) refusals.push({ ...unbalanced, partly });
  }
  const all = [...links.values()].sort((a, b) => nearnessToLimit(b) - nearnessToLimit(a));
  return { ...full, links: all, studs, refusals, state: stateOf(all, refusals, full.capped !== null, isLoaded(input)) };
}
