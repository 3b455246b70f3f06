/** Box: what is it? The carcass from the front and in section, or its cut list. */
import { MOST_SHELVES, shelvesInOrder } from '@keen/core';
import Add from '@mui/icons-material/Add';
import { Button } from '@mui/material';
import { useState } from 'react';
import { useAppDispatch } from '../../app/store.ts';
import type { ShownUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { panelSelected } from '../project/view.slice.ts';
import { BoxDrawing } from './BoxDrawing.tsx';
import { CutList } from './CutList.tsx';

export function BoxStation({ shown }: { readonly shown: ShownUnit }) {
  const [view, setView] = useState<'drawing' | 'list'>('drawing');
  const { box } = shown;
  const { apply } = useEdit();
  const dispatch = useAppDispatch();
  const addShelf = (): void => {
    const id = `s${crypto.randomUUID().slice(0, 8)}`;
    const last = shelvesInOrder(box).at(-1);
    apply(
      [
        { path: ['units', box.id, 'shelves', id], value: { id, order: (last?.order ?? 0) + 1, at: null } },
        { path: ['units', box.id, 'contents', id], value: (last && box.contents[last.id]) ?? box.contents['bottom'] ?? { preset: 'general', kg: null } },
      ],
      '',
      'Shelf added',
    );
    dispatch(panelSelected(`${box.id}/shelf/${id}`));
  };
  return (
    <div className="station-body">
      <div className="station-head">
        <div className="view-tabs" role="tablist" aria-label="View">
          {(['drawing', 'list'] as const).map((each) => (
            <button key={each} type="button" role="tab" aria-selected={view === each} className={view === each ? 'current' : ''} onClick={() => setView(each)}>
              {each === 'drawing' ? 'Front + section' : 'Cut list'}
            </button>
          ))}
        </div>
        <Button variant="outlined" startIcon={<Add />} disabled={Object.keys(box.shelves).length >= MOST_SHELVES} onClick={addShelf}>
          Add a shelf
        </Button>
      </div>
      {view === 'drawing' ? <BoxDrawing shown={shown} /> : <CutList shown={shown} />}
    </div>
  );
}
