/** A drawing of lines and words at true size: millimeters, y up, from its lower left corner. */
import type { Corner, PieceSpot as Spot } from '@keen/core';

/** heavy: cut or scribed lines. light: auxiliary lines. dashed: underneath, or for reading only. */
export type Weight = 'heavy' | 'light' | 'dashed';

export interface Stroke {
  readonly points: readonly Spot[];
  readonly closed: boolean;
  readonly weight: Weight;
}

export interface Words {
  readonly text: string;
  /** Start of the text on its base line; its middle when centered. */
  readonly at: Spot;
  readonly high: number;
  readonly centred?: boolean;
}

export interface TrueDrawing {
  readonly title: string;
  readonly width: number;
  readonly height: number;
  readonly strokes: readonly Stroke[];
  readonly words: readonly Words[];
}

export const line = (from: Spot, to: Spot, weight: Weight = 'heavy'): Stroke => ({ points: [from, to], closed: false, weight });
export const shape = (points: readonly Spot[], weight: Weight = 'heavy'): Stroke => ({ points, closed: true, weight });

/** Greatest deviation of a chord from its arc, mm: a tenth of a sharp pencil line. */
const OFF_ARC_MM = 0.01;

/** Limit on the points of an arc, whatever its size. */
const MAX_ARC_POINTS = 2000;

/** Corners with arcs, as points alone. */
export function flattened(corners: readonly Corner[]): Spot[] {
  return corners.flatMap((corner, index) => {
    const next = corners[(index + 1) % corners.length]!;
    return corner.bulge === 0 ? [{ x: corner.x, y: corner.y }] : arcPoints(corner, next, corner.bulge);
  });
}

/** From the first corner to before the second. */
function arcPoints(a: Spot, b: Spot, bulge: number): Spot[] {
  const angle = 4 * Math.atan(bulge);
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  const radius = chord / (2 * Math.sin(Math.abs(angle) / 2));
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  // To the left of the chord for an arc that turns left by less than half a circle.
  const toCentre = (chord / 2) * ((1 - bulge * bulge) / (2 * bulge));
  const centre = { x: middle.x - ((b.y - a.y) / chord) * toCentre, y: middle.y + ((b.x - a.x) / chord) * toCentre };
  const count = Math.min(MAX_ARC_POINTS, Math.max(4, Math.ceil(Math.abs(angle) / (2 * Math.acos(1 - Math.min(1, OFF_ARC_MM / radius))))));
  const from = Math.atan2(a.y - centre.y, a.x - centre.x);
  return Array.from({ length: count }, (_, k) => {
    const at = from + (angle * k) / count;
    return { x: centre.x + radius * Math.cos(at), y: centre.y + radius * Math.sin(at) };
  });
}

/** A circle with the same deviation. */
export const circle = ({ x, y }: Spot, radius: number, weight: Weight = 'heavy'): Stroke => {
  const count = Math.min(MAX_ARC_POINTS, Math.max(12, Math.ceil(Math.PI / Math.acos(1 - Math.min(1, OFF_ARC_MM / radius)))));
  return shape(
    Array.from({ length: count }, (_, k) => ({ x: x + radius * Math.cos((2 * Math.PI * k) / count), y: y + radius * Math.sin((2 * Math.PI * k) / count) })),
    weight,
  );
};
