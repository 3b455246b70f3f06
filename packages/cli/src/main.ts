/**
 * Starts the command; `performance.timeOrigin` includes start-up in the time allowed. Commands that open files of other programs run on a thread with time
 * and memory limits, because such a file may be damaged or hostile.
 */
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { print } from './shell.ts';

const READERS = new Set(['validate', 'convert', 'import']);
const MAX_MS = 20_000;
const MAX_MB = 512;

interface Call {
  readonly args: readonly string[];
  readonly started: number;
}

const call: Call = isMainThread ? { args: process.argv.slice(2), started: performance.timeOrigin } : (workerData as Call);
if (!isMainThread) parentPort!.postMessage(await command(call));
else process.exitCode = READERS.has(call.args[0] ?? '') ? await onThread(call) : await command(call);

/** Each command loads what it needs. */
async function command({ args, started }: Call): Promise<number> {
  if (args[0] === 'nest') return (await import('./nest.ts')).runNest(args.slice(1), started);
  return (await import('./keen.ts')).run(args);
}

function onThread(workerData: Call): Promise<number> {
  const worker = new Worker(new URL(import.meta.url), { workerData, resourceLimits: { maxOldGenerationSizeMb: MAX_MB } });
  return new Promise((done) => {
    const refused = (message: string): void => {
      print(2, `${JSON.stringify({ error: { code: 'limits', message, where: 'file', accepted: 'a smaller or plainer file' } })}\n`);
      done(1);
    };
    const late = setTimeout(() => {
      worker.removeAllListeners();
      void worker.terminate();
      refused(`reading it took longer than ${MAX_MS / 1000} s and was stopped`);
    }, MAX_MS);
    worker.once('message', (code: number) => {
      clearTimeout(late);
      done(code);
    });
    worker.once('error', (error: Error & { code?: string }) => {
      clearTimeout(late);
      if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') return refused(`reading it needs more than ${MAX_MB} MB of memory`);
      throw error;
    });
  });
}
