import type { JobDocument } from '@brachytone/job';
import { useAppSelector } from './store.ts';

/** The open job's document. Only for parts of the light table, which is not there without a job. */
export function useDocument(): JobDocument {
  const document = useAppSelector((state) => state.job?.document);
  if (!document) throw new Error('No job is open.');
  return document;
}
