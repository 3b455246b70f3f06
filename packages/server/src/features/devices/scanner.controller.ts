import { Body, Controller, Get, HttpCode, Post, Query, Res } from '@nestjs/common';
import type { Response } from 'express';
import { FaultDto, ScanDto } from './scanner.dto.ts';
import { ScannerService, type ScanEvent } from './scanner.service.ts';

const HAND_SPEED = 1500;

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
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    response.setHeader('Content-Type', 'application/x-ndjson');
    response.setHeader('Cache-Control', 'no-store');
    response.flushHeaders();
    const tell = (event: ScanEvent): void => void response.write(`${JSON.stringify(event)}\n`);
    await this.scanner.scan({ ...line, speed }, tell, gone.signal).catch(() => tell({ type: 'lost', why: 'dropped' }));
    response.end();
  }

  /** Faults of the stand-in on demand. */
  @Post('fault')
  @HttpCode(204)
  fault(@Body() { how, at }: FaultDto): Promise<void> {
    return this.scanner.fail(how, at);
  }
}
