import { toast } from 'sonner';
import type { JobView } from '@brachytone/job';
import { sameDocument } from './autosave.ts';
import { broughtBack } from './job-slice.ts';
import type { AppThunk } from './store.ts';
import { dropUnsaved, leftUnsaved } from './unsaved.ts';

/** Brings back what an earlier window had of a job that was just opened, and could not save. */
export const bringBack =
  (job: JobView): AppThunk<Promise<void>> =>
  async (dispatch, getState) => {
    for (const left of await leftUnsaved(job.id)) {
      const { document, window } = left;
      if (sameDocument(document, job.document)) {
        await dropUnsaved(job.id, window);
        continue;
      }
      const open = getState().job;
      // Somebody is at work in it by now: it is brought back the next time.
      if (open?.id !== job.id || open.changes > 0) return;
      dispatch(broughtBack({ left, now: job }));
      // From here on it is this window's.
      await dropUnsaved(job.id, window);
      if (left.revision === job.revision) toast('Changes that could not be saved last time are back.');
      return;
    }
  };
