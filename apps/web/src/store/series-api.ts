import type { RunView, Series, SeriesView } from '@brachytone/job';
import { api } from './api.ts';

/** What the server is asked about series. */
export const seriesApi = api.enhanceEndpoints({ addTagTypes: ['series'] }).injectEndpoints({
  endpoints: (build) => ({
    series: build.query<SeriesView, string>({
      query: (job) => `jobs/${job}/series`,
      providesTags: ['series'],
    }),
    saveSeries: build.mutation<SeriesView, { job: string; revision: number; series: Series }>({
      query: ({ job, ...body }) => ({ url: `jobs/${job}/series`, method: 'PUT', body }),
    }),
    startSeriesRun: build.mutation<RunView, string>({
      query: (job) => ({ url: `jobs/${job}/series/run`, method: 'POST' }),
      invalidatesTags: ['runs'],
    }),
  }),
});

export const { useSeriesQuery, useSaveSeriesMutation, useStartSeriesRunMutation } = seriesApi;
