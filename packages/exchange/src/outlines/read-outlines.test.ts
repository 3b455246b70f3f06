/** Drawings of other programs as parts: worked ones, ones this package wrote itself, ones that mean harm, and spoiled ones. */
import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { plan, readProjectFile, toMm, type Outcome } from '@keen/core';
import * as fc from 'fast-check';
import { partsDxf } from '../dxf.ts';
import { flattened } from '../prints/marks.ts';
import { spoiled } from '../test/spoiled.ts';
import { readOutlines, type ReadOutlines } from './read-outlines.ts';
import { areaOf } from './rings.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const read = (text: string): ReadOutlines => {
  const made = readOutlines(bytes(text), 'drawing');
  if (!made.ok) throw new Error(made.problem.message);
  return made.value;
};
const refused = (made: Outcome<unknown>): string => (made.ok ? 'read' : made.problem.code);

/** A side with a rounded end, drawn of single lines and an arc in no order, in inches; a rectangle; a circle; a hole; a line; words. */
function drawing(): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Inches);
  dxf.addLine(point3d(10, 4), point3d(0, 4));
  dxf.addArc(point3d(10, 2), 2, 270, 90);
  dxf.addLine(point3d(0, 4), point3d(0, 0));
  dxf.addLine(point3d(10, 0), point3d(0, 0));
  dxf.addLWPolyline([{ point: point2d(20, 0) }, { point: point2d(20, 3) }, { point: point2d(26, 3) }, { point: point2d(26, 0) }], {
    flags: LWPolylineFlags.Closed,
  });
  dxf.addCircle(point3d(40, 5), 2.5);
  dxf.addCircle(point3d(3, 2), 0.5);
  dxf.addLine(point3d(60, 0), point3d(61, 1));
  dxf.addText(point3d(0, 0), 1, 'a part');
  return dxf.stringify();
}

describe('DXF', () => {
  test('lines and arcs are joined, rectangles are rectangles, what is not taken over is said', () => {
    const { outlines, notes } = read(drawing());
    expect(outlines.map(({ lengthMm, widthMm }) => [lengthMm, widthMm].map((mm) => Math.round(mm * 100) / 100))).toEqual(
      expect.arrayContaining([
        [304.8, 101.6],
        [152.4, 76.2],
        [127, 127],
      ]),
    );
    expect(outlines).toHaveLength(3);
    const side = outlines.find(({ lengthMm }) => Math.abs(lengthMm - 304.8) < 0.1)!;
    expect(side.corners.filter(({ bulge }) => Math.abs(bulge - 1) < 1e-6)).toHaveLength(1);
    expect(areaOf(flattened(side.corners))).toBeCloseTo(25.4 ** 2 * (40 + (Math.PI * 4) / 2), -1);
    expect(outlines.find(({ lengthMm }) => Math.abs(lengthMm - 152.4) < 0.1)!.corners).toEqual([]);
    expect(notes).toEqual(['1 × TEXT not understood', 'one line that does not close was left out', 'one cut-out inside an outline was left out']);
  });

  test('what this product wrote comes back with the sizes it was written with', () => {
    const file = readProjectFile(readFileSync(new URL('../../../../examples/print-room-back.carcass.json', import.meta.url), 'utf8'));
    if (!file.ok) throw new Error(file.problem.message);
    const { design, record, workshop } = file.value;
    const made = plan(design, record, workshop);
    const { outlines } = read(partsDxf(made));
    const sizes = outlines.map(({ lengthMm, widthMm }) => `${lengthMm.toFixed(1)} ${widthMm.toFixed(1)}`);
    const plain = made.parts.filter(({ features, role }) => features.length === 0 && role !== 'cleat-blank');
    expect(plain.length).toBeGreaterThan(20);
    for (const { mark, length, width } of plain)
      expect([mark, sizes]).toEqual([mark, expect.arrayContaining([`${toMm(length.value).toFixed(1)} ${toMm(width.value).toFixed(1)}`])]);
  });

  test('a drawing that does not say its unit is told', () => {
    const dxf = drawing().replace(/\$INSUNITS\n\s*70\n\s*1/, '$INSUNITS\n70\n0');
    expect(read(dxf).notes[0]).toContain('taken for millimeters');
    expect(Math.round(read(dxf).outlines[0]!.lengthMm)).toBeLessThan(13);
  });
});

