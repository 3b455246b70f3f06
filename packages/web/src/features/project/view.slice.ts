/** What a person looks at: selection, units, light or dark. Never saved with the project. */
import type { DisplayUnit } from '@keen/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Scheme } from '../../app/theme.ts';

export interface ViewState {
  /** Panel id, pointed at anywhere, lit everywhere. */
  readonly selected: string | null;
  readonly hovered: string | null;
  /** null: each cabinet in its own unit. */
  readonly unit: DisplayUnit | null;
  readonly scheme: Scheme;
}

export const SCHEME_KEY = 'keen-scheme';

const START: ViewState = { selected: null, hovered: null, unit: null, scheme: 'light' };

export const viewSlice = createSlice({
  name: 'view',
  initialState: START,
  reducers: {
    panelSelected: (state, { payload }: PayloadAction<string | null>): ViewState => ({ ...state, selected: payload }),
    panelHovered: (state, { payload }: PayloadAction<string | null>): ViewState => ({ ...state, hovered: payload }),
    unitChosen: (state, { payload }: PayloadAction<DisplayUnit | null>): ViewState => ({ ...state, unit: payload }),
    schemeChosen: (state, { payload }: PayloadAction<Scheme>): ViewState => ({ ...state, scheme: payload }),
  },
});

export const { panelSelected, panelHovered, unitChosen, schemeChosen } = viewSlice.actions;
