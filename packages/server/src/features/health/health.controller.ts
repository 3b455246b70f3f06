import { Controller, Get } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { Sequelize } from 'sequelize-typescript';
import { OpenTo } from '../../access/open-to.ts';
import { DiskService, type DiskState } from '../../housekeeping/disk.service.ts';
import { ProblemException } from '../../problems/problem.exception.ts';

export interface Health {
  readonly ok: true;
  readonly database: 'up';
  readonly disk: DiskState;
}

@Controller('api/health')
export class HealthController {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly disk: DiskService,
  ) {}

  /** Says whether a save would succeed: the database is asked, not assumed. */
  @OpenTo('anyone')
  @Get()
  async health(): Promise<Health> {
    try {
      await this.sequelize.query('select 1');
    } catch {
      throw new ProblemException(503, { code: 'database-down', message: 'the database does not answer', where: 'database', accepted: 'try again in a moment' });
    }
    return { ok: true, database: 'up', disk: await this.disk.state() };
  }
}
