/** The adapter to a scale: a TCP connection for each weighing. Where the stand-in listens, a real one could. */
import { Inject, Injectable } from '@nestjs/common';
import { ProblemException } from '../../problems/problem.exception.ts';
import { DeviceLine, type DeviceEvent, type Garbled } from './device-line.ts';

export const SCALE_PORT = Symbol('where the scale listens');

export type ScaleFault = 'drop' | 'silent' | 'nonsense' | 'unsteady';

export type ScaleEvent =
  | { readonly type: 'weight'; readonly kg: number; readonly steady: boolean }
  /** More lies on it than it bears, kg. */
  | { readonly type: 'overload'; readonly most: number }
  | Garbled
  | DeviceEvent;

@Injectable()
export class ScaleService {
  private readonly line: DeviceLine;

  constructor(@Inject(SCALE_PORT) port: number | undefined) {
    this.line = new DeviceLine(port, away);
  }

  status(): Promise<{ name: string; battery: number }> {
    return this.line.status();
  }

  /** Weighs what lies on it until it stands. */
  weigh(about: number, tell: (event: ScaleEvent) => void, signal: AbortSignal): Promise<void> {
    return this.line.events<ScaleEvent>({ cmd: 'weigh', about }, readScale, tell, signal, () => tell({ type: 'garbled' }));
  }

  fail(how: ScaleFault, after: number): Promise<void> {
    return this.line.arm({ how, after });
  }
}

function readScale(message: Record<string, unknown>): ScaleEvent | null {
  if (message['type'] === 'overload') return { type: 'overload', most: Number(message['most']) };
  if (message['type'] !== 'weight') return null;
  const kg = Number(message['kg']);
  return Number.isFinite(kg) && kg >= 0 ? { type: 'weight', kg, steady: message['steady'] === true } : { type: 'garbled' };
}

const away = (): ProblemException =>
  new ProblemException(503, { code: 'scale-away', message: 'no scale answers', where: 'scale', accepted: 'switch it on, or type the weight in' });
