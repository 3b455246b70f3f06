/** Runs set-out in the worker and holds its best result so far. */
import type { SetOut } from '@keen/core';
import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { SetOutRequest, Setter } from './set-out.worker.ts';

const SEARCH_MS = 1200;

export interface SetOutRun {
  readonly found: SetOut | null;
  /** 0 to 1 while searching; null when done. */
  readonly progress: number | null;
  readonly start: (request: SetOutRequest) => void;
  readonly stop: () => void;
  readonly clear: () => void;
}

export function useSetOut(): SetOutRun {
  const [found, setFound] = useState<SetOut | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const worker = useRef<Remote<Setter> | null>(null);
  const turn = useRef(0);
  useEffect(() => {
    const thread = new Worker(new URL('./set-out.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<Setter>(thread);
    return () => thread.terminate();
  }, []);

  const start = (request: SetOutRequest): void => {
    const mine = ++turn.current;
    setFound(null);
    setProgress(0);
    const tell = (better: SetOut, share: number): void => {
      if (mine !== turn.current) return;
      setFound(better);
      setProgress(share);
    };
    void worker.current?.run(request, SEARCH_MS, proxy(tell)).then((last) => {
      if (mine !== turn.current) return;
      if (last) setFound(last);
      setProgress(null);
    });
  };
  const stop = (): void => {
    turn.current++;
    setProgress(null);
    void worker.current?.stop();
  };
  return { found, progress, start, stop, clear: () => setFound(null) };
}
