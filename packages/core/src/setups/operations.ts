/** Everything cut into the panels of a cabinet, one operation each: positions from the corner of the panel's blank, on the face it is cut into. */
import type { Drilled } from '../joints/drilling.ts';
import { drillingOf } from '../joints/drilling.ts';
import type { Length } from '../length/length.ts';
import { blankBox, type BlankBox } from '../parts/features.ts';
import type { Slot } from '../solid/connection.ts';
import { hasSize, type PanelCut, type PanelEdge, type EdgeId, type Face, type HolePurpose, type PanelPoint, type RectEdge } from '../solid/panel.ts';
import { notchFrame } from '../solid/convex.ts';
import { alongStrip, leftWide, type ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { Label } from '../explained/explained-length.ts';
import type { SlotExit } from '../model/joinery.ts';

/**
 * Stages: slots and grooves first, while edges are square and straight; then holes; then what removes the edges. Pieces left wide for their slots are
 * ripped to width before anything is measured from the final edge. Spline grooves are square to a bevel, so they come after it.
 */
export type ToolingStage = 'slots' | 'widths' | 'grooves' | 'holes' | 'bevels' | 'shapes' | 'splines';
export const STAGES: readonly ToolingStage[] = ['slots', 'widths', 'grooves', 'holes', 'bevels', 'shapes', 'splines'];

/** A slot square to the blank: `across` its width (a dado), else along its length (a groove). */
export interface SlotWork {
  readonly kind: 'slot';
  readonly face: Face;
  readonly across: boolean;
  /** Its walls from the blank's start (across) or near edge (along). */
  readonly near: Length;
  readonly far: Length;
  readonly depth: Length;
  /** Start and end along itself, where stopped. */
  readonly from: Length | null;
  readonly to: Length | null;
}

/** A slanted slot in the blank's face. */
export interface SlantedSlotWork {
  readonly kind: 'slanted-slot';
  readonly face: Face;
  readonly slot: Slot;
  readonly width: Length;
  readonly depth: Length;
  /** From square to the blank's length. */
  readonly angleDeg: number;
  /** Its low wall where it crosses the near edge, from the start; for a shallow slant where it crosses the start, from the near edge. */
  readonly crosses: 'near' | 'start';
  readonly at: Length;
}

export interface EdgeGrooveWork {
  readonly kind: 'edge-groove';
  readonly edge: EdgeId;
  /** Its near wall, along the edge's face from the reference face. */
  readonly from: Length;
  /** Bevel of the edge, to which the groove is square: 0 for a square edge. */
  readonly deg: number;
  readonly width: Length;
  readonly depth: Length;
}

export interface HolesWork {
  readonly kind: 'holes';
  /** A face, or an edge drilled in the middle of its thickness. */
  readonly on: Face | EdgeId;
  /** From the blank's corner. */
  readonly at: PanelPoint;
  readonly step: PanelPoint;
  readonly count: number;
  readonly diameter: Length;
  /** Null goes through. */
  readonly depth: Length | null;
  readonly purpose: HolePurpose;
  readonly reason: Label;
  /** For a fastener: drilled where it is driven, with the nearest bit. */
  readonly fastener: boolean;
}

export interface NotchWork {
  readonly kind: 'notch';
  readonly edge: EdgeId;
  /** From the start of the edge to the notch's middle, and to it from the nearer end of the blank. */
  readonly at: Length;
  readonly width: Length;
  readonly depth: Length;
  readonly round: boolean;
  readonly reason: Label;
}

/** A piece left wide, ripped to width along its far edge. */
export interface WidthWork {
  readonly kind: 'width';
  /** From the near edge. */
  readonly at: Length;
}

/** A beveled edge: `at` is the line on the reference face, from the opposite edge of the blank. */
export interface BevelWork {
  readonly kind: 'bevel';
  readonly edge: EdgeId;
  /** Positive: the other face extends further. */
  readonly deg: number;
  readonly at: Length;
}

/** Part of an outline other than the blank's rectangle: cut along a line on the face from one point to another, beveled or not. */
export interface ShapeWork {
  readonly kind: 'shape';
  readonly edge: EdgeId;
  readonly from: PanelPoint;
  readonly to: PanelPoint;
  readonly deg: number;
  /** From square to the blank's nearer edge. */
  readonly slantDeg: number;
}

export type Work = SlotWork | SlantedSlotWork | EdgeGrooveWork | WidthWork | HolesWork | NotchWork | BevelWork | ShapeWork;

export interface Operation {
  /** Cabinet, panel, and cut. */
  readonly id: string;
  readonly panel: string;
  readonly stage: ToolingStage;
  readonly work: Work;
  /** It breaks a visible edge across the grain, where fibers tear: the chosen protection; null where none tear. */
  readonly tears: SlotExit | null;
  /** The panel that goes into it, where there is one: it can set the machine in place of a number. */
  readonly guest: string | null;
}

export interface OperationBlank {
  readonly panel: ResolvedPanel;
  readonly box: BlankBox;
  readonly length: Length;
  readonly width: Length;
}

export const blankFor = (panel: ResolvedPanel): OperationBlank => {
  const box = blankBox(panel);
  return { panel, box, length: Math.round(box.u1 - box.u0) as Length, width: Math.round(box.v1 - box.v0) as Length };
};

/** All operations of a cabinet's panels; cleats are ripped by cleatRips(). */
export function operationsOf(cabinet: ResolvedCabinet): { readonly blanks: ReadonlyMap<string, OperationBlank>; readonly operations: readonly Operation[] } {
  const drilled = drillingOf(cabinet.byId, cabinet.connections);
  const panels = cabinet.panels.filter(({ role }) => role !== 'wall-half' && role !== 'cabinet-half');
  const blanks = new Map(panels.map((panel) => [panel.id, blankFor(panel)]));
  const operations = panels.filter(hasSize).flatMap((panel) => panelOperations(blanks.get(panel.id)!, drilled.get(panel.id) ?? []));
  return { blanks, operations };
}

function panelOperations(blank: OperationBlank, drilled: readonly Drilled[]): Operation[] {
  const { panel } = blank;
  const wide = leftWide(panel) > 0;
  const made = (id: string, stage: ToolingStage, work: Work, guest: string | null = null): Operation => ({
    id: `${panel.id}:${id}`,
    panel: panel.id,
    // On a piece left wide only slots across it are dimensioned: the far edge does not exist yet.
    stage: wide && stage === 'slots' && !runsAcross(work) ? 'grooves' : stage,
    work,
    tears: panel.tearing.includes(id) ? (panel.slotExit ?? 'backed') : null,
    guest,
  });
  return [
    ...panel.slots.map((slot) => made(slot.id, 'slots', slotOf(blank, slot), slot.guest)),
    ...(wide ? [made('width', 'widths', { kind: 'width', at: blank.width })] : []),
    ...panel.cuts.map((cut) => cutOperation(blank, cut, made)),
    ...drilled.map((row, index) => made(`${row.connection}#${index}`, 'holes', fastenerHoles(blank, row))),
    ...edgesOf(blank).map((work) => made(work.edge, work.kind === 'bevel' ? 'bevels' : 'shapes', work)),
  ];
}

const runsAcross = (work: Work): boolean => (work.kind === 'slot' && work.across) || (work.kind === 'slanted-slot' && work.crosses === 'near');

function slotOf({ box }: OperationBlank, slot: Slot): SlotWork | SlantedSlotWork {
  const { normal, near, far, from, to, depth, face, stoppedAt } = slot;
  if (normal.u === 1 || normal.v === 1) {
    const across = normal.u === 1;
    const [off, along] = across ? [box.u0, box.v0] : [box.v0, box.u0];
    return {
      kind: 'slot',
      face,
      across,
      near: Math.round(near - off) as Length,
      far: Math.round(far - off) as Length,
      depth,
      from: stoppedAt?.from ? (Math.round(from - along) as Length) : null,
      to: stoppedAt?.to ? (Math.round(to - along) as Length) : null,
    };
  }
  const run = alongStrip(normal);
  const steep = Math.abs(normal.u) >= Math.abs(normal.v);
  return {
    kind: 'slanted-slot',
    face,
    slot,
    width: Math.round(far - near) as Length,
    depth,
    angleDeg: (Math.atan2(Math.abs(run.u), Math.abs(run.v)) * 180) / Math.PI,
    crosses: steep ? 'near' : 'start',
    at: Math.round(steep ? (near - normal.v * box.v0) / normal.u - box.u0 : (near - normal.u * box.u0) / normal.v - box.v0) as Length,
  };
}

function cutOperation(
  blank: OperationBlank,
  cut: PanelCut,
  made: (id: string, stage: ToolingStage, work: Work, guest?: string | null) => Operation,
): Operation {
  const { box, panel } = blank;
  if (cut.kind === 'holes') {
    const { face: on, step, count, diameter, depth, purpose, reason } = cut;
    const at = { u: cut.at.u - box.u0, v: cut.at.v - box.v0 };
    return made(cut.id, 'holes', { kind: 'holes', on, at, step, count, diameter, depth, purpose, reason, fastener: false });
  }
  if (cut.kind === 'edge-groove') {
    const { edge, from, width, depth, guest } = cut;
    const deg = panel.outline.find(({ id }) => id === edge)!.bevel;
    return made(cut.id, Math.abs(deg) > 1e-9 ? 'splines' : 'slots', { kind: 'edge-groove', edge, from, width, depth, deg }, guest);
  }
  const { edge, width, depth, round, reason } = cut;
  const { from, along } = notchFrame(panel, edge);
  const lengthwise = Math.abs(along.u) >= Math.abs(along.v);
  const at = Math.round(lengthwise ? from.u + along.u * cut.at - box.u0 : from.v + along.v * cut.at - box.v0) as Length;
  return made(cut.id, 'shapes', { kind: 'notch', edge, at, width, depth, round, reason });
}

const fastenerHoles = ({ box }: OperationBlank, { on, at, step, count, diameter, depth, purpose, reason }: Drilled): HolesWork => ({
  kind: 'holes',
  on,
  at: { u: at.u - box.u0, v: at.v - box.v0 },
  step,
  count,
  diameter,
  depth,
  purpose,
  reason,
  fastener: true,
});

const NEAR = 1;
const OPPOSITE: Readonly<Record<RectEdge, RectEdge>> = { start: 'end', end: 'start', near: 'far', far: 'near' };
export const opposite = (edge: RectEdge): RectEdge => OPPOSITE[edge];
export const isRectEdge = (edge: EdgeId): edge is RectEdge => edge === 'start' || edge === 'end' || edge === 'near' || edge === 'far';

/** Edges that are not square edges of the blank. */
function edgesOf({ panel: { outline }, box }: OperationBlank): (BevelWork | ShapeWork)[] {
  if (box.plain) return [];
  return outline.flatMap((edge, index): (BevelWork | ShapeWork)[] => {
    const next = outline[(index + 1) % outline.length]!;
    const [from, to] = [cornered(edge, box), cornered(next, box)];
    const [du, dv] = [Math.abs(to.u - from.u), Math.abs(to.v - from.v)];
    const bevel = Math.abs(edge.bevel) > 1e-9 ? edge.bevel : 0;
    if (du > NEAR && dv > NEAR) {
      const slantDeg = (Math.atan2(Math.min(du, dv), Math.max(du, dv)) * 180) / Math.PI;
      return [{ kind: 'shape', edge: edge.id, from, to, deg: bevel, slantDeg }];
    }
    if (bevel === 0) return onBlank(from, to, box) ? [] : [{ kind: 'shape', edge: edge.id, from, to, deg: 0, slantDeg: 0 }];
    const side = sideOf(from, to);
    const size = side === 'start' || side === 'end' ? box.u1 - box.u0 : box.v1 - box.v0;
    const line = side === 'start' || side === 'end' ? from.u : from.v;
    return [{ kind: 'bevel', edge: edge.id, deg: bevel, at: Math.round(side === 'end' || side === 'far' ? line : size - line) as Length }];
  });
}

const cornered = ({ from }: PanelEdge, { u0, v0 }: BlankBox): PanelPoint => ({ u: from.u - u0, v: from.v - v0 });

/** Side of the blank that a square edge lies on: outlines are counterclockwise. */
const sideOf = (from: PanelPoint, to: PanelPoint): RectEdge =>
  Math.abs(to.u - from.u) > NEAR ? (to.u > from.u ? 'near' : 'far') : to.v > from.v ? 'end' : 'start';

/** On the blank's own edge: nothing is cut. */
function onBlank(from: PanelPoint, to: PanelPoint, { u0, v0, u1, v1 }: BlankBox): boolean {
  const side = sideOf(from, to);
  const off = { start: from.u, end: from.u - (u1 - u0), near: from.v, far: from.v - (v1 - v0) }[side];
  return Math.abs(off) <= NEAR;
}
