import type { StudyMove } from '../../contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { studyOpened } from './editor';

/** The chosen shape, as what is moved; a lick or kept route has a key of its own. */
export const SHAPE = 'shape';

/** What Transpose is trying out: it changes nothing of the study until the player says so. */
export interface Transposing {
  /** What is moved. */
  readonly what: string;
  readonly move: StudyMove;
}

const initialState: Transposing = { what: SHAPE, move: { kind: 'key', by: 2 } };

const transposing = createSlice({
  name: 'transposing',
  initialState,
  reducers: {
    whatChosen: (state, { payload }: PayloadAction<string>) => {
      state.what = payload;
    },
    moveChosen: (state, { payload }: PayloadAction<StudyMove>) => ({ ...state, move: payload }),
    /** Half steps more or fewer than the key that is tried out now. */
    keyStepped: (state, { payload }: PayloadAction<number>) => ({
      ...state,
      move: { kind: 'key', by: (state.move.kind === 'key' ? state.move.by : 0) + payload },
    }),
    transposingSet: (_, { payload }: PayloadAction<Transposing>) => payload,
  },
  // A neck that was tried out belongs to the study it was tried on.
  extraReducers: (builder) => void builder.addCase(studyOpened, () => initialState),
});

export const { whatChosen, moveChosen, keyStepped, transposingSet } = transposing.actions;
export const transposingReducer = transposing.reducer;
