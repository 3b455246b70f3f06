/** Points and directions in the cabinet frame: `along` to the right seen from the front, `up`, `out` from the wall. Nanometers. */
export interface Vector {
  readonly along: number;
  readonly up: number;
  readonly out: number;
}

export const vector = (along: number, up: number, out: number): Vector => ({ along, up, out });
export const ALONG = vector(1, 0, 0);
export const UP = vector(0, 1, 0);
export const OUT = vector(0, 0, 1);

export const dot = (a: Vector, b: Vector): number => a.along * b.along + a.up * b.up + a.out * b.out;
export const scale = (a: Vector, by: number): Vector => vector(a.along * by, a.up * by, a.out * by);
export const plusVector = (a: Vector, b: Vector): Vector => vector(a.along + b.along, a.up + b.up, a.out + b.out);
export const minusVector = (a: Vector, b: Vector): Vector => vector(a.along - b.along, a.up - b.up, a.out - b.out);
export const cross = (a: Vector, b: Vector): Vector => vector(a.up * b.out - a.out * b.up, a.out * b.along - a.along * b.out, a.along * b.up - a.up * b.along);
