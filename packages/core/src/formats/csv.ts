/** The one writer of tables: CSV as RFC 4180 has it, which a spreadsheet opens as it is meant. */
import Papa from 'papaparse';

/** Tells a spreadsheet that the letters are UTF-8. */
const BYTE_ORDER_MARK = '\uFEFF';
/** A spreadsheet runs such a cell: it gets an apostrophe in front, one that has some already gets one more. A negative number is none. */
const FORMULA = /^'*(?:[=+@\t\r]|-(?!\d+(?:\.\d+)?$))/;

export interface CsvOptions {
  readonly separator?: string;
}

/** Rows of cells, the first its titles; numbers stand as numbers, with a point. */
export function csvText(rows: readonly (readonly (string | number)[])[], { separator = ',' }: CsvOptions = {}): string {
  const text = Papa.unparse(rows as (string | number)[][], { delimiter: separator, newline: '\r\n', escapeFormulae: FORMULA });
  return `${BYTE_ORDER_MARK}${text}\r\n`;
}

/** A cell as it was before it was kept from running. */
export const unescaped = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell);
