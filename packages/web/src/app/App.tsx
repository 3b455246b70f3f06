/** Theme, store and addresses. */
import { CssBaseline, ThemeProvider } from '@mui/material';
import { useMemo } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, Navigate, Outlet, useParams } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { makeStore, useAppSelector } from './store.ts';
import { themeFor } from './theme.ts';
import { cssVariables, DARK, LIGHT } from './tokens.ts';

const store = makeStore();

const router = createBrowserRouter([
  {
    element: <Root />,
    HydrateFallback: () => null,
    children: [
      { path: '/', lazy: () => import('../features/home/HomePage.tsx') },
      { path: '/new', lazy: () => import('../features/home/NewCabinetPage.tsx') },
      { path: '/project/:projectId', lazy: () => import('../features/project/ProjectRoute.tsx') },
      { path: '/project/:projectId/:unitId', element: <ToBox /> },
      { path: '/project/:projectId/:unitId/:station', lazy: () => import('../features/project/ProjectRoute.tsx') },
      { path: '*', element: <Navigate to="/" replace /> },
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
  return (
    <ThemeProvider theme={theme}>
      <style>{`:root{color-scheme:${scheme};${cssVariables(scheme === 'light' ? LIGHT : DARK)}}`}</style>
      <CssBaseline />
      <Outlet />
    </ThemeProvider>
  );
}

function ToBox() {
  const { projectId, unitId } = useParams();
  return <Navigate to={`/project/${projectId}/${unitId}/box`} replace />;
}
