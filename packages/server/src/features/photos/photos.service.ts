import { randomUUID } from 'node:crypto';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { notFound } from '../../problems/problem.exception.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { keepable } from './picture.ts';
import { PhotoModel } from './photo.model.ts';

export const PHOTO_FOLDER = Symbol('folder of pictures');

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
    const { full, thumbnail, width, height } = await keepable(bytes);
    await mkdir(this.folder, { recursive: true });
    await this.write(this.pathOf(id, 'full'), full);
    await this.write(this.pathOf(id, 'thumbnail'), thumbnail);
    await this.photos.bulkCreate([{ id, projectId, width, height, bytes: full.length, receivedAt: new Date() }], { ignoreDuplicates: true });
    return { id, width, height };
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
