/** keen import: data of other programs into a project: contents, cut lists, drawings, price lists. docs/format lists what is read. */
import {
  drawnPart,
  itemsInOrder,
  looseInOrder,
  partsTable,
  productsTable,
  readProjectFile,
  Refusal,
  writeProjectText,
  displayUnitOf,
  type LoosePart,
  type ProjectFile,
  type RowFault,
} from '@keen/core';
import { contentsOf, fromTable, tableAt } from './open-files.ts';
import { handedOver, readProjectAt } from './files.ts';
import { readBytes, unwrap } from './shell.ts';
import { readWords } from './options.ts';
import { IMPORT_USAGE } from './usage.ts';

/** The extended project, and what was not imported. */
interface Grown {
  readonly project: ProjectFile;
  /** How many of what. */
  readonly came: Readonly<Record<string, number>>;
  readonly faults: readonly RowFault[];
  /** Columns of a table that were not used. */
  readonly unread: readonly string[];
  /** Of a drawing. */
  readonly notes: readonly string[];
}

const KINDS = ['contents', 'parts', 'prices'] as const;
type Kind = (typeof KINDS)[number];

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/**
 * Runs the words after `import`. Unreadable rows are left out and reported; without an output file they are refused.
 * @throws Refusal
 */
export async function importFile(words: readonly string[]): Promise<string | Uint8Array> {
  const { plain, options } = readWords(words, ['--as', '--out'], IMPORT_USAGE);
  const [file, table, ...more] = plain;
  if (file === undefined || table === undefined || more.length > 0)
    throw new Refusal('usage', 'a project and a table or drawing are wanted', 'import', IMPORT_USAGE);
  const project = await readProjectAt(file);
  const { project: grown, came, faults, unread, notes } = await grownBy(project, table, kindOf(table, options['--as']));
  const leftOut = faults.map(({ line, problem: { where, message, accepted } }) => ({ row: line, where, message, accepted }));
  const out = options['--out'];
  if (leftOut.length > 0 && out === null)
    throw new Refusal(
      'rows',
      `${leftOut.length} rows cannot be read, the first: ${leftOut[0]!.message}`,
      leftOut[0]!.where,
      `${leftOut[0]!.accepted}; or --out, and they are left out`,
    );
  if (unread.length > 0 && out === null)
    throw new Refusal(
      'columns',
      `no column is known that is called ‘${unread[0]}’`,
      'columns',
      `a title docs/format names; or --out, and ${unread.join(', ')} stay out`,
    );
  const text = writeProjectText(grown);
  // The result must open again: there may be too many items now.
  unwrap(readProjectFile(text));
  const written = handedOver(text, out);
  return out === null
    ? written
    : json({
        ...(JSON.parse(written as string) as object),
        ...came,
        leftOut,
        ...(unread.length > 0 ? { columnsNotRead: unread } : {}),
        ...(notes.length > 0 ? { notes } : {}),
      });
}

function kindOf(table: string, asked: string | null): Kind | 'drawing' {
  const drawing = /\.(dxf|svg)$/i.test(table);
  if (drawing && asked !== null && asked !== 'parts') throw new Refusal('usage', 'a drawing becomes parts', '--as', 'parts, or nothing');
  if (drawing) return 'drawing';
  const kind = asked ?? 'contents';
  if (!KINDS.some((each) => each === kind)) throw new Refusal('usage', `a table cannot be taken as '${kind}'`, '--as', KINDS.join(', '));
  return kind as Kind;
}

async function grownBy(project: ProjectFile, table: string, kind: Kind | 'drawing'): Promise<Grown> {
  const { design, workshop } = project;
  const unit = displayUnitOf(design, '');
  switch (kind) {
    case 'contents': {
      const order = (itemsInOrder(design.items).at(-1)?.order ?? 0) + 1;
      const { rows: items, faults, unread } = contentsOf(await tableAt(table), { design, order, taken: new Set(Object.keys(design.items)) });
      const all = { ...design.items, ...byId(items) };
      return { project: { ...project, design: { ...design, items: all } }, came: { things: items.length }, faults, unread, notes: [] };
    }
    case 'prices': {
      const { rows, faults, unread } = fromTable(await tableAt(table), productsTable(unit, workshop.products));
      return {
        project: { ...project, workshop: { ...workshop, products: { ...workshop.products, ...byId(rows) } } },
        came: { products: rows.length },
        faults,
        unread,
        notes: [],
      };
    }
    case 'parts': {
      const { rows, faults, unread } = fromTable(
        await tableAt(table),
        partsTable({ unit, products: workshop.products, there: Object.keys(design.loose).length, ...beginning(project) }),
      );
      return { project: withParts(project, rows), came: { parts: rows.length }, faults, unread, notes: [] };
    }
    case 'drawing': {
      const { readOutlines } = await import('@keen/exchange');
      const { outlines, notes } = unwrap(readOutlines(readBytes(table), table));
      const { stock, order, newId } = beginning(project);
      const name =
        table
          .replace(/^.*[\\/]/, '')
          .replace(/\.[^.]*$/, '')
          .slice(0, 60) || 'part';
      const parts = outlines.map((outline, index) =>
        drawnPart(outline, { id: newId(), order: order + index, name: outlines.length === 1 ? name : `${name} ${index + 1}`, stock }),
      );
      return { project: withParts(project, parts), came: { parts: parts.length }, faults: [], unread: [], notes };
    }
  }
}

/** For new parts: after existing ones, from the sheet the project uses most. */
function beginning({ design, workshop }: ProjectFile): { readonly stock: string; readonly order: number; readonly newId: () => string } {
  const loose = looseInOrder(design.loose);
  const taken = new Set(Object.keys(design.loose));
  let next = 0;
  return {
    stock: loose.at(-1)?.stock ?? Object.values(design.units)[0]?.stock ?? Object.keys(workshop.products)[0] ?? '',
    order: (loose.at(-1)?.order ?? 0) + 1,
    newId: () => {
      do next += 1;
      while (taken.has(`part-${next}`));
      return `part-${next}`;
    },
  };
}

const byId = <T extends { readonly id: string }>(rows: readonly T[]): Record<string, T> => Object.fromEntries(rows.map((row) => [row.id, row]));

const withParts = (project: ProjectFile, parts: readonly LoosePart[]): ProjectFile => ({
  ...project,
  design: { ...project.design, loose: { ...project.design.loose, ...byId(parts) } },
});
