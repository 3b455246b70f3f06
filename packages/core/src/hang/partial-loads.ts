/**
 * Load cases with only a part of the contents in, for what more contents would steady: the hook's tip ratio, the balance sideways, a stud
 * that the far end relieves, the bending of the strip. Source: docs/formulas/load-cases.md [eq].
 */
import { pressedOn, pressingOn, type MovingPart } from '../parts/opened.ts';
import type { CompartmentLoad, Load } from '../parts/weights.ts';
import type { HangInput } from './hang-input.ts';
import { middleOf } from './load-path.ts';
import type { PartialLoadKind } from './link.ts';
import { furthest, partOf, withoutContents } from './partial-filling.ts';
import { lateralLoads } from './lateral-balance.ts';
import { tipsAtMm } from './wall-forces.ts';

/** Contents of some compartments only, everything open. */
export interface PartialLoad {
  readonly kind: PartialLoadKind;
  readonly load: Load;
  /** `hook`: it only tips further; `wall`: what holds on the wall is used more, or its balance goes. */
  readonly worse: 'hook' | 'wall';
}

/** A ratio that differs by less is the same. */
const SAME = 1e-9;

/**
 * The part loads that are worse than `full`, all contents in, somewhere; most cabinets have none or one.
 * @param factor times the planned contents
 */
export function partialLoads(input: HangInput, full: Load, factor: number, openings: readonly MovingPart[]): PartialLoad[] {
  if (factor === 0) return [];
  const { cabinet, weights, studsMm } = input;
  const held = weights.contents.filter(({ compartment, mass }) => !compartment.stands && mass.value > 0);
  const stands: readonly Load[] = weights.top ? [...held, weights.top] : held;
  const pressing = pressingOn(cabinet);
  const pressed = pressedOn(full, pressing);
  const sideways = lateralLoads(input, pressed, stands, factor, openings).map((each): PartialLoad => ({ ...each, worse: 'wall' }));
  const tipsAt = tipsAtMm(cabinet);
  if (tipsAt === null) return sideways;
  const holdsDown = ({ mass, out }: Load): number => mass.value * (out - tipsAt);
  const subsets = [outermost(input, stands, factor, openings), ...(cabinet.hanging.antiLift ? [new Set(stands.filter(({ out }) => out > tipsAt))] : [])];
  const outward = subsets
    .filter(({ size }) => size < stands.length)
    .flatMap((some): PartialLoad[] => {
      const load = partOf(weights, (each) => (some.has(each) ? 1 : 0), middleOf(studsMm), factor, openings);
      const part = pressedOn(load, pressing);
      if (holdsDown(part) > Math.max(0, holdsDown(pressed)) + SAME) return [{ kind: 'part-out', load, worse: 'wall' }];
      return part.out > pressed.out + SAME ? [{ kind: 'part-out', load, worse: 'hook' }] : [];
    });
  return [...outward, ...sideways];
}

/** The subset whose center lies furthest out, doors open and the drawer out that moves it most. */
function outermost(input: HangInput, stands: readonly Load[], factor: number, openings: readonly MovingPart[]): Set<Load> {
  const { mass, out: at } = withoutContents(input);
  const kg = mass.value;
  const doors = openings.filter(({ floor }) => floor === null);
  const drawers = openings.filter(({ floor }) => floor !== null);
  const doorMoment = doors.reduce((sum, { ownKg, shift }) => sum + ownKg * shift.out, 0);
  const withOut = (drawer: MovingPart | undefined): { readonly mean: number; readonly some: Set<Load> } => {
    const moved = (load: Load): number =>
      load.out + (drawer && 'compartment' in load && (load as CompartmentLoad).compartment.floor === drawer.floor ? drawer.shift.out : 0);
    return furthest({ kg, at: (kg * at + doorMoment + (drawer ? drawer.ownKg * drawer.shift.out : 0)) / kg }, stands, (load) => ({
      kg: load.mass.value * factor,
      at: moved(load),
    }));
  };
  return [undefined, ...drawers].map(withOut).reduce((a, b) => (b.mean > a.mean ? b : a)).some;
}
