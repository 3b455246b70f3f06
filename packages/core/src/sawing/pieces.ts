/**
 * How a sheet comes apart, cut by cut. The layout leaves the widest kerf between parts; a saw with a thinner blade leaves the difference on the far side,
 * as does a far edge that is not trimmed yet. What is kept is measured from the near edge, so it is exact; the remainder is carried along, and cut to size
 * where a part needs it.
 */
import type { Length } from '../length/length.ts';
import { trimOf, type NestedSheet, type NestProblem, type NestSheet } from '../nesting/problem.ts';
import { cutWays, type CutWay, type Straight } from './ways.ts';
import type { CutTree, SheetRect } from '../model/sheet-layout.ts';
import type { Shop } from '../model/shop.ts';

/** A piece of sheet in the shop. */
export interface SheetPiece {
  readonly id: string;
  /** Its place in the layout, from the corner of the untrimmed sheet. */
  readonly at: SheetRect;
  /** Its size along x and along y. */
  readonly dx: Length;
  readonly dy: Length;
  /** The part it is, once it is one. */
  readonly part: string | null;
  /** It contains no part. */
  readonly left: boolean;
}

export type CutPurpose = 'trim' | 'part' | 'size';

/** One cut through one piece. */
export interface CutStep {
  readonly id: string;
  /** Index of the sheet in the plan, from 0. */
  readonly sheet: number;
  readonly piece: SheetPiece;
  /** The cut that made the piece; null for a whole sheet. */
  readonly after: string | null;
  /** Across x: the blade runs along y. */
  readonly axis: 'x' | 'y';
  /** Position of the near side of the cut. */
  readonly keep: Length;
  readonly purpose: CutPurpose;
  /** Null where no saw of the shop can make it. */
  readonly way: CutWay | null;
  readonly cut: Straight;
  readonly near: SheetPiece;
  /** Null when the kerf takes the whole remainder. */
  readonly far: SheetPiece | null;
}

export interface SheetToCut {
  readonly problem: Pick<NestProblem, 'kerf' | 'trim'>;
  readonly kind: Pick<NestSheet, 'length' | 'width' | 'trim'>;
  readonly nested: NestedSheet;
  readonly thick: Length;
  /** Of the sheet, per m². */
  readonly kgPerM2: number;
}

interface Walk {
  readonly sheet: number;
  readonly thick: Length;
  readonly kgPerM2: number;
  readonly shop: Pick<Shop, 'machines'>;
  readonly steps: CutStep[];
}

