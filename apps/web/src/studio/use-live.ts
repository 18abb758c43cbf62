import type { JobNews, JobView, Presence } from '@brachytone/job';
import { useEffect } from 'react';
import { toast } from 'sonner';
import { pictures } from '../engine/pictures.ts';
import { newsLine } from '../server/news-line.ts';
import { api } from '../store/api.ts';
import { caughtUp } from '../store/job-slice.ts';
import { studioApi } from '../store/studio-api.ts';
import { told } from '../store/presence-slice.ts';
import { useAppDispatch, useAppSelector, type AppThunk } from '../store/store.ts';

/** Takes what was saved elsewhere, while nothing here is unsaved; what is unsaved is merged when it is saved. */
const catchUp =
  (id: string): AppThunk<Promise<void>> =>
  async (dispatch, getState) => {
    const answer = await fetch(`/api/jobs/${id}`).catch(() => undefined);
    if (!answer?.ok) return;
    const theirs = (await answer.json()) as JobView;
    const { job } = getState();
    if (job?.id !== id || theirs.revision <= job.revision || job.changes !== job.savedChanges) return;
    theirs.files.forEach(pictures.want);
    dispatch(caughtUp(theirs));
    const last = theirs.steps.at(theirs.position - 1);
    toast(`${theirs.changedBy ?? 'Another window'} changed this job${last ? `: ${last.label}` : ''}.`, {
      id: 'caught up',
    });
  };

const hearOf =
  ({ id, revision }: JobNews): AppThunk =>
  (dispatch, getState) => {
    const { job } = getState();
    if (!job) dispatch(api.util.invalidateTags(['jobs']));
    else if (job.id === id) {
      if (revision > job.revision) void dispatch(catchUp(id));
      // Whether links show the job as it is may have changed, where there are any.
      const links = studioApi.endpoints.proofLinks.select(id)(getState() as never).data;
      if (links && links.length > 0) dispatch(api.util.invalidateTags(['proof links']));
    }
  };

/** Tells the others which job one has open, and hears of them. */
export function useLive(): void {
  const dispatch = useAppDispatch();
  const id = useAppSelector((state) => state.job?.id);
  useEffect(() => {
    const line = newsLine();
    const stop = [
      line.hear('presence', (data) => dispatch(told(JSON.parse(data) as Presence[]))),
      line.hear('job', (data) => dispatch(hearOf(JSON.parse(data) as JobNews))),
      line.hear('proof', () => dispatch(api.util.invalidateTags(['proof links']))),
      line.hearOfMissed(() => {
        if (id !== undefined) void dispatch(catchUp(id));
        else dispatch(api.util.invalidateTags(['jobs']));
      }),
    ];
    line.open(id);
    return () => stop.forEach((end) => end());
  }, [dispatch, id]);
  useEffect(() => () => newsLine().close(), []);
}

/** Others who have a job open. */
export function useOthers(job: string, me: string | undefined): readonly Presence[] {
  const all = useAppSelector((state) => state.presence);
  return all.filter((one) => one.job === job && one.person !== me);
}
