/** A flat outline with arcs between its corners. */

export interface FlatPoint {
  readonly x: number;
  readonly y: number;
}

/**
 * A corner of an outline, mm. `bulge` belongs to the side that follows: 0 for a straight one, else the tangent of a quarter of its arc, positive where it
 * turns left.
 */
export interface Corner extends FlatPoint {
  readonly bulge: number;
}
