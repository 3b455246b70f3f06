/**
 * Nests of all sheets in use, recomputed in a worker when pieces or stock change. The last answer stays until a better one comes. A layout whose first cut
 * is made is settled: it is kept, and the rest is laid out again on request.
 */
import {
  isNewSheet,
  asPlan,
  shopFacts,
  isBetterPlan,
  isOutOfDate,
  jobOverTheRest,
  keptLayout,
  layoutOf,
  progressOf,
  sheetJobs,
  textKey,
  type NestOrder,
  type NestPlan,
  type Progress,
  type SheetJob,
  type Workshop,
} from '@keen/core';
import { proxy, wrap, type Remote } from 'comlink';
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectLearned, selectOpen, selectPlan } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { useServerSearch, type ServerSearch } from './useServerSearch.ts';
import type { Nester, WayFigures } from './nest.worker.ts';

export interface Nest {
  readonly job: SheetJob;
  readonly plan: NestPlan | null;
  /** 0 to 1 while searching; null when done or stopped. */
  readonly progress: number | null;
  /** The shown plan was made for pieces that changed since. */
  readonly stale: boolean;
  /** Cutting progress; null before the first cut. */
  readonly cut: Progress | null;
  /** Key of its pieces; null where the layout is settled. */
  readonly key: string | null;
}

export interface Nests {
  readonly nests: readonly Nest[];
  readonly searching: boolean;
  readonly server: NestSearches;
  readonly stop: () => void;
  readonly searchOn: () => void;
  /** Lays out the remaining parts on the remaining stock, and keeps that. */
  readonly layAgain: (product: string) => Promise<void>;
  /** Results of other ways of cutting. */
  /** Results of jobs outside the project; null where another question came. */
  readonly figures: (jobs: readonly SheetJob[], workshop: Workshop) => Promise<WayFigures | null>;
  readonly compare: (first: 'any' | 'rip' | 'crosscut' | 'breakdown') => Promise<WayFigures | null>;
}

/** Server searches by nest. */
interface NestSearches {
  readonly searches: readonly ServerSearch[];
  readonly ask: (nest: Nest, seconds: number) => Promise<void>;
  readonly stop: (id: string) => Promise<void>;
}

const nothing = (): Promise<void> => Promise.resolve();

const NestContext = createContext<Nests>({
  nests: [],
  searching: false,
  server: { searches: [], ask: nothing, stop: nothing },
  stop: () => {},
  searchOn: () => {},
  layAgain: nothing,
  figures: () => Promise.resolve(null),
  compare: () => Promise.resolve(null),
});
export const useNests = (): Nests => useContext(NestContext);

const FIRST_MS = 24;
const SEARCH_MS = 900;
const LONGER_MS = 10_000;
/** Per job of a question: only counts, not the layout that is best to cut. */
const WHAT_IF_MS = 350;

interface Found {
  readonly key: string;
  /** Its job: an outdated plan is drawn on the sheets it was made for. */
  readonly job: SheetJob;
  readonly plan: NestPlan;
}

const newThread = (): Worker => new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' });

/** A separate worker, so that the current search continues. */
export async function inOwnThread<T>(ask: (worker: Remote<Nester>) => Promise<T>): Promise<T> {
  const thread = newThread();
  try {
    return await ask(wrap<Nester>(thread));
  } finally {
    thread.terminate();
  }
}

