import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Place } from '../../core';
import { studyOpened } from './editor';

/** Which notes of each chord a guide line takes; none: it is not shown. */
export const GUIDES = ['none', '3', '7', 'both'] as const;
export type Guide = (typeof GUIDES)[number];

/** What is looked at of a progression; it changes nothing of the study. */
export interface Over {
  /** Which chord, silent ones not counted. */
  readonly at: number;
  /** Which of the ways through the form. */
  readonly way: number;
  readonly guide: Guide;
  /** The text is open to be changed. */
  readonly writing: boolean;
  /** A place whose ways into the next chord are shown. */
  readonly target: Place | null;
  readonly countIn: boolean;
}

const initialState: Over = { at: 0, way: 0, guide: 'none', writing: false, target: null, countIn: true };

const over = createSlice({
  name: 'over',
  initialState,
  reducers: {
    overSet: (state, { payload }: PayloadAction<Partial<Over>>) => ({ ...state, ...payload }),
  },
  extraReducers: (builder) => {
    builder.addCase(studyOpened, (state) => ({ ...initialState, countIn: state.countIn }));
  },
});

export const { overSet } = over.actions;
export const overReducer = over.reducer;
