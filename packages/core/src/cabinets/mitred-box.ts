/**
 * The mitered box: three to eight boards in a ring with mitered corners, on a back. Walls may lean outward; the compound angles follow from the dihedral
 * angles. It hangs on one cleat, or on two for given rails.
 */
import { NM_PER, roundToNm, toMm, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, place, type PanelEdge, type Panel, type PanelPoint, type Role } from '../solid/panel.ts';
import type { Compartment, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, cross, dot, plusVector, scale, UP, vector, type Vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { gapBehind, own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import type { DesignFault } from './family.ts';
import { placeHanging } from './cleat-build.ts';
import { jointOf, LOOSE, connect } from './joinery.ts';
import { inOrder } from './spaces.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { MitredBox, RingSide } from '../model/specs/mitred-box.ts';

export function newMitredBox(start: NewSpec): MitredBox {
  const { unit, stock } = start;
  const side = (id: string, order: number, turnDeg: number): RingSide => ({ id, order, length: pick(unit, '300', '12'), turnDeg });
  const base = newBase('mitred-box', start, ['bottom']);
  return {
    ...base,
    hanging: {
      ...base.hanging,
      rail: null,
      drop: pick(unit, '60', '2 3/8'),
      boardWidth: pick(unit, '120', '4 3/4'),
      cabinetScrew: { ...base.hanging.cabinetScrew, length: pick(unit, '30', '1 1/4') },
    },
    ring: 'equal',
    sides: 6,
    stands: 'flat',
    leanDeg: 0,
    backStock: stock,
    spline: null,
    chosen: Object.fromEntries([side('r1', 1, 90), side('r2', 2, 60), side('r3', 3, 60)].map((each) => [each.id, each])),
  };
}

/** Corners of the ring seen from the front, clockwise, the bottom side first; mm from its own lower left. */
export function ringCorners(box: MitredBox): PanelPoint[] {
  const corners = box.ring === 'equal' ? equalRing(box) : chosenRing(inOrder(box.chosen));
  const left = Math.min(...corners.map(({ u }) => u));
  const low = Math.min(...corners.map(({ v }) => v));
  return corners.map(({ u, v }) => ({ u: u - left, v: v - low }));
}

function equalRing({ sides: n, stands, width }: MitredBox): PanelPoint[] {
  // The bottom side runs from right to left: clockwise.
  const start = stands === 'flat' ? -Math.PI / 2 + Math.PI / n : -Math.PI / 2;
  const unit = Array.from({ length: n }, (_, k) => ({ u: Math.cos(start - (2 * Math.PI * k) / n), v: Math.sin(start - (2 * Math.PI * k) / n) }));
  const us = unit.map(({ u }) => u);
  const size = toMm(width.nm) / (Math.max(...us) - Math.min(...us));
  return unit.map(({ u, v }) => ({ u: u * size, v: v * size }));
}

function chosenRing(sides: readonly RingSide[]): PanelPoint[] {
  const corners: PanelPoint[] = [{ u: 0, v: 0 }];
  let heading = Math.PI;
  for (const { length, turnDeg } of sides) {
    const { u, v } = corners.at(-1)!;
    corners.push({ u: u + toMm(length.nm) * Math.cos(heading), v: v + toMm(length.nm) * Math.sin(heading) });
    heading -= (turnDeg * Math.PI) / 180;
  }
  return corners;
}

/** Why the sides form no ring; null for a sound one. */
export function ringFault(box: MitredBox): DesignFault | null {
  const corners = ringCorners(box);
  const fault = (message: string) => ({
    code: 'ring',
    path: box.ring === 'equal' ? ['sides'] : ['chosen'],
    message,
    accepted: 'three to eight sides that turn one way and close',
  });
  if (corners.length < 3 || corners.length > 8) return fault(`a ring of ${corners.length} sides cannot be mitred here`);
  const turns = corners.map((corner, index) => {
    const before = corners[(index + corners.length - 1) % corners.length]!;
    const next = corners[(index + 1) % corners.length]!;
    return (corner.u - before.u) * (next.v - corner.v) - (corner.v - before.v) * (next.u - corner.u);
  });
  const short = corners.some(
    (corner, index) => Math.hypot(corners[(index + 1) % corners.length]!.u - corner.u, corners[(index + 1) % corners.length]!.v - corner.v) < 20,
  );
  return turns.every((turn) => turn < -1) && !short ? null : fault('its sides do not close, or turn inwards');
}

interface RingFrame extends HungFrame<MitredBox> {
  readonly rear: Length;
  readonly back: Length;
  /** Outer corners at the back's front face, and at the front; nm, in the cabinet frame. */
  readonly corners: readonly PanelPoint[];
  readonly frontCorners: readonly PanelPoint[];
  readonly depth: ExplainedLength;
  readonly size: { readonly width: Length; readonly height: Length };
}

const id = ({ spec }: Pick<RingFrame, 'spec'>, rest: string): string => `${spec.id}/${rest}`;

function ringFrame(box: MitredBox, stockOf: StockOf): RingFrame {
  const T = thicknessTerm({ stockOf }, box.stock).value;
  const back = thicknessTerm({ stockOf }, box.backStock);
  const rear = gapBehind(box, stockOf);
  const deep = box.depth.nm - back.value;
  const spreadMm = (deep / NM_PER.mm) * Math.tan((box.leanDeg * Math.PI) / 180);
  const inner = ringCorners(box);
  const outer = offset(inner, spreadMm);
  // The front is the larger ring and sets the cabinet's left and bottom.
  const left = Math.min(...outer.map(({ u }) => u));
  const low = Math.min(...outer.map(({ v }) => v));
  const place = (corners: readonly PanelPoint[]): PanelPoint[] =>
    corners.map(({ u, v }) => ({ u: Math.round((u - left) * NM_PER.mm), v: Math.round((v - low) * NM_PER.mm) }));
  const corners = place(inner);
  const frontCorners = place(outer);
  const size = { width: Math.max(...frontCorners.map(({ u }) => u)) as Length, height: Math.max(...frontCorners.map(({ v }) => v)) as Length };
  const backTop = Math.max(...corners.map(({ v }) => v)) as Length;
  const span = chord(corners, backTop - box.hanging.drop.nm, toMm(box.hanging.boardWidth.nm) * NM_PER.mm);
  const foot = footOf(corners, box.hanging.spacer?.height.nm ?? 0, size.width);
  return {
    spec: { ...box, hanging: { ...box.hanging, rail: null } },
    stockOf,
    T,
    rear,
    back: back.value,
    corners,
    frontCorners,
    size,
    depth: explainedLength([plus('depth', box.depth.nm, { source: own(box, 'depth') }), minus('back', back.value, { source: back.source })]),
    behind: { left: span.left, length: explainedLength([plus('ring-chord', span.length)]) },
    behindFoot: { left: foot.left, length: explainedLength([plus('ring-chord', foot.length)]) },
    footUp: foot.up,
    topUp: backTop,
    insideLeft: span.left,
    insideWidth: explainedLength([plus('ring-chord', span.length)]),
    ceiling: (backTop - T) as Length,
    insideRear: (rear + back.value) as Length,
    floorMid: Math.min(...corners.map(({ v }) => v)) + T / 2,
  };
}

/** Least length of a spacer, as a share of the ring's width. [A] */
const SPACER_SHARE = 1 / 10;

/** The lowest stretch of the ring wide enough for a spacer of this height: a ring on its corner has none at its foot. */
function footOf(corners: readonly PanelPoint[], high: number, width: number): { left: Length; length: Length; up: Length } {
  const [low, top] = [Math.min(...corners.map(({ v }) => v)), Math.max(...corners.map(({ v }) => v))];
  for (let up = low; up + high < top; up += 5 * NM_PER.mm) {
    const span = chord(corners, up + high, high);
    if (span.length >= width * SPACER_SHARE) return { ...span, up: up as Length };
  }
  return { ...chord(corners, low + high, high), up: low as Length };
}

/** The ring, offset outward by a distance. */
function offset(corners: readonly PanelPoint[], by: number): PanelPoint[] {
  const n = corners.length;
  const lines = corners.map((a, index) => {
    const b = corners[(index + 1) % n]!;
    const run = Math.hypot(b.u - a.u, b.v - a.v);
    // Clockwise: outward is to the left.
    const normal = { u: (a.v - b.v) / run, v: (b.u - a.u) / run };
    return { normal, at: normal.u * a.u + normal.v * a.v + by };
  });
  return lines.map((line, index) => {
    const before = lines[(index + n - 1) % n]!;
    const turn = before.normal.u * line.normal.v - before.normal.v * line.normal.u;
    return { u: (before.at * line.normal.v - line.at * before.normal.v) / turn, v: (line.at * before.normal.u - before.at * line.normal.u) / turn };
  });
}

/** Width of the ring over a range of heights: the limit for a board behind it. */
function chord(corners: readonly PanelPoint[], top: number, high: number): { left: Length; length: Length } {
  const at = (up: number): [number, number] => {
    const crossings = corners.flatMap((a, index) => {
      const b = corners[(index + 1) % corners.length]!;
      if ((a.v - up) * (b.v - up) > 0 || a.v === b.v) return [];
      return [a.u + ((up - a.v) / (b.v - a.v)) * (b.u - a.u)];
    });
    return crossings.length > 0 ? [Math.min(...crossings), Math.max(...crossings)] : [0, 0];
  };
  const [a, b] = [at(top), at(top - high)];
  const left = Math.ceil(Math.max(a[0], b[0]) / NM_PER.mm) * NM_PER.mm;
  const right = Math.floor(Math.min(a[1], b[1]) / NM_PER.mm) * NM_PER.mm;
  return { left: left as Length, length: Math.max(NM_PER.mm, right - left) as Length };
}

export function buildMitredBox(box: MitredBox, stockOf: StockOf): CabinetGeometry {
  const base = ringFrame(box, stockOf);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const walls = base.corners.map((_, index) => wall(base, index));
  const splines = splineStock(box) === null ? [] : walls.map((panel, index) => spline(base, panel, walls[(index + 1) % walls.length]!));
  return {
    id: box.id,
    panels: [...walls, ...splines, backPanel(base), ...hangingPanels],
    connections: connections(base, walls, splines),
    compartments: compartments(base, walls),
    hardware: [],
    hanging,
    outside: {
      width: explainedLength([plus('ring-width', base.size.width, box.ring === 'equal' && box.leanDeg === 0 ? { source: own(box, 'width') } : {})]),
      height: explainedLength([plus('ring-height', base.size.height)]),
      depth: explainedLength([plus('carcass-depth', box.depth.nm, { source: own(box, 'depth') }), plus('gap-behind', base.rear)]),
    },
  };
}

/** The direction a wall faces decides whether it is a floor, a roof or a side. */
function roleOf({ v }: { readonly v: number }): Role {
  if (v < -0.95) return 'bottom';
  return v > 0.95 ? 'top' : 'side';
}

/** A wall along one side of the ring: u runs clockwise along it, v forward, its reference face outside. */
function wall(base: RingFrame, index: number): Panel {
  const { spec, corners, frontCorners, rear, back } = base;
  const n = corners.length;
  const next = (index + 1) % n;
  const at = ({ u, v }: PanelPoint, out: number): Vector => vector(u, v, out);
  const [a, b, c, d] = [
    at(corners[index]!, rear + back),
    at(corners[next]!, rear + back),
    at(frontCorners[next]!, rear + spec.depth.nm),
    at(frontCorners[index]!, rear + spec.depth.nm),
  ];
  const run = Math.hypot(b.along - a.along, b.up - a.up);
  const u = vector((b.along - a.along) / run, (b.up - a.up) / run, 0);
  const outward = { u: -u.up, v: u.along };
  const lean = (spec.leanDeg * Math.PI) / 180;
  const v = vector(outward.u * Math.sin(lean), outward.v * Math.sin(lean), Math.cos(lean));
  const on = (p: Vector): PanelPoint => {
    const from = vector(p.along - a.along, p.up - a.up, p.out - a.out);
    return { u: Math.round(from.along * u.along + from.up * u.up), v: Math.round(from.along * v.along + from.up * v.up + from.out * v.out) };
  };
  const edge = (name: PanelEdge['id'], from: PanelPoint): PanelEdge => ({ id: name, from, bevel: 0 });
  const outline = [edge('near', on(a)), edge('end', on(b)), edge('far', on(c)), edge('start', on(d))];
  const us = outline.map(({ from }) => from.u);
  const vs = outline.map(({ from }) => from.v);
  const long = Math.max(...us) - Math.min(...us);
  const wide = (Math.max(...vs) - Math.min(...vs)) as Length;
  const straight = roundToNm(run / NM_PER.mm);
  const length = explainedLength([plus('ring-side', straight), ...(long > straight ? [plus('spread-of-lean', (long - straight) as Length)] : [])]);
  const role = roleOf(outward);
  const name = spec.ring === 'equal' ? `w${index + 1}` : (inOrder(spec.chosen)[index]?.id ?? 'closing');
  return panelOf(
    base,
    role,
    name,
    { key: 'ring-wall', of: String(index + 1) },
    {
      frame: frame(a, u, v),
      length: long === straight ? explainedLength([plus('ring-side', straight)]) : length,
      width: explainedLength([...base.depth.terms, ...(wide > base.depth.value ? [plus('along-the-lean', (wide - base.depth.value) as Length)] : [])]),
      stock: spec.stock,
      outline,
    },
  );
}

/** No home shop cuts a compound groove: splines need walls that stand square. */
const splineStock = ({ spline: stock, leanDeg }: MitredBox): string | null => (leanDeg === 0 ? stock : null);

/** Position of the groove from the outer arris along the miter, as a share: it leans outward. [A] */
const SPLINE_AT = 0.6;

/** A loose strip across the corner of two walls, in the plane they meet in; their grooves set its width. */
function spline(base: RingFrame, one: Panel, next: Panel): Panel {
  const { spec, T } = base;
  const stock = spec.spline!;
  const t = base.stockOf(stock).used.value;
  const corner = place(one.frame, one.outline.find(({ id: edge }) => edge === 'end')!.from);
  // Reference faces lie outside: outward is against w.
  const sum = plusVector(one.frame.w, next.frame.w);
  const outwards = scale(sum, -1 / Math.sqrt(dot(sum, sum)));
  const miter = T / -dot(outwards, one.frame.w);
  const at = plusVector(corner, scale(outwards, -(SPLINE_AT * miter + t / 2)));
  const u = one.frame.v;
  const long = base.depth.value;
  const flat = (edge: PanelEdge['id'], along: number): PanelEdge => ({ id: edge, from: { u: along, v: 0 }, bevel: 0 });
  return panelOf(
    base,
    'edging',
    `spline-${one.id.split('/').at(-1)!}`,
    { key: 'ring-spline', of: one.name.of! },
    {
      frame: frame(at, u, cross(outwards, u)),
      length: base.depth,
      width: explainedLength([]),
      stock,
      grain: 'width',
      outline: [flat('near', 0), flat('end', long), flat('far', long), flat('start', 0)],
    },
  );
}

function backPanel(base: RingFrame): Panel {
  const { spec, corners, insideRear } = base;
  const lows = { u: Math.min(...corners.map(({ u }) => u)), v: Math.min(...corners.map(({ v }) => v)) };
  const highs = { u: Math.max(...corners.map(({ u }) => u)), v: Math.max(...corners.map(({ v }) => v)) };
  // Upright is the panel's u, along is its v: read so, the ring runs counterclockwise.
  const points = corners.map(({ u, v }) => ({ u: v - lows.v, v: u - lows.u }));
  return panelOf(
    base,
    'back',
    '',
    { key: 'back' },
    {
      frame: frame(vector(lows.u, lows.v, insideRear), UP, ALONG),
      length: explainedLength([plus('ring-height', (highs.v - lows.v) as Length)]),
      width: explainedLength([plus('ring-width', (highs.u - lows.u) as Length)]),
      stock: spec.backStock,
      outline: points.map((from, index) => ({ id: BACK_EDGES[index]!, from, bevel: 0 })),
    },
  );
}

const BACK_EDGES: readonly PanelEdge['id'][] = ['near', 'start', 'corner', 'far', 'end', 'taper', 'slope', 'corner-2'];

function connections(base: RingFrame, walls: readonly Panel[], splines: readonly Panel[]): Connection[] {
  const { spec } = base;
  const mitre = jointOf(spec, 'mitre', { fastening: null });
  const onBack = jointOf(spec, 'butt');
  const splined = jointOf(spec, 'dado', { glue: true, fastening: null });
  return walls.flatMap((panel, index) => [
    connect(panel.id, 'end', walls[(index + 1) % walls.length]!.id, 'start', mitre),
    connect(panel.id, 'near', id(base, 'back'), 'reference', onBack),
    ...splines
      .slice(index, index + 1)
      .flatMap(({ id: loose }) => [
        connect(loose, 'near', panel.id, 'end', splined),
        connect(loose, 'far', walls[(index + 1) % walls.length]!.id, 'start', splined),
      ]),
    // Leaning walls have their front edges cut to one plane.
    ...(spec.leanDeg > 0 ? [connect(panel.id, 'far', id(base, 'back'), 'reference', { ...LOOSE, kind: 'flush' as const })] : []),
  ]);
}

/** Items stand on a level wall; a ring on its corner gets none. */
function compartments(base: RingFrame, walls: readonly Panel[]): Compartment[] {
  const { T, corners, insideRear, size } = base;
  const bottom = walls.find(({ role }) => role === 'bottom');
  if (!bottom) return [];
  const [right, left] = [corners[0]!, corners[1]!];
  const run = right.u - left.u;
  const n = corners.length;
  const inset = (index: number): number => {
    const [a, b, c] = [corners[(index + n - 1) % n]!, corners[index]!, corners[(index + 1) % n]!];
    const [p, q] = [Math.atan2(b.v - a.v, b.u - a.u), Math.atan2(c.v - b.v, c.u - b.u)];
    return T * Math.tan(Math.abs(Math.PI - Math.abs(q - p) > 0 ? ((((p - q) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)) / 2 : 0));
  };
  const [rightIn, leftIn] = [Math.round(inset(0)), Math.round(inset(1))];
  const width = explainedLength([plus('ring-side', run as Length), minus('mitre-inside', rightIn as Length), minus('mitre-inside', leftIn as Length)]);
  return [
    {
      id: id(base, 'space/bottom'),
      name: { key: 'opening-bottom' },
      floor: bottom.id,
      keptBy: 'bottom',
      width,
      height: explainedLength([plus('ring-height', size.height), minus('top-and-bottom', T, { times: 2 })]),
      depth: base.depth,
      at: { along: (left.u + leftIn) as Length, up: (corners[0]!.v + T) as Length, out: insideRear },
    },
  ];
}
