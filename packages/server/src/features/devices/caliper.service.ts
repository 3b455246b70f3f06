/** The adapter to a digital caliper: a TCP connection for each sheet that is measured. Where the stand-in listens, a real one could. */
import { Inject, Injectable } from '@nestjs/common';
import { ProblemException } from '../../problems/problem.exception.ts';
import { DeviceLine, type DeviceEvent, type Garbled } from './device-line.ts';

export const CALIPER_PORT = Symbol('where the caliper listens');

export type CaliperFault = 'drop' | 'silent' | 'nonsense';

export type CaliperEvent = { readonly type: 'reading'; readonly mm: number } | Garbled | DeviceEvent;

@Injectable()
export class CaliperService {
  private readonly line: DeviceLine;

  constructor(@Inject(CALIPER_PORT) port: number | undefined) {
    this.line = new DeviceLine(port, away);
  }

  status(): Promise<{ name: string; battery: number }> {
    return this.line.status();
  }

  /** Measures a sheet in some places. */
  measure(nominal: number, places: number, tell: (event: CaliperEvent) => void, signal: AbortSignal): Promise<void> {
    return this.line.events<CaliperEvent>({ cmd: 'measure', nominal, places }, readCaliper, tell, signal, () => tell({ type: 'garbled' }));
  }

  fail(how: CaliperFault, after: number): Promise<void> {
    return this.line.arm({ how, after });
  }
}

function readCaliper(message: Record<string, unknown>): CaliperEvent | null {
  if (message['type'] !== 'reading') return null;
  return Number.isFinite(message['mm']) ? { type: 'reading', mm: Number(message['mm']) } : { type: 'garbled' };
}

const away = (): ProblemException =>
  new ProblemException(503, { code: 'caliper-away', message: 'no caliper answers', where: 'caliper', accepted: 'switch it on, or type the readings in' });
