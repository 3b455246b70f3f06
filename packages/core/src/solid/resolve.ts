/**
 * Resolves connections in passes, none of which reads a later one:
 * 1 host planes, from placement and measured thickness
 * 2 guest edges moved into their hosts and beveled to them
 * 3 outlines closed again between the moved edges
 * 4 slots cut into the hosts by the final guests
 * The family decides what meets what; every length, slot and bevel that follows is made here.
 */
import type { Length } from '../length/length.ts';
import { extend, minus, plus, type ExplainedLength, type LengthTerm } from '../explained/explained-length.ts';
import { lapOver, lapStrips } from './lap.ts';
import { isFace, type Connection, type Slot } from './connection.ts';
import { edgeFace, extentOf, outwardOf, place, type PanelCut, type PanelEdge, type EdgeId, type Face, type Panel, type PanelPoint } from './panel.ts';
import { dot, plusVector, scale, type Vector } from './vector.ts';

export interface ResolvedPanel extends Panel {
  readonly slots: readonly Slot[];
  /** Slots across the grain that break the far edge where that edge is visible: fibers tear there. */
  readonly tearing: readonly string[];
}

interface Plane {
  /** Unit normal, into the material. */
  readonly into: Vector;
  readonly at: number;
}

interface Move {
  readonly by: number;
  readonly bevel: number;
  readonly connection: Connection;
}

/** A connection that the sizes make impossible: an edge that no longer faces its host, or a panel flat on it. */
export interface ConnectionFault {
  readonly guest: string;
  readonly host: string;
  readonly reason: string;
}

/**
 * Panels with edges moved, bevels set and slots cut. Connections that the sizes make impossible go to `onFault` and are left out, or throw without one.
 * @throws RangeError on contradictory connections, a fault of the program
 */
export function resolve(panels: readonly Panel[], connections: readonly Connection[], onFault?: (fault: ConnectionFault) => void): ResolvedPanel[] {
  /** The result of `work`, or undefined after reporting an impossible connection. */
  const allowed = <T>({ guest, host }: Connection, work: () => T): T | undefined => {
    try {
      return work();
    } catch (error) {
      if (!onFault || !(error instanceof RangeError)) throw error;
      onFault({ guest, host, reason: error.message });
      return undefined;
    }
  };

  const placed = new Map(panels.map((panel) => [panel.id, panel]));
  const find = (id: string): Panel => {
    const panel = placed.get(id);
    if (!panel) throw new RangeError(`a meeting names the panel '${id}', which is not there`);
    return panel;
  };

  const moves = new Map<string, Map<EdgeId, Move>>();
  const claim = (panel: string, edge: EdgeId, move: Move): void => {
    const ofPanel = moves.get(panel) ?? new Map<EdgeId, Move>();
    if (ofPanel.has(edge)) throw new RangeError(`edge '${edge}' of '${panel}' meets two panels`);
    ofPanel.set(edge, move);
    moves.set(panel, ofPanel);
  };
  for (const connection of connections) {
    const guest = find(connection.guest);
    const host = find(connection.host);
    const { edge, face } = connection;
    if (isFace(edge) || connection.joint.kind === 'hinge' || connection.joint.kind === 'slide') continue;
    if (isFace(face)) {
      const move = allowed(connection, () => edgeMove(connection, edge, face, guest, host));
      if (move) claim(connection.guest, edge, move);
    } else if (connection.joint.kind === 'mitre') {
      claim(connection.guest, edge, { by: 0, bevel: mitreBevel(guest, edge, host), connection });
      claim(connection.host, face, { by: 0, bevel: mitreBevel(host, face, guest), connection });
    } else if (connection.joint.kind === 'half-lap') claim(connection.guest, edge, { by: lapOver(host, face), bevel: 0, connection });
    else claim(connection.guest, edge, { by: cuts(connection) ? connection.joint.depth - connection.joint.endPlay : 0, bevel: 0, connection });
  }

  const moved = new Map(panels.map((panel) => [panel.id, movePanel(panel, moves.get(panel.id))]));
  const slots = new Map<string, Slot[]>();
  const grooves = new Map<string, PanelCut[]>();
  const cut = (panel: string, slot: Slot): void => void slots.set(panel, [...(slots.get(panel) ?? []), slot]);
  for (const connection of connections) {
    if (connection.joint.kind === 'half-lap') {
      const lap = allowed(connection, () => lapStrips(connection, moved.get(connection.guest)!, moved.get(connection.host)!));
      if (lap) {
        cut(connection.host, lap.ofHost);
        cut(connection.guest, lap.ofGuest);
      }
      continue;
    }
    if (!cuts(connection)) continue;
    if (!isFace(connection.face)) {
      const { face } = connection;
      const groove = allowed(connection, () => edgeGroove(connection, face, moved.get(connection.guest)!, moved.get(connection.host)!));
      if (groove) grooves.set(connection.host, [...(grooves.get(connection.host) ?? []), groove]);
      continue;
    }
    const slot = allowed(connection, () => cutStrip(connection, moved.get(connection.guest)!, moved.get(connection.host)!));
    if (slot) cut(connection.host, slot);
  }
  return panels.map(({ id }) => {
    const panel = moved.get(id)!;
    const more = grooves.get(id);
    const own = slots.get(id) ?? [];
    const tearing = tearingStrips(panel, own, moves.get(id)?.get('far'));
    return { ...panel, slots: own, tearing, ...(more ? { cuts: [...panel.cuts, ...more] } : {}) };
  });
}

