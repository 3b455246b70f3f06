/** The thread a search runs on. It steps back for whoever answers requests: its priority is lower, and it breathes between chunks. */
import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { parentPort, workerData } from 'node:worker_threads';
import { isBetterPlan, readNestPlan, readNestProblem, runNest, writeNestPlan, type NestPlan } from '@keen/core';
import type { NestThreadOrder, NestThreadWord } from './nest-threads.ts';

/** As nice as a search is to everything else here. */
const NICENESS = 10;
const TELL_EVERY_MS = 1000;

const { problem: text, product, workshop, then, ms, seed, before } = workerData as NestThreadOrder;
const tell = (word: NestThreadWord): void => parentPort!.postMessage(word);

/** On Linux a thread has a priority of its own; elsewhere it keeps that of the server. */
function stepBack(): void {
  try {
    setPriority(Number(/\d+$/.exec(readlinkSync('/proc/thread-self'))![0]), NICENESS);
  } catch {
    // Everything still works, only less politely.
  }
}

stepBack();
const started = performance.now();
const problem = readNestProblem(JSON.parse(text));
let best = before === null ? null : readNestPlan(JSON.parse(before));
const written = (plan: NestPlan): string => JSON.stringify(writeNestPlan(plan, (performance.now() - started) / 1000));

let told = performance.now();
const plan = await runNest(
  { job: { product, problem }, workshop, then },
  {
    ms,
    seed,
    clock: { now: () => performance.now(), pause: () => new Promise((resolve) => setImmediate(resolve)) },
    onBetter: (next) => {
      if (best && !isBetterPlan(next, best)) return;
      best = next;
      tell({ type: 'better', spentMs: Math.round(performance.now() - started), plan: written(next) });
    },
    onChunk: () => {
      if (performance.now() - told < TELL_EVERY_MS) return;
      told = performance.now();
      tell({ type: 'spent', spentMs: Math.round(told - started) });
    },
  },
);
// As good by sheets and cost: the last one is better to cut.
const last = plan && (!best || !isBetterPlan(best, plan)) ? plan : best!;
tell({ type: 'done', spentMs: Math.round(performance.now() - started), plan: written(last) });
