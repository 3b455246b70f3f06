/** The print room everyone starts with. Put in once, on a new installation; restored on request without touching other projects. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { readProjectFile, type ProjectFile } from '@keen/core';
import { transacted } from '../database/transacted.ts';
import { Sequelize } from 'sequelize-typescript';
import { ProjectsService } from '../features/projects/projects.service.ts';
import { WorkshopService } from '../features/workshop/workshop.service.ts';

/** The print room's two walls, everyday cabinets on the one, a unit of every other family on the other; and its type store, where one must not be hung as drawn. */
const DEMOS = [
  { id: 'type-store', file: 'type-store.carcass.json' },
  { id: 'print-room-back', file: 'print-room-back.carcass.json' },
  { id: 'print-room', file: 'print-room.carcass.json' },
] as const;

@Injectable()
export class DemoService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly projects: ProjectsService,
    private readonly workshop: WorkshopService,
  ) {}

  /** True when this was a new installation and the demo was put in. */
  async seedOnce(examples: string): Promise<boolean> {
    if (!(await this.workshop.seed(demoFile(examples, DEMOS[2].file).workshop))) return false;
    await this.reset(examples);
    return true;
  }

  /** Puts the demo back as it was. Its revision and its record's positions go on counting, so that an open tab notices. */
  async reset(examples: string): Promise<void> {
    await transacted(this.sequelize, async (transaction) => {
      for (const { id, file } of DEMOS) {
        const old = await this.projects.erase(id, transaction);
        const row = { id, demo: true, revision: (old?.revision ?? 0) + 1, recordPosition: old?.recordPosition ?? 0 };
        await this.projects.insertFile(row, demoFile(examples, file), transaction);
      }
    });
  }
}

function demoFile(examples: string, name: string): ProjectFile {
  const read = readProjectFile(readFileSync(join(examples, name), 'utf8'));
  if (!read.ok) throw new Error(`the demo ${name} cannot be read: ${read.problem.where}: ${read.problem.message}`);
  return read.value;
}
