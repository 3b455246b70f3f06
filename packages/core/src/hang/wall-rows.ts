/** Positions of the screws in the wall cleat or, screwed through, in the rail or backboard. */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Wall } from '../model/wall.ts';
import { groundOf } from './grounds.ts';

/** Screw rows of the wall cleat above its lower edge, mm. The highest and lowest stand 2.5 diameters from the ends of the short face. */
export interface WallRows {
  readonly topMm: number;
  readonly lowMm: number;
  readonly upper: number;
  readonly lower: number;
}

/** Edge distance, in diameters; from 1/4 in up the loaded edge governs. [NDS commentary (m)] */
const EDGE_DISTANCE = ASSUMED.edgeDistance.value;
const EDGE_DISTANCE_THICK = ASSUMED.edgeDistanceThick.value;
/** Least distance of a wall screw from the short face's edges, mm. */
export function edgeDistanceMm({ hanging }: ResolvedCabinet): number {
  const { diameterMm } = screwById(hanging.wallScrew.screw);
  return (diameterMm >= 6.35 ? EDGE_DISTANCE_THICK : EDGE_DISTANCE) * diameterMm;
}

/**
 * The rows as they count. Two plugs or anchors of one row stand under ten of their diameters apart, as two screws in a stud do: their breakout cones
 * overlap, so the pair counts as one. docs/formulas/other-grounds.md
 */
export function countedRows(cabinet: ResolvedCabinet, wall: Pick<Wall, 'structure' | 'fixing'>): WallRows {
  const rows = wallRows(cabinet);
  const ground = groundOf(wall);
  return ground === 'masonry' || ground === 'anchors' ? { ...rows, upper: Math.min(1, rows.upper), lower: Math.min(1, rows.lower) } : rows;
}

export function wallRows(cabinet: ResolvedCabinet): WallRows {
  const { hanging } = cabinet;
  const edge = edgeDistanceMm(cabinet);
  const short = toMm(hanging.shortFace);
  // A plate sits in the middle of the part it is let into.
  if (hanging.plate) return { topMm: Math.round(short / 2), lowMm: Math.round(short / 2), upper: 1, lower: 0 };
  return { topMm: Math.max(0, Math.floor(short - edge)), lowMm: Math.ceil(edge), upper: hanging.wallScrew.upper, lower: hanging.wallScrew.lower };
}
