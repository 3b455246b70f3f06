/**
 * The first filled sheet of a workbook as a text table, for the column mapper: displayed values, as far as possible. A cell that a spreadsheet took for a
 * date comes as a date, so that a fraction turned into the second of January is reported instead of read as a length.
 */
import { accept, NOT_WORKED_OUT, refuse, type Outcome } from '@keen/core';
import { strFromU8 } from 'fflate';
import Papa from 'papaparse';
import { readXml } from './xml.ts';
import { unzipped } from './zip.ts';

const LIMITS = { packed: 5_000_000, unfolded: 40_000_000, files: 2000 };
const MAX_ROWS = 20_000;
const MAX_COLUMNS = 200;
/** Built-in date and time formats by number. Source: ECMA-376, 18.8.30. */
const DATES = new Set([14, 15, 16, 17, 18, 19, 20, 21, 22, 45, 46, 47]);
/** Characters of a number format. Source: ECMA-376, 18.8.30. */
const MAX_FORMAT = 255;
/** Days a spreadsheet counts: to the end of the year 9999. */
const MAX_DAYS = 2_958_465;
/** Days from the spreadsheet's day 0 to 1970. */
const EPOCH_DAYS = 25_569;

/** Cells separated by tabs, one line per row. */
export function xlsxText(bytes: Uint8Array): Outcome<string> {
  const files = unzipped(bytes, (name) => /^xl\/(workbook|sharedStrings|styles)\.xml$|^xl\/worksheets\/[^/]+\.xml$/.test(name), LIMITS);
  if (!files.ok) return files;
  const textOf = (name: string): string | null => (files.value.has(name) ? strFromU8(files.value.get(name)!) : null);
  if (textOf('xl/workbook.xml') === null) return refuse('no-workbook', 'the archive holds no spreadsheet', 'file', 'an .xlsx workbook');
  const strings = sharedStrings(textOf('xl/sharedStrings.xml'));
  if (!strings.ok) return strings;
  const dates = dateStyles(textOf('xl/styles.xml'));
  if (!dates.ok) return dates;
  const sheets = [...files.value.keys()].filter((name) => name.startsWith('xl/worksheets/')).sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  for (const name of sheets) {
    const rows = sheetRows(textOf(name)!, name, strings.value, dates.value);
    if (!rows.ok) return rows;
    if (rows.value.some((row) => row.some((cell) => cell.trim() !== '')))
      return accept(`${Papa.unparse(rows.value as string[][], { delimiter: '\t', newline: '\n' })}\n`);
  }
  return refuse('empty', 'no sheet of the workbook has anything in it', 'file', 'a sheet with a row of titles, and a row for each thing');
}

function sharedStrings(text: string | null): Outcome<readonly string[]> {
  const strings: string[] = [];
  let [own, reads] = ['', false];
  // Phonetic text is not part of it.
  let aside = 0;
  const read =
    text === null
      ? accept(undefined)
      : readXml(text, 'xl/sharedStrings.xml', {
          open: (name) => {
            if (name === 'si') own = '';
            if (name === 'rPh') aside += 1;
            reads = name === 't' && aside === 0;
          },
          close: (name) => {
            reads = false;
            if (name === 'rPh') aside -= 1;
            if (name === 'si') strings.push(own);
          },
          text: (said) => void (reads && (own += said)),
        });
  return read.ok ? accept(strings) : read;
}

/** Styles that show a number as a date. */
function dateStyles(text: string | null): Outcome<ReadonlySet<number>> {
  const custom = new Set<number>();
  const dates = new Set<number>();
  let [inside, index] = [false, 0];
  const read =
    text === null
      ? accept(undefined)
      : readXml(text, 'xl/styles.xml', {
          open: (name, { numFmtId, formatCode }) => {
            const id = Number(numFmtId);
            // Quoted words and bracketed colors are no date letters.
            if (name === 'numFmt' && /[ymdhs]/i.test((formatCode ?? '').slice(0, MAX_FORMAT).replace(/"[^"]*"|\[[^\]]*\]|\\./g, ''))) custom.add(id);
            if (name === 'cellXfs') inside = true;
            if (name === 'xf' && inside) {
              if (DATES.has(id) || custom.has(id)) dates.add(index);
              index += 1;
            }
          },
          close: (name) => void (name === 'cellXfs' && (inside = false)),
        });
  return read.ok ? accept(dates) : read;
}

function sheetRows(text: string, where: string, strings: readonly string[], dates: ReadonlySet<number>): Outcome<readonly (readonly string[])[]> {
  const rows: string[][] = [];
  let fault: Outcome<never> | null = null;
  let cell = { at: 0, type: 'n', style: 0, text: '', formula: false, worked: false };
  let reads = false;
  const tooLarge = (): void => void (fault ??= refuse('too-large', 'the sheet goes too far', where, `at most ${MAX_ROWS} rows and ${MAX_COLUMNS} columns`));
  const read = readXml(text, where, {
    open: (name, attributes) => {
      reads = name === 'v' || name === 't';
      if (name === 'f') cell.formula = true;
      if (reads) cell.worked = true;
      if (name === 'row') {
        const at = Number(attributes['r'] ?? rows.length + 1);
        if (!(at >= 1 && at <= MAX_ROWS)) return tooLarge();
        while (rows.length < at) rows.push([]);
      }
      if (name === 'c') {
        const own = rows.at(-1);
        const at = columnOf(attributes['r']) ?? own?.length ?? 0;
        if (at >= MAX_COLUMNS) tooLarge();
        cell = { at, type: attributes['t'] ?? 'n', style: Number(attributes['s'] ?? 0), text: '', formula: false, worked: false };
      }
    },
    close: (name) => {
      reads = false;
      const own = rows.at(-1);
      if (name !== 'c' || !own || fault) return;
      while (own.length < cell.at) own.push('');
      own[cell.at] = cell.formula && !cell.worked ? NOT_WORKED_OUT : shownText(cell, strings, dates);
    },
    text: (said) => void (reads && (cell.text += said)),
  });
  return fault ?? (read.ok ? accept(rows) : read);
}

/** 'C7' is column 2. */
function columnOf(place: string | undefined): number | null {
  const letters = /^[A-Z]{1,3}(?=\d)/.exec(place ?? '')?.[0];
  return letters === undefined ? null : [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1;
}

function shownText(
  { type, style, text }: { readonly type: string; readonly style: number; readonly text: string },
  strings: readonly string[],
  dates: ReadonlySet<number>,
): string {
  if (type === 's') return strings[Number(text)] ?? '';
  if (type === 'b') return text === '1' ? 'yes' : 'no';
  if (type !== 'n' || text === '' || !Number.isFinite(Number(text))) return text;
  if (dates.has(style) && Number(text) >= 0 && Number(text) <= MAX_DAYS)
    return `the date ${new Date((Number(text) - EPOCH_DAYS) * 86_400_000).toISOString().slice(0, 10)}`;
  // Twelve digits: as typed, without binary rounding.
  return String(Number(Number(text).toPrecision(12)));
}
