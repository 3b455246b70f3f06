import { Body, Controller, Get, HttpCode, Param, Post, Res } from '@nestjs/common';
import type { Response } from 'express';
import { FaultSwitch } from '../../access/fault-switch.ts';
import { OpenTo } from '../../access/open-to.ts';
import { LabelDto, LabelSheetDto, PaperDto, PrinterFaultDto, PrintLabelsDto } from './labels.dto.ts';
import { validatedEach } from '../../problems/validation.ts';
import { LabelsService, type PrintJob } from './labels.service.ts';

const checked = (labels: readonly object[]): Promise<LabelDto[]> => validatedEach(LabelDto, labels, 'labels');

@OpenTo('device')
@Controller('api/labels')
export class LabelsController {
  constructor(private readonly labels: LabelsService) {}

  @Post('sheet')
  @HttpCode(200)
  async sheet(@Body() { labels }: LabelSheetDto, @Res() response: Response): Promise<void> {
    const pdf = await this.labels.sheet(await checked(labels), response);
    response.type('application/pdf').send(Buffer.from(pdf));
  }

  @Post('print')
  async print(@Body() { id, labels }: PrintLabelsDto): Promise<PrintJob> {
    return this.labels.print(id, await checked(labels));
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
