/** Placement of cabinets: over studs and clear of everything, centered, aligned, spread; and snapping of a drag. */
import { NM_PER, type Length } from '../length/length.ts';
import { freeRectangles, obstacles, wholeWall, type Clearances } from './free-space.ts';
import { blocksCabinets, floorAt, lowestCeiling, mustBeReached, overlap, thingRect, type WallBlock, type WallRect } from './placed.ts';
import { studCentres } from './studs.ts';
import { sweeps, swingOf } from './swing.ts';
import { thingsInOrder, type Wall } from '../model/wall.ts';
import { bandAt, cableBands, drillState } from './zones.ts';

/** Wall screw positions in a cabinet, nm: heights of their rows above its bottom, and least distance of a stud from its ends. */
export interface ScrewPlaces {
  readonly rows: readonly number[];
  readonly end: number;
}

/** A cabinet to place: its size, depth and wall screw positions, all nm. */
export interface PlaceWish extends ScrewPlaces {
  readonly width: number;
  readonly height: number;
  readonly out: number;
  /** Desired height of its bottom. */
  readonly up: number;
}

export interface Proposal {
  readonly along: Length;
  readonly up: Length;
  readonly studs: number;
  /** Screws in a cable band. */
  readonly inBands: number;
}

const STEP = 5 * NM_PER.mm;

/** Places for a cabinet, best first: two studs or more, screws outside cable bands, near the desired height, centered on its studs. */
export function proposePlaces(wall: Wall, blocks: readonly WallBlock[], wanted: PlaceWish, clear: Clearances): Proposal[] {
  const bounds = wholeWall(wall, clear);
  const free = freeRectangles(bounds, obstacles(wall, blocks, wanted.out, clear), wanted);
  const studs = studCentres(wall);
  const centred = centredOn(studs, wanted);
  const bands = cableBands(wall);
  const proposals: (Proposal & { readonly cost: number })[] = [];
  for (const room of free) {
    const up = Math.min(Math.max(wanted.up, room.bottom), room.top - wanted.height);
    for (const left of lefts(room, wanted.width, centred)) {
      const behind = studs.filter((at) => at >= left + wanted.end && at <= left + wanted.width - wanted.end);
      const inBands = behind.reduce((sum, at) => sum + wanted.rows.filter((row) => drillState(wall, at, up + row, bands) === 'never').length, 0);
      const middle = behind.length > 0 ? (behind[0]! + behind.at(-1)!) / 2 : Infinity;
      const off = behind.length > 0 ? Math.abs(middle - left - wanted.width / 2) / NM_PER.mm : 500;
      const cost = (behind.length < 2 ? 10_000 : 0) + inBands * 2000 + Math.abs(up - wanted.up) / NM_PER.mm + off - 40 * Math.min(3, behind.length);
      proposals.push({ along: left as Length, up: Math.round(up) as Length, studs: behind.length, inBands, cost });
    }
  }
  return proposals.sort((a, b) => a.cost - b.cost || a.along - b.along).map(({ cost: _cost, ...proposal }) => proposal);
}

/** Left ends that center a cabinet on each pair of studs, in order. */
function centredOn(studs: readonly number[], { width, end }: Pick<PlaceWish, 'width' | 'end'>): number[] {
  const whole = (left: number): number => Math.round(left / STEP) * STEP;
  const centred = studs.flatMap((a, i) => studs.slice(i + 1).flatMap((b) => (b - a <= width - 2 * end ? [whole((a + b) / 2 - width / 2)] : [])));
  return [...new Set(centred)].sort((a, b) => a - b);
}

/** Left ends to try in a free rectangle: its ends, its middle, and positions centered on studs. */
function lefts(room: WallRect, width: number, centred: readonly number[]): number[] {
  const [first, last] = [room.left, room.right - width];
  return [...new Set([first, last, Math.round((first + last) / 2), ...centred.filter((left) => left > first && left < last)])];
}

/**
 * The nearest collision-free place of a block, over two studs where possible; null when none aligns with existing edges. Fast enough for every collision on
 * every keystroke: it tries its own height first, and others only when that has no room.
 */
