/** keen validate, convert: opens files as the application does, and writes them again. */
import {
  displayUnitOf,
  guessColumns,
  readContents,
  readForeign,
  readForeignTable,
  readNestProblemText,
  readProjectFile,
  Refusal,
  thingsTable,
  unreadTitles,
  writeProjectText,
  type Item,
  type Outcome,
  type ProjectFile,
  type RowFault,
  type TableKind,
} from '@keen/core';
import { handedOver, isArchive, readProjectAt } from './files.ts';
import { readBytes, unwrap } from './shell.ts';
import { readWords } from './options.ts';
import { CONVERT_USAGE, VALIDATE_USAGE } from './usage.ts';

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/**
 * Whether a file opens, as what, and its contents.
 * @throws Refusal with the reason
 */
export async function validateFile(words: readonly string[]): Promise<string> {
  const { plain } = readWords(words, [], VALIDATE_USAGE);
  const [file, ...more] = plain;
  if (file === undefined || more.length > 0) throw new Refusal('usage', 'one file is wanted', 'file', VALIDATE_USAGE);
  if (/\.(csv|tsv|txt|xlsx)$/i.test(file)) {
    const { rows, faults, unread } = contentsOf(await tableAt(file), { design: { unit: 'mm' }, order: 1, taken: new Set() });
    if (faults.length > 0)
      throw new Refusal(
        'rows',
        `${faults.length} rows cannot be read, the first: ${faults[0]!.problem.message}`,
        faults[0]!.problem.where,
        faults[0]!.problem.accepted,
      );
    return json({ valid: true, kind: 'contents', things: rows.length, ...(unread.length > 0 ? { columnsNotRead: unread } : {}) });
  }
  const bytes = readBytes(file);
  if (isArchive(bytes)) {
    const { readBundle } = await import('@keen/exchange');
    const { project, photos } = unwrap(readBundle(bytes));
    return json({ valid: true, kind: 'bundle', units: Object.keys(project.design.units), entries: project.record.length, pictures: photos.size });
  }
  const text = bytes.toString('utf8');
  const project = readProjectFile(text);
  if (project.ok) {
    const { design, record } = project.value;
    return json({ valid: true, kind: 'project', units: Object.keys(design.units), things: Object.keys(design.items).length, entries: record.length });
  }
  if (project.problem.code !== 'not-a-project') unwrap(project);
  const problem = readNestProblemText(text);
  if (problem.ok) return json({ valid: true, kind: 'nesting problem', parts: problem.value.parts.length, sheets: problem.value.sheets.length });
  return unwrap(/"parts"/.test(text) ? problem : project) as never;
}

/** A project of any version, written in the newest. */
export async function convertFile(words: readonly string[]): Promise<string | Uint8Array> {
  const { plain, options } = readWords(words, ['--out'], CONVERT_USAGE);
  const [file, ...more] = plain;
  if (file === undefined || more.length > 0) throw new Refusal('usage', 'one project is wanted', 'file', CONVERT_USAGE);
  return handedOver(writeProjectText(await readProjectAt(file)), options['--out']);
}

/** The text of a table, or of a workbook. */
export async function tableAt(file: string): Promise<string> {
  const { tableText } = await import('@keen/exchange');
  return unwrap(tableText(readBytes(file), file));
}

interface Into {
  readonly design: Pick<ProjectFile['design'], 'unit'> | ProjectFile['design'];
  readonly order: number;
  readonly taken: ReadonlySet<string>;
}

/** Our own titles are read directly; the meaning of other columns is guessed. */
export function contentsOf(text: string, { design, order, taken }: Into): FromTable<Item> {
  const unit = 'units' in design ? displayUnitOf(design, '') : design.unit;
  let next = 0;
  const newId = (): string => {
    do next += 1;
    while (taken.has(`row-${next}`));
    return `row-${next}`;
  };
  const options = { unit, order, newId };
  const own: Outcome<{ readonly items: readonly Item[] }> = readContents(text, { ...options, titled: true });
  if (own.ok) return { rows: own.value.items, faults: [], unread: [] };
  return fromTable(text, thingsTable(options));
}

/** What a table became. */
export interface FromTable<Row> {
  readonly rows: readonly Row[];
  readonly faults: readonly RowFault[];
  /** Non-empty columns that were not read. */
  readonly unread: readonly string[];
}

/** A table with any titles, its columns guessed. */
export function fromTable<Row, Key extends string>(text: string, kind: TableKind<Row, Key>): FromTable<Row> {
  const table = unwrap(readForeignTable(text));
  const columns = guessColumns(kind, table);
  return { ...unwrap(readForeign(kind, table, columns)), unread: unreadTitles(kind, table, columns) };
}
