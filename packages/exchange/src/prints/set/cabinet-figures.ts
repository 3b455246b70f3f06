/** A cabinet from its sides and in section, dimensioned as on a shop drawing, with hidden parts removed. */
import {
  baysShown,
  boundsOfCabinet,
  heightsShown,
  labelWords,
  sectionPlane,
  sectionView,
  tapeText,
  toMm,
  viewFrom,
  type Compartment,
  type DisplayUnit,
  type Length,
  type PartLine,
  type SeenPanel,
  type CabinetPlan,
  type ViewId,
} from '@keen/core';
import type { PieceSpot as Spot } from '@keen/core';
import { circle } from '../marks.ts';
import type { Figure, FigureShape, Note, Span } from './figure-parts.ts';

const WHITE = 1;
/** Cut surfaces. */
export const CUT_GREY = 0.82;

const spot = ([x, y]: readonly [number, number]): Spot => ({ x, y });

/** Cut list lines by panel. */
export function linesByPanel(parts: readonly PartLine[]): ReadonlyMap<string, PartLine> {
  return new Map(parts.flatMap((line) => line.panels.map((panel) => [panel, line] as const)));
}

const VIEW_NAMES: Readonly<Record<ViewId, string>> = { front: 'front', back: 'back', left: 'from the left', right: 'from the right', plan: 'from above' };

/** From one side, with its parts named. A front that shows the inside is drawn without doors. */
export function viewFigure(plan: CabinetPlan, view: ViewId, lines: ReadonlyMap<string, PartLine>, unit: DisplayUnit, open = false): Figure {
  const seen = viewFrom(plan.cabinet, view).filter(({ role }) => (view !== 'front' || role !== 'wall-half') && !(open && role === 'door'));
  return {
    title: `${VIEW_NAMES[view]}${open ? ', doors off' : ''}`,
    shapes: seen.flatMap(shapesOf),
    spans: view === 'front' ? frontSpans(plan, unit) : sideSpans(plan, view, unit),
    notes: notesOf(seen, lines),
  };
}

/** The best section across the wall, the wall at its left. */
export function sectionFigure(plan: CabinetPlan, lines: ReadonlyMap<string, PartLine>, unit: DisplayUnit): Figure {
  const at = sectionPlane(plan.cabinet);
  const seen = sectionView(plan.cabinet, at);
  const { outside } = plan.cabinet;
  const up = toMm(outside.height.value);
  const [first] = plan.cabinet.compartments.filter(({ depth, height }) => depth.value > 0 && height.value > 0);
  return {
    title: `section, ${tapeText(Math.round(at * 1e6) as Length, unit)} from the left`,
    shapes: [
      {
        points: [
          { x: -8, y: -10 },
          { x: 0, y: -10 },
          { x: 0, y: up + 10 },
          { x: -8, y: up + 10 },
        ],
        closed: true,
        pen: 'light',
        fill: 0.93,
      },
      ...seen.map(({ points, others }): FigureShape => ({
        points: points.map(spot),
        others: others.map((ring) => ring.map(spot)),
        closed: true,
        pen: 'heavy',
        fill: CUT_GREY,
      })),
    ],
    spans: [
      ...sideSpans(plan, 'left', unit),
      ...(first
        ? [
            {
              side: 'below' as const,
              row: 1,
              from: toMm(first.at.out),
              to: toMm(first.at.out) + toMm(first.depth.value),
              text: tapeText(first.depth.value, unit),
            },
          ]
        : []),
    ],
    notes: notesOf(seen, lines),
  };
}

function shapesOf({ points, others, holes, hidden }: SeenPanel): FigureShape[] {
  const pen = hidden ? ('dashed' as const) : ('heavy' as const);
  return [
    { points: points.map(spot), closed: true, pen, ...(hidden ? {} : { fill: WHITE }) },
    ...others.map((ring): FigureShape => ({ points: ring.map(spot), closed: true, pen: 'light', ...(hidden ? {} : { fill: WHITE }) })),
    ...holes.map(({ at, radius }): FigureShape => ({ points: circle(spot(at), radius).points, closed: true, pen: 'light' })),
  ];
}

