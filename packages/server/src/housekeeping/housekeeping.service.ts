/** The hourly round: empties the trash after its term, sweeps what nothing owns. */
import { readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable, Logger, type BeforeApplicationShutdown, type OnApplicationBootstrap } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { Op } from 'sequelize';
import { DATA_FOLDER } from '../config.ts';
import { LabelsService } from '../features/labels/labels.service.ts';
import { PhotosService } from '../features/photos/photos.service.ts';
import { ProjectModel } from '../features/projects/project.model.ts';
import { PairedDeviceModel } from '../features/sharing/paired-device.model.ts';
import { INCOMING } from '../problems/raw-body.ts';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A deleted project can be restored for this long. */
export const TRASH_MS = 30 * DAY_MS;
/** Files are written before their row: younger ones may be about to get it. */
const UNOWNED_MS = HOUR_MS;
const LABELS_MS = 7 * DAY_MS;

export interface Swept {
  readonly projects: number;
  readonly files: number;
}

@Injectable()
export class HousekeepingService implements OnApplicationBootstrap, BeforeApplicationShutdown {
  private readonly log = new Logger('housekeeping');
  private timer: NodeJS.Timeout | undefined;
  private round: Promise<unknown> = Promise.resolve();

  constructor(
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    @InjectModel(PairedDeviceModel) private readonly devices: typeof PairedDeviceModel,
    private readonly photos: PhotosService,
    private readonly labels: LabelsService,
    @Inject(DATA_FOLDER) private readonly dataFolder: string,
  ) {}

  onApplicationBootstrap(): void {
    const run = (): void => {
      this.round = this.sweep().catch((error: unknown) => this.log.warn(error instanceof Error ? error.message : String(error)));
    };
    run();
    this.timer = setInterval(run, HOUR_MS);
    this.timer.unref();
  }

  async beforeApplicationShutdown(): Promise<void> {
    clearInterval(this.timer);
    await this.round;
  }

  /** One round. `unownedMs`: how old a file without a row has to be. */
  async sweep(unownedMs = UNOWNED_MS): Promise<Swept> {
    const projects = await this.emptyTrash();
    const files = (await this.photos.sweep(unownedMs)) + (await this.sweepIncoming(unownedMs));
    await this.labels.sweep(LABELS_MS);
    await this.devices.destroy({ where: { expiresAt: { [Op.lt]: new Date() } } });
    return { projects, files };
  }

  /** Projects whose term is over go with their revisions, record and pictures: the tables cascade, the files follow. */
  private async emptyTrash(): Promise<number> {
    const over = await this.projects.findAll({ where: { deletedAt: { [Op.lt]: new Date(Date.now() - TRASH_MS) } }, attributes: ['id'] });
    for (const { id } of over) {
      // Not where it was restored in the meantime.
      const gone = await this.projects.destroy({ where: { id, deletedAt: { [Op.lt]: new Date(Date.now() - TRASH_MS) } } });
      if (gone > 0) await this.photos.files.removeProject(id);
    }
    return over.length;
  }

  private async sweepIncoming(ageMs: number): Promise<number> {
    const folder = join(this.dataFolder, INCOMING);
    let swept = 0;
    for (const name of await readdir(folder).catch(() => [] as string[])) {
      const known = await stat(join(folder, name)).catch(() => null);
      if (!known || Date.now() - known.mtimeMs < ageMs) continue;
      await rm(join(folder, name), { recursive: true, force: true });
      swept++;
    }
    return swept;
  }
}
