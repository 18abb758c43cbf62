import { createSlice, original, type Draft as Drafted, type PayloadAction } from '@reduxjs/toolkit';
import type { Clash, JobDocument, JobStep, JobView } from '@brachytone/job';
import { doStep, mergeSteps, stepOf, undoStep, type Draft } from './history.ts';
import type { AppThunk } from './store.ts';
import type { Unsaved } from './unsaved.ts';

/** How the open job stands with the server. */
export type SaveState = 'saved' | 'unsaved' | 'saving' | 'unreachable' | 'refused' | 'conflict';

/** What a document grew from. */
export interface Base {
  readonly document: JobDocument;
  readonly position: number;
}

export interface JobState {
  readonly id: string;
  readonly document: JobDocument;
  /** Revision on the server that this document grew from. */
  readonly revision: number;
  readonly steps: readonly JobStep[];
  /** How many of the steps are done. */
  readonly position: number;
  /** The document as the server has it at that revision, and how many of its steps were done. */
  readonly base: Base;
  /** Steps from here on are not on the server yet. */
  readonly unsavedFrom: number;
  /** Goes up with every change, undo and redo. */
  readonly changes: number;
  /** Changes that the server has. */
  readonly savedChanges: number;
  readonly save: SaveState;
  /** The server's word when it refused. */
  readonly saveMessage: string;
  /** The other version, in a conflict. */
  readonly theirs: JobView | null;
  /** What both changed, in a conflict. */
  readonly clashes: readonly Clash[];
  /** This window's version as it was before another one was merged into it, until the server has taken both. */
  readonly unmerged: Unmerged | null;
  readonly gesture: string | null;
}

type Own = Pick<JobState, 'document' | 'steps' | 'position' | 'unsavedFrom' | 'base' | 'revision'>;

interface Unmerged {
  readonly own: Own;
  readonly theirs: JobView;
}

const ownOf = ({ document, steps, position, unsavedFrom, base, revision }: JobState): Own => ({
  document,
  steps,
  position,
  unsavedFrom,
  base,
  revision,
});

const baseOf = ({ document, position }: JobView): Base => ({ document, position });

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
        base: baseOf(payload),
        unsavedFrom: payload.steps.length,
        changes: 0,
        savedChanges: 0,
        save: 'saved',
        saveMessage: '',
        theirs: null,
        clashes: [],
        unmerged: null,
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
    saved(state, { payload }: PayloadAction<{ revision: number; changes: number; base: Base }>) {
      if (!state) return state;
      const still = state.changes > payload.changes;
      return {
        ...plain(state),
        revision: payload.revision,
        base: payload.base,
        unmerged: null,
        savedChanges: payload.changes,
        save: still ? 'unsaved' : 'saved',
      };
    },
    saveFailed(
      state,
      {
        payload,
      }: PayloadAction<{
        save: SaveState;
        message: string;
        unsavedFrom: number;
        theirs?: JobView;
        clashes?: readonly Clash[];
      }>,
    ) {
      if (!state) return state;
      const { unmerged } = plain(state);
      if (payload.save === 'refused' && unmerged) {
        // Each was sound, both together are not.
        return {
          ...plain(state),
          ...unmerged.own,
          save: 'conflict',
          saveMessage: `This job was changed elsewhere in the meantime, and the two do not go together. ${payload.message}`,
          theirs: unmerged.theirs,
          clashes: [],
          unmerged: null,
        };
      }
      return {
        ...plain(state),
        clashes: payload.clashes ?? [],
        save: payload.save,
        saveMessage: payload.message,
        unsavedFrom: Math.min(state.unsavedFrom, payload.unsavedFrom),
        theirs: payload.theirs ?? null,
      };
    },
    /** What an earlier window had and could not save: it is saved now, or settled where the job is another by now. */
    broughtBack(state, { payload: { left, now } }: PayloadAction<{ left: Unsaved; now: JobView }>) {
      if (!state) return state;
      const { document, steps, position, revision, unsavedFrom, base } = left;
      const next = changed(plain(state), {
        document,
        steps,
        position,
        revision,
        unsavedFrom,
        base: base ?? { document, position },
        gesture: null,
      });
      if (revision === now.revision) return next;
      return {
        ...next,
        save: 'conflict',
        saveMessage:
          'This job was saved elsewhere after changes here that could not be saved. Both versions are still there.',
        theirs: now,
      };
    },
    /** What was saved elsewhere, while nothing here is unsaved. */
    caughtUp(state, { payload }: PayloadAction<JobView>) {
      if (!state || state.id !== payload.id || state.changes !== state.savedChanges) return state;
      const { document, steps, position, revision } = payload;
      return {
        ...plain(state),
        ...{ document, steps, position, revision },
        base: baseOf(payload),
        unsavedFrom: steps.length,
        gesture: null,
      };
    },
    /** Another version, with what is unsaved here done to it: it will be saved over the other one. */
    merged(
      state,
      {
        payload: { theirs, document, steps, position },
      }: PayloadAction<{
        theirs: JobView;
        document: JobDocument;
        steps: readonly JobStep[];
        position: number;
      }>,
    ) {
      if (!state) return state;
      const job = plain(state);
      return {
        ...job,
        ...{ document, steps, position },
        revision: theirs.revision,
        base: baseOf(theirs),
        unsavedFrom: theirs.position,
        changes: job.changes + 1,
        save: 'unsaved',
        theirs: null,
        clashes: [],
        unmerged: { own: job.unmerged?.own ?? ownOf(job), theirs },
        gesture: null,
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
  caughtUp,
  merged,
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
