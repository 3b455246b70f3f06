/** Shared by every command: input, output, and refusals. Loads no more of the core, so that a command starts fast. */
import { readFileSync, writeSync } from 'node:fs';
import { Refusal, type Outcome, type Problem } from '@keen/core/nesting';

export function readBytes(file: string): Buffer {
  try {
    return readFileSync(file);
  } catch (error) {
    throw new Refusal('file', `'${file}' cannot be read: ${codeOf(error)}`, file, 'a file that exists and may be read');
  }
}

export const readText = (file: string): string => readBytes(file).toString('utf8');

export const codeOf = (error: unknown): string => (error as NodeJS.ErrnoException).code ?? 'unknown';

export function unwrap<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  const { code, message, where, accepted } = outcome.problem;
  throw new Refusal(code, message, where, accepted);
}

export const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** Prints a command's answer or refusal; returns the process's exit code. */
export async function answered(answer: () => string | Uint8Array | Promise<string | Uint8Array>): Promise<number> {
  try {
    print(1, await answer());
    return 0;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    print(2, `${JSON.stringify({ error: error.problem satisfies Problem })}\n`);
    return 1;
  }
}

/** Waits until everything is written, also into a slow pipe. */
export function print(to: 1 | 2, content: string | Uint8Array): void {
  const bytes = typeof content === 'string' ? Buffer.from(content) : content;
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(to, bytes, at);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EPIPE') return;
      if ((error as NodeJS.ErrnoException).code !== 'EAGAIN') throw error;
    }
  }
}