/** The far edge of a panel is its front: visible unless banded or covered by another part. */
function tearingStrips({ grain, bands }: Panel, slots: readonly Slot[], far: Move | undefined): string[] {
  const covered = bands.includes('far') || (far !== undefined && far.connection.joint.kind !== 'flush' && far.connection.joint.kind !== 'pins');
  if (grain !== 'length' || covered) return [];
  return slots.filter(({ normal, stoppedAt }) => Math.abs(normal.u) > Math.abs(normal.v) && !stoppedAt?.to).map(({ id }) => id);
}

/** Extra width of a piece until its slots are cut. [A] */
export const LEFT_WIDE = 3_000_000 as Length;

/** Extra width at a piece's far edge while its slots are cut, ripped off afterward: zero unless chosen and something would tear. */
export const leftWide = ({ slotExit, tearing }: Pick<ResolvedPanel, 'slotExit' | 'tearing'>): Length =>
  slotExit === 'wide' && tearing.length > 0 ? LEFT_WIDE : (0 as Length);

/** What a slot for a panel must take. */
const slotted = ({ ownThickness, thickness }: Panel): Length => ownThickness ?? thickness;

/** Least wood on a host's faces beside a groove in its edge. [A] */
const GROOVE_COVER = 1_000_000;

/**
 * A groove in an edge of the host, square to that edge's face, as wide as the guest plus its play.
 * @throws RangeError where it would come out through a face
 */
function edgeGroove({ id, joint }: Connection, edge: EdgeId, guest: Panel, host: Panel): PanelCut {
  const { across, out } = edgeFace(host, edge);
  const arris = place(host.frame, host.outline.find((each) => each.id === edge)!.from);
  const walls = [0, slotted(guest)].map((depth) => dot(across, place(guest.frame, { u: 0, v: 0 }, depth)) - dot(across, arris));
  const from = Math.round(Math.min(...walls)) - Math.floor(joint.play / 2);
  const width = slotted(guest) + joint.play;
  // Height of its corners above the reference face: square to a bevel, it leans toward one of the faces.
  const lies = dot(across, host.frame.w);
  const leans = -dot(out, host.frame.w) * joint.depth;
  const heights = [from * lies, (from + width) * lies, from * lies + leans, (from + width) * lies + leans];
  if (Math.min(...heights) < GROOVE_COVER || Math.max(...heights) > host.thickness - GROOVE_COVER)
    throw new RangeError(`the groove for '${guest.id}' comes out through a face of '${host.id}'`);
  return { kind: 'edge-groove', id, edge, from: from as Length, width: width as Length, depth: joint.depth, guest: guest.id };
}

/** A joint that removes wood from its host. */
export const cuts = ({ joint }: Connection): boolean => (joint.kind === 'dado' || joint.kind === 'rabbet') && joint.depth > 0;

/**
 * Half of a corner: the bevel that lays an edge on the plane through the shared corner that bisects the angle between two panels. Square corners give 45
 * degrees, a corner of an n-sided box 180 / n; leaning walls give their compound angle. docs/formulas/mitre-bevel.md
 */
function mitreBevel(guest: Panel, edge: EdgeId, host: Panel): number {
  const outward = outwardOf(guest.outline, edge);
  const { u, v, w } = guest.frame;
  const half = plusVector(w, host.frame.w);
  const across = dot(u, half) * outward.u + dot(v, half) * outward.v;
  return (Math.atan2(across, dot(w, half)) * 180) / Math.PI + 0;
}

