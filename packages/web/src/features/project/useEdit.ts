/** Edits of the open design: paths inside the cabinet on show, checked as they are made. */
import type { Edit, Entered, CabinetSpec } from '@keen/core';
import { useCallback } from 'react';
import { useAppDispatch } from '../../app/store.ts';
import { edited, fieldLeft, problemReported } from './project.slice.ts';

export interface Editor {
  /** Sets one value inside a cabinet. */
  readonly set: (spec: CabinetSpec, path: readonly string[], value: unknown) => void;
  readonly apply: (edit: Edit, key: string, notice?: string) => void;
  readonly leave: () => void;
}

export function useEdit(): Editor {
  const dispatch = useAppDispatch();
  const apply = useCallback(
    (edit: Edit, key: string, notice?: string): void => {
      try {
        dispatch(edited(notice === undefined ? { edit, key } : { edit, key, notice }));
      } catch (error) {
        dispatch(problemReported({ code: 'edit', message: (error as Error).message, where: key, accepted: 'a change of something that is there' }));
      }
    },
    [dispatch],
  );
  return {
    apply,
    set: (spec, path, value) => apply([{ path: ['units', spec.id, ...path], value }], `${spec.id}.${path.join('.')}`),
    leave: () => dispatch(fieldLeft()),
  };
}

/** The value at a path of a cabinet. */
export const at = (spec: CabinetSpec, path: readonly string[]): unknown =>
  path.reduce<unknown>((node, key) => (node as Record<string, unknown> | null)?.[key], spec);
export const lengthAt = (spec: CabinetSpec, path: readonly string[]): Entered | null => (at(spec, path) as Entered | null | undefined) ?? null;
