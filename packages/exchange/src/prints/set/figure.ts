/**
 * Lays a drawing into a box of a page: at a ruler scale, with room around it for everything written: dimensions in rows outside, labels in columns beside
 * it.
 */
import type { PieceSpot as Spot } from '@keen/core';
import { shortened, wideAs } from '../letters.ts';
import { TEXT_MM, type Box, type Canvas } from './canvas.ts';
import type { Figure, FigureShape, Note, Span } from './figure-parts.ts';
import { drawInsets, drawNotes, drawOrdinates, drawSpans, drawTags, LEADER_MM, LINE_MM, OFF_MM, ROW_MM, rowsOn, TITLE_MM } from './figure-words.ts';

/** Ruler scales. */
const SCALES = [0.1, 0.2, 0.25, 0.5, 1, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200];

/** Bounding box of all shapes. */
export function boundsOfShapes(shapes: readonly FigureShape[]): Box {
  let [low, high, left, right] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { points } of shapes)
    for (const { x, y } of points) {
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < low) low = y;
      if (y > high) high = y;
    }
  return { x: left, y: low, width: right - left, height: high - low };
}

/** Margins of the drawing, mm of the paper. */
interface Margins {
  readonly left: number;
  readonly right: number;
  readonly below: number;
  readonly above: number;
}

const longest = (texts: readonly string[]): number => Math.max(0, ...texts.map((text) => wideAs({ text, high: TEXT_MM })));

function marginsOf({ spans = [], ordinates = [] }: Figure, left: readonly Note[], right: readonly Note[]): Margins {
  const dimension = (side: Span['side']): number => {
    const placed = longest(ordinates.flatMap((each) => (each.side === side ? [each.text] : [])));
    const rows = rowsOn(spans, side);
    return (rows > 0 || placed > 0 ? OFF_MM : 0) + rows * ROW_MM + (placed > 0 ? placed + 7 : 0);
  };
  const names = (notes: readonly Note[]): number => (notes.length === 0 ? 0 : longest(notes.map(({ text }) => text)) + LEADER_MM + 1);
  return { left: dimension('left') + names(left), right: names(right) + 1, below: dimension('below'), above: TITLE_MM + 2 };
}

/** Labels on their nearer side, up to a full column; all on the right where they fit. */
function sided(notes: readonly Note[], middle: number, most: number): readonly [left: Note[], right: Note[]] {
  if (notes.length <= Math.min(4, most)) return [[], [...notes]];
  const sorted = [...notes].sort((a, b) => a.at.x - b.at.x);
  const near = sorted.filter(({ at }) => at.x < middle).length;
  const left = Math.max(notes.length - most, Math.min(near, most));
  return [sorted.slice(0, left), sorted.slice(left)];
}

/** Layout of a figure in a box: its scale, and its margins. */
interface Laid {
  readonly bounds: Box;
  readonly margins: Margins;
  readonly left: readonly Note[];
  readonly right: readonly Note[];
  readonly times: number;
}

function layFigure(figure: Figure, box: Pick<Box, 'width' | 'height'>): Laid {
  const bounds = figure.window ?? boundsOfShapes(figure.shapes);
  const most = Math.max(1, Math.floor((box.height - TITLE_MM - 2) / LINE_MM));
  const [left, right] = sided(figure.notes ?? [], bounds.x + bounds.width / 2, most);
  const margins = marginsOf(figure, left, right);
  const [wide, high] = [box.width - margins.left - margins.right, box.height - margins.above - margins.below];
  const wanted = Math.max(bounds.width / Math.max(wide, 1), bounds.height / Math.max(high, 1), 1 / (figure.maxTimes ?? 1));
  return { bounds, margins, left, right, times: SCALES.find((each) => each >= wanted - 1e-9) ?? SCALES.at(-1)! };
}

/** Height of a figure in a width, up to a limit, mm of the paper. */
export function heightOf(figure: Figure, width: number, most: number): number {
  const { margins, bounds, times } = layFigure(figure, { width, height: most });
  return margins.above + bounds.height / times + margins.below;
}

/** Two figures side by side at one scale, as large as possible. */
export function drawPair(canvas: Canvas, [one, other]: readonly [Figure, Figure], room: Box): void {
  let best: { readonly boxes: readonly [Box, Box]; readonly times: number } | null = null;
  for (let share = 0.25; share <= 0.751; share += 0.025) {
    const wide = (room.width - PAIR_GAP_MM) * share;
    const boxes: readonly [Box, Box] = [
      { ...room, width: wide },
      { ...room, x: room.x + wide + PAIR_GAP_MM, width: room.width - PAIR_GAP_MM - wide },
    ];
    const times = Math.max(layFigure(one, boxes[0]).times, layFigure(other, boxes[1]).times);
    if (!best || times < best.times) best = { boxes, times };
  }
  drawFigure(canvas, one, best!.boxes[0], best!.times);
  drawFigure(canvas, other, best!.boxes[1], best!.times);
}

const PAIR_GAP_MM = 6;

/** Draws a figure at the largest ruler scale, or at a given one, at the top of the box. */
export function drawFigure(canvas: Canvas, figure: Figure, box: Box, smaller?: number): void {
  const { shapes, window } = figure;
  const { bounds, margins, left, right, times: fits } = layFigure(figure, box);
  const times = smaller ?? fits;
  const wide = box.width - margins.left - margins.right;
  const drawn = { width: bounds.width / times, height: bounds.height / times };
  const origin = {
    x: box.x + margins.left + Math.max(0, wide - drawn.width) / 2,
    y: box.y + box.height - margins.above - drawn.height,
  };
  const on = ({ x, y }: Spot): Spot => ({ x: origin.x + (x - bounds.x) / times, y: origin.y + (y - bounds.y) / times });
  const inside: Box = { ...origin, ...drawn };
  const scale = `, ${times >= 1 ? `1 : ${times}` : `${1 / times} : 1`}`;
  canvas.text(
    `${shortened(figure.title, TEXT_MM, box.width - wideAs({ text: scale, high: TEXT_MM, bold: true }), true)}${scale}`,
    { x: box.x, y: box.y + box.height - TEXT_MM - 0.6 },
    { bold: true },
  );
  const draw = (): void => {
    for (const { points, others = [], closed, pen, fill } of shapes)
      if (closed)
        canvas.area(
          points.map(on),
          pen,
          fill,
          others.map((ring) => ring.map(on)),
        );
      else canvas.line(points.map(on), pen);
  };
  if (window) {
    canvas.within(inside, draw);
    canvas.box(inside, 'light');
  } else draw();
  drawTags(canvas, figure.tags ?? [], drawInsets(canvas, figure.insets ?? [], on, times), on);
  drawNotes(canvas, left, 'left', inside.x - marginsOf(figure, [], []).left - LEADER_MM, inside, on, box);
  drawNotes(canvas, right, 'right', inside.x + inside.width + LEADER_MM, inside, on, box);
  drawOrdinates(canvas, figure.ordinates ?? [], inside, on, figure.spans ?? [], box);
  drawSpans(canvas, figure.spans ?? [], inside, on, box);
}
