/** Rows of a table in text, within limits that are looked at before the work: the one place that parses CSV. */
import Papa from 'papaparse';
import { accept, refuse, type Outcome } from '../problem/problem.ts';

/** What stands for a formula of a spreadsheet whose answer was not saved with it. */
export const NOT_WORKED_OUT = 'a formula that was not worked out';

/** Such a cell says nothing, whatever column it stands in. */
export const notWorkedOut = (where: string): Outcome<never> =>
  refuse('cell', NOT_WORKED_OUT, where, 'a value: open the table in a spreadsheet and save it there');

/** Characters of a whole table. */
const MAX_TEXT = 5_000_000;
/** Lines that are looked at at all, empty ones too. */
const MAX_LINES = 20_000;

export interface RowOptions {
  /** Found by itself without. */
  readonly separator?: string | undefined;
  /** Leaves out rows whose cells are all empty. */
  readonly skipEmpty?: boolean;
}

/** Cells row by row; empty rows come too. A byte order mark in front is passed over. */
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
