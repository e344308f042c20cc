import { API, type Correction, type Kept, type KeptPass, type OwnDrill, type PassCharts, type PassFilter, type PassHistory, type PassPage, type Problem, type Round, type Saved } from '../../../contract'; // prettier-ignore
import { api } from '../api';

const at = (...parts: string[]): string => [API.passes, ...parts.map(encodeURIComponent)].join('/');
const queryOf = (fields: object): string => {
  const query = new URLSearchParams();
  for (const [key, value] of Object.entries(fields)) if (value !== undefined && value !== '') query.set(key, String(value));
  return query.size ? `?${query.toString()}` : '';
};

export interface HistoryAsked {
  readonly studies: string[];
  readonly since: { readonly study: string; readonly shape: string; readonly at: number }[];
}

/** The log and the drills of the notebook, as the client sees them. */
const logApi = api.enhanceEndpoints({ addTagTypes: ['Passes', 'Drills', 'Rounds'] }).injectEndpoints({
  endpoints: (build) => ({
    passes: build.query<PassPage, PassFilter & { readonly offset: number; readonly limit: number }>({
      query: (asked) => `${API.passes}${queryOf(asked)}`,
      providesTags: ['Passes'],
    }),
    passCharts: build.query<PassCharts, PassFilter>({ query: (asked) => `${at('charts')}${queryOf(asked)}`, providesTags: ['Passes'] }),
    passHistory: build.query<PassHistory, HistoryAsked>({
      query: ({ studies, since }) => {
        const query = new URLSearchParams({ studies: studies.join(',') });
        for (const s of since) query.append('since', `${s.study}/${s.shape}/${s.at}`);
        return `${at('history')}?${query.toString()}`;
      },
      providesTags: ['Passes'],
    }),
    correctPass: build.mutation<KeptPass, Correction & { readonly id: string }>({
      query: ({ id, ...body }) => ({ url: at(id), method: 'PUT', body }),
      invalidatesTags: ['Passes'],
    }),
    deletePass: build.mutation<void, string>({
      query: (id) => ({ url: at(id), method: 'DELETE' }),
      invalidatesTags: ['Passes', 'Studies'],
    }),
    restorePass: build.mutation<KeptPass, string>({
      query: (id) => ({ url: at(id, 'restore'), method: 'POST', body: {} }),
      invalidatesTags: ['Passes', 'Studies'],
    }),
    rounds: build.query<Round[], void>({ query: () => API.rounds, providesTags: ['Rounds'] }),
    drills: build.query<(Kept<OwnDrill> & { readonly problems: Problem[] })[], void>({ query: () => API.drills, providesTags: ['Drills'] }),
    createDrill: build.mutation<Saved, OwnDrill>({
      query: (body) => ({ url: API.drills, method: 'POST', body: { body } }),
      invalidatesTags: ['Drills'],
    }),
    deleteDrill: build.mutation<void, string>({
      query: (id) => ({ url: `${API.drills}/${encodeURIComponent(id)}`, method: 'DELETE' }),
      invalidatesTags: ['Drills'],
    }),
  }),
});

/** The whole log under a filter, as a file. */
export const logFile = (format: 'csv' | 'json', filter: PassFilter): string => `${at('file')}${queryOf({ format, ...filter })}`;
/** What the log says is asked for anew. */
export const passesCame = () => logApi.util.invalidateTags(['Passes', 'Studies']);

export const roundsCame = () => logApi.util.invalidateTags(['Rounds']);

export const {
  useRoundsQuery,
  usePassesQuery,
  usePassChartsQuery,
  usePassHistoryQuery,
  useCorrectPassMutation,
  useDeletePassMutation,
  useRestorePassMutation,
  useDrillsQuery,
  useCreateDrillMutation,
  useDeleteDrillMutation,
} = logApi;
