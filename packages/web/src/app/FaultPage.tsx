/** Shown where a page broke: what is kept, and the ways on. */
import { Button } from '@mui/material';
import { useNavigate, useRouteError } from 'react-router';

export function FaultPage() {
  const error = useRouteError();
  const navigate = useNavigate();
  return (
    <main className="fault-page">
      <h1>This page broke.</h1>
      <p>Nothing is lost: what was saved is saved, and what was not is kept in this browser and saved when the project is open again.</p>
      <p>
        <Button variant="contained" onClick={() => window.location.reload()}>
          Open it again
        </Button>{' '}
        <Button variant="outlined" onClick={() => void navigate('/')}>
          All projects
        </Button>
      </p>
      <p className="quiet">{error instanceof Error ? error.message : String(error)}</p>
    </main>
  );
}
