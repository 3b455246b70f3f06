/** The scale's stand-in: a TCP server that speaks lines of JSON. What lies on it swings and settles; it can be overloaded, and fail on demand. README.md says the protocol. */
import type { Server } from 'node:net';
import { seeded } from '@keen/core';
import { type Fault, faultOf, listenLines } from '../lines.ts';

/** The display's own step, and the most it bears, kg. */
const STEP_KG = 0.005;
const MAX_KG = 40;
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
const MAX_READINGS = 40;

/** Starts listening on loopback; `port` 0 takes a free one. */
export function startScaleStandIn(port: number): Promise<Server> {
  let battery = 0.23;
  let asked = 0;
  let fault: Fault<How> | null = null;
  const hello = (): object => ({ name: 'scale, stand-in', battery, most: MAX_KG });
  return listenLines(port, hello, 'weigh, stop, fail', ({ say, raw, every, stop, drop }) => {
    const over = (): void => {
      stop();
      battery = Math.max(0, battery - BATTERY_PER_WEIGHING);
      if (battery < BATTERY_LOW) say({ type: 'battery-low', battery });
      say({ type: 'end', battery });
    };
    const weigh = (about: number): void => {
      const random = seeded(++asked);
      const kg = about * (1 + OFF * (2 * random() - 1));
      let [taken, unsteady] = [0, false];
      if (kg > MAX_KG) {
        say({ type: 'overload', most: MAX_KG });
        return over();
      }
      every(EACH_MS, () => {
        if (fault && taken >= fault.after) {
          const { how } = fault;
          fault = null;
          if (how === 'drop') return drop();
          if (how === 'silent') return stop();
          if (how === 'nonsense') {
            raw('{"type":"weight","kg":1.\n');
            say({ type: 'weight', kg: -3, steady: true });
          }
          if (how === 'unsteady') unsteady = true;
        }
        const swing = SWING * (unsteady ? 1 : SETTLES ** taken);
        const shown = Math.max(0, Math.round((kg * (1 + swing * (2 * random() - 1))) / STEP_KG) * STEP_KG);
        const steady = !unsteady && kg * swing < STEP_KG;
        taken++;
        say({ type: 'weight', kg: Math.round(shown * 1e4) / 1e4, steady });
        if (steady || taken >= MAX_READINGS) over();
      });
    };
    return (message) => {
      const about = Number(message['about']);
      switch (message['cmd']) {
        case 'weigh':
          if (about > 0 && about <= 1000) weigh(about);
          else say({ type: 'error', message: 'that cannot be weighed', accepted: 'about: kilograms, up to 1000' });
          return true;
        case 'stop':
          over();
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
