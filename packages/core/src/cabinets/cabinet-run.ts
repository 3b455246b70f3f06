/**
 * The cabinet run: boxes side by side in a fixed width on one cleat, with free stretches, a shelf that bridges them, fillers to the walls and end panels.
 * Each box is a shelf box.
 */
import { newShelfBox } from './shelf-box.ts';
import { newShell } from './shell.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { RunPart, CabinetRun } from '../model/specs/cabinet-run.ts';

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