const svg = (inner: string, head = 'width="200mm" height="100mm" viewBox="0 0 400 200"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inner}</svg>`;

describe('SVG', () => {
  test('shapes, paths and groups that are moved, at the size the drawing says', () => {
    const { outlines, notes } = read(
      svg(
        '<g transform="translate(100 0) scale(2)"><rect x="1" y="1" width="50" height="20"/></g>' +
          '<path d="M0 100h100v40q-50 40-100 0z"/><circle cx="300" cy="150" r="30"/><text>words</text><defs><rect width="90" height="90"/></defs>',
      ),
    );
    expect(outlines.map(({ lengthMm, widthMm }) => [lengthMm, widthMm].map((mm) => Math.round(mm * 10) / 10))).toEqual([
      [50, 20],
      [50, 30],
      [30, 30],
    ]);
    const disc = outlines[2]!;
    // Short straight sides: no more than a ribbon of two hundredths less.
    expect(Math.PI * 225 - areaOf(disc.corners)).toBeLessThan(2 * Math.PI * 15 * 0.02);
    expect(notes).toEqual(['1 × text not understood']);
  });

  test('without a size of its own a unit is a 96th of an inch, and that is said', () => {
    const { outlines, notes } = read(svg('<rect width="96" height="192"/>', ''));
    expect([outlines[0]!.lengthMm, outlines[0]!.widthMm]).toEqual([expect.closeTo(25.4, 6), expect.closeTo(50.8, 6)]);
    expect(notes[0]).toContain('1/96 in');
  });
});

describe('refused in words', () => {
  test.each<[string, () => string, string]>([
    ['entities that unfold', () => `<!DOCTYPE svg [<!ENTITY a "M0 0h90v90z"><!ENTITY b "&a;&a;&a;&a;&a;">]>${svg('<path d="&b;"/>')}`, 'doctype'],
    ['an entity from outside', () => `<!DOCTYPE svg SYSTEM "file:///etc/passwd">${svg('')}`, 'doctype'],
    ['elements without end', () => svg('<g>'.repeat(500)), 'too-deep'],
    ['another kind of XML', () => '<html><body/></html>', 'svg'],
    ['words', () => 'Dear reader, this is no drawing.', 'dxf'],
    ['a drawing of one open line', () => svg('<path d="M0 0h90"/>'), 'no-outline'],
    ['thousands of shapes', () => svg('<rect width="9" height="9"/>'.repeat(6000)), 'too-many'],
    [
      'an outline of thousands of corners',
      () => svg(`<path d="M0 0${Array.from({ length: 900 }, (_, n) => `L${n % 2 ? 300 : 310} ${n}`).join('')}L0 900z"/>`),
      'no-outline',
    ],
  ])('%s', (_, text, code) => expect(refused(readOutlines(bytes(text()), 'drawing'))).toBe(code));
});

test.each([
  ['DXF', drawing()],
  ['SVG', svg('<path d="M0 100h100v40q-50 40-100 0z"/><circle cx="300" cy="150" r="30"/>')],
])('spoiled drawings, %s: refused in words, or outlines that are parts', (_, good) => {
  fc.assert(
    fc.property(spoiled(bytes(good)), (file) => {
      const made = readOutlines(file, 'drawing');
      if (!made.ok) {
        for (const words of Object.values(made.problem)) expect(words).not.toBe('');
        return;
      }
      for (const { corners, lengthMm, widthMm } of made.value.outlines) {
        expect(Math.min(lengthMm, widthMm)).toBeGreaterThanOrEqual(5);
        for (const { x, y } of corners) expect(x >= 0 && x <= lengthMm && y >= 0 && y <= widthMm).toBe(true);
      }
    }),
    { numRuns: 300 },
  );
});
