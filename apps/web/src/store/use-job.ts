import type { JobDocument } from '@brachytone/job';
import { useAppSelector } from './store.ts';

/** The open job's document. Only for parts of the light table, which is not there without a job. */
export function useDocument(): JobDocument {
  const job = useAppSelector((state) => state.job);
  if (!job) throw new Error('No job is open.');
  return job.document;
}
