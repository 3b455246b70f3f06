/** One search on a thread of its own. */
import type { Workshop } from '@keen/core';
import { openThread } from '../../threads/open-thread.ts';

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

/** Tells every word of the thread in turn; `failed` when it ends without being done. */
export function nestThread(order: NestThreadOrder, hear: (word: NestThreadWord) => void, failed: (why: string) => void): NestThread {
  const worker = openThread('nest', import.meta.url, order);
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
