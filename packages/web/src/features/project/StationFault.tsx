/** Replaces a station that failed: the rest of the page continues. */
import { Alert } from '@mui/material';
import { useDisplayUnit } from './selectors.ts';
import { WaysBack } from './WaysBack.tsx';

export function StationFault({ error }: { readonly error: unknown }) {
  const unit = useDisplayUnit();
  return (
    <div className="cannot-plan">
      <h1>This station cannot be shown</h1>
      <Alert severity="error">{error instanceof Error ? error.message : String(error)}</Alert>
      <p>Your entries are saved. The other stations still work.</p>
      <WaysBack unit={unit} />
    </div>
  );
}
