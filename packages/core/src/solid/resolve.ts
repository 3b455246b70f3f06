/**
 * Resolves meetings in passes, none of which reads a later one:
 *   1 host planes, from placement and measured thickness
 *   2 guest edges moved into their hosts and bevelled to them
 *   3 outlines closed again between the moved edges
 *   4 strips cut into the hosts by the final guests
 * What meets what is the family's business; every length, slot and bevel that follows is made here.
 */
import type { Length } from '../length/length.ts';
import { extend, minus, plus, type Dimension, type LengthTerm } from '../worked/dimension.ts';
import { isFace, type Meeting, type Strip } from './meeting.ts';
import { extentOf, place, type Edge, type EdgeId, type Face, type Panel, type Point } from './panel.ts';
import { dot, plusVector, scale, type Vector } from './vector.ts';

export interface ResolvedPanel extends Panel {
  readonly strips: readonly Strip[];
}

interface Plane {
  /** Unit normal, into the material. */
  readonly into: Vector;
  readonly at: number;
}

interface Move {
  readonly by: number;
  readonly bevel: number;
  readonly meeting: Meeting;
}

/** Panels with edges moved, bevels set and strips cut. Throws a RangeError when meetings contradict each other. */
export function resolve(panels: readonly Panel[], meetings: readonly Meeting[]): ResolvedPanel[] {
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
  for (const meeting of meetings) {
    const guest = find(meeting.guest);
    const host = find(meeting.host);
    const { edge, face } = meeting;
    if (isFace(edge)) continue;
    if (isFace(face)) claim(meeting.guest, edge, edgeMove(meeting, edge, face, guest, host));
    else if (meeting.joint.kind === 'mitre') {
      claim(meeting.guest, edge, { by: 0, bevel: mitreBevel(guest, edge, host), meeting });
      claim(meeting.host, face, { by: 0, bevel: mitreBevel(host, face, guest), meeting });
    } else claim(meeting.guest, edge, { by: 0, bevel: 0, meeting });
  }

  const moved = new Map(panels.map((panel) => [panel.id, movePanel(panel, moves.get(panel.id))]));
  const strips = new Map<string, Strip[]>();
  for (const meeting of meetings) {
    if (!cuts(meeting)) continue;
    const strip = cutStrip(meeting, moved.get(meeting.guest)!, moved.get(meeting.host)!);
    strips.set(meeting.host, [...(strips.get(meeting.host) ?? []), strip]);
  }
  return panels.map(({ id }) => ({ ...moved.get(id)!, strips: strips.get(id) ?? [] }));
}

/** A joint that takes wood out of its host. */
export const cuts = ({ joint }: Meeting): boolean => (joint.kind === 'dado' || joint.kind === 'rabbet') && joint.depth > 0;

/**
 * Half of a corner: the bevel that lays an edge on the plane through the shared corner that halves the
 * angle between two panels. Square corners give 45 degrees, a corner of an n-sided box 180 / n; walls
 * that lean give their compound angle. docs/formulas/mitre-bevel.md
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

/** How far an edge goes towards its host, and the bevel that lays it flat on the host's face. */
function edgeMove(meeting: Meeting, edge: EdgeId, face: Face, guest: Panel, host: Panel): Move {
  const { into } = facePlane(host, face);
  const outward = outwardOf(guest.outline, edge);
  const { u, v, w } = guest.frame;
  const towards = dot(u, into) * outward.u + dot(v, into) * outward.v;
  if (towards < 1e-6) throw new RangeError(`edge '${edge}' of '${guest.id}' does not face '${host.id}'`);
  const { kind, depth, endPlay } = meeting.joint;
  const reach = kind === 'butt' ? 0 : kind === 'pins' ? -endPlay : depth - endPlay;
  return {
    by: towards === 1 ? reach : Math.round(reach / towards),
    bevel: (Math.atan2(-dot(w, into), towards) * 180) / Math.PI + 0,
    meeting,
  };
}

function movePanel(panel: Panel, moves: ReadonlyMap<EdgeId, Move> | undefined): Panel {
  if (!moves) return panel;
  const grown = (ids: readonly EdgeId[]): LengthTerm[] =>
    ids.flatMap((id) => {
      const move = moves.get(id);
      if (!move || move.by === 0) return [];
      const { kind, depth, endPlay } = move.meeting.joint;
      if (kind === 'pins') return [minus('side-clearance', endPlay)];
      const into = plus(kind === 'rabbet' ? 'into-rabbet' : 'into-dado', (move.by + endPlay) as Length);
      return endPlay === 0 || move.by !== depth - endPlay ? [plus(into.label.key, move.by as Length)] : [into, minus('end-play', endPlay)];
    });
  return {
    ...panel,
    outline: moveOutline(panel.outline, moves),
    length: extend(panel.length, grown(['start', 'end'])),
    width: extend(panel.width, grown(['near', 'far'])),
  };
}

