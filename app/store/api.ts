import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { Instrument } from '../../core';
import { API, type Bundle, type DatedCopy, type Kept, type Problem, type StudyBody, type StudySummary, type TakenIn } from '../../contract';

/** The server as the client sees it. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '' }),
  tagTypes: ['Studies', 'Instruments', 'Copies'],
  endpoints: (build) => ({
    studies: build.query<StudySummary[], void>({ query: () => API.studies, providesTags: ['Studies'] }),
    study: build.query<Kept<StudyBody> & { problems: Problem[] }, string>({ query: (id) => `${API.studies}/${id}`, keepUnusedDataFor: 0 }),
    createStudy: build.mutation<Kept<StudyBody>, StudyBody>({
      query: (body) => ({ url: API.studies, method: 'POST', body: { body } }),
      invalidatesTags: ['Studies'],
    }),
    saveStudy: build.mutation<Kept<StudyBody>, { id: string; revision: number; body: StudyBody }>({
      query: ({ id, ...body }) => ({ url: `${API.studies}/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Studies']),
    }),
    deleteStudy: build.mutation<void, string>({
      query: (id) => ({ url: `${API.studies}/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Studies'],
    }),
    restoreStudy: build.mutation<Kept<StudyBody>, string>({
      query: (id) => ({ url: `${API.studies}/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Studies'],
    }),
    instruments: build.query<(Kept<Instrument> & { problems: Problem[] })[], void>({
      query: () => API.instruments,
      providesTags: ['Instruments'],
    }),
    createInstrument: build.mutation<Kept<Instrument>, Instrument>({
      query: (body) => ({ url: API.instruments, method: 'POST', body: { body } }),
      invalidatesTags: ['Instruments'],
    }),
    saveInstrument: build.mutation<Kept<Instrument>, { id: string; revision: number; body: Instrument }>({
      query: ({ id, ...body }) => ({ url: `${API.instruments}/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Instruments'],
    }),
    deleteInstrument: build.mutation<void, string>({
      query: (id) => ({ url: `${API.instruments}/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Instruments'],
    }),
    restoreInstrument: build.mutation<Kept<Instrument>, string>({
      query: (id) => ({ url: `${API.instruments}/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['Instruments'],
    }),
    addNotebook: build.mutation<TakenIn, Bundle>({
      query: (body) => ({ url: API.notebook, method: 'POST', body }),
      invalidatesTags: ['Studies', 'Instruments'],
    }),
    replaceNotebook: build.mutation<TakenIn, Bundle>({
      query: (body) => ({ url: API.notebook, method: 'PUT', body }),
      invalidatesTags: ['Studies', 'Instruments', 'Copies'],
    }),
    copies: build.query<DatedCopy[], void>({ query: () => API.copies, providesTags: ['Copies'] }),
    makeCopy: build.mutation<DatedCopy, void>({ query: () => ({ url: API.copies, method: 'POST' }), invalidatesTags: ['Copies'] }),
    restoreCopy: build.mutation<TakenIn, string>({
      query: (name) => ({ url: `${API.copies}/${name}/restore`, method: 'POST' }),
      invalidatesTags: ['Studies', 'Instruments', 'Copies'],
    }),
  }),
});

export const {
  useAddNotebookMutation,
  useReplaceNotebookMutation,
  useCopiesQuery,
  useMakeCopyMutation,
  useRestoreCopyMutation,
  useStudiesQuery,
  useCreateStudyMutation,
  useSaveStudyMutation,
  useDeleteStudyMutation,
  useRestoreStudyMutation,
  useInstrumentsQuery,
  useCreateInstrumentMutation,
  useSaveInstrumentMutation,
  useDeleteInstrumentMutation,
  useRestoreInstrumentMutation,
} = api;
