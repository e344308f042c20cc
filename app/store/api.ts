import { createApi, fetchBaseQuery, type FetchArgs } from '@reduxjs/toolkit/query/react';
import type { Instrument } from '../../core';
import {
  API,
  type Bundle,
  type DatedCopy,
  type Kept,
  type Offer,
  type OwnScale,
  type Problem,
  type Saved,
  type StudyBody,
  type StudySummary,
  type TakenIn,
  type VersionSummary,
} from '../../contract';

import { noteAnswer } from './let-in';

const at = (base: string, ...parts: (string | number)[]): string => [base, ...parts.map((p) => encodeURIComponent(p))].join('/');

const overHttp = fetchBaseQuery({ baseUrl: '' });

/** A study that gets no answer for so long gets none: a device that left the network is not told so. In ms. */
const PATIENCE = 15_000;

/** The server as the client sees it. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: async (args: string | FetchArgs, control, extra: object) => {
    const answer = await overHttp(args, control, extra);
    noteAnswer(answer.error?.status ?? 200);
    return answer;
  },
  refetchOnFocus: true,
  tagTypes: ['Studies', 'Instruments', 'Scales', 'Copies', 'Share'],
  endpoints: (build) => ({
    studies: build.query<StudySummary[], void>({ query: () => API.studies, providesTags: ['Studies'] }),
    study: build.query<Kept<StudyBody> & { readonly problems: Problem[] }, string>({
      query: (id) => ({ url: at(API.studies, id), timeout: PATIENCE }),
      keepUnusedDataFor: 0,
    }),
    createStudy: build.mutation<Saved, StudyBody>({
      query: (body) => ({ url: API.studies, method: 'POST', body: { body } }),
      invalidatesTags: ['Studies'],
    }),
    saveStudy: build.mutation<Saved, { readonly id: string; readonly revision: number; readonly body: StudyBody }>({
      query: ({ id, ...body }) => ({ url: at(API.studies, id), method: 'PUT', body, timeout: PATIENCE }),
      invalidatesTags: (_result, error) => (error ? [] : ['Studies']),
    }),
    deleteStudy: build.mutation<void, string>({
      query: (id) => ({ url: at(API.studies, id), method: 'DELETE' }),
      invalidatesTags: ['Studies'],
    }),
    restoreStudy: build.mutation<Saved, string>({
      query: (id) => ({ url: at(API.studies, id, 'restore'), method: 'POST', body: {} }),
      invalidatesTags: ['Studies'],
    }),
    versions: build.query<VersionSummary[], string>({ query: (id) => at(API.studies, id, 'versions'), keepUnusedDataFor: 0 }),
    version: build.query<
      { readonly revision: number; readonly body: StudyBody; readonly problems: Problem[] },
      { readonly id: string; readonly revision: number }
    >({
      query: ({ id, revision }) => at(API.studies, id, 'versions', revision),
    }),
    takingIn: build.query<{ readonly done: number | null }, void>({ query: () => API.progress, keepUnusedDataFor: 0 }),
    instruments: build.query<(Kept<Instrument> & { readonly problems: Problem[] })[], void>({
      query: () => API.instruments,
      providesTags: ['Instruments'],
    }),
    createInstrument: build.mutation<Saved, Instrument>({
      query: (body) => ({ url: API.instruments, method: 'POST', body: { body } }),
      invalidatesTags: ['Instruments'],
    }),
    saveInstrument: build.mutation<Saved, { readonly id: string; readonly revision: number; readonly body: Instrument }>({
      query: ({ id, ...body }) => ({ url: at(API.instruments, id), method: 'PUT', body }),
      invalidatesTags: ['Instruments'],
    }),
    deleteInstrument: build.mutation<void, string>({
      query: (id) => ({ url: at(API.instruments, id), method: 'DELETE' }),
      invalidatesTags: ['Instruments'],
    }),
    restoreInstrument: build.mutation<Saved, string>({
      query: (id) => ({ url: at(API.instruments, id, 'restore'), method: 'POST', body: {} }),
      invalidatesTags: ['Instruments'],
    }),
    scales: build.query<(Kept<OwnScale> & { readonly problems: Problem[] })[], void>({ query: () => API.scales, providesTags: ['Scales'] }),
    createScale: build.mutation<Saved, OwnScale>({
      query: (body) => ({ url: API.scales, method: 'POST', body: { body } }),
      invalidatesTags: ['Scales'],
    }),
    saveScale: build.mutation<Saved, { readonly id: string; readonly revision: number; readonly body: OwnScale }>({
      query: ({ id, ...body }) => ({ url: at(API.scales, id), method: 'PUT', body }),
      invalidatesTags: ['Scales'],
    }),
    deleteScale: build.mutation<void, string>({
      query: (id) => ({ url: at(API.scales, id), method: 'DELETE' }),
      invalidatesTags: ['Scales'],
    }),
    restoreScale: build.mutation<Saved, string>({
      query: (id) => ({ url: at(API.scales, id, 'restore'), method: 'POST', body: {} }),
      invalidatesTags: ['Scales'],
    }),
    addNotebook: build.mutation<TakenIn, Bundle>({
      query: (body) => ({ url: API.notebook, method: 'POST', body }),
      invalidatesTags: ['Studies', 'Instruments', 'Scales'],
    }),
    replaceNotebook: build.mutation<TakenIn, Bundle>({
      query: (body) => ({ url: API.notebook, method: 'PUT', body }),
      invalidatesTags: ['Studies', 'Instruments', 'Scales', 'Copies'],
    }),
    copies: build.query<DatedCopy[], void>({ query: () => API.copies, providesTags: ['Copies'] }),
    makeCopy: build.mutation<DatedCopy, void>({
      query: () => ({ url: API.copies, method: 'POST', body: {} }),
      invalidatesTags: ['Copies'],
    }),
    share: build.query<Offer, void>({ query: () => API.share, providesTags: ['Share'] }),
    newCode: build.mutation<Offer, void>({
      query: () => ({ url: at(API.share, 'code'), method: 'POST', body: {} }),
      invalidatesTags: ['Share'],
    }),
    shutOut: build.mutation<void, string>({
      query: (id) => ({ url: at(API.share, 'devices', id), method: 'DELETE' }),
      invalidatesTags: ['Share'],
    }),
    restoreCopy: build.mutation<TakenIn, string>({
      query: (name) => ({ url: at(API.copies, name, 'restore'), method: 'POST', body: {} }),
      invalidatesTags: ['Studies', 'Instruments', 'Scales', 'Copies'],
    }),
  }),
});

export const {
  useAddNotebookMutation,
  useReplaceNotebookMutation,
  useCopiesQuery,
  useShareQuery,
  useNewCodeMutation,
  useShutOutMutation,
  useMakeCopyMutation,
  useRestoreCopyMutation,
  useStudiesQuery,
  useStudyQuery,
  useVersionsQuery,
  useVersionQuery,
  useTakingInQuery,
  useCreateStudyMutation,
  useSaveStudyMutation,
  useDeleteStudyMutation,
  useRestoreStudyMutation,
  useInstrumentsQuery,
  useScalesQuery,
  useCreateScaleMutation,
  useSaveScaleMutation,
  useDeleteScaleMutation,
  useRestoreScaleMutation,
  useCreateInstrumentMutation,
  useSaveInstrumentMutation,
  useDeleteInstrumentMutation,
  useRestoreInstrumentMutation,
} = api;
