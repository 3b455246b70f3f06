/**
 * Turns a filled sheet into the plan's form: the place of each part and the tree of cuts, with the longest strips across first, so that the remainder is in
 * one piece.
 */
import type { Length } from '../length/length.ts';
import { openFrame, type Room } from './frames.ts';
import { isTurned, type PackItem, type PackLie } from './pieces.ts';
import type { NestedSheet, NestProblem } from './problem.ts';
import type { GuillotineNode, OpenSheet } from './guillotine-tree.ts';
import type { CutTree, Placement } from '../model/sheet-layout.ts';

export function closeSheet({ frame, fields }: OpenSheet, { kerf, cuts }: NestProblem): NestedSheet {
  const placements: Placement[] = [...frame.pins];
  const tree = openFrame(frame.tree, (index) => {
    const { room, root } = fields[index]!;
    return root ? inRoom(root, room, frame.first, kerf, placements) : waste(room.x, room.y, room.dx, room.dy);
  });
  return { sheet: frame.bed.sheet.id, placements, ...(cuts === 'guillotine' ? { cuts: tree } : {}) };
}

const waste = (x: number, y: number, dx: number, dy: number): CutTree => ({
  kind: 'waste',
  x: x as Length,
  y: y as Length,
  dx: dx as Length,
  dy: dy as Length,
});

/** Cuts a node out of its room. The remainder stays as large as possible, unless the first cut direction is fixed. */
function inRoom(block: GuillotineNode, room: Room, settled: 'x' | 'y' | null, kerf: number, placements: Placement[]): CutTree {
  const restX = Math.max(0, room.dx - block.dx - kerf) * room.dy;
  const restY = Math.max(0, room.dy - block.dy - kerf) * room.dx;
  const first = settled ?? (restX >= restY ? 'x' : 'y');
  if (block.axis === -1)
    return trim(first, block, room, kerf, (own) => trim(first === 'x' ? 'y' : 'x', block, own, kerf, (rest) => inside(block, rest, kerf, placements)));
  const along = block.axis === 0 ? 'x' : 'y';
  const across = along === 'x' ? 'y' : 'x';
  // Strips in the fixed direction are trimmed to length one by one, after ripping.
  if (settled === along) return inside(block, room, kerf, placements);
  const [rest, other] = along === 'x' ? [restX, restY] : [restY, restX];
  // The remainder beyond a row goes with its last cut, unless that would cost the larger offcut.
  const tailFirst = settled === null && other > 0 && rest > other;
  const strip = (own: Room): CutTree => trim(across, block, own, kerf, (left) => inside(block, left, kerf, placements));
  return tailFirst ? trim(along, block, room, kerf, strip) : strip(room);
}

/** One cut to the node's own size; none where it fits exactly. */
function trim(axis: 'x' | 'y', block: GuillotineNode, room: Room, kerf: number, inner: (own: Room) => CutTree): CutTree {
  const { x, y, dx, dy } = room;
  const rest = axis === 'x' ? dx - block.dx : dy - block.dy;
  if (rest === 0) return inner(room);
  const lost = Math.min(kerf, rest);
  return axis === 'x'
    ? { kind: 'cut', axis, at: (x + block.dx) as Length, first: inner({ ...room, dx: block.dx }), second: waste(x + block.dx + lost, y, rest - lost, dy) }
    : { kind: 'cut', axis, at: (y + block.dy) as Length, first: inner({ ...room, dy: block.dy }), second: waste(x, y + block.dy + lost, dx, rest - lost) };
}

/** Lays a node into a room that may be larger along its row and, for strips, across it. */
function inside(block: GuillotineNode, room: Room, kerf: number, placements: Placement[]): CutTree {
  if (block.axis === -1) return piece(block.item!, block.lie!, room.x, room.y, kerf, placements);
  const along = block.axis === 0 ? 'x' : 'y';
  const isX = along === 'x';
  const row = [...block.row].sort((a, b) => (isX ? b.dy - a.dy || b.dx - a.dx : b.dx - a.dx || b.dy - a.dy));
  const end = isX ? room.x + room.dx : room.y + room.dy;
  const next = (index: number, at: number): CutTree => {
    const each = row[index]!;
    const size = isX ? each.dx : each.dy;
    const own: Room = isX ? { ...room, x: at, dx: size } : { ...room, y: at, dy: size };
    const filled = (): CutTree => {
      // A row trims its own remainder; a piece is cut to size.
      if (each.axis !== -1) return inside(each, own, kerf, placements);
      return trim(isX ? 'y' : 'x', each, own, kerf, (rest) => inside(each, rest, kerf, placements));
    };
    if (index + 1 < row.length) {
      const first = filled();
      return { kind: 'cut', axis: along, at: (at + size) as Length, first, second: next(index + 1, at + size + kerf) };
    }
    const room2: Room = isX ? { ...room, x: at, dx: end - at } : { ...room, y: at, dy: end - at };
    return trim(along, each, room2, kerf, filled);
  };
  return next(0, isX ? room.x : room.y);
}

/** One part, or a matched group: its parts side by side, each cut to its own size last. */
export function piece(item: PackItem, lie: PackLie, x: number, y: number, kerf: number, placements: Placement[]): CutTree {
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
    const rest = axis === 'x' ? lie.dy - dy : lie.dx - dx;
    const leaf = leafAt(index, axis === 'x' ? at : x, axis === 'x' ? y : at);
    const lost = Math.min(kerf, rest);
    const first: CutTree =
      rest === 0
        ? leaf
        : axis === 'x'
          ? { kind: 'cut', axis: 'y', at: (y + dy) as Length, first: leaf, second: waste(at, y + dy + lost, dx, rest - lost) }
          : { kind: 'cut', axis: 'x', at: (x + dx) as Length, first: leaf, second: waste(x + dx + lost, at, rest - lost, dy) };
    if (index + 1 === item.parts.length) return first;
    const end = at + (axis === 'x' ? dx : dy);
    return { kind: 'cut', axis, at: end as Length, first, second: from(index + 1, end + kerf) };
  };
  return from(0, axis === 'x' ? x : y);
}
