/** One shop set on a thread of its own. */
import type { Json, ProjectFile } from '@keen/core';
import type { PaperId } from '@keen/exchange';
import { openThread } from '../../threads/open-thread.ts';

export interface SetOrder {
  readonly project: ProjectFile;
  readonly units: readonly string[];
  readonly paper: PaperId;
  readonly display: 'in' | 'mm';
  readonly revision: string;
  /** By product, as docs/nesting.md writes a plan. */
  readonly layouts: Readonly<Record<string, Json>>;
}

export type SetWord =
  | { readonly type: 'doing'; readonly done: number; readonly of: number; readonly doing: string }
  | { readonly type: 'done'; readonly pdf: Uint8Array; readonly pages: readonly string[] }
  | { readonly type: 'refused'; readonly problem: { readonly code: string; readonly message: string; readonly where: string; readonly accepted: string } };

/** No set wants more, MB; a thread that does is ended and the server goes on. */
const MAX_MB = 320;
const MAX_MS = 10 * 60_000;

/** Tells every word of the thread; `failed` when it ends without being done. Gives what ends it early. */
export function setThread(order: SetOrder, hear: (word: SetWord) => void, failed: (why: string) => void): () => void {
  const worker = openThread('set', import.meta.url, order, { maxOldGenerationSizeMb: MAX_MB });
  let over = false;
  worker.on('message', (word: SetWord) => {
    if (over) return;
    over = word.type !== 'doing';
    hear(word);
    if (over) void worker.terminate();
  });
  const fail = (why: string): void => {
    if (over) return;
    over = true;
    failed(why);
  };
  const late = setTimeout(() => {
    fail(`it took longer than ${MAX_MS / 60_000} minutes`);
    void worker.terminate();
  }, MAX_MS);
  late.unref();
  worker.once('exit', () => clearTimeout(late));
  worker.on('error', (error) => fail(error.message));
  worker.on('exit', (code) => fail(`it ended early (${code})`));
  return () => {
    over = true;
    void worker.terminate();
  };
}
