/** How a wall bows along level lines, and what to put behind a cleat and a spacer at each stud. docs/formulas/bow.md */
import { toMm, type Length } from '../length/length.ts';
import type { BowLine, Wall } from './wall.ts';

/** A wall may bow so much along a cleat before it must be shimmed: 1 mm in 300, 3 mm in all. [A] */
export const BOW_SHARE = 1 / 300;
export const BOW_MOST_MM = 3;
/** A unit racks when cleat and spacer lie on lines that are turned against each other by more. [A] */
export const RACK_MM = 1;

interface Reading {
  readonly along: number;
  readonly off: number;
}

const readingsOf = ({ readings }: BowLine): Reading[] =>
  Object.values(readings)
    .map(({ along, off }) => ({ along: along.nm as number, off: off.nm as number }))
    .sort((a, b) => a.along - b.along);

/** From the string to the wall at a place, straight between readings and level past the last. Null without two readings. */
export function offAt(line: BowLine, along: number): number | null {
  const rows = readingsOf(line);
  if (rows.length < 2) return null;
  const after = rows.findIndex((row) => row.along >= along);
  if (after === 0) return rows[0]!.off;
  if (after < 0) return rows.at(-1)!.off;
  const [a, b] = [rows[after - 1]!, rows[after]!];
  return b.along === a.along ? b.off : a.off + ((b.off - a.off) * (along - a.along)) / (b.along - a.along);
}

/** The wall's face at a place and height, nm behind the strings: straight between the lines above and below, the nearest beyond. Null without a line. */
export function wallFace(wall: Pick<Wall, 'bow'>, along: number, up: number): number | null {
  const lines = Object.values(wall.bow)
    .flatMap((line) => {
      const off = offAt(line, along);
      return off === null ? [] : [{ up: line.up.nm as number, off }];
    })
    .sort((a, b) => a.up - b.up);
  const over = lines.findIndex((line) => line.up >= up);
  if (lines.length === 0) return null;
  if (over === 0) return lines[0]!.off;
  if (over < 0) return lines.at(-1)!.off;
  const [a, b] = [lines[over - 1]!, lines[over]!];
  return b.up === a.up ? b.off : a.off + ((b.off - a.off) * (up - a.up)) / (b.up - a.up);
}

export interface Shim {
  readonly along: Length;
  readonly thickness: Length;
}

export interface Shims {
  readonly cleat: readonly Shim[];
  readonly spacer: readonly Shim[];
  /** Most that the wall is off the straight line between the cleat's ends; and what is allowed unshimmed. */
  readonly bow: Length;
  readonly allowed: Length;
  /** How much cleat and spacer are turned against each other over the unit's width. */
  readonly rack: Length;
}

/** Places a cleat bears: its ends and every stud it crosses. */
export interface Bearing {
  readonly left: number;
  readonly right: number;
  readonly studs: readonly number[];
  readonly cleatUp: number;
  readonly spacerUp: number;
}

/** Shims behind cleat and spacer so that both lie in one plane; null where nobody measured the wall. */
export function shimsFor(wall: Pick<Wall, 'bow'>, { left, right, studs, cleatUp, spacerUp }: Bearing): Shims | null {
  const face = (along: number, up: number): number => wallFace(wall, along, up)!;
  if (wallFace(wall, left, cleatUp) === null) return null;
  // The points a straight board touches are the ones nearest to the room: everything else is filled up to the line over them.
  const line = (places: readonly number[], up: number): Shim[] => {
    const least = Math.min(...places.map((along) => face(along, up)));
    return places.map((along) => ({ along: along as Length, thickness: Math.round(face(along, up) - least) as Length }));
  };
  const places = studs.length > 0 ? studs : [left, right];
  const samples = [...Array.from({ length: 33 }, (_, k) => left + ((right - left) * k) / 32), ...studs.filter((at) => at > left && at < right)];
  const [start, end] = [face(left, cleatUp), face(right, cleatUp)];
  const chord = (along: number): number => start + ((end - start) * (along - left)) / (right - left || 1);
  const bow = samples.reduce((most, along) => Math.max(most, Math.abs(face(along, cleatUp) - chord(along))), 0);
  const allowed = Math.min(BOW_MOST_MM, toMm((right - left) as Length) * BOW_SHARE) * 1e6;
  const rack = Math.abs(face(left, cleatUp) - face(right, cleatUp) - (face(left, spacerUp) - face(right, spacerUp)));
  return {
    cleat: line(places, cleatUp),
    spacer: line(places, spacerUp),
    bow: Math.round(bow) as Length,
    allowed: Math.round(allowed) as Length,
    rack: Math.round(rack) as Length,
  };
}
