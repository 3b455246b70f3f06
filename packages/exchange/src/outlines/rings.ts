/** Joins loose curves to closed outlines, with their lower left corner at the origin. Millimeters, y up. */
import { MAX_CORNERS, Refusal, type Corner, type PieceSpot as Spot } from '@keen/core';
import { flattened } from '../prints/marks.ts';

/** A polyline with bulges; the last corner's bulge counts only where it is closed. */
export interface Curve {
  readonly corners: readonly Corner[];
  readonly closed: boolean;
}

export interface Outline {
  /** Counterclockwise; empty for a rectangle. */
  readonly corners: readonly Corner[];
  readonly lengthMm: number;
  readonly widthMm: number;
}

/** Ends closer than this are one, mm: the rounding of drawings. */
const SAME_MM = 0.05;
/** Closed lines of a drawing of parts, compared pairwise. */
const MAX_RINGS = 2000;
/** Points of all of them, with arcs as chords. */
const MAX_POINTS = 400_000;
/** Size limits of a part, mm. */
const MIN_MM = 5;
const MAX_MM = 10_000;

const near = (a: Spot, b: Spot): boolean => Math.hypot(a.x - b.x, a.y - b.y) <= SAME_MM;

/**
 * Outlines as parts, and as text what was left out.
 * @throws Refusal with more than any drawing of parts has
 */
export function outlinesOf(curves: readonly Curve[]): { readonly outlines: readonly Outline[]; readonly notes: readonly string[] } {
  const { rings, open } = joined(curves);
  const tidy = rings.map(simplified).filter((ring) => ring.length > 2 || (ring.length === 2 && ring.some(({ bulge }) => bulge !== 0)));
  if (tidy.length > MAX_RINGS)
    throw new Refusal('too-many', `the drawing has ${tidy.length} closed lines`, 'file', `at most ${MAX_RINGS}: the parts without what is drawn around them`);
  let count = 0;
  const drawn: Drawn[] = [];
  for (const ring of tidy) {
    const points = flattened(ring);
    count += points.length;
    if (count > MAX_POINTS) throw new Refusal('too-many', 'the outlines have too many sides', 'file', 'a plainer drawing');
    if (Math.abs(areaOf(points)) <= 1) continue;
    drawn.push({ ring, points, bounds: boundsOf(ring.flatMap((corner, index) => [corner, ...farthest(corner, ring[(index + 1) % ring.length]!)])) });
  }
  const inside = drawn.filter((one) => drawn.some((other) => other !== one && holds(other, one)));
  const within = new Set(inside);
  const outer = drawn.filter((each) => !within.has(each));
  const fits = outer.filter(({ bounds: { width, height } }) => Math.min(width, height) >= MIN_MM && Math.max(width, height) <= MAX_MM);
  const few = fits.filter(({ ring }) => ring.length <= MAX_CORNERS);
  const said = (count: number, one: string, several: string): string[] => (count === 0 ? [] : [count === 1 ? one : several.replace('#', String(count))]);
  return {
    outlines: few.map(laidDown),
    notes: [
      ...said(open, 'one line that does not close was left out', '# lines that do not close were left out'),
      ...said(inside.length, 'one cut-out inside an outline was left out', '# cut-outs inside outlines were left out'),
      ...said(outer.length - fits.length, 'one outline is smaller than 5 mm or larger than 10 m', '# outlines are smaller than 5 mm or larger than 10 m'),
      ...said(fits.length - few.length, `one outline has more than ${MAX_CORNERS} corners`, `# outlines have more than ${MAX_CORNERS} corners`),
    ],
  };
}

/** Joins ends that meet; a line back at its start is a ring. */
function joined(curves: readonly Curve[]): { readonly rings: readonly (readonly Corner[])[]; readonly open: number } {
  const rings: (readonly Corner[])[] = [];
  const chains: Corner[][] = [];
  for (const { corners, closed } of curves) {
    if (corners.length < 2) continue;
    const [first, last] = [corners[0]!, corners.at(-1)!];
    if (closed) rings.push(near(first, last) && corners.length > 2 ? withoutLast(corners) : corners);
    else if (near(first, last) && corners.length > 2) rings.push(withoutLast(corners));
    else chains.push([...corners]);
  }
  // Hashed by end points, so that thousands of lines are not compared pairwise.
  const grid = new Map<string, Set<Corner[]>>();
  const cells = ({ x, y }: Spot): string[] => {
    const [i, j] = [Math.round(x / SAME_MM), Math.round(y / SAME_MM)];
    return [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => `${i + dx} ${j + dy}`));
  };
  const key = ({ x, y }: Spot): string => `${Math.round(x / SAME_MM)} ${Math.round(y / SAME_MM)}`;
  const enter = (chain: Corner[]): void => {
    for (const end of [chain[0]!, chain.at(-1)!]) grid.set(key(end), (grid.get(key(end)) ?? new Set()).add(chain));
  };
  const leave = (chain: Corner[]): void => {
    for (const end of [chain[0]!, chain.at(-1)!]) grid.get(key(end))?.delete(chain);
  };
  chains.forEach(enter);
  const left = new Set(chains);
  const closes = (chain: readonly Corner[]): boolean => chain.length > 2 && near(chain[0]!, chain.at(-1)!);
  /** Follows strokes from its end. */
  const grown = (start: readonly Corner[]): readonly Corner[] => {
    const chain = [...start];
    while (!closes(chain)) {
      const end = chain.at(-1)!;
      const next = cells(end)
        .flatMap((cell) => [...(grid.get(cell) ?? [])])
        .find((other) => near(other[0]!, end) || near(other.at(-1)!, end));
      if (!next) break;
      left.delete(next);
      leave(next);
      const on = near(next[0]!, end) ? next : reversed(next);
      chain[chain.length - 1] = { ...end, bulge: on[0]!.bulge };
      for (const corner of on.slice(1)) chain.push(corner);
    }
    return chain;
  };
  let open = 0;
  for (const start of chains) {
    if (!left.delete(start)) continue;
    leave(start);
    const on = grown(start);
    // An open line is reported once, together with what leads to its start.
    const chain = closes(on) ? on : grown(reversed(on));
    if (closes(chain)) rings.push(withoutLast(chain));
    else open += 1;
  }
  return { rings, open };
}

