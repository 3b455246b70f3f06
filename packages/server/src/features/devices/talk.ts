/** One question to a device over its line, and what it says to it. */
import { connect } from 'node:net';
import { onLines } from '../../devices/lines.ts';
import type { ProblemException } from '../../problems/problem.exception.ts';

/** Nothing for so long means it is gone, though the line is open. */
const SILENT_MS = 2500;

/** How a device was lost before it had settled the question. */
export type Lost = 'dropped' | 'silent';

/** Hears one message; true settles the question. */
export type Hear = (message: Record<string, unknown>) => boolean;

/**
 * Sends one command and hears messages until one settles it; `garbled` is told of lines that are none. Throws what `away`
 * gives when nobody answers the call.
 */
export function talk(
  port: number | undefined,
  command: object | null,
  hear: Hear,
  away: () => ProblemException,
  signal?: AbortSignal,
  garbled: () => void = () => {},
): Promise<Lost> {
  return new Promise((resolve, reject) => {
    if (port === undefined) return reject(away());
    const socket = connect({ host: '127.0.0.1', port });
    let silent = false;
    socket.setTimeout(SILENT_MS);
    socket.once('error', () => reject(away()));
    socket.once('connect', () => command && socket.write(`${JSON.stringify(command)}\n`));
    socket.once('timeout', () => {
      silent = true;
      socket.destroy();
    });
    socket.once('close', () => resolve(silent ? 'silent' : 'dropped'));
    signal?.addEventListener('abort', () => socket.destroy());
    onLines(socket, (text) => {
      let message: Record<string, unknown>;
      try {
        message = JSON.parse(text) as Record<string, unknown>;
      } catch {
        // A garbled line is as good as none: the next one is heard.
        return garbled();
      }
      if (hear(message)) socket.end();
    });
  });
}
