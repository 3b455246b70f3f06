/** Box station: the cabinet from its sides, in section, in 3D, or its cut list. */
import { FLOOR, isShelfBox, MAX_SHELVES, shelvesInOrder, type ShelfBox } from '@keen/core';
import Add from '@mui/icons-material/Add';
import { Button, FormControlLabel, Switch } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import type { DrawingId } from '@keen/exchange';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { fileName } from '../../ui/download.ts';
import { SaveFile } from '../../ui/SaveFile.tsx';
import { selectPlan, type ShownCabinet } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { panelSelected } from '../project/view.slice.ts';
import { BoxDrawing } from './BoxDrawing.tsx';
import { CutList } from './CutList.tsx';
import { SectionView } from './SectionView.tsx';
import { SidesView } from './SidesView.tsx';
import { VariantsView } from './VariantsView.tsx';

// Three.js is large: loaded on demand.
const SpaceView = lazy(() => import('./SpaceView.tsx'));

const VIEWS = [
  { id: 'drawing', name: 'Front + section' },
  { id: 'sides', name: 'Side + plan' },
  { id: 'back', name: 'Back' },
  { id: 'cut', name: 'Cut at' },
  { id: 'space', name: '3D' },
  { id: 'list', name: 'Cut list' },
  { id: 'tries', name: 'Tries' },
] as const;
type BoxView = (typeof VIEWS)[number]['id'];

export function BoxStation({ shown }: { readonly shown: ShownCabinet }) {
  const [view, setView] = useState<BoxView>('drawing');
  const [closed, setClosed] = useState(false);
  const { spec } = shown;
  const doors = shown.plan.cabinet.panels.filter(({ role }) => role === 'door').length;
  // A new door is shown closed; doors of another cabinet stay open.
  const [last, setLast] = useState({ id: spec.id, doors });
  if (last.id !== spec.id || last.doors !== doors) {
    setLast({ id: spec.id, doors });
    if (last.id === spec.id && doors > last.doors) setClosed(true);
  }
  return (
    <div className="station-body">
      <div className="station-head">
        <div className="view-tabs" role="tablist" aria-label="View">
          {VIEWS.map(({ id, name }) => (
            <button key={id} type="button" role="tab" aria-selected={view === id} className={view === id ? 'current' : ''} onClick={() => setView(id)}>
              {name}
            </button>
          ))}
        </div>
        {doors > 0 && view === 'drawing' && (
          <FormControlLabel control={<Switch size="small" checked={closed} onChange={(event) => setClosed(event.target.checked)} />} label="Doors shown" />
        )}
        <SaveDrawing view={view} shown={shown} closed={closed} />
        {isShelfBox(spec) && <AddShelf box={spec} />}
      </div>
      <Shown view={view} shown={shown} closed={closed} />
    </div>
  );
}

function Shown({ view, shown, closed }: { readonly view: BoxView; readonly shown: ShownCabinet; readonly closed: boolean }) {
  switch (view) {
    case 'drawing':
      return <BoxDrawing shown={shown} closed={closed} />;
    case 'sides':
      return <SidesView shown={shown} views={SIDE_AND_PLAN} />;
    case 'back':
      return <SidesView shown={shown} views={BACK} />;
    case 'cut':
      return <SectionView shown={shown} />;
    case 'space':
      return (
        <Suspense fallback={<p className="quiet">The 3D view is coming …</p>}>
          <SpaceView shown={shown} />
        </Suspense>
      );
    case 'list':
      return <CutList shown={shown} />;
    case 'tries':
      return <VariantsView shown={shown} />;
  }
}

const SIDE_AND_PLAN = ['right', 'plan'] as const;
const BACK = ['back'] as const;

/** Drawings of each view, for saving. */
const DRAWN: Readonly<Partial<Record<BoxView, readonly DrawingId[]>>> = {
  drawing: ['front', 'section'],
  sides: ['right', 'plan'],
  back: ['back'],
  space: ['apart'],
};

function SaveDrawing({ view, shown: { plan, unit }, closed }: { readonly view: BoxView; readonly shown: ShownCabinet; readonly closed: boolean }) {
  const { parts } = useAppSelector(selectPlan);
  const drawn = DRAWN[view];
  if (!drawn) return null;
  return (
    <SaveFile
      name={`${fileName(plan.name)}-${drawn.join('-')}.svg`}
      type="image/svg+xml"
      make={async () => (await import('@keen/exchange')).viewsSvg(drawn, { plan, parts, display: unit, open: !closed })}
    >
      SVG
    </SaveFile>
  );
}

function AddShelf({ box }: { readonly box: ShelfBox }) {
  const { apply } = useEdit();
  const dispatch = useAppDispatch();
  const add = (): void => {
    const id = `s${crypto.randomUUID().slice(0, 8)}`;
    const last = shelvesInOrder(box).at(-1);
    apply(
      [
        { path: ['units', box.id, 'shelves', id], value: { id, order: (last?.order ?? 0) + 1, at: null, in: FLOOR, level: 0, fixing: 'fixed' } },
        { path: ['units', box.id, 'contents', id], value: (last && box.contents[last.id]) ?? box.contents[FLOOR] ?? { preset: 'general', kg: null } },
      ],
      '',
      'Shelf added',
    );
    dispatch(panelSelected(`${box.id}/shelf/${id}`));
  };
  return (
    <Button variant="outlined" startIcon={<Add />} disabled={Object.keys(box.shelves).length >= MAX_SHELVES} onClick={add}>
      Add a shelf
    </Button>
  );
}
