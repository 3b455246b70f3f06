/** The journal as a table: a row for each entry, for reading without the product. */
import Papa from 'papaparse';
import type { RecordEntry } from '../plan/design.ts';
import { logLines, type LogContext } from './log-words.ts';

/** A spreadsheet takes such a cell for a formula: it gets an apostrophe in front. */
const FORMULA = /^[=+\-@\t\r]/;

export function logCsv(record: readonly RecordEntry[], context: LogContext): string {
  const rows = logLines(record, context).map(({ at, kind, says, units, panels, photos, nextTime, withdrawn }) => [
    at,
    kind,
    says,
    units.map((id) => context.unitNames[id]?.name ?? id).join(', '),
    panels.join(', '),
    photos.join(', '),
    nextTime ? 'yes' : '',
    withdrawn ? 'yes' : '',
  ]);
  const titles = ['when', 'kind', 'what', 'cabinets', 'parts', 'pictures', 'for next time', 'taken back'];
  return `${Papa.unparse([titles, ...rows], { newline: '\n', escapeFormulae: FORMULA })}\n`;
}
