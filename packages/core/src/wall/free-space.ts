/** Free space on a wall: maximal free rectangles between its things, and cabinets fitted into one. */
import { NM_PER, type DisplayUnit, type Length } from '../length/length.ts';
import { blocksCabinets, floorAt, lowestCeiling, mustBeReached, overlap, thingRect, type WallBlock, type WallRect } from './placed.ts';
import { sweeps, swingOf } from './swing.ts';
import { thingsInOrder, type Wall } from '../model/wall.ts';

/** Clearances chosen by a person, nm. */
export interface Clearances {
  /** Under the ceiling, for lifting it on. */
  readonly above: number;
  /** To whatever is beside it. */
  readonly beside: number;
  /** Above the baseboard and what stands below. */
  readonly below: number;
}

/** Obstacles for a cabinet of this depth, as rectangles in elevation. */
export function obstacles(wall: Wall, blocks: readonly WallBlock[], out: number, { above, beside, below }: Clearances): WallRect[] {
  const grown = (rect: WallRect): WallRect => ({ left: rect.left - beside, right: rect.right + beside, bottom: rect.bottom - above, top: rect.top + below });
  const things = thingsInOrder(wall).filter((thing) => (blocksCabinets(thing) && thing.kind !== 'side-door') || mustBeReached(thing));
  return [...things.map((thing) => grown(thingRect(thing))), ...swungOver(wall, out), ...blocks.map(grown)];
}

const swungOn = new WeakMap<Wall, Map<number, readonly WallRect[]>>();

/** Stretches of wall that door leaves sweep closer than a cabinet's depth; equal for all cabinets of one depth. */
function swungOver(wall: Wall, out: number): readonly WallRect[] {
  const byDepth = swungOn.get(wall) ?? new Map<number, readonly WallRect[]>();
  swungOn.set(wall, byDepth);
  const known = byDepth.get(out);
  if (known) return known;
  const found = thingsInOrder(wall).flatMap((thing): WallRect[] => {
    const sector = swingOf(thing, wall);
    if (!sector) return [];
    // The stretch swept closer than the cabinet is deep, to the millimeter on the safe side.
    const step = 5 * NM_PER.mm;
    const strip = (left: number): boolean => sweeps(sector, { left, right: left + step, out, bottom: sector.bottom, top: sector.top });
    const from = sector.along - sector.radius - step;
    const hit = Array.from({ length: Math.ceil((2 * sector.radius) / step) + 2 }, (_, n) => from + n * step).filter(strip);
    return hit.length === 0 ? [] : [{ left: hit[0]!, right: hit.at(-1)! + step, bottom: sector.bottom, top: sector.top }];
  });
  byDepth.set(out, found);
  return found;
}

/** The usable wall: above the baseboard, under the ceiling. */
export function wholeWall(wall: Wall, { above, beside, below }: Clearances): WallRect {
  const ends = { left: beside, right: wall.width.nm - beside };
  const floor = Math.max(floorAt(wall, 0), floorAt(wall, wall.width.nm));
  return { ...ends, bottom: floor + wall.baseboard.height.nm + below, top: lowestCeiling(wall, ends) - above };
}