function facePlane({ frame, thickness }: Panel, face: Face): Plane {
  if (face === 'reference') return { into: frame.w, at: dot(frame.w, frame.origin) };
  const into = scale(frame.w, -1);
  return { into, at: dot(into, frame.origin) - thickness };
}

/** How far an edge moves toward its host, and the bevel that lays it flat on the host's face. */
function edgeMove(connection: Connection, edge: EdgeId, face: Face, guest: Panel, host: Panel): Move {
  const plane = facePlane(host, face).into;
  // Flush with a face: the outward direction of the face; against one: the inward direction.
  const into = connection.joint.kind === 'flush' ? scale(plane, -1) : plane;
  const outward = outwardOf(guest.outline, edge);
  const { u, v, w } = guest.frame;
  const towards = dot(u, into) * outward.u + dot(v, into) * outward.v;
  if (towards < 1e-6) throw new RangeError(`edge '${edge}' of '${guest.id}' does not face '${host.id}'`);
  const { kind, depth, endPlay } = connection.joint;
  const reach = kind === 'butt' || kind === 'flush' ? 0 : kind === 'pins' ? 0 - endPlay : depth - endPlay;
  return {
    by: towards === 1 ? reach : Math.round(reach / towards),
    bevel: (Math.atan2(-dot(w, into), towards) * 180) / Math.PI + 0,
    connection,
  };
}

function movePanel(panel: Panel, moves: ReadonlyMap<EdgeId, Move> | undefined): Panel {
  if (!moves) return panel;
  const grown = (one: EdgeId, other: EdgeId): LengthTerm[] => [...grownBy(moves.get(one)), ...grownBy(moves.get(other))];
  const outline = moveOutline(panel.outline, moves);
  return {
    ...panel,
    outline,
    cuts: panel.cuts.map((cut) => (cut.kind === 'notch' ? stayPut(cut, panel.outline, outline) : cut)),
    length: extend(panel.length, grown('start', 'end')),
    width: extend(panel.width, grown('near', 'far')),
  };
}

/** What an edge's move adds to a panel, as terms of its explanation. */
function grownBy(move: Move | undefined): LengthTerm[] {
  if (!move || move.by === 0) return [];
  const { kind, depth, endPlay } = move.connection.joint;
  if (kind === 'pins') return [minus('side-clearance', endPlay)];
  if (kind === 'half-lap') return [plus('over-the-lap', move.by as Length)];
  const into = plus(kind === 'rabbet' ? 'into-rabbet' : 'into-dado', (move.by + endPlay) as Length);
  return endPlay === 0 || move.by !== depth - endPlay ? [plus(into.label.key, move.by as Length)] : [into, minus('end-play', endPlay)];
}

/** A notch stays where it was laid out, although the edge it is measured along now starts elsewhere. */
function stayPut<C extends Extract<PanelCut, { kind: 'notch' }>>(cut: C, before: readonly PanelEdge[], after: readonly PanelEdge[]): C {
  const outward = outwardOf(before, cut.edge);
  const [was, is] = [before, after].map((outline) => outline.find(({ id }) => id === cut.edge)!.from) as [PanelPoint, PanelPoint];
  const by = (was.u - is.u) * -outward.v + (was.v - is.v) * outward.u;
  return by === 0 ? cut : { ...cut, at: Math.round(cut.at + by) as Length };
}

function moveOutline(outline: readonly PanelEdge[], moves: ReadonlyMap<EdgeId, Move>): PanelEdge[] {
  const lines = outline.map((edge) => {
    const normal = outwardOf(outline, edge.id);
    const at = normal.u * edge.from.u + normal.v * edge.from.v;
    return { normal, at: at + (moves.get(edge.id)?.by ?? 0) };
  });
  return outline.map((edge, index) => {
    const before = lines[(index + lines.length - 1) % lines.length]!;
    const bevel = moves.get(edge.id)?.bevel;
    return { ...edge, from: crossing(before, lines[index]!), bevel: bevel ?? edge.bevel };
  });
}

interface Line {
  readonly normal: PanelPoint;
  readonly at: number;
}

function crossing(a: Line, b: Line): PanelPoint {
  const turn = a.normal.u * b.normal.v - a.normal.v * b.normal.u;
  return {
    u: (a.at * b.normal.v - b.at * a.normal.v) / turn + 0,
    v: (b.at * a.normal.u - a.at * b.normal.u) / turn + 0,
  };
}

