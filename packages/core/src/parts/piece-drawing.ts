/**
 * A piece lying flat on the bench, to be cut: outline, slots in its upper and lower face, holes. Cuts in an edge cannot be seen from above and are given as
 * text features. Millimeters from the corner of the blank, x along its length.
 */
import polygonClipping from 'polygon-clipping';
import { drillingOf, type Drilled } from '../joints/drilling.ts';
import { NM_PER, toMm } from '../length/length.ts';
import { notchFrame } from '../solid/convex.ts';
import { isFace } from '../solid/connection.ts';
import type { PanelCut, Face, PanelPoint } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { scoopRadius, sliceOf, stripPolygon } from '../solid/volume.ts';
import type { Label } from '../explained/explained-length.ts';
import type { Corner, FlatPoint } from './corner.ts';
import { blankBox, type Feature } from './features.ts';
import type { PartLine } from './part-line.ts';

export interface PieceSlot {
  readonly kind: 'dado' | 'groove' | 'rabbet';
  /** On the lower face. */
  readonly under: boolean;
  readonly depthMm: number;
  readonly shape: readonly FlatPoint[];
  /** The panel that goes in. */
  readonly guest: string;
}

export interface PieceHole extends FlatPoint {
  readonly under: boolean;
  readonly diameterMm: number;
  /** Null goes through. */
  readonly depthMm: number | null;
  readonly reason: Label;
}

export interface PieceDrawing {
  /** The upper face: the one with more cuts. */
  readonly up: Face;
  /** The blank's long edge at the bottom of the drawing. */
  readonly below: 'near' | 'far';
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly thicknessMm: number;
  /** Of the upper face, counterclockwise, with notches removed; the blank itself for a board that is ripped into others. */
  readonly outline: readonly Corner[];
  /** Of the lower face, where edges are not square. */
  readonly underOutline: readonly Corner[] | null;
  readonly slots: readonly PieceSlot[];
  readonly holes: readonly PieceHole[];
  /** Lengthwise rips: distance from its lower edge, and blade tilt. */
  readonly rips: readonly { readonly atMm: number; readonly tiltDeg: number }[];
  /** Cut into its edges. */
  readonly sideways: readonly Feature[];
}

/** Maps a panel's (u, v), mm, to the bench. */
interface Laid {
  readonly spot: (point: PanelPoint) => FlatPoint;
  /** Seen from the other side, arcs turn the other way. */
  readonly turned: boolean;
}

/** The drawing of one piece of a cut list line. `cabinet`: the line's; a board of a wall rail has none. Source of the orientation: docs/format/dxf.md. */
export function pieceDrawing(line: PartLine, cabinet: ResolvedCabinet | null): PieceDrawing {
  const size = { lengthMm: toMm(line.length.value), widthMm: toMm(line.width.value), thicknessMm: toMm(line.thickness) };
  const panel = line.role === 'cleat-blank' ? undefined : cabinet?.byId.get(line.panels[0]!);
  const sideways = line.features.filter(({ face, kind }) => face === 'edge' && (kind === 'groove' || kind === 'holes'));
  if (!panel || !cabinet)
    return {
      ...size,
      up: 'reference',
      below: 'near',
      outline:
        line.outline ??
        corners([
          { x: 0, y: 0 },
          { x: size.lengthMm, y: 0 },
          { x: size.lengthMm, y: size.widthMm },
          { x: 0, y: size.widthMm },
        ]),
      underOutline: null,
      slots: [],
      holes: [],
      rips: line.features.flatMap(({ kind, at, tiltDeg }) => (kind === 'bevel-rip' ? [{ atMm: toMm(at), tiltDeg }] : [])),
      sideways,
    };
  const drilled = drillingOf(cabinet.byId, cabinet.connections).get(panel.id) ?? [];
  const up = busierFace(panel, drilled);
  const laid = layDown(panel, up);
  const faces = { reference: 0, other: toMm(panel.thickness) } as const;
  const under: Face = up === 'reference' ? 'other' : 'reference';
  const outlineOf = (face: Face): Corner[] => notched(panel, bandless(panel, sliceOf(panel.outline, faces[face])), laid);
  return {
    ...size,
    up,
    // Turned over edge for edge, so that its ends stay.
    below: up === 'reference' ? 'far' : 'near',
    outline: outlineOf(up),
    underOutline: panel.outline.some(({ bevel }) => Math.abs(bevel) > 1e-9) ? outlineOf(under) : null,
    slots: panel.slots.flatMap((slot) => {
      const shape = stripPolygon(sliceOf(panel.outline, faces[slot.face]), slot);
      if (shape.length < 3) return [];
      const { kind, face, depth, guest } = slot;
      return [{ kind, under: face !== up, depthMm: toMm(depth), shape: shape.map(laid.spot), guest }];
    }),
    holes: [...panel.cuts.flatMap((cut) => rowOf(cut, up, laid)), ...drilled.flatMap((row) => drilledRow(row, up, laid))],
    rips: [],
    sideways,
  };
}

