/** Notice on a project that was deleted while open here: input cannot be saved until it is restored. */
import { Alert } from '@mui/material';
import { useAppSelector } from '../../app/store.ts';
import { RestoreProject } from './RestoreProject.tsx';
import { selectOpen } from './selectors.ts';

export function DeletedNotice() {
  const { id, save } = useAppSelector(selectOpen);
  if (save.kind !== 'refused' || save.problem.code !== 'deleted') return null;
  // On reopening, changes held here are applied and sent.
  return (
    <Alert severity="warning" className="set-aside">
      <p>This project was deleted elsewhere. What you changed since is kept in this browser, and saved once the project is back.</p>
      <RestoreProject projectId={id} onBack={() => window.location.reload()} />
    </Alert>
  );
}
