/**
 * Will it stay up? Follows the load from what stands on each floor to the studs, link by link, and
 * names the weakest. In: the resolved unit, its weights, the wall and the materials. Out: links with
 * their use, the verdict, and how much the unit would carry. Rules: docs/formulas/hanging-verdict.md.
 */
import { toMm } from '../length/length.ts';
import { opened, openingsOf, pressedOn, type Opening } from '../parts/opened.ts';
import { contentsMass, loadedUnit, type Load } from '../parts/weights.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import { STRUCTURES, type StructureId } from '../wall/structures.ts';
import { studsKnown } from '../wall/studs.ts';
import { apply, type Figure } from '../worked/figure.ts';
import { PERMANENT } from './fasteners.ts';
import { climbing, type Climbing } from './climbing.ts';
import { jointCapacities, jointLinks, type JointCapacities } from './joint-links.ts';
import type { HangInput } from './hang-input.ts';
import { leafLinks } from './leaf-links.ts';
import { slideLinks } from './slide-links.ts';
import { cabinetScrewRow, carrierOf } from './carrier-links.ts';
import type { Link } from './link.ts';
import { WEIGHT } from './statics.ts';
import { tabLinks } from './tab-links.ts';
import type { RailFault } from './on-rail.ts';
import { wallForces, type WallForces } from './wall-forces.ts';
import { screwCapacity, wallLinks, type ScrewCapacity, type StudUse } from './wall-links.ts';

/** What makes a hanging refused whatever its numbers. */
export type RefusalReason =
  | { readonly kind: 'off-rail'; readonly fault: RailFault['kind'] }
  | { readonly kind: 'no-stud-known' }
  | { readonly kind: 'ground'; readonly structure: StructureId; readonly moving: boolean }
  | { readonly kind: 'too-few-studs'; readonly studs: number }
  | { readonly kind: 'no-spacer' }
  | { readonly kind: 'thin-back-only'; readonly backMm: number }
  | { readonly kind: 'cleat-material'; readonly material: string }
  | { readonly kind: 'short-screw'; readonly diameters: number }
  | { readonly kind: 'no-wall-screw' }
  | { readonly kind: 'no-cabinet-screw' }
  | { readonly kind: 'bevel'; readonly bevelDeg: number };

export type VerdictState = 'fine' | 'tight' | 'over' | 'refused';

export interface Hang {
  readonly weight: Figure;
  /** At its worst: doors and the fullest drawer open, and someone pressing where the unit says so. */
  readonly loaded: Load;
  /** Of what opens, whose opening moves the load; nothing for a unit with nothing to open. */
  readonly open: readonly Opening[];
  readonly forces: WallForces;
  readonly studs: readonly StudUse[];
  /** Most used first. The tip ratio is among them with its own limit. */
  readonly links: readonly Link[];
  readonly climbing: Climbing | null;
  readonly refusals: readonly RefusalReason[];
  readonly state: VerdictState;
  readonly plannedKg: number;
}

/** How much of the same contents a unit would carry. */
export interface LoadLimits {
  /** Contents the unit carries until a link is fully used; null when it is refused whatever hangs in it. */
  readonly carriesKg: number | null;
  /** Contents up to which every link is fine. */
  readonly fineToKg: number | null;
}

/** One stud only: most it may carry, loaded; how far off the stud the centre of gravity may be. [ASSUME] */
export const ONE_STUD_KG = 15;
export const ONE_STUD_OFF_MM = 75;

/** The hanging at the planned contents. */
export const hang = (input: HangInput): Hang => hangWith(input, capacitiesOf(input), 1);

const limits = new WeakMap<HangInput, LoadLimits>();

