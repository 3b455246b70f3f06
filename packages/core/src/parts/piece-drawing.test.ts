/** Drawings of pieces against their volumes: what a drawing takes away has to be what the weights take away, worked out another way. */
import { describe, expect, test } from '@jest/globals';
import polygonClipping from 'polygon-clipping';
import back from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import { readProject } from '../formats/project-file.ts';
import { toMm } from '../length/length.ts';
import { plan } from '../planner/plan.ts';
import { extentOf } from '../solid/panel.ts';
import { bulkOf } from '../solid/volume.ts';
import { furnishedRoom } from '../test/print-room.ts';
import type { Corner, FlatPoint } from './corner.ts';
import { pieceDrawing, type PieceDrawing } from './piece-drawing.ts';

const rooms = [furnishedRoom(), readProject(back)];
const lines = rooms.flatMap(({ design, record, workshop }) => {
  const made = plan(design, record, workshop);
  return made.parts.map((line) => ({ name: `${line.unit} ${line.mark}`, line, cabinet: made.byId.get(line.unit)?.cabinet ?? null }));
});
const panels = lines.flatMap(({ line, cabinet, ...rest }) => {
  const panel = line.role === 'cleat-blank' ? undefined : cabinet?.byId.get(line.panels[0]!);
  return panel && cabinet ? [{ ...rest, line, cabinet, panel }] : [];
});

/** Area within an outline, mm²; each arc adds or takes the part of a circle over its chord. */
function areaWithin(outline: readonly Corner[]): number {
  return outline.reduce((sum, { x, y, bulge }, index) => {
    const next = outline[(index + 1) % outline.length]!;
    const angle = 4 * Math.atan(Math.abs(bulge));
    const radius = bulge === 0 ? 0 : Math.hypot(next.x - x, next.y - y) / (2 * Math.sin(angle / 2));
    return sum + (x * next.y - next.x * y) / 2 + (Math.sign(bulge) * radius ** 2 * (angle - Math.sin(angle))) / 2;
  }, 0);
}
const polygon = (shape: readonly FlatPoint[]): number => Math.abs(areaWithin(shape.map((spot) => ({ ...spot, bulge: 0 }))));
const extent = (spots: readonly FlatPoint[]) => ({
  left: Math.min(...spots.map(({ x }) => x)),
  right: Math.max(...spots.map(({ x }) => x)),
  low: Math.min(...spots.map(({ y }) => y)),
  high: Math.max(...spots.map(({ y }) => y)),
});

