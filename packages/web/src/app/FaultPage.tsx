/** Shown where a page failed: what is kept, and how to continue. */
import { Button } from '@mui/material';
import { useNavigate, useParams, useRouteError } from 'react-router';
import { WaysOut } from '../features/project/WaysOut.tsx';

export function FaultPage() {
  const error = useRouteError();
  const navigate = useNavigate();
  const { projectId } = useParams();
  return (
    <main className="fault-page">
      <h1>This page broke.</h1>
      <p>Nothing is lost: what was saved is saved, and what was not is kept in this browser and saved when the project is open again.</p>
      <p>
        <Button variant="contained" onClick={() => window.location.reload()}>
          Open it again
        </Button>
      </p>
      {projectId === undefined ? (
        <Button variant="outlined" onClick={() => void navigate('/')}>
          All projects
        </Button>
      ) : (
        <WaysOut projectId={projectId} />
      )}
      <p className="quiet">{error instanceof Error ? error.message : String(error)}</p>
    </main>
  );
}
