/** The pool of threads for heavy work: capped, queued, limited in time and memory, stopped with the request that asked. */
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import type { Outcome } from '@keen/core';
import type { Response } from 'express';
import { Piscina } from 'piscina';
import { ProblemException } from '../problems/problem.exception.ts';
import { Slots } from './slots.ts';
import type { OrderOf, ResultOf, TaskName } from './tasks.ts';

/** One core stays with the requests. */
const MAX_THREADS = Math.max(1, Math.min(4, availableParallelism() - 1));
const MAX_WAITING = 64;
/** Of a thread's own heap; archives and pictures lie outside it and have limits of their own. */
const MAX_HEAP_MB = 512;
/** Threads that have nothing to do end after this time. */
const IDLE_MS = 30_000;

/** Seconds a task may take once it runs. */
const MAX_SECONDS: Readonly<Record<TaskName, number>> = { labelSheet: 60, labelRoll: 60, truePrint: 120, packBundle: 120, openFile: 20, writeFile: 20 };

/** Thrown at whoever waits when a task was stopped because nobody wants its result any more. */
export class Stopped extends Error {}

@Injectable()
export class HeavyWorkService implements BeforeApplicationShutdown {
  /** A task's time begins when a thread is free for it. */
  private readonly slots = new Slots(MAX_THREADS, MAX_WAITING, 'prints and files');
  private readonly pool = new Piscina({
    filename: ownThread(),
    minThreads: 0,
    maxThreads: MAX_THREADS,
    idleTimeout: IDLE_MS,
    // A thread steps back for the requests: on Linux each has a priority of its own.
    niceIncrement: 5,
    resourceLimits: { maxOldGenerationSizeMb: MAX_HEAP_MB },
  });

  async beforeApplicationShutdown(): Promise<void> {
    await this.pool.destroy();
  }

  /**
   * Runs a task and gives its result. `until` is the answer somebody waits for: when it closes early the task is stopped.
   * @throws ProblemException with what was wrong with the order; 503 when too many wait; 422 when a limit was passed
   */
  async run<N extends TaskName>(name: N, order: OrderOf<N>, until: Response | null): Promise<ResultOf<N>> {
    const stop = new AbortController();
    const gone = (): void => stop.abort();
    until?.once('close', gone);
    try {
      const outcome = await this.slots.take(async () => {
        if (stop.signal.aborted || until?.destroyed) throw new Stopped();
        const late = AbortSignal.timeout(MAX_SECONDS[name] * 1000);
        const running = this.pool.run(order, { name, signal: AbortSignal.any([stop.signal, late]) }) as Promise<Outcome<ResultOf<N>>>;
        return running.catch((error: unknown) => {
          throw late.aborted ? tooLong(name) : error;
        });
      });
      if (!outcome.ok) throw new ProblemException(outcome.problem.code === 'too-large' ? 413 : 400, outcome.problem);
      return outcome.value;
    } catch (error) {
      throw stop.signal.aborted ? new Stopped() : asProblem(error, name);
    } finally {
      until?.off('close', gone);
    }
  }
}

/** In the built server the thread is a file beside this one; from source it needs a loader first. */
const ownThread = (): string => fileURLToPath(new URL(import.meta.url.endsWith('.ts') ? './from-source.mjs' : './heavy.worker.js', import.meta.url));

const tooLong = (name: TaskName): ProblemException =>
  new ProblemException(422, {
    code: 'too-long',
    message: `this took longer than ${MAX_SECONDS[name]} s and was stopped`,
    where: name,
    accepted: 'fewer cabinets or labels at a time, or a smaller file',
  });

function asProblem(error: unknown, name: TaskName): unknown {
  // The server is about to end, and its threads with it.
  if (error instanceof Error && /Terminating worker thread/.test(error.message)) return new Stopped();
  const code = (error as { code?: string } | null)?.code;
  if (code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new ProblemException(422, {
      code: 'too-much',
      message: `this needs more than ${MAX_HEAP_MB} MB of memory`,
      where: name,
      accepted: 'fewer cabinets or labels at a time, or a smaller file',
    });
  return error;
}
