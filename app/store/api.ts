import {
  createApi,
  fetchBaseQuery,
  type BaseQueryFn,
  type EndpointBuilder,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
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

const TAGS = ['Studies', 'Instruments', 'Scales', 'Copies', 'Share'] as const;
type Tag = (typeof TAGS)[number];

const overHttpNoted: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, control, extra) => {
  const answer = await overHttp(args, control, extra);
  noteAnswer(answer.error?.status ?? 200);
  return answer;
};
type Build = EndpointBuilder<typeof overHttpNoted, Tag, 'api'>;

/** A record with what does not hold of it. */
type Told<T> = Kept<T> & { readonly problems: Problem[] };
/** A record's body that replaces the revision it was made from. */
interface Revised<T> {
  readonly id: string;
  readonly revision: number;
  readonly body: T;
}

/** What is the same for every kind of record: made, deleted, brought back; its list is stale then. */
const ofRecords = <T>(build: Build, base: string, tag: Tag) => ({
  create: build.mutation<Saved, T>({ query: (body) => ({ url: base, method: 'POST', body: { body } }), invalidatesTags: [tag] }),
  delete: build.mutation<void, string>({ query: (id) => ({ url: at(base, id), method: 'DELETE' }), invalidatesTags: [tag] }),
  restore: build.mutation<Saved, string>({
    query: (id) => ({ url: at(base, id, 'restore'), method: 'POST', body: {} }),
    invalidatesTags: [tag],
  }),
});

/** Kinds whose list holds them whole, and that are saved by hand. */
const ofWhole = <T>(build: Build, base: string, tag: Tag) => ({
  list: build.query<Told<T>[], void>({ query: () => base, providesTags: [tag] }),
  save: build.mutation<Saved, Revised<T>>({
    query: ({ id, ...body }) => ({ url: at(base, id), method: 'PUT', body }),
    invalidatesTags: [tag],
  }),
});

function studies(build: Build) {
  const { create, delete: remove, restore } = ofRecords<StudyBody>(build, API.studies, 'Studies');
  return {
    studies: build.query<StudySummary[], void>({ query: () => API.studies, providesTags: ['Studies'] }),
    study: build.query<Told<StudyBody>, string>({
      query: (id) => ({ url: at(API.studies, id), timeout: PATIENCE }),
      keepUnusedDataFor: 0,
    }),
    createStudy: create,
    saveStudy: build.mutation<Saved, Revised<StudyBody>>({
      query: ({ id, ...body }) => ({ url: at(API.studies, id), method: 'PUT', body, timeout: PATIENCE }),
      invalidatesTags: (_result, error) => (error ? [] : ['Studies']),
    }),
    deleteStudy: remove,
    restoreStudy: restore,
    versions: build.query<VersionSummary[], string>({ query: (id) => at(API.studies, id, 'versions'), keepUnusedDataFor: 0 }),
    version: build.query<
      { readonly revision: number; readonly body: StudyBody; readonly problems: Problem[] },
      { readonly id: string; readonly revision: number }
    >({
      query: ({ id, revision }) => at(API.studies, id, 'versions', revision),
    }),
  };
}

function instruments(build: Build) {
  const { create, delete: remove, restore } = ofRecords<Instrument>(build, API.instruments, 'Instruments');
  const { list, save } = ofWhole<Instrument>(build, API.instruments, 'Instruments');
  return { instruments: list, createInstrument: create, saveInstrument: save, deleteInstrument: remove, restoreInstrument: restore };
}

function scales(build: Build) {
  const { create, delete: remove, restore } = ofRecords<OwnScale>(build, API.scales, 'Scales');
  const { list, save } = ofWhole<OwnScale>(build, API.scales, 'Scales');
  return { scales: list, createScale: create, saveScale: save, deleteScale: remove, restoreScale: restore };
}

/** The notebook as a whole, and its dated copies. */
const notebook = (build: Build) => ({
  takingIn: build.query<{ readonly done: number | null }, void>({ query: () => API.progress, keepUnusedDataFor: 0 }),
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
  restoreCopy: build.mutation<TakenIn, string>({
    query: (name) => ({ url: at(API.copies, name, 'restore'), method: 'POST', body: {} }),
    invalidatesTags: ['Studies', 'Instruments', 'Scales', 'Copies'],
  }),
});

/** Devices that share the notebook. */
const share = (build: Build) => ({
  share: build.query<Offer, void>({ query: () => API.share, providesTags: ['Share'] }),
  newCode: build.mutation<Offer, void>({
    query: () => ({ url: at(API.share, 'code'), method: 'POST', body: {} }),
    invalidatesTags: ['Share'],
  }),
  shutOut: build.mutation<void, string>({
    query: (id) => ({ url: at(API.share, 'devices', id), method: 'DELETE' }),
    invalidatesTags: ['Share'],
  }),
});

/** The server as the client sees it. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: overHttpNoted,
  refetchOnFocus: true,
  tagTypes: TAGS,
  endpoints: (build) => ({ ...studies(build), ...instruments(build), ...scales(build), ...notebook(build), ...share(build) }),
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
