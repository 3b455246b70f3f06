/** Requests the simulation of all chains from the worker; only the newest request counts. */
import type { ToleranceChain, FitRun } from '@keen/core';
import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Goer } from './fit.worker.ts';

const RUNS = 4000;
const SEED = 20_261;

export function useFit(chains: readonly ToleranceChain[]): ReadonlyMap<string, FitRun> {
  const [runs, setRuns] = useState<ReadonlyMap<string, FitRun>>(new Map());
  const worker = useRef<Remote<Goer> | null>(null);
  useEffect(() => {
    const thread = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<Goer>(thread);
    return () => thread.terminate();
  }, []);
  useEffect(() => {
    let stale = false;
    void worker.current?.run(chains, RUNS, SEED).then((found) => {
      if (!stale) setRuns(new Map(found.map((run, index) => [chains[index]!.id, run])));
    });
    return () => {
      stale = true;
    };
  }, [chains]);
  return runs;
}
