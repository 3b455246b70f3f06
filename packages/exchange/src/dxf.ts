/**
 * Parts and nested sheets as DXF for a router table, in millimeters. Layers tell cuts apart: docs/format/dxf.md lists them. One drawing has each part once
 * with its count; nested sheets have each piece in place.
 */
import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import {
  labelWords,
  lineOfPiece,
  pieceDrawing,
  toMm,
  type Corner,
  type NestPlan,
  type PartLine,
  type PieceDrawing,
  type Placement,
  type PieceSpot as Spot,
  type Plan,
} from '@keen/core';
import { OUTLINE_LAYER } from './outlines/dxf.ts';

/** Gap between parts side by side, mm. */
const GAP_MM = 40;
/** Target length of a row of parts, mm. */
const ROW_MM = 3000;
const TEXT_MM = 12;

/** Index colors of the format: 7 is dark on light and light on dark. */
const COLORS = { outline: 7, under: 8, slot: 5, hole: 1, rip: 6, text: 3, sheet: 9 } as const;

/** A sheet with its pieces, from its lower left corner. */
export interface SheetToDraw {
  readonly title: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly trimMm: number;
  readonly placements: readonly Placement[];
}

/** Parts that fit on no sheet, and why. */
export type UnplacedPart = Pick<NestPlan['unplaced'][number], 'part' | 'why'>;

/** Place of a part in a drawing: translation, and a quarter turn to the left where it is turned on its sheet. */
interface Lie {
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
}

/** Every cut list line once, in order, row above row. */
export function partsDxf(plan: Plan): string {
  const drawing = new Drawing();
  let [x, y, high] = [0, 0, 0];
  for (const line of plan.parts) {
    const piece = drawnPiece(line, plan);
    if (x > 0 && x + piece.lengthMm > ROW_MM) [x, y, high] = [0, y + high + GAP_MM + 3 * TEXT_MM, 0];
    drawing.piece(piece, { x, y, turned: false });
    notesOf(line, piece).forEach((words, index) => drawing.text(words, x, y - (index + 1.4) * TEXT_MM));
    x += piece.lengthMm + GAP_MM;
    high = Math.max(high, piece.widthMm);
  }
  return drawing.stringify();
}

/** Sheets from left to right, each with its pieces in place; unplaced parts are listed beside the last. */
export function sheetsDxf(sheets: readonly SheetToDraw[], plan: Plan, unplaced: readonly UnplacedPart[] = []): string {
  const drawing = new Drawing();
  let left = 0;
  for (const { title, lengthMm, widthMm, trimMm, placements } of sheets) {
    drawing.rectangle('SHEET', COLORS.sheet, left, 0, lengthMm, widthMm);
    if (trimMm > 0) drawing.rectangle('TRIM', COLORS.sheet, left + trimMm, trimMm, lengthMm - 2 * trimMm, widthMm - 2 * trimMm);
    drawing.text(title, left, widthMm + TEXT_MM);
    for (const { part, x, y, turned } of placements) {
      const line = lineOfPiece(plan.parts, part);
      if (!line) throw new RangeError(`a sheet holds the piece '${part}', which the plan does not have`);
      const piece = drawnPiece(line, plan);
      const lie = { x: left + toMm(x), y: toMm(y), turned };
      drawing.piece(piece, lie);
      const middle = laid({ x: piece.lengthMm / 2, y: piece.widthMm / 2 }, piece, lie);
      drawing.text(line.mark, middle.x, middle.y);
    }
    left += lengthMm + 5 * GAP_MM;
  }
  unplaced.forEach(({ part, why }, index) => {
    const line = lineOfPiece(plan.parts, part);
    drawing.text(`on no sheet: ${line ? `${line.mark} ${labelWords(line.names[0]!)}` : part}: ${why}`, left, -2 * index * TEXT_MM);
  });
  return drawing.stringify();
}

const drawnPiece = (line: PartLine, plan: Plan): PieceDrawing => pieceDrawing(line, plan.byId.get(line.unit)?.cabinet ?? null);