export function nearestPlace(wall: Wall, others: readonly WallBlock[], block: WallBlock, { rows, end }: ScrewPlaces, above: number): Proposal | null {
  const [width, height] = [block.right - block.left, block.top - block.bottom];
  const things = thingsInOrder(wall).filter((thing) => (blocksCabinets(thing) && thing.kind !== 'side-door') || mustBeReached(thing));
  const taken: WallRect[] = [...others, ...things.map(thingRect)];
  const swings = thingsInOrder(wall).flatMap((thing) => swingOf(thing, wall) ?? []);
  const studs = studCentres(wall);
  const bands = cableBands(wall);
  const low = Math.max(floorAt(wall, 0), floorAt(wall, wall.width.nm), wall.baseboard.height.nm);
  const ends = [
    0,
    wall.width.nm - width,
    ...taken.flatMap(({ left, right }) => [left - width, right]),
    ...swings.flatMap(({ along, radius }) => [along + radius, along - radius - width]),
  ];
  const alongs = [...new Set([...ends, ...centredOn(studs, { width, end })])].filter((left) => left >= 0 && left + width <= wall.width.nm);
  const clearAt = (left: number, bottom: number): Proposal | null => {
    const here = { left, right: left + width, bottom, top: bottom + height, out: block.out };
    if (bottom < low || here.top > lowestCeiling(wall, here) - above) return null;
    if (taken.some((rect) => overlap(here, rect)) || swings.some((sector) => sweeps(sector, here))) return null;
    const behind = studs.filter((at) => at >= left + end && at <= here.right - end);
    const inBands = behind.reduce((sum, at) => sum + rows.filter((row) => bandAt(bands, at, bottom + row) !== null).length, 0);
    return { along: left as Length, up: bottom as Length, studs: behind.length, inBands };
  };
  const cost = ({ along, up, studs: behind, inBands }: Proposal): number =>
    Math.abs(along - block.left) + 2 * Math.abs(up - block.bottom) + (behind < 2 ? 5000 * NM_PER.mm : 0) + inBands * 1000 * NM_PER.mm;
  const bestOf = (ups: readonly number[]): Proposal | null => {
    let best: Proposal | null = null;
    for (const up of ups) {
      for (const along of alongs) {
        const found = clearAt(along, up);
        if (found && (!best || cost(found) < cost(best))) best = found;
      }
    }
    return best;
  };
  const level = bestOf([block.bottom]);
  if (level && level.studs >= 2) return level;
  const ups = [low, lowestCeiling(wall, { left: 0, right: wall.width.nm }) - above - height, ...taken.flatMap(({ bottom, top }) => [top, bottom - height])];
  return bestOf([...new Set([block.bottom, ...ups])]) ?? level;
}

/** Centered between two edges. */
export const centredBetween = (from: number, to: number, width: number): Length => Math.round((from + to - width) / 2) as Length;

/** Left ends of cabinets spread over a stretch with equal gaps, each rounded from the whole. Gaps may be negative where they do not fit. */
export function spread(from: number, to: number, widths: readonly number[]): Length[] {
  const free = to - from - widths.reduce((sum, width) => sum + width, 0);
  let before = 0;
  return widths.map((width, index) => {
    const at = from + before + Math.round((free * (index + 1)) / (widths.length + 1));
    before += width;
    return at as Length;
  });
}

export type SnapTo = 'stud' | 'edge' | 'rail' | 'wall';

export interface Snap {
  readonly at: Length;
  readonly to: SnapTo | null;
}

export interface SnapTarget {
  readonly at: number;
  readonly to: SnapTo;
}

/** The nearest snap target of one of the moving edges; `at` is the new position of the first edge. */
export function snap(at: number, edges: readonly number[], targets: readonly SnapTarget[], reach: number): Snap {
  let best: Snap = { at: at as Length, to: null };
  let least = reach;
  for (const edge of edges) {
    for (const target of targets) {
      const off = Math.abs(at + edge - target.at);
      if (off <= least) [best, least] = [{ at: (target.at - edge) as Length, to: target.to }, off - 1e-6];
    }
  }
  return best;
}
