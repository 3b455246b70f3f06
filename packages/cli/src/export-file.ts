/** keen export: a project as a file for other programs. Each kind is described in docs/format/. */
import { join } from 'node:path';
import {
  allSheets,
  bundleZip,
  daysIcs,
  layOut,
  partsDxf,
  photosOf,
  pictureSvg,
  sheetsDxf,
  shopSet,
  shoppingFor,
  cabinetsGlb,
  cabinetsStl,
  unplacedOf,
  zipped,
} from '@keen/exchange';
import {
  contentsCsv,
  displayUnitOf,
  plan,
  productsCsv,
  Refusal,
  shoppingCsv,
  shoppingText,
  wallMinutes,
  type Plan,
  type ProjectFile,
  type CabinetPlan,
} from '@keen/core';
import { handedOver, readProjectAt, cabinetsNamed } from './files.ts';
import { readBytes } from './shell.ts';
import { readWords } from './options.ts';
import { EXPORT_USAGE } from './usage.ts';

interface ToExport {
  readonly project: ProjectFile;
  readonly plan: Plan;
  /** The requested cabinets, and whether these are all of them. */
  readonly cabinets: readonly CabinetPlan[];
  readonly all: boolean;
  /** Folder of the photos; null for none. */
  readonly photos: string | null;
}

const KINDS = {
  // Of the whole project also what belongs to no cabinet: wall rails and loose parts.
  'parts-dxf': ({ plan: made, cabinets, all }) =>
    partsDxf({ ...made, parts: all ? made.parts : made.parts.filter(({ unit }) => cabinets.some(({ id }) => id === unit)) }),
  'sheets-dxf': ({ project, plan: made }) => {
    const laid = layOut(project, made);
    return sheetsDxf(allSheets(laid, project), made, unplacedOf(laid));
  },
  svg: ({ project, cabinets, all }) => {
    const display = displayUnitOf(project.design, cabinets[0]?.id ?? '');
    const pages = shopSet({ project, units: all ? [] : cabinets.map(({ id }) => id), paper: 'a4', display, revision: 'from its file' });
    return zipped(Object.fromEntries(pages.map((page, index) => [`page-${String(index + 1).padStart(3, '0')}.svg`, Buffer.from(pictureSvg(page))])));
  },
  bundle: ({ project, photos }) => bundleZip({ project, photos: photosIn(photos, photosOf(project.record)) }),
  shopping: ({ project, cabinets, all }) => {
    const told = shoppingFor({ project, units: all ? [] : cabinets.map(({ id }) => id) });
    return shoppingText(told, project.design.name, project.workshop, displayUnitOf(project.design, ''));
  },
  'shopping-csv': ({ project, cabinets, all }) =>
    shoppingCsv(shoppingFor({ project, units: all ? [] : cabinets.map(({ id }) => id) }), project.workshop, displayUnitOf(project.design, '')),
  contents: ({ project: { design } }) => contentsCsv(design.items, displayUnitOf(design, '')),
  prices: ({ project: { workshop } }) => productsCsv(workshop.products),
  days: ({ project, cabinets, all }) =>
    daysIcs({
      project,
      units: all ? [] : cabinets.map(({ id }) => id),
      display: displayUnitOf(project.design, cabinets[0]?.id ?? ''),
      now: wallMinutes(new Date()),
      clock: (at) => wallMinutes(new Date(at)),
    }),
  glb: ({ plan: made, cabinets }) => cabinetsGlb(cabinets, made),
  stl: ({ cabinets }) => cabinetsStl(cabinets),
} satisfies Readonly<Record<string, (given: ToExport) => string | Uint8Array | Promise<Uint8Array>>>;

/** Kinds that exist only for the whole project, and why. */
const WHOLE = {
  'sheets-dxf': 'sheets hold the parts of all units',
  bundle: 'a bundle holds the whole project',
  contents: 'things belong to the whole project',
  prices: 'prices belong to the workshop',
} satisfies Partial<Record<keyof typeof KINDS, string>>;

type Kind = keyof typeof KINDS;

/**
 * Runs the words after `export`. Returns the file itself, or with `--out` a report of what was written.
 * @throws Refusal
 */
export async function exportFile(words: readonly string[]): Promise<string | Uint8Array> {
  const { file, kind, unit, photos, out } = read(words);
  const project = await readProjectAt(file);
  const made = plan(project.design, project.record, project.workshop);
  return handedOver(await KINDS[kind]({ project, plan: made, cabinets: cabinetsNamed(made, unit), all: unit === null, photos }), out);
}

function read(words: readonly string[]): {
  readonly file: string;
  readonly kind: Kind;
  readonly unit: string | null;
  readonly photos: string | null;
  readonly out: string | null;
} {
  const { plain, options } = readWords(words, ['--unit', '--photos', '--out'], EXPORT_USAGE);
  const [file, kind, ...more] = plain;
  if (file === undefined || kind === undefined || more.length > 0) throw new Refusal('usage', 'a file and a kind are wanted', 'export', EXPORT_USAGE);
  if (!Object.hasOwn(KINDS, kind)) throw new Refusal('usage', `'${kind}' is no kind of export`, 'kind', `one of: ${Object.keys(KINDS).join(', ')}`);
  const whole = Object.hasOwn(WHOLE, kind) ? WHOLE[kind as keyof typeof WHOLE] : null;
  if (options['--unit'] !== null && whole !== null)
    throw new Refusal(
      'usage',
      whole,
      '--unit',
      `${Object.keys(KINDS)
        .filter((each) => !Object.hasOwn(WHOLE, each))
        .join(', ')} with a unit`,
    );
  if (options['--photos'] !== null && kind !== 'bundle') throw new Refusal('usage', 'pictures go into a bundle', '--photos', EXPORT_USAGE);
  return { file, kind: kind as Kind, unit: options['--unit'], photos: options['--photos'], out: options['--out'] };
}

/** Photos of notes out of a folder, by id. */
function photosIn(folder: string | null, ids: readonly string[]): Map<string, Uint8Array> {
  if (folder === null && ids.length > 0)
    throw new Refusal('photos', `its notes show ${ids.length} pictures`, '--photos', 'the folder they are in, each as its id and .jpg');
  return new Map(ids.map((id) => [id, readBytes(join(folder!, `${id}.jpg`))]));
}
