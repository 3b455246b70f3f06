/** A project as it is stored, read whole: what a print is made from, never what a screen shows. */
import { Injectable } from '@nestjs/common';
import { availableTo, designCodec, recordCodec, type ProjectFile } from '@keen/core';
import { ProjectsService } from './projects.service.ts';
import { RecordService } from '../record/record.service.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';

@Injectable()
export class StoredProjects {
  constructor(
    private readonly projects: ProjectsService,
    private readonly record: RecordService,
    private readonly workshop: WorkshopService,
  ) {}

  /** With what the shop has for it. Throws where there is none. */
  async read(projectId: string): Promise<{ readonly project: ProjectFile; readonly revision: number }> {
    const { document, revision } = await this.projects.find(projectId);
    const design = designCodec.read(document, 'document');
    const record = (await this.record.list(projectId)).map(({ entry }, index) => recordCodec.read(entry, `record[${index}]`));
    return { project: { design, record, workshop: availableTo(await this.workshop.read(), projectId) }, revision };
  }
}
