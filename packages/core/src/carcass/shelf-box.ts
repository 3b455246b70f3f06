/** The shelf box as a person decides it: the everyday wall cabinet. What follows from these is made in shelf-box-build.ts. */
import type { Contents } from '../contents/presets.ts';
import type { Row } from '../contents/row.ts';
import type { Fit } from '../joints/fits.ts';
import type { Entered } from '../length/entered.ts';
import { entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { JointKind } from '../solid/meeting.ts';
import type { Place } from '../wall/wall.ts';

export interface ShelfElement {
  readonly id: string;
  /** Counted from the bottom; elements keep their id when this changes. */
  readonly order: number;
  /** Underside above the inside floor; null shares the space evenly with its neighbours. */
  readonly at: Entered | null;
}

/** How the top or the bottom meets the sides. */
export interface EndJoint {
  /** between: the sides run through. over: this panel runs over the sides' ends. */
  readonly runs: 'between' | 'over';
  readonly joint: JointKind;
  /** Between, in a dado: how far it stands in from the sides' ends. */
  readonly lip: Entered;
}

export interface ScrewChoice {
  readonly screw: string;
  readonly length: Entered;
}

export interface HangingChoice {
  readonly kind: 'outside' | 'recessed';
  /** Product the cleat is ripped from. */
  readonly stock: string;
  readonly boardWidth: Entered;
  /** Blade tilt from square. */
  readonly bevelDeg: number;
  /** Cabinet half's top below the unit's top (outside) or below the inside of the top (recessed). */
  readonly drop: Entered;
  /** Height of the hanging rail inside the back; null for none. */
  readonly rail: Entered | null;
  /** Screws through each side into the rail's ends, of the assembly screw. */
  readonly railScrews: number;
  /** Ends of the wall half, in from the ends of the cabinet half; negative runs on past the unit. */
  readonly leftInset: Entered;
  readonly rightInset: Entered;
  readonly spacer: { readonly stock: string; readonly height: Entered } | null;
  readonly wallScrew: ScrewChoice & { readonly upper: number; readonly lower: number };
  readonly cabinetScrew: ScrewChoice & { readonly count: number };
  readonly antiLift: boolean;
  /** The wall rail it hangs on; null for a wall half of its own. */
  readonly wallRail: string | null;
  /** A second bevelled cleat so far below the first, in place of the spacer; null for none. */
  readonly lowerCleat: Entered | null;
  /** Cleat and spacer are shimmed where the wall bows. */
  readonly shimmed: boolean;
}

/** What will open in front of it; the space it sweeps is kept free on the wall. */
export type Front = 'open' | 'door-left' | 'door-right' | 'doors' | 'drawers';

export interface ShelfBox {
  readonly id: string;
  readonly family: 'shelf-box';
  readonly name: string;
  readonly order: number;
  readonly unit: DisplayUnit;
  readonly width: Entered;
  readonly height: Entered;
  /** Of the carcass with its back; the gap of an outside cleat comes on top. */
  readonly depth: Entered;
  readonly stock: string;
  readonly top: EndJoint;
  readonly bottom: EndJoint;
  readonly shelfJoint: 'butt' | 'dado';
  readonly jointDepth: Entered;
  readonly fit: Fit;
  readonly glue: boolean;
  readonly assembly: ScrewChoice & { readonly perJoint: number };
  readonly shelves: Readonly<Record<string, ShelfElement>>;
  readonly back: { readonly kind: 'rabbet' | 'over' | 'none'; readonly stock: string; readonly rabbetDepth: Entered };
  /** Thickness of the band on front edges; null for bare edges. */
  readonly band: Entered | null;
  readonly hanging: HangingChoice;
  /** By the element things stand on: 'bottom' or a shelf's id. */
  readonly contents: Readonly<Record<string, Contents>>;
  /** Rows of things side by side, worked out for one of its floors. */
  readonly rows: Readonly<Record<string, Row>>;
  readonly front: Front;
  /** Things are put on top of the unit. */
  readonly topLoaded: boolean;
  readonly place: Place;
}

export const shelvesInOrder = (box: ShelfBox): ShelfElement[] => Object.values(box.shelves).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** What the three questions of a new cabinet settle. */
export interface NewShelfBox {
  readonly id: string;
  readonly name: string;
  readonly order: number;
  readonly unit: DisplayUnit;
  readonly width: Entered;
  readonly height: Entered;
  readonly depth: Entered;
  readonly stock: string;
  readonly backStock: string;
  readonly shelves: number;
  readonly contents: Contents;
  readonly place: Place;
}

/** A sound box to start from: bottom in a dado with a lip under it, back in a rabbet, cleat outside with a spacer, hanging rail. */
export function newShelfBox({ shelves, backStock, contents, stock, unit, ...rest }: NewShelfBox): ShelfBox {
  const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
  const screw = (metric: string, metricLength: string, numbered: string, inchLength: string): ScrewChoice =>
    unit === 'mm' ? { screw: metric, length: entered(metricLength) } : { screw: numbered, length: entered(inchLength) };
  const elements = Array.from({ length: shelves }, (_, index): ShelfElement => ({ id: `s${index + 1}`, order: index + 1, at: null }));
  return {
    ...rest,
    family: 'shelf-box',
    unit,
    stock,
    top: { runs: 'between', joint: 'rabbet', lip: pick('0 mm', '0 in') },
    bottom: { runs: 'between', joint: 'dado', lip: pick('15 mm', '5/8 in') },
    shelfJoint: 'dado',
    jointDepth: pick('6 mm', '1/4 in'),
    fit: 'push',
    glue: true,
    assembly: { ...screw('4mm', '50 mm', '#8', '2 in'), perJoint: 0 },
    shelves: Object.fromEntries(elements.map((element) => [element.id, element])),
    back: { kind: 'rabbet', stock: backStock, rabbetDepth: pick('8 mm', '5/16 in') },
    band: null,
    hanging: {
      kind: 'outside',
      stock,
      boardWidth: pick('150 mm', '6 in'),
      bevelDeg: 45,
      drop: pick('0 mm', '0 in'),
      rail: pick('90 mm', '3 1/2 in'),
      railScrews: 4,
      leftInset: pick('0 mm', '0 in'),
      rightInset: pick('0 mm', '0 in'),
      spacer: { stock, height: pick('60 mm', '2 1/2 in') },
      wallScrew: { ...screw('5mm', '80 mm', '#10', '3 in'), upper: 2, lower: 1 },
      cabinetScrew: { ...screw('5mm', '35 mm', '#8', '1 1/2 in'), count: 10 },
      antiLift: true,
      wallRail: null,
      lowerCleat: null,
      shimmed: false,
    },
    contents: Object.fromEntries(['bottom', ...elements.map(({ id }) => id)].map((id) => [id, contents])),
    rows: {},
    front: 'open',
    topLoaded: false,
  };
}
