/** The adapter to a stud scanner: a TCP connection for each scan. Where the stand-in listens, a real one could. */
import { Inject, Injectable } from '@nestjs/common';
import { ProblemException } from '../../problems/problem.exception.ts';
import { talk, type Hear, type Lost } from './talk.ts';

export const SCANNER_PORT = Symbol('where the scanner listens');

export type ScanEvent =
  | { readonly type: 'sample'; readonly at: number; readonly level: number }
  | { readonly type: 'battery-low'; readonly battery: number }
  | { readonly type: 'end' }
  /** The scanner was lost: what came before stands. */
  | { readonly type: 'lost'; readonly why: 'dropped' | 'silent' };

export interface ScanLine {
  readonly from: number;
  readonly to: number;
  readonly up: number;
  readonly speed: number;
}

@Injectable()
export class ScannerService {
  constructor(@Inject(SCANNER_PORT) private readonly port: number | undefined) {}

  /** Whether a scanner answers, with its name and battery. */
  async status(): Promise<{ name: string; battery: number }> {
    let answer: { name: string; battery: number } | undefined;
    await this.talk(null, (message) => {
      if (message['type'] !== 'hello') return false;
      answer = { name: String(message['name']), battery: Number(message['battery']) };
      return true;
    });
    if (!answer) throw away();
    return answer;
  }

  /** Scans a line; each event is told as it comes. Resolves when it is over, however it ended. */
  async scan(line: ScanLine, tell: (event: ScanEvent) => void, signal: AbortSignal): Promise<void> {
    let ended = false;
    const why = await this.talk(
      { cmd: 'scan', ...line },
      (message) => {
        if (message['type'] === 'sample') tell({ type: 'sample', at: Number(message['at']), level: Number(message['level']) });
        if (message['type'] === 'battery-low') tell({ type: 'battery-low', battery: Number(message['battery']) });
        if (message['type'] === 'end') ended = true;
        return ended;
      },
      signal,
    );
    if (ended) tell({ type: 'end' });
    else if (!signal.aborted) tell({ type: 'lost', why });
  }

  /** Arms a fault of the stand-in, to see what the product makes of it. */
  async fail(how: 'drop' | 'silent', at: number): Promise<void> {
    let armed = false;
    await this.talk({ cmd: 'fail', how, at }, (message) => (armed = message['type'] === 'armed'));
    if (!armed) throw away();
  }

  private readonly talk = (command: object | null, hear: Hear, signal?: AbortSignal): Promise<Lost> => talk(this.port, command, hear, away, signal);
}

const away = (): ProblemException =>
  new ProblemException(503, { code: 'scanner-away', message: 'no stud scanner answers', where: 'scanner', accepted: 'switch it on, or type the studs in' });
