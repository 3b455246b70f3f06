/** The room there is on a wall: largest free rectangles between what is on it, and units fitted into one. */
import { NM_PER, type DisplayUnit, type Length } from '../length/length.ts';
import { blocksUnits, floorAt, lowestCeiling, mustBeReached, overlap, thingRect, type Block, type Rect } from './placed.ts';
import { sweeps, swingOf } from './swing.ts';
import { thingsInOrder, type Wall } from './wall.ts';

/** Clearances a person asks for, nm. */
export interface Clearances {
  /** Under the ceiling, for lifting it on. */
  readonly above: number;
  /** To whatever stands beside it. */
  readonly beside: number;
  /** Over the baseboard and what stands below. */
  readonly below: number;
}

/** What a unit so deep must stay clear of, as rectangles in elevation. */
export function obstacles(wall: Wall, blocks: readonly Block[], out: number, { above, beside, below }: Clearances): Rect[] {
  const grown = (rect: Rect): Rect => ({ left: rect.left - beside, right: rect.right + beside, bottom: rect.bottom - above, top: rect.top + below });
  const things = thingsInOrder(wall).filter((thing) => (blocksUnits(thing) && thing.kind !== 'side-door') || mustBeReached(thing));
  const swings = thingsInOrder(wall).flatMap((thing): Rect[] => {
    const sector = swingOf(thing, wall);
    if (!sector) return [];
    // The stretch of wall the leaf passes over nearer than the unit is deep, found to the millimetre on the safe side.
    const step = 5 * NM_PER.mm;
    const strip = (left: number): boolean => sweeps(sector, { left, right: left + step, out, bottom: sector.bottom, top: sector.top });
    const from = sector.along - sector.radius - step;
    const hit = Array.from({ length: Math.ceil((2 * sector.radius) / step) + 2 }, (_, n) => from + n * step).filter(strip);
    return hit.length === 0 ? [] : [{ left: hit[0]!, right: hit.at(-1)! + step, bottom: sector.bottom, top: sector.top }];
  });
  return [...things.map((thing) => grown(thingRect(thing))), ...swings, ...blocks.map(grown)];
}

/** The whole wall a unit may use: over the baseboard, under the ceiling. */
export function wholeWall(wall: Wall, { above, beside, below }: Clearances): Rect {
  const ends = { left: beside, right: wall.width.nm - beside };
  const floor = Math.max(floorAt(wall, 0), floorAt(wall, wall.width.nm));
  return { ...ends, bottom: floor + wall.baseboard.height.nm + below, top: lowestCeiling(wall, ends) - above };
}

/** Free rectangles that cannot be made larger, the largest by area first. */
export function freeRectangles(bounds: Rect, taken: readonly Rect[]): Rect[] {
  const inside = taken.filter((rect) => overlap(rect, bounds));
  const edges = [...new Set([bounds.left, bounds.right, ...inside.flatMap(({ left, right }) => [left, right])])]
    .filter((at) => at >= bounds.left && at <= bounds.right)
    .sort((a, b) => a - b);
  const found: Rect[] = [];
  for (let i = 0; i < edges.length; i++) {
    for (let k = i + 1; k < edges.length; k++) {
      const [left, right] = [edges[i]!, edges[k]!];
      const over = inside.filter((rect) => rect.left < right && rect.right > left).sort((a, b) => a.bottom - b.bottom);
      let bottom = bounds.bottom;
      for (const { bottom: from, top } of [...over, { bottom: bounds.top, top: bounds.top }]) {
        if (from > bottom) found.push({ left, right, bottom, top: Math.min(from, bounds.top) });
        bottom = Math.max(bottom, top);
      }
    }
  }
  const holds = (a: Rect, b: Rect): boolean => a.left <= b.left && a.right >= b.right && a.bottom <= b.bottom && a.top >= b.top;
  return found
    .filter((rect, index) => !found.some((other, at) => at !== index && holds(other, rect) && !(holds(rect, other) && at > index)))
    .sort((a, b) => areaOf(b) - areaOf(a) || a.left - b.left || a.bottom - b.bottom);
}

const areaOf = ({ left, right, bottom, top }: Rect): number => ((right - left) / NM_PER.mm) * ((top - bottom) / NM_PER.mm);

export type Share = 'left' | 'right' | 'ends' | 'between';

export interface RunWish {
  readonly count: number;
  /** Width of each; null for the widest that fit. */
  readonly width: number | null;
  /** Between neighbours. */
  readonly gap: number;
  /** Kept free for something, after so many units; 0 wide for nothing. */
  readonly open: { readonly width: number; readonly after: number };
  readonly share: Share;
}

export interface Run {
  readonly width: Length;
  /** Left ends, from the left. */
  readonly lefts: readonly Length[];
  /** Left end of what is kept free. */
  readonly openAt: Length;
  /** What is left of the width; negative when the run does not fit. */
  readonly left: Length;
}

/** A run of equal units in a stretch of wall, with what is left shared out. Widths that are worked out are whole steps of the tape. */
export function runIn({ left, right }: Pick<Rect, 'left' | 'right'>, { count, width, gap, open, share }: RunWish, unit: DisplayUnit): Run {
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
