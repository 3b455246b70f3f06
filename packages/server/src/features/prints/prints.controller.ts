import { Controller, Get, Param, Query, Res } from '@nestjs/common';
import type { Response } from 'express';
import { OpenTo } from '../../access/open-to.ts';
import { PrintQueryDto } from './prints.dto.ts';
import { PrintsService } from './prints.service.ts';

@OpenTo('device')
@Controller('api/projects/:id/prints')
export class PrintsController {
  constructor(private readonly prints: PrintsService) {}

  /** Shown by the browser, and printed from there. */
  @Get(':kind')
  async print(@Param('id') id: string, @Param('kind') kind: string, @Query() query: PrintQueryDto, @Res() response: Response): Promise<void> {
    const { name, pdf } = await this.prints.print(id, kind, query, response);
    response.type('application/pdf').set('Content-Disposition', `inline; filename="${name}"`).set('Cache-Control', 'no-store').send(Buffer.from(pdf));
  }
}