/** Slots weigh most; then blind holes. On a tie, the face whose outline is counterclockwise. */
function busierFace({ slots, cuts }: ResolvedPanel, drilled: readonly Drilled[]): Face {
  const count = { reference: 0, other: 0 };
  for (const { face } of slots) count[face] += 1000;
  for (const cut of cuts) if (cut.kind === 'holes' && cut.depth !== null) count[cut.face] += cut.count;
  for (const { on, depth, count: holes } of drilled) if (isFace(on) && depth !== null) count[on] += holes;
  return count.reference > count.other ? 'reference' : 'other';
}

/** With the other face up (u, v) is kept; with the reference face up it is turned over edge for edge, so that its ends stay. */
function layDown(panel: ResolvedPanel, up: Face): Laid {
  const { u0, v0, v1 } = blankBox(panel);
  const band = (edge: 'start' | 'near' | 'far'): number => (panel.bands.includes(edge) ? toMm(panel.bandThickness) : 0);
  const turned = up === 'reference';
  const left = u0 / NM_PER.mm + band('start');
  const low = turned ? v1 / NM_PER.mm - band('far') : v0 / NM_PER.mm + band('near');
  return { turned, spot: ({ u, v }) => ({ x: u - left + 0, y: (turned ? low - v : v - low) + 0 }) };
}

const corners = (spots: readonly FlatPoint[]): Corner[] => spots.map((spot) => ({ ...spot, bulge: 0 }));

/** Edge band is applied later: the wood ends that much earlier. */
function bandless(panel: ResolvedPanel, outline: readonly PanelPoint[]): PanelPoint[] {
  if (panel.bands.length === 0) return [...outline];
  const thick = toMm(panel.bandThickness);
  const lines = panel.outline.map(({ id }, index) => {
    const [a, b] = [outline[index]!, outline[(index + 1) % outline.length]!];
    const run = Math.hypot(b.u - a.u, b.v - a.v) || 1;
    const out = { u: (b.v - a.v) / run, v: (a.u - b.u) / run };
    return { out, at: out.u * a.u + out.v * a.v - (panel.bands.includes(id) ? thick : 0) };
  });
  return lines.map(({ out, at }, index) => {
    const before = lines[(index + lines.length - 1) % lines.length]!;
    const turn = before.out.u * out.v - before.out.v * out.u;
    // Two collinear sides meet where they met.
    if (Math.abs(turn) < 1e-9) return outline[index]!;
    return { u: (before.at * out.v - at * before.out.v) / turn, v: (at * before.out.u - before.at * out.u) / turn };
  });
}

type Notch = Extract<PanelCut, { kind: 'notch' }>;

/** An outline (mm in the panel) with its notches removed, on the bench. */
function notched(panel: ResolvedPanel, outline: readonly PanelPoint[], { spot, turned }: Laid): Corner[] {
  const notches = panel.cuts.filter((cut) => cut.kind === 'notch');
  const square = notches.filter(({ round }) => !round);
  const ring = (points: readonly PanelPoint[]): [number, number][] => points.map(({ u, v }) => [u, v]);
  let points = outline;
  if (square.length > 0) {
    const [left] = polygonClipping.difference([ring(outline)], ...square.map((cut): [number, number][][] => [ring(notchMouth(panel, cut, 1).square)]));
    // Where nothing would be left, which is a finding, it is drawn without its notches.
    if (left) points = left[0]!.slice(0, -1).map(([u, v]) => ({ u, v }));
  }
  let sides: { readonly from: PanelPoint; readonly bulge: number }[] = points.map((from) => ({ from, bulge: 0 }));
  for (const cut of notches) if (cut.round) sides = withRound(sides, panel, cut);
  const laid = sides.map(({ from, bulge }) => ({ ...spot(from), bulge }));
  if (!turned) return laid;
  // Seen from the other side the outline is reversed, each arc between the same two corners.
  return laid.map((_, index) => {
    const { x, y } = laid[laid.length - 1 - index]!;
    return { x, y, bulge: laid[(2 * laid.length - 2 - index) % laid.length]!.bulge };
  });
}

