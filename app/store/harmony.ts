import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { isOnNeck, type Instrument, type Place, type StackSize } from '../../core';
import { pressed } from '../words/grip-sign';
import { edited, studyOpened } from './editor';

/** The pages of Harmony. */
export const HARMONY_PAGES = ['chords', 'grips', 'leading'] as const;
export type HarmonyPage = (typeof HARMONY_PAGES)[number];

/** What is held and looked at in harmony; it changes nothing of the study. The Map shows the same grip. */
export interface Harmony {
  readonly page: HarmonyPage;
  /** How many notes are stacked. */
  readonly size: StackSize;
  /** Numerals counted from the mode's own tonic, or from its parent's. */
  readonly from: 'mode' | 'parent';
  /** Places pressed on the neck, one a string, thickest first. */
  readonly grip: Place[];
  /** The chord's tones alone, as a shape of their own. */
  readonly arpeggio: boolean;
  /** Chords that follow each other, as typed. */
  readonly line: string;
}

const initialState: Harmony = { page: 'chords', size: 4, from: 'mode', grip: [], arpeggio: false, line: '' };

const harmony = createSlice({
  name: 'harmony',
  initialState,
  reducers: {
    harmonySet: (state, { payload }: PayloadAction<Partial<Harmony>>) => ({ ...state, ...payload }),
    placePressed: (state, { payload }: PayloadAction<Place>) => ({ ...state, grip: pressed(state.grip, payload) }),
  },
  // A grip lies on the neck that it was pressed on.
  extraReducers: (builder) => {
    builder.addCase(studyOpened, (state) => ({ ...state, grip: [], line: '' }));
    builder.addCase(edited, (state, { payload }) => ('instrument' in payload ? { ...state, grip: [] } : state));
  },
});

/** The grip as far as this neck has it. */
export const gripOn = (i: Instrument, grip: Place[]): Place[] => (grip.every((p) => isOnNeck(i, p)) ? grip : NO_PLACES);
const NO_PLACES: Place[] = [];

export const { harmonySet, placePressed } = harmony.actions;
export const harmonyReducer = harmony.reducer;
