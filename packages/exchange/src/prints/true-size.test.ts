/** What is printed at its true size, rendered by another program and measured: on every sheet, and across the lines tiles are joined at. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { pieceDrawing, plan, readProjectFile, setupsOf, toMm, type Plan, type ProjectFile } from '@keen/core';
import { line, type TrueDrawing } from './marks.ts';
import { across, BAR_MM, MARGIN_MM, type PaperId } from './paper.ts';
import { stickDrawing, sticksOf } from './sticks.ts';
import { partTemplate, wedge } from './templates.ts';
import { onSheets, OVERLAP_MM, tilesOf } from './tiles.ts';
import { picturesPdf } from './pictures-pdf.ts';
import { trueSizeSheets } from './true-size-sheets.ts';
import { windowOf, type TrueSizeOptions } from './true-size-sheets.ts';

const folder = mkdtempSync(join(tmpdir(), 'keen-print-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Ten dots to a millimeter. */
const DPI = 254;
const DOTS = 10;

interface Page {
  readonly width: number;
  readonly height: number;
  /** Darkness at a dot from the upper left, 0 white to 255. */
  readonly dark: (x: number, y: number) => number;
}

let made = 0;
function rendered(pdf: Uint8Array): Page[] {
  const name = join(folder, `print-${(made += 1)}`);
  writeFileSync(`${name}.pdf`, pdf);
  execFileSync('pdftoppm', ['-r', String(DPI), '-gray', `${name}.pdf`, name]);
  const pages = readdirSync(folder).filter((file) => file.startsWith(`print-${made}-`) && file.endsWith('.pgm'));
  return pages.sort().map((file) => {
    const bytes = readFileSync(join(folder, file));
    const [head, width, height] = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.toString('latin1', 0, 40))!;
    const [start, wide, high] = [head.length, Number(width), Number(height)];
    return { width: wide, height: high, dark: (x, y) => 255 - bytes[start + y * wide + x]! };
  });
}

/** Middles of the dark runs along a row of dots, mm from the left edge of the sheet. */
function crossings({ width, height, dark }: Page, upMm: number, fromMm: number, untilMm: number): number[] {
  const y = Math.round(height - upMm * DOTS);
  const found: number[] = [];
  for (let x = Math.max(0, Math.round(fromMm * DOTS)); x < Math.min(width, untilMm * DOTS); x++) {
    if (dark(x, y) < 60) continue;
    let [weight, moment] = [0, 0];
    for (; x < width && dark(x, y) >= 60; x++) [weight, moment] = [weight + dark(x, y), moment + dark(x, y) * (x + 0.5)];
    found.push(moment / weight / DOTS);
  }
  return found;
}

const closest = (found: readonly number[], wanted: number): number =>
  found.reduce((best, each) => (Math.abs(each - wanted) < Math.abs(best - wanted) ? each : best), Infinity);
const near = (found: readonly number[], wanted: number): number => Math.abs(closest(found, wanted) - wanted);

/** The same page on its side: what was upright runs along. */
const onItsSide = ({ width, height, dark }: Page): Page => ({ width: height, height: width, dark: (x, y) => dark(width - 1 - y, height - 1 - x) });

/** Of a stick, above the lower edge of its strip. */
const HEAD_AND_STRIP_MM = 11 + 24;
const LEFT_MM = 14;
const LOW_MM = 26 + 5;
const options = (paper: PaperId): TrueSizeOptions => ({ paper, project: 'Print room', revision: 'revision 3' });

