/** What of a stored project is printed at its true size: planned anew from what is saved, never from what a screen shows. */
import { Injectable } from '@nestjs/common';
import { picturesPdf, trueSizePrint } from '@keen/exchange';
import type { PrintQueryDto } from './prints.dto.ts';
import { StoredProjects } from '../projects/stored-projects.ts';

export interface Print {
  readonly name: string;
  readonly pdf: Uint8Array;
}

@Injectable()
export class PrintsService {
  constructor(private readonly stored: StoredProjects) {}

  async print(projectId: string, kind: string, { unit, part, paper, units: display, along, up }: PrintQueryDto): Promise<Print> {
    const { project, revision } = await this.stored.read(projectId);
    const sheets = trueSizePrint(kind, {
      project,
      unit: unit ?? null,
      marks: part?.split(',') ?? null,
      display,
      paper,
      correction: { along, up },
      revision: `revision ${revision}`,
    });
    return { name: `${unit ?? 'all'}-${kind}.pdf`, pdf: await picturesPdf(sheets, project.design.name) };
  }
}
