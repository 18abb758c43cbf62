import { toast } from 'sonner';
import { sentenceOf, useStartRunMutation } from '../store/api.ts';
import { saveNow } from '../store/autosave.ts';
import { filmsAsked } from '../store/check-slice.ts';
import { store } from '../store/store.ts';

/** Starts a run for the open job, once what is on the table is saved. What will fail on the press is asked about first. */
export function useMakeFilms(): [(isSure?: boolean) => void, boolean] {
  const [startRun, { isLoading }] = useStartRunMutation();
  const make = async () => {
    await saveNow();
    const { job } = store.getState();
    if (!job) return;
    if (job.changes !== job.savedChanges) {
      toast.error('The films were not started: what is on the table is not saved yet.');
      return;
    }
    const result = await startRun(job.id);
    if (result.error) toast.error(sentenceOf(result.error));
  };
  const begin = (isSure = false) => {
    const { findings } = store.getState().check;
    if (!isSure && findings?.some(({ severity }) => severity === 'fail')) store.dispatch(filmsAsked(true));
    else void make();
  };
  return [begin, isLoading];
}