function roomOf(name: string): ProjectFile {
  const read = readProjectFile(readFileSync(new URL(`../../../../examples/${name}.carcass.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
}
const planOf = ({ design, record, workshop }: ProjectFile): Plan => plan(design, record, workshop);

/** Where upright lines of a drawing come to lie on its sheets: each as the sheet it is on, and how far along and up it is, mm. */
function placesOf(
  drawing: TrueDrawing,
  along: number,
  up: number,
  given: TrueSizeOptions,
): { readonly sheet: number; readonly x: number; readonly y: number }[] {
  const window = windowOf(given);
  return onSheets(tilesOf(drawing, window), window).flatMap((tiles, sheet) =>
    tiles.flatMap((tile) =>
      along >= tile.x && along <= tile.x + tile.width && up >= tile.y && up <= tile.y + tile.height
        ? [{ sheet, x: MARGIN_MM + LEFT_MM + tile.at.x + along - tile.x, y: MARGIN_MM + LOW_MM + tile.at.y + up - tile.y }]
        : [],
    ),
  );
}

describe.each(['print-room', 'print-room-back', 'type-store'])('sticks of every unit of %s', (name) => {
  const room = roomOf(name);
  const whole = planOf(room);
  const cases = whole.cabinets.flatMap(({ id, cabinet }) => {
    const setups = setupsOf([cabinet], room.workshop.shop);
    return sticksOf(setups).map((stick, index) => ({ id: `${id}, stick ${index + 1}`, stick, drawing: stickDrawing(stick, setups.blanks, whole, 'in') }));
  });

  test.each(cases)('$id: every mark is within 0.2 mm of its place, and the strip is as long as it is, line laid on line', async ({ stick, drawing }) => {
    const given = options((['a4', 'letter'] as const)[stick.marks.length % 2]!);
    const pages = rendered(await picturesPdf(trueSizeSheets([drawing], given), 'print'));
    const walls = [0, toMm(stick.length), ...stick.marks.flatMap((mark) => [toMm(mark.near), toMm(mark.far)])];
    const low = drawing.height - HEAD_AND_STRIP_MM;
    let seen = 0;
    for (const wall of walls)
      for (const { sheet, x, y } of placesOf(drawing, wall, low + 12, given)) {
        seen += 1;
        expect(near(crossings(pages[sheet]!, y, x - 3, x + 3), x)).toBeLessThan(0.2);
      }
    expect(seen).toBeGreaterThanOrEqual(walls.length);
    // Measured as a person would who laid the tiles on one another: from line to line, tile by tile.
    const window = windowOf(given);
    let length = 0;
    onSheets(tilesOf(drawing, window), window).forEach((tiles, sheet) => {
      for (const tile of tiles) {
        const at = (along: number): number => {
          const x = MARGIN_MM + LEFT_MM + tile.at.x + along - tile.x;
          return closest(crossings(pages[sheet]!, MARGIN_MM + LOW_MM + tile.at.y + low + 3, x - 1, x + 1), x);
        };
        length += at(tile.joins.right ?? stripLength(drawing)) - at(tile.joins.left ?? 0);
      }
    });
    expect(Math.abs(length - stripLength(drawing))).toBeLessThan(0.2);
  });
});

/** The length of the strip itself: its first stroke. */
const stripLength = (drawing: TrueDrawing): number => Math.max(...drawing.strokes[0]!.points.map(({ x }) => x));

/** Nearer to level than this a line is not measured along a level. */
const STEEP = 0.6;
/** What meets nearer than this runs together on paper, mm. */
const APART_MM = 1;

/** Where the lines of a drawing cross a level or an upright, those that run steeply over it and stand clear of others. */
function crossed({ strokes }: TrueDrawing, axis: 'x' | 'y', at: number): number[] {
  const other = axis === 'x' ? 'y' : 'x';
  const found = strokes.flatMap(({ points, closed, weight }) =>
    points.flatMap((a, index) => {
      const b = points[(index + 1) % points.length]!;
      const over = b[other] - a[other];
      if (
        weight === 'dashed' ||
        (!closed && index === points.length - 1) ||
        a[other] > at === b[other] > at ||
        Math.min(Math.abs(a[other] - at), Math.abs(b[other] - at)) < APART_MM ||
        Math.abs(b[axis] - a[axis]) > STEEP * Math.abs(over)
      )
        return [];
      return [a[axis] + ((b[axis] - a[axis]) * (at - a[other])) / over];
    }),
  );
  return found.filter((place, index) => found.every((each, n) => n === index || Math.abs(each - place) > APART_MM));
}

describe.each(['print-room', 'print-room-back', 'type-store'])('a template of every unit of %s', (name) => {
  const room = roomOf(name);
  const whole = planOf(room);
  /** What most is cut into, and the largest of those. */
  const busiest = (unit: string): Plan['parts'][number] =>
    whole.parts
      .filter((line) => line.unit === unit && line.features.length > 0)
      .sort((a, b) => b.features.length - a.features.length || b.length.value * b.width.value - a.length.value * a.width.value)[0]!;

  test.each(whole.cabinets.map(({ id }) => [id]))('%s: what is cut is within 0.2 mm of its place, along and across, on every sheet', async (id) => {
    const part = busiest(id);
    const drawing = partTemplate(part, pieceDrawing(part, whole.byId.get(id)!.cabinet));
    const given = options((['a4', 'letter'] as const)[part.features.length % 2]!);
    const pages = rendered(await picturesPdf(trueSizeSheets([drawing], given), 'print'));
    const sides = pages.map(onItsSide);
    let seen = 0;
    for (const share of [0.17, 0.37, 0.71]) {
      const [level, upright] = [drawing.height * share, drawing.width * share];
      for (const along of crossed(drawing, 'x', level))
        for (const { sheet, x, y } of placesOf(drawing, along, level, given)) {
          seen += 1;
          expect([id, share, along, near(crossings(pages[sheet]!, y, x - 2, x + 2), x) < 0.2]).toEqual([id, share, along, true]);
        }
      for (const up of crossed(drawing, 'y', upright))
        for (const { sheet, x, y } of placesOf(drawing, upright, up, given)) {
          seen += 1;
          expect([id, share, up, near(crossings(sides[sheet]!, x, y - 2, y + 2), y) < 0.2]).toEqual([id, share, up, true]);
        }
    }
    expect(seen).toBeGreaterThanOrEqual(8);
  });
});

test('a wedge is as steep as it says', async () => {
  const given = options('letter');
  for (const angle of [3, 7.5, 22.5, 45, 52]) {
    const drawing = wedge(angle, 'blade');
    const [page] = rendered(await picturesPdf(trueSizeSheets([drawing], given), 'print'));
    const side = onItsSide(page!);
    const run = Math.max(...drawing.strokes[0]!.points.map(({ x }) => x));
    for (const share of [0.3, 0.9]) {
      const height = run * share * Math.tan((angle * Math.PI) / 180);
      const [place] = placesOf(drawing, run * share, 10 + height, given);
      expect(near(crossings(side, place!.x, place!.y - 2, place!.y + 2), place!.y)).toBeLessThan(0.2);
    }
  }
  expect(() => wedge(0, 'blade')).toThrow(/cannot be printed/);
  expect(() => wedge(75, 'blade')).toThrow(/cannot be printed/);
});

test.each(['a4', 'a3', 'letter', 'tabloid'] as const)('on %s the bars measure 100 mm and 4 in, in both directions', async (paper) => {
  const drawing: TrueDrawing = { title: 'a line', width: 20, height: 20, strokes: [line({ x: 10, y: 0 }, { x: 10, y: 20 })], words: [] };
  const [page] = rendered(await picturesPdf(trueSizeSheets([drawing], options(paper)), 'print'));
  expect([page!.width / DOTS, page!.height / DOTS]).toEqual([expect.closeTo(across(paper).width, 0), expect.closeTo(across(paper).height, 0)]);
  const millimetres = crossings(page!, MARGIN_MM + 13 + 1.5, MARGIN_MM - 1, MARGIN_MM + 101);
  expect(millimetres).toHaveLength(11);
  expect(Math.abs(millimetres[10]! - millimetres[0]! - BAR_MM)).toBeLessThan(0.1);
  const inches = crossings(page!, MARGIN_MM + 5 + 1.5, MARGIN_MM - 1, MARGIN_MM + 103);
  expect(inches).toHaveLength(9);
  expect(Math.abs(inches[8]! - inches[0]! - 101.6)).toBeLessThan(0.1);
});

test('a printer that prints 99 mm for 100 along and 101 up is given what comes out true on it', async () => {
  const drawing: TrueDrawing = {
    title: 'a line',
    width: 120,
    height: 20,
    strokes: [line({ x: 0, y: 0 }, { x: 0, y: 20 }), line({ x: 100, y: 0 }, { x: 100, y: 20 })],
    words: [],
  };
  const [page] = rendered(await picturesPdf(trueSizeSheets([drawing], { ...options('a4'), correction: { along: 99, up: 101 } }), 'print'));
  const upOfPage = MARGIN_MM + ((LOW_MM + 50) * 100) / 101;
  const found = [...Array(80).keys()].map((k) => crossings(page!, upOfPage + k, 20, 140)).find((each) => each.length === 2)!;
  // What this printer makes of it: 99 for every 100.
  expect(((found[1]! - found[0]!) * 99) / 100).toBeCloseTo(100, 0);
  expect(Math.abs(((found[1]! - found[0]!) * 99) / 100 - 100)).toBeLessThan(0.1);
});

test('tiles cover all of a drawing, share what they must, and fit their sheets', () => {
  for (const [width, height] of [
    [100, 50],
    [900, 40],
    [900, 700],
    [253.0001, 130.5],
  ] as const) {
    const window = windowOf(options('a4'));
    const tiles = tilesOf({ width, height }, window);
    for (const { x, y, width: w, height: h, joins, column, row } of tiles) {
      expect(w).toBeLessThanOrEqual(window.width + 1e-9);
      expect(h).toBeLessThanOrEqual(window.height + 1e-9);
      const right = tiles.find((each) => each.row === row && each.column === column + 1);
      if (right) {
        expect(x + w - right.x).toBeCloseTo(OVERLAP_MM, 9);
        expect(joins.right).toBeCloseTo(right.joins.left!, 9);
      } else expect(x + w).toBeCloseTo(width, 9);
      const above = tiles.find((each) => each.column === column && each.row === row + 1);
      if (above) expect(y + h - above.y).toBeCloseTo(OVERLAP_MM, 9);
      else expect(y + h).toBeCloseTo(height, 9);
    }
    for (const sheet of onSheets(tiles, window))
      for (const { at, height: h } of sheet) {
        expect(at.y).toBeGreaterThanOrEqual(-1e-9);
        expect(at.y + h).toBeLessThanOrEqual(window.height + 1e-9);
      }
  }
});

test('what is written on the sheets can be read out again: title, project, revision, sheet of sheets', async () => {
  const room = roomOf('print-room');
  const whole = planOf(room);
  const setups = setupsOf([whole.byId.get('ink')!.cabinet], room.workshop.shop);
  const drawings = sticksOf(setups).map((stick) => stickDrawing(stick, setups.blanks, whole, 'mm'));
  writeFileSync(join(folder, 'said.pdf'), await picturesPdf(trueSizeSheets(drawings, options('a4')), 'print'));
  const text = execFileSync('pdftotext', ['-raw', join(folder, 'said.pdf'), '-'], { encoding: 'utf8' });
  const sheets = text.split('\f').filter((page) => page.trim() !== '');
  sheets.forEach((page, index) => {
    expect(page).toContain(`revision 3, sheet ${index + 1} of ${sheets.length}, true size`);
    expect(page).toContain('Print room: story stick for');
    expect(page).toContain('print again at 100 %');
  });
  for (const { words } of drawings) for (const { text: said } of words) expect(text.replaceAll(/\s+/g, ' ')).toContain(said);
});
