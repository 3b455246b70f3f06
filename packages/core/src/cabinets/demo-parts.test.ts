/**
 * Every part of the two demo cabinets, worked out by hand from the sizes that were asked and the readings
 * that were taken. Nothing here calls the code that makes the parts.
 */
import { describe, expect, test } from '@jest/globals';
import { exactMm } from '../formats/nest-plan.ts';
import type { PartLine } from '../parts/part-line.ts';
import { cabinetWith } from '../test/print-room.ts';

const row = ({ names, count, length, width, thickness }: PartLine): [string, number, string, string, string] => [
  names.map(({ key, of }) => (of ? `${key} ${of}` : key)).join(', '),
  count,
  exactMm(length.value),
  exactMm(width.value),
  exactMm(thickness),
];

const slots = (line: PartLine): string[] =>
  line.features
    .filter(({ kind }) => kind !== 'holes')
    .map(({ kind, from, at, width, depth }) => `${kind} ${from} ${exactMm(at)} wide ${exactMm(width)} deep ${exactMm(depth)}`)
    .sort();

describe('the ink cupboard, 700 × 820 × 280 mm', () => {
  const { parts, cabinet } = cabinetWith('ink');

  // The sheet: (17.8 + 17.7 + 17.9) / 3 = 17.8. The back: one reading, 6.2. Slots 6 deep, rabbet for the back 8 deep.
  // Inside: 700 − 2 × 17.8 = 664.4 wide; 820 − 2 × 17.8 − lip 15 = 769.4 high; 280 − 6.2 = 273.8 deep.
  test('its parts', () => {
    expect(parts.map(row)).toEqual(
      expect.arrayContaining([
        ['side-left', 1, '820mm', '280mm', '17.8mm'],
        ['side-right', 1, '820mm', '280mm', '17.8mm'],
        // 664.4 + 2 × (6 − 0.25 end play). Turned over, the bottom with its rabbet for the back is the top.
        ['top, bottom', 2, '675.9mm', '280mm', '17.8mm'],
        ['shelf 1, shelf 2', 2, '675.9mm', '273.8mm', '17.8mm'],
        ['back', 1, '784.4mm', '679.4mm', '6.2mm'], // 769.4 + 2 × (8 − 0.5 play); 664.4 + 15
        ['hanging-rail', 1, '664.4mm', '90mm', '17.8mm'],
        ['cleat-blank', 1, '700mm', '160mm', '17.8mm'],
        ['spacer', 1, '700mm', '60mm', '17.8mm'],
      ]),
    );
    expect(parts.reduce((sum, { count }) => sum + count, 0)).toBe(10);
  });

  test('its openings are a third of what the shelves leave: (769.4 − 2 × 17.8) / 3', () => {
    expect(cabinet.compartments.map(({ height }) => exactMm(height.value))).toEqual(['244.6mm', '244.6mm', '244.6mm']);
  });

  test('the slots of its sides, from the bottom end and the rear edge', () => {
    const side = parts.find(({ names }) => names[0]!.key === 'side-left')!;
    expect(slots(side)).toEqual(
      [
        'dado start 14.95mm wide 17.9mm deep 6mm', // bottom on a lip of 15, play 0.1 shared
        'dado start 277.35mm wide 17.9mm deep 6mm', // 15 + 17.8 + 244.6 − 0.05
        'dado start 539.75mm wide 17.9mm deep 6mm', // 277.4 + 17.8 + 244.6 − 0.05
        'rabbet start 802.2mm wide 17.8mm deep 6mm', // the top, at the very end: 820 − 17.8
        'rabbet near 0mm wide 6.2mm deep 8mm', // the back
      ].sort(),
    );
  });

  test('four screws through each side into the end of the hanging rail, pilots of 9/10 of the root', () => {
    const holesOf = (key: string) => parts.find(({ names }) => names[0]!.key === key)!.features.filter(({ kind }) => kind === 'holes');
    // The rail is 90 high under the inside ceiling at 802.2: the first stands at 712.2 + 90 / 8, the others 22.5 apart.
    // It lies before the back, 6.2, and the screws go into its middle: 6.2 + 8.9 from the rear edge.
    const [side] = holesOf('side-left');
    expect([side!.at, side!.pitch, side!.across!.at, side!.width].map((nm) => nm! / 1e6)).toEqual([723.45, 22.5, 15.1, 4]);
    expect([side!.count, side!.through, side!.from, side!.across!.from]).toEqual([4, true, 'start', 'near']);
    // A 4 mm screw has a root of 2.5; 50 mm of it less the side of 17.8.
    expect(holesOf('hanging-rail').map(({ width, depth, face, at, across }) => [width / 1e6, depth / 1e6, face, at / 1e6, across!.from])).toEqual([
      [2.3, 32.2, 'edge', 11.25, 'start'],
      [2.3, 32.2, 'edge', 11.25, 'end'],
    ]);
  });

  test('left and right side are a mirrored pair, not two of the same', () => {
    const [left, right] = ['side-left', 'side-right'].map((key) => parts.find(({ names }) => names[0]!.key === key)!);
    expect(left!.mirrorOf).toBe(right!.mark);
    expect(right!.mirrorOf).toBe(left!.mark);
  });

  test('its cleat: board 160, thickness 17.8, kerf 3.2, 45 degrees', () => {
    const both = 160 + 17.8 - 3.2 * Math.SQRT2; // 173.275
    expect(cabinet.hanging.rip!.longFaces.value).toBeCloseTo(both, 6);
    expect(cabinet.hanging.longFace / 1e6).toBeCloseTo(both / 2, 5); // 86.64
    expect(cabinet.hanging.shortFace / 1e6).toBeCloseTo(both / 2 - 17.8, 5); // 68.84
    expect(cabinet.hanging.rip!.engagement.value).toBeCloseTo(17.8, 9);
    expect(cabinet.hanging.gap).toBe(17_800_000);
  });
});

