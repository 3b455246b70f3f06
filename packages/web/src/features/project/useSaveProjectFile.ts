/** Downloads the open project as a file, with the stock it needs. */
import { withoutStore, writeProjectText } from '@keen/core';
import { useAppSelector } from '../../app/store.ts';
import { download, fileName } from '../../ui/download.ts';
import { selectOpen } from './selectors.ts';

export function useSaveProjectFile(): () => void {
  const { id, design, record, workshop } = useAppSelector(selectOpen);
  return () =>
    download(`${fileName(design.name)}.carcass.json`, 'application/json', writeProjectText({ design, record, workshop: withoutStore(workshop, id) }));
}
