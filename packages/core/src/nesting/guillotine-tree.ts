/**
 * Guillotine tree of a sheet: nodes side by side along x, each a row of nodes along y, and so on down to the pieces. Only sizes are kept; places follow
 * when the sheet is closed. So whatever is removed or inserted, the rest shifts by itself, and every guillotine layout can be represented.
 */
import type { FlawFrame, Room } from './frames.ts';
import type { PackItem, PackLie } from './pieces.ts';

/** 0: side by side along x, 1: along y. */
export type SplitAxis = 0 | 1;

/** A piece in one orientation, or nodes in a row along an axis, a kerf apart. */
export interface GuillotineNode {
  axis: SplitAxis | -1;
  dx: number;
  dy: number;
  /** mm² of the pieces below it. */
  used: number;
  row: GuillotineNode[];
  item: PackItem | null;
  lie: PackLie | null;
}

/** One flawless rectangle of a sheet with its contents. */
export interface SheetField {
  readonly room: Room;
  readonly root: GuillotineNode | null;
}

/** A sheet being filled. A flawless one has one field. */
export interface OpenSheet {
  readonly frame: FlawFrame;
  readonly fields: SheetField[];
  /** mm² of the pieces on it. */
  area: number;
  /** No piece longer or wider than this fits on it. */
  open: { dx: number; dy: number };
  /** Items known not to fit, by their orientations: a sheet only fills up. */
  readonly refused: Set<PackItem['lies']>;
}

const NONE: readonly GuillotineNode[] = [];

export const leaf = (item: PackItem, lie: PackLie): GuillotineNode => ({
  axis: -1,
  dx: lie.dx,
  dy: lie.dy,
  used: item.area / 1e12,
  row: NONE as GuillotineNode[],
  item,
  lie,
});

/** Recomputes the size of a row. */
function measure(block: GuillotineNode, kerf: number): void {
  const { row, axis } = block;
  let along = -kerf;
  let across = 0;
  let used = 0;
  for (const each of row) {
    used += each.used;
    along += kerf + (axis === 0 ? each.dx : each.dy);
    const other = axis === 0 ? each.dy : each.dx;
    if (other > across) across = other;
  }
  block.used = used;
  block.dx = axis === 0 ? along : across;
  block.dy = axis === 0 ? across : along;
}

function rowOf(axis: SplitAxis, row: GuillotineNode[], kerf: number): GuillotineNode {
  const block: GuillotineNode = { axis, dx: 0, dy: 0, used: 0, row, item: null, lie: null };
  measure(block, kerf);
  return block;
}

/** Nodes in a row along an axis. A nested row of the same axis is flattened, and a single node is returned itself. */
export function rowsIn(axis: SplitAxis, blocks: readonly GuillotineNode[], kerf: number): GuillotineNode {
  const row: GuillotineNode[] = [];
  for (const each of blocks) add(row, each, axis);
  return row.length === 1 ? row[0]! : rowOf(axis, row, kerf);
}

/** An item joined from two becomes the row it is. */
export function nodeOf(item: PackItem, lie: PackLie, kerf: number): GuillotineNode {
  const { join } = lie;
  if (!join) return leaf(item, lie);
  const axis = join.axis === 'x' ? 0 : 1;
  const row = [join.first, join.second].map((inner) => nodeOf(inner.item, inner.lie, kerf)).flatMap((each) => (each.axis === axis ? each.row : [each]));
  return rowOf(axis, row, kerf);
}

/** Scoring rule of a hole: shorter leftover side, leftover area, or difference from the neighboring node. */
export type FitRule = 'short' | 'area' | 'match';
export const FIT_RULES: readonly FitRule[] = ['match', 'short', 'area'];

/** Where a piece would go. */
export interface NodeSpot {
  kind: 'append' | 'beside' | 'over' | 'first';
  field: number;
  at: GuillotineNode | null;
  axis: SplitAxis;
  lie: PackLie;
  score: number;
  tie: number;
  /** 'over': the nodes of the row it lies over. */
  under: readonly GuillotineNode[];
}

/** Shared state of one placement search. `skip` drops a place at random. */
interface Look {
  readonly fit: FitRule;
  readonly kerf: number;
  readonly skip: (() => boolean) | null;
  /** Area the piece needs, mm², slightly reduced for rounding. */
  readonly area: number;
  lie: PackLie;
  field: number;
  best: NodeSpot | null;
  /** Whether a place was dropped at random. */
  skipped: boolean;
}

