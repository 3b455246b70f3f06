/** The text of a table file of any program: a workbook's first sheet, or text in the usual encodings. */
import { accept, refuse, type Outcome } from '@keen/core';
import { xlsxText } from './xlsx.ts';
import { isZip } from './zip.ts';

const MAX_BYTES = 5_000_000;

/** `name`: the file name, for refusals. Tabs separate the cells of a workbook. */
export function tableText(bytes: Uint8Array, name: string): Outcome<string> {
  if (bytes.length > MAX_BYTES) return refuse('too-large', `the file has ${Math.ceil(bytes.length / 1e6)} MB`, name, `at most ${MAX_BYTES / 1e6} MB`);
  if (isZip(bytes)) return xlsxText(bytes);
  const text = decoded(bytes);
  return text.includes('\0') ? refuse('no-text', 'the file is no text', name, 'a table saved as CSV or text, or an .xlsx workbook') : accept(text);
}

/** UTF-8 or UTF-16 by its mark, UTF-8 without, or else the encoding of older spreadsheets. */
function decoded(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
