/** The nests of all sheets in use, recomputed in a worker when pieces or stock change. The last answer stays until a better one comes. */
import { sheetJobs, type NestPlan, type SheetJob } from '@keen/core';
import { proxy, wrap, type Remote } from 'comlink';
import { createContext, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned, selectPlan } from '../project/selectors.ts';
import type { Nester } from './nest.worker.ts';

export interface Nest {
  readonly job: SheetJob;
  readonly plan: NestPlan | null;
  /** 0 to 1 while searching; null when it is done or was stopped. */
  readonly progress: number | null;
  /** The plan on show was made for pieces that have changed since. */
  readonly stale: boolean;
}

export interface Nests {
  readonly nests: readonly Nest[];
  readonly searching: boolean;
  readonly stop: () => void;
  readonly searchOn: () => void;
}

const NestContext = createContext<Nests>({ nests: [], searching: false, stop: () => {}, searchOn: () => {} });
export const useNests = (): Nests => useContext(NestContext);

const FIRST_MS = 24;
const SEARCH_MS = 900;
const LONGER_MS = 10_000;

interface Found {
  readonly key: string;
  readonly plan: NestPlan;
}

export function NestProvider({ children }: { readonly children: ReactNode }) {
  const { parts } = useAppSelector(selectPlan);
  const { workshop } = useAppSelector(selectLearned);
  const jobs = useMemo(() => sheetJobs(parts, workshop).map((job) => ({ job, key: JSON.stringify(job.problem) })), [parts, workshop]);
  const [found, setFound] = useState<Readonly<Record<string, Found>>>({});
  const [progress, setProgress] = useState<Readonly<Record<string, number>>>({});
  const [budget, setBudget] = useState(SEARCH_MS);
  const worker = useRef<Remote<Nester> | null>(null);
  const turn = useRef(0);
  const allKeys = jobs.map(({ key }) => key).join();

  useEffect(() => {
    const thread = new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<Nester>(thread);
    return () => thread.terminate();
  }, []);

  useEffect(() => {
    const mine = ++turn.current;
    const run = async (): Promise<void> => {
      const proved = new Set<string>();
      // A short round first: every sheet is shown before any is improved.
      for (const ms of budget === SEARCH_MS ? [FIRST_MS, SEARCH_MS] : [budget]) {
        for (const { job, key } of jobs) {
          if (proved.has(job.product) || (found[job.product]?.key === key && budget === SEARCH_MS)) continue;
          const tell = (plan: NestPlan, share: number): void => {
            if (mine !== turn.current) return;
            setFound((old) => ({ ...old, [job.product]: { key, plan } }));
            if (ms !== FIRST_MS) setProgress((old) => ({ ...old, [job.product]: share }));
          };
          setProgress((old) => ({ ...old, [job.product]: 0 }));
          const last = await worker.current?.nest(job.problem, ms, proxy(tell));
          if (mine !== turn.current) return;
          if (last) setFound((old) => ({ ...old, [job.product]: { key, plan: last } }));
          if (last?.proved) proved.add(job.product);
          if (last?.proved || ms !== FIRST_MS) setProgress(({ [job.product]: _done, ...others }) => others);
        }
      }
      setBudget(SEARCH_MS);
    };
    void run();
    // Jobs are compared by their text: a plan that leaves the pieces as they were starts no search.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [allKeys, budget]);

  const nests = jobs.map(({ job, key }): Nest => {
    const known = found[job.product];
    return { job, plan: known?.plan ?? null, progress: progress[job.product] ?? null, stale: known !== undefined && known.key !== key };
  });
  const stop = (): void => {
    turn.current++;
    void worker.current?.stop();
    setProgress({});
  };
  return (
    <NestContext.Provider value={{ nests, searching: Object.keys(progress).length > 0, stop, searchOn: () => setBudget(LONGER_MS) }}>
      {children}
    </NestContext.Provider>
  );
}

/** Sheets and money over all products; null while a nest is missing. */
export function nestTotals(nests: readonly Nest[]): { sheets: number; cost: number } | null {
  if (nests.some(({ plan }) => plan === null)) return null;
  return nests.reduce((sum, { plan }) => ({ sheets: sum.sheets + plan!.score.sheets, cost: sum.cost + (plan!.score.cost ?? 0) }), { sheets: 0, cost: 0 });
}
