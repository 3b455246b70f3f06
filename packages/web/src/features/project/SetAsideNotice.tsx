/** Conflicting changes that a closed tab could not save: kept until a person decides about them. */
import { Alert, Button } from '@mui/material';
import { useState } from 'react';
import { useCreateProjectMutation } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { release, type SetAside } from '../save/outbox.ts';
import { setAsideDecided } from './project.slice.ts';
import { selectOpen } from './selectors.ts';

export function SetAsideNotice() {
  const { setAside } = useAppSelector(selectOpen);
  const [first] = setAside;
  return first ? <Decision key={first.session} change={first} more={setAside.length - 1} /> : null;
}

function Decision({ change, more }: { readonly change: SetAside; readonly more: number }) {
  const { id, design } = useAppSelector(selectOpen);
  const dispatch = useAppDispatch();
  const [create, { isLoading }] = useCreateProjectMutation();
  const [failed, setFailed] = useState(false);
  const isReadable = change.conflicts.length > 0;
  const done = async (): Promise<void> => {
    await release(id, change.session);
    dispatch(setAsideDecided(change.session));
  };
  const keepAsCopy = async (): Promise<void> => {
    setFailed(false);
    const document = { ...(change.document as object), name: `${design.name}, unsaved change`.slice(0, 80) };
    const kept = await create(document as never);
    if ('error' in kept) setFailed(true);
    else await done();
  };
  const saveFile = async (): Promise<void> => {
    download(`${fileName(design.name)}-unsaved.json`, 'application/json', JSON.stringify(change.document, null, 2));
    await done();
  };
  const places = change.conflicts.map((path) => path.replace(/^units\.[^.]+\./, '').replaceAll('.', ' ')).slice(0, 4);
  return (
    <Alert severity="warning" className="set-aside" role="alert">
      <p>
        {isReadable
          ? `A closed tab left an unsaved change that clashes with this one (${places.join(', ')}).`
          : 'A closed tab left an unsaved change that cannot be read.'}{' '}
        {more > 0 && `${more} more after this one.`}
      </p>
      {failed && <p>The server did not save the copy. Nothing was changed.</p>}
      {isReadable ? (
        <Button color="inherit" variant="outlined" size="small" disabled={isLoading} onClick={() => void keepAsCopy()}>
          Save as a copy
        </Button>
      ) : (
        <Button color="inherit" variant="outlined" size="small" onClick={() => void saveFile()}>
          Save file
        </Button>
      )}
      <Button color="inherit" size="small" onClick={() => void done()}>
        Discard
      </Button>
    </Alert>
  );
}
