/** Bow of a wall along level lines, and the shims behind cleat and spacer at each stud. docs/formulas/bow.md */
import { toMm, type Length } from '../length/length.ts';
import type { BowLine, Wall } from '../model/wall.ts';

/** Bow along a cleat allowed without shims: 1 mm in 300, 3 mm in all. [A] */
export const BOW_SHARE = 1 / 300;
export const BOW_MOST_MM = 3;
/** Twist between cleat and spacer beyond which a cabinet racks. [A] */
export const RACK_MM = 1;

interface Reading {
  readonly along: number;
  readonly off: number;
}

/** Linear between rows in order of `at`, constant beyond the first and last. Null without rows. */
function between<T>(rows: readonly T[], at: number, placeOf: (row: T) => number, valueOf: (row: T) => number): number | null {
  const first = rows[0];
  if (first === undefined) return null;
  if (at <= placeOf(first)) return valueOf(first);
  for (let index = 1; index < rows.length; index++) {
    const [a, b] = [rows[index - 1]!, rows[index]!];
    const [from, to] = [placeOf(a), placeOf(b)];
    if (at > to) continue;
    return to === from ? valueOf(b) : valueOf(a) + ((valueOf(b) - valueOf(a)) * (at - from)) / (to - from);
  }
  return valueOf(rows.at(-1)!);
}

/** Readings of a line from left to right; none with fewer than two. */
function readingsOf({ readings }: BowLine): Reading[] {
  const rows = Object.values(readings)
    .map(({ along, off }) => ({ along: along.nm as number, off: off.nm as number }))
    .sort((a, b) => a.along - b.along);
  return rows.length < 2 ? [] : rows;
}

/** Distance from the string to the wall at a position: linear between readings, constant beyond the last. Null with fewer than two. */
export const offAt = (line: BowLine, along: number): number | null =>
  between(
    readingsOf(line),
    along,
    (row) => row.along,
    (row) => row.off,
  );

/** Distance of the wall's face behind the strings at a position and height, nm. */
export type WallFace = (along: number, up: number) => number;

/** The measured face of a wall: linear between the lines above and below, the nearest beyond. Null without a line. */
export function faceOf({ bow }: Pick<Wall, 'bow'>): WallFace | null {
  const lines = Object.values(bow)
    .map((line) => ({ up: line.up.nm as number, readings: readingsOf(line) }))
    .filter(({ readings }) => readings.length > 0)
    .sort((a, b) => a.up - b.up);
  if (lines.length === 0) return null;
  return (along, up) =>
    between(
      lines,
      up,
      (line) => line.up,
      ({ readings }) =>
        between(
          readings,
          along,
          (row) => row.along,
          (row) => row.off,
        )!,
    )!;
}

export interface Shim {
  readonly along: Length;
  readonly thickness: Length;
}

export interface Shims {
  readonly cleat: readonly Shim[];
  readonly spacer: readonly Shim[];
  /** Greatest deviation of the wall from the straight line between the cleat's ends, and the allowed one. */
  readonly bow: Length;
  readonly allowed: Length;
  /** Twist between cleat and spacer over the cabinet's width. */
  readonly rack: Length;
}

/** Bearing points of a cleat: its ends and every stud it crosses. */
export interface BearingPlace {
  readonly left: number;
  readonly right: number;
  readonly studs: readonly number[];
  readonly cleatUp: number;
  readonly spacerUp: number;
}

/** Shims that bring cleat and spacer into one plane. */
export function shimsFor(face: WallFace, { left, right, studs, cleatUp, spacerUp }: BearingPlace): Shims {
  // Upper hull: a straight board touches the points nearest to the room; every other point is shimmed up to the line over them.
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
