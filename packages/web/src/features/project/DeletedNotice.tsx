/** Over a project that was deleted while it was open here: what is typed now cannot be saved until it is back. */
import { Alert } from '@mui/material';
import { useAppSelector } from '../../app/store.ts';
import { RestoreProject } from './RestoreProject.tsx';
import { selectOpen } from './selectors.ts';

export function DeletedNotice() {
  const { id, save } = useAppSelector(selectOpen);
  if (save.kind !== 'refused' || save.problem.code !== 'deleted') return null;
  // Opened anew, what was held here meanwhile is laid on top and sent.
  return (
    <Alert severity="warning" className="set-aside">
      <p>This project was deleted elsewhere. What you changed since is kept in this browser, and saved once the project is back.</p>
      <RestoreProject projectId={id} onBack={() => window.location.reload()} />
    </Alert>
  );
}
