import { configureStore, type UnknownAction } from '@reduxjs/toolkit';
import type { JobView } from '@brachytone/job';
import {
  edit,
  jobReducer,
  jumped,
  caughtUp,
  opened,
  redone,
  saved,
  saveFailed,
  saving,
  merged,
  undone,
} from './job-slice.ts';
import type { AppThunk } from './store.ts';
import { testJob } from './testing.ts';

/** A store with a job open, and short ways to change and read it. */
function table() {
  const store = configureStore({
    reducer: { job: jobReducer },
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }),
  });
  const dispatch = store.dispatch as (action: UnknownAction | AppThunk) => void;
  dispatch(opened(testJob));
  return {
    dispatch,
    set: (ruling: number, gesture: string | null = null) =>
      dispatch(
        edit('Ruling', (draft) => void (draft.recipe.plates[0].screen.settings.ruling = ruling), gesture),
      ),
    job: () => store.getState().job!,
    ruling: () => store.getState().job!.document.recipe.plates[0].screen.settings.ruling,
  };
}

describe('the open job', () => {
  it('changes, goes back and forth, and forgets what was undone once something else is done', () => {
    const { dispatch, set, job, ruling } = table();
    set(40);
    set(50);
    expect([ruling(), job().position, job().save]).toEqual([50, 2, 'unsaved']);
    dispatch(undone());
    dispatch(undone());
    dispatch(undone());
    expect([ruling(), job().position]).toEqual([30, 0]);
    dispatch(redone());
    expect(ruling()).toBe(40);
    set(60);
    expect(job().steps).toHaveLength(2);
    dispatch(redone());
    expect(ruling()).toBe(60);
    expect(testJob.document.recipe.plates[0].screen.settings.ruling).toBe(30);
  });

  it('goes to any of its steps at once, as so many steps back or on would', () => {
    const { dispatch, set, job, ruling } = table();
    const first = ruling();
    for (const value of [40, 50, 60, 70]) set(value);
    dispatch(jumped(1));
    expect([ruling(), job().position, job().steps.length]).toEqual([40, 1, 4]);
    dispatch(jumped(4));
    expect([ruling(), job().position]).toEqual([70, 4]);
    dispatch(jumped(0));
    expect(job().document).toEqual(testJob.document);
    expect(ruling()).toBe(first);
    dispatch(jumped(9));
    expect(job().position).toBe(0);
    const { changes } = job();
    dispatch(jumped(0));
    expect(job().changes).toBe(changes);
  });
  it('takes a gesture as one step, however often it is saved meanwhile', () => {
    const { dispatch, set, job, ruling } = table();
    set(31, 'drag');
    set(32, 'drag');
    set(33, 'drag');
    expect(job().steps).toHaveLength(1);
    const sent = job().changes;
    dispatch(saving());
    set(34, 'drag');
    dispatch(saved({ revision: 5, changes: sent, base: { document: job().document, position: 1 } }));
    expect(job().steps).toHaveLength(1);
    // What the server has of it is half a gesture: the whole is sent again, from that step on.
    expect(job()).toMatchObject({ save: 'unsaved', unsavedFrom: 0 });
    dispatch(saving());
    set(35, 'drag');
    set(36, 'another');
    expect(job().steps).toHaveLength(2);
    dispatch(undone());
    expect(ruling()).toBe(35);
    dispatch(undone());
    expect(ruling()).toBe(30);
  });

  it('knows what the server does not have yet', () => {
    const { dispatch, set, job } = table();
    set(40);
    expect(job().unsavedFrom).toBe(0);
    const sent = job().changes;
    dispatch(saving());
    set(50);
    dispatch(saved({ revision: 5, changes: sent, base: { document: job().document, position: 1 } }));
    expect(job()).toMatchObject({ revision: 5, save: 'unsaved', unsavedFrom: 1 });
    dispatch(saving());
    dispatch(saveFailed({ save: 'unreachable', message: 'away', unsavedFrom: 1 }));
    expect(job()).toMatchObject({ save: 'unreachable', unsavedFrom: 1 });
  });

  const theirs: JobView = { ...testJob, revision: 5, document: { ...testJob.document, name: 'theirs' } };

  it('takes what was saved elsewhere while nothing here is unsaved, and only then', () => {
    const { dispatch, set, job, ruling } = table();
    dispatch(caughtUp(theirs));
    expect(job()).toMatchObject({ revision: 5, save: 'saved', document: { name: 'theirs' } });
    set(70);
    dispatch(caughtUp({ ...theirs, revision: 6, document: testJob.document }));
    expect([job().revision, job().document.name, ruling()]).toEqual([5, 'theirs', 70]);
  });

  it('two versions that do not go together are each there again, in a conflict', () => {
    const { dispatch, set, job, ruling } = table();
    set(70);
    const own = job();
    const document = { ...theirs.document, recipe: { ...own.document.recipe, inks: [] } };
    dispatch(merged({ theirs, document, steps: own.steps, position: 1 }));
    expect(job()).toMatchObject({ save: 'unsaved', revision: 5, unsavedFrom: 0 });
    dispatch(saveFailed({ save: 'refused', message: 'A plate has no ink.', unsavedFrom: 0 }));
    expect(job()).toMatchObject({ save: 'conflict', theirs, document: own.document, steps: own.steps });
    expect([ruling(), job().revision]).toEqual([70, own.revision]);
    expect(job().saveMessage).toContain('A plate has no ink.');
  });
});
