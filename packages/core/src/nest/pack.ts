/**
 * One guillotine layout from one order of items: each goes into the free rectangle it suits best,
 * which is then cut in two. A cut tree is kept as it goes, so the plan is its own cutting sequence.
 */
import type { Length } from '../length/length.ts';
import { isTurned, type Bed, type Item, type Lie } from './pieces.ts';
import type { CutTree, NestedSheet, NestProblem, Placement } from './problem.ts';

/** How a free rectangle is chosen, on which of the open sheets, and which way the rest is cut. */
export interface Rules {
  readonly fit: 'area' | 'short-side' | 'long-side' | 'bottom';
  readonly among: 'first' | 'best';
  readonly split: 'shorter-left' | 'longer-left' | 'larger-rest' | 'along-x' | 'along-y';
}

export const FITS: readonly Rules['fit'][] = ['area', 'short-side', 'long-side', 'bottom'];
export const AMONG: readonly Rules['among'][] = ['first', 'best'];
export const SPLITS: readonly Rules['split'][] = ['larger-rest', 'shorter-left', 'longer-left', 'along-x', 'along-y'];

interface Free {
  x: number;
  y: number;
  dx: number;
  dy: number;
  node: Node;
}

/** A node of the tree while it is still being cut. */
interface Node {
  tree: { kind: 'cut'; axis: 'x' | 'y'; at: number; first: Node; second: Node } | { kind: 'item'; item: Item; lie: Lie } | null;
  x: number;
  y: number;
  dx: number;
  dy: number;
}

export interface OpenSheet {
  readonly bed: Bed;
  readonly root: Node;
  readonly free: Free[];
  readonly items: Item[];
  /** No item is smaller than this either way: rests that are hold nothing. */
  readonly least: number;
  /** The most there is in any free rectangle along x and along y: most sheets are passed over by this alone. */
  room: { dx: number; dy: number };
}

export function openSheet(bed: Bed, trim: number, least: number): OpenSheet {
  const root: Node = { tree: null, x: trim, y: trim, dx: bed.dx, dy: bed.dy };
  const free: Free = { x: trim, y: trim, dx: bed.dx, dy: bed.dy, node: root };
  return { bed, root, free: [free], items: [], least, room: { dx: bed.dx, dy: bed.dy } };
}

/** A copy that can be filled further without touching the layout it came from. */
export function copySheet({ bed, root, free, items, least, room }: OpenSheet): OpenSheet {
  const copies = new Map<Node, Node>();
  const copy = (node: Node): Node => {
    const { tree } = node;
    const twin: Node = { ...node, tree: tree?.kind === 'cut' ? { ...tree, first: copy(tree.first), second: copy(tree.second) } : tree };
    copies.set(node, twin);
    return twin;
  };
  const twinRoot = copy(root);
  return { bed, root: twinRoot, free: free.map((rest) => ({ ...rest, node: copies.get(rest.node)! })), items: [...items], least, room };
}

/** Where an item would go on an open sheet. */
export interface Spot {
  /** Which of the sheet's free rectangles. */
  readonly index: number;
  readonly lie: Lie;
  readonly score: number;
  readonly tie: number;
}

/** The best place for an item on one sheet; undefined when it does not go. Changes nothing. */
export function spotFor(item: Item, { free, room }: OpenSheet, fit: Rules['fit']): Spot | undefined {
  let best: { index: number; lie: Lie; score: number; tie: number } | undefined;
  for (const lie of item.lies) {
    if (lie.dx > room.dx || lie.dy > room.dy) continue;
    for (let index = 0; index < free.length; index++) {
      const at = free[index]!;
      const restX = at.dx - lie.dx;
      const restY = at.dy - lie.dy;
      if (restX < 0 || restY < 0) continue;
      const score = scoreOf(fit, at, lie, restX, restY);
      if (best && score > best.score) continue;
      const tie = fit === 'bottom' ? at.x : fit === 'short-side' ? Math.max(restX, restY) : Math.min(restX, restY);
      if (!best || score < best.score || tie < best.tie) best = { index, lie, score, tie };
    }
  }
  return best;
}

function scoreOf(fit: Rules['fit'], free: Free, lie: Lie, restX: number, restY: number): number {
  switch (fit) {
    case 'area':
      return (free.dx / 1e6) * (free.dy / 1e6) - (lie.dx / 1e6) * (lie.dy / 1e6);
    case 'short-side':
      return Math.min(restX, restY);
    case 'long-side':
      return Math.max(restX, restY);
    case 'bottom':
      return free.y + lie.dy;
  }
}

/** Puts an item where spotFor found room for it. */
export function place(item: Item, sheet: OpenSheet, { index, lie }: Spot, kerf: number, split: Rules['split']): void {
  const { free, items } = sheet;
  const chosen = free[index]!;
  items.push(item);
  free[index] = free.at(-1)!;
  free.pop();
  cutOut(chosen, item, lie, sheet, kerf, split);
  let [dx, dy] = [0, 0];
  for (const rest of free) {
    if (rest.dx > dx) dx = rest.dx;
    if (rest.dy > dy) dy = rest.dy;
  }
  sheet.room = { dx, dy };
}

