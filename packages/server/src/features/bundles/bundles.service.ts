/** A project out of the database and the folder of pictures into one file, and back: whole or not at all. */
import { randomUUID } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { withoutStore, type ProjectFile, type RecordEntry } from '@keen/core';
import { photosOf } from '@keen/exchange';
import type { Response } from 'express';
import { Sequelize } from 'sequelize-typescript';
import { CommitUnknown, transacted } from '../../database/transacted.ts';
import { HeavyWorkService } from '../../heavy/heavy-work.service.ts';
import { ProblemException } from '../../problems/problem.exception.ts';
import { PhotosService } from '../photos/photos.service.ts';
import { ProjectsService, type StoredProject } from '../projects/projects.service.ts';
import { StoredProjects } from '../projects/stored-projects.ts';

export interface NamedFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

@Injectable()
export class BundlesService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly stored: StoredProjects,
    private readonly projects: ProjectsService,
    private readonly photos: PhotosService,
    private readonly heavy: HeavyWorkService,
  ) {}

  /** `until`: the answer somebody waits for. */
  async bundle(projectId: string, until: Response): Promise<NamedFile> {
    const { project } = await this.stored.read(projectId);
    const photos = await Promise.all(photosOf(project.record).map(async (id) => [id, await this.picture(projectId, id)] as const));
    const order = { project: { ...project, workshop: withoutStore(project.workshop, projectId) }, photos };
    return { name: `${fileName(project.design.name)}.carcass.zip`, bytes: await this.heavy.run('packBundle', order, until) };
  }

  /** The project file alone. What cannot be read comes as it is stored. */
  async file(projectId: string, until: Response): Promise<NamedFile> {
    const { revision: _, ...raw } = await this.stored.raw(projectId);
    const text = await this.heavy.run('writeFile', raw, until);
    return { name: `${fileName(raw.name)}.carcass.json`, bytes: Buffer.from(text) };
  }

  /** A note may be here before its picture is: the phone that took it sends it when it can. */
  private async picture(projectId: string, id: string): Promise<string> {
    try {
      return await this.photos.find(projectId, id, 'full');
    } catch {
      throw new ProblemException(409, {
        code: 'missing-picture',
        message: 'a note shows a picture that has not arrived here yet',
        where: `photos/${id}`,
        accepted: 'once more when the phone that took it has sent it; or the project as a file, without pictures',
      });
    }
  }

  /** Makes a project of the file at a path. Its pictures get ids of their own. */
  async open(path: string, until: Response): Promise<StoredProject> {
    const folder = `${path}.pictures`;
    await mkdir(folder, { mode: 0o700 });
    try {
      const { project, photos } = await this.heavy.run('openFile', { path, folder }, until);
      const own = new Map(photos.map(([id]) => [id, randomUUID()]));
      const id = randomUUID();
      const kept = await this.photos.keepFiles(id, new Map(photos.map(([old, at]) => [own.get(old)!, at])));
      try {
        return await transacted(this.sequelize, async (transaction) => {
          const stored = await this.projects.insertFile({ id, demo: false, revision: 1 }, withPhotoIds(project, own), transaction);
          await this.photos.enter(id, kept, transaction);
          return stored;
        });
      } catch (error) {
        // After a lost COMMIT they may be the project's; if they are not, they are swept.
        if (!(error instanceof CommitUnknown)) await this.photos.dropFiles(id, kept);
        throw error;
      }
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  }
}

/** A name that any file system takes. */
const fileName = (name: string): string =>
  name
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'project';

const withPhotoIds = (project: ProjectFile, ids: ReadonlyMap<string, string>): ProjectFile => ({
  ...project,
  record: project.record.map((entry): RecordEntry =>
    entry.kind === 'note' ? { ...entry, note: { ...entry.note, photos: entry.note.photos.map((photo) => ids.get(photo) ?? photo) } } : entry,
  ),
});
