/** Defaults of a new cabinet of any family. */
import type { DisplayUnit } from '../length/length.ts';
import { type Entered, entered } from '../length/entered.ts';
import type { HangingChoice, ScrewChoice, SpecBase } from '../model/specs/spec-base.ts';
import type { Contents } from '../model/item.ts';
import type { WallPlace } from '../model/wall.ts';

/** A length in the cabinet's own unit: whole millimeters, or inches and fractions. */
export function pick(unit: DisplayUnit, metric: string, imperial: string): Entered {
  const text = unit === 'mm' ? `${metric} mm` : `${imperial} in`;
  const known = picked.get(text) ?? entered(text);
  picked.set(text, known);
  return known;
}

/** A sound default cleat: outside the back with a spacer and a rail inside. */
export function newHanging(unit: DisplayUnit, stock: string): HangingChoice {
  return {
    kind: 'outside',
    stock,
    boardWidth: pick(unit, '150', '6'),
    bevelDeg: 45,
    drop: pick(unit, '0', '0'),
    rail: pick(unit, '90', '3 1/2'),
    railScrews: 4,
    leftInset: pick(unit, '0', '0'),
    rightInset: pick(unit, '0', '0'),
    spacer: { stock, height: pick(unit, '60', '2 1/2') },
    wallScrew: { ...screwOf(unit, '5mm', '80', '#10', '3'), upper: 2, lower: 1 },
    cabinetScrew: { ...screwOf(unit, '5mm', '35', '#8', '1 1/2'), count: 10 },
    antiLift: true,
    wallRail: null,
    lowerCleat: null,
    brackets: null,
    notch: null,
    plate: { ratedKg: 0, proud: pick(unit, '3', '1/8') },
    second: null,
    seats: null,
    shimmed: false,
  };
}

/** The common part of a new spec. `spaces` are the ids of its spaces. */
export function newBase<F extends string>(family: F, start: NewSpec, spaces: readonly string[]): SpecBase & { readonly family: F } {
  const { id, name, order, unit, width, height, depth, stock, contents, place } = start;
  return {
    id,
    family,
    name,
    order,
    unit,
    width,
    height,
    depth,
    stock,
    jointDepth: pick(unit, '6', '1/4'),
    fit: 'push',
    glue: true,
    assembly: { ...screwOf(unit, '4mm', '50', '#8', '2'), by: 'screws', perJoint: 0, pilot: true, pocketsOn: 'hidden' },
    stopEnds: 'square',
    cutFirst: 'slots',
    slotExit: 'backed',
    finish: { kind: 'oil', when: 'after', masked: false },
    band: null,
    hanging: newHanging(unit, stock),
    contents: Object.fromEntries(spaces.map((space) => [space, contents])),
    rows: {},
    front: 'open',
    topLoaded: false,
    inserts: {},
    place,
    over: 'nothing',
  };
}

/** Memoized: the same few texts are read each time a box of a run is made. */
const picked = new Map<string, Entered>();

const screwOf = (unit: DisplayUnit, metric: string, metricLength: string, numbered: string, inchLength: string): ScrewChoice => ({
  screw: unit === 'mm' ? metric : numbered,
  length: pick(unit, metricLength, inchLength),
});

/** Answers to the questions about a new cabinet. */
export interface NewSpec {
  readonly id: string;
  readonly name: string;
  readonly order: number;
  readonly unit: DisplayUnit;
  readonly width: Entered;
  readonly height: Entered;
  readonly depth: Entered;
  readonly stock: string;
  readonly backStock: string;
  readonly contents: Contents;
  readonly place: WallPlace;
}