describe('the type-case box, 27 9/16 × 18 1/2 × 12 in', () => {
  const { parts, cabinet } = cabinetWith('type');
  // The sheet read 0.703 in; the back is taken at its name, 1/4 in. Slots 1/4 in deep, groove for the back 5/16 in.
  // Inside: 27.5625 − 2 × 0.703 = 26.1565 in = 664.3751 mm wide; 18.5 − 2 × 0.703 − lip 0.625 = 16.469 in = 418.3126 mm high.
  // The cleat is hidden behind the back: inside depth 12 − 0.703 − 0.25 = 11.047 in = 280.5938 mm.
  test('its parts', () => {
    expect(parts.map(row)).toEqual(
      expect.arrayContaining([
        ['side-left', 1, '469.9mm', '304.8mm', '17.8562mm'],
        ['side-right', 1, '469.9mm', '304.8mm', '17.8562mm'],
        ['top, bottom', 2, '676.5751mm', '304.8mm', '17.8562mm'], // 664.3751 + 2 × (6.35 − 0.25)
        ['shelf 1', 1, '676.5751mm', '280.5938mm', '17.8562mm'],
        ['back', 1, '433.1876mm', '679.2501mm', '6.35mm'], // 418.3126 + 2 × (7.9375 − 0.5); 664.3751 + 14.875
        ['hanging-rail', 1, '664.3751mm', '76.2mm', '17.8562mm'],
        ['cleat-blank', 1, '664.3751mm', '139.7mm', '17.8562mm'],
      ]),
    );
    expect(parts.reduce((sum, { count }) => sum + count, 0)).toBe(8);
  });

  test('its openings: (16.469 − 0.703) / 2 = 7.883 in', () => {
    expect(cabinet.compartments.map(({ height }) => exactMm(height.value))).toEqual(['200.2282mm', '200.2282mm']);
  });

  test('the step for its back is as wide as back and cleat together: 0.703 + 0.25 in', () => {
    const side = parts.find(({ names }) => names[0]!.key === 'side-left')!;
    expect(slots(side)).toContain('rabbet near 0mm wide 24.2062mm deep 7.9375mm');
  });

  test('its cleat: board 5 1/2 in, 0.703 in thick; the wall half is an inch shorter to shift', () => {
    const both = 139.7 + 17.8562 - 3.2 * Math.SQRT2;
    expect(cabinet.hanging.longFace / 1e6).toBeCloseTo(both / 2, 5);
    expect(cabinet.byId.get(cabinet.hanging.wallHalf)!.length.value).toBe(664_375_100 - 25_400_000);
    expect(cabinet.byId.get(cabinet.hanging.cabinetHalf)!.length.value).toBe(664_375_100);
  });
});
