import { Body, Controller, Get, HttpCode, Param, Post, Res } from '@nestjs/common';
import type { Response } from 'express';
import { FaultSwitch } from '../../access/fault-switch.ts';
import { OpenTo } from '../../access/open-to.ts';
import { LabelSheetDto, PaperDto, PrinterFaultDto, PrintLabelsDto } from './labels.dto.ts';
import { LabelsService, type PrintJob } from './labels.service.ts';

@OpenTo('device')
@Controller('api/labels')
export class LabelsController {
  constructor(private readonly labels: LabelsService) {}

  @Post('sheet')
  @HttpCode(200)
  async sheet(@Body() { labels }: LabelSheetDto, @Res() response: Response): Promise<void> {
    response.type('application/pdf').send(Buffer.from(await this.labels.sheet(labels, response)));
  }

  @Post('print')
  print(@Body() { id, labels }: PrintLabelsDto): Promise<PrintJob> {
    return this.labels.print(id, labels);
  }

  @Get('print/:id')
  job(@Param('id') id: string): Promise<PrintJob> {
    return this.labels.job(id);
  }

  @Post('printer/paper')
  @HttpCode(204)
  paper(@Body() { labels }: PaperDto): Promise<void> {
    return this.labels.addPaper(labels);
  }

  /** Faults of the stand-in on demand. */
  @FaultSwitch()
  @Post('printer/fault')
  @HttpCode(204)
  fault(@Body() { how }: PrinterFaultDto): Promise<void> {
    return this.labels.fail(how);
  }
}
