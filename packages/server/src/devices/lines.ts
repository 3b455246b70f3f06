/** Lines of JSON over a socket: what the devices and their adapters speak. */
import type { Socket } from 'node:net';

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
