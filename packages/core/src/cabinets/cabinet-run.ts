/**
 * The cabinet run: boxes side by side in a fixed width on one cleat, with free stretches, a shelf that bridges them, fillers to the walls and end panels.
 * Each box is a shelf box.
 */
import type { Entered } from '../length/entered.ts';
import type { DoorChoice } from './doors.ts';
import { newShelfBox } from './shelf-box.ts';
import { newShell, type Shelled } from './shell.ts';
import { newBase, pick, type Front, type NewSpec } from './spec-base.ts';

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

export const newRunPart = (id: string, order: number, kind: RunPart['kind'] = 'box'): RunPart => ({
  id,
  order,
  kind,
  width: null,
  height: null,
  shelves: 1,
  front: 'open',
  lower: null,
  lowerShelves: 1,
  lowerFront: 'doors',
  bridge: null,
});

export function newCabinetRun(start: NewSpec): CabinetRun {
  const { unit, stock, backStock } = start;
  const gap: RunPart = { ...newRunPart('g1', 2, 'open'), width: pick(unit, '400', '16'), bridge: pick(unit, '250', '10') };
  const parts = [newRunPart('c1', 1), gap, newRunPart('c2', 3)];
  const { doors } = newShelfBox({ ...start, shelves: 0 });
  return {
    ...newBase('cabinet-run', start, ['c1', 'c2', 'g1']),
    ...newShell(unit, backStock),
    shelfJoint: 'dado',
    doors: { ...doors, stock },
    fillerLeft: null,
    fillerRight: null,
    endPanels: false,
    stand: 'feet',
    standHeight: pick(unit, '100', '4'),
    lowerDepth: null,
    slides: { length: pick(unit, '250', '10'), clearance: pick(unit, '12.7', '1/2'), ratedKg: 25 },
    parts: Object.fromEntries(parts.map((part) => [part.id, part])),
  };
}