/** What it would carry: a search over many loads, so it is asked for where it is said, and remembered. */
export function loadLimits(input: HangInput): LoadLimits {
  const known = limits.get(input);
  if (known) return known;
  const capacities = capacitiesOf(input);
  const held = contentsMass(input.weights);
  // Both searches begin with the same loads: each is worked out once.
  const tried = new Map<number, Tried>([[1, chainAt(input, capacities, 1)]]);
  const tryLoad = (factor: number): Tried => {
    const chain = tried.get(factor) ?? chainAt(input, capacities, factor);
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
export const hangAt = (input: HangInput, factor: number): Hang => hangWith(input, capacitiesOf(input), factor);

function hangWith(input: HangInput, capacities: Capacities, factor: number): Hang {
  const { unpressed, ...chain } = chainAt(input, capacities, factor);
  return { ...chain, climbing: chain.studs.length > 0 ? climbing(input, unpressed) : null };
}

/** What screws and joints hold: the load does not enter, so it is worked out once for all the loads that are tried. */
interface Capacities {
  readonly wall: ScrewCapacity;
  readonly joints: JointCapacities;
  /** The cabinet half can be screwed to something that holds. */
  readonly fixable: boolean;
  readonly openings: readonly Opening[];
}

const capacitiesOf = (input: HangInput): Capacities => ({
  wall: screwCapacity(input, PERMANENT),
  joints: jointCapacities(input),
  fixable: (input.unit.hanging.kind === 'through' ? carrierOf(input.unit) : cabinetScrewRow(input.unit)) != null,
  openings: openingsOf(input.unit, input.weights),
});

/** The chain, and the load without what presses: leaning is a case of its own. */
function chainAt(input: HangInput, capacities: Capacities, factor: number): Omit<Hang, 'climbing'> & { readonly unpressed: Load } {
  const { unit, weights, studsMm } = input;
  const { openings } = capacities;
  const unpressed = opened(loadedUnit(weights, factor), openings, weights, middleOf(studsMm), factor);
  const loaded = pressedOn(unpressed, unit.pressed);
  const weight = apply(WEIGHT, { m: loaded.mass });
  const forces = wallForces(unit, weight, loaded);
  const { studs, links: fromWall } = wallLinks(input, forces, loaded, capacities.wall);
  const links = [
    ...fromWall,
    ...jointLinks(input, capacities.joints, forces, factor),
    ...leafLinks(input, factor),
    ...slideLinks(input, openings, factor),
    ...tabLinks(input, factor),
    ...forces.links,
  ].sort((a, b) => nearness(b) - nearness(a));
  const refusals = refusalsOf(input, loaded, studs, capacities.fixable);
  return {
    weight,
    loaded,
    unpressed,
    open: openings,
    forces,
    studs,
    links,
    refusals,
    state: stateOf(links, refusals, studs.length),
    plannedKg: contentsMass(weights) * factor,
  };
}

/** Middle of the studs, along the unit frame. */
const middleOf = (studsMm: readonly number[]): number => (studsMm.length > 0 ? studsMm.reduce((sum, at) => sum + at, 0) / studsMm.length : 0);

type Tried = Pick<Hang, 'links' | 'refusals'>;

/** How near a link is to its limit; one without a limit of its own counts against 1. */
const nearness = ({ use, limit }: Link): number => use.value / (Number.isFinite(limit) ? limit : 1);

function stateOf(links: readonly Link[], refusals: readonly RefusalReason[], studs: number): VerdictState {
  if (refusals.length > 0) return 'refused';
  if (links.some(({ use, limit }) => use.value > limit)) return 'over';
  // On one stud it is never better than tight. [ASSUME]
  const tight = studs < 2 || links.some(({ use, fineTo }) => use.value > fineTo);
  return tight ? 'tight' : 'fine';
}

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

function refusalsOf({ unit, materialOf, wall, railFault }: HangInput, loaded: Load, studs: readonly StudUse[], fixable: boolean): RefusalReason[] {
  const { hanging } = unit;
  const reasons: RefusalReason[] = [];
  const cleat = materialOf(unit.byId.get(hanging.wallHalf)!.stock);
  if (cleat.kind !== 'plywood' && cleat.kind !== 'solid') reasons.push({ kind: 'cleat-material', material: cleat.name });
  if (hanging.standoff === 'nothing') reasons.push({ kind: 'no-spacer' });
  if (railFault) reasons.push({ kind: 'off-rail', fault: railFault.kind });
  if (hanging.rip && (hanging.bevelDeg < 20 || hanging.bevelDeg > 65)) reasons.push({ kind: 'bevel', bevelDeg: hanging.bevelDeg });
  const back = unit.panels.find(({ role }) => role === 'back');
  if (!fixable) reasons.push({ kind: 'thin-back-only', backMm: back ? toMm(back.thickness) : 0 });
  if (hanging.rip && hanging.cabinetScrew.count === 0) reasons.push({ kind: 'no-cabinet-screw' });
  const { carries } = STRUCTURES[wall.structure];
  if (carries !== 'timber') return [...reasons, { kind: 'ground', structure: wall.structure, moving: carries === 'moving' }];
  if (!studsKnown(wall)) return [...reasons, { kind: 'no-stud-known' }];
  const { upper, lower } = hanging.wallScrew;
  if (upper + lower === 0) return [...reasons, { kind: 'no-wall-screw' }];
  if (studs.length < 2 && !oneStudWillDo(unit, loaded, studs)) reasons.push({ kind: 'too-few-studs', studs: studs.length });
  const worst = studs.find(({ tooShort }) => tooShort);
  if (worst) reasons.push({ kind: 'short-screw', diameters: worst.diameters });
  return reasons;
}

/** One stud only and no longer wall half: up to 15 kg under the conditions of docs/formulas/hanging-verdict.md. */
function oneStudWillDo({ hanging }: ResolvedUnit, loaded: Load, studs: readonly StudUse[]): boolean {
  const stud = studs[0];
  if (!stud) return false;
  const { upper, lower } = hanging.wallScrew;
  return (
    loaded.mass.value <= ONE_STUD_KG &&
    upper >= 1 &&
    lower >= 1 &&
    (hanging.antiLift || hanging.kind === 'through') &&
    Math.abs(stud.atMm - loaded.along) <= ONE_STUD_OFF_MM
  );
}
