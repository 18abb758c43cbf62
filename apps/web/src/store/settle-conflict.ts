import type { JobDocument } from '@brachytone/job';
import { toast } from 'sonner';
import { api, sentenceOf } from './api.ts';
import { keptMine, takeTheirs } from './job-slice.ts';
import type { AppThunk } from './store.ts';

const clock = (): string =>
  new Date().toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Keeps a version as a pull; true once it is kept. */
const kept =
  (job: string, name: string, document: JobDocument): AppThunk<Promise<boolean>> =>
  async (dispatch) => {
    try {
      await dispatch(api.endpoints.keepPull.initiate({ job, name, document })).unwrap();
      return true;
    } catch (error) {
      toast.error(`The other version could not be kept, so nothing was changed. ${sentenceOf(error)}`);
      return false;
    }
  };

/** Of two versions of the open job, keeps this window's; the other one becomes a pull. */
export const keepMine = (): AppThunk<Promise<void>> => async (dispatch, getState) => {
  const { job } = getState();
  if (!job?.theirs) return;
  if (await dispatch(kept(job.id, `Another window’s, ${clock()}`, job.theirs.document))) dispatch(keptMine());
};

/** Takes the other one; this window's becomes a pull. */
export const takeOther = (): AppThunk<Promise<void>> => async (dispatch, getState) => {
  const { job } = getState();
  if (!job?.theirs) return;
  if (await dispatch(kept(job.id, `This window’s, ${clock()}`, job.document))) dispatch(takeTheirs());
};
