/** Work on a thread of its own. In the built server the thread is a file beside this one; from source it needs a loader first. */
import { Worker, type ResourceLimits } from 'node:worker_threads';

/** `name` is the worker's: 'nest' runs `nest.worker`, that stands beside the file whose address is `beside`. */
export function openThread(name: string, beside: string, workerData: unknown, resourceLimits: ResourceLimits = {}): Worker {
  if (!import.meta.url.endsWith('.ts')) return new Worker(new URL(`./${name}.worker.js`, import.meta.url), { workerData, resourceLimits });
  const file = JSON.stringify(new URL(`./${name}.worker.ts`, beside).href);
  return new Worker(`import('tsx/esm/api').then(({ register }) => { register(); return import(${file}); })`, { eval: true, workerData, resourceLimits });
}
