/**
 * Worst partial filling, bay by bay, for everything that depends on where the weight stands along the wall: balance on the cleat, each stud, bending of the
 * cleat. At one center position all of them grow with the weight, so only the heaviest filling with its center there counts (fractional knapsack); the
 * worst center position is then searched for. Source: docs/formulas/load-cases.md [eq].
 */
import type { MovingPart } from '../parts/opened.ts';
import type { Load } from '../parts/weights.ts';
import type { HangInput } from './hang-input.ts';
import { bearingOf, type WallStretch } from './bearing-shares.ts';
import type { PartialLoadKind } from './link.ts';
import { furthest, partOf, withoutContents, type StandingMass } from './partial-filling.ts';
import { strainsAt, studsBehind } from './wall-links.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

export interface LateralLoad {
  readonly kind: PartialLoadKind;
  readonly load: Load;
}

/** Positions tried between two corners of a curve: sixteen times as many found no utilization greater by more than 0.02 %. */
const STEPS = 6;
/** Golden-section steps in the interval that holds the worst. */
const REFINED = 8;
/** Probe distance, as a share of the interval, to see which side of the worst is worse. */
const NEAR = 0.01;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** Relative difference below which two strains are equal. */
const SAME = 1e-9;
/** Center movement, mm, below which a center counts as fixed. */
const STILL_MM = 1e-6;

/** The cabinet without its contents: closed, and with each door open alone. */
interface Base extends StandingMass {
  /** kg mm, of the door. */
  readonly swung: number;
}

/** A filling with its center at a given position: the masses furthest beyond it are removed. */
interface PartialFilling {
  readonly kg: number;
  readonly swung: number;
  readonly kind: 'part-left' | 'part-right';
  /** This many masses are removed whole, and `lastIn` of the next one stays. */
  readonly off: number;
  readonly lastIn: number;
}

/** Fillings worse than `full`, the complete load: the worst for each stud and for bending, and those off balance. */
export function lateralLoads(input: HangInput, full: Load, stands: readonly Load[], factor: number, openings: readonly MovingPart[]): LateralLoad[] {
  const { cabinet, studsMm } = input;
  const behind = studsBehind(cabinet, studsMm);
  const bearing = bearingOf(cabinet, behind.length > 0 ? behind : undefined);
  if (behind.length === 0) return [];
  const masses = stands.map((load): Mass => ({ load, kg: load.mass.value * factor, at: load.along })).sort((a, b) => a.at - b.at);
  const bases = basesOf(input, openings);
  const range = rangeOf(bases, stands, factor);
  if (range.to - range.from < STILL_MM) return [];

  const atFull = strainsAt(input, full.mass.value * STANDARD_GRAVITY, full.along, behind);
  const places = placesTried(range, bases, masses, behind, bearing);
  const tried = places.map((place) => tryAt(place));
  function tryAt(place: number): TriedPlace {
    const filling = heaviestAt(place, bases, masses);
    return { filling, strains: filling ? strainsAt(input, filling.kg * STANDARD_GRAVITY, place, behind) : [] };
  }
  const worst = atFull.map((strain, index) => {
    const of = ({ strains }: TriedPlace): number => strains[index] ?? 0;
    const at = tried.reduce((best, each, here) => (of(each) > of(tried[best]!) ? here : best), 0);
    if (of(tried[at]!) <= strain * (1 + SAME)) return undefined;
    return between(places[at - 1] ?? range.from, places[at]!, places[at + 1] ?? range.to, tried[at]!, tryAt, of).filling;
  });
  const isOff = (at: number): boolean => cabinet.hanging.rip !== null && bearing !== null && (at <= bearing.from || at >= bearing.to);
  const ends = isOff(full.along) ? [] : [range.from, range.to].filter(isOff).map((at) => heaviestAt(at, bases, masses));
  const found = new Set([...worst, ...ends].flatMap((filling) => filling ?? []));
  return [...found].map((filling) => loadOf(input, filling, masses, factor, openings));
}

interface TriedPlace {
  readonly filling: PartialFilling | undefined;
  readonly strains: readonly number[];
}

/** Golden-section search between the neighbors of the worst position tried; that position itself where nothing nearby is worse. */
function between(
  low: number,
  at: number,
  high: number,
  known: TriedPlace,
  tryAt: (place: number) => TriedPlace,
  of: (tried: TriedPlace) => number,
): TriedPlace {
  let worst = known;
  const look = (place: number): number => {
    const tried = tryAt(place);
    if (of(tried) > of(worst)) worst = tried;
    return of(tried);
  };
  let [from, to] = [low, high];
  const near = NEAR * (to - from);
  // Most maxima lie at a corner of the curve, which was tried.
  if (Math.max(look(at - near), look(at + near)) <= of(known)) return known;
  let [a, b] = [to - GOLDEN * (to - from), from + GOLDEN * (to - from)];
  let [atA, atB] = [look(a), look(b)];
  for (let step = 0; step < REFINED; step++) {
    if (atA > atB) {
      [to, b, atB] = [b, a, atA];
      a = to - GOLDEN * (to - from);
      atA = look(a);
    } else {
      [from, a, atA] = [a, b, atB];
      b = from + GOLDEN * (to - from);
      atB = look(b);
    }
  }
  return worst;
}

