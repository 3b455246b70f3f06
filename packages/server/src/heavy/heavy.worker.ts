/** What a thread of the pool does. Everything comes in and goes out as plain data; a refusal is an outcome, not an error. */
import { readFile, writeFile as toDisk } from 'node:fs/promises';
import { join } from 'node:path';
import {
  availableTo,
  designCodec,
  MAX_FILE_BYTES,
  outcomeOf,
  readProjectFile,
  readWorkshop,
  recordCodec,
  Refusal,
  withoutStore,
  VERSION,
  writeProjectText,
  type Outcome,
  type ProjectFile,
} from '@keen/core';
import { bundleZip, isZip, picturesPdf, readBundle, trueSizePrint } from '@keen/exchange';
import { labelRoll as roll, labelSheet as sheet } from '../features/labels/label-pdf.ts';
import type { OpenedFile, OrderOf, RawProject, ResultOf, TaskName } from './tasks.ts';

type Task<N extends TaskName> = (order: OrderOf<N>) => Promise<Outcome<ResultOf<N>>>;

/** A task as the pool calls it: a refusal comes back as an outcome. */
function task<N extends TaskName>(run: (order: OrderOf<N>) => ResultOf<N> | Promise<ResultOf<N>>): Task<N> {
  return async (order) => {
    try {
      return { ok: true, value: await run(order) };
    } catch (error) {
      if (error instanceof Refusal) return { ok: false, problem: error.problem };
      throw error;
    }
  };
}

export const labelSheet = task<'labelSheet'>(sheet);
export const labelRoll = task<'labelRoll'>(roll);

export const truePrint = task<'truePrint'>(({ kind, project: stored, ...order }) => {
  const project: ProjectFile = { ...read(stored), workshop: availableTo(readWorkshop(stored.workshop), stored.projectId) };
  return picturesPdf(trueSizePrint(kind, { ...order, project }), project.design.name);
});

export const packBundle = task<'packBundle'>(async ({ project, photos }) => {
  const pictures = new Map<string, Uint8Array>();
  for (const [id, path] of photos) pictures.set(id, await readFile(path));
  return bundleZip({ project, photos: pictures });
});

export const openFile = task<'openFile'>(async ({ path, folder }): Promise<OpenedFile> => {
  const bytes = await readFile(path);
  if (!isZip(bytes)) return { project: unwrap(readProjectFile(new TextDecoder().decode(bytes))), photos: [] };
  const { project, photos } = unwrap(readBundle(bytes));
  const written: [string, string][] = [];
  for (const [id, picture] of photos) {
    const own = join(folder, id);
    await toDisk(own, picture, { mode: 0o600 });
    written.push([id, own]);
  }
  return { project, photos: written };
});

export const writeFile = task<'writeFile'>((stored) => {
  const { document, entries, workshop, projectId, name } = stored;
  const whole = outcomeOf(() => writeProjectText({ ...read(stored), workshop: withoutStore(readWorkshop(workshop), projectId) }));
  if (whole.ok && whole.value.length > MAX_FILE_BYTES)
    throw new Refusal('too-large', `the project is ${Math.ceil(whole.value.length / 1e6)} MB as a file`, 'project', `at most ${MAX_FILE_BYTES / 1e6} MB`);
  // What cannot be read is given away as it stands, so that it can be mended by hand.
  return whole.ok ? whole.value : JSON.stringify({ version: VERSION, name, design: document, record: entries, workshop }, null, 2);
});

const read = ({ document, entries }: RawProject): Pick<ProjectFile, 'design' | 'record'> => ({
  design: designCodec.read(document, 'document'),
  record: entries.map((entry, index) => recordCodec.read(entry, `record[${index}]`)),
});

function unwrap<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  const { code, message, where, accepted } = outcome.problem;
  throw new Refusal(code, message, where, accepted);
}
