/** keen print: prints as PDF. docs/format/prints.md describes them. */
import { isPaper, MIN_BAR_MM, MAX_BAR_MM, PAPERS, picturesPdf, shopSet, TRUE_PRINTER, TRUE_SIZE_KINDS, trueSizePrint } from '@keen/exchange';
import { displayUnitOf, Refusal, type DisplayUnit } from '@keen/core';
import { handedOver, readProjectAt } from './files.ts';
import { readWords } from './options.ts';
import { PRINT_USAGE } from './usage.ts';

/** A file has no revision number. */
const REVISION = 'from its file';

/**
 * Runs the words after `print`. Returns the PDF, or with `--out` a report of what was written.
 * @throws Refusal
 */
export async function printFile(words: readonly string[]): Promise<string | Uint8Array> {
  const { plain, options } = readWords(words, ['--unit', '--part', '--paper', '--units', '--bar-along', '--bar-up', '--out'], PRINT_USAGE);
  const [file, kind, ...more] = plain;
  if (file === undefined || kind === undefined || more.length > 0) throw new Refusal('usage', 'a file and what to print are wanted', 'print', PRINT_USAGE);
  const paper = options['--paper'] ?? 'a4';
  if (!isPaper(paper)) throw new Refusal('value', `'${paper}' is no paper`, '--paper', `one of: ${Object.keys(PAPERS).join(', ')}`);
  const asked = options['--units'];
  if (asked !== null && asked !== 'in' && asked !== 'mm') throw new Refusal('value', `'${asked}' is no unit`, '--units', 'in or mm');

  const project = await readProjectAt(file);
  const unit = options['--unit'];
  const display: DisplayUnit = asked ?? displayUnitOf(project.design, unit ?? '');
  if (kind === 'set') {
    const strange = (['--part', '--bar-along', '--bar-up'] as const).find((name) => options[name] !== null);
    if (strange) throw new Refusal('usage', `${strange} belongs to what is printed at its true size`, strange, PRINT_USAGE);
    const units = unit === null ? [] : [unit];
    if (unit !== null && !Object.hasOwn(project.design.units, unit))
      throw new Refusal('unit', `there is no unit '${unit}' in it`, '--unit', `one of: ${Object.keys(project.design.units).join(', ')}`);
    return handedOver(await picturesPdf(shopSet({ project, units, paper, display, revision: REVISION }), project.design.name), options['--out']);
  }
  if (!(TRUE_SIZE_KINDS as readonly string[]).includes(kind))
    throw new Refusal('usage', `'${kind}' cannot be printed`, 'kind', `one of: set, ${TRUE_SIZE_KINDS.join(', ')}`);
  const correction = { along: barOf(options['--bar-along'], '--bar-along'), up: barOf(options['--bar-up'], '--bar-up') };
  const marks = options['--part']?.split(',') ?? null;
  const sheets = atOptions(() => trueSizePrint(kind, { project, unit, marks, display, paper, correction, revision: REVISION }));
  return handedOver(await picturesPdf(sheets, project.design.name), options['--out']);
}

function barOf(text: string | null, where: string): number {
  if (text === null) return TRUE_PRINTER.along;
  const measured = Number(text);
  if (!(measured >= MIN_BAR_MM && measured <= MAX_BAR_MM))
    throw new Refusal('value', `'${text}' cannot be what 100 mm measure`, where, `millimetres from ${MIN_BAR_MM} to ${MAX_BAR_MM}`);
  return measured;
}

/** A bad option value is reported at that option. */
function atOptions<T>(make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const { code, message, where, accepted } = error.problem;
    throw new Refusal(code, message, where === 'unit' || where === 'part' ? `--${where}` : where, accepted);
  }
}
