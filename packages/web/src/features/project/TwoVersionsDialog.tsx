/** Two versions that cannot be merged: both are offered, and neither is lost. */
import { designCodec } from '@keen/core';
import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material';
import { useState } from 'react';
import { useCreateProjectMutation } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { oursKept, theirsTaken } from './project.slice.ts';
import { selectOpen } from './selectors.ts';

export function TwoVersionsDialog() {
  const { twoVersions, design } = useAppSelector(selectOpen);
  const dispatch = useAppDispatch();
  const [create, { isLoading }] = useCreateProjectMutation();
  const [failed, setFailed] = useState(false);
  const take = async (): Promise<void> => {
    setFailed(false);
    const kept = await create(designCodec.write({ ...design, name: `${design.name}, my version`.slice(0, 80) }));
    if ('error' in kept) setFailed(true);
    else dispatch(theirsTaken(Date.now()));
  };
  return (
    <Dialog open={twoVersions !== null} aria-labelledby="two-versions">
      <DialogTitle id="two-versions">Two versions</DialogTitle>
      <DialogContent>
        <p>This project was changed elsewhere, in the same {twoVersions?.conflicts.length === 1 ? 'place' : 'places'} as here:</p>
        <ul>
          {twoVersions?.conflicts.slice(0, 8).map((path) => (
            <li key={path}>{path.replace(/^units\.[^.]+\./, '').replaceAll('.', ', ')}</li>
          ))}
        </ul>
        <p>Neither is lost. Keep yours, and the other stays in the history. Take the other, and yours becomes a project of its own.</p>
        {failed && <Alert severity="warning">The server does not answer, so yours could not be put aside yet. Nothing was changed.</Alert>}
      </DialogContent>
      <DialogActions>
        <Button variant="outlined" disabled={isLoading} onClick={() => void take()}>
          Take the other, keep mine as a copy
        </Button>
        <Button variant="contained" onClick={() => dispatch(oursKept())}>
          Keep mine
        </Button>
      </DialogActions>
    </Dialog>
  );
}
