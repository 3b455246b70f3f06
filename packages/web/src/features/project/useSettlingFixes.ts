/** The fixes of a finding that settle it, tried one after the other while the page has nothing else to do. */
import { settlingFixes, type Finding, type Fix } from '@keen/core';
import { useEffect, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { previewPlanner, selectAvailable, selectOpen } from './selectors.ts';

/** Null until all are tried. */
export function useSettlingFixes(finding: Finding): readonly Fix[] | null {
  const { design, record } = useAppSelector(selectOpen);
  const workshop = useAppSelector(selectAvailable);
  const [known, setKnown] = useState<{ readonly finding: Finding; readonly fixes: readonly Fix[] } | null>(null);
  useEffect(() => {
    const found: Fix[] = [];
    const tries = settlingFixes({ planner: previewPlanner, design, record, workshop }, finding);
    let handle = whenIdle(tryNext);
    function tryNext(): void {
      const { done, value } = tries.next();
      if (value) found.push(value);
      if (done) setKnown({ finding, fixes: found });
      else handle = whenIdle(tryNext);
    }
    return () => notWhenIdle(handle);
  }, [finding, design, record, workshop]);
  return known?.finding === finding ? known.fixes : null;
}

const hasIdle = typeof requestIdleCallback === 'function';
const whenIdle = (run: () => void): number => (hasIdle ? requestIdleCallback(run, { timeout: 400 }) : window.setTimeout(run, 0));
const notWhenIdle = (handle: number): void => (hasIdle ? cancelIdleCallback(handle) : window.clearTimeout(handle));
