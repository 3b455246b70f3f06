/** keen export: a project as a file for other programs. Each kind is described in docs/format/. */
import { allSheets, layOut, partsDxf, sheetsDxf, unitsGlb, unitsStl, unplacedOf } from '@keen/exchange';
import { plan, Refusal, type Plan, type ProjectFile, type UnitPlan } from '@keen/core';
import { handedOver, readProjectAt, unitsNamed } from './files.ts';
import { readWords } from './options.ts';
import { EXPORT_USAGE } from './usage.ts';

interface ToExport {
  readonly project: ProjectFile;
  readonly plan: Plan;
  /** Those that are asked for. */
  readonly units: readonly UnitPlan[];
}

const KINDS = {
  'parts-dxf': ({ plan: made, units }) => partsDxf({ ...made, parts: made.parts.filter(({ unit }) => units.some(({ id }) => id === unit)) }),
  'sheets-dxf': ({ project, plan: made }) => {
    const laid = layOut(project, made);
    const unplaced = unplacedOf(laid);
    if (unplaced.length > 0) throw new Refusal('unplaced', `not every part fits a sheet: ${unplaced.join('; ')}`, 'sheets-dxf', 'sheets all parts fit on');
    return sheetsDxf(allSheets(laid, project), made);
  },
  glb: ({ plan: made, units }) => unitsGlb(units, made),
  stl: ({ units }) => unitsStl(units),
} satisfies Readonly<Record<string, (given: ToExport) => string | Uint8Array | Promise<Uint8Array>>>;

type Kind = keyof typeof KINDS;

/** The words after `export`. Gives the file itself, or with `--out` what was written where. Throws a Refusal. */
export async function exportFile(words: readonly string[]): Promise<string | Uint8Array> {
  const { file, kind, unit, out } = read(words);
  const project = readProjectAt(file);
  const made = plan(project.design, project.record, project.workshop);
  return handedOver(await KINDS[kind]({ project, plan: made, units: unitsNamed(made, unit) }), out);
}

function read(words: readonly string[]): { readonly file: string; readonly kind: Kind; readonly unit: string | null; readonly out: string | null } {
  const { plain, options } = readWords(words, ['--unit', '--out'], EXPORT_USAGE);
  const [file, kind, ...more] = plain;
  if (file === undefined || kind === undefined || more.length > 0) throw new Refusal('usage', 'a file and a kind are wanted', 'export', EXPORT_USAGE);
  if (!Object.hasOwn(KINDS, kind)) throw new Refusal('usage', `'${kind}' is no kind of export`, 'kind', `one of: ${Object.keys(KINDS).join(', ')}`);
  if (options['--unit'] !== null && kind === 'sheets-dxf')
    throw new Refusal('usage', 'sheets hold the parts of all units', '--unit', 'parts-dxf, glb or stl with a unit');
  return { file, kind: kind as Kind, unit: options['--unit'], out: options['--out'] };
}
