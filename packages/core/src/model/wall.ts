/** The wall, as entered and surveyed. Heights are from the floor at the left end, positions from the left end. */
import type { Entered } from '../length/entered.ts';

export interface Wall {
  readonly width: Entered;
  /** Floor to ceiling at the left end, or to an obstacle for lifting. */
  readonly ceiling: Entered;
  /** Drop of floor and ceiling toward the right end; negative when they rise. */
  readonly floorFall: Entered;
  readonly ceilingFall: Entered;
  readonly structure: StructureId;
  /** Thickness of wallboard, tile and air between cleat and stud. */
  readonly covering: Entered;
  readonly studs: Studs;
  /** Fixing where there is no timber stud. */
  readonly fixing: WallFixing;
  readonly baseboard: { readonly height: Entered; readonly out: Entered };
  readonly things: Readonly<Record<string, WallThing>>;
  /** Places someone surveyed before drilling. */
  readonly looked: Readonly<Record<string, Looked>>;
  readonly bow: Readonly<Record<string, BowLine>>;
  readonly rails: Readonly<Record<string, WallRail>>;
}

export interface Studs {
  /** False when nobody has looked: the plan says so instead of guessing. */
  readonly known: boolean;
  /** Center to center. */
  readonly spacing: Entered;
  /** First center from the wall's left end. */
  readonly offset: Entered;
  readonly width: Entered;
  readonly depth: Entered;
  readonly species: SpeciesId;
  readonly marks: Readonly<Record<string, StudMark>>;
}

/** Certainty of a stud. */
export type StudState = 'assumed' | 'found' | 'probed';

/** A stud off its regular position, or one that was found. */
export interface StudMark {
  readonly id: string;
  /** Index of the regular stud it replaces, from 0; null for one in between. */
  readonly regular: number | null;
  readonly at: Entered;
  readonly state: StudState;
  /** There is no stud here. */
  readonly gone: boolean;
}

export const THING_KINDS = [
  'outlet',
  'switch',
  'light',
  'tap',
  'pipe',
  'cable',
  'radiator',
  'window',
  'door',
  'side-door',
  'trim',
  'furniture',
  'bench',
] as const;
export type ThingKind = (typeof THING_KINDS)[number];

/**
 * A thing on or in front of the wall, as a block: its left and lower edge, its size, its depth. A door swings into the room about its hinge; a side door is
 * in the wall at the left or right end, with `out` its hinge's distance from this wall and `width` its leaf.
 */
export interface WallThing {
  readonly id: string;
  readonly order: number;
  readonly kind: ThingKind;
  readonly name: string;
  readonly left: Entered;
  readonly up: Entered;
  readonly width: Entered;
  readonly height: Entered;
  readonly out: Entered;
  readonly hinge: 'none' | 'left' | 'right';
  /** Opening angle of a door. */
  readonly opensDeg: number;
  /** Projection of its handle from the leaf. */
  readonly handle: Entered;
}

export interface Looked {
  readonly id: string;
  readonly left: Entered;
  readonly up: Entered;
  readonly width: Entered;
  readonly height: Entered;
  /** Written override: someone takes responsibility for a hole in a cable zone; the note says who and why. */
  readonly how: 'detector' | 'probe-hole' | 'power-off' | 'in-writing';
  readonly note: string;
}

/** Readings along a level line: from a taut string or a straight edge to the wall. */
export interface BowLine {
  readonly id: string;
  readonly up: Entered;
  readonly readings: Readonly<Record<string, BowReading>>;
}

export interface BowReading {
  readonly id: string;
  readonly along: Entered;
  /** From the line to the wall: more where the wall is hollow. */
  readonly off: Entered;
}

/** A wall cleat shared by several cabinets. */
export interface WallRail {
  readonly id: string;
  readonly order: number;
  readonly name: string;
  readonly left: Entered;
  readonly right: Entered;
  /** Foot of its bevel above the floor, where the points of the cabinet cleats end. */
  readonly up: Entered;
  readonly stock: string;
  readonly boardWidth: Entered;
  readonly bevelDeg: number;
  /** Longest piece it is made of. */
  readonly pieceLength: Entered;
}

/** Place of a cabinet: its left end from the wall's left end, its bottom from the floor. */
export interface WallPlace {
  readonly along: Entered;
  readonly up: Entered;
}

export const thingsInOrder = ({ things }: Pick<Wall, 'things'>): WallThing[] =>
  Object.values(things).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

export const railsInOrder = ({ rails }: Pick<Wall, 'rails'>): WallRail[] => Object.values(rails).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

export const PLUG_IDS = ['6mm', '8mm', '10mm'] as const;

export type PlugId = (typeof PLUG_IDS)[number];

export interface WallFixing {
  /** Into studs or masonry; or into the covering alone, with anchors. */
  readonly into: 'ground' | 'covering';
  readonly plug: PlugId;
  /** Maker's rating of one, N, straight out and along the wall; null where unknown. */
  readonly pullN: number | null;
  readonly shearN: number | null;
  /** Whether the rating is an allowable load, or a failure load. */
  readonly rating: 'working' | 'ultimate';
  /** Center to center, where no stud decides. */
  readonly every: Entered;
  /** Sheet thickness of metal studs. */
  readonly metal: Entered;
  /** Straight sum of pull and shear in timber too; absent: the rule of the ground. */
  readonly strict?: boolean;
}

/** Species of studs; their gravity is in wall/species.ts. */
export const SPECIES_IDS = ['unknown', 'spf', 'douglas-fir', 'southern-pine', 'white-pine', 'oak'] as const;

export type SpeciesId = (typeof SPECIES_IDS)[number];

/** Kinds of wall, and what a cabinet can be fixed to in each. docs/formulas/walls.md */
export const STRUCTURE_IDS = [
  'timber-wallboard',
  'timber-sheathed',
  'timber-lath',
  'metal-studs',
  'dabs-block',
  'brick',
  'concrete',
  'hollow-block',
  'aerated-block',
  'panel-door',
  'vehicle',
] as const;

export type StructureId = (typeof STRUCTURE_IDS)[number];
