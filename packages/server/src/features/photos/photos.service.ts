import { randomUUID } from 'node:crypto';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { Transaction } from 'sequelize';
import { notFound } from '../../problems/problem.exception.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { keepable } from './picture.ts';
import { PhotoModel } from './photo.model.ts';

export const PHOTO_FOLDER = Symbol('folder of pictures');

/** Written, and how large. */
export interface KeptFile {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  readonly bytes: number;
}

export interface StoredPhoto {
  readonly id: string;
  readonly width: number;
  readonly height: number;
}

@Injectable()
export class PhotosService {
  constructor(
    @InjectModel(PhotoModel) private readonly photos: typeof PhotoModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    @Inject(PHOTO_FOLDER) private readonly folder: string,
  ) {}

  /** Keeps a picture under the client's id; the same one again is left as it is. The files are on the disk before it is said to be kept. */
  async keep(projectId: string, id: string, bytes: Buffer): Promise<StoredPhoto> {
    const project = await this.projects.findOne({ where: { id: projectId, deletedAt: null } });
    if (!project) throw notFound('project', 'id');
    const known = await this.photos.findOne({ where: { id, projectId } });
    if (known) return { id, width: known.width, height: known.height };
    const [kept] = await this.keepFiles(new Map([[id, bytes]]));
    await this.enter(projectId, [kept!]);
    return { id, width: kept!.width, height: kept!.height };
  }

  /** Pictures as files, not yet any project's: all of them, or none where one of them is refused. */
  async keepFiles(pictures: ReadonlyMap<string, Buffer>): Promise<KeptFile[]> {
    const kept: KeptFile[] = [];
    try {
      for (const [id, bytes] of pictures) {
        const { full, thumbnail, width, height } = await keepable(bytes);
        await mkdir(this.folder, { recursive: true });
        await this.write(this.pathOf(id, 'full'), full);
        await this.write(this.pathOf(id, 'thumbnail'), thumbnail);
        kept.push({ id, width, height, bytes: full.length });
      }
    } catch (error) {
      await this.dropFiles(kept);
      throw error;
    }
    return kept;
  }

  /** Makes files a project's. */
  async enter(projectId: string, files: readonly KeptFile[], transaction?: Transaction): Promise<void> {
    const rows = files.map((file) => ({ ...file, projectId, receivedAt: new Date() }));
    await this.photos.bulkCreate(rows, { ignoreDuplicates: true, ...(transaction ? { transaction } : {}) });
  }

  /** Takes files away that are no project's after all. */
  async dropFiles(files: readonly KeptFile[]): Promise<void> {
    for (const { id } of files) for (const size of ['full', 'thumbnail'] as const) await rm(this.pathOf(id, size), { force: true });
  }

  /** Where a picture of a project is read from. */
  async find(projectId: string, id: string, size: 'full' | 'thumbnail'): Promise<string> {
    const known = await this.photos.findOne({ where: { id, projectId } });
    if (!known) throw notFound('picture', 'photo');
    return this.pathOf(id, size);
  }

  /** Ids are the client's: only letters, digits and dashes come here (photos.controller.ts). */
  private pathOf(id: string, size: 'full' | 'thumbnail'): string {
    return join(this.folder, `${id}${size === 'thumbnail' ? '.small' : ''}.jpg`);
  }

  /** Under another name first: what is under its own name is whole, whenever the machine stops. */
  private async write(path: string, bytes: Buffer): Promise<void> {
    const beside = `${path}.${randomUUID()}`;
    const file = await open(beside, 'w');
    try {
      await file.writeFile(bytes);
      await file.sync();
    } finally {
      await file.close();
    }
    await rename(beside, path).catch(async (error: unknown) => {
      await rm(beside, { force: true });
      throw error;
    });
  }
}