interface Mass extends StandingMass {
  readonly load: Load;
}

function basesOf(input: HangInput, openings: readonly MovingPart[]): Base[] {
  const { mass, along } = withoutContents(input);
  const kg = mass.value;
  const doors = openings.filter(({ floor, shift }) => floor === null && Math.abs(shift.along) > STILL_MM);
  const swings = [0, ...doors.map(({ ownKg, shift }) => ownKg * shift.along)];
  // A door between two others moves the center no further than they do.
  return [...new Set([0, Math.min(...swings), Math.max(...swings)])].map((swung) => ({ kg, at: along + swung / kg, swung }));
}

/** Range of positions the center can take. */
function rangeOf(bases: readonly Base[], stands: readonly Load[], factor: number): WallStretch {
  const endmost = (side: 1 | -1): number =>
    side *
    Math.max(...bases.map(({ kg, at }) => furthest({ kg, at: side * at }, stands, (load) => ({ kg: load.mass.value * factor, at: side * load.along })).mean));
  return { from: endmost(-1), to: endmost(1) };
}

/** Corners of the curves and steps between them: where a bay is just removed, where the load reaches a stud, where it covers all bearings. */
function placesTried(
  { from, to }: WallStretch,
  bases: readonly Base[],
  masses: readonly Mass[],
  behind: readonly number[],
  bearing: WallStretch | null,
): number[] {
  const middles = bearing ? [bearing.from, bearing.to].flatMap((end) => [...behind, bearing.from, bearing.to].map((at) => (end + at) / 2)) : [];
  const used = bases.flatMap((base) => [...meansOf(base, masses), ...meansOf(base, [...masses].reverse())]);
  const steps = Array.from({ length: STEPS + 1 }, (_, step) => from + ((to - from) * step) / STEPS);
  return [...new Set([...steps, ...[...middles, ...behind, ...used].filter((at) => at > from && at < to)])].sort((a, b) => a - b);
}

/** The center after each added mass. */
function meansOf({ kg, at }: Base, masses: readonly Mass[]): number[] {
  let [all, moment] = [kg, kg * at];
  return masses.map((mass) => {
    all += mass.kg;
    moment += mass.kg * mass.at;
    return moment / all;
  });
}

/** The heaviest filling with its center at a position, whichever door is open; undefined where none has it there. */
function heaviestAt(place: number, bases: readonly Base[], masses: readonly Mass[]): PartialFilling | undefined {
  let heaviest: PartialFilling | undefined;
  for (const base of bases) {
    const filling = broughtTo(place, base, masses);
    if (filling && (!heaviest || filling.kg > heaviest.kg)) heaviest = filling;
  }
  return heaviest;
}

/** Starts from everything in, and removes the masses furthest beyond the position, the last one in part, until the center lies on it. */
function broughtTo(place: number, base: Base, masses: readonly Mass[]): PartialFilling | undefined {
  let kg = base.kg;
  let moment = base.kg * (base.at - place);
  for (const mass of masses) {
    kg += mass.kg;
    moment += mass.kg * (mass.at - place);
  }
  const isRight = moment > 0;
  let [off, lastIn] = [0, 1];
  for (; off < masses.length; off++) {
    const mass = masses[isRight ? masses.length - 1 - off : off]!;
    const own = mass.kg * (mass.at - place);
    if (own * moment <= 0) break;
    const share = Math.min(1, moment / own);
    moment -= share * own;
    kg -= share * mass.kg;
    if (share < 1) {
      lastIn = 1 - share;
      break;
    }
  }
  return Math.abs(moment) < STILL_MM * kg ? { kg, swung: base.swung, kind: isRight ? 'part-left' : 'part-right', off, lastIn } : undefined;
}

function loadOf(
  { weights }: HangInput,
  { kind, off, lastIn, swung }: PartialFilling,
  masses: readonly Mass[],
  factor: number,
  openings: readonly MovingPart[],
): LateralLoad {
  const order = kind === 'part-left' ? [...masses].reverse() : masses;
  const shares = new Map(order.slice(0, off + 1).map(({ load }, index) => [load, index < off ? 0 : lastIn]));
  const shareOf = (load: Load): number => shares.get(load) ?? 1;
  const shut = partOf(weights, shareOf, 0, factor, []);
  const along = shut.along + swung / shut.mass.value;
  return { kind, load: { ...partOf(weights, shareOf, along, factor, openings), along } };
}
