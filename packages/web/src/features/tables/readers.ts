/** Reads files of other programs off the main thread, within limits of size and time. */
import { refuse, type Outcome } from '@keen/core';
import type { ReadOutlines } from '@keen/exchange';

/** Larger files are not read into memory. */
const MAX_BYTES = 5_000_000;
const MAX_MS = 20_000;

interface Readers {
  readonly table: string;
  readonly drawing: ReadOutlines;
}
export interface ReaderCall {
  readonly kind: keyof Readers;
  readonly bytes: Uint8Array;
  readonly name: string;
}

/** The text of a table, or the outlines of a drawing. A file that takes too long is refused. */
export async function readForeignFile<K extends keyof Readers>(kind: K, file: File): Promise<Outcome<Readers[K]>> {
  if (file.size > MAX_BYTES) return refuse('too-large', `the file has ${Math.ceil(file.size / 1e6)} MB`, file.name, `at most ${MAX_BYTES / 1e6} MB`);
  const call: ReaderCall = { kind, bytes: new Uint8Array(await file.arrayBuffer()), name: file.name };
  return (await (typeof Worker === 'undefined' ? readHere(call) : readOnThread(call))) as Outcome<Readers[K]>;
}

/** Where there are no workers. */
async function readHere({ kind, bytes, name }: ReaderCall): Promise<Outcome<unknown>> {
  const { tableText, readOutlines } = await import('@keen/exchange');
  return kind === 'table' ? tableText(bytes, name) : readOutlines(bytes, name);
}

function readOnThread(call: ReaderCall): Promise<Outcome<unknown>> {
  const thread = new Worker(new URL('./readers.worker.ts', import.meta.url), { type: 'module' });
  return new Promise<Outcome<unknown>>((done) => {
    const late = setTimeout(() => done(refuse('too-long', `reading it took longer than ${MAX_MS / 1000} s`, call.name, 'a smaller or plainer file')), MAX_MS);
    thread.onmessage = ({ data }: MessageEvent<Outcome<unknown>>) => {
      clearTimeout(late);
      done(data);
    };
    thread.onerror = () => {
      clearTimeout(late);
      done(refuse('away', 'the file could not be read here', call.name, 'once more when the server answers, or a plainer file'));
    };
    thread.postMessage(call, [call.bytes.buffer]);
  }).finally(() => thread.terminate());
}
