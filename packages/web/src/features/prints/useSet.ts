/** A shop set drawn by the server: requested, polled until done, released when no longer shown. */
import { writeNestPlan, type DisplayUnit, type Problem } from '@keen/core';
import type { PaperId } from '@keen/exchange';
import { useCallback, useEffect, useRef, useState } from 'react';
import { AWAY, request } from '../../app/api.ts';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from '../project/selectors.ts';
import { useNests } from '../sheets/useNests.tsx';

export interface SetState {
  readonly id: string;
  readonly state: 'running' | 'done' | 'failed';
  readonly done: number;
  readonly of: number;
  readonly doing: string;
  readonly pages: number;
  readonly problem: Problem | null;
}

export interface SetWish {
  /** One cabinet; null for all. */
  readonly cabinet: string | null;
  readonly paper: PaperId;
  readonly unit: DisplayUnit;
}

export interface ShopSet {
  /** Null before one is requested. */
  readonly set: SetState | null;
  readonly problem: Problem | null;
  readonly ask: (wish: SetWish) => Promise<void>;
  readonly drop: () => void;
  /** Address of the result. */
  readonly address: string;
}

const EVERY_MS = 250;

export function useSet(): ShopSet {
  const { id } = useAppSelector(selectOpen);
  const { nests } = useNests();
  const [set, setSet] = useState<SetState | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const path = `projects/${encodeURIComponent(id)}/sets`;
  /** The set being shown; answers about others are dropped. */
  const current = useRef<string | null>(null);

  const drop = useCallback((): void => {
    const old = current.current;
    current.current = null;
    setSet(null);
    if (old) request(`${path}/${old}`, 'DELETE').catch(() => {});
  }, [path]);
  useEffect(() => drop, [drop]);

  const ask = async ({ cabinet, paper, unit }: SetWish): Promise<void> => {
    drop();
    setProblem(null);
    // Settled layouts are stored; the others are those on the screen.
    const layouts = Object.fromEntries(
      nests.flatMap(({ job, plan, key, stale }) => (plan && key !== null && !stale ? [[job.product, writeNestPlan(plan, 0)]] : [])),
    );
    try {
      const { status, body } = await request<SetState & Problem>(path, 'POST', {
        paper,
        units: unit,
        layouts,
        ...(cabinet === null ? {} : { cabinets: [cabinet] }),
      });
      if (status !== 202) return setProblem(body);
      current.current = body.id;
      setSet(body);
    } catch {
      setProblem(AWAY);
    }
  };

  const running = set?.state === 'running' ? set.id : null;
  useEffect(() => {
    if (running === null) return;
    const timer = setInterval(() => {
      request<SetState & Problem>(`${path}/${running}`).then(
        ({ status, body }) => {
          if (current.current !== running) return;
          if (status === 200) setSet(body);
          if (status === 200 && !body.problem) return;
          setProblem(status === 200 ? body.problem : body);
          current.current = null;
          setSet(null);
        },
        () => {
          if (current.current !== running) return;
          setProblem(AWAY);
          current.current = null;
          setSet(null);
        },
      );
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [running, path]);

  return { set, problem, ask, drop, address: `/api/${path}/${set?.id ?? ''}` };
}
