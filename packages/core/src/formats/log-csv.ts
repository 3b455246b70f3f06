/** The shop record as a table, one row per entry. */
import { csvText } from './csv.ts';
import { logLines, type LogContext } from './log-words.ts';
import type { RecordEntry } from '../model/record.ts';

export function logCsv(record: readonly RecordEntry[], context: LogContext): string {
  const rows = logLines(record, context).map(({ at, kind, says, units, panels, photos, nextTime, withdrawn }) => [
    at,
    kind,
    says,
    units.map((id) => context.cabinetNames[id]?.name ?? id).join(', '),
    panels.join(', '),
    photos.join(', '),
    nextTime ? 'yes' : '',
    withdrawn ? 'yes' : '',
  ]);
  const titles = ['when', 'kind', 'what', 'cabinets', 'parts', 'pictures', 'for next time', 'taken back'];
  return csvText([titles, ...rows]);
}
