/** The stud scanner's stand-in: a TCP server that speaks lines of JSON, with noise, false echoes and faults on demand. README.md says the protocol. */
import type { Server } from 'node:net';
import { seeded } from '@keen/core';
import { listenLines } from '../lines.ts';
import { levelAt } from './wall.ts';

/** Samples lie so far apart, mm. */
const STEP_MM = 5;
const NOISE = 7;
const LONGEST_MM = 50_000;
/** Each scan takes so much of the battery. */
const BATTERY_PER_SCAN = 0.004;
const BATTERY_LOW = 0.2;

type Fault = { readonly how: 'drop' | 'silent'; readonly at: number };

interface Scan {
  readonly from: number;
  readonly to: number;
  readonly speed: number;
}

/** Starts listening on loopback; `port` 0 takes a free one. */
export function startScannerStandIn(port: number): Promise<Server> {
  let battery = 0.86;
  let scans = 0;
  let fault: Fault | null = null;
  const hello = (): object => ({ name: 'stud scanner, stand-in', battery });
  return listenLines(port, hello, 'scan, stop, fail', ({ say, every, stop, drop }) => {
    const scan = ({ from, to, speed }: Scan): void => {
      const random = seeded(++scans);
      battery = Math.max(0, battery - BATTERY_PER_SCAN);
      const step = to >= from ? STEP_MM : -STEP_MM;
      let at = from;
      // A few samples a tick: timers do not run as fast as a hand moves.
      const each = Math.max(1, Math.round((speed * 0.02) / STEP_MM));
      every(20, () => {
        for (let n = 0; n < each; n++) {
          if (step > 0 ? at > to : at < to) {
            stop();
            if (battery < BATTERY_LOW) say({ type: 'battery-low', battery });
            return say({ type: 'end', battery });
          }
          if (fault && (step > 0 ? at >= fault.at : at <= fault.at)) {
            const { how } = fault;
            fault = null;
            return how === 'drop' ? drop() : stop();
          }
          const level = Math.min(100, Math.max(0, levelAt(at) + NOISE * (random() + random() - 1)));
          say({ type: 'sample', at, level: Math.round(level * 10) / 10 });
          at += step;
        }
      });
    };
    return (message) => {
      switch (message['cmd']) {
        case 'scan': {
          const [from, to, speed] = [message['from'], message['to'], message['speed'] ?? 800].map(Number);
          if (![from, to, speed].every((value) => Number.isFinite(value)) || Math.abs(to! - from!) > LONGEST_MM || speed! <= 0)
            say({ type: 'error', message: 'that is no line', accepted: `from and to in mm, at most ${LONGEST_MM} apart, speed over 0` });
          else scan({ from: from!, to: to!, speed: speed! });
          return true;
        }
        case 'stop':
          stop();
          say({ type: 'end', battery });
          return true;
        case 'fail': {
          const [how, at] = [message['how'], Number(message['at'])];
          if ((how !== 'drop' && how !== 'silent') || !Number.isFinite(at))
            say({ type: 'error', message: 'that is no fault', accepted: 'how: drop or silent, at in mm' });
          else {
            fault = { how, at };
            say({ type: 'armed', how, at });
          }
          return true;
        }
        default:
          return false;
      }
    };
  });
}
