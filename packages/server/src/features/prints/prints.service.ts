/** What of a stored project is printed at its true size: planned anew from what is saved, never from what a screen shows. */
import { Injectable } from '@nestjs/common';
import type { PrintQueryDto } from './prints.dto.ts';
import type { Response } from 'express';
import { HeavyWorkService } from '../../heavy/heavy-work.service.ts';
import { StoredProjects } from '../projects/stored-projects.ts';

export interface Print {
  readonly name: string;
  readonly pdf: Uint8Array;
}

@Injectable()
export class PrintsService {
  constructor(
    private readonly stored: StoredProjects,
    private readonly heavy: HeavyWorkService,
  ) {}

  /** `until`: the answer somebody waits for. */
  async print(projectId: string, kind: string, { unit, part, paper, units: display, along, up }: PrintQueryDto, until: Response): Promise<Print> {
    const { revision, ...project } = await this.stored.raw(projectId);
    const order = {
      kind,
      project,
      unit: unit ?? null,
      marks: part?.split(',') ?? null,
      display,
      paper,
      correction: { along, up },
      revision: `revision ${revision}`,
    };
    return { name: `${unit ?? 'all'}-${kind}.pdf`, pdf: await this.heavy.run('truePrint', order, until) };
  }
}
