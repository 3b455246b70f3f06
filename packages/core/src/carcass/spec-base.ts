/** What every cabinet decides, whatever its family: who it is, its outer size, what it is made of, how it is joined, hung and filled. */
import type { Contents } from '../contents/presets.ts';
import type { Row } from '../contents/row.ts';
import { entered, type Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { FastenedBy, Fit } from '../solid/connection.ts';
import type { SlotExit } from '../solid/panel.ts';
import type { Hanging } from '../solid/cabinet.ts';
import type { WallPlace } from '../wall/wall.ts';

export interface ScrewChoice {
  readonly screw: string;
  readonly length: Entered;
}

/** What holds joints beside, or instead of, glue. */
export interface AssemblyChoice extends ScrewChoice {
  readonly by: FastenedBy;
  readonly perJoint: number;
  /** Edges are drilled before anything is driven into them. */
  readonly pilot: boolean;
  /** Side of a level part its pocket holes are on; hidden takes the one an eye does not see. */
  readonly pocketsOn: 'hidden' | 'under' | 'upper';
}

/** What the surfaces get, and when. */
export interface FinishChoice {
  readonly kind: 'none' | 'oil' | 'varnish' | 'paint' | 'stain';
  readonly when: 'before' | 'after';
  /** Where glue will go, or come out, is taped off. */
  readonly masked: boolean;
}

export interface HangingChoice {
  /** On a cleat outside the back or hidden behind it; screwed through its hanging rail (a fold-down's backboard) into the studs; or that rail hung by keyhole plates. */
  readonly kind: Hanging['kind'];
  /** Product the cleat is ripped from. */
  readonly stock: string;
  readonly boardWidth: Entered;
  /** Blade tilt from square. */
  readonly bevelDeg: number;
  /** Cabinet cleat's top below the cabinet's top (outside) or below the inside of the top (recessed). */
  readonly drop: Entered;
  /** Height of the hanging rail inside the back; null for none. */
  readonly rail: Entered | null;
  /** Screws through each side into the rail's ends, of the assembly screw. */
  readonly railScrews: number;
  /** Ends of the wall cleat, in from the ends of the cabinet cleat; negative runs on past the cabinet. */
  readonly leftInset: Entered;
  readonly rightInset: Entered;
  readonly spacer: { readonly stock: string; readonly height: Entered } | null;
  readonly wallScrew: ScrewChoice & { readonly upper: number; readonly lower: number };
  readonly cabinetScrew: ScrewChoice & { readonly count: number };
  readonly antiLift: boolean;
  /** The wall rail it hangs on; null for a wall cleat of its own. */
  readonly wallRail: string | null;
  /** A second bevelled cleat so far below the first, in place of the spacer; null for none. */
  readonly lowerCleat: Entered | null;
  /** The cabinet cleat of an outside cleat in so many brackets of this length; null for one piece. */
  readonly brackets: { readonly count: number; readonly length: Entered } | null;
  /** Out of the wall cleat's lower edge, `at` from its left end: round an outlet, a pipe, another rail. */
  readonly notch: { readonly at: Entered; readonly length: Entered; readonly depth: Entered } | null;
  /** Keyhole plates: what one carries as its maker says, 0 where nobody knows; heads stand so far off the wall. */
  readonly plate: { readonly ratedKg: number; readonly proud: Entered };
  /** Screwed through, it is bolted to floor or ceiling too, as a wall that moves wants it; null for not. */
  readonly second: { readonly plane: 'top' | 'bottom'; readonly count: number; readonly ratedN: number } | null;
  /** How far its halves settle into one another under it; null takes what the first hang taught, or nothing. */
  readonly seats: Entered | null;
  /** Cleat and spacer are shimmed where the wall bows. */
  readonly shimmed: boolean;
}

/** What opens in front of it; the space it sweeps is kept free on the wall. */
export type Front = 'open' | 'door-left' | 'door-right' | 'doors' | 'drawers' | 'lid-up' | 'flap-down';

export const UNDER = ['nothing', 'seat', 'bed', 'cot', 'cooker'] as const;
export type Under = (typeof UNDER)[number];

/** Something loose in a space of the cabinet that holds things in their places (inserts.ts). */
export interface Insert {
  readonly id: string;
  readonly order: number;
  /** The space it stands in. */
  readonly in: string;
  readonly kind: 'holes' | 'slots' | 'pegs' | 'tray' | 'leaves';
  readonly stock: string;
  /** Of its left rear corner, from the space's. */
  readonly along: Entered;
  readonly out: Entered;
  readonly length: Entered;
  readonly depth: Entered;
  /** Of a tray's walls, of leaves. */
  readonly height: Entered;
  /** Holes, slots, pegs or leaves side by side; rows of holes from rear to front. */
  readonly count: number;
  readonly rows: number;
  /** Across what goes in; the next is so much larger. */
  readonly size: Entered;
  readonly step: Entered;
  readonly clearance: Entered;
  /** Holes and slots go so deep; null goes through. */
  readonly deep: Entered | null;
}

/** Along a part's length, across it, or as it comes (painted work). */
export type GrainChoice = 'length' | 'width' | 'free';

export interface SpecBase {
  readonly id: string;
  readonly family: string;
  readonly name: string;
  readonly order: number;
  readonly unit: DisplayUnit;
  /** Outer size of the carcass. A family whose form has no such field works it out, and does not read this. */
  readonly width: Entered;
  readonly height: Entered;
  /** Of the carcass with its back; the gap of an outside cleat comes on top. */
  readonly depth: Entered;
  readonly stock: string;
  /** Parts whose grain a person has chosen, by their id without the cabinet's: 'shelf/s1'. Others have their family's. */
  readonly grains?: Readonly<Record<string, GrainChoice>>;
  readonly jointDepth: Entered;
  readonly fit: Fit;
  readonly glue: boolean;
  readonly assembly: AssemblyChoice;
  /** Ends of stopped slots: as the router leaves them, or chiselled square. */
  readonly stopEnds: 'round' | 'square';
  /** Slots before slopes, tapers and curves take the square edges away, or after. */
  readonly cutFirst: 'slots' | 'shape';
  /** What keeps fibers whole where a slot comes out over an edge that shows: scrap behind it, a piece left wide and ripped after, nothing. */
  readonly slotExit: SlotExit;
  readonly finish: FinishChoice;
  /** Thickness of the band on front edges; null for bare edges. */
  readonly band: Entered | null;
  readonly hanging: HangingChoice;
  /** By the space things stand in: 'bottom', a shelf's id, a divider's. */
  readonly contents: Readonly<Record<string, Contents>>;
  /** Rows of things side by side, worked out for one of its floors. */
  readonly rows: Readonly<Record<string, Row>>;
  readonly front: Front;
  /** Things are put on top of the cabinet. */
  readonly topLoaded: boolean;
  /** What stands loose in its spaces and holds things in their places. */
  readonly inserts: Readonly<Record<string, Insert>>;
  readonly place: WallPlace;
  /** What is below it, where people rest or cook. */
  readonly over: Under;
}

/** What the questions of a new cabinet settle. */
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

/** A length in the unit's own system: whole millimeters, or inches and fractions. */
export function pick(unit: DisplayUnit, metric: string, imperial: string): Entered {
  const text = unit === 'mm' ? `${metric} mm` : `${imperial} in`;
  const known = picked.get(text) ?? entered(text);
  picked.set(text, known);
  return known;
}
/** The same few texts, read each time a box of a run is made. */
const picked = new Map<string, Entered>();

const screwOf = (unit: DisplayUnit, metric: string, metricLength: string, numbered: string, inchLength: string): ScrewChoice => ({
  screw: unit === 'mm' ? metric : numbered,
  length: pick(unit, metricLength, inchLength),
});

/** A sound cleat to start from: outside the back with a spacer and a rail inside. */
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

/** The common part of a new cabinet. `spaces` are the ids of what things stand in. */
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
