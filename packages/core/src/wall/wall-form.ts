/** Limits of the wall's fields, shared by forms and the file reader. */
import { mm, type Length } from '../length/length.ts';

/** Note of an override: who is responsible, and why. */
export const NOTE = { least: 10, most: 300 } as const;

const row = (least: number, most: number): { readonly least: Length; readonly most: Length } => ({ least: mm(least), most: mm(most) });

export const WALL_LIMITS = {
  width: row(200, 50_000),
  ceiling: row(500, 20_000),
  fall: row(-2000, 2000),
  covering: row(0, 200),
  'studs.spacing': row(50, 3000),
  'studs.offset': row(-3000, 50_000),
  'studs.width': row(20, 300),
  'studs.depth': row(20, 400),
  along: row(-5000, 50_000),
  up: row(-500, 20_000),
  size: row(0, 50_000),
  out: row(0, 3000),
  off: row(-100, 200),
  baseboard: row(0, 600),
  'fixing.every': row(60, 1200),
  'fixing.metal': row(0.3, 3),
  'rail.boardWidth': row(60, 400),
  'rail.piece': row(200, 20_000),
} as const;

export const OPENS_DEG = { least: 0, most: 180 } as const;
export const PERSON_HEIGHT = row(900, 2300);
export const MOST = { things: 200, marks: 400, looked: 200, bowLines: 20, readings: 200, rails: 40 } as const;
