import { createSlice, original, type Draft as Drafted, type PayloadAction } from '@reduxjs/toolkit';
import type { JobDocument, JobStep, JobView } from '@brachytone/job';
import { doStep, mergeSteps, stepOf, undoStep, type Draft } from './history.ts';
import type { AppThunk } from './store.ts';
import type { Unsaved } from './unsaved.ts';

/** How the open job stands with the server. */
export type SaveState = 'saved' | 'unsaved' | 'saving' | 'unreachable' | 'refused' | 'conflict';

export interface JobState {
  readonly id: string;
  readonly document: JobDocument;
  /** Revision on the server that this document grew from. */
  readonly revision: number;
  readonly steps: readonly JobStep[];
  /** How many of the steps are done. */
  readonly position: number;
  /** Steps from here on are not on the server yet. */
  readonly unsavedFrom: number;
  /** Goes up with every change, undo and redo. */
  readonly changes: number;
  /** Changes that the server has. */
  readonly savedChanges: number;
  readonly save: SaveState;
  /** The server's word when it refused. */
  readonly saveMessage: string;
  /** The other window's version, in a conflict. */
  readonly theirs: JobView | null;
  readonly gesture: string | null;
}

const initialState = null as JobState | null;

const changed = (state: JobState, parts: Partial<JobState>): JobState => ({
  ...state,
  ...parts,
  changes: state.changes + 1,
  save: state.save === 'conflict' ? 'conflict' : 'unsaved',
});

/** The state itself, not its draft: steps are applied to whole documents, which are replaced and never changed. */
const plain = (state: Drafted<JobState>): JobState => original(state);

const slice = createSlice({
  name: 'job',
  initialState,
  reducers: {
    opened(_state, { payload }: PayloadAction<JobView>) {
      const next: JobState = {
        id: payload.id,
        document: payload.document,
        revision: payload.revision,
        steps: payload.steps,
        position: payload.position,
        unsavedFrom: payload.steps.length,
        changes: 0,
        savedChanges: 0,
        save: 'saved',
        saveMessage: '',
        theirs: null,
        gesture: null,
      };
      return next;
    },
    /** Lets go of a job; another one that was opened meanwhile stays. */
    closed: (state, { payload: id }: PayloadAction<string>) => (state?.id === id ? null : state),
    stepped(state, { payload }: PayloadAction<{ step: JobStep; gesture: string | null }>) {
      if (!state) return state;
      const job = plain(state);
      const document = doStep(job.document, payload.step);
      const last = job.position - 1;
      if (payload.gesture !== null && payload.gesture === job.gesture && last >= 0) {
        return changed(job, {
          document,
          steps: [...job.steps.slice(0, last), mergeSteps(job.steps[last], payload.step)],
          unsavedFrom: Math.min(job.unsavedFrom, last),
        });
      }
      return changed(job, {
        document,
        steps: [...job.steps.slice(0, job.position), payload.step],
        position: job.position + 1,
        unsavedFrom: Math.min(job.unsavedFrom, job.position),
        gesture: payload.gesture,
      });
    },
    undone(state) {
      if (!state || state.position === 0) return state;
      const job = plain(state);
      return changed(job, {
        document: undoStep(job.document, job.steps[job.position - 1]),
        position: job.position - 1,
        gesture: null,
      });
    },
    redone(state) {
      if (!state || state.position === state.steps.length) return state;
      const job = plain(state);
      return changed(job, {
        document: doStep(job.document, job.steps[job.position]),
        position: job.position + 1,
        gesture: null,
      });
    },
    /** Goes to where so many steps are done. */
    jumped(state, { payload: position }: PayloadAction<number>) {
      if (!state || position === state.position || position < 0 || position > state.steps.length)
        return state;
      const job = plain(state);
      const { steps } = job;
      const document =
        position < job.position
          ? steps.slice(position, job.position).reduceRight(undoStep, job.document)
          : steps.slice(job.position, position).reduce(doStep, job.document);
      return changed(job, { document, position, gesture: null });
    },
    saving(state) {
      if (!state) return state;
      // A gesture that goes on meanwhile stays one step: the next save replaces what this one sends of it by the whole.
      return { ...plain(state), save: 'saving', unsavedFrom: state.steps.length };
    },
    saved(state, { payload }: PayloadAction<{ revision: number; changes: number }>) {
      if (!state) return state;
      const still = state.changes > payload.changes;
      return {
        ...plain(state),
        revision: payload.revision,
        savedChanges: payload.changes,
        save: still ? 'unsaved' : 'saved',
      };
    },
    saveFailed(
      state,
      { payload }: PayloadAction<{ save: SaveState; message: string; unsavedFrom: number; theirs?: JobView }>,
    ) {
      if (!state) return state;
      return {
        ...plain(state),
        save: payload.save,
        saveMessage: payload.message,
        unsavedFrom: Math.min(state.unsavedFrom, payload.unsavedFrom),
        theirs: payload.theirs ?? null,
      };
    },
    /** What an earlier window had and could not save: it is saved now, or settled where the job is another by now. */
    broughtBack(state, { payload: { left, now } }: PayloadAction<{ left: Unsaved; now: JobView }>) {
      if (!state) return state;
      const { document, steps, position, revision, unsavedFrom } = left;
      const next = changed(plain(state), { document, steps, position, revision, unsavedFrom, gesture: null });
      if (revision === now.revision) return next;
      return {
        ...next,
        save: 'conflict',
        saveMessage:
          'This job was saved elsewhere after changes here that could not be saved. Both versions are still there.',
        theirs: now,
      };
    },
    /** Keeps this window's version: it will be saved over the other one, whole history and all. */
    keptMine(state) {
      if (!state?.theirs) return state;
      return {
        ...plain(state),
        revision: state.theirs.revision,
        theirs: null,
        unsavedFrom: 0,
        save: 'unsaved',
      };
    },
  },
});

export const jobReducer = slice.reducer;
export const {
  opened,
  closed,
  stepped,
  undone,
  redone,
  jumped,
  saving,
  saved,
  saveFailed,
  keptMine,
  broughtBack,
} = slice.actions;

/** Changes the open job's document as one step; changes with the same gesture undo together. */
export const edit =
  (label: string, change: (draft: Draft<JobDocument>) => void, gesture: string | null = null): AppThunk =>
  (dispatch, getState) => {
    const { job } = getState();
    if (!job) return;
    const step = stepOf(job.document, label, change);
    if (step) dispatch(stepped({ step, gesture }));
  };

/** Takes the other window's version; this one's stays reachable by redo. */
export const takeTheirs = (): AppThunk => (dispatch, getState) => {
  const { job } = getState();
  if (!job?.theirs) return;
  const mine = job.document;
  const theirs = job.theirs;
  dispatch(opened(theirs));
  const back = stepOf(theirs.document, 'Version of this window', (draft) => {
    Object.assign(draft, mine);
  });
  if (!back) return;
  dispatch(stepped({ step: back, gesture: null }));
  dispatch(undone());
};
