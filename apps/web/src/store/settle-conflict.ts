import type { JobDocument, Winner } from '@brachytone/job';
import { toast } from 'sonner';
import { api, sentenceOf } from './api.ts';
import { merged } from './job-slice.ts';
import { settled } from './rebase.ts';
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

/** Settles a conflict: where both changed the same, one is taken; the other version becomes a pull. */
export const settle =
  (winner: Winner): AppThunk<Promise<void>> =>
  async (dispatch, getState) => {
    const { job } = getState();
    if (!job?.theirs) return;
    const { theirs, id } = job;
    const [whose, other] =
      winner === 'mine'
        ? [`${theirs.changedBy ?? 'Another window'}’s`, theirs.document]
        : ['This window’s', job.document];
    if (!(await dispatch(kept(id, `${whose}, ${clock()}`, other)))) return;
    const now = getState().job;
    if (now?.id === id) dispatch(merged({ theirs, ...settled(now, theirs, winner) }));
  };
