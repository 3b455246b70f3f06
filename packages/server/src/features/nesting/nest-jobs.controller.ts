import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { OpenTo } from '../../access/open-to.ts';
import { AskNestDto } from './nest-jobs.dto.ts';
import { NestJobsService, type NestJobRow } from './nest-jobs.service.ts';

@Controller('api')
export class NestJobsController {
  constructor(private readonly jobs: NestJobsService) {}

  @OpenTo('device')
  @Get('projects/:id/nest-jobs')
  list(@Param('id') id: string): Promise<NestJobRow[]> {
    return this.jobs.list(id);
  }

  @Post('projects/:id/nest-jobs')
  ask(@Param('id') id: string, @Body() body: AskNestDto): Promise<NestJobRow> {
    return this.jobs.ask(id, body);
  }

  @OpenTo('device')
  @Get('nest-jobs/:id')
  find(@Param('id') id: string): ReturnType<NestJobsService['find']> {
    return this.jobs.find(id);
  }

  @Post('nest-jobs/:id/stop')
  @HttpCode(200)
  stop(@Param('id') id: string): Promise<NestJobRow> {
    return this.jobs.stop(id);
  }

  @Delete('nest-jobs/:id')
  @HttpCode(204)
  remove(@Param('id') id: string): Promise<void> {
    return this.jobs.remove(id);
  }
}
