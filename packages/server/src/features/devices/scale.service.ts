/** The adapter to a scale: a TCP connection for each weighing. Where the stand-in listens, a real one could. */
import { Inject, Injectable } from '@nestjs/common';
import { ProblemException } from '../../problems/problem.exception.ts';
import { talk } from './talk.ts';

export const SCALE_PORT = Symbol('where the scale listens');

export type ScaleFault = 'drop' | 'silent' | 'nonsense' | 'unsteady';

export type ScaleEvent =
  | { readonly type: 'weight'; readonly kg: number; readonly steady: boolean }
  /** A line that was none, or no weight. */
  | { readonly type: 'garbled' }
  /** More lies on it than it bears, kg. */
  | { readonly type: 'overload'; readonly most: number }
  | { readonly type: 'battery-low'; readonly battery: number }
  | { readonly type: 'end' }
  | { readonly type: 'lost'; readonly why: 'dropped' | 'silent' };

@Injectable()
export class ScaleService {
  constructor(@Inject(SCALE_PORT) private readonly port: number | undefined) {}

  /** Whether a scale answers, with its name and battery. */
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

  /** Weighs what lies on it until it stands; each event is told as it comes. Resolves when it is over, however it ended. */
  async weigh(about: number, tell: (event: ScaleEvent) => void, signal: AbortSignal): Promise<void> {
    let ended = false;
    const why = await talk(
      this.port,
      { cmd: 'weigh', about },
      (message) => {
        if (message['type'] === 'weight') {
          const kg = Number(message['kg']);
          tell(Number.isFinite(kg) && kg >= 0 ? { type: 'weight', kg, steady: message['steady'] === true } : { type: 'garbled' });
        }
        if (message['type'] === 'overload') tell({ type: 'overload', most: Number(message['most']) });
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
  async fail(how: ScaleFault, after: number): Promise<void> {
    let armed = false;
    await talk(this.port, { cmd: 'fail', how, after }, (message) => (armed = message['type'] === 'armed'), away);
    if (!armed) throw away();
  }
}

const away = (): ProblemException =>
  new ProblemException(503, { code: 'scale-away', message: 'no scale answers', where: 'scale', accepted: 'switch it on, or type the weight in' });
