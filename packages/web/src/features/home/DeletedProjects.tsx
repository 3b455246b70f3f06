/** Deleted projects, at the bottom of the page, kept until restored. */
import { Button } from '@mui/material';
import { useDeletedProjectsQuery, type DeletedRow } from '../../app/api.ts';

export function DeletedProjects({ onBringBack }: { readonly onBringBack: (row: DeletedRow) => void }) {
  const { data: rows } = useDeletedProjectsQuery(undefined, { refetchOnMountOrArgChange: true });
  if (!rows || rows.length === 0) return null;
  return (
    <details className="deleted-projects">
      <summary>{rows.length === 1 ? 'One deleted project' : `${rows.length} deleted projects`}</summary>
      <ul>
        {rows.map((row) => (
          <li key={row.id}>
            <span>{row.name}</span>
            <span className="quiet">deleted {new Date(row.deletedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })}</span>
            <Button size="small" onClick={() => onBringBack(row)} aria-label={`Bring back ${row.name}`}>
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
