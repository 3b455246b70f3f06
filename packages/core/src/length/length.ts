/** A length in whole nanometers: 0.001 mm and 1/64 in (396 875 nm) are both exact, so sums never drift. Every measurement of wood in the program is one. */
export type Length = number & { readonly unit: 'nm' };

export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';
/** Display units of a length. */
export type DisplayUnit = 'mm' | 'in';

export const NM_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 1_000_000,
  cm: 10_000_000,
  m: 1_000_000_000,
  in: 25_400_000,
  ft: 304_800_000,
};

/** Largest length accepted: 100 m. Keeps products of two lengths in mm well inside a double. */
export const LONGEST = 100_000_000_000;

/** Tolerance of tilted geometry; axis-aligned geometry agrees exactly. 1 micrometer. */
export const AUDIT_TOLERANCE = 1000 as Length;

/**
 * A Length from a number of nanometers.
 * @throws RangeError when it is not whole or beyond 100 m
 */
export function nanometers(nm: number, text = `${nm} nm`): Length {
  if (!Number.isSafeInteger(nm)) throw new RangeError(`${text} is not a whole number of nanometres`);
  if (Math.abs(nm) > LONGEST) throw new RangeError(`${text} is longer than 100 m`);
  return nm as Length;
}

/** Rounds millimeters to whole nanometers. For results of trigonometry only: typed text goes through parseLength. */
export const roundToNm = (millimetres: number): Length => nanometers(Math.round(millimetres * NM_PER.mm) + 0, `${millimetres} mm`);

export const mm = (n: number): Length => nanometers(Math.round(n * 1000) * 1000, `${n} mm`);
export const inches = (n: number): Length => nanometers(n * NM_PER.in, `${n} in`);
export const toMm = (length: Length): number => length / NM_PER.mm;
export const toInches = (length: Length): number => length / NM_PER.in;
export const ZERO = 0 as Length;
