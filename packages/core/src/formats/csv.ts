/** The single CSV writer (RFC 4180), safe for spreadsheets. */
import Papa from 'papaparse';

/** Marks the text as UTF-8 for a spreadsheet. */
const BYTE_ORDER_MARK = '\uFEFF';
/** Cells a spreadsheet would run as formulas get a leading apostrophe; one that has some already gets one more. Negative numbers do not. */
const FORMULA = /^'*(?:[=+@\t\r]|-(?!\d+(?:\.\d+)?$))/;

export interface CsvOptions {
  readonly separator?: string;
}

/** Rows of cells, titles first; numbers are plain, with a point. */
export function csvText(rows: readonly (readonly (string | number)[])[], { separator = ',' }: CsvOptions = {}): string {
  const text = Papa.unparse(rows as (string | number)[][], { delimiter: separator, newline: '\r\n', escapeFormulae: FORMULA });
  return `${BYTE_ORDER_MARK}${text}\r\n`;
}

/** A cell without the protection against formulas. */
export const unescaped = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell);
