/** Ways out of a project that does not open: its file, what this browser still holds, and the version before. */
import { Alert, Button } from '@mui/material';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { request, type RevisionRow, type StoredProject } from '../../app/api.ts';
import { download } from '../../ui/download.ts';
import { versionBefore } from './useUndo.tsx';
import { heldDocuments, releaseAll, sessionName } from '../save/outbox.ts';

export function WaysOut({ projectId }: { readonly projectId: string }) {
  const [unsaved, setUnsaved] = useState(0);
  const [earlier, setEarlier] = useState<{ readonly from: number; readonly to: RevisionRow } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => {
    heldDocuments(projectId)
      .then((documents) => setUnsaved(documents.length))
      .catch(() => setUnsaved(0));
    request<RevisionRow[]>(`projects/${projectId}/revisions`)
      .then(({ status, body }) => {
        const before = status === 200 ? versionBefore(body) : undefined;
        setEarlier(before ? { from: body[0]!.number, to: before } : null);
      })
      .catch(() => setEarlier(null));
  }, [projectId]);

  const saveUnsaved = async (): Promise<void> => {
    for (const [index, document] of (await heldDocuments(projectId)).entries())
      download(`unsaved-${index + 1}.json`, 'application/json', JSON.stringify(document, null, 2));
  };
  const goBack = async (): Promise<void> => {
    // Unsaved work is downloaded as a file first: nothing is lost.
    await saveUnsaved();
    const { status, body } = await request<StoredProject>(`projects/${projectId}/revisions/${earlier!.to.number}/restore`, 'POST', {
      base: earlier!.from,
      session: sessionName(),
    });
    if (status >= 400) return setFailed((body as unknown as { message: string }).message);
    await releaseAll(projectId);
    window.location.reload();
  };
  const openWithout = async (): Promise<void> => {
    await saveUnsaved();
    await releaseAll(projectId);
    window.location.reload();
  };
  return (
    <>
      <div className="fixes">
        {unsaved > 0 && (
          <Button variant="outlined" onClick={() => void openWithout()}>
            Save unsaved changes as a file and open without them
          </Button>
        )}
        {earlier && (
          <Button variant="outlined" onClick={() => void goBack().catch(() => setFailed('The server does not answer'))}>
            Go back to the version of {new Date(earlier.to.savedAt).toLocaleString()}
          </Button>
        )}
        <Button variant="outlined" href={`/api/projects/${encodeURIComponent(projectId)}/file`} download>
          Save project file
        </Button>
        <Button component={Link} to="/">
          All projects
        </Button>
      </div>
      {failed && <Alert severity="error">{failed}.</Alert>}
    </>
  );
}
