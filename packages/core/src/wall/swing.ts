/**
 * Swings: the sector a door sweeps in plan, against blocks on the wall. In plan, `along` runs to the right and `out` into the room; angles are from the
 * direction of `along`, turning out of the wall. Exact up to floating point; the tests compare it with sampled points.
 */
import type { Wall, WallThing } from '../model/wall.ts';

export interface Sector {
  readonly along: number;
  readonly out: number;
  readonly radius: number;
  readonly fromDeg: number;
  readonly toDeg: number;
  readonly bottom: number;
  readonly top: number;
  /** Handle along the fully open leaf: its projection, and its side, 1 for counterclockwise. */
  readonly handle?: { readonly deep: number; readonly openDeg: number; readonly beyond: 1 | -1 };
}

/** Block in plan: from the wall (0) out. */
export interface PlanBlock {
  readonly left: number;
  readonly right: number;
  readonly out: number;
  readonly bottom: number;
  readonly top: number;
}

/** A hundredth of a square micrometer: less is rounding. */
const TOUCHING_NM2 = 1e4;

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** The sector a room door sweeps, with its handle; null for what does not swing. */
export function swingOf(thing: WallThing, wall: Pick<Wall, 'width'>): Sector | null {
  const radius = thing.width.nm;
  if (radius <= 0 || thing.hinge === 'none' || (thing.kind !== 'door' && thing.kind !== 'side-door')) return null;
  const turn = thing.opensDeg;
  const heights = { bottom: thing.up.nm, top: thing.up.nm + thing.height.nm };
  if (thing.kind === 'door') {
    return thing.hinge === 'left'
      ? { along: thing.left.nm, out: 0, radius, fromDeg: 0, toDeg: Math.min(180, turn), ...heights, ...handleOf(thing, turn, 1) }
      : { along: thing.left.nm + radius, out: 0, radius, fromDeg: Math.max(0, 180 - turn), toDeg: 180, ...heights, ...handleOf(thing, 180 - turn, -1) };
  }
  // In the side wall: closed it lies along that wall, pointing into the room, and opens toward this one.
  return thing.hinge === 'left'
    ? { along: 0, out: thing.out.nm, radius, fromDeg: 90 - turn, toDeg: 90, ...heights, ...handleOf(thing, 90 - turn, -1) }
    : { along: wall.width.nm, out: thing.out.nm, radius, fromDeg: 90, toDeg: 90 + turn, ...heights, ...handleOf(thing, 90 + turn, 1) };
}

/** The handle's position on the leaf is unknown: it counts along the whole leaf. */
const handleOf = ({ handle }: Pick<WallThing, 'handle'>, openDeg: number, beyond: 1 | -1): Pick<Sector, 'handle'> =>
  handle.nm > 0 ? { handle: { deep: handle.nm, openDeg, beyond } } : {};

/** Whether a sector of at most 180 degrees and a block overlap. */
export function sweeps(sector: Sector, block: PlanBlock): boolean {
  if (block.bottom >= sector.top || block.top <= sector.bottom) return false;
  let polygon: [number, number][] = [
    [block.left - sector.along, -sector.out],
    [block.right - sector.along, -sector.out],
    [block.right - sector.along, block.out - sector.out],
    [block.left - sector.along, block.out - sector.out],
  ];
  if (meetsHandle(sector, polygon)) return true;
  const [from, to] = [rad(sector.fromDeg), rad(sector.toDeg)];
  polygon = clip(polygon, (x, y) => Math.cos(from) * y - Math.sin(from) * x);
  polygon = clip(polygon, (x, y) => Math.sin(to) * x - Math.cos(to) * y);
  // Touching does not count.
  if (polygon.length < 3 || areaOf(polygon) < TOUCHING_NM2) return false;
  return nearest(polygon) < sector.radius;
}

/** Whether the handle, a strip along the open leaf, and a polygon overlap. */
function meetsHandle({ handle, radius }: Sector, polygon: readonly [number, number][]): boolean {
  if (!handle) return false;
  const [c, s] = [Math.cos(rad(handle.openDeg)), Math.sin(rad(handle.openDeg))];
  const alongLeaf = (x: number, y: number): number => x * c + y * s;
  const past = (x: number, y: number): number => handle.beyond * (y * c - x * s);
  const inside = [alongLeaf, (x: number, y: number) => radius - alongLeaf(x, y), past, (x: number, y: number) => handle.deep - past(x, y)];
  const left = inside.reduce((cut, side) => clip(cut, side), [...polygon]);
  return left.length >= 3 && areaOf(left) >= TOUCHING_NM2;
}

/** Keeps the side of a line through the origin where `side` is not negative. */
function clip(polygon: readonly [number, number][], side: (x: number, y: number) => number): [number, number][] {
  return polygon.flatMap((here, index): [number, number][] => {
    const next = polygon[(index + 1) % polygon.length]!;
    const [a, b] = [side(...here), side(...next)];
    const cut: [number, number] = [here[0] + ((next[0] - here[0]) * a) / (a - b), here[1] + ((next[1] - here[1]) * a) / (a - b)];
    if (a >= 0) return b >= 0 ? [here] : [here, cut];
    return b >= 0 ? [cut] : [];
  });
}

const areaOf = (polygon: readonly [number, number][]): number =>
  Math.abs(polygon.reduce((sum, [x, y], i) => sum + x * polygon[(i + 1) % polygon.length]![1] - polygon[(i + 1) % polygon.length]![0] * y, 0)) / 2;

/** Distance of a convex polygon from the origin; 0 inside. */
function nearest(polygon: readonly [number, number][]): number {
  let least = Infinity;
  let inside = true;
  let turn = 0;
  polygon.forEach(([x1, y1], index) => {
    const [x2, y2] = polygon[(index + 1) % polygon.length]!;
    const [dx, dy] = [x2 - x1, y2 - y1];
    const cross = dx * -y1 - dy * -x1;
    if (turn === 0) turn = Math.sign(cross);
    else if (Math.sign(cross) !== 0 && Math.sign(cross) !== turn) inside = false;
    const t = Math.min(1, Math.max(0, -(x1 * dx + y1 * dy) / (dx * dx + dy * dy || 1)));
    least = Math.min(least, Math.hypot(x1 + t * dx, y1 + t * dy));
  });
  return inside ? 0 : least;
}
