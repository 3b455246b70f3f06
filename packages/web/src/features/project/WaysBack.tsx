/** What helps when a project is stuck: undo, the versions before, and the file to take away. */
import { standingAlone, writeProjectText, type DisplayUnit } from '@keen/core';
import { Button } from '@mui/material';
import type { ReactNode } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { Revisions } from '../log/Revisions.tsx';
import { selectOpen } from './selectors.ts';
import { useUndo } from './useUndo.tsx';

/** `children`: one more way, a button. */
export function WaysBack({ unit, children }: { readonly unit: DisplayUnit; readonly children?: ReactNode }) {
  const { id, design, record, workshop } = useAppSelector(selectOpen);
  const undo = useUndo();
  const saveFile = (): void =>
    download(`${fileName(design.name)}.carcass.json`, 'application/json', writeProjectText({ design, record, workshop: standingAlone(workshop, id) }));
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
