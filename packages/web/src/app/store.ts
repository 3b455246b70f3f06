import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { projectSlice } from '../features/project/project.slice.ts';
import { SCHEME_KEY, viewSlice } from '../features/project/view.slice.ts';
import { api } from './api.ts';
import { storedText } from '../ui/storage.ts';

export function makeStore() {
  const kept = storedText(SCHEME_KEY);
  const dark = kept ? kept === 'dark' : typeof matchMedia === 'function' && matchMedia('(prefers-color-scheme: dark)').matches;
  return configureStore({
    reducer: { api: api.reducer, project: projectSlice.reducer, view: viewSlice.reducer },
    preloadedState: { view: { ...viewSlice.getInitialState(), scheme: dark ? ('dark' as const) : ('light' as const) } },
    // Designs are immutable plain data from the core; checking them on every keystroke would cost more than the plan.
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
  });
}

export type Store = ReturnType<typeof makeStore>;
export type State = ReturnType<Store['getState']>;
export const useAppSelector = useSelector.withTypes<State>();
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>();