/** The best place for an item on a sheet; null when it does not fit. Updates only the sheet's memory of refused items. */
export function spotFor(item: PackItem, sheet: OpenSheet, kerf: number, fit: FitRule, skip: (() => boolean) | null = null): NodeSpot | null {
  if (sheet.refused.has(item.lies)) return null;
  const look: Look = { fit, kerf, skip, area: (item.area / 1e12) * (1 - 1e-9), lie: item.lies[0]!, field: 0, best: null, skipped: false };
  const { open } = sheet;
  for (const lie of item.lies) {
    if (lie.dx > open.dx || lie.dy > open.dy) continue;
    look.lie = lie;
    for (let field = 0; field < sheet.fields.length; field++) {
      look.field = field;
      inField(sheet.fields[field]!, sheet.frame.first, look);
    }
  }
  // Joined items are made anew each time, so remembering their refusal is useless.
  if (!look.best && !look.skipped && !item.lies[0]!.join) sheet.refused.add(item.lies);
  return look.best;
}

function inField({ room, root }: SheetField, first: FlawFrame['first'], look: Look): void {
  const { lie, kerf } = look;
  if (lie.dx > room.dx || lie.dy > room.dy) return;
  if (!root) {
    offer(look, 'first', null, 0, room.dx, room.dy, Math.min(room.dx - lie.dx, room.dy - lie.dy), NONE);
    return;
  }
  const growX = room.dx - root.dx;
  const growY = room.dy - root.dy;
  // A sheet ripped first is no row of lengths unless it is a single strip, and vice versa.
  if (root.axis !== 0 && !(first === 'y' && root.axis === 1)) besides(look, root, 0, growX - kerf, root.dy + growY, Math.abs(root.dy - lie.dy));
  if (root.axis !== 1 && !(first === 'x' && root.axis === 0)) besides(look, root, 1, root.dx + growX, growY - kerf, Math.abs(root.dx - lie.dx));
  if (root.axis >= 0) within(look, root, growX, growY);
}

/** A new row of the node and the piece. */
function besides(look: Look, at: GuillotineNode, axis: SplitAxis, holeX: number, holeY: number, mismatch: number): void {
  if (look.lie.dx <= holeX && look.lie.dy <= holeY) offer(look, 'beside', at, axis, holeX, holeY, mismatch, NONE);
}

/** Places in a row and below it; the row may grow by the given amounts. */
function within(look: Look, block: GuillotineNode, growX: number, growY: number): void {
  const { lie, kerf } = look;
  const maxX = block.dx + growX;
  const maxY = block.dy + growY;
  if (lie.dx > maxX || lie.dy > maxY || (maxX / 1e6) * (maxY / 1e6) - block.used < look.area) return;
  const along = block.axis === 0;
  if (along) {
    if (lie.dx <= growX - kerf && lie.dy <= block.dy + growY)
      offer(look, 'append', block, 0, growX - kerf, block.dy + growY, Math.abs(block.dy - lie.dy), NONE);
  } else if (lie.dy <= growY - kerf && lie.dx <= block.dx + growX)
    offer(look, 'append', block, 1, block.dx + growX, growY - kerf, Math.abs(block.dx - lie.dx), NONE);
  const { row } = block;
  const across = along ? block.dy + growY : block.dx + growX;
  const need = kerf + (along ? lie.dy : lie.dx);
  let lower = 0;
  for (let n = 0; n < row.length; n++) {
    const each = row[n]!;
    const room = across - (along ? each.dy : each.dx);
    if (need <= room) lower++;
    if (each.axis === -1) {
      if (along) {
        if (need <= room && lie.dx <= each.dx + growX) offer(look, 'beside', each, 1, each.dx + growX, room - kerf, Math.abs(each.dx - lie.dx), NONE);
      } else if (need <= room && lie.dy <= each.dy + growY) offer(look, 'beside', each, 0, room - kerf, each.dy + growY, Math.abs(each.dy - lie.dy), NONE);
    } else if (along) within(look, each, growX, block.dy - each.dy + growY);
    else within(look, each, block.dx - each.dx + growX, growY);
  }
  if (lower >= 2 && row.length > 2) over(look, block, across, along ? growX : growY);
}

