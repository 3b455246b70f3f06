/** View state: selection, units, color scheme. Never saved with the project. */
import type { DisplayUnit, Edit } from '@keen/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Scheme } from '../../app/theme.ts';

export interface ViewState {
  /** Panel id, pointed at anywhere, highlighted everywhere. */
  readonly selected: string | null;
  readonly hovered: string | null;
  /** An item, or a thing on the wall, pointed at. */
  readonly picked: Picked | null;
  /** null: each cabinet in its own unit. */
  readonly unit: DisplayUnit | null;
  readonly scheme: Scheme;
  /** A previewed fix: drawn and counted as if it were applied. */
  readonly ghost: Ghost | null;
}

export interface Picked {
  readonly kind: 'item' | 'thing' | 'stud' | 'rail' | 'looked' | 'bow' | 'row';
  readonly id: string;
}

export interface Ghost {
  readonly unit: string;
  readonly edit: Edit;
}

export const SCHEME_KEY = 'keen-scheme';

const START: ViewState = { selected: null, hovered: null, picked: null, unit: null, scheme: 'light', ghost: null };

export const viewSlice = createSlice({
  name: 'view',
  initialState: START,
  reducers: {
    panelSelected: (state, { payload }: PayloadAction<string | null>): ViewState => ({ ...state, selected: payload }),
    panelHovered: (state, { payload }: PayloadAction<string | null>): ViewState => ({ ...state, hovered: payload }),
    picked: (state, { payload }: PayloadAction<Picked | null>): ViewState => ({ ...state, picked: payload, selected: null }),
    unitChosen: (state, { payload }: PayloadAction<DisplayUnit | null>): ViewState => ({ ...state, unit: payload }),
    ghostShown: (state, { payload }: PayloadAction<Ghost | null>): ViewState => ({ ...state, ghost: payload }),
    schemeChosen: (state, { payload }: PayloadAction<Scheme>): ViewState => ({ ...state, scheme: payload }),
  },
});

export const { ghostShown, panelSelected, panelHovered, picked, unitChosen, schemeChosen } = viewSlice.actions;
