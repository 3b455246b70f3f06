/** Places every word about a drawing on the page without overlap. */
import type { PieceSpot as Spot } from '@keen/core';
import { wideAs } from '../letters.ts';
import { spread } from '../spread.ts';
import { SMALL_MM, TEXT_MM, type Box, type Canvas } from './canvas.ts';
import type { Inset, Note, Ordinate, Span, Tag } from './figure-parts.ts';

export const TITLE_MM = 5.5;
export const ROW_MM = 5.5;
/** From the drawing to the first row; between a line and its number. */
export const OFF_MM = 3;
const GAP_MM = 1;
/** From the drawing to the labels beside it. */
export const LEADER_MM = 8;
export const LINE_MM = TEXT_MM + 1.3;

/** Number of rows of dimension lines on a side. */
export const rowsOn = (spans: readonly Span[], side: Span['side']): number =>
  Math.max(0, ...spans.flatMap((span) => (span.side === side ? [span.row + 1] : [])));

/** Reserved areas so far. */
export function drawInsets(canvas: Canvas, insets: readonly Inset[], on: (at: Spot) => Spot, times: number): Box[] {
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

/** A label without room is left out: the list beside the drawing has it. */
export function drawTags(canvas: Canvas, tags: readonly Tag[], taken: Box[], on: (at: Spot) => Spot): void {
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

/** With a small gap between them. */
const meet = (a: Box, b: Box): boolean => a.x < b.x + b.width + 0.6 && b.x < a.x + a.width + 0.6 && a.y < b.y + b.height + 0.6 && b.y < a.y + a.height + 0.6;

/** Rows of dimension lines: numbers on their lines, shifted along the row where two would meet. */
export function drawSpans(canvas: Canvas, spans: readonly Span[], inside: Box, on: (at: Spot) => Spot, box: Box): void {
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
        // Crossing lines pass under it.
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

/** Positions from one end: each with a line, bent to where its number has room. */
export function drawOrdinates(canvas: Canvas, ordinates: readonly Ordinate[], inside: Box, on: (at: Spot) => Spot, spans: readonly Span[], box: Box): void {
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
      // Those of the other side are around the corner.
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

/** Labels in a column, each with a line to its point. */
export function drawNotes(canvas: Canvas, notes: readonly Note[], side: 'left' | 'right', x: number, inside: Box, on: (at: Spot) => Spot, box: Box): void {
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
