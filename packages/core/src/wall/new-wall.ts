/** A plain new wall: empty, with studs as entered. */
import { entered, type Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import { newFixing } from './fixing.ts';
import { STRUCTURES } from './structures.ts';
import type { Wall, StructureId } from '../model/wall.ts';

export interface NewWall {
  readonly unit: DisplayUnit;
  readonly width: Entered;
  readonly ceiling: Entered;
  readonly structure?: StructureId;
  readonly covering?: Entered;
  /** Null when nobody has looked. */
  readonly spacing: Entered | null;
  readonly offset?: Entered;
}

export function newWall({ unit, width, ceiling, structure = 'timber-wallboard', covering, spacing, offset }: NewWall): Wall {
  const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
  return {
    width,
    ceiling,
    floorFall: pick('0 mm', '0 in'),
    ceilingFall: pick('0 mm', '0 in'),
    structure,
    covering: covering ?? (structure === 'timber-wallboard' ? pick('12.5 mm', '1/2 in') : entered(`${STRUCTURES[structure].coveringMm} mm`)),
    studs: {
      known: spacing !== null,
      spacing: spacing ?? pick('400 mm', '16 in'),
      offset: offset ?? pick('0 mm', '0 in'),
      width: pick('38 mm', '1 1/2 in'),
      depth: pick('89 mm', '3 1/2 in'),
      species: 'unknown',
      marks: {},
    },
    fixing: newFixing(unit),
    baseboard: { height: pick('0 mm', '0 in'), out: pick('0 mm', '0 in') },
    things: {},
    looked: {},
    bow: {},
    rails: {},
  };
}
