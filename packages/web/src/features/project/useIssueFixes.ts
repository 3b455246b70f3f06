/** The fixes that resolve a finding, tried one after the other while the page is idle. */
import { issueFixes, type Finding, type Fix } from '@keen/core';
import { useEffect, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { inIdleSteps } from '../../ui/whenIdle.ts';
import { previewPlanner, selectAvailable, selectOpen } from './selectors.ts';

/** Null until all are tried. */
export function useIssueFixes(finding: Finding): readonly Fix[] | null {
  const { design, record } = useAppSelector(selectOpen);
  const workshop = useAppSelector(selectAvailable);
  const [known, setKnown] = useState<{ readonly finding: Finding; readonly fixes: readonly Fix[] } | null>(null);
  useEffect(() => {
    const found: Fix[] = [];
    const tries = issueFixes({ planner: previewPlanner, design, record, workshop }, finding);
    return inIdleSteps(
      tries,
      (fix) => fix && found.push(fix),
      () => setKnown({ finding, fixes: found }),
    );
  }, [finding, design, record, workshop]);
  return known?.finding === finding ? known.fixes : null;
}
