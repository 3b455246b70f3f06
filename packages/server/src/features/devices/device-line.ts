/** What the adapters to devices have in common: a question over the device's own line, told as it is answered, and how that ended. */
import type { ProblemException } from '../../problems/problem.exception.ts';
import { talk } from './talk.ts';

/** What every device says beside its readings. */
export type DeviceEvent =
  | { readonly type: 'battery-low'; readonly battery: number }
  | { readonly type: 'end' }
  /** The device was lost: what came before stands. */
  | { readonly type: 'lost'; readonly why: 'dropped' | 'silent' };

/** A line that was none, or no reading. */
export interface Garbled {
  readonly type: 'garbled';
}

type Message = Record<string, unknown>;

export class DeviceLine {
  constructor(
    private readonly port: number | undefined,
    /** What is said where no device answers. */
    private readonly away: () => ProblemException,
  ) {}

  /** Whether it answers, with its name and battery. */
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
      this.away,
    );
    if (!answer) throw this.away();
    return answer;
  }

  /**
   * Sends a command and says each event as it comes; `read` makes one of a message of this device, null where it is none of its own.
   * Resolves when it is over, however it ended.
   */
  async events<E>(
    command: object,
    read: (message: Message) => E | null,
    tell: (event: E | DeviceEvent) => void,
    signal: AbortSignal,
    garbled: () => void = () => {},
  ): Promise<void> {
    let ended = false;
    const why = await talk(
      this.port,
      command,
      (message) => {
        const own = read(message);
        if (own !== null) tell(own);
        if (message['type'] === 'battery-low') tell({ type: 'battery-low', battery: Number(message['battery']) });
        if (message['type'] === 'end') ended = true;
        return ended;
      },
      this.away,
      signal,
      garbled,
    );
    if (ended) tell({ type: 'end' });
    else if (!signal.aborted) tell({ type: 'lost', why });
  }

  /** Arms a fault of a stand-in, to see what the product makes of it. */
  async arm(fault: object): Promise<void> {
    let armed = false;
    await talk(this.port, { cmd: 'fail', ...fault }, (message) => (armed = message['type'] === 'armed'), this.away);
    if (!armed) throw this.away();
  }
}
