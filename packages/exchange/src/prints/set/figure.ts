/**
 * A drawing to scale with its dimensions, in millimetres of what it shows; and how it is laid into a stretch of a page. Everything that
 * is written finds its place here: dimensions in rows outside the drawing, names in columns beside it, so that no text stands on another.
 */
import type { PieceSpot as Spot } from '@keen/core';
import { shortened, wideAs } from '../letters.ts';
import { spread } from '../spread.ts';
import { SMALL_MM, TEXT_MM, type Box, type Canvas, type Pen } from './canvas.ts';

export interface FigureShape {
  readonly points: readonly Spot[];
  readonly others?: readonly (readonly Spot[])[];
  readonly closed: boolean;
  readonly pen: Pen;
  /** White hides what was drawn before. */
  readonly fill?: number;
}

/** A length between two places along one side of the drawing. */
export interface Span {
  readonly side: 'below' | 'left';
  /** 0 is nearest to the drawing. */
  readonly row: number;
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** A place measured from one end. */
export interface Ordinate {
  readonly side: 'below' | 'left';
  readonly at: number;
  /** From where its line comes: the place in the drawing across the side. */
  readonly inTo: number;
  readonly text: string;
}

/** A name with a line to what it names. */
export interface Note {
  readonly text: string;
  readonly at: Spot;
}

/** Words in the drawing itself, about a place; left out where `within` it has no room. */
export interface Inset {
  readonly text: string;
  readonly at: Spot;
  /** How far it may go, mm of what is shown. */
  readonly within: { readonly width: number; readonly height: number };
}

/** A number on a line, on white: at the first of the places where no other word is. */
export interface Tag {
  readonly text: string;
  readonly places: readonly Spot[];
}

export interface Figure {
  readonly title: string;
  readonly shapes: readonly FigureShape[];
  readonly spans?: readonly Span[];
  readonly ordinates?: readonly Ordinate[];
  readonly notes?: readonly Note[];
  readonly insets?: readonly Inset[];
  readonly tags?: readonly Tag[];
  /** No larger than so many times itself. */
  readonly mostTimes?: number;
  /** Only this much of it is shown. */
  readonly window?: Box;
}

/** How many times smaller a drawing is: what a scale rule has. */
const SCALES = [0.1, 0.2, 0.25, 0.5, 1, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200];
const TITLE_MM = 5.5;
const ROW_MM = 5.5;
/** From the drawing to the first row; between a line and its figure. */
const OFF_MM = 3;
const GAP_MM = 1;
/** From the drawing to the names beside it. */
const LEADER_MM = 8;
const LINE_MM = TEXT_MM + 1.3;

/** The stretch all shapes stand in. */
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

/** What the drawing wants round itself, mm of the paper. */
interface Margins {
  readonly left: number;
  readonly right: number;
  readonly below: number;
  readonly above: number;
}

const rowsOn = (spans: readonly Span[], side: Span['side']): number => Math.max(0, ...spans.flatMap((span) => (span.side === side ? [span.row + 1] : [])));
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

/** Names to the side they are nearer to, no more than a column holds; all to the right where they fit. */
function sided(notes: readonly Note[], middle: number, most: number): readonly [left: Note[], right: Note[]] {
  if (notes.length <= Math.min(4, most)) return [[], [...notes]];
  const sorted = [...notes].sort((a, b) => a.at.x - b.at.x);
  const near = sorted.filter(({ at }) => at.x < middle).length;
  const left = Math.max(notes.length - most, Math.min(near, most));
  return [sorted.slice(0, left), sorted.slice(left)];
}

/** How a figure lies in a box: how many times smaller, and what it wants round itself. */
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
  const wanted = Math.max(bounds.width / Math.max(wide, 1), bounds.height / Math.max(high, 1), 1 / (figure.mostTimes ?? 1));
  return { bounds, margins, left, right, times: SCALES.find((each) => each >= wanted - 1e-9) ?? SCALES.at(-1)! };
}

