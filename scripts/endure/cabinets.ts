/** Random cabinets by the thousand through plan, words and exports: what packages/exchange/src/every-cabinet.test.ts does to a few. */
import { availableParallelism } from 'node:os';
import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { randomProject } from '../../packages/core/src/test/random-project.ts';
import { faultsOf } from '../../packages/exchange/src/test/sweep-project.ts';

/** One in so many is also printed and made into solids. */
const WHOLE_EACH = 50;
const CHANGED = [0.1, 0.3, 0.6];

interface Share {
  readonly from: number;
  readonly to: number;
}
interface Found {
  readonly faults: readonly (readonly [fault: string, seed: number, times: number])[];
}

/** @returns whether nothing was wrong with any of `count` cabinets, from the seed `first` on */
export async function cabinets(count: number, first = 1): Promise<boolean> {
  const startedMs = performance.now();
  const threads = availableParallelism();
  const each = Math.ceil(count / threads);
  const shares = Array.from({ length: threads }, (_, n): Share => ({ from: first + n * each, to: Math.min(first + count, first + (n + 1) * each) }));
  const all = new Map<string, { seed: number; times: number }>();
  for (const { faults } of await Promise.all(shares.map(inProcess)))
    for (const [fault, seed, times] of faults) all.set(fault, { seed: all.get(fault)?.seed ?? seed, times: (all.get(fault)?.times ?? 0) + times });
  console.log(`${count} cabinets in ${((performance.now() - startedMs) / 1000).toFixed(0)} s: ${all.size} kinds of fault`);
  for (const [fault, { seed, times }] of [...all].sort((a, b) => b[1].times - a[1].times)) console.log(`  ${times} times, first with seed ${seed}: ${fault}`);
  return all.size === 0;
}

const inProcess = (share: Share): Promise<Found> =>
  new Promise((done, failed) => {
    const child = fork(fileURLToPath(import.meta.url), [], { execArgv: ['--import', 'tsx'] });
    child.once('message', (found) => done(found as Found));
    child.once('error', failed);
    child.once('exit', (code) => failed(new Error(`a share ended with ${code}`)));
    child.send(share);
  });

async function run({ from, to }: Share): Promise<Found> {
  const found = new Map<string, { seed: number; times: number }>();
  for (let seed = from; seed < to; seed++) {
    const isWhole = seed % WHOLE_EACH === 0;
    const project = randomProject(seed, { changed: CHANGED[seed % CHANGED.length]! });
    for (const fault of await faultsOf(project, { prints: isWhole, solids: isWhole })) {
      // Faults that differ in numbers alone are one kind.
      const kind = fault.replace(/\d+(\.\d+)?/g, '#').slice(0, 200);
      const known = found.get(kind);
      found.set(kind, { seed: known?.seed ?? seed, times: (known?.times ?? 0) + 1 });
    }
  }
  return { faults: [...found].map(([fault, { seed, times }]) => [fault, seed, times] as const) };
}

if (process.send) process.once('message', (share) => void run(share as Share).then((found) => process.send!(found, () => process.exit(0))));
