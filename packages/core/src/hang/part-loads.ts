/**
 * Load cases with only a part of the contents in, for what more contents would steady: the hook's tip ratio, the balance sideways, a stud
 * that the far end relieves. Each is the exact extreme over every subset of compartments. Source: docs/formulas/load-cases.md [eq].
 */
import { opened, pressedOn, pressingOn, type Opening } from '../parts/opened.ts';
import { loadedUnit, type CompartmentLoad, type Load, type UnitWeights } from '../parts/weights.ts';
import type { HangInput } from './hang-input.ts';
import { middleOf } from './chain.ts';
import { bearingOf, hungShares } from './hung-shares.ts';
import type { PartKind } from './link.ts';
import { tipsAtMm } from './wall-forces.ts';
import { studsBehind } from './wall-links.ts';

/** Contents of some compartments only, everything open. */
export interface PartLoad {
  readonly kind: PartKind;
  readonly load: Load;
  /** `hook`: it only tips further; `wall`: what holds on the wall is used more, or its balance goes. */
  readonly worse: 'hook' | 'wall';
}

/** A mass at a place on one axis, mm. */
interface Standing {
  readonly kg: number;
  readonly at: number;
}

/** Past either end of any cabinet, mm: `opened` then takes the door that swings furthest from there. */
const FAR_MM = 1e6;
/** A share that differs by less is the same. */
const SAME = 1e-9;

/**
 * The part loads that are worse than `full`, all contents in, somewhere; most cabinets have none or one.
 * @param factor times the planned contents
 */
export function partLoads(input: HangInput, full: Load, factor: number, openings: readonly Opening[]): PartLoad[] {
  const { weights } = input;
  const held = weights.contents.filter(({ compartment, mass }) => !compartment.stands && mass.value > 0);
  if (factor === 0) return [];
  const stands: readonly Load[] = weights.top ? [...held, weights.top] : held;
  const middle = middleOf(input.studsMm);
  const candidates: Omit<PartLoad, 'worse'>[] = [
    partOf(input, 'part-out', outermost(input, stands, factor, openings), middle, factor, openings),
    partOf(input, 'part-left', endmost(input, stands, factor, openings, -1), FAR_MM, factor, openings),
    partOf(input, 'part-right', endmost(input, stands, factor, openings, 1), -FAR_MM, factor, openings),
    ...(input.unit.hanging.antiLift ? [partOf(input, 'part-out', beyondHook(input, stands), middle, factor, openings)] : []),
    ...besideStuds(input, stands).map(([kind, some]) => partOf(input, kind, some, kind === 'part-left' ? FAR_MM : -FAR_MM, factor, openings)),
  ];
  const worseAt = worseThan(input, pressedOn(full, pressingOn(input.unit)));
  return candidates.flatMap((each) => {
    const worse = worseAt(pressedOn(each.load, pressingOn(input.unit)));
    return worse ? [{ ...each, worse }] : [];
  });
}

function partOf(
  { weights }: HangInput,
  kind: PartKind,
  some: ReadonlySet<Load>,
  middleMm: number,
  factor: number,
  openings: readonly Opening[],
): Omit<PartLoad, 'worse'> {
  const part: UnitWeights = {
    ...weights,
    contents: weights.contents.filter((each) => some.has(each)),
    top: weights.top && some.has(weights.top) ? weights.top : null,
  };
  return { kind, load: opened(loadedUnit(part, factor), openings, part, middleMm, factor) };
}

/** The empty cabinet, with what presses it: that is there whatever it holds. */
const withoutContents = ({ unit, weights }: HangInput): Load => pressedOn(weights.empty, pressingOn(unit));

/** The subset whose center lies furthest out, doors open and the drawer out that moves it most. */
function outermost(input: HangInput, stands: readonly Load[], factor: number, openings: readonly Opening[]): Set<Load> {
  const { mass, out: at } = withoutContents(input);
  const kg = mass.value;
  const doors = openings.filter(({ floor }) => floor === null);
  const drawers = openings.filter(({ floor }) => floor !== null);
  const doorMoment = doors.reduce((sum, { ownKg, shift }) => sum + ownKg * shift.out, 0);
  const withOut = (drawer: Opening | undefined): { readonly mean: number; readonly some: Set<Load> } => {
    const moved = (load: Load): number =>
      load.out + (drawer && 'compartment' in load && (load as CompartmentLoad).compartment.floor === drawer.floor ? drawer.shift.out : 0);
    return furthest({ kg, at: (kg * at + doorMoment + (drawer ? drawer.ownKg * drawer.shift.out : 0)) / kg }, stands, (load) => ({
      kg: load.mass.value * factor,
      at: moved(load),
    }));
  };
  return [undefined, ...drawers].map(withOut).reduce((a, b) => (b.mean > a.mean ? b : a)).some;
}

