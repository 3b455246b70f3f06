/** Spreadsheets another program wrote, and such that mean harm. */
import { describe, expect, test } from '@jest/globals';
import { guessColumns, readForeign, readForeignTable, thingsTable, type Outcome } from '@keen/core';
import * as fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import writeXlsxFile from 'write-excel-file/node';
import { spoiled } from './test/spoiled.ts';
import { xlsxText } from './xlsx.ts';

const THINGS = [
  [{ value: 'Item' }, { value: 'Qty' }, { value: 'Width (cm)' }, { value: 'Depth mm' }, { value: 'Height (in)' }, { value: 'Weight (kg)' }],
  [{ value: 'Ink tin' }, { value: 12 }, { value: 9.5 }, { value: 95 }, { value: '4 1/2' }, { value: 1.02 }],
  [{ value: 'Brayer & tray <large>' }, { value: 3 }, { value: 0.1 + 0.2 }, { value: 255 }, { value: 14 }, { value: 2 }],
  [],
  [{ value: 'Gauge' }, { value: 1 }, { value: 4 }, { value: 20 }, { value: new Date(Date.UTC(2026, 0, 2)), type: Date, format: 'd-mmm' }, { value: 0.3 }],
];
const written = async (rows: unknown = THINGS): Promise<Uint8Array> => new Uint8Array(await writeXlsxFile(rows as never).toBuffer());
const valueOf = <T>(read: Outcome<T>): T => {
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
};

const CONTENT = '<?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"/>';
const sheet = (xml: string, more: Readonly<Record<string, Uint8Array>> = {}): Uint8Array =>
  zipSync({ 'xl/workbook.xml': strToU8(CONTENT), 'xl/worksheets/sheet1.xml': strToU8(xml), ...more });
const rows = (inner: string): string => `<?xml version="1.0"?><worksheet><sheetData>${inner}</sheetData></worksheet>`;

test('what another program wrote comes in through the column mapper; a fraction that became a date is told', async () => {
  const table = valueOf(readForeignTable(valueOf(xlsxText(await written())), '\t'));
  expect(table.titles).toEqual(['Item', 'Qty', 'Width (cm)', 'Depth mm', 'Height (in)', 'Weight (kg)']);
  const kind = thingsTable({ unit: 'mm', order: 1, newId: () => 'n' });
  const { rows: items, faults } = valueOf(readForeign(kind, table, guessColumns(kind, table)));
  expect(items.map(({ name, count, width, height, kg }) => [name, count, width.nm, height.nm, kg])).toEqual([
    ['Ink tin', 12, 95e6, 114.3e6, 1.02],
    // 0.1 + 0.2 is three tenths, whatever the machine makes of it.
    ['Brayer & tray <large>', 3, 3e6, 355.6e6, 2],
  ]);
  expect(faults).toHaveLength(1);
  expect(faults[0]!.problem.message).toContain('the date 2026-01-02');
  expect(faults[0]!.line).toBe(5);
});

test('cells that stand where they say, words in pieces, the first sheet that has something', () => {
  const strings = strToU8('<sst><si><r><t>In</t></r><r><t>k</t></r><rPh><t>spoken</t></rPh></si></sst>');
  const xml = rows('<row r="2"><c r="B2" t="s"><v>0</v></c><c r="D2"><v>7</v></c></row><row r="4"><c t="inlineStr"><is><t>tin</t></is></c></row>');
  expect(valueOf(xlsxText(sheet(rows(''), { 'xl/worksheets/sheet2.xml': strToU8(xml), 'xl/sharedStrings.xml': strings })))).toBe('\n\tInk\t\t7\n\ntin\n');
});

test('a formula whose answer was not saved is told at its row; one with an answer is that', () => {
  const cells = (row: number, ...inner: string[]): string => `<row r="${row}">${inner.join('')}</row>`;
  const said = (text: string): string => `<c t="inlineStr"><is><t>${text}</t></is></c>`;
  const xml = rows(
    cells(1, ...['what', 'count', 'width', 'depth', 'height'].map(said)) +
      cells(2, said('Tin'), '<c><f>1+1</f><v>2</v></c>', '<c><v>90</v></c>', '<c><v>90</v></c>', '<c><v>90</v></c>') +
      cells(3, said('Roller'), '<c><f>1+1</f></c>', '<c><v>90</v></c>', '<c><v>90</v></c>', '<c><v>90</v></c>'),
  );
  const table = valueOf(readForeignTable(valueOf(xlsxText(sheet(xml))), '\t'));
  const kind = thingsTable({ unit: 'mm', order: 1, newId: () => 'n' });
  const { rows: items, faults } = valueOf(readForeign(kind, table, guessColumns(kind, table)));
  expect(items.map(({ name, count }) => [name, count])).toEqual([['Tin', 2]]);
  expect(faults.map(({ problem }) => [problem.where, problem.message])).toEqual([['row 3, count', 'a formula that was not worked out']]);
});

describe('refused in words', () => {
  const ENTITIES = `<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">]><worksheet><sheetData><row><c t="str"><v>&b;</v></c></row></sheetData></worksheet>`;
  const OUTSIDE = `<?xml version="1.0"?><!DOCTYPE x SYSTEM "file:///etc/passwd"><worksheet/>`;
  test.each<[string, () => Uint8Array, string]>([
    ['entities that unfold', () => sheet(ENTITIES), 'doctype'],
    ['an entity from outside', () => sheet(OUTSIDE), 'doctype'],
    ['an entity nobody declared', () => sheet(rows('<row><c t="str"><v>&secret;</v></c></row>')), 'xml'],
    ['elements a thousand deep', () => sheet('<a>'.repeat(1000)), 'too-deep'],
    ['a bomb: a gigabyte of nothing', () => sheet(rows(''), { 'xl/worksheets/sheet2.xml': new Uint8Array(200_000_000) }), 'unfolds'],
    ['thousands of files', () => zipSync(Object.fromEntries(Array.from({ length: 3000 }, (_, n) => [`f${n}`, new Uint8Array(1)]))), 'unfolds'],
    ['a cell past the end of the world', () => sheet(rows('<row r="99999999"><c><v>1</v></c></row>')), 'too-large'],
    ['a column past it', () => sheet(rows('<row r="1"><c r="ZZZ1"><v>1</v></c></row>')), 'too-large'],
    ['a text document in its place', () => zipSync({ 'word/document.xml': strToU8('<a/>') }), 'no-workbook'],
    ['no archive', () => strToU8('Item;Qty'), 'no-zip'],
    ['an empty workbook', () => sheet(rows('')), 'empty'],
    ['more than may be opened', () => new Uint8Array(6_000_000).fill(0x50), 'too-large'],
  ])('%s', (_, make, code) => {
    const before = process.memoryUsage().rss;
    const read = xlsxText(make());
    expect(read.ok ? read.value : read.problem.code).toBe(code);
    expect(process.memoryUsage().rss - before).toBeLessThan(600e6);
  });
});

test('spoiled workbooks: refused in words or read, none throws or hangs', async () => {
  const good = await written();
  fc.assert(
    fc.property(spoiled(good), (bytes) => {
      const read = xlsxText(bytes);
      if (!read.ok) for (const words of Object.values(read.problem)) expect(words).not.toBe('');
    }),
    { numRuns: 300 },
  );
});
