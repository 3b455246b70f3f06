/**
 * Follows the load from the contents of each floor to the studs, link by link, and finds the weakest link. In: the resolved cabinet, its weights, the wall
 * and the materials. Out: links with their utilization, and the verdict; the load it could carry is found in limits.ts. Rules:
 * docs/formulas/hanging-verdict.md.
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
  /** Doors, drawers and leaves whose opening moves the load; empty for a cabinet with nothing to open. */
  readonly open: readonly MovingPart[];
  readonly climbing: ClimbingChild | null;
  /** The link over its limit when every unweighed mass is at its upper bound; null for none. */
  readonly atLow: Link | null;
  readonly plannedKg: number;
}

/** The hanging at the planned contents in its worst state: doors and the fullest drawer open, and the working load where the cabinet has one. */
export const analyzeHanging = (input: HangInput): HangingAnalysis => analyzeHangingAt(input, 1);

/** The hanging with the contents multiplied by `factor`, for the load slider. */
export function analyzeHangingAt(input: HangInput, factor: number): HangingAnalysis {
  const { unpressed, ...chain } = loadPathAt(input, factor);
  return { ...chain, ...withLowEnd(input, factor, chain), climbing: chain.studs.length > 0 ? climbing(input, unpressed) : null };
}

/** The verdict at the low end of the range decides: every unweighed mass at its upper bound. */
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

/** Whether the low end can bring a link to its limit. Tipping and balance depend on the position of the center, which masses move by less than this. */
function nearMarks(input: HangInput, links: readonly Link[]): Followed {
  const growth = maxGrowth(input);
  const near = links.filter(({ use, fineTo }) => use.value * growth >= fineTo);
  return { atWall: near.some(({ kind }) => !INSIDE.has(kind)), inside: near.some(({ kind }) => INSIDE.has(kind)) };
}

/** Which links of a load path are computed. */
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

/** The load path at a load factor, for the links asked for, with partial fillings where they are worse. */
export function loadPathAt(input: HangInput, factor: number, followed = ALL_LINKS): Omit<HangingAnalysis, 'climbing' | 'atLow'> & { readonly unpressed: Load } {
  const capacities = capacitiesOf(input);
  const { openings } = capacities;
  const state = { factor, open: openings };
  const unpressed = unpressedLoad(input, state);
  const full = loadPathOf(input, unpressed, state, followed.inside);
  // Links inside the cabinet are never worse under a partial filling.
  const partly = followed.atWall ? partialLoads(input, unpressed, factor, openings) : [];
  const parts = partly.map(
    ({ kind, load, worse }) => [kind, worse === 'hook' ? { loaded: load, studs: [], ...atHook(input, load) } : atWall(input, load, capacities)] as const,
  );
  return { ...atWorst(input, full, parts), unpressed, open: openings, plannedKg: plannedKg(input, factor) };
}

/** The load path of the full load, with each link and stud at its greatest utilization over all partial fillings. */
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
    // Only the balance depends on where the weight stands; every other refusal of a partial filling refuses the full load too.
    const unbalanced = part.studs.length > 0 ? offBalance(input.cabinet, part.loaded, part.studs) : undefined;
    if (unbalanced && !refusals.some(({ kind }) => kind === 'off-balance')) refusals.push({ ...unbalanced, partly });
  }
  const all = [...links.values()].sort((a, b) => nearnessToLimit(b) - nearnessToLimit(a));
  return { ...full, links: all, studs, refusals, state: stateOf(all, refusals, full.capped !== null, isLoaded(input)) };
}