/** Text under a part: its mark, count, and what cannot be seen from above. */
function notesOf(line: PartLine, { lengthMm, widthMm, thicknessMm, up, sideways }: PieceDrawing): string[] {
  return [
    `${line.mark} x ${line.count}  ${labelWords(line.names[0]!)}  ${figure(lengthMm)} x ${figure(widthMm)} x ${figure(thicknessMm)} mm, ${up} face up`,
    ...sideways.map(({ kind, from, at, width, depth, count = 1, across }) =>
      kind === 'groove'
        ? `groove in the ${from} edge: ${figure(toMm(at))} from its upper arris, ${figure(toMm(width))} wide, ${figure(toMm(depth))} deep`
        : `${count} holes in the ${across?.from ?? from} edge: first ${figure(toMm(at))} from the ${from} end, ${figure(toMm(width))} across, ${figure(toMm(depth))} deep`,
    ),
  ];
}

/** At most two decimals, as in layers and notes. */
const figure = (mm: number): string => String(Math.round(mm * 100) / 100);

function laid({ x, y }: Spot, { widthMm }: PieceDrawing, lie: Lie): Spot {
  return lie.turned ? { x: lie.x + widthMm - y, y: lie.y + x } : { x: lie.x + x, y: lie.y + y };
}

/** The writer, with layers created on demand. */
class Drawing {
  private readonly dxf = new DxfWriter();
  private readonly layers = new Set<string>();

  constructor() {
    this.dxf.setUnits(Units.Millimeters);
    this.dxf.setVariable('$MEASUREMENT', { 70: 1 });
  }

  piece(piece: PieceDrawing, lie: Lie): void {
    const at = (spot: Spot): Spot => laid(spot, piece, lie);
    this.closed(OUTLINE_LAYER, COLORS.outline, piece.outline, at);
    if (piece.underOutline) this.closed('OUTLINE_UNDER', COLORS.under, piece.underOutline, at);
    for (const { under, depthMm, shape } of piece.slots)
      this.closed(
        `SLOT_${figure(depthMm)}${under ? '_UNDER' : ''}`,
        under ? COLORS.under : COLORS.slot,
        shape.map((spot) => ({ ...spot, bulge: 0 })),
        at,
      );
    for (const { under, diameterMm, depthMm, ...spot } of piece.holes) {
      const layer = this.layer(
        `HOLE_${figure(diameterMm)}_${depthMm === null ? 'THROUGH' : figure(depthMm)}${under ? '_UNDER' : ''}`,
        under ? COLORS.under : COLORS.hole,
      );
      const { x, y } = at(spot);
      this.dxf.addCircle(point3d(x, y), diameterMm / 2, { layerName: layer });
    }
    for (const { atMm, tiltDeg } of piece.rips) {
      const [from, to] = [at({ x: 0, y: atMm }), at({ x: piece.lengthMm, y: atMm })];
      this.dxf.addLine(point3d(from.x, from.y), point3d(to.x, to.y), { layerName: this.layer(`RIP_${figure(tiltDeg)}DEG`, COLORS.rip) });
    }
  }

  rectangle(layer: string, color: number, x: number, y: number, dx: number, dy: number): void {
    const corner = (cx: number, cy: number): Corner => ({ x: cx, y: cy, bulge: 0 });
    this.closed(layer, color, [corner(x, y), corner(x + dx, y), corner(x + dx, y + dy), corner(x, y + dy)], (spot) => spot);
  }

  text(words: string, x: number, y: number): void {
    this.dxf.addText(point3d(x, y), TEXT_MM, words, { layerName: this.layer('TEXT', COLORS.text) });
  }

  stringify(): string {
    return this.dxf.stringify();
  }

  private closed(layer: string, color: number, corners: readonly Corner[], at: (spot: Spot) => Spot): void {
    const vertices = corners.map(({ bulge, ...spot }) => {
      const { x, y } = at(spot);
      return { point: point2d(x, y), ...(bulge === 0 ? {} : { bulge }) };
    });
    this.dxf.addLWPolyline(vertices, { flags: LWPolylineFlags.Closed, layerName: this.layer(layer, color) });
  }

  private layer(name: string, color: number): string {
    if (!this.layers.has(name)) this.dxf.addLayer(name, color);
    this.layers.add(name);
    return name;
  }
}
