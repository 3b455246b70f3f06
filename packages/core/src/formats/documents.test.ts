/** Cut list, sheets and plan as they leave the program, each read back by other means. */
import { describe, expect, test } from '@jest/globals';
import { search } from '../nesting/search.ts';
import { sheetJobs } from '../sheets/cutting.ts';
import { ink, planWith, printRoom } from '../test/print-room.ts';
import { cutListCsv, CUT_LIST_COLUMNS } from './cut-list-csv.ts';
import { planJson } from './plan-json.ts';
import { sheetSvg } from './sheet-svg.ts';

/** A reader of RFC 4180 written for this test alone. */
function readCsv(text: string): string[][] {
  const rows: string[][] = [];
  let row: string[] = [];
  let field = '';
  let quoted = false;
  const endField = (): void => {
    row.push(field);
    field = '';
  };
  // A byte order mark says that it is UTF-8.
  expect(text.startsWith('\uFEFF')).toBe(true);
  for (let i = 1; i < text.length; i++) {
    const c = text[i]!;
    if (c === '"' && quoted && text[i + 1] === '"') {
      field += '"';
      i++;
    } else if (c === '"') quoted = !quoted;
    else if (quoted) field += c;
    else if (c === ',') endField();
    else if (c === '\n') {
      endField();
      rows.push(row);
      row = [];
    } else if (c !== '\r') field += c;
  }
  return rows;
}

const unitOf = ({ id }: { id: string }) => (id.startsWith('ink') ? ('mm' as const) : ('in' as const));

describe('the cut list', () => {
  const { parts } = planWith();
  const rows = readCsv(cutListCsv(parts, printRoom().workshop, unitOf));
  test('one row a line, each as wide as the heading', () => {
    expect(rows[0]).toEqual([...CUT_LIST_COLUMNS]);
    expect(rows).toHaveLength(parts.length + 1);
    for (const each of rows) expect(each).toHaveLength(CUT_LIST_COLUMNS.length);
  });
  test('sizes as read off a tape in the unit of the cabinet, and exact', () => {
    const side = rows.find((each) => each[2] === 'left side' && each[6] === 'in')!;
    expect(side.slice(3, 6)).toEqual(['18 1/2', '12', '0.703']);
    const shelf = rows.find((each) => each[2]!.startsWith('shelf 1, shelf 2'))!;
    expect(Number(shelf[11])).toBe(675.9);
    expect(shelf[1]).toBe('2');
  });
  test('the slots are said from a named end', () => {
    const side = rows.find((each) => each[2] === 'left side' && each[6] === 'mm')!;
    expect(side[10]).toContain('dado 17.9 mm wide, 6 mm deep, near side 15 mm from the bottom end');
    expect(side[10]).toContain('rabbet 6.2 mm wide, 8 mm deep, on the rear edge');
  });
  test('a name that a spreadsheet would run is made harmless, quotes and commas come back', () => {
    const { workshop } = printRoom();
    const products = { ...workshop.products, 'birch-18': { ...workshop.products['birch-18']!, name: '=HYPERLINK("x"),1' } };
    const cells = readCsv(cutListCsv(parts, { ...workshop, products }, unitOf)).map((each) => each[7]);
    expect(cells).toContain(`'=HYPERLINK("x"),1`);
  });
  test('banded edges and mirrored twins are named', () => {
    const banded = readCsv(cutListCsv(planWith(ink('band', { text: '1 mm', nm: 1e6 })).parts, printRoom().workshop, unitOf));
    const side = banded.find((each) => each[2] === 'left side' && each[6] === 'mm')!;
    expect(side[9]).toBe('front edge');
    expect(side[4]).toBe('279'); // the band's millimeter comes off the cut size
    expect(side[14]).toBe(banded.find((each) => each[2] === 'right side')![0]);
  });
});

test('a sheet as SVG: every piece a rectangle of its own size in millimetres, names made harmless', () => {
  const { workshop } = printRoom();
  const { problem } = sheetJobs(planWith().parts, workshop).find(({ product }) => product === 'birch-18')!;
  const stepper = search(problem);
  stepper.step(20);
  const sheet = stepper.plan().sheets.at(-1)!;
  const svg = sheetSvg({ title: 'Birch <18> & more', sheet, problem, unit: 'mm', markOf: (piece) => piece });
  const drawn = [...svg.matchAll(/<rect x="([\d.]+)" y="([\d.]+)" width="([\d.]+)" height="([\d.]+)" class="piece"/g)].map((match) =>
    match.slice(1).map(Number),
  );
  expect(drawn).toEqual(sheet.placements.map(({ x, y, dx, dy }) => [x, y, dx, dy].map((nm) => nm / 1e6)));
  expect(svg).toContain('Birch &lt;18&gt; &amp; more');
  expect(svg.match(/<(\w+)[\s>]/g)!.length).toBeGreaterThan(5);
});

test('the plan as JSON is plain data and names its links and findings', () => {
  const json = JSON.parse(JSON.stringify(planJson(planWith(), printRoom().design))) as Record<string, unknown>;
  expect(JSON.stringify(json)).toContain('screws in stud');
  expect(JSON.stringify(json)).not.toMatch(/NaN|undefined/);
});