/** Cuts the item's corner out of a free rectangle: first one way through, then the strip to size. */
function cutOut({ dx, dy, node }: Free, item: Item, lie: Lie, { free, least }: OpenSheet, kerf: number, split: Rules['split']): void {
  const restX = dx - lie.dx;
  const restY = dy - lie.dy;
  const xFirst = splitsAlongX(split, lie, restX, restY, kerf);
  const leaf = (at: Node): void => {
    at.tree = { kind: 'item', item, lie };
  };
  const spare = (rest: Node): void => {
    if (rest.dx >= least && rest.dy >= least) free.push({ x: rest.x, y: rest.y, dx: rest.dx, dy: rest.dy, node: rest });
  };
  const cut = (from: Node, axis: 'x' | 'y', size: number): Node => {
    const rest = axis === 'x' ? from.dx - size : from.dy - size;
    if (rest === 0) return from;
    const beyond = Math.max(0, rest - kerf);
    const first: Node =
      axis === 'x' ? { tree: null, x: from.x, y: from.y, dx: size, dy: from.dy } : { tree: null, x: from.x, y: from.y, dx: from.dx, dy: size };
    const second: Node =
      axis === 'x'
        ? { tree: null, x: from.x + size + Math.min(kerf, rest), y: from.y, dx: beyond, dy: from.dy }
        : { tree: null, x: from.x, y: from.y + size + Math.min(kerf, rest), dx: from.dx, dy: beyond };
    from.tree = { kind: 'cut', axis, at: axis === 'x' ? from.x + size : from.y + size, first, second };
    spare(second);
    return first;
  };
  leaf(xFirst ? cut(cut(node, 'x', lie.dx), 'y', lie.dy) : cut(cut(node, 'y', lie.dy), 'x', lie.dx));
}

/** True when the first cut is across x (the blade runs along y). */
function splitsAlongX(split: Rules['split'], lie: Lie, restX: number, restY: number, kerf: number): boolean {
  switch (split) {
    case 'along-x':
      return true;
    case 'along-y':
      return false;
    case 'shorter-left':
      return restX <= restY;
    case 'longer-left':
      return restX > restY;
    case 'larger-rest': {
      const right = Math.max(0, restX - kerf);
      const above = Math.max(0, restY - kerf);
      // Keep the largest single rest whole.
      return right * (lie.dy + restY) >= above * (lie.dx + restX);
    }
  }
}

/** The finished sheet: placements and the cut tree, with matched groups opened into their parts. */
export function closeSheet({ bed, root }: OpenSheet, { kerf, cuts }: NestProblem): NestedSheet {
  const placements: Placement[] = [];
  const tree = finish(root, kerf, placements);
  return { sheet: bed.sheet.id, placements, ...(cuts === 'guillotine' ? { cuts: tree } : {}) };
}

function finish(node: Node, kerf: number, placements: Placement[]): CutTree {
  const { tree, x, y, dx, dy } = node;
  if (!tree) return waste(x, y, dx, dy);
  if (tree.kind === 'cut') {
    return { kind: 'cut', axis: tree.axis, at: tree.at as Length, first: finish(tree.first, kerf, placements), second: finish(tree.second, kerf, placements) };
  }
  return block(tree.item, tree.lie, x, y, kerf, placements);
}

const waste = (x: number, y: number, dx: number, dy: number): CutTree => ({
  kind: 'waste',
  x: x as Length,
  y: y as Length,
  dx: dx as Length,
  dy: dy as Length,
});

function block(item: Item, lie: Lie, x: number, y: number, kerf: number, placements: Placement[]): CutTree {
  const { join } = lie;
  if (join) {
    const { axis, first, second } = join;
    const at = axis === 'x' ? x + first.lie.dx : y + first.lie.dy;
    const [x2, y2] = axis === 'x' ? [at + kerf, y] : [x, at + kerf];
    return {
      kind: 'cut',
      axis,
      at: at as Length,
      first: block(first.item, first.lie, x, y, kerf, placements),
      second: block(second.item, second.lie, x2, y2, kerf, placements),
    };
  }
  const sizes = item.parts.map((part) => (isTurned(part, lie) ? { dx: part.width, dy: part.length } : { dx: part.length, dy: part.width }));
  const leafAt = (index: number, px: number, py: number): CutTree => {
    const part = item.parts[index]!;
    const { dx, dy } = sizes[index]!;
    placements.push({ part: part.id, x: px as Length, y: py as Length, dx, dy, turned: isTurned(part, lie) });
    return { kind: 'part', part: part.id };
  };
  if (lie.run === null) return leafAt(0, x, y);
  const axis = lie.run;
  const from = (index: number, at: number): CutTree => {
    const { dx, dy } = sizes[index]!;
    const first = trimmed(leafAt(index, axis === 'x' ? at : x, axis === 'x' ? y : at), axis, dx, dy, lie, x, y, at, kerf);
    if (index + 1 === item.parts.length) return first;
    const end = at + (axis === 'x' ? dx : dy);
    return { kind: 'cut', axis, at: end as Length, first, second: from(index + 1, end + kerf) };
  };
  return from(0, axis === 'x' ? x : y);
}

/** A member narrower than its block is cut to its own size last. */
function trimmed(leaf: CutTree, axis: 'x' | 'y', dx: number, dy: number, lie: Lie, x: number, y: number, at: number, kerf: number): CutTree {
  const rest = axis === 'x' ? lie.dy - dy : lie.dx - dx;
  if (rest === 0) return leaf;
  const lost = Math.min(kerf, rest);
  return axis === 'x'
    ? { kind: 'cut', axis: 'y', at: (y + dy) as Length, first: leaf, second: waste(at, y + dy + lost, dx, rest - lost) }
    : { kind: 'cut', axis: 'x', at: (x + dx) as Length, first: leaf, second: waste(x + dx + lost, at, rest - lost, dy) };
}
