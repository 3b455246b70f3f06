/** The made-up wall behind the scanner's own wallboard: the print room's studs, a pipe, seams. Millimeters from its left end. */
export interface Echo {
  readonly at: number;
  /** Width of what is there, and how strongly it answers, 0 to 100. */
  readonly width: number;
  readonly strength: number;
}

const studs = [227, 628, 1040, 1445, 1852, 2255, 2668, 3062, 3470, 3873, 4282, 4684].map((at): Echo => ({ at, width: 38, strength: 82 }));
/** False echoes: a water pipe, and two seams of the wallboard between studs. */
const others: Echo[] = [
  { at: 2440, width: 15, strength: 70 },
  { at: 1230, width: 60, strength: 46 },
  { at: 3660, width: 55, strength: 44 },
];
export const ECHOES: readonly Echo[] = [...studs, ...others];

/** What the sensor reads at a place, before noise: each echo a bell about as wide as itself. */
export const levelAt = (at: number): number =>
  ECHOES.reduce((most, { at: middle, width, strength }) => Math.max(most, strength * Math.exp(-(((at - middle) / (0.62 * width)) ** 2))), 6);
