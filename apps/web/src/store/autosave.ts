import { stringify } from 'safe-stable-stringify';
import { toast } from 'sonner';
import type { JobView, ProblemDetails } from '@brachytone/job';
import { api } from './api.ts';
import { changeHeaders } from '../server/change-headers.ts';
import { merged, saved, saveFailed, saving } from './job-slice.ts';
import { rebase } from './rebase.ts';
import { store, type AppStore } from './store.ts';
import { dropUnsaved, keepUnsaved } from './unsaved.ts';

/** Rest after the last change before it is saved, ms. */
const PAUSE = 250;
/** Rest after the last change before it is kept in the browser, ms. */
const KEEP_PAUSE = 120;
/** Rest before another try when it could not be: longer each time, up to a limit, ms. */
const FIRST_RETRY = 2000;
const LONGEST_RETRY = 30_000;

/** The database keeps the members of objects in an order of its own. */
export const sameDocument = (a: unknown, b: unknown): boolean => stringify(a) === stringify(b);

// Changes come in while a save is on its way; the next one must wait for its revision.
let underWay = false;

/** Sends the open job's unsaved state once. One save at a time. */
async function saveOnce({ dispatch, getState }: AppStore, keepalive: boolean): Promise<void> {
  const { job } = getState();
  if (!job || job.changes === job.savedChanges || underWay || job.save === 'conflict') return;
  const { id, document, revision, changes, position } = job;
  const from = Math.min(job.unsavedFrom, job.steps.length);
  const body = { revision, document, history: { from, steps: job.steps.slice(from), position } };
  underWay = true;
  dispatch(saving());
  const stillOpen = () => getState().job?.id === id;
  try {
    const response = await fetch(`/api/jobs/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', ...changeHeaders() },
      body: JSON.stringify(body),
      keepalive,
    });
    const answer = (await response.json()) as { revision: number } | ProblemDetails;
    underWay = false;
    if (!stillOpen()) return;
    if (response.ok) {
      const base = { document, position };
      dispatch(saved({ revision: (answer as { revision: number }).revision, changes, base }));
      return;
    }
    if (response.status === 401) dispatch(api.util.invalidateTags(['me']));
    const problem = answer as ProblemDetails;
    const theirs: JobView | undefined = problem.job;
    // Our own save arrived, only its answer was lost.
    if (theirs && sameDocument(theirs.document, document) && theirs.position === position) {
      dispatch(saved({ revision: theirs.revision, changes, base: { document, position } }));
      return;
    }
    const now = getState().job;
    const both = theirs && now ? rebase(now, Math.min(now.unsavedFrom, from), theirs) : undefined;
    if (theirs && both && 'document' in both) {
      dispatch(merged({ theirs, ...both }));
      toast(`${theirs.changedBy ?? 'Another window'} changed this job too. Both changes are in it.`, {
        id: 'merged',
      });
      return;
    }
    dispatch(
      saveFailed({
        // A history that does not fit what the server has, as it was cleaned away there, is sent whole.
        ...(response.status === 422 && from > 0
          ? { save: 'unsaved' as const, unsavedFrom: 0 }
          : // What the server itself could not do, for want of room or of its database, it may do in a while.
            {
              save: theirs ? 'conflict' : response.status >= 500 ? 'unreachable' : 'refused',
              unsavedFrom: from,
            }),
        message: problem.detail,
        ...(theirs ? { theirs } : {}),
        ...both,
      }),
    );
  } catch {
    underWay = false;
    if (!stillOpen()) return;
    dispatch(
      saveFailed({
        save: 'unreachable',
        message: 'Not saved: the server cannot be reached. Your work is kept here and saved when it is back.',
        unsavedFrom: from,
      }),
    );
  }
}

/** Keeps what could not be saved of the open job, before it is closed. */
export async function leaveNothing(): Promise<void> {
  await saveNow();
  const { job } = store.getState();
  if (job && job.changes !== job.savedChanges) await keepUnsaved(job);
}

/** Saves what is not saved yet, now; resolves when it is, or cannot be. */
export async function saveNow(): Promise<void> {
  for (let turn = 0; turn < 100; turn++) {
    const { job } = store.getState();
    if (!job || job.changes === job.savedChanges) return;
    if (underWay) await new Promise((resolve) => setTimeout(resolve, 40));
    else if (turn > 0 && job.save !== 'unsaved') return;
    else await saveOnce(store, false);
  }
}

/** Keeps the open job saved from now on. */
export function startAutosave(): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let seen = -1;
  let retry = FIRST_RETRY;
  let again: ReturnType<typeof setTimeout> | undefined;
  let keeping: ReturnType<typeof setTimeout> | undefined;
  let kept = '';
  /** What is not saved yet is kept in the browser, too: the window may be closed before it is. */
  const keep = (): void => {
    const { job } = store.getState();
    const is = job ? `${job.id} ${job.changes} ${job.changes === job.savedChanges}` : '';
    if (!job || is === kept) return;
    kept = is;
    clearTimeout(keeping);
    // What an earlier window left is not this one's to drop: a job that was just opened has nothing unsaved.
    if (job.changes === job.savedChanges) {
      if (job.changes > 0) void dropUnsaved(job.id);
    } else {
      keeping = setTimeout(() => {
        const now = store.getState().job;
        if (now && now.changes !== now.savedChanges) void keepUnsaved(now);
      }, KEEP_PAUSE);
    }
  };
  const later = (pause: number) => {
    clearTimeout(timer);
    timer = setTimeout(() => void saveOnce(store, false), pause);
  };
  store.subscribe(() => {
    keep();
    const { job } = store.getState();
    if (!job || job.changes === job.savedChanges) {
      retry = FIRST_RETRY;
      return;
    }
    if (job.save === 'unsaved') {
      if (job.changes !== seen || !underWay) later(PAUSE);
      seen = job.changes;
    } else if (job.save === 'unreachable' && again === undefined) {
      again = setTimeout(() => {
        again = undefined;
        void saveOnce(store, false);
      }, retry);
      retry = Math.min(LONGEST_RETRY, retry * 1.6);
    }
  });
  addEventListener('pagehide', () => void saveOnce(store, true));
}
