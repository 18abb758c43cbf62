import type { FirstLook, JobDocument, Laid, Treatment, TreatmentView } from '@brachytone/job';
import { api } from './api.ts';

/** What the server is asked about treatments. */
export const treatmentsApi = api.enhanceEndpoints({ addTagTypes: ['treatments'] }).injectEndpoints({
  endpoints: (build) => ({
    treatments: build.query<TreatmentView[], void>({
      query: () => 'treatments',
      providesTags: ['treatments'],
    }),
    firstLook: build.query<FirstLook, string>({
      query: (original) => ({ url: 'first-look', params: { original } }),
      providesTags: ['treatments'],
    }),
    keepTreatment: build.mutation<TreatmentView, Treatment>({
      query: (body) => ({ url: 'treatments', method: 'POST', body }),
      invalidatesTags: ['treatments'],
    }),
    dropTreatment: build.mutation<void, string>({
      query: (id) => ({ url: `treatments/${id}`, method: 'DELETE' }),
      invalidatesTags: ['treatments'],
    }),
    layTreatment: build.mutation<Laid, { id: string; document: JobDocument }>({
      query: ({ id, document }) => ({ url: `treatments/${id}/laid`, method: 'POST', body: { document } }),
    }),
  }),
});

export const {
  useTreatmentsQuery,
  useFirstLookQuery,
  useKeepTreatmentMutation,
  useDropTreatmentMutation,
  useLayTreatmentMutation,
} = treatmentsApi;
