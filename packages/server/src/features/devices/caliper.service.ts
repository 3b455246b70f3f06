/** The adapter to a digital caliper: a TCP connection for each sheet that is measured. Where the stand-in listens, a real one could. */
import { Inject, Injectable } from '@nestjs/common';
import { ProblemException } from '../../problems/problem.exception.ts';
import { talk } from './talk.ts';

export const CALIPER_PORT = Symbol('where the caliper listens');

export type CaliperFault = 'drop' | 'silent' | 'nonsense';

export type CaliperEvent =
  | { readonly type: 'reading'; readonly mm: number }
  /** A line that was none, or no number. */
  | { readonly type: 'garbled' }
  | { readonly type: 'battery-low'; readonly battery: number }
  | { readonly type: 'end' }
  /** The caliper was lost: what came before stands. */
  | { readonly type: 'lost'; readonly why: 'dropped' | 'silent' };

@Injectable()
export class CaliperService {
  constructor(@Inject(CALIPER_PORT) private readonly port: number | undefined) {}

  /** Whether a caliper answers, with its name and battery. */
  async status(): Promise<{ name: string; battery: number }> {
    let answer: { name: string; battery: number } | undefined;
    await talk(
      this.port,
      null,
      (message) => {
        if (message['type'] !== 'hello') return false;
        answer = { name: String(message['name']), battery: Number(message['battery']) };
        return true;
      },
      away,
    );
    if (!answer) throw away();
    return answer;
  }

  /** Measures a sheet in some places; each event is told as it comes. Resolves when it is over, however it ended. */
  async measure(nominal: number, places: number, tell: (event: CaliperEvent) => void, signal: AbortSignal): Promise<void> {
    let ended = false;
    const why = await talk(
      this.port,
      { cmd: 'measure', nominal, places },
      (message) => {
        if (message['type'] === 'reading') tell(Number.isFinite(message['mm']) ? { type: 'reading', mm: Number(message['mm']) } : { type: 'garbled' });
        if (message['type'] === 'battery-low') tell({ type: 'battery-low', battery: Number(message['battery']) });
        if (message['type'] === 'end') ended = true;
        return ended;
      },
      away,
      signal,
      () => tell({ type: 'garbled' }),
    );
    if (ended) tell({ type: 'end' });
    else if (!signal.aborted) tell({ type: 'lost', why });
  }

  /** Arms a fault of the stand-in, to see what the product makes of it. */
  async fail(how: CaliperFault, after: number): Promise<void> {
    let armed = false;
    await talk(this.port, { cmd: 'fail', how, after }, (message) => (armed = message['type'] === 'armed'), away);
    if (!armed) throw away();
  }
}

const away = (): ProblemException =>
  new ProblemException(503, { code: 'caliper-away', message: 'no caliper answers', where: 'caliper', accepted: 'switch it on, or type the readings in' });
