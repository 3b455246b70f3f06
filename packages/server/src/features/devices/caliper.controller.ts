import { Body, Controller, Get, HttpCode, Post, Query, Res } from '@nestjs/common';
import type { Response } from 'express';
import { FaultSwitch } from '../../access/fault-switch.ts';
import { OpenTo } from '../../access/open-to.ts';
import { CaliperFaultDto, MeasureDto } from './caliper.dto.ts';
import { CaliperService, type CaliperEvent } from './caliper.service.ts';
import { eventLines } from './event-lines.ts';

const PLACES = 5;

@OpenTo('device')
@Controller('api/devices/caliper')
export class CaliperController {
  constructor(private readonly caliper: CaliperService) {}

  @Get()
  status(): Promise<{ name: string; battery: number }> {
    return this.caliper.status();
  }

  /** One line of JSON for each event, as it comes; the last is 'end' or 'lost'. */
  @Get('readings')
  async readings(@Query() { nominal, places = PLACES }: MeasureDto, @Res() response: Response): Promise<void> {
    await this.caliper.status();
    await eventLines<CaliperEvent>(response, (tell, signal) => this.caliper.measure(nominal, places, tell, signal), { type: 'lost', why: 'dropped' });
  }

  /** Faults of the stand-in on demand. */
  @FaultSwitch()
  @Post('fault')
  @HttpCode(204)
  fault(@Body() { how, after }: CaliperFaultDto): Promise<void> {
    return this.caliper.fail(how, after);
  }
}