/** Places over several nodes of a row that leave room beside them, highest first: the order of a row is free. */
function over(look: Look, block: GuillotineNode, across: number, grow: number): void {
  const { lie, kerf } = look;
  const along = block.axis === 0;
  const need = kerf + (along ? lie.dy : lie.dx);
  const size = along ? lie.dx : lie.dy;
  const low = block.row.filter((each) => across - (along ? each.dy : each.dx) >= need);
  low.sort((a, b) => (along ? b.dy - a.dy : b.dx - a.dx));
  let length = -kerf;
  let count = 0;
  while (count < low.length && length < size) {
    const each = low[count++]!;
    length += kerf + (along ? each.dx : each.dy);
  }
  if (count < 2 || count === block.row.length || size > length + grow) return;
  const high = along ? low[0]!.dy : low[0]!.dx;
  const rest = across - high - kerf;
  const under = low.slice(0, count);
  const mismatch = Math.abs(length - size);
  if (along) offer(look, 'over', block, 0, length + grow, rest, mismatch, under);
  else offer(look, 'over', block, 1, rest, length + grow, mismatch, under);
}

function offer(
  look: Look,
  kind: NodeSpot['kind'],
  at: GuillotineNode | null,
  axis: SplitAxis,
  holeX: number,
  holeY: number,
  mismatch: number,
  under: readonly GuillotineNode[],
): void {
  const { lie, fit, skip } = look;
  if (skip?.()) {
    look.skipped = true;
    return;
  }
  const restX = holeX - lie.dx;
  const restY = holeY - lie.dy;
  const short = restX < restY ? restX : restY;
  const area = (holeX / 1e6) * (holeY / 1e6) - (lie.dx / 1e6) * (lie.dy / 1e6);
  const score = fit === 'short' ? short : fit === 'area' ? area : mismatch;
  const best = look.best;
  if (best && score > best.score) return;
  const tie = fit === 'area' ? short : area;
  if (best && score === best.score && tie >= best.tie) return;
  look.best = { kind, field: look.field, at, axis, lie, score, tie, under };
}

/** Inserts an item where `spotFor` found room. Mutates the sheet's nodes, which must be its own (copySheet). */
export function place(item: PackItem, sheet: OpenSheet, spot: NodeSpot, kerf: number): void {
  const field = sheet.fields[spot.field]!;
  const fresh = nodeOf(item, spot.lie, kerf);
  let root = field.root;
  const { at, axis } = spot;
  if (!root || !at) root = fresh;
  else if (spot.kind === 'append') add(at.row, fresh, axis);
  else if (spot.kind === 'beside') turnIntoRow(at, axis, fresh);
  else {
    const across: SplitAxis = axis === 0 ? 1 : 0;
    const lower = spot.under.length === 1 ? spot.under[0]! : rowOf(axis, [...spot.under], kerf);
    const pair: GuillotineNode[] = [lower];
    add(pair, fresh, across);
    at.row = [...at.row.filter((each) => !spot.under.includes(each)), rowOf(across, pair, kerf)];
  }
  remeasure(root, kerf);
  sheet.fields[spot.field] = { room: field.room, root };
  sheet.area += fresh.used;
  sheet.open = openOf(sheet, kerf);
}

/** Flattens a row nested in a row of the same axis. */
function add(row: GuillotineNode[], fresh: GuillotineNode, axis: SplitAxis): void {
  if (fresh.axis === axis) row.push(...fresh.row);
  else row.push(fresh);
}

function turnIntoRow(at: GuillotineNode, axis: SplitAxis, fresh: GuillotineNode): void {
  const was: GuillotineNode = { ...at };
  at.axis = axis;
  at.item = null;
  at.lie = null;
  at.row = [];
  add(at.row, was, axis);
  add(at.row, fresh, axis);
}

function remeasure(block: GuillotineNode, kerf: number): void {
  if (block.axis === -1) return;
  for (const each of block.row) remeasure(each, kerf);
  measure(block, kerf);
}

