/** A project as it is stored, read whole: what prints and files are made from, never what a screen shows. */
import { Injectable } from '@nestjs/common';
import { availableTo, designCodec, recordCodec, type ProjectFile } from '@keen/core';
import type { RawProject } from '../../heavy/tasks.ts';
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
    const record = (await this.record.all(projectId)).map(({ entry }, index) => recordCodec.read(entry, `record[${index}]`));
    return { project: { design, record, workshop: availableTo(await this.workshop.read(), projectId) }, revision };
  }

  /** As it stands in the tables, readable or not. Throws where there is none. */
  async raw(projectId: string): Promise<RawProject & { readonly revision: number }> {
    const { document, revision } = await this.projects.find(projectId);
    const entries = (await this.record.all(projectId)).map(({ entry }) => entry);
    const { workshop } = await this.workshop.find();
    const name = (document as { name?: unknown } | null)?.name;
    return { name: typeof name === 'string' ? name : '', document, entries, workshop, projectId, revision };
  }
}