/**
 * The guest's slab, widened by the play, intersected with the host to the joint's depth. Walls are square to the host's face, so a guest leaning by t needs
 * thickness / cos t + depth tan t.
 */
function cutStrip(connection: Connection, guest: Panel, host: Panel): Slot {
  const { joint } = connection;
  const face = connection.face as Face;
  const { into } = facePlane(host, face);
  const faceOrigin = face === 'reference' ? host.frame.origin : place(host.frame, { u: 0, v: 0 }, host.thickness);
  const across = guest.frame.w;
  const a = dot(across, host.frame.u);
  const b = dot(across, host.frame.v);
  const size = Math.hypot(a, b);
  if (size < 1e-9) throw new RangeError(`'${guest.id}' lies flat on '${host.id}' and cannot be let into it`);
  const sign = a > 1e-9 || (Math.abs(a) <= 1e-9 && b > 0) ? 1 : -1;
  const normal = { u: (sign * a) / size + 0, v: (sign * b) / size + 0 };

  // A rabbet is a step at an edge: its shoulder has no play, and it runs out over the nearer edge.
  const play = joint.kind === 'rabbet' ? 0 : joint.play;
  const low = Math.floor(play / 2);
  const reference = dot(across, guest.frame.origin);
  const lean = dot(across, into);
  const face0 = dot(across, faceOrigin);
  const wall = (at: number, depth: number): number => (sign * (at - face0 - lean * depth)) / size;
  const [one, other] = [reference - low, reference + slotted(guest) + (play - low)];
  const walls = [wall(one, 0), wall(one, joint.depth), wall(other, 0), wall(other, joint.depth)];
  const board = spread(host, normal);
  let near = Math.min(...walls);
  let far = Math.max(...walls);
  if (joint.kind === 'rabbet') {
    if (near - board.from < board.to - far) near = board.from;
    else far = board.to;
  }
  const open = near <= board.from || far >= board.to;
  const kind = open ? 'rabbet' : Math.abs(normal.u) >= Math.abs(normal.v) ? 'dado' : 'groove';
  const run = alongStrip(normal);
  const whole = spread(host, run);
  const strip = { id: connection.id, kind, face, normal, near, far, ...whole, depth: joint.depth, guest: guest.id, play: play as Length } as const;
  if (!joint.stopped) return strip;
  const ends = endsOf(guest, host, run);
  const stoppedAt = { from: ends.from > whole.from + TOUCHES, to: ends.to < whole.to - TOUCHES };
  return { ...strip, stoppedAt, from: stoppedAt.from ? ends.from : whole.from, to: stoppedAt.to ? ends.to : whole.to };
}

/** A guest this close to the host's edge, nm, has its slot run out over it. */
const TOUCHES = 1000;

/** Extent of a guest along a direction of its host's plane, from the host's origin. */
function endsOf(guest: Panel, host: Panel, run: PanelPoint): { from: number; to: number } {
  const direction = plusVector(scale(host.frame.u, run.u), scale(host.frame.v, run.v));
  const zero = dot(direction, host.frame.origin);
  const reach = [0, guest.thickness].flatMap((depth) => guest.outline.map(({ from }) => dot(direction, place(guest.frame, from, depth)) - zero));
  return { from: Math.round(Math.min(...reach)), to: Math.round(Math.max(...reach)) };
}

/** The direction a slot runs in; +u or +v for square ones, so that positions read from the panel's own ends. */
export function alongStrip(normal: PanelPoint): PanelPoint {
  if (normal.u === 1) return { u: 0, v: 1 };
  if (normal.v === 1) return { u: 1, v: 0 };
  return { u: -normal.v, v: normal.u };
}

/** Extent of a panel's outline along a direction of its plane. */
function spread(panel: Panel, direction: PanelPoint): { from: number; to: number } {
  const values = panel.outline.map(({ from }) => from.u * direction.u + from.v * direction.v);
  return { from: Math.min(...values), to: Math.max(...values) };
}

/** Finished length and width of a resolved panel's reference face. */
export function sizeOf(panel: Panel): { length: ExplainedLength; width: ExplainedLength; exact: boolean } {
  const u = extentOf(panel.outline, 'u');
  const v = extentOf(panel.outline, 'v');
  return { length: panel.length, width: panel.width, exact: u.to - u.from === panel.length.value && v.to - v.from === panel.width.value };
}
