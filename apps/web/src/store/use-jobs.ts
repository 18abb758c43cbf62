import type { JobsWish, JobSummary } from '@brachytone/job';
import { useJobsInfiniteQuery } from './api.ts';

/** Every job on the board, lately touched first. */
export const ON_BOARD: JobsWish = { away: false, find: '', order: 'touched' };

/** Jobs as far as they were asked for, and a way to ask for more of them while there are. */
export function useJobs(wish: JobsWish): {
  readonly jobs: readonly JobSummary[];
  /** How many are put away. */
  readonly away: number;
  readonly error: unknown;
  readonly isLoading: boolean;
  readonly more: (() => void) | undefined;
} {
  const { data, error, isLoading, hasNextPage, isFetchingNextPage, fetchNextPage } = useJobsInfiniteQuery(
    wish,
    { refetchOnMountOrArgChange: true },
  );
  return {
    jobs: data?.pages.flatMap(({ jobs }) => jobs) ?? [],
    away: data?.pages[0]?.away ?? 0,
    error,
    isLoading,
    more: hasNextPage && !isFetchingNextPage ? () => void fetchNextPage() : undefined,
  };
}
