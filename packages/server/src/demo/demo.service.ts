/** The print room everyone starts with. Put in once, on a new installation; restored on request without touching other projects. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { readProjectFile, type ProjectFile } from '@keen/core';
import { Sequelize } from 'sequelize-typescript';
import { ProjectsService } from '../features/projects/projects.service.ts';
import { WorkshopService } from '../features/workshop/workshop.service.ts';

export const DEMO_ID = 'print-room';

@Injectable()
export class DemoService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly projects: ProjectsService,
    private readonly workshop: WorkshopService,
  ) {}

  /** True when this was a new installation and the demo was put in. */
  async seedOnce(examples: string): Promise<boolean> {
    const file = demoFile(examples);
    if (!(await this.workshop.seed(file.workshop))) return false;
    await this.reset(examples);
    return true;
  }

  /** Puts the demo back as it was. Its revision goes on counting, so that an open tab notices. */
  async reset(examples: string): Promise<void> {
    const file = demoFile(examples);
    await this.sequelize.transaction(async (transaction) => {
      const old = await this.projects.erase(DEMO_ID, transaction);
      await this.projects.insertFile({ id: DEMO_ID, demo: true, revision: (old?.revision ?? 0) + 1 }, file, transaction);
    });
  }
}

function demoFile(examples: string): ProjectFile {
  const read = readProjectFile(readFileSync(join(examples, 'print-room.carcass.json'), 'utf8'));
  if (!read.ok) throw new Error(`the demo cannot be read: ${read.problem.where}: ${read.problem.message}`);
  return read.value;
}
