/** A project with its photos and its log in one archive: docs/format/bundle.md. */
import { accept, logCsv, plan, readProjectFile, refuse, writeProjectText, type Outcome, type ProjectFile, type RecordEntry } from '@keen/core';
import { strFromU8, strToU8 } from 'fflate';
import { unzipped, zipped } from './zip.ts';

const PROJECT = 'project.carcass.json';
const PHOTO = /^photos\/([A-Za-z0-9-]{8,64})\.jpg$/;
/** Of a whole bundle, bytes. */
export const MAX_BUNDLE_BYTES = 200_000_000;
const LIMITS = { packed: MAX_BUNDLE_BYTES, unfolded: 250_000_000, files: 5000, ratio: 100 };

export interface Bundle {
  readonly project: ProjectFile;
  /** JPEGs by the id notes use. */
  readonly photos: ReadonlyMap<string, Uint8Array>;
}

/** Photos shown in notes of a record. */
export const photosOf = (record: readonly RecordEntry[]): string[] => [...new Set(record.flatMap((entry) => (entry.kind === 'note' ? entry.note.photos : [])))];

export function bundleZip({ project, photos }: Bundle): Uint8Array {
  const { design, record, workshop } = project;
  return zipped({
    [PROJECT]: strToU8(writeProjectText(project)),
    'log.csv': strToU8(logCsv(record, { plan: plan(design, record, workshop), products: workshop.products, cabinetNames: design.units, unit: design.unit })),
    ...Object.fromEntries([...photos].map(([id, bytes]) => [`photos/${id}.jpg`, bytes])),
  });
}

/** Reads the files that belong to a bundle; anything else in the archive is ignored. Whoever keeps the photos checks them. */
export function readBundle(bytes: Uint8Array): Outcome<Bundle> {
  const files = unzipped(bytes, (name) => name === PROJECT || PHOTO.test(name), LIMITS);
  if (!files.ok) return files;
  const text = files.value.get(PROJECT);
  if (!text) return refuse('no-project', `there is no ${PROJECT} in the archive`, 'file', 'a bundle that was saved with its pictures');
  const project = readProjectFile(strFromU8(text));
  if (!project.ok) return project;
  const photos = new Map([...files.value].flatMap(([name, own]) => (name === PROJECT ? [] : [[PHOTO.exec(name)![1]!, own] as const])));
  const missing = photosOf(project.value.record).find((id) => !photos.has(id));
  if (missing !== undefined)
    return refuse(
      'missing-picture',
      `a note shows the picture ${missing}, which is not in it`,
      'photos',
      `all pictures of its notes; or ${PROJECT} out of the archive alone`,
    );
  return accept({ project: project.value, photos });
}
