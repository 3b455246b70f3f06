import { Controller, Get } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { Sequelize } from 'sequelize-typescript';
import { OpenTo } from '../../access/open-to.ts';
import { ProblemException } from '../../problems/problem.exception.ts';

@Controller('api/health')
export class HealthController {
  constructor(@InjectConnection() private readonly sequelize: Sequelize) {}

  /** Says whether a save would succeed: the database is asked, not assumed. */
  @OpenTo('anyone')
  @Get()
  async health(): Promise<{ ok: true; database: 'up' }> {
    try {
      await this.sequelize.query('select 1');
      return { ok: true, database: 'up' };
    } catch {
      throw new ProblemException(503, { code: 'database-down', message: 'the database does not answer', where: 'database', accepted: 'try again in a moment' });
    }
  }
}