/** How high a figure comes out in a width, at most so high, mm of the paper. */
export function heightOf(figure: Figure, width: number, most: number): number {
  const { margins, bounds, times } = layFigure(figure, { width, height: most });
  return margins.above + bounds.height / times + margins.below;
}

/** Two figures beside one another, both to one scale, and that as large as it goes. */
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

/** Draws a figure as large as the scales of a rule allow, or so many times smaller, at the top of the box. */
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

/** Gives where words stand now. */
function drawInsets(canvas: Canvas, insets: readonly Inset[], on: (at: Spot) => Spot, times: number): Box[] {
  return insets.flatMap(({ text, at, within }): Box[] => {
    const { x, y } = on(at);
    const long = wideAs({ text, high: SMALL_MM });
    const [wide, high] = [within.width / times - 1, within.height / times - 1];
    const lying = long <= wide && SMALL_MM * 1.5 <= high;
    if (!lying && !(long <= high && SMALL_MM * 1.5 <= wide)) return [];
    canvas.text(text, lying ? { x, y: y - SMALL_MM / 2 } : { x: x + SMALL_MM / 2, y }, { high: SMALL_MM, from: 'middle', upright: !lying });
    const [dx, dy] = lying ? [long, SMALL_MM] : [SMALL_MM, long];
    return [{ x: x - dx / 2, y: y - dy / 2, width: dx, height: dy }];
  });
}

/** What has no place left says it nowhere: the list beside the drawing does. */
function drawTags(canvas: Canvas, tags: readonly Tag[], taken: Box[], on: (at: Spot) => Spot): void {
  for (const { text, places } of tags) {
    const [width, height] = [wideAs({ text, high: SMALL_MM, bold: true }) + 1, SMALL_MM + 1];
    const box = places
      .map(on)
      .map(({ x, y }): Box => ({ x: x - width / 2, y: y - height / 2, width, height }))
      .find((each) => !taken.some((other) => meet(each, other)));
    if (!box) continue;
    taken.push(box);
    canvas.box(box, 'light', 1);
    canvas.text(text, { x: box.x + width / 2, y: box.y + 0.5 }, { high: SMALL_MM, bold: true, from: 'middle' });
  }
}

/** With a hair of paper between them. */
const meet = (a: Box, b: Box): boolean => a.x < b.x + b.width + 0.6 && b.x < a.x + a.width + 0.6 && a.y < b.y + b.height + 0.6 && b.y < a.y + a.height + 0.6;

/** Rows of dimension lines: figures stand on their lines, moved along their row where two would meet. */
function drawSpans(canvas: Canvas, spans: readonly Span[], inside: Box, on: (at: Spot) => Spot, box: Box): void {
  for (const side of ['below', 'left'] as const)
    for (let row = 0; row < rowsOn(spans, side); row++) {
      const here = spans.filter((span) => span.side === side && span.row === row);
      const flat = side === 'below';
      const ends = here.map(({ from, to }) => {
        const [a, b] = [on({ x: from, y: from }), on({ x: to, y: to })];
        return flat ? ([a.x, b.x] as const) : ([a.y, b.y] as const);
      });
      const at = (flat ? inside.y : inside.x) - OFF_MM - (row + 1) * ROW_MM + 1;
      const middles = spread(
        here.map(({ text }, index) => ({ at: (ends[index]![0] + ends[index]![1]) / 2, size: wideAs({ text, high: TEXT_MM }) })),
        2,
        flat ? box.x : box.y,
        flat ? box.x + box.width : box.y + box.height - TITLE_MM,
      );
      here.forEach(({ text }, index) => {
        const [from, to] = ends[index]!;
        const spot = (along: number, off: number): Spot => (flat ? { x: along, y: at + off } : { x: at + off, y: along });
        canvas.line([spot(from, 0), spot(to, 0)], 'light');
        for (const end of [from, to]) {
          canvas.line([spot(end, -1), spot(end, (flat ? inside.y : inside.x) - at - 1)], 'light');
          canvas.line([
            flat ? { x: end - 0.8, y: at - 0.8 } : { x: at - 0.8, y: end - 0.8 },
            flat ? { x: end + 0.8, y: at + 0.8 } : { x: at + 0.8, y: end + 0.8 },
          ]);
        }
        // Lines that cross it pass under it.
        const long = wideAs({ text, high: TEXT_MM });
        canvas.box(
          flat
            ? { x: middles[index]! - long / 2, y: at + 0.4, width: long, height: TEXT_MM + 1 }
            : { x: at + 0.4, y: middles[index]! - long / 2, width: TEXT_MM + 1, height: long },
          'none',
          1,
        );
        canvas.text(text, flat ? { x: middles[index]!, y: at + GAP_MM } : { x: at + GAP_MM + TEXT_MM, y: middles[index]! }, { from: 'middle', upright: !flat });
      });
    }
}

