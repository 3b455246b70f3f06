/** Ways out of a broken state: undo, earlier versions, and saving the file. */
import type { DisplayUnit } from '@keen/core';
import { Button } from '@mui/material';
import type { ReactNode } from 'react';
import { Revisions } from '../log/Revisions.tsx';
import { useSaveProjectFile } from './useSaveProjectFile.ts';
import { useUndo } from './useUndo.tsx';

/** `children`: an additional button. */
export function WaysBack({ unit, children }: { readonly unit: DisplayUnit; readonly children?: ReactNode }) {
  const undo = useUndo();
  const saveFile = useSaveProjectFile();
  return (
    <>
      <div className="fixes">
        <Button variant="contained" onClick={undo}>
          Undo last change
        </Button>
        {children}
        <Button variant="outlined" onClick={saveFile}>
          Save project file
        </Button>
      </div>
      <h2>Earlier versions</h2>
      <Revisions unit={unit} />
    </>
  );
}
