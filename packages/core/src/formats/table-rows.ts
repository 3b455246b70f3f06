/** Parses table text within limits that are checked first: the single CSV reader. */
import Papa from 'papaparse';
import { accept, refuse, type Outcome } from '../problem/problem.ts';

/** Stands for a spreadsheet formula whose result was not saved. */
export const NOT_WORKED_OUT = 'a formula that was not worked out';

/** Such a cell has no value in any column. */
export const notWorkedOut = (where: string): Outcome<never> =>
  refuse('cell', NOT_WORKED_OUT, where, 'a value: open the table in a spreadsheet and save it there');

/** Characters of a whole table. */
const MAX_TEXT = 5_000_000;
/** Lines examined, empty ones included. */
const MAX_LINES = 20_000;

export interface RowOptions {
  /** Detected where absent. */
  readonly separator?: string | undefined;
  /** Drops rows whose cells are all empty. */
  readonly skipEmpty?: boolean;
}

/** Cells row by row, empty rows included, without the byte order mark. */
export function tableRows(text: string, where: string, { separator, skipEmpty = false }: RowOptions = {}): Outcome<readonly (readonly string[])[]> {
  if (text.length > MAX_TEXT) return refuse('too-large', `the table has ${(text.length / 1e6).toFixed(1)} MB`, where, `at most ${MAX_TEXT / 1e6} MB`);
  const plain = text.replace(/^\uFEFF/, '');
  const { data, errors, meta } = Papa.parse<string[]>(plain, {
    preview: MAX_LINES,
    ...(separator === undefined ? {} : { delimiter: separator }),
    ...(skipEmpty ? { skipEmptyLines: 'greedy' as const } : {}),
  });
  if (meta.truncated) return refuse('too-many', `there are more than ${MAX_LINES} lines`, where, `at most ${MAX_LINES}`);
  const broken = errors.find(({ type }) => type === 'Quotes');
  return broken ? refuse('csv', 'a quoted cell does not end', `row ${(broken.row ?? 0) + 1}`, 'text in quotes, closed again') : accept(data);
}
