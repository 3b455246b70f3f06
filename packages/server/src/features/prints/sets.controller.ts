import { Body, Controller, Delete, Get, HttpCode, Param, ParseIntPipe, Post, Res } from '@nestjs/common';
import type { Response } from 'express';
import { OpenTo } from '../../access/open-to.ts';
import { AskSetDto } from './sets.dto.ts';
import { SetsService, type SetState } from './sets.service.ts';

/** Shop sets: asked for, watched, looked at page by page, opened as PDF. */
@OpenTo('device')
@Controller('api/projects/:id/sets')
export class SetsController {
  constructor(private readonly sets: SetsService) {}

  @Post()
  @HttpCode(202)
  ask(@Param('id') id: string, @Body() body: AskSetDto): Promise<SetState> {
    return this.sets.ask(id, body);
  }

  @Get(':set')
  find(@Param('id') id: string, @Param('set') set: string): SetState {
    return this.sets.find(id, set);
  }

  @Get(':set/pdf')
  pdf(@Param('id') id: string, @Param('set') set: string, @Res() response: Response): void {
    const { name, pdf } = this.sets.pdf(id, set);
    response.type('application/pdf').set('Content-Disposition', `inline; filename="${name}"`).set('Cache-Control', 'no-store').send(Buffer.from(pdf));
  }

  @Get(':set/pages/:page')
  page(@Param('id') id: string, @Param('set') set: string, @Param('page', ParseIntPipe) page: number, @Res() response: Response): void {
    response
      .type('image/svg+xml')
      .set('Cache-Control', 'private, max-age=600')
      .send(this.sets.page(id, set, page));
  }

  @Delete(':set')
  @HttpCode(204)
  remove(@Param('id') id: string, @Param('set') set: string): void {
    this.sets.remove(id, set);
  }
}
