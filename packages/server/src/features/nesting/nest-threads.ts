/** One search on a thread of its own. */
import { Worker } from 'node:worker_threads';
import type { Workshop } from '@keen/core';

export interface NestThreadOrder {
  /** A problem as text, in the form of docs/nesting.md. */
  readonly problem: string;
  readonly product: string;
  readonly workshop: Workshop;
  readonly then: 'settings' | 'offcut' | 'handling';
  readonly ms: number;
  readonly seed: number;
  /** The best plan of an earlier start, as text. */
  readonly before: string | null;
}

export type NestThreadWord =
  | { readonly type: 'better'; readonly spentMs: number; readonly plan: string }
  | { readonly type: 'spent'; readonly spentMs: number }
  | { readonly type: 'done'; readonly spentMs: number; readonly plan: string };

export interface NestThread {
  /** Ends it without an answer. */
  drop(): Promise<unknown>;
}

/** In the built server the thread is a file beside this one; from source it needs a loader first. */
function openThread(workerData: NestThreadOrder): Worker {
  if (!import.meta.url.endsWith('.ts')) return new Worker(new URL('./nest.worker.js', import.meta.url), { workerData });
  const file = JSON.stringify(new URL('./nest.worker.ts', import.meta.url).href);
  return new Worker(`import('tsx/esm/api').then(({ register }) => { register(); return import(${file}); })`, { eval: true, workerData });
}

/** Tells every word of the thread in turn; `failed` when it ends without being done. */
export function nestThread(order: NestThreadOrder, hear: (word: NestThreadWord) => void, failed: (why: string) => void): NestThread {
  const worker = openThread(order);
  let over = false;
  worker.on('message', (word: NestThreadWord) => {
    if (over) return;
    over = word.type === 'done';
    hear(word);
    // It has nothing more to say; what it was loaded with may keep it.
    if (word.type === 'done') void worker.terminate();
  });
  const fail = (why: string): void => {
    if (over) return;
    over = true;
    failed(why);
  };
  worker.on('error', (error) => fail(error.message));
  worker.on('exit', (code) => fail(`the search ended early (${code})`));
  return {
    drop: () => {
      over = true;
      return worker.terminate();
    },
  };
}