/** A planned piece: its subtree, and its place in the plan. */
interface Planned {
  readonly tree: CutTree;
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** All cuts of one sheet, each after the one that made its piece. A layout without cuts gives none. */
export function cutsOf({ problem, kind, nested, thick, kgPerM2 }: SheetToCut, sheet: number, shop: Pick<Shop, 'machines'>): CutStep[] {
  if (!nested.cuts) return [];
  const { kerf } = problem;
  const trim = trimOf(problem, kind);
  const walk: Walk = { sheet, thick, kgPerM2, shop, steps: [] };
  const planned: Planned = { tree: nested.cuts, x: trim, y: trim, dx: kind.length - 2 * trim, dy: kind.width - 2 * trim };
  const whole = pieceOf(`${sheet}`, { x: 0, y: 0, dx: kind.length, dy: kind.width }, kind.length, kind.width, null, false);
  let at: Made = { piece: whole, after: null, lead: { x: 0, y: 0 }, rough: { x: trim > 0, y: trim > 0 } };
  // One long and one short edge are trimmed as references; the others go with the last cut along them.
  for (const axis of ['y', 'x'] as const) if (trim > 0) at = trimmed(walk, at, axis, trim);
  // Paths down the tree are digits too, so a sheet number of several digits is kept apart from them.
  apart(walk, at, planned, kerf, sheet < 10 ? `${sheet}` : `s${sheet}:`);
  return walk.steps;
}

interface Made {
  readonly piece: SheetPiece;
  readonly after: string | null;
  /** Trim still due at the near edge, along x and along y, where the shop could not trim the whole sheet. */
  readonly lead: Readonly<Record<'x' | 'y', number>>;
  /** The far edge is still untrimmed. */
  readonly rough: Readonly<Record<'x' | 'y', boolean>>;
}

const pieceOf = (id: string, at: { x: number; y: number; dx: number; dy: number }, dx: number, dy: number, part: string | null, left: boolean): SheetPiece => ({
  id,
  at: { x: at.x, y: at.y, dx: at.dx, dy: at.dy } as SheetRect,
  dx: dx as Length,
  dy: dy as Length,
  part,
  left,
});

/** Trims the near edge: the far side is kept. Where no saw takes a piece this large, the edge stays for now and is trimmed on each smaller piece. */
function trimmed(walk: Walk, made: Made, axis: 'x' | 'y', trim: number): Made {
  const { piece, after } = made;
  const extent = axis === 'x' ? piece.dx : piece.dy;
  const line = axis === 'x' ? piece.dy : piece.dx;
  const cut: Straight = { line, size: extent, keep: (extent - trim) as Length, thick: walk.thick, kg: kgOf(walk, piece) };
  // The strip is waste, so its own width does not matter: a guide, or a fence on the far side.
  const way = cutWays(cut, walk.shop).find(({ against }) => against === 'near') ?? null;
  if (!way) return { ...made, lead: { ...made.lead, [axis]: trim } };
  const id = `${walk.sheet}t${walk.steps.length}`;
  const { x, y, dx, dy } = piece.at;
  const kept = axis === 'x' ? { x: x + trim, y, dx: dx - trim, dy } : { x, y: y + trim, dx, dy: dy - trim };
  const near = pieceOf(`${id}.1`, kept, axis === 'x' ? extent - trim : piece.dx, axis === 'y' ? extent - trim : piece.dy, null, false);
  walk.steps.push({ id, sheet: walk.sheet, piece, after, axis, keep: cut.keep, purpose: 'trim', way, cut, near, far: null });
  return { ...made, piece: near, after: id, lead: { ...made.lead, [axis]: 0 } };
}

const kgOf = ({ kgPerM2 }: Walk, { dx, dy }: SheetPiece): number => (dx / 1e9) * (dy / 1e9) * kgPerM2;

/** Whether a tree contains a part. */
const holds = (tree: CutTree): boolean => tree.kind === 'part' || (tree.kind === 'cut' && (holds(tree.first) || holds(tree.second)));

function apart(walk: Walk, made: Made, planned: Planned, kerf: number, path: string): void {
  const { tree, x, y, dx, dy } = planned;
  if (!holds(tree)) return;
  if (tree.kind === 'part') {
    size(walk, size(walk, made, 'x', dx, path), 'y', dy, path, tree.part);
    return;
  }
  if (tree.kind !== 'cut') return;
  const alongX = tree.axis === 'x';
  const start = alongX ? x : y;
  const extent = alongX ? dx : dy;
  const beyond = Math.min(start + extent, tree.at + kerf);
  const first: Planned = alongX ? { tree: tree.first, x, y, dx: tree.at - x, dy } : { tree: tree.first, x, y, dx, dy: tree.at - y };
  const second: Planned = alongX ? { tree: tree.second, x: beyond, y, dx: x + dx - beyond, dy } : { tree: tree.second, x, y: beyond, dx, dy: y + dy - beyond };
  // A piece whose parts all reach its far edge is brought to size once, not part by part.
  const across = alongX ? 'y' : 'x';
  const wanted = made.lead[across] > 0 || reaches(tree, planned, across, kerf);
  const from = wanted && canSize(walk, made, across, alongX ? dy : dx) ? size(walk, made, across, alongX ? dy : dx, path) : made;
  // A waste strip stays where no saw takes it off a piece this large: it goes with the parts cut to size later.
  if (!holds(tree.second) && !canSize(walk, from, tree.axis, tree.at - start + from.lead[tree.axis])) return apart(walk, from, first, kerf, `${path}1`);
  const next = cutAt(walk, from, tree.axis, tree.at - start, `${path}${tree.axis}`, first, second);
  apart(walk, next.near, first, kerf, `${path}1`);
  if (next.far) apart(walk, next.far, second, kerf, `${path}2`);
}

/** Whether more than one part reaches the far edge of a planned piece along an axis. */
function reaches(tree: CutTree, piece: Planned, axis: 'x' | 'y', kerf: number): boolean {
  return countReaching(tree, piece, axis, kerf) > 1;
}

function countReaching(tree: CutTree, piece: Planned, axis: 'x' | 'y', kerf: number): number {
  if (tree.kind === 'part') return 1;
  if (tree.kind !== 'cut') return 0;
  const { x, y, dx, dy } = piece;
  if (tree.axis === axis) {
    const end = axis === 'x' ? x + dx : y + dy;
    const beyond = Math.min(end, tree.at + kerf);
    // The near side of a cut reaches the far edge only when the far side is empty.
    if (beyond >= end) return 0;
    const second: Planned =
      axis === 'x' ? { tree: tree.second, x: beyond, y, dx: end - beyond, dy } : { tree: tree.second, x, y: beyond, dx, dy: end - beyond };
    return countReaching(tree.second, second, axis, kerf);
  }
  return countReaching(tree.first, { ...piece, tree: tree.first }, axis, kerf) + countReaching(tree.second, { ...piece, tree: tree.second }, axis, kerf);
}

/** A piece too large for every saw is brought to size later, when it is smaller. `to`: what stays on the near side. */
function canSize(walk: Walk, { piece }: Made, axis: 'x' | 'y', to: number): boolean {
  const [line, extent] = axis === 'x' ? [piece.dy, piece.dx] : [piece.dx, piece.dy];
  return cutWays({ line, size: extent, keep: to as Length, thick: walk.thick, kg: kgOf(walk, piece) }, walk.shop).length > 0;
}

/** Cuts a piece to a size along an axis; nothing where it already has it. */
function size(walk: Walk, start: Made, axis: 'x' | 'y', to: number, path: string, part: string | null = null): Made {
  const lead = start.lead[axis];
  // Two factory edges need one cut each: the first makes the reference of the second.
  const made = lead > 0 && start.rough[axis] ? trimmed(walk, start, axis, lead) : start;
  const has = axis === 'x' ? made.piece.dx : made.piece.dy;
  if (has <= to) return part === null ? made : named(walk, made, part);
  const { x, y, dx, dy } = made.piece.at;
  const kept = axis === 'x' ? { x, y, dx: to, dy } : { x, y, dx, dy: to };
  const near: Planned = { tree: { kind: 'waste', ...kept } as CutTree, ...kept };
  const done: Made = { ...made, lead: { ...made.lead, [axis]: 0 } };
  return cutAt(walk, done, axis, to, `${path}${axis}=`, near, null, part).near;
}

/** The piece that is a part, named where it came to be. */
function named(walk: Walk, made: Made, part: string): Made {
  const index = walk.steps.findIndex(({ id }) => id === made.after);
  const own: SheetPiece = { ...made.piece, part };
  const step = walk.steps[index];
  if (step) walk.steps[index] = step.near.id === own.id ? { ...step, near: own } : { ...step, far: own };
  return { ...made, piece: own };
}

/** One cut; the far side is null where the kerf takes it all. */
function cutAt(
  walk: Walk,
  made: Made,
  axis: 'x' | 'y',
  planned: number,
  id: string,
  first: Planned,
  second: Planned | null,
  part: string | null = null,
): { near: Made; far: Made | null } {
  const { piece, after, lead, rough } = made;
  const keep = planned + lead[axis];
  const extent = axis === 'x' ? piece.dx : piece.dy;
  const line = axis === 'x' ? piece.dy : piece.dx;
  const cut: Straight = { line, size: extent, keep: keep as Length, thick: walk.thick, kg: kgOf(walk, piece) };
  const way = cutWays(cut, walk.shop)[0] ?? null;
  const lost = way?.kerf ?? 0;
  const rest = extent - keep - lost;
  const sized = (along: number): [number, number] => (axis === 'x' ? [along, piece.dy] : [piece.dx, along]);
  const near = pieceOf(`${id}.1`, { x: first.x, y: first.y, dx: first.dx, dy: first.dy }, ...sized(keep), part, second !== null && !holds(first.tree));
  const { at } = piece;
  const beyond =
    second ??
    (axis === 'x'
      ? { x: first.x + keep + lost, y: at.y, dx: Math.max(0, at.x + at.dx - first.x - keep - lost), dy: at.dy }
      : { x: at.x, y: first.y + keep + lost, dx: at.dx, dy: Math.max(0, at.y + at.dy - first.y - keep - lost) });
  const far = rest > 0 ? pieceOf(`${id}.2`, beyond, ...sized(rest), null, second === null || !holds(second.tree)) : null;
  walk.steps.push({ id, sheet: walk.sheet, piece, after, axis, keep: keep as Length, purpose: second === null ? 'size' : 'part', way, cut, near, far });
  const sawn = { ...rough, [axis]: false };
  return {
    near: { piece: near, after: id, lead, rough: sawn },
    far: far && { piece: far, after: id, lead: { ...lead, [axis]: 0 }, rough },
  };
}
