import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { autosave, flush, saveOnLeaving } from './autosave';
import { editorReducer } from './editor';
import { harmonyReducer } from './harmony';
import { overReducer } from './over';
import { transposingReducer } from './transposing';

export const store = configureStore({
  reducer: {
    editor: editorReducer,
    transposing: transposingReducer,
    harmony: harmonyReducer,
    over: overReducer,
    [api.reducerPath]: api.reducer,
  },
  middleware: (defaults) => defaults().prepend(autosave.middleware).concat(api.middleware),
});

setupListeners(store.dispatch); // lists are asked for again when the window is come back to

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

addEventListener('pagehide', () => saveOnLeaving(() => store.getState()));
document.addEventListener('visibilitychange', () => {
  if (document.visibilityState === 'hidden') void flush(() => store.getState(), store.dispatch);
});
