import type { Draft } from '@reduxjs/toolkit';
import {
  createApi,
  fetchBaseQuery,
  QueryStatus,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import type { Calibration, Press, Stock, TargetReading, ToneReading } from '@brachytone/core';
import type {
  ChannelsView,
  JobDocument,
  JobOnPress,
  JobRemoval,
  JobStart,
  JobsPage,
  JobsWish,
  JobWithDocument,
  JobView,
  KeptCalibration,
  KeptInk,
  KeptPreparation,
  KeptPress,
  KeptScreen,
  KeptStock,
  NamedScreen,
  OriginalView,
  Preparation,
  ProblemDetails,
  ProfileView,
  PullView,
  Amount,
  GangPreview,
  GangWish,
  KeepRule,
  RunView,
  StorageView,
  StoredId,
  SetAsideView,
  ShelfInk,
  Taking,
} from '@brachytone/job';
import { changeHeaders } from '../server/change-headers.ts';
import { newsLine } from '../server/news-line.ts';
import { takeEarly } from './early-job.ts';

const ask = fetchBaseQuery({
  baseUrl: '/api',
  prepareHeaders: (headers) => {
    for (const [name, value] of Object.entries(changeHeaders())) headers.set(name, value);
  },
});

/** Asks; where nobody is signed in any more, the page shows its door. */
const askAsPerson: typeof ask = async (wish, of, options) => {
  const answer = await ask(wish, of, options);
  if (answer.error?.status === 401) of.dispatch(api.util.invalidateTags(['me']));
  return answer;
};

/** Everything the server is asked for, but saves of the open job (see autosave). */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: askAsPerson,
  tagTypes: [
    'me',
    'proof links',
    'jobs',
    'set aside',
    'runs',
    'storage',
    'fonts',
    'preparations',
    'screens',
    'inks',
    'stocks',
    'presses',
    'calibrations',
    'pulls',
  ],
  endpoints: (build) => ({
    jobs: build.infiniteQuery<JobsPage, JobsWish, number>({
      infiniteQueryOptions: {
        initialPageParam: 0,
        getNextPageParam: ({ next }) => next ?? undefined,
      },
      query: ({ queryArg, pageParam }) => ({ url: 'jobs', params: { ...queryArg, from: pageParam } }),
      providesTags: ['jobs'],
    }),
    jobsOnPress: build.query<JobOnPress[], string>({
      query: (press) => `jobs/on-press/${press}`,
      providesTags: ['jobs'],
    }),
    jobRemoval: build.query<JobRemoval, string>({
      query: (id) => `jobs/${id}/removal`,
      keepUnusedDataFor: 0,
    }),
    removeJob: build.mutation<void, string>({
      query: (id) => ({ url: `jobs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['jobs', 'runs', 'storage'],
    }),
    setAside: build.query<SetAsideView[], void>({
      query: () => 'set-aside',
      providesTags: ['set aside'],
    }),
    dropSetAside: build.mutation<void, string>({
      query: (id) => ({ url: `set-aside/${id}`, method: 'DELETE' }),
      invalidatesTags: ['set aside'],
    }),
    job: build.query<JobView, string>({
      async queryFn(id, _api, _options, ask) {
        const early = await takeEarly(id);
        const answer = early ? { data: early } : await ask(`jobs/${id}`);
        return answer as { data: JobView } | { error: FetchBaseQueryError };
      },
      keepUnusedDataFor: 0,
    }),
    startJob: build.mutation<JobWithDocument, JobStart>({
      query: (body) => ({ url: 'jobs', method: 'POST', body }),
      invalidatesTags: ['jobs'],
    }),
    createJob: build.mutation<JobWithDocument, JobDocument>({
      query: (document) => ({ url: 'jobs', method: 'POST', body: { document } }),
      invalidatesTags: ['jobs'],
    }),
    openArchive: build.mutation<JobWithDocument, Blob>({
      query: (file) => ({
        url: 'archives',
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/zip' },
      }),
      invalidatesTags: ['jobs'],
    }),
    duplicateJob: build.mutation<JobWithDocument, string>({
      query: (id) => ({ url: `jobs/${id}/duplicate`, method: 'POST' }),
      invalidatesTags: ['jobs'],
    }),
    putAway: build.mutation<JobWithDocument, { id: string; putAway: boolean }>({
      query: ({ id, putAway }) => ({ url: `jobs/${id}`, method: 'PATCH', body: { putAway } }),
      invalidatesTags: ['jobs'],
    }),
    original: build.query<OriginalView, string>({ query: (sha256) => `files/${sha256}` }),
    addOriginal: build.mutation<OriginalView, Blob>({
      query: (file) => ({
        url: 'files',
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
      invalidatesTags: (added) => (added?.kind === 'font' ? ['fonts'] : []),
    }),
    fonts: build.query<OriginalView[], void>({ query: () => 'files/fonts', providesTags: ['fonts'] }),
    preparations: build.query<KeptPreparation[], void>({
      query: () => 'shelf/preparations',
      providesTags: ['preparations', 'screens'],
    }),
    keepPreparation: build.mutation<KeptPreparation, Preparation>({
      query: (body) => ({ url: 'shelf/preparations', method: 'POST', body }),
      invalidatesTags: ['preparations', 'screens'],
    }),
    dropPreparation: build.mutation<void, string>({
      query: (id) => ({ url: `shelf/preparations/${id}`, method: 'DELETE' }),
      invalidatesTags: ['preparations', 'screens'],
    }),
    screens: build.query<KeptScreen[], void>({
      query: () => 'shelf/screens',
      providesTags: ['screens'],
    }),
    keepScreen: build.mutation<KeptScreen, NamedScreen>({
      query: (body) => ({ url: 'shelf/screens', method: 'POST', body }),
      invalidatesTags: ['screens'],
    }),
    dropScreen: build.mutation<void, string>({
      query: (id) => ({ url: `shelf/screens/${id}`, method: 'DELETE' }),
      invalidatesTags: ['screens'],
    }),
    inks: build.query<KeptInk[], void>({ query: () => 'shelf/inks', providesTags: ['inks'] }),
    keepInk: build.mutation<KeptInk, ShelfInk>({
      query: (body) => ({ url: 'shelf/inks', method: 'POST', body }),
      invalidatesTags: ['inks'],
    }),
    dropInk: build.mutation<void, string>({
      query: (id) => ({ url: `shelf/inks/${id}`, method: 'DELETE' }),
      invalidatesTags: ['inks'],
    }),
    stocks: build.query<KeptStock[], void>({ query: () => 'shelf/stocks', providesTags: ['stocks'] }),
    keepStock: build.mutation<KeptStock, Stock>({
      query: (body) => ({ url: 'shelf/stocks', method: 'POST', body }),
      invalidatesTags: ['stocks'],
    }),
    dropStock: build.mutation<void, string>({
      query: (id) => ({ url: `shelf/stocks/${id}`, method: 'DELETE' }),
      invalidatesTags: ['stocks'],
    }),
    presses: build.query<KeptPress[], void>({ query: () => 'shelf/presses', providesTags: ['presses'] }),
    keepPress: build.mutation<KeptPress, Press>({
      query: (body) => ({ url: 'shelf/presses', method: 'POST', body }),
      invalidatesTags: ['presses'],
    }),
    changePress: build.mutation<KeptPress, { id: string; press: Press }>({
      query: ({ id, press }) => ({ url: `shelf/presses/${id}`, method: 'PUT', body: press }),
      invalidatesTags: ['presses'],
    }),
    dropPress: build.mutation<void, string>({
      query: (id) => ({ url: `shelf/presses/${id}`, method: 'DELETE' }),
      invalidatesTags: ['presses'],
    }),
    calibrations: build.query<KeptCalibration[], void>({
      query: () => 'calibrations',
      providesTags: ['calibrations'],
    }),
    keepCalibration: build.mutation<KeptCalibration, Calibration>({
      query: (body) => ({ url: 'calibrations', method: 'POST', body }),
      invalidatesTags: ['calibrations'],
    }),
    changeCalibration: build.mutation<KeptCalibration, KeptCalibration>({
      query: ({ id, ...body }) => ({ url: `calibrations/${id}`, method: 'PUT', body }),
      invalidatesTags: ['calibrations'],
    }),
    dropCalibration: build.mutation<void, string>({
      query: (id) => ({ url: `calibrations/${id}`, method: 'DELETE' }),
      invalidatesTags: ['calibrations'],
    }),
    readTarget: build.mutation<TargetReading, { id: string; sha256: string }>({
      query: ({ id, sha256 }) => ({ url: `calibrations/${id}/scan`, method: 'POST', body: { sha256 } }),
    }),
    simulatedReadings: build.mutation<ToneReading[][], { id: string; gain: number }>({
      query: ({ id, gain }) => ({
        url: `calibrations/${id}/simulated-readings`,
        method: 'POST',
        body: { gain },
      }),
    }),
    simulatedScan: build.mutation<{ sha256: string }, { id: string; gain: number }>({
      query: ({ id, gain }) => ({ url: `calibrations/${id}/simulated-scan`, method: 'POST', body: { gain } }),
    }),
    retake: build.mutation<OriginalView, Taking & { sha256: string }>({
      query: ({ sha256, ...body }) => ({ url: `files/${sha256}/taken`, method: 'POST', body }),
    }),
    paint: build.mutation<OriginalView, { sha256: string; longest: number }>({
      query: ({ sha256, longest }) => ({
        url: `files/${sha256}/painted`,
        method: 'POST',
        body: { longest },
      }),
    }),
    channels: build.mutation<ChannelsView, string>({
      query: (sha256) => ({ url: `files/${sha256}/channels`, method: 'POST' }),
    }),
    profile: build.query<ProfileView, string>({ query: (sha256) => `files/${sha256}/profile` }),
    pulls: build.query<PullView[], string>({
      query: (job) => `jobs/${job}/pulls`,
      providesTags: ['pulls'],
    }),
    keepPull: build.mutation<PullView, { job: string; name: string; document: JobDocument }>({
      query: ({ job, ...body }) => ({ url: `jobs/${job}/pulls`, method: 'POST', body }),
      invalidatesTags: ['pulls'],
    }),
    printPull: build.mutation<
      PullView,
      { job: string; name: string; document: JobDocument; calibration: string }
    >({
      query: ({ job, ...body }) => ({ url: `jobs/${job}/pulls/printed`, method: 'POST', body }),
      invalidatesTags: ['pulls'],
    }),
    renamePull: build.mutation<PullView, { job: string; pull: string; name: string }>({
      query: ({ job, pull, name }) => ({ url: `jobs/${job}/pulls/${pull}`, method: 'PATCH', body: { name } }),
      invalidatesTags: ['pulls'],
    }),
    dropPull: build.mutation<void, { job: string; pull: string }>({
      query: ({ job, pull }) => ({ url: `jobs/${job}/pulls/${pull}`, method: 'DELETE' }),
      invalidatesTags: ['pulls'],
    }),
    runs: build.query<RunView[], { most: number; job?: string }>({
      query: (params) => ({ url: 'runs', params }),
      providesTags: ['runs'],
      // Whoever looks again sees what became of them meanwhile.
      keepUnusedDataFor: 0,
      async onCacheEntryAdded(
        { job },
        { updateCachedData, cacheDataLoaded, cacheEntryRemoved, getCacheEntry, dispatch },
      ) {
        const line = newsLine();
        const askAgain = () => dispatch(api.util.invalidateTags(['runs']));
        const change = (recipe: Parameters<typeof updateCachedData>[0]) => {
          // A list that is on its way may be older than this, and would put back what was: it is asked for once more then.
          if (getCacheEntry().status === QueryStatus.pending) askAgain();
          if (getCacheEntry().data) updateCachedData(recipe);
        };
        const stop = [
          line.hear('run', (data) => {
            const run = JSON.parse(data) as Draft<RunView>;
            if (job !== undefined && run.jobId !== job) return;
            change((runs) => {
              const at = runs.findIndex(({ id }) => id === run.id);
              if (at < 0) runs.unshift(run);
              else runs[at] = run;
            });
          }),
          line.hear('gone', (data) => change((runs) => runs.filter(({ id }) => id !== data))),
          line.hearOfMissed(askAgain),
        ];
        // Without the list itself there is nothing to change; the query shows that.
        await cacheDataLoaded.catch(() => undefined);
        await cacheEntryRemoved;
        stop.forEach((end) => end());
      },
    }),
    gangPlan: build.query<GangPreview, GangWish>({
      query: (wish) => ({ url: 'runs/gang/plan', method: 'POST', body: wish }),
      keepUnusedDataFor: 0,
    }),
    startGang: build.mutation<RunView, GangWish>({
      query: (wish) => ({ url: 'runs/gang', method: 'POST', body: wish }),
      invalidatesTags: ['runs'],
    }),
    storage: build.query<StorageView, void>({ query: () => 'storage', providesTags: ['storage'] }),
    triedRule: build.query<Amount, { kind: StoredId; rule: KeepRule }>({
      query: ({ kind, rule }) => ({ url: `storage/${kind}/tried`, method: 'POST', body: rule }),
      keepUnusedDataFor: 0,
    }),
    setRule: build.mutation<Amount, { kind: StoredId; rule: KeepRule }>({
      query: ({ kind, rule }) => ({ url: `storage/${kind}/rule`, method: 'PUT', body: rule }),
      invalidatesTags: ['storage', 'runs', 'jobs'],
    }),
    cleanAway: build.mutation<Amount, { kind: StoredId; rule: KeepRule }>({
      query: ({ kind, rule }) => ({ url: `storage/${kind}/clean`, method: 'POST', body: rule }),
      invalidatesTags: ['storage', 'runs', 'jobs'],
    }),
    removeRun: build.mutation<void, string>({
      query: (id) => ({ url: `runs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['runs', 'storage'],
    }),
    startRun: build.mutation<RunView, string>({
      query: (jobId) => ({ url: 'runs', method: 'POST', body: { jobId } }),
      invalidatesTags: ['runs'],
    }),
    cancelRun: build.mutation<RunView, string>({
      query: (id) => ({ url: `runs/${id}/cancel`, method: 'POST' }),
      invalidatesTags: ['runs'],
    }),
    runAgain: build.mutation<RunView, string>({
      query: (id) => ({ url: `runs/${id}/again`, method: 'POST' }),
      invalidatesTags: ['runs'],
    }),
  }),
});

export const {
  useJobsInfiniteQuery,
  useJobsOnPressQuery,
  useJobRemovalQuery,
  useRemoveJobMutation,
  useSetAsideQuery,
  useDropSetAsideMutation,
  useJobQuery,
  useLazyJobQuery,
  useStartJobMutation,
  useCreateJobMutation,
  useOpenArchiveMutation,
  useDuplicateJobMutation,
  usePutAwayMutation,
  useOriginalQuery,
  useAddOriginalMutation,
  useFontsQuery,
  usePreparationsQuery,
  useKeepPreparationMutation,
  useDropPreparationMutation,
  useScreensQuery,
  useKeepScreenMutation,
  useDropScreenMutation,
  useInksQuery,
  useKeepInkMutation,
  useDropInkMutation,
  useStocksQuery,
  useKeepStockMutation,
  useDropStockMutation,
  usePressesQuery,
  useKeepPressMutation,
  useChangePressMutation,
  useDropPressMutation,
  useCalibrationsQuery,
  useKeepCalibrationMutation,
  useChangeCalibrationMutation,
  useDropCalibrationMutation,
  useReadTargetMutation,
  useSimulatedReadingsMutation,
  useSimulatedScanMutation,
  useProfileQuery,
  useLazyProfileQuery,
  usePaintMutation,
  useRetakeMutation,
  useChannelsMutation,
  usePullsQuery,
  useKeepPullMutation,
  usePrintPullMutation,
  useRenamePullMutation,
  useDropPullMutation,
  useRunsQuery,
  useStorageQuery,
  useGangPlanQuery,
  useStartGangMutation,
  useTriedRuleQuery,
  useSetRuleMutation,
  useCleanAwayMutation,
  useRemoveRunMutation,
  useStartRunMutation,
  useCancelRunMutation,
  useRunAgainMutation,
} = api;

/** The server's sentence about an error, or one of our own when it could not be reached. */
export function sentenceOf(error: unknown): string {
  const data = (error as { data?: Partial<ProblemDetails> }).data;
  return (
    data?.detail ??
    'Brachytone’s server cannot be reached. Your work is kept here; it is saved when the server is back.'
  );
}
