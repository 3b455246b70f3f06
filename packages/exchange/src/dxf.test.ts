/** Drawings for router tables, read back by another library and compared with the plan. */
import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { lineOfPiece, plan, readProjectFile, search, sheetJobs, sheetsOfPlan, toMm, type Placement, type Plan, type ProjectFile } from '@keen/core';
import * as dxfParser from 'dxf-parser';
import type { ICircleEntity, IDxf, ILwpolylineEntity, ITextEntity } from 'dxf-parser';
import { partsDxf, sheetsDxf } from './dxf.ts';
import { readOutlines } from './outlines/read-outlines.ts';

const roomOf = (name: string): ProjectFile => {
  const read = readProjectFile(readFileSync(new URL(`../../../examples/${name}.carcass.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
};
const planOf = ({ design, record, workshop }: ProjectFile): Plan => plan(design, record, workshop);
// Its declarations name what its module only has as the default.
const DxfParser = dxfParser.default as unknown as typeof dxfParser.DxfParser;
const readDxf = (text: string): IDxf => new DxfParser().parseSync(text)!;
const onLayer = <T>(dxf: IDxf, layer: string | RegExp): T[] =>
  dxf.entities.filter((entity) => (typeof layer === 'string' ? entity.layer === layer : layer.test(entity.layer))) as T[];
const boxOf = ({ vertices }: ILwpolylineEntity) => ({
  left: Math.min(...vertices.map(({ x }) => x)),
  right: Math.max(...vertices.map(({ x }) => x)),
  low: Math.min(...vertices.map(({ y }) => y)),
  high: Math.max(...vertices.map(({ y }) => y)),
});

describe.each(['print-room', 'print-room-back', 'type-store'])('the parts of %s', (name) => {
  const made = planOf(roomOf(name));
  const dxf = readDxf(partsDxf(made));

  test('are drawn once each, closed, in millimetres, each named under it', () => {
    expect(dxf.header['$INSUNITS']).toBe(4);
    expect(dxf.header['$MEASUREMENT']).toBe(1);
    const outlines = onLayer<ILwpolylineEntity>(dxf, 'OUTLINE');
    expect(outlines).toHaveLength(made.parts.length);
    expect(outlines.every(({ shape }) => shape)).toBe(true);
    const words = onLayer<ITextEntity>(dxf, 'TEXT').map(({ text }) => text);
    for (const { mark, count } of made.parts) expect(words.filter((text) => text.startsWith(`${mark} x ${count} `))).toHaveLength(1);
  });

  test('are as long as the cut list says, and none lies on another', () => {
    const boxes = onLayer<ILwpolylineEntity>(dxf, 'OUTLINE').map(boxOf);
    made.parts.forEach((line, index) => {
      const box = boxes[index]!;
      // An edge that leans out to its under face ends sooner on the upper one.
      const leans = line.features.some(({ kind }) => kind === 'edge-bevel');
      if (!leans) expect(box.right - box.left).toBeCloseTo(toMm(line.length.value), 3);
      for (const other of boxes.slice(index + 1))
        expect(box.right <= other.left || other.right <= box.left || box.high <= other.low || other.high <= box.low).toBe(true);
    });
  });

  test('every slot and hole of the cut list is on the layer of its depth', () => {
    const slots = new Map<string, number>();
    const holes = new Map<string, number>();
    const add = (to: Map<string, number>, key: string, count: number): void => void to.set(key, (to.get(key) ?? 0) + count);
    for (const { features } of made.parts)
      for (const { kind, face, depth, width, through, count = 1 } of features) {
        const figure = (nm: number): string => String(Math.round(nm / 1e4) / 100);
        if (face !== 'edge' && (kind === 'dado' || kind === 'groove' || kind === 'rabbet')) add(slots, `SLOT_${figure(depth)}`, 1);
        if (face !== 'edge' && kind === 'holes') add(holes, `HOLE_${figure(width)}_${through ? 'THROUGH' : figure(depth)}`, count);
      }
    const found = (layers: RegExp): Map<string, number> => {
      const counts = new Map<string, number>();
      for (const { layer } of onLayer<ICircleEntity>(dxf, layers)) add(counts, layer.replace('_UNDER', ''), 1);
      return counts;
    };
    expect(found(/^SLOT_/)).toEqual(slots);
    expect(found(/^HOLE_/)).toEqual(holes);
    for (const { layer, radius } of onLayer<ICircleEntity>(dxf, /^HOLE_/)) expect(2 * radius).toBeCloseTo(Number(layer.split('_')[1]), 1);
  });
});

test('nested sheets hold each piece where it lies, with its slots', () => {
  const room = roomOf('print-room');
  const made = planOf(room);
  const sheets = sheetJobs(made.parts, room.workshop).flatMap((job) => {
    const stepper = search(job.problem, 1);
    stepper.step(3);
    return sheetsOfPlan(job, stepper.plan(), room.workshop).map(({ kind, nested }) => ({
      title: `${job.product} ${nested.sheet}`,
      lengthMm: toMm(kind.length),
      widthMm: toMm(kind.width),
      trimMm: toMm(job.problem.trim),
      placements: nested.placements,
    }));
  });
  const dxf = readDxf(sheetsDxf(sheets, made));
  const frames = onLayer<ILwpolylineEntity>(dxf, 'SHEET').map(boxOf);
  expect(frames).toHaveLength(sheets.length);
  const outlines = onLayer<ILwpolylineEntity>(dxf, 'OUTLINE').map(boxOf);
  const placed = sheets.flatMap(({ placements }, sheet) => placements.map((placement) => ({ ...placement, frame: frames[sheet]! })));
  expect(outlines).toHaveLength(placed.length);
  placed.forEach(({ part, x, y, dx, dy, frame }, index) => {
    const box = outlines[index]!;
    expect(box.left).toBeGreaterThan(frame.left + toMm(x) - 1e-3);
    expect(box.right).toBeLessThan(frame.left + toMm(x) + toMm(dx) + 1e-3);
    expect(box.low).toBeGreaterThan(frame.low + toMm(y) - 1e-3);
    expect(box.high).toBeLessThan(frame.low + toMm(y) + toMm(dy) + 1e-3);
    if (lineOfPiece(made.parts, part)!.features.length === 0) expect(box.right - box.left).toBeCloseTo(toMm(dx), 3);
  });
  // Nothing of one piece, its slots and holes too, reaches into another.
  const within = ({ left, right, low, high }: (typeof outlines)[number]): boolean =>
    outlines.some((box) => left > box.left - 0.01 && right < box.right + 0.01 && low > box.low - 0.01 && high < box.high + 0.01);
  for (const slot of onLayer<ILwpolylineEntity>(dxf, /^SLOT_/)) expect(within(boxOf(slot))).toBe(true);
  for (const { center, radius } of onLayer<ICircleEntity>(dxf, /^HOLE_/))
    expect(within({ left: center.x - radius, right: center.x + radius, low: center.y - radius, high: center.y + radius })).toBe(true);
});

test('a piece turned on its sheet stands on its start end, its slots as high as they were far along', () => {
  const made = planOf(roomOf('print-room'));
  const line = made.parts.find(({ features, bands }) => bands.length === 0 && features.some(({ kind, across }) => kind === 'dado' && !across))!;
  const side = { part: line.panels[0]!, x: 20e6, y: 30e6, dx: line.width.value, dy: line.length.value, turned: true } as Placement;
  const dxf = readDxf(sheetsDxf([{ title: 'one', lengthMm: 1220, widthMm: 2440, trimMm: 5, placements: [side] }], made));
  const [outline] = onLayer<ILwpolylineEntity>(dxf, 'OUTLINE').map(boxOf);
  expect(outline).toEqual({
    left: expect.closeTo(20, 4),
    right: expect.closeTo(20 + toMm(line.width.value), 4),
    low: expect.closeTo(30, 4),
    high: expect.closeTo(30 + toMm(line.length.value), 4),
  });
  const dados = line.features.filter(({ kind, from }) => kind === 'dado' && from === 'start').map(({ at }) => 30 + toMm(at));
  const drawn = onLayer<ILwpolylineEntity>(dxf, /^SLOT_/).map((slot) => boxOf(slot).low);
  expect(dados.length).toBeGreaterThan(0);
  for (const low of dados) expect(drawn.some((each) => Math.abs(each - low) < 1e-3)).toBe(true);
});

test.each(['print-room', 'print-room-back', 'type-store'])(
  'the drawing of %s comes back as the parts it was made of, nothing cut into them taken for one',
  (name) => {
    const made = planOf(roomOf(name));
    const read = readOutlines(Buffer.from(partsDxf(made)), 'parts.dxf');
    if (!read.ok) throw new Error(read.problem.message);
    expect(read.value.outlines).toHaveLength(made.parts.length);
    expect(read.value.notes).toEqual([expect.stringMatching(/^\d+ lines and words on other layers than OUTLINE were left out$/)]);
  },
);

test('what fits on no sheet is told beside the sheets that are drawn', () => {
  const made = planOf(roomOf('type-store'));
  const [line] = made.parts;
  const dxf = readDxf(
    sheetsDxf([{ title: 'one', lengthMm: 2440, widthMm: 1220, trimMm: 5, placements: [] }], made, [{ part: line!.panels[0]!, why: 'the sheets ran out' }]),
  );
  expect(onLayer(dxf, 'SHEET')).toHaveLength(1);
  expect(onLayer<ITextEntity>(dxf, 'TEXT').map(({ text }) => text)).toContainEqual(
    expect.stringMatching(new RegExp(`^on no sheet: ${line!.mark} .*: the sheets ran out$`)),
  );
});

test('a sheet with a piece the plan does not know is refused', () => {
  const made = planOf(roomOf('type-store'));
  const placement = { part: 'ghost', x: 0, y: 0, dx: 1, dy: 1, turned: false } as never;
  expect(() => sheetsDxf([{ title: 'one', lengthMm: 10, widthMm: 10, trimMm: 0, placements: [placement] }], made)).toThrow(/'ghost'/);
});
