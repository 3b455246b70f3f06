/** Stock on hand that the layouts use: one click reserves it for this project. */
import { pieceName, isNewSheet } from '@keen/core';
import { Button } from '@mui/material';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from '../project/selectors.ts';
import { useKeeping } from '../stock/useKeeping.ts';
import { useNests } from './useNests.tsx';

export function StoreUse() {
  const { nests } = useNests();
  const { id: project, workshop } = useAppSelector(selectOpen);
  const { keep, giveBack } = useKeeping();
  const used = nests.flatMap(({ job, plan, cut }) =>
    cut ? [] : (plan?.sheets ?? []).map(({ sheet }) => sheet).filter((sheet) => !isNewSheet(sheet, job.product) && Object.hasOwn(workshop.pieces, sheet)),
  );
  const loose = used.filter((id) => workshop.pieces[id]!.reserved === undefined);
  // Reserved for this project, and no longer needed.
  const idle = Object.values(workshop.pieces).filter(({ id, reserved }) => reserved?.project === project && !used.includes(id));
  const settled = nests.every(({ plan, progress, stale }) => plan !== null && progress === null && !stale);
  if (loose.length === 0 && (idle.length === 0 || !settled)) return null;
  const names = (ids: readonly string[]): string => ids.map(pieceName).join(', ');
  return (
    <p className="store-use" role="note">
      {loose.length > 0 && (
        <>
          Out of the store: {names(loose)}, free to other projects until kept for this one.{' '}
          <Button size="small" onClick={() => void keep(loose)}>
            Keep {loose.length === 1 ? 'it' : 'them'} for this project
          </Button>
        </>
      )}
      {settled && idle.length > 0 && (
        <>
          {' '}
          Kept for this project and not used: {names(idle.map(({ id }) => id))}.{' '}
          <Button size="small" onClick={() => void giveBack(idle.map(({ id }) => id))}>
            Give back
          </Button>
        </>
      )}
    </p>
  );
}