/** Maximal free rectangles, largest area first; those below the `least` width or height are left out. */
export function freeRectangles(
  bounds: WallRect,
  taken: readonly WallRect[],
  least: { readonly width: number; readonly height: number } = { width: 0, height: 0 },
): WallRect[] {
  const inside = taken.filter((rect) => overlap(rect, bounds)).sort((a, b) => a.bottom - b.bottom);
  const edges = [...new Set([bounds.left, bounds.right, ...inside.flatMap(({ left, right }) => [left, right])])]
    .filter((at) => at >= bounds.left && at <= bounds.right)
    .sort((a, b) => a - b);
  const endingAt = grouped(inside, ({ right }) => right);
  const beginningAt = grouped(inside, ({ left }) => left);
  const found: WallRect[] = [];
  for (let i = 0; i < edges.length; i++) {
    const left = edges[i]!;
    for (let k = i + 1; k < edges.length; k++) {
      const right = edges[k]!;
      if (right - left < least.width) continue;
      // As tall as possible; as wide as possible where obstacles bound it on both sides.
      const add = (bottom: number, top: number): void => {
        const isBeside = (rect: WallRect): boolean => rect.bottom < top && rect.top > bottom;
        const isHeld = (at: number, end: number, there: ReadonlyMap<number, readonly WallRect[]>): boolean =>
          at === end || (there.get(at)?.some(isBeside) ?? false);
        if (top > bottom && top - bottom >= least.height && isHeld(left, bounds.left, endingAt) && isHeld(right, bounds.right, beginningAt))
          found.push({ left, right, bottom, top });
      };
      let bottom = bounds.bottom;
      for (const rect of inside) {
        if (rect.left >= right || rect.right <= left) continue;
        add(bottom, Math.min(rect.bottom, bounds.top));
        bottom = Math.max(bottom, rect.top);
      }
      add(bottom, bounds.top);
    }
  }
  return found.sort((a, b) => areaOf(b) - areaOf(a) || a.left - b.left || a.bottom - b.bottom);
}

function grouped(rects: readonly WallRect[], key: (rect: WallRect) => number): ReadonlyMap<number, readonly WallRect[]> {
  const groups = new Map<number, WallRect[]>();
  for (const rect of rects) {
    const there = groups.get(key(rect));
    if (there) there.push(rect);
    else groups.set(key(rect), [rect]);
  }
  return groups;
}

const areaOf = ({ left, right, bottom, top }: WallRect): number => ((right - left) / NM_PER.mm) * ((top - bottom) / NM_PER.mm);

export type SharedGap = 'left' | 'right' | 'ends' | 'between';

export interface RunWish {
  readonly count: number;
  /** Width of each; null for the widest that fit. */
  readonly width: number | null;
  /** Between neighbors. */
  readonly gap: number;
  /** A gap after this many cabinets; width 0 for none. */
  readonly open: { readonly width: number; readonly after: number };
  readonly share: SharedGap;
}

export interface Run {
  readonly width: Length;
  /** Left ends, from the left. */
  readonly lefts: readonly Length[];
  /** Left end of the gap. */
  readonly openAt: Length;
  /** Remaining width; negative when the run does not fit. */
  readonly left: Length;
}

/** A run of equal cabinets in a stretch of wall, with the remainder shared out. Computed widths are whole tape steps. */
export function runIn({ left, right }: Pick<WallRect, 'left' | 'right'>, { count, width, gap, open, share }: RunWish, unit: DisplayUnit): Run {
  const after = Math.min(Math.max(0, open.after), count);
  const split = open.width > 0 && after > 0 && after < count;
  const gaps = Math.max(0, count - 1 - (split ? 1 : 0));
  const free = right - left - open.width - gaps * gap;
  const step = unit === 'mm' ? NM_PER.mm : NM_PER.in / 16;
  const each = width ?? Math.max(0, Math.floor(free / count / step) * step);
  const rest = free - count * each;
  const shared = Math.max(0, rest);
  const joints = Math.max(1, count - 1);
  const start = left + (share === 'right' ? shared : share === 'ends' ? Math.round(shared / 2) : 0);
  const lefts: Length[] = [];
  let at = start;
  let openAt = start;
  for (let n = 0; n < count; n++) {
    if (n === after) {
      openAt = at;
      at += open.width;
    }
    lefts.push(at as Length);
    at += each;
    const here = n + 1 === after && split ? 0 : gap;
    if (n + 1 < count) at += here + (share === 'between' ? Math.round((shared * (n + 1)) / joints) - Math.round((shared * n) / joints) : 0);
  }
  if (after >= count) openAt = at;
  return { width: each as Length, lefts, openAt: openAt as Length, left: rest as Length };
}
