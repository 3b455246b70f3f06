/** The links under one load: forces between cabinet and wall, then every link ordered by how near it is to its limit. */
import { opened, openingsOf, pressedOn, pressingOn, type MovingPart } from '../parts/opened.ts';
import { contentsMass, loadedCabinet, type Load } from '../parts/weights.ts';
import { hangsOnCleat } from '../solid/cabinet.ts';
import { evaluate, type ExplainedValue } from '../explained/explained-value.ts';
import { cabinetScrewRow, carrierOf } from './carrier-links.ts';
import { PERMANENT } from './fasteners.ts';
import { groundOf, type ScrewCapacity } from './grounds.ts';
import type { HangInput } from './hang-input.ts';
import { jointCapacities, jointLinks, jointLoads, type JointCapacities } from './joint-links.ts';
import { leafLinks } from './leaf-links.ts';
import { nearnessToLimit, type Link } from './link.ts';
import { refusalsOf, stateOf, type RefusalReason, type VerdictState } from './refusals.ts';
import { slideLinks } from './slide-links.ts';
import { WEIGHT } from './statics.ts';
import { tabLinks } from './tab-links.ts';
import { planeLinks } from './two-planes.ts';
import { wallForces } from './wall-forces.ts';
import type { WallForces } from './forces.ts';
import { screwCapacity, wallLinks, type StudUse } from './wall-links.ts';

export type Capped = 'one-stud' | 'anchors' | 'moving' | 'unlocked-plates';

/** One load followed along the whole path. */
export interface LoadPath {
  readonly weight: ExplainedValue;
  readonly loaded: Load;
  readonly forces: WallForces;
  readonly studs: readonly StudUse[];
  /** Most utilized first. The tip ratio is among them with its own limit. */
  readonly links: readonly Link[];
  readonly refusals: readonly RefusalReason[];
  /** What keeps the verdict from being better than close to the limit. */
  readonly capped: Capped | null;
  readonly state: VerdictState;
}

/** Capacities of screws and joints, independent of the load, so computed once for all loads tried. */
export interface Capacities {
  readonly wall: ScrewCapacity;
  readonly joints: JointCapacities;
  /** Whether the cabinet cleat can be screwed to something that holds. */
  readonly fixable: boolean;
  readonly openings: readonly MovingPart[];
}

const remembered = new WeakMap<HangInput, Capacities>();

/** Memoized per input: the load slider asks at every move. */
export function capacitiesOf(input: HangInput): Capacities {
  const known = remembered.get(input);
  if (known) return known;
  const fresh: Capacities = {
    wall: screwCapacity(input, PERMANENT),
    joints: jointCapacities(input),
    fixable: (hangsOnCleat(input.cabinet.hanging) ? cabinetScrewRow(input.cabinet) : carrierOf(input.cabinet)) != null,
    openings: openingsOf(input.cabinet, input.weights),
  };
  remembered.set(input, fresh);
  return fresh;
}

/** The same cabinet on the same wall with other weights; its capacities are kept. */
export function weighedAnew(input: HangInput, { weights }: Pick<HangInput, 'weights'>): HangInput {
  const { wall, joints, fixable } = capacitiesOf(input);
  const anew = { ...input, weights };
  remembered.set(anew, { wall, joints: { ...joints, ...jointLoads(anew) }, fixable, openings: openingsOf(anew.cabinet, weights) });
  return anew;
}

/** Load state of the cabinet: a factor on its contents, and what is open. */
export interface LoadState {
  readonly factor: number;
  readonly open: readonly MovingPart[];
}

/** The load in its worst state without the working load; leaning is a case of its own. */
export const unpressedLoad = ({ weights, studsMm }: HangInput, { factor, open }: LoadState): Load =>
  opened(loadedCabinet(weights, factor), open, weights, middleOf(studsMm), factor);

/** Forces and links between cabinet and wall, under one load. */
export interface AtWall {
  readonly weight: ExplainedValue;
  readonly loaded: Load;
  readonly forces: WallForces;
  readonly studs: readonly StudUse[];
  readonly links: readonly Link[];
}

/** Hook, spacer and wall fixings under a load, including the working load where there is one. */
export function atWall(input: HangInput, unpressed: Load, { wall }: Pick<Capacities, 'wall'>): AtWall {
  const { cabinet } = input;
  const loaded = pressedOn(unpressed, pressingOn(cabinet));
  const weight = evaluate(WEIGHT, { m: loaded.mass });
  const forces = wallForces(input, weight, loaded);
  const { studs, links: onWall } = wallLinks(input, forces, loaded, wall);
  const moving = groundOf(input.wall) === 'moving';
  // A cabinet in a vehicle does not hang by statics: each of two planes takes the road loads alone.
  const fromWall = moving ? planeLinks(cabinet, input.wall, weight, studs.length) : onWall;
  return { weight, loaded, forces, studs, links: [...fromWall, ...forces.links] };
}

/** Hook and spacer alone, for a load that affects no other link. */
export function atHook({ cabinet, wall }: HangInput, unpressed: Load): Pick<AtWall, 'links'> {
  const loaded = pressedOn(unpressed, pressingOn(cabinet));
  return { links: wallForces({ cabinet, wall }, evaluate(WEIGHT, { m: loaded.mass }), loaded).links };
}

/** Every link under a load; those inside the cabinet only on request. */
export function loadPathOf(input: HangInput, unpressed: Load, { factor, open }: LoadState, withInside = true): LoadPath {
  const capacities = capacitiesOf(input);
  const { joints, fixable } = capacities;
  const { weight, loaded, forces, studs, links: onWall } = atWall(input, unpressed, capacities);
  const inside = withInside
    ? [...jointLinks(input, joints, forces, factor), ...leafLinks(input, factor), ...slideLinks(input, open, factor), ...tabLinks(input, factor)]
    : [];
  const links = [...onWall, ...inside].sort((a, b) => nearnessToLimit(b) - nearnessToLimit(a));
  const refusals = refusalsOf(input, loaded, studs, fixable);
  const capped = cappedBy(input, studs.length);
  return { weight, loaded, forces, studs, links, refusals, capped, state: stateOf(links, refusals, capped !== null, isLoaded(input)) };
}

/** Why the verdict is never better than close to the limit at any utilization; null for no reason. */
function cappedBy({ cabinet, wall }: HangInput, studs: number): Capped | null {
  const ground = groundOf(wall);
  if (ground === 'moving' || ground === 'anchors') return ground;
  // A push from below lifts it off.
  if (cabinet.hanging.plate !== null && !cabinet.hanging.antiLift) return 'unlocked-plates';
  return studs < 2 ? 'one-stud' : null;
}

/** The contents times `factor`, kg. */
export const plannedKg = ({ weights }: HangInput, factor: number): number => contentsMass(weights) * factor;

/** Whether contents or a working load were entered. */
export const isLoaded = ({ cabinet, weights }: HangInput): boolean => contentsMass(weights) > 0 || Boolean(cabinet.pressed);

/** Middle of the studs, mm in the cabinet frame. */
export const middleOf = (studsMm: readonly number[]): number => (studsMm.length > 0 ? studsMm.reduce((sum, at) => sum + at, 0) / studsMm.length : 0);
