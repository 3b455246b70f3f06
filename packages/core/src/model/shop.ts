/** The shop as entered: machines, cutters, jigs, clamps, labels of glue and finish, fits and repeatability. */
import type { Entered } from '../length/entered.ts';
import type { Fit } from './joinery.ts';

export type MachineKind = 'table-saw' | 'guided-saw' | 'mitre-saw' | 'radial-arm' | 'band-saw' | 'router' | 'router-table' | 'drill-press' | 'hand-drill';

/** Capabilities of a machine. A measure its kind does not have is absent; `stack` null: its arbor has no room for one. */
export interface Machine {
  readonly id: string;
  readonly order: number;
  readonly kind: MachineKind;
  readonly name: string;
  /** Kerf of its blade. */
  readonly kerf?: Entered;
  /** Greatest depth of cut. */
  readonly deep?: Entered;
  /** Greatest distance from blade or bit to the fence. */
  readonly rip?: Entered;
  /** Widest crosscut: on a sled or miter gauge, under the arm, in the throat. */
  readonly crosscut?: Entered;
  /** Longest cut along its guide. */
  readonly guide?: Entered;
  /** Greatest blade tilt from square. */
  readonly tiltDeg?: number;
  /** Direction of the tilt, as seen by the operator. */
  readonly tilts?: 'left' | 'right';
  /** Greatest turn of fence, gauge or arm from square. */
  readonly mitreDeg?: number;
  /** Widest dado stack on its arbor. */
  readonly stack?: Entered | null;
  /** Router: from the center of the bit to the edge of its base. */
  readonly base?: Entered;
}

/** A dado stack: two outer blades, chippers between them, shims for the rest. */
export interface DadoStack {
  /** Both outer blades side by side. */
  readonly outer: Entered;
  readonly chippers: readonly Entered[];
  readonly shims: readonly Entered[];
  /** Excess of the slot over the stack, from test cuts; negative when narrower. */
  readonly over: Entered;
}

export interface Bit {
  readonly id: string;
  readonly order: number;
  /** straight: flat slots. drill: round holes. forstner: wide flat-bottomed ones. */
  readonly kind: 'straight' | 'drill' | 'forstner';
  readonly diameter: Entered;
  /** Excess of its cut over its size. */
  readonly over: Entered;
}

/** The width of a slot, its depth, a part's length, the position of a slot, the setting of a hinged door. */
export type Repeatability = 'slot' | 'depth' | 'length' | 'place' | 'hinge';

/** A number of clamps with one capacity. */
export interface Clamps {
  readonly id: string;
  readonly order: number;
  readonly reach: Entered;
  readonly count: number;
}

/** Label of the glue on hand, minutes at 20 °C. */
export interface GlueLabel {
  readonly openMin: number;
  readonly clampMin: number;
  readonly cureMin: number;
  readonly leastC: number;
}

/** Label of the finish on hand, minutes at 20 °C, m² per liter. */
export interface FinishLabel {
  readonly coats: number;
  readonly recoatMin: number;
  readonly dryMin: number;
  readonly coversM2: number;
  readonly leastC: number;
}

export interface Shop {
  readonly machines: Readonly<Record<string, Machine>>;
  readonly stack: DadoStack | null;
  readonly bits: Readonly<Record<string, Bit>>;
  readonly jigs: { readonly pins: boolean; readonly pockets: boolean };
  readonly clamps: Readonly<Record<string, Clamps>>;
  /** Labels entered, by kind of glue or finish; the kind's usual values apply where absent. */
  readonly labels: { readonly glues: Readonly<Record<string, GlueLabel>>; readonly finishes: Readonly<Record<string, FinishLabel>> };
  /** Play of each fit in this shop. */
  readonly fits: Readonly<Record<Fit, Entered>>;
  /** Repeatability of its cuts: standard deviation of each. */
  readonly repeats: Readonly<Record<Repeatability, Entered>>;
  /** Trim of all four edges of a new sheet. */
  readonly trim: Entered;
  /** What fits the car lying flat; null for no limit. */
  readonly car: { readonly length: Entered; readonly width: Entered } | null;
  /** Least size of an offcut worth keeping. */
  readonly keep: { readonly length: Entered; readonly width: Entered };
  /** Weight one person lifts to shoulder height, kg. */
  readonly liftsKg: number;
}
