/** Spec of a cabinet run: boxes, benches and bridges side by side. */
import type { Entered } from '../../length/entered.ts';
import type { Front } from './spec-base.ts';
import type { Shelled } from './shell.ts';
import type { DoorChoice } from './doors.ts';

export interface RunPart {
  readonly id: string;
  readonly order: number;
  /** open: kept free. */
  readonly kind: 'box' | 'open';
  /** Null shares the rest. */
  readonly width: Entered | null;
  /** A box lower than the run hangs from its top. */
  readonly height: Entered | null;
  readonly shelves: number;
  readonly front: Front;
  /** Height of a box under it that stands on the floor, with its support; null for none. */
  readonly lower: Entered | null;
  readonly lowerShelves: number;
  readonly lowerFront: Front;
  /** Across a free stretch: underside of a shelf below the run's top; null for none. */
  readonly bridge: Entered | null;
}

export interface CabinetRun extends Shelled {
  readonly family: 'cabinet-run';
  readonly shelfJoint: 'butt' | 'dado';
  readonly doors: DoorChoice;
  /** Fillers at the ends, scribed to the walls. */
  readonly fillerLeft: Entered | null;
  readonly fillerRight: Entered | null;
  readonly endPanels: boolean;
  /** Under lower boxes. */
  readonly stand: 'feet' | 'toe';
  readonly standHeight: Entered;
  /** For lower boxes; null for the run's own. */
  readonly lowerDepth: Entered | null;
  /** For every drawer in it. */
  readonly slides: { readonly length: Entered; readonly clearance: Entered; readonly ratedKg: number };
  readonly parts: Readonly<Record<string, RunPart>>;
}
