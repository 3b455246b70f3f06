/**
 * Wood screws: [NDS App. L (m)] diameters and roots, [NDS T12L footnotes, App. I (m)] yield strengths.
 * Metric sizes take the yield strength of the wood screw with the nearest root [ASSUME, m].
 */
import { entered, type Entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { MM_PER_INCH } from '../length/constants.ts';

export interface Screw {
  readonly id: string;
  readonly name: string;
  readonly diameterMm: number;
  readonly rootMm: number;
  /** Bending yield strength F_yb. */
  readonly yieldMPa: number;
  /** Effective bearing diameter of a flat head: largest x 0.9 [ASSUME]. */
  readonly headMm: number;
  readonly unit: 'mm' | 'in';
  readonly lengths: readonly Entered[];
}

const MPA_PER_KSI = 6.89475729;

const INCH_LENGTHS = ['1', '1 1/4', '1 1/2', '1 3/4', '2', '2 1/4', '2 1/2', '3', '3 1/2', '4', '5', '6'].map((text) => entered(`${text} in`));
const METRIC_LENGTHS = [30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 120].map((length) => entered(`${length} mm`));

const numbered = (id: string, d: number, root: number, ksi: number, head: number): Screw => ({
  id,
  name: id,
  diameterMm: d * MM_PER_INCH,
  rootMm: root * MM_PER_INCH,
  yieldMPa: ksi * MPA_PER_KSI,
  headMm: head * MM_PER_INCH,
  unit: 'in',
  lengths: INCH_LENGTHS,
});
const metric = (diameterMm: number, rootMm: number, ksi: number): Screw => ({
  id: `${diameterMm.toFixed(1).replace('.0', '')}mm`,
  name: `${diameterMm.toFixed(1)} mm`,
  diameterMm,
  rootMm,
  yieldMPa: ksi * MPA_PER_KSI,
  headMm: diameterMm * 1.8,
  unit: 'mm',
  lengths: METRIC_LENGTHS,
});

export const SCREWS: readonly Screw[] = [
  numbered('#6', 0.138, 0.113, 100, 0.25),
  numbered('#8', 0.164, 0.131, 90, 0.3),
  numbered('#10', 0.19, 0.152, 80, 0.35),
  numbered('#12', 0.216, 0.171, 80, 0.39),
  numbered('#14', 0.242, 0.196, 70, 0.45),
  metric(3.5, 2.2, 100),
  metric(4, 2.5, 100),
  metric(4.5, 2.7, 100),
  metric(5, 3.1, 90),
  metric(6, 3.8, 80),
  metric(8, 5.3, 70),
];

export const SCREW_IDS: readonly string[] = SCREWS.map(({ id }) => id);

export function screwById(id: string): Screw {
  const screw = SCREWS.find((row) => row.id === id);
  if (!screw) throw new RangeError(`there is no screw '${id}'`);
  return screw;
}

/** The shortest stock length at least this long; undefined when there is none. */
export const shortestAtLeast = (screw: Screw, mm: number): Entered | undefined => screw.lengths.find(({ nm }) => toMm(nm) >= mm - 1e-9);
