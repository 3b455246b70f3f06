/** Theme, store and routes. */
import { CssBaseline, ThemeProvider } from '@mui/material';
import { useEffect, useMemo } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, Outlet, useParams } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { SCHEME_KEY, schemeChosen } from '../features/project/view.slice.ts';
import { DiskNotice } from '../ui/DiskNotice.tsx';
import { FaultPage } from './FaultPage.tsx';
import { makeStore, useAppDispatch, useAppSelector } from './store.ts';
import { themeFor } from './theme.ts';
import { cssVariables, DARK, LIGHT } from './tokens.ts';
import { storedText } from '../ui/storage.ts';

const store = makeStore();

const router = createBrowserRouter([
  {
    element: <Root />,
    HydrateFallback: () => null,
    children: [
      {
        errorElement: <FaultPage />,
        children: [
          { path: '/', lazy: () => import('../features/home/HomePage.tsx') },
          { path: '/worry', lazy: () => import('../features/existing-cabinet/ExistingCabinetPage.tsx') },
          { path: '/sums', lazy: () => import('../features/sums/SumsPage.tsx') },
          { path: '/yard', lazy: () => import('../features/yard/YardPage.tsx') },
          { path: '/new', lazy: () => import('../features/home/NewCabinetPage.tsx') },
          { path: '/project/:projectId', lazy: () => import('../features/project/ProjectRoute.tsx') },
          { path: '/project/:projectId/:unitId', element: <ToBox /> },
          { path: '/project/:projectId/:unitId/bench/:place?', lazy: () => import('../features/bench/BenchRoute.tsx') },
          { path: '/pair', lazy: () => import('../features/bench/PairPage.tsx') },
          { path: '/project/:projectId/:unitId/:station', lazy: () => import('../features/project/ProjectRoute.tsx') },
          { path: '*', element: <Navigate to="/" replace /> },
        ],
      },
    ],
  },
]);

export function App() {
  return (
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  );
}

function Root() {
  const scheme = useAppSelector(({ view }) => view.scheme);
  const theme = useMemo(() => themeFor(scheme), [scheme]);
  const dispatch = useAppDispatch();
  // Until a person chooses, the page follows the system's color scheme, also when it changes in the evening.
  useEffect(() => {
    const dark = matchMedia('(prefers-color-scheme: dark)');
    const follow = (): void => {
      if (storedText(SCHEME_KEY) === null) dispatch(schemeChosen(dark.matches ? 'dark' : 'light'));
    };
    dark.addEventListener('change', follow);
    return () => dark.removeEventListener('change', follow);
  }, [dispatch]);
  return (
    <ThemeProvider theme={theme}>
      <style>{`:root{color-scheme:${scheme};${cssVariables(scheme === 'light' ? LIGHT : DARK)}}`}</style>
      <CssBaseline />
      <Outlet />
      <DiskNotice />
    </ThemeProvider>
  );
}

function ToBox() {
  const { projectId, unitId: cabinetId } = useParams();
  return <Navigate to={`/project/${projectId}/${cabinetId}/box`} replace />;
}