export function NestProvider({ children }: { readonly children: ReactNode }) {
  const { parts } = useAppSelector(selectPlan);
  const { workshop } = useAppSelector(selectLearned);
  const { id, design, record } = useAppSelector(selectOpen);
  const { cutting, layouts, pins } = design;
  const { apply } = useEdit();
  const finished = useMemo(() => shopFacts(record).finished, [record]);
  const all = useMemo(() => sheetJobs(parts, workshop, { cutting, finished, pins }), [parts, workshop, cutting, finished, pins]);
  const settled = useMemo(
    () =>
      all.map((job) => {
        const layout = layoutOf({ layouts }, job.product);
        return { job, cut: layout ? progressOf(layout, record, workshop) : null };
      }),
    [all, layouts, record, workshop],
  );
  const open = useMemo(
    () => settled.filter(({ cut }) => !cut).map(({ job }) => ({ job, key: textKey([cutting.then, JSON.stringify(job.problem)]) })),
    [settled, cutting.then],
  );
  const [found, setFound] = useState<Readonly<Record<string, Found>>>({});
  const [progress, setProgress] = useState<Readonly<Record<string, number>>>({});
  const [budget, setBudget] = useState(SEARCH_MS);
  const worker = useRef<Remote<Nester> | null>(null);
  const turn = useRef(0);
  /** A plan replaces one for other pieces, and one that is no better. */
  const offer = useCallback(
    (job: SheetJob, key: string, plan: NestPlan): void =>
      setFound((old) => {
        const before = old[job.product];
        return before?.key === key && isBetterPlan(before.plan, plan) ? old : { ...old, [job.product]: { key, job, plan } };
      }),
    [],
  );
  const {
    searches,
    ask,
    stop: stopSearch,
  } = useServerSearch(id, (search, plan) => {
    const asked = open.find(({ job, key }) => job.product === search.product && key === search.key);
    if (asked) offer(asked.job, asked.key, plan);
  });
  const allKeys = open.map(({ key }) => key).join();

  useEffect(() => {
    const thread = newThread();
    worker.current = wrap<Nester>(thread);
    return () => thread.terminate();
  }, []);

  useEffect(() => {
    const mine = ++turn.current;
    const run = async (): Promise<void> => {
      // A short round first: every sheet is shown before any is improved. Proved ones are still improved for cutting.
      for (const ms of budget === SEARCH_MS ? [FIRST_MS, SEARCH_MS] : [budget]) {
        for (const { job, key } of open) {
          if (found[job.product]?.key === key && budget === SEARCH_MS) continue;
          const tell = (plan: NestPlan, share: number): void => {
            if (mine !== turn.current) return;
            offer(job, key, plan);
            if (ms !== FIRST_MS) setProgress((old) => ({ ...old, [job.product]: share }));
          };
          setProgress((old) => ({ ...old, [job.product]: 0 }));
          const last = await worker.current?.nest({ job, workshop, then: cutting.then }, ms, proxy(tell));
          if (mine !== turn.current) return;
          if (last) offer(job, key, last);
          if (ms !== FIRST_MS) setProgress(({ [job.product]: _done, ...others }) => others);
        }
      }
      setBudget(SEARCH_MS);
    };
    void run();
    // Jobs are compared by their text: a plan that leaves the pieces as they were starts no search.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [allKeys, budget]);

  const keys = new Map(open.map(({ job, key }) => [job.product, key]));
  const nests = settled.map(({ job, cut }): Nest => {
    if (cut) return { ...asPlan(job, cut.layout, workshop), progress: null, stale: isOutOfDate(job, cut), cut, key: null };
    const known = found[job.product];
    const key = keys.get(job.product) ?? null;
    return {
      job: known?.job ?? job,
      plan: known?.plan ?? null,
      progress: progress[job.product] ?? null,
      stale: known !== undefined && known.key !== key,
      cut,
      key,
    };
  });
  const stop = (): void => {
    turn.current++;
    void worker.current?.stop();
    setProgress({});
  };
  const askServer = useCallback(
    async ({ job: { product } }: Nest, seconds: number): Promise<void> => {
      const asked = open.find(({ job }) => job.product === product);
      if (asked) await ask({ product, key: asked.key, problem: asked.job.problem, then: cutting.then }, seconds);
    },
    [ask, open, cutting.then],
  );
  const layAgain = useCallback(
    async (product: string): Promise<void> => {
      const here = settled.find(({ job }) => job.product === product);
      if (!here?.cut) return;
      const job = jobOverTheRest(here.job, here.cut, workshop);
      const plan = await inOwnThread((worker) =>
        worker.nest(
          { job, workshop, then: cutting.then },
          SEARCH_MS,
          proxy(() => {}),
        ),
      );
      if (!plan) return;
      const id = crypto.randomUUID();
      apply([{ path: ['layouts', id], value: keptLayout(job, plan, id, here.cut.layout.order + 1) }], 'layouts');
    },
    [settled, workshop, cutting.then, apply],
  );
  const compare = useCallback(
    async (first: 'any' | 'rip' | 'crosscut' | 'breakdown'): Promise<WayFigures | null> => {
      const orders = sheetJobs(parts, workshop, { cutting: { ...cutting, first }, finished, pins }).map((job): NestOrder => ({
        job,
        workshop,
        then: cutting.then,
      }));
      return inOwnThread((worker) => worker.compare(orders, SEARCH_MS));
    },
    [parts, workshop, cutting, finished, pins],
  );
  const figures = useCallback(
    (jobs: readonly SheetJob[], workshop: Workshop): Promise<WayFigures | null> =>
      inOwnThread((worker) =>
        worker.compare(
          jobs.map((job) => ({ job, workshop, then: cutting.then })),
          WHAT_IF_MS,
        ),
      ),
    [cutting.then],
  );
  return (
    <NestContext.Provider
      value={{
        nests,
        searching: Object.keys(progress).length > 0,
        server: { searches, ask: askServer, stop: stopSearch },
        stop,
        searchOn: () => setBudget(LONGER_MS),
        layAgain,
        figures,
        compare,
      }}
    >
      {children}
    </NestContext.Provider>
  );
}

/** New sheets of a layout; none while it is missing. */
export const newSheetsOf = ({ job: { product }, plan }: Nest): number => plan?.sheets.filter(({ sheet }) => isNewSheet(sheet, product)).length ?? 0;

/** Sheets over all products and how many of them are to be bought; null while a nest is missing. */
export function nestTotals(nests: readonly Nest[]): { readonly sheets: number; readonly bought: number } | null {
  if (nests.some(({ plan }) => plan === null)) return null;
  return nests.reduce((sum, nest) => ({ sheets: sum.sheets + nest.plan!.score.sheets, bought: sum.bought + newSheetsOf(nest) }), { sheets: 0, bought: 0 });
}
