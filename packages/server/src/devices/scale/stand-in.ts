/** The scale's stand-in: a TCP server that speaks lines of JSON. What lies on it swings and settles; it can be overloaded, and fail on demand. README.md tells the protocol. */
import { createServer, type Server } from 'node:net';
import { seeded } from '@keen/core';
import { onLines, readLine } from '../lines.ts';

/** The display's own step, and the most it bears, kg. */
const STEP_KG = 0.005;
const MOST_KG = 40;
/** Nobody guesses a weight: what lies on it is so far off what was expected, as a share. */
const OFF = 0.12;
/** At first it swings by this share, less at every reading, until it stands. */
const SWING = 0.3;
const SETTLES = 0.45;
const EACH_MS = 110;
const BATTERY_PER_WEIGHING = 0.01;
const BATTERY_LOW = 0.2;

/** drop: the line breaks. silent: nothing more comes. nonsense: a garbled line and a weight below nothing. unsteady: it never stands. */
const FAULTS = ['drop', 'silent', 'nonsense', 'unsteady'] as const;
type How = (typeof FAULTS)[number];
/** What swings for so long is given up. */
const MOST_READINGS = 40;

/** Starts listening on loopback; `port` 0 takes a free one. */
export function startScaleStandIn(port: number): Promise<Server> {
  let battery = 0.23;
  let asked = 0;
  let fault: { readonly how: How; readonly after: number } | null = null;
  const server = createServer((socket) => {
    let timer: NodeJS.Timeout | undefined;
    const say = (message: object): void => void socket.write(`${JSON.stringify(message)}\n`);
    say({ type: 'hello', name: 'scale, stand-in', battery, most: MOST_KG });
    const over = (): void => {
      clearInterval(timer);
      battery = Math.max(0, battery - BATTERY_PER_WEIGHING);
      if (battery < BATTERY_LOW) say({ type: 'battery-low', battery });
      say({ type: 'end', battery });
    };
    const weigh = (about: number): void => {
      const random = seeded(++asked);
      const kg = about * (1 + OFF * (2 * random() - 1));
      let [taken, unsteady] = [0, false];
      clearInterval(timer);
      if (kg > MOST_KG) {
        say({ type: 'overload', most: MOST_KG });
        return over();
      }
      timer = setInterval(() => {
        if (fault && taken >= fault.after) {
          const { how } = fault;
          fault = null;
          if (how === 'drop') return void socket.destroy();
          if (how === 'silent') return clearInterval(timer);
          if (how === 'nonsense') {
            socket.write('{"type":"weight","kg":1.\n');
            say({ type: 'weight', kg: -3, steady: true });
          }
          if (how === 'unsteady') unsteady = true;
        }
        const swing = SWING * (unsteady ? 1 : SETTLES ** taken);
        const shown = Math.max(0, Math.round((kg * (1 + swing * (2 * random() - 1))) / STEP_KG) * STEP_KG);
        const steady = !unsteady && kg * swing < STEP_KG;
        taken++;
        say({ type: 'weight', kg: Math.round(shown * 1e4) / 1e4, steady });
        if (steady || taken >= MOST_READINGS) over();
      }, EACH_MS);
    };
    onLines(socket, (line) => {
      const message = readLine(line);
      if (message?.['cmd'] === 'weigh') {
        const about = Number(message['about']);
        if (!(about > 0 && about <= 1000)) return say({ type: 'error', message: 'that cannot be weighed', accepted: 'about: kilograms, up to 1000' });
        return weigh(about);
      }
      if (message?.['cmd'] === 'stop') return over();
      if (message?.['cmd'] === 'fail') {
        const [how, after] = [message['how'] as How, Number(message['after'])];
        if (!FAULTS.includes(how) || !Number.isInteger(after) || after < 0)
          return say({ type: 'error', message: 'that is no fault', accepted: `how: ${FAULTS.join(', ')}; after a whole number of readings` });
        fault = { how, after };
        return say({ type: 'armed', how, after });
      }
      say({ type: 'error', message: 'not understood', accepted: 'weigh, stop, fail' });
    });
    socket.on('close', () => clearInterval(timer));
    socket.on('error', () => clearInterval(timer));
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}
