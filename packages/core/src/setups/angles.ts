/**
 * Angles of blade, gauge and fence. Saws are marked both ways, so an angle is given as read from 0 (square) and from 90. Source:
 * docs/formulas/blade-angles.md.
 */
export interface Turned {
  /** From square. */
  readonly deg: number;
  /** The same as read where square is 90. */
  readonly from90: number;
  /** Beyond the machine's tilt: set to the complement, with the piece on edge against a tall fence. */
  readonly standing: boolean;
}

/** A bevel of `deg` from square on a saw that tilts to `most`; null when neither it nor its complement is within reach. */
export function tiltFor(deg: number, most: number): Turned | null {
  if (deg <= most + 1e-9) return { deg, from90: 90 - deg, standing: false };
  const rest = 90 - deg;
  return rest >= 0 && rest <= most + 1e-9 ? { deg: rest, from90: 90 - rest, standing: true } : null;
}

/**
 * Compound miter of a box with n equal walls that lean `slope` degrees out from upright: gauge and blade angles from square, degrees. Inverts tan gauge =
 * tan(180/n) sin slope; see the page.
 */
export function compound(sides: number, slopeDeg: number): { readonly gaugeDeg: number; readonly tiltDeg: number } {
  const half = Math.PI / sides;
  const slope = (slopeDeg * Math.PI) / 180;
  const degrees = (radians: number): number => (radians * 180) / Math.PI;
  return { gaugeDeg: degrees(Math.atan(Math.tan(half) * Math.sin(slope))), tiltDeg: degrees(Math.asin(Math.sin(half) * Math.cos(slope))) };
}