describe('of every line of both rooms', () => {
  test.each(lines)('$name: it lies on its blank, anticlockwise, and nothing is cut outside it', ({ line, cabinet }) => {
    const piece = pieceDrawing(line, cabinet);
    expect(areaWithin(piece.outline)).toBeGreaterThan(0);
    const all = extent([...piece.outline, ...(piece.underOutline ?? [])]);
    expect(all.left).toBeCloseTo(0, 5);
    expect(all.low).toBeCloseTo(0, 5);
    expect(all.right).toBeCloseTo(piece.lengthMm, 4);
    // What is left wide for its slots is ripped off after: the drawing ends where the part does.
    expect(all.high).toBeLessThan(piece.widthMm + 1e-4);
    for (const { x, y } of [...piece.holes, ...piece.slots.flatMap(({ shape }) => shape)]) {
      expect(x).toBeGreaterThan(-1e-3);
      expect(x).toBeLessThan(piece.lengthMm + 1e-3);
      expect(y).toBeGreaterThan(-1e-3);
      expect(y).toBeLessThan(piece.widthMm + 1e-3);
    }
    expect(piece.rips).toHaveLength(line.features.filter(({ kind }) => kind === 'bevel-rip').length);
  });

  const stopped = panels.flatMap(({ line, cabinet, name }) => {
    const piece = pieceDrawing(line, cabinet);
    return line.features.flatMap((feature) => {
      const own = piece.slots.filter(({ guest }) => guest === feature.guest);
      return (feature.stops ?? (feature.angleDeg !== undefined && feature.across)) && own.length === 1 && feature.kind !== 'slant'
        ? [{ name: `${name} ${feature.guest}`, feature, slot: own[0]!, piece }]
        : [];
    });
  });

  test('there are stopped slots, slanted ones among them', () => {
    expect(stopped.length).toBeGreaterThan(10);
    expect(stopped.some(({ feature }) => feature.angleDeg !== undefined)).toBe(true);
  });

  test.each(stopped)('$name: a stopped slot runs out where its words say it does', ({ feature, slot, piece }) => {
    const crosses = feature.from === 'start';
    const { left, right, low, high } = extent(slot.shape);
    const [toLow, toHigh] = crosses ? [low, piece.widthMm - high] : [left, piece.lengthMm - right];
    const lowEdge = crosses ? piece.below : 'start';
    const { across, clear, stops } = feature;
    if (clear) expect(clear.from === lowEdge ? toLow : toHigh).toBeCloseTo(toMm(clear.at), 3);
    else if (!stops) expect(across!.from === lowEdge ? toLow : toHigh).toBeLessThan(1);
    else for (const { edge, at } of stops) expect(edge === lowEdge ? toLow : toHigh).toBeCloseTo(toMm(at), 3);
  });

  const flat = panels.filter(
    ({ panel }) => panel.bands.length === 0 && panel.outline.every(({ bevel }) => bevel === 0) && panel.cuts.every(({ kind }) => kind !== 'edge-groove'),
  );
  test.each(flat)('$name: what it takes away is what the weights take away', ({ line, cabinet, panel }) => {
    const piece = pieceDrawing(line, cabinet);
    const bare = pieceDrawing({ ...line, features: [] }, { ...cabinet, connections: [] });
    const taken = piece.slots.reduce((sum, { shape, depthMm }) => sum + polygon(shape) * depthMm, 0) + holesMm3(bare);
    // Slots that cross are counted twice here, and once there.
    const crossed = crossings(piece);
    expect(Math.abs(areaWithin(piece.outline) * piece.thicknessMm - taken + crossed - bulkOf(panel).volumeMm3)).toBeLessThan(1);
  });

  test('there are notches, round ones too, arcs and tilted slots among them', () => {
    const pieces = panels.map(({ line, cabinet }) => pieceDrawing(line, cabinet));
    expect(pieces.some(({ outline }) => outline.some(({ bulge }) => bulge !== 0))).toBe(true);
    expect(pieces.some(({ outline }) => outline.length > 4)).toBe(true);
    expect(pieces.some(({ underOutline }) => underOutline !== null)).toBe(true);
    expect(new Set(pieces.map(({ up }) => up))).toEqual(new Set(['reference', 'other']));
    expect(flat.length).toBeGreaterThan(60);
  });
});

test('the face that is cut into more lies up, and a piece turned over keeps its ends', () => {
  for (const { line, cabinet, panel } of panels) {
    const piece = pieceDrawing(line, cabinet);
    const count = (face: 'reference' | 'other'): number => panel.slots.filter((slot) => slot.face === face).length;
    if (count('reference') !== count('other')) expect(piece.up).toBe(count('reference') > count('other') ? 'reference' : 'other');
    // Slots square across the length stand from the start end whichever face is up.
    const from = extentOf(panel.outline, 'u').from;
    for (const { normal, near, depth } of panel.slots)
      if (normal.u === 1 && panel.bands.length === 0 && panel.outline.every(({ bevel }) => bevel === 0))
        expect(piece.slots.some(({ shape, depthMm }) => Math.abs(extent(shape).left - (near - from) / 1e6) < 1e-6 && depthMm === toMm(depth))).toBe(true);
  }
});

const holesMm3 = ({ holes, thicknessMm }: PieceDrawing): number =>
  holes.reduce((sum, { diameterMm, depthMm }) => sum + (Math.PI / 4) * diameterMm ** 2 * (depthMm ?? thicknessMm), 0);

/** What slots of one face have in common, mm³: as deep as the shallower. */
function crossings({ slots }: PieceDrawing): number {
  const ring = (shape: readonly FlatPoint[]): [number, number][] => shape.map(({ x, y }) => [x, y]);
  let sum = 0;
  slots.forEach((a, index) => {
    for (const b of slots.slice(index + 1)) {
      if (a.under !== b.under) continue;
      for (const [outer] of polygonClipping.intersection([ring(a.shape)], [ring(b.shape)]))
        sum += polygon(outer!.map(([x, y]) => ({ x, y }))) * Math.min(a.depthMm, b.depthMm);
    }
  });
  return sum;
}
