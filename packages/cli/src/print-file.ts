/** keen print: what goes on paper, as PDF. docs/format/prints.md says what is on it. */
import {
  isPaper,
  isTrueSizeKind,
  LEAST_BAR_MM,
  MOST_BAR_MM,
  PAPERS,
  picturesPdf,
  TRUE_PRINTER,
  TRUE_SIZE_KINDS,
  trueSizeDrawings,
  trueSizeSheets,
} from '@keen/exchange';
import { displayUnitOf, plan, Refusal, type DisplayUnit } from '@keen/core';
import { handedOver, readProjectAt, unitsNamed } from './files.ts';
import { readWords } from './options.ts';
import { PRINT_USAGE } from './usage.ts';

/** The words after `print`. Gives the PDF, or with `--out` what was written where. Throws a Refusal. */
export async function printFile(words: readonly string[]): Promise<string | Uint8Array> {
  const { plain, options } = readWords(words, ['--unit', '--part', '--paper', '--units', '--bar-along', '--bar-up', '--out'], PRINT_USAGE);
  const [file, kind, ...more] = plain;
  if (file === undefined || kind === undefined || more.length > 0) throw new Refusal('usage', 'a file and what to print are wanted', 'print', PRINT_USAGE);
  if (!isTrueSizeKind(kind)) throw new Refusal('usage', `'${kind}' cannot be printed`, 'kind', `one of: ${TRUE_SIZE_KINDS.join(', ')}`);
  const paper = options['--paper'] ?? 'a4';
  if (!isPaper(paper)) throw new Refusal('value', `'${paper}' is no paper`, '--paper', `one of: ${Object.keys(PAPERS).join(', ')}`);
  const correction = { along: barOf(options['--bar-along'], '--bar-along'), up: barOf(options['--bar-up'], '--bar-up') };
  const asked = options['--units'];
  if (asked !== null && asked !== 'in' && asked !== 'mm') throw new Refusal('value', `'${asked}' is no unit`, '--units', 'in or mm');

  const project = readProjectAt(file);
  const made = plan(project.design, project.record, project.workshop);
  const units = unitsNamed(made, options['--unit']);
  const display: DisplayUnit = asked ?? displayUnitOf(project.design, units[0]?.id ?? '');
  const marks = options['--part']?.split(',') ?? null;
  const known = units.flatMap(({ parts }) => parts.map(({ mark }) => mark));
  const strange = marks?.find((mark) => !known.includes(mark));
  if (strange !== undefined) throw new Refusal('part', `there is no part '${strange}' in it`, '--part', `marks, with commas between: ${known.join(', ')}`);
  const drawings = trueSizeDrawings(kind, { plan: made, units, shop: project.workshop.shop, display, marks });
  if (drawings.length === 0) throw new Refusal('nothing', `nothing of it asks for ${kind}`, 'kind', 'another kind, or another unit');
  return handedOver(
    await picturesPdf(trueSizeSheets(drawings, { paper, correction, project: project.design.name, revision: 'from its file' }), project.design.name),
    options['--out'],
  );
}

function barOf(text: string | null, where: string): number {
  if (text === null) return TRUE_PRINTER.along;
  const measured = Number(text);
  if (!(measured >= LEAST_BAR_MM && measured <= MOST_BAR_MM))
    throw new Refusal('value', `'${text}' cannot be what 100 mm measure`, where, `millimetres from ${LEAST_BAR_MM} to ${MOST_BAR_MM}`);
  return measured;
}
