/** The adapter to a stud scanner: a TCP connection for each scan. Where the stand-in listens, a real one could. */
import { Inject, Injectable } from '@nestjs/common';
import { ProblemException } from '../../problems/problem.exception.ts';
import { DeviceLine, type DeviceEvent } from './device-line.ts';

export const SCANNER_PORT = Symbol('where the scanner listens');

export type ScanEvent = { readonly type: 'sample'; readonly at: number; readonly level: number } | DeviceEvent;

export interface ScanLine {
  readonly from: number;
  readonly to: number;
  readonly up: number;
  readonly speed: number;
}

@Injectable()
export class ScannerService {
  private readonly line: DeviceLine;

  constructor(@Inject(SCANNER_PORT) port: number | undefined) {
    this.line = new DeviceLine(port, away);
  }

  status(): Promise<{ name: string; battery: number }> {
    return this.line.status();
  }

  /** Scans a line. */
  scan(line: ScanLine, tell: (event: ScanEvent) => void, signal: AbortSignal): Promise<void> {
    return this.line.events<ScanEvent>({ cmd: 'scan', ...line }, readSample, tell, signal);
  }

  fail(how: 'drop' | 'silent', at: number): Promise<void> {
    return this.line.arm({ how, at });
  }
}

const readSample = (message: Record<string, unknown>): ScanEvent | null =>
  message['type'] === 'sample' ? { type: 'sample', at: Number(message['at']), level: Number(message['level']) } : null;

const away = (): ProblemException =>
  new ProblemException(503, { code: 'scanner-away', message: 'no stud scanner answers', where: 'scanner', accepted: 'switch it on, or type the studs in' });
