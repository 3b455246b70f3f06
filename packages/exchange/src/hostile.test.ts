/**
 * Files made to hurt: each is refused or read within its limits. docs/security.md lists reader by reader what is taken, and what
 * each of these took when it was last measured.
 */
import { describe, expect, test } from '@jest/globals';
import { readForeignTable, readNestProblemText, readProjectFile, type Outcome } from '@keen/core';
import { strToU8, zipSync } from 'fflate';
import { readBundle, readOutlines, tableText } from './index.ts';

/** What the product itself gives a file, ms: a second or two on an idle machine, more on a busy one. */
const MAX_MS = 20_000;

const xlsx = (sheet: string, styles = ''): Uint8Array =>
  zipSync({
    'xl/workbook.xml': strToU8('<workbook/>'),
    ...(styles ? { 'xl/styles.xml': strToU8(styles) } : {}),
    'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData>${sheet}</sheetData></worksheet>`),
  });
const cell = (value: string, style = ''): string => `<row r="1"><c r="A1"><v>title</v></c></row><row r="2"><c r="A2"${style}><v>${value}</v></c></row>`;
const table = (bytes: Uint8Array): Outcome<unknown> => {
  const text = tableText(bytes, 'table');
  return text.ok ? readForeignTable(text.value) : text;
};
const dxf = (...entities: (string | number)[][]): Uint8Array =>
  strToU8(['0', 'SECTION', '2', 'ENTITIES', ...entities.flat(), '0', 'ENDSEC', '0', 'EOF', ''].join('\n'));
const circleAt = (n: number, radius = 100): (string | number)[] => ['0', 'CIRCLE', '10', (n % 150) * 300, '20', Math.floor(n / 150) * 300, '40', radius];
const svg = (inner: string): Uint8Array => strToU8(`<svg xmlns="http://www.w3.org/2000/svg" width="1000mm" viewBox="0 0 1000 1000">${inner}</svg>`);
const nest = (parts: object[], sheet: object = { id: 'S', length: '2440mm', width: '1220mm' }): string => JSON.stringify({ sheets: [sheet], parts });

/** Made beforehand: folding it takes longer than refusing it. */
const MANY = zipSync(Object.fromEntries(Array.from({ length: 10_000 }, (_, n) => [`f${n}`, new Uint8Array(1)])));
const BOMB = zipSync({ 'project.carcass.json': new Uint8Array(60_000_000) });

const FILES: readonly [string, () => Outcome<unknown>, string | null][] = [
  ['a table of a million rows', () => table(strToU8('name,width\n' + 'a,1\n'.repeat(1_000_000))), 'too-many'],
  ['a table of nothing but new lines', () => table(strToU8('\n'.repeat(4_900_000))), 'too-many'],
  ['a table of nothing but separators', () => table(strToU8(';'.repeat(4_900_000))), 'empty'],
  ['one row of a million cells', () => table(strToU8(`name,width\n${'a,'.repeat(1_000_000)}`)), 'too-many-columns'],
  ['a quoted cell that never ends', () => table(strToU8(`name,width\n"${'a,'.repeat(2_000_000)}`)), 'csv'],
  [
    'a number format of brackets',
    () => table(xlsx(cell('1'), `<styleSheet><numFmts><numFmt numFmtId="200" formatCode="${'['.repeat(400_000)}"/></numFmts></styleSheet>`)),
    null,
  ],
  ['a date of the year ten to the twenty', () => table(xlsx(cell('1e20', ' s="0"'), '<styleSheet><cellXfs><xf numFmtId="14"/></cellXfs></styleSheet>')), null],
  ['a date before the first', () => table(xlsx(cell('-1e300', ' s="0"'), '<styleSheet><cellXfs><xf numFmtId="14"/></cellXfs></styleSheet>')), null],
  ['a sheet of a million elements', () => table(xlsx('<x/>'.repeat(1_000_000))), 'too-many'],
  ['elements ten thousand deep', () => table(xlsx('<a>'.repeat(10_000))), 'too-deep'],
  ['entities that unfold', () => readOutlines(strToU8('<!DOCTYPE x [<!ENTITY a "aaaa">]><svg/>'), 'x.svg'), 'doctype'],
  ['an archive that unfolds a thousandfold', () => readBundle(BOMB), 'unfolds'],
  ['an archive of ten thousand files', () => readBundle(MANY), 'unfolds'],
  [
    'an arc as round as numbers go',
    () => readOutlines(dxf(['0', 'LWPOLYLINE', '70', 1, '10', 0, '20', 0, '42', '1e300', '10', 100, '20', 0, '42', '-1e300', '10', 50, '20', 90]), 'x.dxf'),
    'no-outline',
  ],
  ['a circle as large as numbers go', () => readOutlines(dxf(['0', 'CIRCLE', '10', 0, '20', 0, '40', '1e308']), 'x.dxf'), 'no-outline'],
  ['19 900 circles', () => readOutlines(dxf(...Array.from({ length: 19_900 }, (_, n) => circleAt(n))), 'x.dxf'), 'too-many'],
  [
    '2 000 circles of ten metres one in another',
    () => readOutlines(dxf(...Array.from({ length: 1900 }, (_, n) => circleAt(0, 4000 - n))), 'x.dxf'),
    'too-many',
  ],
  [
    '40 000 curves in one path',
    () => readOutlines(svg(`<path d="${Array.from({ length: 40_000 }, (_, n) => `M${n % 900} ${n % 700}c9 90 90 9 99 99`).join('')}"/>`), 'x.svg'),
    'too-many',
  ],
  ['a path of 200 000 corners', () => readOutlines(svg(`<path d="M0 0${'l1 1'.repeat(200_000)}z"/>`), 'x.svg'), 'too-many'],
  [
    '20 000 strokes in a row',
    () => readOutlines(dxf(...Array.from({ length: 19_900 }, (_, n) => ['0', 'LINE', '10', n, '20', 0, '11', n + 1, '21', 0])), 'x.dxf'),
    'no-outline',
  ],
  [
    'a transform of a megabyte over five thousand shapes',
    () => readOutlines(svg(`<g transform="${'rotate(1) '.repeat(100_000)}">${'<path d="M0 0h9v9z"/>'.repeat(5000)}</g>`), 'x.svg'),
    'too-long',
  ],
  ['parts of a nanometre', () => readNestProblemText(nest([{ id: 'p', length: '0.000001mm', width: '0.000001mm', count: 20_000 }])), 'range'],
  [
    'parts ten thousand times into a sheet',
    () => readNestProblemText(nest([{ id: 'p', length: '5mm', width: '5mm', count: 9 }], { id: 'S', length: '99m', width: '1m' })),
    'range',
  ],
  ['brackets a million deep', () => readProjectFile('['.repeat(1_000_000)), 'too-deep'],
  ['a text of a hundred megabytes', () => readProjectFile(`"${'x'.repeat(100_000_000)}"`), 'too-large'],
];

describe('files made to hurt', () => {
  test.each(FILES)('%s', (_name, read, code) => {
    const started = performance.now();
    const outcome = read();
    const ms = performance.now() - started;
    expect(outcome.ok ? null : outcome.problem.code).toBe(code);
    if (!outcome.ok)
      expect(outcome.problem).toMatchObject({ message: expect.stringMatching(/./), where: expect.stringMatching(/./), accepted: expect.stringMatching(/./) });
    expect(ms).toBeLessThan(MAX_MS);
  });
});

test('a byte order mark in front of JSON is no fault', () => {
  expect(readNestProblemText(`\uFEFF${nest([{ id: 'p', length: '500mm', width: '300mm' }])}`).ok).toBe(true);
});
