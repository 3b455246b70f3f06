/**
 * Sheets with flaws and pinned parts are first cut into rectangles free of both. There are several ways to do so; each is a frame, and the search tries
 * them. A sheet without either is one rectangle.
 */
import type { Length } from '../length/length.ts';
import { seeded, type Random } from '../random/random.ts';
import { shuffled } from './orders.ts';
import type { StockArea } from './pieces.ts';
import { trimOf, type NestProblem } from './problem.ts';
import type { CutTree, Placement } from '../model/sheet-layout.ts';

/** A free rectangle to fill. */
export interface Room {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** How a sheet is cut into its rooms. */
export type FrameTree =
  | { readonly kind: 'room'; readonly index: number }
  | { readonly kind: 'cut'; readonly axis: 'x' | 'y'; readonly at: number; readonly first: FrameTree; readonly second: FrameTree }
  | Extract<CutTree, { kind: 'part' | 'waste' }>;

export interface FlawFrame {
  readonly bed: StockArea;
  readonly rooms: readonly Room[];
  readonly tree: FrameTree;
  readonly pins: readonly Placement[];
  /** mm² of all rooms. */
  readonly area: number;
  /** First cut axis within its rooms, where fixed: y rips, x crosscuts. */
  readonly first: 'x' | 'y' | null;
}

/** A strip of flaw at the edge that is narrower than the kerf is cut off at this width. */
const MIN_STRIP = 1_000_000;
/** Limit on failed cuts around pinned parts. */
const MAX_TRIES = 400;
/** Limit on the frames tried per sheet. */
const MAX_FRAMES = 8;

interface Cut {
  readonly axis: 'x' | 'y';
  readonly at: number;
}

/** Ways to cut a sheet into free rectangles; none where guillotine cuts cannot separate the pinned parts. */
export function framesOf(bed: StockArea, { trim: usual, kerf, first }: Pick<NestProblem, 'trim' | 'kerf' | 'first'>): FlawFrame[] {
  const trim = trimOf({ trim: usual }, bed.sheet);
  const whole: Room = { x: trim, y: trim, dx: bed.dx, dy: bed.dy };
  const { flaws = [], pins = [] } = bed.sheet;
  const axis = first?.by === 'crosscut' ? 'x' : first ? 'y' : null;
  const frame = (rooms: readonly Room[], tree: FrameTree): FlawFrame => ({
    bed,
    rooms,
    tree,
    pins,
    first: axis,
    area: rooms.reduce((sum, { dx, dy }) => sum + (dx / 1e6) * (dy / 1e6), 0),
  });
  if (flaws.length + pins.length === 0) {
    const cuts = first?.by === 'breakdown' ? brokenDown(whole, first, kerf) : [];
    if (cuts.length > 0) return cuts.map(({ rooms, tree }) => frame(rooms, tree));
    return [frame([whole], { kind: 'room', index: 0 })];
  }
  const frames = new Map<string, FlawFrame>();
  for (let seed = 0; seed < MAX_FRAMES; seed++) {
    const rooms: Room[] = [];
    const tree = apart(
      whole,
      { flaws, pins, kerf, random: seed === 0 ? null : seeded(seed), wanted: first?.by === 'breakdown' ? null : axis, tries: { count: 0 } },
      rooms,
    );
    if (!tree) return [];
    frames.set(JSON.stringify(rooms), frame(rooms, tree));
  }
  return [...frames.values()];
}

/** Positions tried for the single cut that splits a side in two, between the least and the greatest possible. */
const SHARES = [0.5, 0, 1, 0.25, 0.75];

/** Ways to break a sheet down into pieces within the given length and width; none where it already is. */
function brokenDown(
  whole: Room,
  { longest, widest }: { readonly longest: number; readonly widest: number },
  kerf: number,
): { rooms: Room[]; tree: FrameTree }[] {
  const along = stations(whole.dx, longest, kerf);
  const across = stations(whole.dy, widest, kerf);
  if (along.length === 1 && along[0]!.length === 0 && across.length === 1 && across[0]!.length === 0) return [];
  return along.flatMap((xs) =>
    across.map((ys) => {
      const rooms: Room[] = [];
      const tree = inPieces(whole, 'x', xs, kerf, (piece) =>
        inPieces(piece, 'y', ys, kerf, (room) => {
          rooms.push(room);
          return { kind: 'room', index: rooms.length - 1 };
        }),
      );
      return { rooms, tree };
    }),
  );
}

/** Sizes of all pieces but the last, in each way tried. */
function stations(size: number, most: number, kerf: number): number[][] {
  const count = Math.ceil((size + kerf) / (most + kerf));
  if (count <= 1) return [[]];
  if (count === 2) {
    const least = size - kerf - most;
    return [...new Set(SHARES.map((share) => Math.round(Math.max(0, least) + share * (most - Math.max(0, least)))))].filter((at) => at > 0).map((at) => [at]);
  }
  const even = Math.floor((size + kerf) / count - kerf);
  return [Array.from({ length: count - 1 }, () => most), Array.from({ length: count - 1 }, () => even)];
}

function inPieces(room: Room, axis: 'x' | 'y', sizes: readonly number[], kerf: number, leaf: (room: Room) => FrameTree): FrameTree {
  const [size, ...rest] = sizes;
  if (size === undefined) return leaf(room);
  const at = (axis === 'x' ? room.x : room.y) + size;
  const [first, second] = sides(room, { axis, at }, kerf);
  return { kind: 'cut', axis, at, first: leaf(first), second: inPieces(second, axis, rest, kerf, leaf) };
}

const meets = (a: Room, b: Room): boolean => a.x < b.x + b.dx && b.x < a.x + a.dx && a.y < b.y + b.dy && b.y < a.y + a.dy;

interface Around {
  readonly flaws: readonly Room[];
  readonly pins: readonly Placement[];
  readonly kerf: number;
  /** Null for the cuts that leave the largest piece. */
  readonly random: Random | null;
  /** Cuts across this axis come first. */
  readonly wanted: 'x' | 'y' | null;
  /** Failed cuts so far. */
  readonly tries: { count: number };
}

/** Cuts a rectangle recursively until each piece is free, flawed throughout, or a pinned part; null when that is impossible. */
function apart(whole: Room, around: Around, rooms: Room[]): FrameTree | null {
  const { flaws, pins, kerf, random, wanted } = around;
  const { x, y, dx, dy } = whole;
  const bad = flaws.filter((flaw) => meets(flaw, whole));
  const kept = pins.filter((pin) => meets(pin, whole));
  if (bad.length + kept.length === 0) {
    rooms.push(whole);
    return { kind: 'room', index: rooms.length - 1 };
  }
  const [only] = kept;
  if (kept.length === 1 && bad.length === 0 && only!.x === x && only!.y === y && only!.dx === dx && only!.dy === dy) return { kind: 'part', part: only!.part };
  const all = [...bad.flatMap((flaw) => roundFlaw(flaw, whole, kerf)), ...kept.flatMap((pin) => roundPin(pin, whole, kerf))].filter(({ axis, at }) =>
    kept.every((pin) => (axis === 'x' ? pin.x + pin.dx <= at || pin.x >= at + kerf : pin.y + pin.dy <= at || pin.y >= at + kerf)),
  );
  const inOrder = all.filter(({ axis }) => axis === wanted);
  const cuts = inOrder.length > 0 ? inOrder : all;
  if (cuts.length === 0) return kept.length === 0 ? ({ kind: 'waste', x, y, dx, dy } as FrameTree) : null;
  const value = (cut: Cut): number =>
    Math.max(...sides(whole, cut, kerf).map((side) => (bad.some((flaw) => meets(flaw, side)) || kept.some((pin) => meets(pin, side)) ? 0 : side.dx * side.dy)));
  const order = random
    ? shuffled(cuts, random)
    : cuts
        .map((cut) => ({ cut, value: value(cut) }))
        .sort((one, other) => other.value - one.value)
        .map(({ cut }) => cut);
  // A cut may leave less beside a pinned part than the next kerf takes: then another comes first.
  for (const cut of order) {
    const before = rooms.length;
    const [first, second] = sides(whole, cut, kerf).map((side) =>
      side.dx <= 0 || side.dy <= 0 ? ({ kind: 'waste', ...side } as FrameTree) : apart(side, around, rooms),
    );
    if (first && second) return { kind: 'cut', ...cut, first, second };
    rooms.length = before;
    if (++around.tries.count > MAX_TRIES) break;
  }
  return null;
}

function sides({ x, y, dx, dy }: Room, { axis, at }: Cut, kerf: number): readonly [Room, Room] {
  if (axis === 'x') {
    const from = Math.min(x + dx, at + kerf);
    return [
      { x, y, dx: at - x, dy },
      { x: from, y, dx: x + dx - from, dy },
    ];
  }
  const from = Math.min(y + dy, at + kerf);
  return [
    { x, y, dx, dy: at - y },
    { x, y: from, dx, dy: y + dy - from },
  ];
}

/** In front of a flaw the kerf runs inside it; behind it the kerf ends with it. */
function roundFlaw(flaw: Room, { x, y, dx, dy }: Room, kerf: number): Cut[] {
  const along = (axis: 'x' | 'y', start: number, size: number, from: number, to: number): Cut[] => {
    const after = Math.max(to - kerf, start + MIN_STRIP);
    return [...(from > start ? [{ axis, at: from }] : []), ...(to < start + size && after + kerf < start + size ? [{ axis, at: after }] : [])];
  };
  return [...along('x', x, dx, flaw.x, flaw.x + flaw.dx), ...along('y', y, dy, flaw.y, flaw.y + flaw.dy)];
}

function roundPin(pin: Placement, { x, y, dx, dy }: Room, kerf: number): Cut[] {
  const along = (axis: 'x' | 'y', start: number, size: number, from: number, to: number): Cut[] => [
    ...(from - kerf > start ? [{ axis, at: from - kerf }] : []),
    ...(to < start + size ? [{ axis, at: to }] : []),
  ];
  return [...along('x', x, dx, pin.x, pin.x + pin.dx), ...along('y', y, dy, pin.y, pin.y + pin.dy)];
}

/** The tree of cuts, with the contents of the rooms. */
export function openFrame(tree: FrameTree, inRoom: (index: number) => CutTree): CutTree {
  if (tree.kind === 'room') return inRoom(tree.index);
  if (tree.kind !== 'cut') return tree;
  return { kind: 'cut', axis: tree.axis, at: tree.at as Length, first: openFrame(tree.first, inRoom), second: openFrame(tree.second, inRoom) };
}
