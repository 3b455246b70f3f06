import { Body, Controller, Get, HttpCode, Post, Query, Res } from '@nestjs/common';
import type { Response } from 'express';
import { FaultSwitch } from '../../access/fault-switch.ts';
import { OpenTo } from '../../access/open-to.ts';
import { eventLines } from './event-lines.ts';
import { ScaleFaultDto, WeighDto } from './scale.dto.ts';
import { ScaleService, type ScaleEvent } from './scale.service.ts';

@OpenTo('device')
@Controller('api/devices/scale')
export class ScaleController {
  constructor(private readonly scale: ScaleService) {}

  @Get()
  status(): Promise<{ name: string; battery: number }> {
    return this.scale.status();
  }

  /** One line of JSON for each event, as it comes; the last is 'end' or 'lost'. */
  @Get('weighing')
  async weighing(@Query() { about }: WeighDto, @Res() response: Response): Promise<void> {
    await this.scale.status();
    await eventLines<ScaleEvent>(response, (tell, signal) => this.scale.weigh(about, tell, signal), { type: 'lost', why: 'dropped' });
  }

  /** Faults of the stand-in on demand. */
  @FaultSwitch()
  @Post('fault')
  @HttpCode(204)
  fault(@Body() { how, after }: ScaleFaultDto): Promise<void> {
    return this.scale.fail(how, after);
  }
}
