/** Searches that run on the server, also when this page is closed: started, followed, stopped; better plans are handed over. */
import { readNestPlan, writeNestProblem, type Cutting, type NestPlan, type NestProblem, type Problem } from '@keen/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { AWAY, request } from '../../app/api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { problemReported } from '../project/project.slice.ts';

export interface ServerSearch {
  readonly id: string;
  readonly product: string;
  /** Key of its pieces. */
  readonly key: string;
  readonly state: 'waiting' | 'running' | 'done' | 'stopped' | 'failed';
  readonly seconds: number;
  readonly spentMs: number;
  readonly fault: string | null;
  readonly updatedAt: string;
}

export interface ServerSearches {
  readonly searches: readonly ServerSearch[];
  readonly ask: (
    order: { readonly product: string; readonly key: string; readonly problem: NestProblem; readonly then: Cutting['then'] },
    seconds: number,
  ) => Promise<void>;
  readonly stop: (id: string) => Promise<void>;
}

const LOOK_EVERY_MS = 1000;
export const isGoing = ({ state }: ServerSearch): boolean => state === 'waiting' || state === 'running';

/** `onPlan` gets each plan of the project's searches, once per change. */
export function useServerSearch(projectId: string, onPlan: (search: ServerSearch, plan: NestPlan) => void): ServerSearches {
  const [searches, setSearches] = useState<readonly ServerSearch[]>([]);
  const heard = useRef(new Map<string, string>());
  const listener = useRef(onPlan);
  const dispatch = useAppDispatch();
  useEffect(() => {
    listener.current = onPlan;
  });
  const look = useCallback(async (): Promise<void> => {
    try {
      const { status, body } = await request<ServerSearch[]>(`projects/${projectId}/nest-jobs`);
      if (status !== 200) return;
      for (const search of body) {
        if (heard.current.get(search.id) === search.updatedAt) continue;
        const one = await request<ServerSearch & { plan: unknown }>(`nest-jobs/${search.id}`);
        if (one.status !== 200) continue;
        heard.current.set(search.id, search.updatedAt);
        if (one.body.plan !== null) listener.current(search, readNestPlan(one.body.plan));
      }
      setSearches(body);
    } catch {
      // The server is away: the search continues there or resumes, and is polled again.
    }
  }, [projectId]);
  const going = searches.some(isGoing);
  useEffect(() => {
    let timer = 0;
    let gone = false;
    const again = async (): Promise<void> => {
      await look();
      if (going && !gone) timer = window.setTimeout(() => void again(), LOOK_EVERY_MS);
    };
    void again();
    return () => {
      gone = true;
      window.clearTimeout(timer);
    };
  }, [look, going]);
  const told = useCallback(
    async (path: string, sent: unknown): Promise<void> => {
      try {
        const { status, body } = await request<ServerSearch & Problem>(path, 'POST', sent);
        if (status >= 400) dispatch(problemReported(body));
        else setSearches((old) => [body, ...old.filter(({ id, product }) => id !== body.id && product !== body.product)]);
      } catch {
        dispatch(problemReported(AWAY));
      }
    },
    [dispatch],
  );
  return {
    searches,
    ask: useCallback(
      ({ product, key, problem, then }, seconds) =>
        told(`projects/${projectId}/nest-jobs`, { id: crypto.randomUUID(), product, key, then, seconds, problem: writeNestProblem(problem) }),
      [projectId, told],
    ),
    stop: useCallback((id) => told(`nest-jobs/${id}/stop`, {}), [told]),
  };
}
