/** The print room's ink cupboard, opened in a store of its own, for tests of what stands round it. */
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { applyEdit, starterWorkshop, type Edit, type RecordEntry } from '@keen/core';
import { makeStore, type Store } from '../app/store.ts';
import { projectOpened } from '../features/project/project.slice.ts';
import { ExplainProvider } from '../ui/Explained.tsx';
import { DESIGN, READINGS } from './print-room.ts';

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

/** The store, an address and sums that open round what is tested. */
export function Opened({ store, at = '/project/p/ink/box', children }: { readonly store: Store; readonly at?: string; readonly children: ReactNode }) {
  const router = createMemoryRouter([{ path: '/project/:projectId/:unitId/:station', element: children }], { initialEntries: [at] });
  return (
    <Provider store={store}>
      <ExplainProvider onSource={() => {}}>
        <RouterProvider router={router} />
      </ExplainProvider>
    </Provider>
  );
}
