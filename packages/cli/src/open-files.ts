/** keen validate, convert, import: files opened as the application opens them, and written again. */
import {
  displayUnitOf,
  guessColumns,
  itemsInOrder,
  readContents,
  readForeign,
  readForeignTable,
  readNestProblemText,
  readProjectFile,
  Refusal,
  thingsTable,
  writeProjectText,
  type Item,
  type Outcome,
  type ProjectFile,
  type RowFault,
} from '@keen/core';
import { handedOver, isArchive, readBytes, readProjectAt, unwrap } from './files.ts';
import { readWords } from './options.ts';
import { CONVERT_USAGE, IMPORT_USAGE, VALIDATE_USAGE } from './usage.ts';

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** Whether a file can be opened, as what, and what is in it. Throws the Refusal it would be turned away with. */
export async function validateFile(words: readonly string[]): Promise<string> {
  const { plain } = readWords(words, [], VALIDATE_USAGE);
  const [file, ...more] = plain;
  if (file === undefined || more.length > 0) throw new Refusal('usage', 'one file is wanted', 'file', VALIDATE_USAGE);
  if (/\.(csv|tsv|txt|xlsx)$/i.test(file)) {
    const { items, faults } = contentsOf(await tableAt(file), { design: { unit: 'mm' }, order: 1, taken: new Set() });
    if (faults.length > 0)
      throw new Refusal(
        'rows',
        `${faults.length} rows cannot be read, the first: ${faults[0]!.problem.message}`,
        faults[0]!.problem.where,
        faults[0]!.problem.accepted,
      );
    return json({ valid: true, kind: 'contents', things: items.length });
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

/** Contents of a table put into a project. Rows that cannot be read are left out and told; without a place to write to they are refused. */
export async function importFile(words: readonly string[]): Promise<string | Uint8Array> {
  const { plain, options } = readWords(words, ['--out'], IMPORT_USAGE);
  const [file, table, ...more] = plain;
  if (file === undefined || table === undefined || more.length > 0) throw new Refusal('usage', 'a project and a table are wanted', 'import', IMPORT_USAGE);
  const project = await readProjectAt(file);
  const { items: there } = project.design;
  const order = (itemsInOrder(there).at(-1)?.order ?? 0) + 1;
  const { items, faults } = contentsOf(await tableAt(table), { design: project.design, order, taken: new Set(Object.keys(there)) });
  const leftOut = faults.map(({ line, problem: { where, message, accepted } }) => ({ row: line, where, message, accepted }));
  const out = options['--out'];
  if (leftOut.length > 0 && out === null)
    throw new Refusal(
      'rows',
      `${leftOut.length} rows cannot be read, the first: ${leftOut[0]!.message}`,
      leftOut[0]!.where,
      `${leftOut[0]!.accepted}; or --out, and they are left out`,
    );
  const grown: ProjectFile = { ...project, design: { ...project.design, items: { ...there, ...Object.fromEntries(items.map((item) => [item.id, item])) } } };
  const text = writeProjectText(grown);
  // What it comes to has to open again: there may be too many things now.
  unwrap(readProjectFile(text));
  const written = handedOver(text, out);
  return out === null ? written : json({ ...(JSON.parse(written as string) as object), things: items.length, leftOut });
}

/** The text of a table: of a workbook too. */
async function tableAt(file: string): Promise<string> {
  const { tableText } = await import('@keen/exchange');
  return unwrap(tableText(readBytes(file), file));
}

interface Into {
  readonly design: Pick<ProjectFile['design'], 'unit'> | ProjectFile['design'];
  readonly order: number;
  readonly taken: ReadonlySet<string>;
}

/** Our own titles are read as they are; any others as their columns are guessed. */
function contentsOf(text: string, { design, order, taken }: Into): { readonly items: readonly Item[]; readonly faults: readonly RowFault[] } {
  const unit = 'units' in design ? displayUnitOf(design, '') : design.unit;
  let next = 0;
  const newId = (): string => {
    do next += 1;
    while (taken.has(`row-${next}`));
    return `row-${next}`;
  };
  const options = { unit, order, newId };
  const own: Outcome<{ readonly items: readonly Item[] }> = readContents(text, { ...options, titled: true });
  if (own.ok) return { items: own.value.items, faults: [] };
  const table = unwrap(readForeignTable(text));
  const kind = thingsTable(options);
  const { rows, faults } = unwrap(readForeign(kind, table, guessColumns(kind, table)));
  return { items: rows, faults };
}
