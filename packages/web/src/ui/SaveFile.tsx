/** A button that makes a file and downloads it. Its code is loaded on demand; a failure is reported. */
import Download from '@mui/icons-material/FileDownloadOutlined';
import { Button } from '@mui/material';
import { useState, type ReactNode } from 'react';
import { downloadBlob } from './download.ts';

export interface SaveFileProps {
  readonly name: string;
  readonly type: string;
  readonly make: () => Promise<string | Uint8Array>;
  readonly children: ReactNode;
}

export function SaveFile({ name, type, make, children }: SaveFileProps) {
  const [state, setState] = useState<'still' | 'making' | 'failed'>('still');
  const save = async (): Promise<void> => {
    setState('making');
    try {
      const content = await make();
      downloadBlob(name, new Blob([typeof content === 'string' ? content : content.slice().buffer], { type }));
      setState('still');
    } catch {
      setState('failed');
    }
  };
  return (
    <>
      <Button startIcon={<Download />} disabled={state === 'making'} onClick={() => void save()}>
        {children}
      </Button>
      {state === 'failed' && <span role="alert">The file could not be made: is the server away? Once more when it is back.</span>}
    </>
  );
}
