/**
 * Pictures on the disk: `photos/PROJECT/ID.jpg` and `ID.small.jpg`. Files are whole under their own names, whenever the machine
 * stops: they are written beside and renamed. Files come before their row; what has no row after a while is swept.
 */
import { randomUUID } from 'node:crypto';
import { mkdir, open, readdir, rename, rm, rmdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Kept } from './picture.ts';

export type PhotoSize = 'full' | 'thumbnail';

export class PhotoFiles {
  constructor(private readonly folder: string) {}

  /** Ids are letters, digits, dashes and underscores (photos.dto.ts), so no path leads out of the folder. */
  pathOf(projectId: string, id: string, size: PhotoSize): string {
    return join(this.folder, projectId, `${id}${size === 'thumbnail' ? '.small' : ''}.jpg`);
  }

  /** Both sizes are on the disk when it resolves. */
  async write(projectId: string, id: string, { full, thumbnail }: Pick<Kept, 'full' | 'thumbnail'>): Promise<void> {
    await mkdir(join(this.folder, projectId), { recursive: true, mode: 0o700 });
    await writeWhole(this.pathOf(projectId, id, 'full'), full);
    await writeWhole(this.pathOf(projectId, id, 'thumbnail'), thumbnail);
  }

  async remove(projectId: string, id: string): Promise<void> {
    for (const size of ['full', 'thumbnail'] as const) await rm(this.pathOf(projectId, id, size), { force: true });
  }

  async removeProject(projectId: string): Promise<void> {
    await rm(join(this.folder, projectId), { recursive: true, force: true });
  }

  /** Removes what nothing owns and is older than `ageMs`: pictures without a row, files of writes that were cut off. Gives how many. */
  async sweep(isOwned: (projectId: string, id: string) => boolean, ageMs: number): Promise<number> {
    let swept = 0;
    for (const project of await namesIn(this.folder)) {
      const folder = join(this.folder, project);
      for (const name of await namesIn(folder)) {
        const id = /^([A-Za-z0-9-]+)(\.small)?\.jpg$/.exec(name)?.[1];
        if (id !== undefined && isOwned(project, id)) continue;
        if (!(await isOlder(join(folder, name), ageMs))) continue;
        await rm(join(folder, name), { force: true });
        swept++;
      }
      // Only an empty folder goes.
      await rmdir(folder).catch(() => {});
    }
    return swept;
  }

  /** Earlier programs kept all pictures in one folder: `photos/ID.jpg`. They are moved into the folder of the project that has them. */
  async adoptFlat(projectOf: (id: string) => Promise<string | undefined>): Promise<void> {
    for (const name of await namesIn(this.folder)) {
      const id = /^([A-Za-z0-9-]{8,64})(\.small)?\.jpg$/.exec(name)?.[1];
      const project = id === undefined ? undefined : await projectOf(id);
      if (project === undefined) continue;
      await mkdir(join(this.folder, project), { recursive: true, mode: 0o700 });
      await rename(join(this.folder, name), join(this.folder, project, name));
    }
  }
}

async function namesIn(folder: string): Promise<string[]> {
  return readdir(folder).catch(() => []);
}

async function isOlder(path: string, ageMs: number): Promise<boolean> {
  const known = await stat(path).catch(() => null);
  return known !== null && Date.now() - known.mtimeMs > ageMs;
}

async function writeWhole(path: string, bytes: Buffer): Promise<void> {
  const beside = `${path}.${randomUUID()}`;
  try {
    const file = await open(beside, 'w', 0o600);
    try {
      await file.writeFile(bytes);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(beside, path);
  } catch (error) {
    await rm(beside, { force: true });
    throw error;
  }
}
