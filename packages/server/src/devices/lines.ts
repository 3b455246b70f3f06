/** Lines of JSON over a socket: what the devices and their adapters speak. */
import { createServer, type Server, type Socket } from 'node:net';

/** Calls back for each whole line; a line that never ends closes the connection. */
export function onLines(socket: Socket, each: (line: string) => void, most = 10_000): void {
  let rest = '';
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => {
    rest += chunk;
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    if (rest.length > most) return void socket.destroy();
    for (const line of lines) if (line.trim() !== '') each(line);
  });
}

/** A line as an object; null for anything else. */
export function readLine(line: string): Record<string, unknown> | null {
  try {
    const value: unknown = JSON.parse(line);
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>) : null;
  } catch {
    return null;
  }
}

/** One caller of a stand-in. */
export interface Caller {
  readonly say: (message: object) => void;
  /** As it comes: a garbled line too. */
  readonly raw: (text: string) => void;
  /** Calls back again and again until it is stopped, or the caller is gone; whatever went on before is stopped. */
  readonly every: (ms: number, run: () => void) => void;
  readonly stop: () => void;
  /** The line breaks. */
  readonly drop: () => void;
}

/** A stand-in that fails in some way after so many readings. */
export interface Fault<How extends string> {
  readonly how: How;
  readonly after: number;
}

/** The fault a message asks for, said to be armed; null, with what would be one, where it is none. */
export function faultOf<How extends string>(message: Record<string, unknown>, faults: readonly How[], say: Caller['say']): Fault<How> | null {
  const how = faults.find((each) => each === message['how']);
  const after = Number(message['after']);
  if (how === undefined || !Number.isInteger(after) || after < 0) {
    say({ type: 'error', message: 'that is no fault', accepted: `how: ${faults.join(', ')}; after a whole number of readings` });
    return null;
  }
  say({ type: 'armed', how, after });
  return { how, after };
}

/** A message's command answered; false where it is not understood. */
export type Answer = (message: Record<string, unknown>) => boolean;

/** A stand-in that speaks lines of JSON on loopback: says who it is, answers commands, and what it understands where it does not. `port` 0 takes a free one. */
export function listenLines(port: number, hello: () => object, commands: string, meet: (caller: Caller) => Answer): Promise<Server> {
  const server = createServer((socket) => {
    let timer: NodeJS.Timeout | undefined;
    const stop = (): void => clearInterval(timer);
    const say = (message: object): void => void socket.write(`${JSON.stringify(message)}\n`);
    say({ type: 'hello', ...hello() });
    const answer = meet({
      say,
      raw: (text) => void socket.write(text),
      every: (ms, run) => {
        stop();
        timer = setInterval(run, ms);
      },
      stop,
      drop: () => void socket.destroy(),
    });
    onLines(socket, (line) => {
      const message = readLine(line);
      if (message === null || !answer(message)) say({ type: 'error', message: 'not understood', accepted: commands });
    });
    socket.on('close', stop);
    socket.on('error', stop);
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}