/** Overall, and every opening and bay once. */
function frontSpans({ cabinet: solid }: CabinetPlan, unit: DisplayUnit): Span[] {
  const { outside, compartments } = solid;
  const bounds = boundsOfCabinet(solid);
  const left = Math.min(0, bounds.low.along);
  // Parts on top are in no opening, and are not dimensioned.
  const heights = heightsShown(compartments).filter(({ space: { at, height } }) => toMm(at.up) + toMm(height.value) < bounds.high.up + 1);
  const bays = onePerWidth(baysShown(compartments));
  return [
    ...heights.map(({ space: { at, height } }): Span => ({
      side: 'left',
      row: 0,
      from: toMm(at.up),
      to: toMm(at.up) + toMm(height.value),
      text: tapeText(height.value, unit),
    })),
    { side: 'left', row: heights.length > 0 ? 1 : 0, from: 0, to: toMm(outside.height.value), text: tapeText(outside.height.value, unit) },
    ...bays.map(({ at, width }): Span => ({
      side: 'below',
      row: 0,
      from: toMm(at.along),
      to: toMm(at.along) + toMm(width.value),
      text: tapeText(width.value, unit),
    })),
    { side: 'below', row: bays.length > 0 ? 1 : 0, from: left, to: left + toMm(outside.width.value), text: tapeText(outside.width.value, unit) },
  ];
}

/** Equal bays above one another are dimensioned once. */
const onePerWidth = (bays: readonly Compartment[]): Compartment[] =>
  bays.filter(({ at, width }, index) => bays.findIndex((other) => other.at.along === at.along && other.width.value === width.value) === index);

/** Overall only: front and section give the rest. Across runs as the eye has it. */
function sideSpans({ cabinet: solid }: CabinetPlan, view: ViewId, unit: DisplayUnit): Span[] {
  const { outside } = solid;
  const { low, high } = boundsOfCabinet(solid);
  const span = (side: Span['side'], from: number, to: number, text: Length): Span => ({ side, row: 0, from, to, text: tapeText(text, unit) });
  const left = Math.min(0, low.along);
  const across = [left, left + toMm(outside.width.value)] as const;
  const depth = [0, toMm(outside.depth.value)] as const;
  const height = span('left', 0, toMm(outside.height.value), outside.height.value);
  switch (view) {
    case 'front':
    case 'back':
      return [view === 'front' ? span('below', ...across, outside.width.value) : span('below', -across[1], -across[0], outside.width.value), height];
    case 'left':
      return [span('below', ...depth, outside.depth.value), height];
    case 'right':
      return [span('below', -depth[1], -depth[0], outside.depth.value), height];
    case 'plan':
      return [span('below', ...across, outside.width.value), span('left', -Math.max(depth[1], high.out), 0, outside.depth.value)];
  }
}

/** Every visible cut list line once, at its most visible piece. */
export function notesOf(seen: readonly SeenPanel[], lines: ReadonlyMap<string, PartLine>): Note[] {
  const found = new Map<PartLine, { readonly at: Spot; readonly free: number }>();
  seen.forEach(({ panel, points }, index) => {
    const line = lines.get(panel);
    if (!line) return;
    const best = clearest(points, seen.slice(index + 1));
    if (best && best.free > (found.get(line)?.free ?? 0)) found.set(line, best);
  });
  return [...found].map(([line, { at }]) => ({ text: nameOf(line), at }));
}

/** 'A3 shelf 1', 'C2 partition × 4' */
export function nameOf({ mark, names, count }: Pick<PartLine, 'mark' | 'names' | 'count'>): string {
  const name = labelWords(names[0]!);
  return count > 1 ? `${mark} ${name} × ${count}` : `${mark} ${name}`;
}

/** An unobstructed point of an outline, its middle preferred; and the unobstructed share of probes. */
function clearest(points: SeenPanel['points'], before: readonly SeenPanel[]): { readonly at: Spot; readonly free: number } | null {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const near = before.filter((each) => !each.hidden);
  let at: Spot | null = null;
  let free = 0;
  let off = Infinity;
  for (let i = 1; i < PROBES; i++)
    for (let j = 1; j < PROBES; j++) {
      const probe = { x: left + ((right - left) * i) / PROBES, y: low + ((high - low) * j) / PROBES };
      if (!holds(points, probe) || near.some((each) => holds(each.points, probe))) continue;
      free++;
      const far = Math.abs(i / PROBES - 0.5) + Math.abs(j / PROBES - 0.5);
      if (far < off) [at, off] = [probe, far];
    }
  return at && { at, free };
}

const PROBES = 10;

/** Whether a point lies in an outline. */
export function holds(points: SeenPanel['points'], { x, y }: Spot): boolean {
  let inside = false;
  for (let i = 0, j = points.length - 1; i < points.length; j = i++) {
    const [ax, ay] = points[i]!;
    const [bx, by] = points[j]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside;
}
