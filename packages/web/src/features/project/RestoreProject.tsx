/** For a project that was deleted elsewhere: one click restores it, with what this browser holds on top. */
import { Button } from '@mui/material';
import { useState } from 'react';
import { request, type StoredProject } from '../../app/api.ts';

export function RestoreProject({ projectId, onBack }: { readonly projectId: string; readonly onBack: () => void }) {
  const [state, setState] = useState<'idle' | 'asking' | 'failed'>('idle');
  const bring = async (): Promise<void> => {
    setState('asking');
    const { status } = await request<StoredProject>(`projects/${encodeURIComponent(projectId)}/restore`, 'POST');
    if (status >= 400) return setState('failed');
    onBack();
  };
  return (
    <Button color="inherit" variant="outlined" size="small" disabled={state === 'asking'} onClick={() => void bring().catch(() => setState('failed'))}>
      {state === 'failed' ? 'It did not come back: try again' : 'Bring it back'}
    </Button>
  );
}