/** Mouth of a notch, and its rectangle; `past`: extension of the rectangle over the edge, mm. */
function notchMouth(
  panel: ResolvedPanel,
  cut: Notch,
  past: number,
): { readonly a: PanelPoint; readonly b: PanelPoint; readonly in: PanelPoint; readonly square: PanelPoint[] } {
  const { from, along, inward } = notchFrame(panel, cut.edge);
  const [at, half, deep] = [toMm(cut.at), toMm(cut.width) / 2, toMm(cut.depth)];
  const point = (run: number, depth: number): PanelPoint => ({
    u: from.u / NM_PER.mm + along.u * run + inward.u * depth,
    v: from.v / NM_PER.mm + along.v * run + inward.v * depth,
  });
  return {
    a: point(at - half, 0),
    b: point(at + half, 0),
    in: inward,
    square: [point(at - half, -past), point(at + half, -past), point(at + half, deep), point(at - half, deep)],
  };
}

/** Corners closer than this are one, mm. */
const SAME = 1e-6;

/** Inserts a round notch into the straight side it opens in: a half circle at the end of straight walls, or a scoop. */
function withRound(
  sides: readonly { readonly from: PanelPoint; readonly bulge: number }[],
  panel: ResolvedPanel,
  cut: Notch,
): { readonly from: PanelPoint; readonly bulge: number }[] {
  const { a, b, in: inward } = notchMouth(panel, cut, 0);
  const [width, depth] = [toMm(cut.width), toMm(cut.depth)];
  const index = sides.findIndex(({ from, bulge }, n) => {
    const to = sides[(n + 1) % sides.length]!.from;
    const run = Math.hypot(to.u - from.u, to.v - from.v);
    const along = ({ u, v }: PanelPoint): number => ((u - from.u) * (to.u - from.u) + (v - from.v) * (to.v - from.v)) / run;
    const off = ({ u, v }: PanelPoint): number => Math.abs((u - from.u) * (to.v - from.v) - (v - from.v) * (to.u - from.u)) / run;
    return bulge === 0 && run > SAME && off(a) < 1 && off(b) < 1 && along(a) > -SAME && along(a) < along(b) && along(b) < run + SAME;
  });
  if (index < 0) return [...sides];
  const deep = (from: PanelPoint, by: number): PanelPoint => ({ u: from.u + inward.u * by, v: from.v + inward.v * by });
  const scoop = depth < width / 2;
  const arc = scoop ? -Math.tan(Math.asin(width / (2 * scoopRadius(width, depth))) / 2) : -1;
  const walls = depth - width / 2;
  const mouth = scoop
    ? [
        { from: a, bulge: arc },
        { from: b, bulge: 0 },
      ]
    : [
        { from: a, bulge: 0 },
        { from: deep(a, walls), bulge: arc },
        { from: deep(b, walls), bulge: 0 },
        { from: b, bulge: 0 },
      ];
  return [...sides.slice(0, index + 1), ...mouth, ...sides.slice(index + 1)];
}

function rowOf(cut: PanelCut, up: Face, laid: Laid): PieceHole[] {
  if (cut.kind !== 'holes') return [];
  return row(cut, { under: cut.depth !== null && cut.face !== up, diameterMm: toMm(cut.diameter), depthMm: cut.depth === null ? null : toMm(cut.depth) }, laid);
}

function drilledRow({ on, depth, diameter, ...rest }: Drilled, up: Face, laid: Laid): PieceHole[] {
  if (!isFace(on)) return [];
  return row(rest, { under: depth !== null && on !== up, diameterMm: toMm(diameter), depthMm: depth === null ? null : toMm(depth) }, laid);
}

function row(
  { at, step, count, reason }: Pick<Drilled, 'at' | 'step' | 'count' | 'reason'>,
  hole: Pick<PieceHole, 'under' | 'diameterMm' | 'depthMm'>,
  { spot }: Laid,
): PieceHole[] {
  return Array.from({ length: count }, (_, k) => ({
    ...hole,
    ...spot({ u: (at.u + step.u * k) / NM_PER.mm, v: (at.v + step.v * k) / NM_PER.mm }),
    reason,
  }));
}
