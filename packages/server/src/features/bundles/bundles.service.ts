/** A project out of the database and the folder of pictures into one archive, and back: whole or not at all. */
import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { standingAlone, type ProjectFile, type RecordEntry } from '@keen/core';
import { bundleZip, photosOf, readBundle } from '@keen/exchange';
import { Sequelize } from 'sequelize-typescript';
import { transacted } from '../../database/transacted.ts';
import { ProblemException } from '../../problems/problem.exception.ts';
import { PhotosService } from '../photos/photos.service.ts';
import { ProjectsService, type StoredProject } from '../projects/projects.service.ts';
import { StoredProjects } from '../projects/stored-projects.ts';

@Injectable()
export class BundlesService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly stored: StoredProjects,
    private readonly projects: ProjectsService,
    private readonly photos: PhotosService,
  ) {}

  async bundle(projectId: string): Promise<{ readonly name: string; readonly zip: Uint8Array }> {
    const { project } = await this.stored.read(projectId);
    const pictures = new Map<string, Uint8Array>();
    for (const id of photosOf(project.record)) pictures.set(id, await this.picture(projectId, id));
    const name =
      project.design.name
        .replace(/[^A-Za-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .toLowerCase() || 'project';
    return { name: `${name}.carcass.zip`, zip: bundleZip({ project: { ...project, workshop: standingAlone(project.workshop, projectId) }, photos: pictures }) };
  }

  /** A note may be here before its picture is: the phone that took it sends it when it can. */
  private async picture(projectId: string, id: string): Promise<Uint8Array> {
    try {
      return await readFile(await this.photos.find(projectId, id, 'full'));
    } catch {
      throw new ProblemException(409, {
        code: 'missing-picture',
        message: 'a note shows a picture that has not arrived here yet',
        where: `photos/${id}`,
        accepted: 'once more when the phone that took it has sent it; or the project as a file, without pictures',
      });
    }
  }

  /** A new project. Its pictures get names of their own, for the ones they had may be another project's. */
  async open(bytes: Uint8Array): Promise<StoredProject> {
    const read = readBundle(bytes);
    if (!read.ok) throw new ProblemException(400, read.problem);
    const { project, photos } = read.value;
    const names = new Map(photosOf(project.record).map((id) => [id, randomUUID()]));
    const id = randomUUID();
    const kept = await this.photos.keepFiles(new Map([...names].map(([old, own]) => [own, Buffer.from(photos.get(old)!)])));
    try {
      return await transacted(this.sequelize, async (transaction) => {
        const stored = await this.projects.insertFile({ id, demo: false, revision: 1 }, renamed(project, names), transaction);
        await this.photos.enter(id, kept, transaction);
        return stored;
      });
    } catch (error) {
      await this.photos.dropFiles(kept);
      throw error;
    }
  }
}

const renamed = (project: ProjectFile, names: ReadonlyMap<string, string>): ProjectFile => ({
  ...project,
  record: project.record.map((entry): RecordEntry =>
    entry.note ? { ...entry, note: { ...entry.note, photos: entry.note.photos.map((photo) => names.get(photo) ?? photo) } } : entry,
  ),
});
