/** The digital caliper's stand-in: a TCP server that speaks lines of JSON, with noise, a battery and faults on demand. README.md says the protocol. */
import type { Server } from 'node:net';
import { seeded } from '@keen/core';
import { type Fault, faultOf, listenLines } from '../lines.ts';

/** Sheets come so much under their name, and differ so much from place to place, mm. */
const UNDER_NAME = 0.012;
const FROM_PLACE_TO_PLACE = 0.06;
/** The display's own step. */
const STEP_MM = 0.01;
/** From one place to the next. */
const EACH_MS = 120;
const MAX_PLACES = 50;
const BATTERY_PER_READING = 0.002;
const BATTERY_LOW = 0.2;

/** drop: the line breaks. silent: nothing more comes. nonsense: a garbled line and a reading of no sheet. */
const FAULTS = ['drop', 'silent', 'nonsense'] as const;
type How = (typeof FAULTS)[number];

/** Starts listening on loopback; `port` 0 takes a free one. */
export function startCaliperStandIn(port: number): Promise<Server> {
  let battery = 0.24;
  let asked = 0;
  let fault: Fault<How> | null = null;
  const hello = (): object => ({ name: 'digital caliper, stand-in', battery });
  return listenLines(port, hello, 'measure, stop, fail', ({ say, raw, every, stop, drop }) => {
    const measure = (nominal: number, places: number): void => {
      const random = seeded(++asked);
      const middle = nominal * (1 - UNDER_NAME);
      let taken = 0;
      every(EACH_MS, () => {
        if (taken >= places) {
          stop();
          if (battery < BATTERY_LOW) say({ type: 'battery-low', battery });
          return say({ type: 'end', battery });
        }
        if (fault && taken >= fault.after) {
          const { how } = fault;
          fault = null;
          if (how === 'drop') return drop();
          if (how === 'silent') return stop();
          raw('{"type":"reading","mm":17.\n');
          say({ type: 'reading', mm: 0 });
        }
        const mm = middle + FROM_PLACE_TO_PLACE * (random() + random() - 1);
        battery = Math.max(0, battery - BATTERY_PER_READING);
        taken++;
        say({ type: 'reading', mm: Math.round(mm / STEP_MM) * STEP_MM });
      });
    };
    return (message) => {
      const [nominal, places] = [Number(message['nominal']), Number(message['places'])];
      switch (message['cmd']) {
        case 'measure':
          if (nominal > 0 && nominal <= 150 && Number.isInteger(places) && places >= 1 && places <= MAX_PLACES) measure(nominal, places);
          else say({ type: 'error', message: 'that cannot be measured', accepted: `nominal up to 150 mm, 1 to ${MAX_PLACES} places` });
          return true;
        case 'stop':
          stop();
          say({ type: 'end', battery });
          return true;
        case 'fail':
          fault = faultOf(message, FAULTS, say) ?? fault;
          return true;
        default:
          return false;
      }
    };
  });
}
