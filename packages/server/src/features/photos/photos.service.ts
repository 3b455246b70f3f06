import { join } from 'node:path';
import { Inject, Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { Transaction } from 'sequelize';
import { DATA_FOLDER } from '../../config.ts';
import { notFound } from '../../problems/problem.exception.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { PhotoFiles, type PhotoSize } from './photo-files.ts';
import { Pictures } from './pictures.ts';
import { PhotoModel } from './photo.model.ts';

/** A picture whose files are on the disk. */
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
export class PhotosService implements OnApplicationBootstrap {
  readonly files: PhotoFiles;

  constructor(
    @InjectModel(PhotoModel) private readonly photos: typeof PhotoModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    private readonly pictures: Pictures,
    @Inject(DATA_FOLDER) dataFolder: string,
  ) {
    this.files = new PhotoFiles(join(dataFolder, 'photos'));
  }

  async onApplicationBootstrap(): Promise<void> {
    await this.files.adoptFlat(async (id) => (await this.photos.findOne({ where: { id }, attributes: ['projectId'] }))?.projectId);
  }

  /** Keeps a picture under the client's id; the same one again is left as it is. The files are on the disk before it is called kept. */
  async keep(projectId: string, id: string, picture: string | Buffer): Promise<StoredPhoto> {
    const project = await this.projects.findOne({ where: { id: projectId, deletedAt: null }, attributes: ['id'] });
    if (!project) throw notFound('project', 'id');
    const known = await this.photos.findOne({ where: { id, projectId } });
    if (known) return { id, width: known.width, height: known.height };
    const [kept] = await this.keepFiles(projectId, new Map([[id, picture]]));
    await this.enter(projectId, [kept!]);
    return { id, width: kept!.width, height: kept!.height };
  }

  /** Writes pictures (paths or bytes) as files of a project that has no rows for them yet: all of them, or none where one is refused. */
  async keepFiles(projectId: string, pictures: ReadonlyMap<string, string | Buffer>): Promise<KeptFile[]> {
    const kept: KeptFile[] = [];
    try {
      for (const [id, picture] of pictures) {
        const { full, thumbnail, width, height } = await this.pictures.keepable(picture);
        await this.files.write(projectId, id, { full, thumbnail });
        kept.push({ id, width, height, bytes: full.length });
      }
    } catch (error) {
      await this.dropFiles(projectId, kept);
      throw error;
    }
    return kept;
  }

  /** Adds the rows of files that are on the disk. */
  async enter(projectId: string, files: readonly KeptFile[], transaction?: Transaction): Promise<void> {
    const rows = files.map((file) => ({ ...file, projectId, receivedAt: new Date() }));
    await this.photos.bulkCreate(rows, { ignoreDuplicates: true, ...(transaction ? { transaction } : {}) });
  }

  /** Removes files that belong to no project after all. */
  async dropFiles(projectId: string, files: readonly KeptFile[]): Promise<void> {
    for (const { id } of files) await this.files.remove(projectId, id);
  }

  /** The path a picture of a project is read from. */
  async find(projectId: string, id: string, size: PhotoSize): Promise<string> {
    const known = await this.photos.findOne({ where: { id, projectId } });
    if (!known) throw notFound('picture', 'photo');
    return this.files.pathOf(projectId, id, size);
  }

  /** Removes files that no row owns and are older than `ageMs`. Gives how many. */
  async sweep(ageMs: number): Promise<number> {
    const rows = await this.photos.findAll({ attributes: ['projectId', 'id'] });
    const owned = new Set(rows.map(({ projectId, id }) => `${projectId}/${id}`));
    return this.files.sweep((projectId, id) => owned.has(`${projectId}/${id}`), ageMs);
  }
}
