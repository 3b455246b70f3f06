/** One piece of the cut list flat on the bench, its cuts measured from its left end and its lower edge. */
import { pieceDrawing, tapeText, type DisplayUnit, type Length, type PartLine, type PieceDrawing, type PieceSlot, type CabinetPlan } from '@keen/core';
import { circle, flattened } from '../marks.ts';
import type { Figure, FigureShape, Ordinate } from './figure-parts.ts';

const SLOT_GREY = 0.88;
/** Extension of a hole's cross beyond its rim, mm. */
const CROSS_MM = 3;
/** Most dimensions on one side; the words describe the rest. */
const MAX_PLACES = 22;

/** The words beside it name it. */
export function partFigure(line: PartLine, plan: CabinetPlan | null, unit: DisplayUnit): Figure {
  const piece = pieceDrawing(line, plan?.cabinet ?? null);
  const { lengthMm, widthMm } = piece;
  const text = (at: number): string => tapeText(Math.round(at * 1e6) as Length, unit);
  return {
    title: line.mark,
    shapes: shapesOf(piece),
    spans: [
      { side: 'below', row: 0, from: 0, to: lengthMm, text: text(lengthMm) },
      { side: 'left', row: 0, from: 0, to: widthMm, text: text(widthMm) },
    ],
    ordinates: [
      ...placesOf(piece, 'x').map(({ at, inTo }): Ordinate => ({ side: 'below', at, inTo, text: text(at) })),
      ...placesOf(piece, 'y').map(({ at, inTo }): Ordinate => ({ side: 'left', at, inTo, text: text(at) })),
    ],
  };
}

function shapesOf({ outline, underOutline, slots, holes, rips, lengthMm }: PieceDrawing): FigureShape[] {
  const upper = [...slots].sort((a, b) => Number(b.under) - Number(a.under));
  return [
    { points: flattened(outline), closed: true, pen: 'heavy', fill: 1 },
    ...upper.map(({ under, shape }): FigureShape => ({ points: shape, closed: true, pen: under ? 'dashed' : 'heavy', ...(under ? {} : { fill: SLOT_GREY }) })),
    ...(underOutline ? [{ points: flattened(underOutline), closed: true, pen: 'dashed' as const }] : []),
    ...holes.flatMap(({ x, y, diameterMm, under }): FigureShape[] => {
      const reach = diameterMm / 2 + CROSS_MM;
      const cross = (dx: number, dy: number): FigureShape => ({
        points: [
          { x: x - dx, y: y - dy },
          { x: x + dx, y: y + dy },
        ],
        closed: false,
        pen: 'light',
      });
      return [{ points: circle({ x, y }, diameterMm / 2).points, closed: true, pen: under ? 'dashed' : 'heavy' }, cross(reach, 0), cross(0, reach)];
    }),
    ...rips.map(({ atMm }): FigureShape => ({
      points: [
        { x: 0, y: atMm },
        { x: lengthMm, y: atMm },
      ],
      closed: false,
      pen: 'heavy',
    })),
  ];
}

interface PlaceAlong {
  readonly at: number;
  readonly inTo: number;
}

/** Positions closer than this are one, mm. */
const SAME_MM = 0.02;

/** Starts of cuts and positions of holes along one side, each once, without the ends. */
function placesOf({ slots, holes, rips, lengthMm, widthMm, outline }: PieceDrawing, side: 'x' | 'y'): PlaceAlong[] {
  const other = side === 'x' ? 'y' : 'x';
  const long = side === 'x' ? lengthMm : widthMm;
  const found: PlaceAlong[] = [
    ...slots.filter((slot) => runsAcross(slot) === (side === 'x') || isStopped(slot, side, long)).flatMap(({ shape }) => endsOf(shape, side, other)),
    ...holes.map((hole) => ({ at: hole[side], inTo: hole[other] })),
    ...(side === 'y' ? rips.map(({ atMm }) => ({ at: atMm, inTo: 0 })) : []),
    ...outline.filter(({ bulge }) => bulge === 0).map((corner) => ({ at: corner[side], inTo: corner[other] })),
  ];
  const places = found
    .filter(({ at }) => at > SAME_MM && at < long - SAME_MM)
    .sort((a, b) => a.at - b.at || a.inTo - b.inTo)
    .filter(({ at }, index, all) => index === 0 || at - all[index - 1]!.at > SAME_MM);
  return places.length <= MAX_PLACES ? places : places.filter((_, index) => index < MAX_PLACES / 2 || index >= places.length - MAX_PLACES / 2);
}

/** Its longer side runs across the piece. */
function runsAcross({ shape }: PieceSlot): boolean {
  const long = (side: 'x' | 'y'): number => Math.max(...shape.map((corner) => corner[side])) - Math.min(...shape.map((corner) => corner[side]));
  return long('y') >= long('x');
}

/** It ends inside the piece, so its end is a position too. */
const isStopped = ({ shape }: PieceSlot, side: 'x' | 'y', long: number): boolean => shape.some((corner) => corner[side] > 0.5 && corner[side] < long - 0.5);

/** Positions of its corners along the side, each from the nearest corner. */
const endsOf = (shape: PieceSlot['shape'], side: 'x' | 'y', other: 'x' | 'y'): PlaceAlong[] => {
  const near = Math.min(...shape.map((corner) => corner[other]));
  return shape.filter((corner) => corner[other] < near + 0.5).map((corner) => ({ at: corner[side], inTo: corner[other] }));
};
