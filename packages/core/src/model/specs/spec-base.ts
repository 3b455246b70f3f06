/** The spec shared by every cabinet of any family: identity, outer size, stock, joinery, hanging and contents. */
import { type Entered } from '../../length/entered.ts';
import type { DisplayUnit } from '../../length/length.ts';
import type { WallPlace } from '../wall.ts';
import type { Contents, Row } from '../item.ts';
import type { FastenedBy, Fit, SlotExit } from '../joinery.ts';

export interface ScrewChoice {
  readonly screw: string;
  readonly length: Entered;
}

/** What holds joints beside, or instead of, glue. */
export interface AssemblyChoice extends ScrewChoice {
  readonly by: FastenedBy;
  readonly perJoint: number;
  /** Edges are predrilled for every fastener. */
  readonly pilot: boolean;
  /** Side of a level part its pocket holes are on; hidden takes the side out of sight. */
  readonly pocketsOn: 'hidden' | 'under' | 'upper';
}

/** Finish of the surfaces, and when it is applied. */
export interface FinishChoice {
  readonly kind: 'none' | 'oil' | 'varnish' | 'paint' | 'stain';
  readonly when: 'before' | 'after';
  /** Glue surfaces and squeeze-out areas are taped off. */
  readonly masked: boolean;
}

export interface HangingChoice {
  /**
   * On a cleat outside the back or recessed behind it; screwed through its hanging rail (a fold-down's backboard) into the studs; or that rail hung by
   * keyhole plates.
   */
  readonly kind: HangingKind;
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
  /** Inset of the wall cleat's ends from those of the cabinet cleat; negative extends past the cabinet. */
  readonly leftInset: Entered;
  readonly rightInset: Entered;
  readonly spacer: { readonly stock: string; readonly height: Entered } | null;
  readonly wallScrew: ScrewChoice & { readonly upper: number; readonly lower: number };
  readonly cabinetScrew: ScrewChoice & { readonly count: number };
  readonly antiLift: boolean;
  /** The wall rail it hangs on; null for a wall cleat of its own. */
  readonly wallRail: string | null;
  /** Distance of a second beveled cleat below the first, in place of the spacer; null for none. */
  readonly lowerCleat: Entered | null;
  /** The cabinet cleat of an outside cleat in this many brackets of this length; null for one piece. */
  readonly brackets: { readonly count: number; readonly length: Entered } | null;
  /** Notch in the wall cleat's lower edge, `at` from its left end: around an outlet, a pipe, another rail. */
  readonly notch: { readonly at: Entered; readonly length: Entered; readonly depth: Entered } | null;
  /** Keyhole plates: rating of one, 0 where unknown, and the projection of the screw heads. */
  readonly plate: { readonly ratedKg: number; readonly proud: Entered };
  /** Screwed through, it is also bolted to floor or ceiling, as a moving wall requires; null for not. */
  readonly second: { readonly plane: 'top' | 'bottom'; readonly count: number; readonly ratedN: number } | null;
  /** Seating allowance; null takes what the first hang showed, or zero. */
  readonly seats: Entered | null;
  /** Cleat and spacer are shimmed where the wall bows. */
  readonly shimmed: boolean;
}

/** What opens in front of it; its swing is kept free on the wall. */
export type Front = 'open' | 'door-left' | 'door-right' | 'doors' | 'drawers' | 'lid-up' | 'flap-down';

export const UNDER = ['nothing', 'seat', 'bed', 'cot', 'cooker'] as const;
export type Under = (typeof UNDER)[number];

/** A loose holder in a space of the cabinet (inserts.ts). */
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
  /** Number of holes, slots, pegs or leaves side by side; rows of holes from rear to front. */
  readonly count: number;
  readonly rows: number;
  /** Size across; growth of each next one. */
  readonly size: Entered;
  readonly step: Entered;
  readonly clearance: Entered;
  /** Depth of holes and slots; null for through. */
  readonly deep: Entered | null;
}

/** Along a part's length, across it, or either (painted work). */
export type GrainChoice = 'length' | 'width' | 'free';

export interface SpecBase {
  readonly id: string;
  readonly family: string;
  readonly name: string;
  readonly order: number;
  readonly unit: DisplayUnit;
  /** Outer size of the carcass. A family without such a field derives it, and ignores this. */
  readonly width: Entered;
  readonly height: Entered;
  /** Of the carcass with its back; the gap of an outside cleat is added. */
  readonly depth: Entered;
  readonly stock: string;
  /** Grain of parts chosen by a person, by their id without the cabinet's: 'shelf/s1'. Others have their family's. */
  readonly grains?: Readonly<Record<string, GrainChoice>>;
  readonly jointDepth: Entered;
  readonly fit: Fit;
  readonly glue: boolean;
  readonly assembly: AssemblyChoice;
  /** Ends of stopped slots: as routed, or chiseled square. */
  readonly stopEnds: 'round' | 'square';
  /** Slots before or after slopes, tapers and curves remove the square edges. */
  readonly cutFirst: 'slots' | 'shape';
  /** Protection against tear-out where a slot breaks a visible edge: a backing board, a strip left wide and ripped afterward, none. */
  readonly slotExit: SlotExit;
  readonly finish: FinishChoice;
  /** Thickness of the band on front edges; null for bare edges. */
  readonly band: Entered | null;
  readonly hanging: HangingChoice;
  /** By the name of the space: 'bottom', a shelf's id, a divider's. */
  readonly contents: Readonly<Record<string, Contents>>;
  /** Rows of items side by side on its floors. */
  readonly rows: Readonly<Record<string, Row>>;
  readonly front: Front;
  /** Items are put on top of the cabinet. */
  readonly topLoaded: boolean;
  /** Loose inserts in its spaces. */
  readonly inserts: Readonly<Record<string, Insert>>;
  readonly place: WallPlace;
  /** What is below it, where people rest or cook. */
  readonly over: Under;
}

/** On a cleat outside the back with a spacer, or recessed behind an inset back; screwed through; or by keyhole plates on screw heads. */
export type HangingKind = 'outside' | 'recessed' | 'through' | 'plates';
