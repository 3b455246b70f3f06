/** The digital caliper's stand-in: a TCP server that speaks lines of JSON, with noise, a battery and faults on demand. README.md tells the protocol. */
import { createServer, type Server } from 'node:net';
import { seeded } from '@keen/core';
import { onLines, readLine } from '../lines.ts';

/** Sheets come so much under their name, and differ so much from place to place, mm. */
const UNDER_NAME = 0.012;
const FROM_PLACE_TO_PLACE = 0.06;
/** The display's own step. */
const STEP_MM = 0.01;
/** From one place to the next. */
const EACH_MS = 120;
const MOST_PLACES = 50;
const BATTERY_PER_READING = 0.002;
const BATTERY_LOW = 0.2;

/** drop: the line breaks. silent: nothing more comes. nonsense: a garbled line and a reading of no sheet. */
const FAULTS = ['drop', 'silent', 'nonsense'] as const;
type How = (typeof FAULTS)[number];

/** Starts listening on loopback; `port` 0 takes a free one. */
export function startCaliperStandIn(port: number): Promise<Server> {
  let battery = 0.24;
  let asked = 0;
  let fault: { readonly how: How; readonly after: number } | null = null;
  const server = createServer((socket) => {
    let timer: NodeJS.Timeout | undefined;
    const say = (message: object): void => void socket.write(`${JSON.stringify(message)}\n`);
    say({ type: 'hello', name: 'digital caliper, stand-in', battery });
    const measure = (nominal: number, places: number): void => {
      const random = seeded(++asked);
      const middle = nominal * (1 - UNDER_NAME);
      let taken = 0;
      clearInterval(timer);
      timer = setInterval(() => {
        if (taken >= places) {
          clearInterval(timer);
          if (battery < BATTERY_LOW) say({ type: 'battery-low', battery });
          return say({ type: 'end', battery });
        }
        if (fault && taken >= fault.after) {
          const { how } = fault;
          fault = null;
          if (how === 'drop') return void socket.destroy();
          if (how === 'silent') return clearInterval(timer);
          socket.write('{"type":"reading","mm":17.\n');
          say({ type: 'reading', mm: 0 });
        }
        const mm = middle + FROM_PLACE_TO_PLACE * (random() + random() - 1);
        battery = Math.max(0, battery - BATTERY_PER_READING);
        taken++;
        say({ type: 'reading', mm: Math.round(mm / STEP_MM) * STEP_MM });
      }, EACH_MS);
    };
    onLines(socket, (line) => {
      const message = readLine(line);
      if (message?.['cmd'] === 'measure') {
        const [nominal, places] = [Number(message['nominal']), Number(message['places'])];
        if (!(nominal > 0 && nominal <= 150) || !Number.isInteger(places) || places < 1 || places > MOST_PLACES)
          return say({ type: 'error', message: 'that cannot be measured', accepted: `nominal up to 150 mm, 1 to ${MOST_PLACES} places` });
        return measure(nominal, places);
      }
      if (message?.['cmd'] === 'stop') {
        clearInterval(timer);
        return say({ type: 'end', battery });
      }
      if (message?.['cmd'] === 'fail') {
        const [how, after] = [message['how'] as How, Number(message['after'])];
        if (!FAULTS.includes(how) || !Number.isInteger(after) || after < 0)
          return say({ type: 'error', message: 'that is no fault', accepted: `how: ${FAULTS.join(', ')}; after a whole number of readings` });
        fault = { how, after };
        return say({ type: 'armed', how, after });
      }
      say({ type: 'error', message: 'not understood', accepted: 'measure, stop, fail' });
    });
    socket.on('close', () => clearInterval(timer));
    socket.on('error', () => clearInterval(timer));
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}