function moveOutline(outline: readonly Edge[], moves: ReadonlyMap<EdgeId, Move>): Edge[] {
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
  readonly normal: Point;
  readonly at: number;
}

function crossing(a: Line, b: Line): Point {
  const turn = a.normal.u * b.normal.v - a.normal.v * b.normal.u;
  return {
    u: (a.at * b.normal.v - b.at * a.normal.v) / turn + 0,
    v: (b.at * a.normal.u - a.at * b.normal.u) / turn + 0,
  };
}

/** Unit vector in (u, v) that points out of the outline across an edge. */
export function outwardOf(outline: readonly Edge[], id: EdgeId): Point {
  const index = outline.findIndex((edge) => edge.id === id);
  if (index < 0) throw new RangeError(`there is no edge '${id}'`);
  const from = outline[index]!.from;
  const to = outline[(index + 1) % outline.length]!.from;
  const run = Math.hypot(to.u - from.u, to.v - from.v);
  return { u: (to.v - from.v) / run, v: (from.u - to.u) / run + 0 };
}

/**
 * The guest's slab, widened by the play, intersected with the host to the joint's depth. Walls are
 * square to the host's face, so a guest that leans by t needs thickness / cos t + depth tan t.
 */
function cutStrip(meeting: Meeting, guest: Panel, host: Panel): Strip {
  const { joint } = meeting;
  const face = meeting.face as Face;
  const { into } = facePlane(host, face);
  const faceOrigin = face === 'reference' ? host.frame.origin : place(host.frame, { u: 0, v: 0 }, host.thickness);
  const across = guest.frame.w;
  const a = dot(across, host.frame.u);
  const b = dot(across, host.frame.v);
  const size = Math.hypot(a, b);
  if (size < 1e-9) throw new RangeError(`'${guest.id}' lies flat on '${host.id}' and cannot be let into it`);
  const sign = a > 1e-9 || (Math.abs(a) <= 1e-9 && b > 0) ? 1 : -1;
  const normal = { u: (sign * a) / size + 0, v: (sign * b) / size + 0 };

  // A rabbet is a step on an edge: its shoulder takes no play, and it runs out over the nearer edge.
  const play = joint.kind === 'rabbet' ? 0 : joint.play;
  const low = Math.floor(play / 2);
  const reference = dot(across, guest.frame.origin);
  const lean = dot(across, into);
  const walls = [reference - low, reference + guest.thickness + (play - low)].flatMap((at) =>
    [0, joint.depth].map((depth) => (sign * (at - dot(across, faceOrigin) - lean * depth)) / size),
  );
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
  const strip = { id: meeting.id, kind, face, normal, near, far, ...whole, depth: joint.depth, guest: guest.id, play: play as Length } as const;
  if (!joint.stopped) return strip;
  const ends = endsOf(guest, host, run);
  const stoppedAt = { from: ends.from > whole.from + TOUCHES, to: ends.to < whole.to - TOUCHES };
  return { ...strip, stoppedAt, from: stoppedAt.from ? ends.from : whole.from, to: stoppedAt.to ? ends.to : whole.to };
}

/** A guest that comes this near to the host's edge, nm, has its slot run out over it. */
const TOUCHES = 1000;

/** How far a guest reaches along a direction of its host's plane, from the host's origin. */
function endsOf(guest: Panel, host: Panel, run: Point): { from: number; to: number } {
  const direction = plusVector(scale(host.frame.u, run.u), scale(host.frame.v, run.v));
  const zero = dot(direction, host.frame.origin);
  const reach = [0, guest.thickness].flatMap((depth) => guest.outline.map(({ from }) => dot(direction, place(guest.frame, from, depth)) - zero));
  return { from: Math.round(Math.min(...reach)), to: Math.round(Math.max(...reach)) };
}

/** The direction a strip runs in; +u or +v for square strips, so that positions read from the panel's own ends. */
export function alongStrip(normal: Point): Point {
  if (normal.u === 1) return { u: 0, v: 1 };
  if (normal.v === 1) return { u: 1, v: 0 };
  return { u: -normal.v, v: normal.u };
}

/** Extent of a panel's outline along a direction of its plane. */
function spread(panel: Panel, direction: Point): { from: number; to: number } {
  const values = panel.outline.map(({ from }) => from.u * direction.u + from.v * direction.v);
  return { from: Math.min(...values), to: Math.max(...values) };
}

/** Finished length and width of a resolved panel's reference face. */
export function sizeOf(panel: Panel): { length: Dimension; width: Dimension; exact: boolean } {
  const u = extentOf(panel.outline, 'u');
  const v = extentOf(panel.outline, 'v');
  return { length: panel.length, width: panel.width, exact: u.to - u.from === panel.length.value && v.to - v.from === panel.width.value };
}
