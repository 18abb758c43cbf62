import { present } from '@brachytone/core';
import { toast } from 'sonner';
import { sentenceOf, useKeepPullMutation, usePullsQuery } from '../../store/api.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { pullsShown } from '../../store/view-slice.ts';

/** Keeps the job as it is now as a pull, named by its number until it gets a name of its own. */
export function useKeepPull(): () => void {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => present(state.job, 'open job'));
  const { data: pulls = [] } = usePullsQuery(job.id);
  const [keep] = useKeepPullMutation();
  return () => {
    let number = pulls.length + 1;
    while (pulls.some(({ name }) => name === `Pull ${number}`)) number++;
    keep({ job: job.id, name: `Pull ${number}`, document: job.document })
      .unwrap()
      .then(
        () => dispatch(pullsShown(true)),
        (error: unknown) => toast.error(sentenceOf(error)),
      );
  };
}