const withoutLast = (corners: readonly Corner[]): Corner[] => corners.slice(0, -1);

/** The reversed line: each arc between the same two corners. */
const reversed = (chain: readonly Corner[]): Corner[] =>
  chain.map((_, index) => {
    const { x, y } = chain[chain.length - 1 - index]!;
    return { x, y, bulge: -(chain[chain.length - 2 - index]?.bulge ?? 0) };
  });

/** The reversed ring. */
const turned = (ring: readonly Corner[]): Corner[] =>
  ring.map((_, index) => {
    const { x, y } = ring[ring.length - 1 - index]!;
    return { x, y, bulge: -ring[(2 * ring.length - 2 - index) % ring.length]!.bulge };
  });

/** Removes duplicate corners, and those in the middle of a straight side. */
function simplified(ring: readonly Corner[]): Corner[] {
  const apart = ring.filter((corner, index) => !near(corner, ring[(index + 1) % ring.length]!) || corner.bulge !== 0);
  return apart.filter((corner, index) => {
    const [before, after] = [apart[(index + apart.length - 1) % apart.length]!, apart[(index + 1) % apart.length]!];
    if (corner.bulge !== 0 || before.bulge !== 0 || apart.length < 4) return true;
    const cross = (corner.x - before.x) * (after.y - before.y) - (corner.y - before.y) * (after.x - before.x);
    return Math.abs(cross) > 1e-3 * Math.max(1, Math.hypot(after.x - before.x, after.y - before.y));
  });
}

interface Drawn {
  readonly ring: readonly Corner[];
  readonly points: readonly Spot[];
  readonly bounds: ReturnType<typeof boundsOf>;
}

/** Extremes of an arc to the left, right, top and bottom, where they lie between its ends. */
function farthest(a: Corner, b: Corner): Spot[] {
  if (a.bulge === 0) return [];
  const sweep = 4 * Math.atan(a.bulge);
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  const off = (1 - a.bulge * a.bulge) / (4 * a.bulge);
  const centre = { x: (a.x + b.x) / 2 - (b.y - a.y) * off, y: (a.y + b.y) / 2 + (b.x - a.x) * off };
  const radius = chord / (2 * Math.sin(Math.abs(sweep) / 2));
  const from = Math.atan2(a.y - centre.y, a.x - centre.x);
  return [0, 1, 2, 3].flatMap((quarter) => {
    const angle = (quarter * Math.PI) / 2;
    const turn = ((((angle - from) * Math.sign(sweep)) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
    return turn <= Math.abs(sweep) ? [{ x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) }] : [];
  });
}

function boundsOf(points: readonly Spot[]): { readonly x: number; readonly y: number; readonly width: number; readonly height: number } {
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { x, y } of points) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    low = Math.min(low, y);
    high = Math.max(high, y);
  }
  return { x: left, y: low, width: right - left, height: high - low };
}

/** Signed area, positive counterclockwise, mm². */
export const areaOf = (points: readonly Spot[]): number =>
  points.reduce((sum, a, index) => {
    const b = points[(index + 1) % points.length]!;
    return sum + (a.x * b.y - b.x * a.y) / 2;
  }, 0);

function holds(outer: Drawn, inner: Drawn): boolean {
  const [a, b] = [outer.bounds, inner.bounds];
  if (b.x < a.x - SAME_MM || b.y < a.y - SAME_MM || b.x + b.width > a.x + a.width + SAME_MM || b.y + b.height > a.y + a.height + SAME_MM) return false;
  if (Math.abs(areaOf(outer.points)) <= Math.abs(areaOf(inner.points))) return false;
  return contains(outer.points, inner.points[0]!);
}

function contains(points: readonly Spot[], { x, y }: Spot): boolean {
  let inside = false;
  for (let i = 0, j = points.length - 1; i < points.length; j = i++) {
    const [a, b] = [points[i]!, points[j]!];
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

function laidDown({ ring, points, bounds: { x: left, y: low, width, height } }: Drawn): Outline {
  const way = areaOf(points) < 0 ? turned(ring) : ring;
  // Points off by less than a drawing's rounding lie on the edge.
  const within = (at: number, most: number): number => Math.min(most, Math.max(0, at));
  const corners = way.map(({ x, y, bulge }) => ({ x: within(x - left, width), y: within(y - low, height), bulge }));
  const atEdge = (at: number, most: number): boolean => at <= SAME_MM || at >= most - SAME_MM;
  const square = corners.length === 4 && corners.every(({ x, y, bulge }) => bulge === 0 && atEdge(x, width) && atEdge(y, height));
  return { corners: square ? [] : corners, lengthMm: width, widthMm: height };
}
