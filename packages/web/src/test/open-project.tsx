/** The print room's ink cupboard, opened in a store of its own, for tests of what stands round it. */
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { applyEdit, entered, newShelfBox, starterWorkshop, type Design, type Edit, type RecordEntry } from '@keen/core';
import { makeStore, type Store } from '../app/store.ts';
import { projectOpened } from '../features/project/project.slice.ts';

const length = (text: string) => entered(text);

export const DESIGN: Design = {
  name: 'Print room',
  unit: 'mm',
  wall: {
    width: length('3600 mm'),
    ceiling: length('2460 mm'),
    wallboard: length('12.5 mm'),
    studs: { known: true, spacing: length('405 mm'), offset: length('230 mm'), width: length('38 mm'), depth: length('89 mm'), gravity: 0.42 },
  },
  children: false,
  units: {
    ink: newShelfBox({
      id: 'ink',
      name: 'Ink cupboard',
      order: 1,
      unit: 'mm',
      width: length('700 mm'),
      height: length('820 mm'),
      depth: length('280 mm'),
      stock: 'birch-18',
      backStock: 'birch-6',
      shelves: 2,
      contents: { preset: 'general', kg: null },
      place: { along: length('895 mm'), up: length('1320 mm') },
    }),
  },
};

export const READINGS: readonly RecordEntry[] = ['17.8 mm', '17.9 mm'].map((value, index) => ({
  id: `r${index}`,
  at: '2026-03-01T09:00:00Z',
  kind: 'thickness',
  reading: { product: 'birch-18', value: length(value) },
}));

/** A store with the design open, some edits made. */
export function openStore(edit: Edit = [], record: readonly RecordEntry[] = READINGS): Store {
  const store = makeStore();
  const design = applyEdit(DESIGN, edit);
  store.dispatch(
    projectOpened({
      id: 'p',
      demo: false,
      design,
      base: { revision: 1, design },
      record,
      queue: [],
      workshop: starterWorkshop(),
      workshopRevision: 1,
      save: { kind: 'saved', at: 0 },
    }),
  );
  return store;
}

/** The store and an address round what is tested. */
export function Opened({ store, at = '/project/p/ink/box', children }: { readonly store: Store; readonly at?: string; readonly children: ReactNode }) {
  const router = createMemoryRouter([{ path: '/project/:projectId/:unitId/:station', element: children }], { initialEntries: [at] });
  return (
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  );
}