/** The longest and the widest hole of a sheet: rejects most pieces at once. */
function openOf({ fields }: OpenSheet, kerf: number): { dx: number; dy: number } {
  const most = { dx: 0, dy: 0 };
  const hole = (dx: number, dy: number): void => {
    if (dx <= 0 || dy <= 0) return;
    if (dx > most.dx) most.dx = dx;
    if (dy > most.dy) most.dy = dy;
  };
  const visit = (block: GuillotineNode, growX: number, growY: number): void => {
    const along = block.axis === 0;
    if (along) hole(growX - kerf, block.dy + growY);
    else hole(block.dx + growX, growY - kerf);
    const [low, long] = [{ size: 0, count: 0 }, along ? block.dx + growX : block.dy + growY];
    for (const each of block.row) {
      const roomX = along ? each.dx + growX : block.dx - each.dx + growX - kerf;
      const roomY = along ? block.dy - each.dy + growY - kerf : each.dy + growY;
      if (along ? roomY > 0 : roomX > 0) {
        low.count++;
        low.size = Math.max(low.size, along ? roomY : roomX);
      }
      if (each.axis === -1) hole(roomX, roomY);
      else if (along) visit(each, growX, block.dy - each.dy + growY);
      else visit(each, block.dx - each.dx + growX, growY);
    }
    // Over several nodes of the row the hole may be as long as the row.
    if (low.count >= 2) hole(along ? long : low.size, along ? low.size : long);
  };
  for (const { room, root } of fields) {
    if (!root) {
      hole(room.dx, room.dy);
      continue;
    }
    const growX = room.dx - root.dx;
    const growY = room.dy - root.dy;
    if (root.axis !== 0) hole(growX - kerf, room.dy);
    if (root.axis !== 1) hole(room.dx, growY - kerf);
    if (root.axis >= 0) visit(root, growX, growY);
  }
  return most;
}

export function openSheet(frame: FlawFrame, kerf: number): OpenSheet {
  const sheet: OpenSheet = { frame, fields: frame.rooms.map((room) => ({ room, root: null })), area: 0, open: { dx: 0, dy: 0 }, refused: new Set() };
  sheet.open = openOf(sheet, kerf);
  return sheet;
}

/** A sheet of one field that holds a node. */
export function sheetOf(frame: FlawFrame, root: GuillotineNode, kerf: number): OpenSheet {
  const sheet = openSheet(frame, kerf);
  sheet.fields[0] = { room: frame.rooms[0]!, root };
  sheet.area = root.used;
  sheet.open = openOf(sheet, kerf);
  return sheet;
}

const copy = (block: GuillotineNode): GuillotineNode => ({ ...block, row: block.axis === -1 ? block.row : block.row.map(copy) });

/** A copy that can be changed without touching the original. */
export const copySheet = ({ frame, fields, area, open, refused }: OpenSheet): OpenSheet => ({
  frame,
  area,
  open,
  refused: new Set(refused),
  fields: fields.map(({ room, root }) => ({ room, root: root && copy(root) })),
});

/** A copy without some of its items. */
export function without(sheet: OpenSheet, gone: ReadonlySet<PackItem>, kerf: number): OpenSheet {
  const keep = (block: GuillotineNode): GuillotineNode | null => {
    if (block.axis === -1) return gone.has(block.item!) ? null : { ...block };
    const axis = block.axis;
    const row: GuillotineNode[] = [];
    for (const each of block.row) {
      const kept = keep(each);
      if (kept) add(row, kept, axis);
    }
    if (row.length === 0) return null;
    return row.length === 1 ? row[0]! : rowOf(axis, row, kerf);
  };
  const fields = sheet.fields.map(({ room, root }) => ({ room, root: root && keep(root) }));
  const left: OpenSheet = { frame: sheet.frame, fields, area: 0, open: sheet.open, refused: new Set() };
  for (const { root } of fields) left.area += root?.used ?? 0;
  left.open = openOf(left, kerf);
  return left;
}

export function itemsOn({ fields }: OpenSheet): PackItem[] {
  const items: PackItem[] = [];
  for (const { root } of fields) if (root) gather(root, items);
  return items;
}

/** All items below a node. */
export function gather(block: GuillotineNode, items: PackItem[]): void {
  if (block.axis === -1) items.push(block.item!);
  else for (const each of block.row) gather(each, items);
}

/** Every node of a sheet, pieces included. */
export function nodesOn({ fields }: OpenSheet): GuillotineNode[] {
  const blocks: GuillotineNode[] = [];
  const visit = (block: GuillotineNode): void => {
    blocks.push(block);
    for (const each of block.row) visit(each);
  };
  for (const { root } of fields) if (root) visit(root);
  return blocks;
}
