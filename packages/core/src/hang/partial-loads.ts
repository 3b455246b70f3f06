/**
 * Load cases with part of the contents in, for effects that more contents would relieve: the hook's tip ratio, sideways balance, a stud unloaded by the far
 * end, bending of the cleat. Source: docs/formulas/load-cases.md [eq].
 */
import { pressedOn, pressingOn, type MovingPart } from '../parts/opened.ts';
import type { CompartmentLoad, Load } from '../parts/weights.ts';
import type { HangInput } from './hang-input.ts';
import { middleOf } from './load-path.ts';
import type { PartialLoadKind } from './link.ts';
import { furthest, partOf, withoutContents } from './partial-filling.ts';
import { lateralLoads } from './lateral-balance.ts';
import { tipsAtMm } from './wall-forces.ts';

/** Contents of some compartments only, with everything open. */
export interface PartialLoad {
  readonly kind: PartialLoadKind;
  readonly load: Load;
  /** `hook`: it only tips further; `wall`: wall fixings are more utilized, or balance is lost. */
  readonly worse: 'hook' | 'wall';
}

/** Relative difference below which two ratios are equal. */
const SAME = 1e-9;

/**
 * Partial fillings that are worse than `full`, the complete load, for some link; most cabinets have none or one.
 * @param factor multiple of the planned contents
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

/** The subset whose center lies furthest out, with doors open and the drawer out that moves it most. */
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