/** Places from one end: each with a line from where it is, bent to where there is room for its figure. */
function drawOrdinates(canvas: Canvas, ordinates: readonly Ordinate[], inside: Box, on: (at: Spot) => Spot, spans: readonly Span[], box: Box): void {
  for (const side of ['below', 'left'] as const) {
    const here = ordinates.filter((each) => each.side === side);
    if (here.length === 0) continue;
    const flat = side === 'below';
    const edge = (flat ? inside.y : inside.x) - rowsOn(spans, side) * ROW_MM - (rowsOn(spans, side) > 0 ? OFF_MM : 0);
    const places = here.map(({ at }) => (flat ? on({ x: at, y: 0 }).x : on({ x: 0, y: at }).y));
    const size = TEXT_MM + 0.7;
    const middles = spread(
      places.map((at) => ({ at, size })),
      0.3,
      // Those of the other side stand round the corner.
      flat ? inside.x - 2 : inside.y - 2,
      flat ? box.x + box.width : box.y + box.height - TITLE_MM,
    );
    here.forEach(({ text, inTo }, index) => {
      const [place, middle] = [places[index]!, middles[index]!];
      const start = flat ? on({ x: 0, y: inTo }).y : on({ x: inTo, y: 0 }).x;
      const points = [
        [place, start],
        [place, edge - 1.5],
        [middle, edge - 5],
        [middle, edge - 6],
      ] as const;
      canvas.line(
        points.map(([along, across]) => (flat ? { x: along, y: across } : { x: across, y: along })),
        'light',
      );
      if (flat) canvas.text(text, { x: middle + TEXT_MM / 2, y: edge - 6.6 }, { from: 'end', upright: true });
      else canvas.text(text, { x: edge - 6.6, y: middle - TEXT_MM / 2 }, { from: 'end' });
    });
  }
}

/** Names in a column, each with a line to its place. */
function drawNotes(canvas: Canvas, notes: readonly Note[], side: 'left' | 'right', x: number, inside: Box, on: (at: Spot) => Spot, box: Box): void {
  if (notes.length === 0) return;
  const places = notes.map(({ at }) => on(at));
  const middles = spread(
    places.map(({ y }) => ({ at: y, size: LINE_MM })),
    0,
    box.y,
    box.y + box.height - TITLE_MM - 1,
  );
  notes.forEach(({ text }, index) => {
    const place = places[index]!;
    const y = middles[index]!;
    const beside = side === 'left' ? inside.x - OFF_MM : inside.x + inside.width + OFF_MM;
    const start = side === 'left' ? x + 0.8 : x - 0.8;
    canvas.line([{ x: start, y }, { x: side === 'left' ? Math.min(beside, start + 2) : Math.max(beside, start - 3), y }, place], 'light');
    canvas.area(dot(place), 'none', 0);
    canvas.text(text, { x, y: y - TEXT_MM / 2 }, { from: side === 'left' ? 'end' : 'start' });
  });
}

const dot = ({ x, y }: Spot): Spot[] =>
  Array.from({ length: 8 }, (_, k) => ({ x: x + 0.45 * Math.cos((k * Math.PI) / 4), y: y + 0.45 * Math.sin((k * Math.PI) / 4) }));
