import { Body, Controller, Get, HttpCode, Post, Query, Res } from '@nestjs/common';
import type { Response } from 'express';
import { FaultSwitch } from '../../access/fault-switch.ts';
import { OpenTo } from '../../access/open-to.ts';
import { eventLines } from './event-lines.ts';
import { FaultDto, ScanDto } from './scanner.dto.ts';
import { ScannerService, type ScanEvent } from './scanner.service.ts';

const HAND_SPEED = 1500;

@OpenTo('device')
@Controller('api/devices/scanner')
export class ScannerController {
  constructor(private readonly scanner: ScannerService) {}

  @Get()
  status(): Promise<{ name: string; battery: number }> {
    return this.scanner.status();
  }

  /** One line of JSON for each event, as it comes; the last is 'end' or 'lost'. */
  @Get('scan')
  async scan(@Query() { speed = HAND_SPEED, ...line }: ScanDto, @Res() response: Response): Promise<void> {
    await this.scanner.status();
    await eventLines<ScanEvent>(response, (tell, signal) => this.scanner.scan({ ...line, speed }, tell, signal), { type: 'lost', why: 'dropped' });
  }

  /** Faults of the stand-in on demand. */
  @FaultSwitch()
  @Post('fault')
  @HttpCode(204)
  fault(@Body() { how, at }: FaultDto): Promise<void> {
    return this.scanner.fail(how, at);
  }
}
