/** Adds facts to the shop record, with an id and time from this device. */
import type { NewFact } from '@keen/core';
import { useCallback } from 'react';
import { useAppDispatch } from '../../app/store.ts';
import { entryAdded } from './project.slice.ts';

export interface Recorder {
  readonly add: (fact: NewFact) => void;
  /** Withdraws an earlier entry. */
  readonly withdraw: (id: string) => void;
}

export function useRecord(): Recorder {
  const dispatch = useAppDispatch();
  const add = useCallback((fact: NewFact): void => void dispatch(entryAdded({ id: crypto.randomUUID(), at: new Date().toISOString(), ...fact })), [dispatch]);
  const withdraw = useCallback((id: string): void => add({ kind: 'withdrawn', withdraws: id }), [add]);
  return { add, withdraw };
}
