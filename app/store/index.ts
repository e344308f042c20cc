import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { autosave, saveOnLeaving } from './autosave';
import { editorReducer } from './editor';

export const store = configureStore({
  reducer: { editor: editorReducer, [api.reducerPath]: api.reducer },
  middleware: (defaults) => defaults().prepend(autosave.middleware).concat(api.middleware),
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

addEventListener('pagehide', () => saveOnLeaving(() => store.getState()));