/** The subset whose center lies furthest to one side, with the one door open that swings furthest there; side −1 is left. */
function endmost(input: HangInput, stands: readonly Load[], factor: number, openings: readonly Opening[], side: 1 | -1): Set<Load> {
  const swung = Math.max(0, ...openings.filter(({ floor }) => floor === null).map(({ ownKg, shift }) => ownKg * shift.along * side));
  const { mass, along } = withoutContents(input);
  const kg = mass.value;
  return furthest({ kg, at: side * along + swung / kg }, stands, (load) => ({ kg: load.mass.value * factor, at: side * load.along })).some;
}

/** The subset with the greatest mean place: greedily, what lies past the mean of those before it. O(n log n). */
function furthest(base: Standing, loads: readonly Load[], placed: (load: Load) => Standing): { readonly mean: number; readonly some: Set<Load> } {
  const some = new Set<Load>();
  let { kg, at: mean } = base;
  for (const { load, at, kg: own } of loads.map((load) => ({ load, ...placed(load) })).sort((a, b) => b.at - a.at)) {
    if (at <= mean) break;
    mean = (kg * mean + own * at) / (kg + own);
    kg += own;
    some.add(load);
  }
  return { mean, some };
}

/** What turns the cabinet off its hook: together it wants the greatest hold-down. */
function beyondHook({ unit }: HangInput, stands: readonly Load[]): Set<Load> {
  const tipsAt = tipsAtMm(unit);
  return new Set(tipsAt === null ? [] : stands.filter(({ out }) => out > tipsAt));
}

/** Contents past the last stud on one side lift the far stud: without them that stud carries more. */
function besideStuds({ unit, studsMm }: HangInput, stands: readonly Load[]): (readonly [PartKind, Set<Load>])[] {
  const behind = studsBehind(unit, studsMm);
  if (behind.length < 2) return [];
  const [first, last] = [Math.min(...behind), Math.max(...behind)];
  const middle = (first + last) / 2;
  const subsets: (readonly [PartKind, Load[]])[] = [
    ['part-left', stands.filter(({ along }) => along < last)],
    ['part-right', stands.filter(({ along }) => along > first)],
    ...(behind.length > 2
      ? ([
          ['part-left', stands.filter(({ along }) => along < middle)],
          ['part-right', stands.filter(({ along }) => along > middle)],
        ] as const)
      : []),
  ];
  return subsets.filter(([, some]) => some.length < stands.length).map(([kind, some]) => [kind, new Set(some)]);
}

/** Where a part load comes nearer to a limit than `full`: it tips further, stands off balance, or lays more on a stud. */
function worseThan(input: HangInput, full: Load): (part: Load) => PartLoad['worse'] | null {
  const { unit } = input;
  const behind = studsBehind(unit, input.studsMm);
  const bearing = unit.hanging.rip ? bearingOf(unit, behind.length > 0 ? behind : undefined) : null;
  const shares = (load: Load): number[] => {
    if (behind.length === 0) return [];
    const { shares: by } = hungShares(unit, load.mass.value, load.along, behind);
    return behind.map((_, index) => Math.max(by.simple[index]!, by.continuous[index]!, by.rigid[index]!));
  };
  const half = ({ along }: Load): number => (bearing ? Math.max(1, Math.min(along - bearing.from, bearing.to - along)) : 0);
  /** Spread more thinly over a stretch inside the other's: it bends the strip less everywhere. */
  const bendsLess = (load: Load): boolean =>
    !bearing || (load.mass.value / half(load) <= full.mass.value / half(full) && Math.abs(load.along - full.along) <= half(full) - half(load) + SAME);
  const tipsAt = tipsAtMm(unit);
  const holdsDown = ({ mass, out }: Load): number => (tipsAt === null ? 0 : mass.value * (out - tipsAt));
  const isOff = ({ along }: Load): boolean => bearing !== null && (along <= bearing.from || along >= bearing.to);
  const atFull = { shares: shares(full), holdsDown: Math.max(0, holdsDown(full)) };
  // Less of the same about the same center is no worse anywhere.
  const isLess = ({ mass, along, out }: Load): boolean => mass.value <= full.mass.value && Math.abs(along - full.along) < SAME && out <= full.out;
  const isWorseAtWall = (load: Load): boolean =>
    holdsDown(load) > atFull.holdsDown + SAME ||
    (isOff(load) && !isOff(full)) ||
    !bendsLess(load) ||
    shares(load).some((share, index) => share > atFull.shares[index]! * (1 + SAME));
  return (load) => {
    if (isLess(load)) return null;
    if (isWorseAtWall(load)) return 'wall';
    return tipsAt !== null && load.out > full.out + SAME ? 'hook' : null;
  };
}
